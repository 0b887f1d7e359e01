import { brightnessAt } from '../electrics/brightness';
import type { Expectation, Stimulus } from '../formats/scenario';
import { heardIntervals } from '../rehearsal/heard';
import { litPhases, soundingPhases } from '../rehearsal/phases';
import { seenIntervals, type SeenInterval } from '../rehearsal/seen';
import { lastBy, observedSeconds, pictureRows, type Trace } from '../rehearsal/trace';

/** A stretch of a run in which nothing is done to the circuit; seconds. */
interface Window {
  readonly from: number;
  readonly to: number;
}

/** Seconds after something was done until what follows is taken for lasting. */
const SETTLE = 0.3;
/** Seconds before the next thing done. */
const MARGIN = 0.05;
const SHORTEST = 0.2;
/** Seconds within which a change is taken for the answer to a press. */
const ANSWER = 0.5;
/** Shares by which repeated times, and a brightness, may differ and be called the same. */
const SAME_TIME = 0.05;
const SAME_BRIGHTNESS = 0.08;

/**
 * What a run shows, in the words of expectations: as much as a person would say of it, LED by LED. Each
 * is a claim that has yet to be checked on the run.
 */
export function describeRun(trace: Trace, stimuli: readonly Stimulus[]): readonly Expectation[] {
  const seconds = observedSeconds(trace);
  const windows = windowsOf(stimuli, seconds);
  const dims = [...trace.pins.values()].some((changes) => changes.some(({ drive }) => drive.mode === 'pwm'));
  const claims: readonly Expectation[] = [
    ...[...trace.lamps].flatMap(([lamp, changes]) => {
      const seen = seenIntervals(changes, seconds);
      // What goes on all through the run needs no window.
      const throughout = lampIn(lamp, seen, { from: 0, to: seconds }, dims);
      return throughout ? [throughout] : windows.flatMap((window) => lampIn(lamp, seen, window, dims) ?? []);
    }),
    ...stimuli.flatMap((stimulus) => ('press' in stimulus ? responsesTo(stimulus, trace, seconds) : [])),
    ...turnsOf(trace, seconds),
    ...[...trace.sounds].flatMap(([buzzer, changes]) =>
      windows.flatMap(({ from, to }): Expectation[] => {
        const heard = heardIntervals(changes, seconds).filter((one) => one.to > from && one.from < to);
        const [only, more] = heard;
        if (!only || more) return [];
        return [only.hertz > 0 ? { buzzer, tone: only.hertz, from, to } : { buzzer, is: 'off', from, to }];
      }),
    ),
    ...windows.flatMap(({ to }) => endOf(trace, to)),
    ...serialOf(trace),
  ];
  return claims.map((claim) =>
    'to' in claim && !('responds' in claim) && claim.to === seconds && (claim.from ?? 0) === 0
      ? unwindowed(claim)
      : claim,
  );
}

function windowsOf(stimuli: readonly Stimulus[], seconds: number): readonly Window[] {
  const moments = stimuli.flatMap((stimulus) => {
    const lasts =
      ('for' in stimulus ? stimulus.for : undefined) ?? ('over' in stimulus ? stimulus.over : undefined);
    return [stimulus.at, ...(lasts === undefined ? [] : [stimulus.at + lasts])];
  });
  const cuts = [...new Set([0, ...moments, seconds])].sort((one, other) => one - other);
  return cuts
    .slice(1)
    .map((end, index) => ({
      from: rounded(moments.includes(cuts[index]!) ? cuts[index]! + SETTLE : cuts[index]!),
      to: rounded(end - (end === seconds ? 0 : MARGIN)),
    }))
    .filter(({ from, to }) => to - from >= SHORTEST);
}

/**
 * One sentence about an LED in a window; `undefined` when there is none that says enough. `dims`: how bright it
 * is matters.
 */
function lampIn(
  lamp: string,
  all: readonly SeenInterval[],
  { from, to }: Window,
  dims: boolean,
): Extract<Expectation, { lamp: string }> | undefined {
  const seen = all
    .filter((one) => one.to > from && one.from < to)
    .map((one) => ({ ...one, from: Math.max(from, one.from), to: Math.min(to, one.to) }));
  const [first] = seen;
  if (!first) return undefined;
  if (seen.length === 1) {
    if (first.glow === 'dark') return { lamp, is: 'off', from, to };
    if (!dims && first.flickerHz === undefined && first.glow === 'lit') return { lamp, is: 'on', from, to };
    const brightness = brightnessAt(first.currentMa);
    const [low, high] = [brightness - SAME_BRIGHTNESS, brightness + SAME_BRIGHTNESS].map((share) =>
      rounded(Math.min(1, Math.max(0, share))),
    );
    return { lamp, brightness: [low!, high!], from, to };
  }
  if (seen.some(({ glow }) => glow === 'faint')) return undefined;
  const rhythm = rhythmOf(seen.slice(1, -1));
  if (rhythm) return { lamp, rhythm: [...rhythm], from, to };
  // An LED that is lit at an edge of the window was cut, or is not flashing at all.
  if (first.glow === 'lit' || seen.at(-1)!.glow === 'lit') return undefined;
  return { lamp, flashes: seen.filter(({ glow }) => glow === 'lit').length, from, to };
}

