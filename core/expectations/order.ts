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
import { isLeftAlone, longestOf } from './going-on';
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
    const [from, to] = windowOf(expectation, observed.trace);
    const lit = expectation.order
      .flatMap((led) =>
        within(observed.seen(led) ?? [], from, to)
          .filter((interval) => interval.glow === 'lit')
          .map((interval) => ({ lamp: led, at: interval.from })),
      )
      .sort((a, b) => a.at - b.at);
    const starts = lit.map(({ lamp: led }) => led);
    const first = expectation.order.indexOf(starts[0] ?? '');
    const right =
      starts.length >= expectation.order.length &&
      starts.every((led, index) => led === expectation.order[(first + index) % expectation.order.length]);
    const named = (leds: readonly string[]): readonly string[] =>
      leds.map((led) => (observed.builtRef(led) ?? partOfLight(led)) + led.slice(partOfLight(led).length));
    const wanted = inTurn(named(expectation.order));
    const seen = starts.length === 0 ? 'none of them lit' : inTurn(named(starts));
    const refs = [...new Set(named(expectation.order).map(partOfLight))];
    const times = lit.map(({ at }) => at);
    const last = isLeftAlone(expectation, observed) ? stopIn(times, expectation.order.length, to) : undefined;
    if (right && last !== undefined) return failedWith(seen, stoppedAt(last, wanted, refs));
    if (right) return jump([...new Set(expectation.order)], refs, seen, observed) ?? passed(seen);
    const count = new Set(expectation.order).size;
    const none = `${count === 2 ? 'Neither of the two' : `None of the ${count}`} LEDs lights up ${stretch(from, to)}.`;
    return failedWith(
      seen,
      starts.length === 0
        ? {
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
          }
        : {
            code: 'order-wrong',
            severity: 'fault',
            refs,
            message: `The LEDs light up in the order ${seen}; the order should be ${wanted}.`,
            hints: [
              `In which order do the LEDs light up?`,
              `The order you get is ${seen}.`,
              `Change the order of the lines, so that the LEDs light up in the order ${wanted}.`,
            ],
            evidence: { lit: quantity(starts.length, '') },
          },
    );
  },
  describe: (run) => {
    const lit = takingTurns(run);
    return lit.length > 1 ? [{ order: [...lit] }] : [];
  },
};

/** Rounds after which it is known how long each takes. */
const ROUNDS = 2;

/** When the last LED lights up of a round that has stopped long before the end; `undefined` where it goes on. */
function stopIn(times: readonly number[], inARound: number, end: number): number | undefined {
  if (times.length < ROUNDS * inARound) return undefined;
  const last = times.at(-1)!;
  const longest = Math.max(...times.slice(1).map((at, index) => at - times[index]!));
  return end - last > longestOf(longest) ? last : undefined;
}

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
