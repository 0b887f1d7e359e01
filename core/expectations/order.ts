import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { seconds, stretch } from '../units';
import { sentence } from '../words/sentence';
import { lightSlot, listSlot } from '../words/slots';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { isByItself, longestOf, stopAt, type Break } from './going-on';
import { alongBoard, areAlike } from './in-line';
import { failedWith, passed, windowOf, within, type Observed, type Outcome } from './outcome';
import { takingTurns } from './turns';

const schema = z.strictObject({ order: z.array(lightSchema).min(2).max(100), ...windowed });
type InOrder = z.infer<typeof schema>;

/** LEDs that light up one after the other, over and over. */
export const order: ExpectationDefinition<InOrder> = {
  keys: ['order'],
  schema,
  sentence: sentence<InOrder>(`{order}< in turn>${WINDOW}`, {
    order: listSlot(lightSlot, ', then ', ',? +then +'),
    ...windowSlots,
  }),
  parts: (expectation) => expectation.order.map(partOfLight),
  check: (expectation, observed) => {
    const asked = expectation.order;
    const [from, to] = windowOf(expectation, observed.trace);
    const starts = startsOf(asked, observed, from, to);
    const named = (leds: readonly string[]): readonly string[] =>
      leds.map((led) => (observed.builtRef(led) ?? partOfLight(led)) + led.slice(partOfLight(led).length));
    const wanted = inTurn(named(asked));
    const refs = [...new Set(named(asked).map(partOfLight))];
    if (starts.length === 0)
      return failedWith('none of them lit', noneLit(asked, { wanted, refs, from, to }));
    const seen = inTurn(named(starts.map(({ lamp: led }) => led)));
    if (!isInOrder(asked, starts)) return failedWith(seen, outOfOrder(starts.length, { wanted, seen, refs }));
    const stop = stopIn(starts, asked.length, to);
    if (stop && isByItself(stop, observed)) return failedWith(seen, stoppedAt(stop.at, wanted, refs));
    return jump([...new Set(asked)], refs, seen, observed) ?? passed(seen);
  },
  describe: (run) => {
    const lit = takingTurns(run);
    return lit.length > 1 ? [{ order: [...lit] }] : [];
  },
};

/** An LED that lights up, and when in seconds. */
interface Start {
  readonly lamp: string;
  readonly at: number;
}

/** What of some LEDs lights up in a window, one after the other. */
const startsOf = (asked: readonly string[], observed: Observed, from: number, to: number): readonly Start[] =>
  asked
    .flatMap((led) =>
      within(observed.seen(led) ?? [], from, to)
        .filter(({ glow }) => glow === 'lit')
        .map((interval) => ({ lamp: led, at: interval.from })),
    )
    .sort((one, other) => one.at - other.at);

/** Whether all of them light up in their order, from whichever is first. */
function isInOrder(asked: readonly string[], starts: readonly Start[]): boolean {
  const first = asked.indexOf(starts[0]!.lamp);
  return (
    starts.length >= asked.length &&
    starts.every(({ lamp: led }, index) => led === asked[(first + index) % asked.length])
  );
}

/** Rounds after which it is known how long each takes. */
const ROUNDS = 2;

/** That no further LED lights up long before the end; `undefined` where it goes on. */
function stopIn(starts: readonly Start[], inARound: number, end: number): Break | undefined {
  const last = starts.at(-1);
  if (!last || starts.length < ROUNDS * inARound) return undefined;
  const longest = Math.max(...starts.slice(1).map(({ at }, index) => at - starts[index]!.at));
  return end - last.at > longestOf(longest) ? stopAt(last.at, longest, longest * inARound) : undefined;
}

interface NoneLit {
  /** The LEDs in their order, in words. */
  readonly wanted: string;
  readonly refs: string[];
  readonly from: number;
  readonly to: number;
}

function noneLit(asked: readonly string[], { wanted, refs, from, to }: NoneLit): Observation {
  const count = new Set(asked).size;
  const none = `${count === 2 ? 'Neither of the two' : `None of the ${count}`} LEDs lights up ${stretch(from, to)}.`;
  return {
    code: 'not-lit',
    severity: 'fault',
    refs,
    message: `${none} They should light up in the order ${wanted}.`,
    hints: [
      `What has to happen before any of the LEDs lights up?`,
      none,
      `Find what all of them need: their ground, their supply, and the line that switches them.`,
    ],
    evidence: { lit: quantity(0, '') },
  };
}

const outOfOrder = (
  count: number,
  { wanted, seen, refs }: { readonly wanted: string; readonly seen: string; readonly refs: string[] },
): Observation => ({
  code: 'order-wrong',
  severity: 'fault',
  refs,
  message: `The LEDs light up in the order ${seen}; the order should be ${wanted}.`,
  hints: [
    `In which order do the LEDs light up?`,
    `The order you get is ${seen}.`,
    `Change the order of the lines, so that the LEDs light up in the order ${wanted}.`,
  ],
  evidence: { lit: quantity(count, '') },
});

const stoppedAt = (last: number, wanted: string, refs: string[]): Observation => ({
  code: 'stays-off',
  severity: 'fault',
  refs,
  message: `The LEDs light up in turn until ${seconds(last)}, and none of them after that. They should go on in the order ${wanted}, over and over.`,
  hints: [
    `After ${seconds(last)} nothing changes any more. What does the program do from then on?`,
    `The last LED lights up at ${seconds(last)}, and no other one follows.`,
    `Look for a line that the program reaches at ${seconds(last)} and never leaves, or for lines that run only once and belong in what repeats.`,
  ],
  evidence: { sinceS: quantity(last, 's') },
});

/**
 * LEDs that are alike and light up in turn along the breadboard in the exercise, and here and there in a build: an eye
 * knows them by where they stand.
 */
function jump(
  asked: readonly string[],
  built: readonly string[],
  seen: string,
  observed: Observed,
): Outcome | undefined {
  const drawn = areAlike(observed.asked, asked) ? alongBoard(observed.asked, asked) : undefined;
  const along = drawn?.join() === asked.join() ? alongBoard(observed.wiring, built) : undefined;
  if (!along || along.join() === built.join()) return undefined;
  const standing = inTurn(along);
  return failedWith(`${seen}, which stand in the order ${standing}`, {
    code: 'order-wrong',
    severity: 'fault',
    refs: [...built],
    message: `The LEDs light up in the order ${seen}. Along the breadboard they stand in the order ${standing}, so the light jumps.`,
    hints: [
      `Which LED lights up after the first one: the one beside it, or another?`,
      `Along the breadboard stand ${standing}. They light up in the order ${seen}.`,
      `Follow the wires from the pins to the LEDs, and swap those that belong in each other’s places.`,
    ],
    evidence: { lit: quantity(built.length, '') },
  });
}

/** LEDs that are named of a long row. */
const MOST_NAMED = 6;

const inTurn = (leds: readonly string[]): string =>
  `${leds.slice(0, MOST_NAMED).join(', ')}${leds.length > MOST_NAMED ? ' and so on' : ''}`;