/** What follows a press so soon that it is an answer to it. */
function responsesTo(
  { press, at }: Extract<Stimulus, { press: string }>,
  trace: Trace,
  seconds: number,
): readonly Expectation[] {
  const answering = [
    ...[...trace.lamps].map(([name, changes]) => ({
      name,
      phases: litPhases(seenIntervals(changes, seconds)),
    })),
    ...[...trace.sounds].map(([name, changes]) => ({
      name: String(name),
      phases: soundingPhases(changes, seconds),
    })),
  ];
  return answering.flatMap(({ name, phases }): Expectation[] => {
    const before = phases.find(({ from, to }) => from < at && to > at);
    const after = phases.find(({ from }) => from >= at);
    if (!before || !after || after.from - at > ANSWER || at - before.from < SETTLE || before.on === after.on)
      return [];
    const within = Math.max(0.1, Math.ceil((after.from - at + MARGIN) * 10) / 10);
    return [{ responds: name, to: press, within, then: after.on ? 'on' : 'off' }];
  });
}

/** Times lit and dark that repeat, lit first. */
function rhythmOf(inner: readonly SeenInterval[]): readonly [number, number] | undefined {
  const times = (lit: boolean): readonly number[] =>
    inner.filter(({ glow }) => (glow === 'lit') === lit).map((one) => one.to - one.from);
  const [on, off] = [steadyOf(times(true)), steadyOf(times(false))];
  return on === undefined || off === undefined || inner.length < 3 ? undefined : [on, off];
}

function steadyOf(times: readonly number[]): number | undefined {
  const [least, most] = [Math.min(...times), Math.max(...times)];
  return times.length > 0 && most - least <= most * SAME_TIME ? rounded((least + most) / 2) : undefined;
}

/** LEDs that take turns, by when each is first lit. */
function turnsOf(trace: Trace, seconds: number): readonly Expectation[] {
  const lit = [...trace.lamps]
    .map(([lamp, changes]) => ({
      lamp,
      spells: seenIntervals(changes, seconds).filter(({ glow }) => glow === 'lit'),
    }))
    .filter(({ spells }) => spells.length > 1)
    .sort((one, other) => one.spells[0]!.from - other.spells[0]!.from)
    .map(({ lamp }) => lamp);
  return lit.length > 1 ? [{ 'never-together': lit }, { order: lit }] : [];
}

/** What servos, displays and panels have come to at a moment. */
function endOf(trace: Trace, to: number): readonly Expectation[] {
  const angles = [...trace.angles].flatMap(([servo, changes]): Expectation[] => {
    const degrees = lastBy(changes, to)?.degrees;
    return degrees === undefined ? [] : [{ servo, angle: Math.round(degrees), to }];
  });
  const texts = [...trace.texts].flatMap(([display, changes]): Expectation[] => {
    const lines = lastBy(changes, to)?.lines.map((line) => line.trimEnd());
    return lines?.some((line) => line !== '') ? [{ display, text: [...lines], to }] : [];
  });
  const pictures = [...trace.pictures].flatMap(([panel, changes]): Expectation[] => {
    const rows = lastBy(changes, to)?.rows;
    return rows?.some((row) => row > 0) ? [{ panel, picture: [...pictureRows(rows)], to }] : [];
  });
  return [...angles, ...texts, ...pictures];
}

/** The first line that was sent. */
function serialOf({ serial }: Trace): readonly Expectation[] {
  const text = serial.map((piece) => piece.text).join('');
  const line = text.split('\n')[0]?.trim() ?? '';
  return line === '' ? [] : [{ serial: 'contains', text: line.slice(0, 80) }];
}

/** The claim without its window. */
function unwindowed<Claim extends { from?: number | undefined; to?: number | undefined }>(
  claim: Claim,
): Claim {
  const rest = { ...claim };
  delete rest.from;
  delete rest.to;
  return rest;
}

const rounded = (value: number): number => Math.round(value * 100) / 100;
