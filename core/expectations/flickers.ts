import * as z from 'zod';
import { brightnessAt } from '../electrics/brightness';
import { quantity } from '../findings/finding';
import { seconds, times } from '../units';
import { sentence } from '../words/sentence';
import { lightSlot } from '../words/slots';
import { seenStretches, type SeenInterval } from '../rehearsal/seen';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { ledViewOf, neverLit, saw, summary, type LedView } from './led-view';
import { absent, passed, windowOf, within } from './outcome';

/** Changes a second from which on a light flickers, and does not just change now and then. */
const LEAST_A_SECOND = 1.5;
/** Changes that it takes to tell that they follow no rhythm. */
const LEAST = 8;
/** Share of the changes that turn round, from brighter to darker or back; what fades goes one way for long. */
const LEAST_TURNS = 0.2;
/** By how much a brightness, and a length in seconds or as a share, may differ and be the same again. */
const [SAME_BRIGHTNESS, SAME_SECONDS, SAME_SHARE] = [0.04, 0.02, 0.1];

const schema = z.strictObject({ lamp: lightSchema, flickers: z.literal(true), ...windowed });
type Flickers = z.infer<typeof schema>;

/** How bright a light is, from 0 to 1, and for how many seconds. */
interface Step {
  readonly bright: number;
  readonly lasts: number;
}

/** An LED changes its brightness again and again without a rhythm, as a flame does. */
export const flickers: ExpectationDefinition<Flickers> = {
  keys: ['lamp', 'flickers'],
  schema,
  sentence: sentence<Flickers>(`{lamp} flickers< like a flame>${WINDOW}`, {
    lamp: lightSlot,
    ...windowSlots,
  }),
  fixed: { flickers: true },
  parts: ({ lamp: led }) => [partOfLight(led)],
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return absent(expectation.lamp);
    const stretches = seenStretches(observed.currents(expectation.lamp) ?? [], observed.trace.seconds);
    const steps = stepsOf(within(stretches, ...windowOf(expectation, observed.trace)));
    const rate = steps.length / view.seconds;
    const shown = `${steps.length} changes of brightness`;
    const fails = (failure: ReturnType<typeof saw>) => ({
      passed: false,
      observed: steps.length === 0 ? summary(view) : shown,
      failures: [failure],
    });
    if (view.intervals.every(({ glow }) => glow === 'dark')) return fails(neverLit(view));
    if (steps.length < LEAST || rate < LEAST_A_SECOND) return fails(tooSteady(view, steps.length));
    const round = roundOf(steps);
    if (round !== undefined) return fails(inRhythm(view, round));
    if (turnsIn(steps) < LEAST_TURNS * steps.length) return fails(oneWay(view));
    return passed(`${shown}, without a rhythm`);
  },
  describeLight: ({ lamp: led, stretches, from, to }) => {
    const steps = stepsOf(stretches);
    const isLively = steps.length >= LEAST && steps.length / (to - from) >= LEAST_A_SECOND;
    const isFlicker =
      isLively && roundOf(steps) === undefined && turnsIn(steps) >= LEAST_TURNS * steps.length;
    return isFlicker ? { lamp: led, flickers: true, from, to } : undefined;
  },
};

/** What is seen from the first change on to the last one; what is as bright as before is no change. */
function stepsOf(stretches: readonly SeenInterval[]): readonly Step[] {
  const steps: Step[] = [];
  for (const { from, to, currentMa } of stretches) {
    const [bright, lasts] = [brightnessAt(currentMa), to - from];
    const last = steps.at(-1);
    if (last && Math.abs(last.bright - bright) < SAME_BRIGHTNESS)
      steps[steps.length - 1] = { ...last, lasts: last.lasts + lasts };
    else steps.push({ bright, lasts });
  }
  return steps.slice(1, -1);
}

/** How many steps make one round of what repeats; `undefined` where nothing does. */
function roundOf(steps: readonly Step[]): number | undefined {
  const isSame = (one: Step, other: Step): boolean =>
    Math.abs(one.bright - other.bright) <= SAME_BRIGHTNESS &&
    Math.abs(one.lasts - other.lasts) <= Math.max(SAME_SECONDS, SAME_SHARE * one.lasts);
  for (let round = 1; round <= steps.length / 2; round += 1)
    if (steps.every((step, index) => index + round >= steps.length || isSame(step, steps[index + round]!)))
      return round;
  return undefined;
}

/** How often it turns from brighter to darker, and back. */
const turnsIn = (steps: readonly Step[]): number =>
  steps.slice(1, -1).filter(({ bright }, index) => {
    const [before, after] = [steps[index]!.bright, steps[index + 2]!.bright];
    return (bright - before) * (after - bright) < 0;
  }).length;

const tooSteady = (view: LedView, found: number) =>
  saw(
    view,
    found === 0 ? 'no-response' : 'timing-off',
    found === 0
      ? `does not change ${view.span}; it should flicker.`
      : `changes only ${times(found)} in ${seconds(view.seconds)}; what flickers changes several times a second.`,
    [
      `How often does the brightness of ${view.ref} change in a second?`,
      found === 0
        ? `${view.ref} is as bright at the end as at the beginning.`
        : `You see ${found} ${found === 1 ? 'change' : 'changes'} in ${seconds(view.seconds)}.`,
      `Set a new brightness several times a second, with short pauses between.`,
    ],
    { found: quantity(found, '') },
  );

const inRhythm = (view: LedView, round: number) =>
  saw(
    view,
    'timing-off',
    `goes through the same ${round === 1 ? 'step' : `${round} steps`} over and over; what flickers has no rhythm.`,
    [
      `Could you clap along with ${view.ref}?`,
      `${view.ref} does the same over and over.`,
      `Let chance choose the brightness or the pause, with random.`,
    ],
    { round: quantity(round, '') },
  );

const oneWay = (view: LedView) =>
  saw(view, 'timing-off', `gets brighter, or darker, for a long time; what flickers goes up and down.`, [
    `Does ${view.ref} go up and down, or one way?`,
    `${view.ref} fades: its brightness goes one way for long.`,
    `Let chance choose the brightness, with random.`,
  ]);
