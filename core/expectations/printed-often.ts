import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { linesPrinted, type PrintedLine } from '../rehearsal/printed';
import { seconds, stretch, times } from '../units';
import { sentence } from '../words/sentence';
import { numberSlot } from '../words/slots';
import { counted, countSchema, countsSlot, countText, isCount, OR_MORE, orMoreSlot } from './counted';
import { WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { failedWith, passed, windowOf, type Outcome } from './outcome';
import { nearestTo } from './figures';
import {
  gapOff,
  gapRemedy,
  isLine,
  isMeasured,
  isOfSort,
  lineSchema,
  lineSlot,
  lineText,
  linesText,
  USUAL_LAPSE,
  writtenLine,
} from './printed-lines';
import { unreadable } from './serial';

const schema = z
  .strictObject({
    /** What each line reads. */
    line: lineSchema,
    times: countSchema(10_000).optional(),
    ...counted,
    /** Seconds from one such line to the next, for as long as it is looked at. */
    every: z.number().positive().optional(),
    ...windowed,
  })
  .refine(
    ({ times: count, every }) => (count === undefined) !== (every === undefined),
    'say how many times, or every how many seconds',
  );
type Often = z.infer<typeof schema>;

/** How often the board prints a line. */
export const printedOften: ExpectationDefinition<Often> = {
  keys: ['line'],
  schema,
  sentence: sentence<Often>(`prints {line}( every {every}< s>| {times}${OR_MORE})${WINDOW}`, {
    line: lineSlot,
    times: countsSlot,
    ...orMoreSlot,
    every: numberSlot,
    ...windowSlots,
  }),
  example: 'prints "tide" every 2 s',
  parts: () => [],
  prints: ({ line }) => writtenLine(line),
  pauses: ({ every }) => (every === undefined ? [] : [Math.round(every * 1000)]),
  check: (expectation, { trace, listensAt }) => {
    const [from, to] = windowOf(expectation, trace);
    const all = linesPrinted(trace, from, to);
    const garbled = all.length === 0 ? undefined : unreadable(trace, listensAt);
    if (garbled) return garbled;
    const { line, every } = expectation;
    const such = all.filter((one) => isLine(one, line));
    if (every === undefined) return rightCount(such, all, expectation, [from, to]);
    const looked = all.filter((one) => isOfSort(one, [line]));
    const off = looked.find((one) => !isLine(one, line));
    if (such.length === 0 || off) {
      const found = off ? lineText(off) : linesText(all);
      return failedWith(linesText(looked.length > 0 ? looked : all), {
        code: 'text-off',
        severity: 'fault',
        message: `The board prints ${found} ${stretch(from, to)}; it should print ${lineSlot.write(line)} every ${seconds(every)}.`,
        hints: [
          'Which line should come again and again, and which ones do come?',
          `It prints ${found}; ${lineSlot.write(line)} would be right.`,
          `Change the program so that it prints ${lineSlot.write(line)}.`,
        ],
        evidence: { lines: quantity(all.length, '') },
      });
    }
    return inTime(looked, { every, from, to, tolerance: expectation.tolerance ?? USUAL_LAPSE });
  },
  describe: ({ trace, seconds: length }) => {
    const lines = linesPrinted(trace, 0, length);
    const [first, second] = lines;
    if (
      isMeasured(trace) ||
      !first ||
      !second ||
      lines.length < 3 ||
      lines.some(({ text }) => text !== first.text)
    )
      return [];
    const every = Math.round((second.at - first.at) * 100) / 100;
    return every > 0 ? [{ line: first.text.slice(0, 200), every }] : [];
  },
};

function rightCount(
  such: readonly PrintedLine[],
  all: readonly PrintedLine[],
  expectation: Often,
  [from, to]: readonly [number, number],
): Outcome {
  const wanted = expectation.times!;
  const text = lineSlot.write(expectation.line);
  const found = such.length === 0 ? linesText(all) : `${text} ${times(such.length)}`;
  if (isCount(such.length, wanted, expectation)) return passed(found);
  return failedWith(found, {
    code: such.length === 0 ? 'text-off' : 'count-wrong',
    severity: 'fault',
    message: `The board prints ${found} ${stretch(from, to)}; it should print ${text} ${countText(wanted, expectation)}.`,
    hints: [
      `How often does the board print ${text}, and how often should it?`,
      `It prints ${found} instead of ${text} ${countText(wanted, expectation)}.`,
      `Change the program so that it prints ${text} ${countText(wanted, expectation)}.`,
    ],
    evidence: { found: quantity(such.length, ''), wanted: quantity(nearestTo(such.length, wanted), '') },
  });
}

interface Beat {
  readonly every: number;
  readonly from: number;
  readonly to: number;
  readonly tolerance: number;
}

/** Lines that come at the right time; at the edges of what is watched none may be missing. */
function inTime(lines: readonly PrintedLine[], { every, from, to, tolerance }: Beat): Outcome {
  const longest = every * (1 + tolerance) + 1e-6;
  const gap = gapOff(lines, every, tolerance);
  const [first, last] = [lines[0]!, lines.at(-1)!];
  const beat = lines[1] ? `every ${seconds(lines[1].at - first.at)}` : 'once';
  const found = `${linesText(lines)}, ${gap ? `${seconds(gap.lasts)} after ${seconds(gap.after.at)}` : beat}`;
  const wrong = (message: string, lasts: number, remedy: string): Outcome =>
    failedWith(found, {
      code: 'timing-off',
      severity: 'fault',
      message,
      hints: [
        'How long does it take from one line to the next, and how long should it?',
        `${seconds(every)} from line to line would be right.`,
        remedy,
      ],
      evidence: { foundS: quantity(lasts, 's'), wantedS: quantity(every, 's') },
    } satisfies Observation);
  if (gap)
    return wrong(
      `The next line comes ${seconds(gap.lasts)} after ${lineText(gap.after)}; it should come after ${seconds(every)}.`,
      gap.lasts,
      gapRemedy(gap.lasts, every),
    );
  if (first.at - from > longest)
    return wrong(
      `The first line comes at ${seconds(first.at)}; one should come every ${seconds(every)} from ${seconds(from)} on.`,
      first.at - from,
      'Find what the program waits for before it prints.',
    );
  if (to - last.at > longest)
    return wrong(
      `After ${lineText(last)} at ${seconds(last.at)} no line comes any more; one should come every ${seconds(every)}.`,
      to - last.at,
      `Find what keeps the program from printing again: the print belongs where it runs over and over.`,
    );
  return passed(found);
}
