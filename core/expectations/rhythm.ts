import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import type { SeenInterval } from '../rehearsal/seen';
import { seconds } from '../units';
import { sentence, type Slot } from '../words/sentence';
import { lightSlot, numberSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  lightSchema,
  partOfLight,
  rounded,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import {
  failed,
  ledViewOf,
  length,
  neverDark,
  neverLit,
  saw,
  summary,
  type LedView,
  type Phase,
} from './led-view';
import { isLeftAlone, longestOf } from './going-on';
import { absent, passed, type Outcome } from './outcome';

/** Share by which repeated times may differ and be called the same. */
const SAME_TIME = 0.05;

const schema = z.strictObject({
  lamp: lightSchema,
  rhythm: z.array(z.number().positive('each time is longer than 0 s')).min(2).max(32),
  ...windowed,
});
type Rhythm = z.infer<typeof schema>;

const SPELL = `(?:(?:is|stays) +)?(?:lit|on|flash(?:es)?|dark|off) *(?:for +)?${numberSlot.pattern} *s`;
/** Times lit and dark in turn, lit first; read from either, so long as they take turns. */
const rhythmSlot: Slot<number[]> = {
  write: (times) => times.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${time} s`).join(', '),
  pattern: `${SPELL}(?:(?:, *| +)(?:(?:and|then) +)*${SPELL})+`,
  read: (text) => {
    const spells = [
      ...text.matchAll(new RegExp(`(lit|on|flash|dark|off)\\D*(${numberSlot.pattern})`, 'gi')),
    ].map(([, state, time]) => ({ lit: !/dark|off/i.test(state!), time: Number(time) }));
    const inTurn = spells.every(
      ({ lit }, index) => lit === (index % 2 === 0 ? spells[0]!.lit : !spells[0]!.lit),
    );
    const times = spells.map(({ time }) => time);
    if (!inTurn) return undefined;
    if (spells[0]!.lit) return times;
    return times.length % 2 === 0 ? [...times.slice(1), times[0]!] : undefined;
  },
};

/** Times for which an LED is lit and dark, over and over. */
export const rhythm: ExpectationDefinition<Rhythm> = {
  keys: ['lamp', 'rhythm'],
  schema,
  sentence: sentence<Rhythm>(`{lamp} {rhythm}<, over and over>${WINDOW}`, {
    lamp: lightSlot,
    rhythm: rhythmSlot,
    ...windowSlots,
  }),
  example: 'D1 lit 0.5 s, dark 2.5 s',
  exampleOf: ['light'],
  parts: ({ lamp: led }) => [partOfLight(led)],
  pauses: (expectation) => expectation.rhythm.map((time) => Math.round(time * 1000)),
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return absent(expectation.lamp);
    return checkRhythm(expectation.rhythm, view, isLeftAlone(expectation, observed));
  },
  describeLight: ({ lamp: led, seen, from, to }) => {
    if (seen.some(({ glow }) => glow === 'faint')) return undefined;
    const found = rhythmOf(seen.slice(1, -1));
    const [last] = seen.slice(-1);
    // What has stopped goes on no more.
    const isOver = found && last && last.to - last.from > longestOf(found[last.glow === 'lit' ? 0 : 1]);
    if (isOver) return undefined;
    return found && { lamp: led, rhythm: found, from, to };
  },
};

/** Times lit and dark that repeat, lit first. */
function rhythmOf(inner: readonly SeenInterval[]): [number, number] | undefined {
  const times = (lit: boolean): readonly number[] =>
    inner.filter(({ glow }) => (glow === 'lit') === lit).map((one) => one.to - one.from);
  const [on, off] = [steadyOf(times(true)), steadyOf(times(false))];
  return on === undefined || off === undefined || inner.length < 3 ? undefined : [on, off];
}

function steadyOf(times: readonly number[]): number | undefined {
  const [least, most] = [Math.min(...times), Math.max(...times)];
  return times.length > 0 && most - least <= most * SAME_TIME ? rounded((least + most) / 2) : undefined;
}

/** What the window cuts off is not judged; but a light that has stopped by itself was not cut off. */
function checkRhythm(rhythm: readonly number[], view: LedView, isAlone: boolean): Outcome {
  const { phases } = view;
  if (!phases.some((phase) => phase.lit)) return failed(view, [neverLit(view)]);
  if (!phases.some((phase) => !phase.lit)) return failed(view, [neverDark(view)]);
  const inner = phases.slice(1, -1);
  const fits = (phase: Phase, wanted: number): boolean =>
    Math.abs(length(phase) - wanted) <= wanted * view.tolerance + 1e-9;
  const rotations = rhythm
    .map((_, index) => index)
    .filter((index) => (index % 2 === 0) === (inner[0]?.lit ?? true));
  const covers = inner.length >= rhythm.length;
  const passes =
    covers &&
    rotations.some((start) =>
      inner.every((phase, index) => fits(phase, rhythm[(start + index) % rhythm.length]!)),
    );
  const halted = stopped(view, rhythm);
  if (passes && !(halted && isAlone)) return passed(summary(view));
  if (halted) return failed(view, [halted]);
  return failed(view, [timingOff(rhythm, inner.length > 0 ? inner : phases, view)]);
}

/** The last phase lasts much longer than the rhythm allows, and than any like it before: the LED has stopped. */
function stopped(view: LedView, rhythm: readonly number[]): Observation | undefined {
  const last = view.phases.at(-1)!;
  const usual = Math.max(...rhythm.filter((_, index) => (index % 2 === 0) === last.lit));
  const earlier = view.phases.slice(0, -1).filter(({ lit }) => lit === last.lit);
  const longest = Math.max(0, ...earlier.map(length));
  if (length(last) <= Math.max(longestOf(usual), longest)) return undefined;
  const state = last.lit ? 'lit' : 'dark';
  return saw(
    view,
    last.lit ? 'stays-on' : 'stays-off',
    `stops changing at ${seconds(last.from)} and stays ${state}.`,
    [
      `After ${seconds(last.from)} nothing changes any more. What does the program do from then on?`,
      `${view.ref} is ${state} from ${seconds(last.from)} to the end; ${seconds(usual)} would be right.`,
      `Look for a line that the program reaches at ${seconds(last.from)} and never leaves, or for lines that run only once and belong in what repeats.`,
    ],
    { sinceS: quantity(last.from, 's'), lastedS: quantity(length(last), 's') },
  );
}

/** A phase beside the time that it should last. */
interface Timed {
  readonly phase: Phase;
  readonly wanted: number;
  /** How far it is off, as a share of what it should last. */
  readonly share: number;
}

/** The phases beside a rhythm, from the time of it at which they fit it best. */
function beside(rhythm: readonly number[], phases: readonly Phase[]): readonly Timed[] {
  const ways = rhythm
    .map((_, start) => start)
    .filter((start) => (start % 2 === 0) === (phases[0]?.lit ?? true))
    .map((start) =>
      phases.map((phase, index): Timed => {
        const wanted = rhythm[(start + index) % rhythm.length]!;
        return { phase, wanted, share: Math.abs(length(phase) - wanted) / wanted };
      }),
    );
  const offBy = (way: readonly Timed[]): number => way.reduce((sum, { share }) => sum + share, 0);
  return ways.reduce((best, way) => (offBy(way) < offBy(best) ? way : best));
}

/** Of a rhythm of more times than these, nobody reads all. */
const MOST_TIMES_TOLD = 6;
const rhythmText = (rhythm: readonly number[]): string =>
  rhythm.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${seconds(time)}`).join(', ');

function timingOff(rhythm: readonly number[], phases: readonly Phase[], view: LedView): Observation {
  const off = [...beside(rhythm, phases)].sort((a, b) => b.share - a.share)[0]!;
  const at = rhythm.length > 2 ? ` at ${seconds(off.phase.from)}` : '';
  const among =
    rhythm.length > 2 && rhythm.length <= MOST_TIMES_TOLD ? `, in the rhythm ${rhythmText(rhythm)}` : '';
  const state = off.phase.lit ? 'lit' : 'dark';
  const found = length(off.phase);
  const direction = found > off.wanted ? 'longer' : 'shorter';
  return saw(
    view,
    'timing-off',
    `is ${state} for ${seconds(found)}${at}; it should be ${seconds(off.wanted)}${among}.`,
    [
      `How long is ${view.ref} ${state}, and how long should it be?`,
      `${capital(state)} for ${seconds(found)} instead of ${seconds(off.wanted)}: look at the delay after the pin goes ${off.phase.lit ? 'on' : 'off'}.`,
      `Make that delay ${direction === 'longer' ? 'shorter' : 'longer'}, so that ${view.ref} is ${state} for ${seconds(off.wanted)}: ${Math.round(off.wanted * 1000)} milliseconds.`,
    ],
    { foundS: quantity(found, 's'), wantedS: quantity(off.wanted, 's') },
  );
}
