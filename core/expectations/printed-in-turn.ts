import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { linesPrinted, type PrintedLine } from '../rehearsal/printed';
import { seconds, stretch } from '../units';
import { sentence, type Slot } from '../words/sentence';
import { flagSlot, numberSlot } from '../words/slots';
import { WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { failedWith, passed, windowOf } from './outcome';
import {
  gapOff,
  gapRemedy,
  isMeasured,
  isLine,
  isOfSort,
  lineSchema,
  lineSlot,
  lineText,
  linesText,
  writtenLine,
  type WantedLine,
} from './printed-lines';
import { unreadable } from './serial';

const schema = z.strictObject({
  /** What the lines read, one after the other. Lines of another sort between them are not looked at. */
  lines: z.array(lineSchema).min(2).max(50, 'at most 50 lines'),
  /** Whether the first comes again after the last. */
  repeats: z.literal(true).optional(),
  /** Whether nothing else may be printed, of any sort. */
  only: z.literal(true).optional(),
  /** Seconds from one line to the next. */
  every: z.number().positive().optional(),
  ...windowed,
});
type InTurn = z.infer<typeof schema>;

const BETWEEN = '(?:,? +(?:and +)?then +|, *(?:and +)?)';
/** Read item by item: a text may have a comma of its own. */
const inTurn: Slot<WantedLine[]> = {
  write: (lines) => lines.map((line) => lineSlot.write(line)).join(', then '),
  pattern: `(?:${lineSlot.pattern})(?:${BETWEEN}(?:${lineSlot.pattern}))+`,
  read: (text) => {
    const lines = [...text.matchAll(new RegExp(lineSlot.pattern, 'gis'))].map(([line]) =>
      lineSlot.read(line),
    );
    return lines.includes(undefined) ? undefined : (lines as WantedLine[]);
  },
  closed: true,
};

/** Lines that the board prints one after the other. */
export const printedInTurn: ExpectationDefinition<InTurn> = {
  keys: ['lines'],
  schema,
  sentence: sentence<InTurn>(`prints {lines}( {repeats}|)( and {only}|)(, {every}< s> apart|)${WINDOW}`, {
    lines: inTurn,
    repeats: flagSlot('over and over', '(?:over and over(?: again)?|again and again)'),
    only: flagSlot('nothing else', '(?:then )?(?:nothing else|no more|nothing more)'),
    every: numberSlot,
    ...windowSlots,
  }),
  example: 'prints "3", then "2", then "1"',
  parts: () => [],
  prints: ({ lines }) => lines.flatMap(writtenLine),
  pauses: ({ every }) => (every === undefined ? [] : [Math.round(every * 1000)]),
  check: (expectation, { trace, listensAt }) => {
    const [from, to] = windowOf(expectation, trace);
    const all = linesPrinted(trace, from, to);
    const garbled = all.length === 0 ? undefined : unreadable(trace, listensAt);
    if (garbled) return garbled;
    const { lines: wanted, repeats, only, every, tolerance } = expectation;
    const looked = only ? all : all.filter((line) => isOfSort(line, wanted));
    const found = linesText(looked);
    const wrong = outOfTurn(looked, expectation);
    if (wrong)
      return failedWith(found, {
        code: 'text-off',
        severity: 'fault',
        message:
          looked.length === 0
            ? `The board prints ${linesText(all)} ${stretch(from, to)}; it should print ${inTurn.write(wanted)}.`
            : wrong.message,
        hints: [
          'Which lines does the board print, and in which order should they come?',
          `It prints ${found}. It should print ${inTurn.write(wanted)}.`,
          wrong.remedy,
        ],
        evidence: { lines: quantity(looked.length, '') },
      });
    const gap =
      every === undefined
        ? undefined
        : gapOff(repeats ? looked : looked.slice(0, wanted.length), every, tolerance);
    return gap ? failedWith(found, gapWrong(gap, every!)) : passed(found);
  },
  describe: ({ trace, seconds: length }) => {
    const lines = linesPrinted(trace, 0, length);
    const differ = new Set(lines.map(({ text }) => text)).size > 1;
    if (isMeasured(trace) || !differ || lines.length > LONGEST_DESCRIBED) return [];
    return [{ lines: lines.map(({ text }) => text.slice(0, 200)), only: true }];
  },
};

/** Lines of a run that is put into words: more are not read through by anybody. */
const LONGEST_DESCRIBED = 8;

/** Where lines leave the order that is wanted, and what to do; `undefined` where they keep it. */
function outOfTurn(
  looked: readonly PrintedLine[],
  { lines: wanted, repeats, only, from = 0 }: InTurn,
): { readonly message: string; readonly remedy: string } | undefined {
  const begun = repeats && from > 0 && looked[0] ? wanted.findIndex((one) => isLine(looked[0]!, one)) : 0;
  const first = Math.max(0, begun);
  const count = repeats ? Math.max(looked.length, wanted.length) : wanted.length;
  for (let index = 0; index < count; index += 1) {
    const wantedHere = wanted[(first + index) % wanted.length]!;
    const line = looked[index];
    if (line && isLine(line, wantedHere)) continue;
    const before = looked[index - 1];
    const text = lineSlot.write(wantedHere);
    const place = before ? `after ${lineText(before)}` : 'first';
    return {
      message: line
        ? `The board prints ${lineText(line)} ${place}; it should print ${text} there.`
        : `The board prints nothing ${before ? `more ${place}` : 'at all'}; it should print ${text} next.`,
      remedy: `Change the program so that it prints ${text} ${place}.`,
    };
  }
  const more = only && !repeats ? looked[wanted.length] : undefined;
  return (
    more && {
      message: `The board prints ${lineText(more)} after ${lineText(looked[wanted.length - 1]!)}; it should print nothing more.`,
      remedy: `Change the program so that it prints nothing after ${lineText(looked[wanted.length - 1]!)}.`,
    }
  );
}

function gapWrong({ after, lasts }: NonNullable<ReturnType<typeof gapOff>>, every: number): Observation {
  return {
    code: 'timing-off',
    severity: 'fault',
    message: `The next line comes ${seconds(lasts)} after ${lineText(after)}; it should come after ${seconds(every)}.`,
    hints: [
      'How long does it take from one line to the next, and how long should it?',
      `${seconds(lasts)} pass after ${lineText(after)}; ${seconds(every)} would be right.`,
      gapRemedy(lasts, every),
    ],
    evidence: { foundS: quantity(lasts, 's'), wantedS: quantity(every, 's') },
  };
}
