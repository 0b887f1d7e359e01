import type { Ref } from '../brand';
import { quantity, type FindingCode, type Observation } from '../findings/finding';
import type { SeenInterval } from '../rehearsal/seen';
import { milliamps, seconds, stretch, times } from '../units';
import { partTextOf } from '../wiring/words';
import { capital } from '../words/words';
import { glances } from './glances';
import { windowOf, within, type Observed, type Outcome } from './outcome';

/** Lit or not: a faint glow does not count as lit. */
export interface Phase {
  readonly from: number;
  readonly to: number;
  readonly lit: boolean;
}

/** What a watcher sees of one LED; `undefined` when nothing in the build stands for it. */
export function ledViewOf(
  expectation: {
    readonly lamp: string;
    readonly from?: number | undefined;
    readonly to?: number | undefined;
  },
  observed: Observed,
): LedView | undefined {
  const intervals = observed.seen(expectation.lamp);
  const ref = observed.builtRef(expectation.lamp);
  if (!intervals || ref === undefined) return undefined;
  const [from, to] = windowOf(expectation, observed.trace);
  return {
    name: lightText(expectation.lamp, ref, observed),
    ref,
    brightness: glances(observed.currents(expectation.lamp) ?? [], from, to),
    intervals: within(intervals, from, to),
    phases: phasesOf(within(intervals, from, to)),
    seconds: to - from,
    span:
      from === 0 && to === observed.trace.seconds
        ? `for the whole ${seconds(to)}`
        : `from ${seconds(from)} to ${seconds(to)}`,
  };
}

/** `the amber LED D1`, or `the red of the RGB LED D1` for one light of several. */
function lightText(led: string, ref: Ref, observed: Observed): string {
  const [, light] = led.split('.');
  if (observed.wiring.board?.ref === ref) return `the LED on the board ${ref}`;
  const part = partTextOf(observed.wiring, ref);
  return light === undefined ? part : `${light} of ${part}`;
}

export interface LedView {
  /** `the amber LED D1`. */
  readonly name: string;
  readonly ref: string;
  /** From 0 to 1, glance by glance. */
  readonly brightness: readonly number[];
  readonly intervals: readonly SeenInterval[];
  readonly phases: readonly Phase[];
  readonly seconds: number;
  /** The window in words: `for the whole 12 s`, `from 2 s to 6 s`. */
  readonly span: string;
}

function phasesOf(intervals: readonly SeenInterval[]): readonly Phase[] {
  const phases: Phase[] = [];
  for (const { from, to, glow } of intervals) {
    const lit = glow === 'lit';
    const before = phases.at(-1);
    if (before?.lit === lit) phases[phases.length - 1] = { ...before, to };
    else phases.push({ from, to, lit });
  }
  return phases;
}

export const length = (phase: Phase): number => phase.to - phase.from;
export const brightest = (view: LedView): number =>
  Math.max(0, ...view.intervals.map((interval) => interval.currentMa));

/** `lit 0.50 s, dark 2.50 s, 4 times`: the run in a few words. */
export function summary({ phases, intervals }: LedView): string {
  if (phases.length === 1) {
    const faint = intervals.some((interval) => interval.glow === 'faint');
    return phases[0]!.lit ? 'lit all the time' : faint ? 'a faint glow, never lit' : 'dark all the time';
  }
  const on = phases
    .slice(1, -1)
    .filter((phase) => phase.lit)
    .map(length);
  const off = phases
    .slice(1, -1)
    .filter((phase) => !phase.lit)
    .map(length);
  const shown = (list: readonly number[]): string => {
    const [low, high] = [Math.min(...list), Math.max(...list)];
    return seconds(low) === seconds(high) ? seconds(low) : `${seconds(low)} to ${seconds(high)}`;
  };
  const count = phases.filter((phase) => phase.lit).length;
  const parts = [on.length > 0 ? `lit ${shown(on)}` : '', off.length > 0 ? `dark ${shown(off)}` : ''].filter(
    Boolean,
  );
  if (parts.length === 0)
    return phases.map((phase) => `${phase.lit ? 'lit' : 'dark'} ${stretch(phase.from, phase.to)}`).join(', ');
  return `${parts.join(', ')}, lit ${times(count)}`;
}

export function failed(view: LedView, failures: readonly Observation[]): Outcome {
  return { passed: false, observed: summary(view), failures };
}

/** A behaviour observation about one LED. */
export function saw(
  view: LedView,
  code: FindingCode,
  message: string,
  hints: readonly [string, string, string],
  evidence: Observation['evidence'] = {},
): Observation {
  return {
    code,
    severity: 'fault',
    refs: [view.ref],
    message: `${capital(view.name)} ${message}`,
    hints: [...hints],
    evidence: { watchedS: quantity(view.seconds, 's'), ...evidence },
  };
}

export function neverLit(view: LedView): Observation {
  const currentMa = brightest(view);
  const glows = currentMa >= 0.01;
  const glow = glows ? `only glows faintly, at ${milliamps(currentMa)},` : 'stays dark';
  const most = glows ? `${milliamps(currentMa)} at most` : 'next to no current';
  return saw(
    view,
    'not-lit',
    `${glow} ${view.span}.`,
    [
      `Is there a whole path for the current, from a pin through ${view.ref} and back to ground?`,
      `${view.ref} gets ${most} ${view.span}; you need about 0.5 mA to see it light up.`,
      `Step through the current path of ${view.ref} hole by hole, and see where it stops.`,
    ],
    { currentMa: quantity(currentMa, 'mA') },
  );
}

export function neverDark(view: LedView): Observation {
  return saw(
    view,
    'not-dark',
    `is lit ${view.span} and never goes dark.`,
    [
      `What in the program makes ${view.ref} go dark, and for how long?`,
      `${view.ref} carries ${milliamps(brightest(view))} all the time.`,
      `Make the pin go LOW and stay LOW for a while before it goes HIGH again.`,
    ],
    { currentMa: quantity(brightest(view), 'mA') },
  );
}
