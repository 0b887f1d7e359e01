import * as z from 'zod';
import type { PrintedLine } from '../rehearsal/printed';
import type { Trace } from '../rehearsal/trace';
import { seconds } from '../units';
import type { Slot } from '../words/sentence';
import { figureSchema, type Figure } from './figures';
import { rangeSlot, signedSlot, textSlot } from '../words/slots';

/** A number as programs print it. */
export const PRINTED_NUMBER = String.raw`-?\d+(?:\.\d+)?(?:e[+-]?\d+)?`;

/** A number, or the least and the most that it may be. */
export const numberSchema = figureSchema(z.number());
export type PrintedNumber = Figure;

const between = rangeSlot(signedSlot, '');
export const numberOrRange: Slot<PrintedNumber> = {
  write: (prints) =>
    typeof prints === 'number' ? signedSlot.write(prints) : `a number between ${prints[0]} and ${prints[1]}`,
  pattern: `a number between ${signedSlot.pattern} and ${signedSlot.pattern}|${signedSlot.pattern}`,
  read: (text) => {
    const range = /between (.*)/i.exec(text)?.[1];
    return range === undefined ? signedSlot.read(text) : between.read(range);
  },
  closed: true,
};

/** What one line has to read: the text that stands somewhere in it, or the first number of it. */
export const lineSchema = z.union([
  z
    .string()
    .max(200, 'at most 200 characters')
    .regex(/\S/, 'a line has something on it')
    .regex(/^[^\r\n]*$/, 'each line stands by itself'),
  numberSchema,
]);
export type WantedLine = z.infer<typeof lineSchema>;

export const lineSlot: Slot<WantedLine> = {
  write: (line) => (typeof line === 'string' ? textSlot.write(line) : numberOrRange.write(line)),
  pattern: `${textSlot.pattern}|${numberOrRange.pattern}`,
  read: (text) => (/^[“”"']/.test(text) ? textSlot.read(text) : numberOrRange.read(text)),
};

/** A line as a program may have it written; nothing where it may be one or another. */
export const writtenLine = (line: WantedLine): readonly string[] =>
  typeof line === 'object' ? [] : [String(line)];

/** Whether what is printed may come of a measurement: that is another number on every bench. */
export const isMeasured = ({ reads }: Trace): boolean =>
  [...reads.values()].some(({ how }) => how === 'analog');

const numberOf = (text: string): number | undefined => {
  const found = new RegExp(PRINTED_NUMBER, 'i').exec(text);
  return found ? Number(found[0]) : undefined;
};

/** The number that a text is, if it is nothing else: “3” is not met by “13”. */
const plainNumber = (text: string): number | undefined =>
  new RegExp(`^${PRINTED_NUMBER}$`, 'i').test(text.trim()) ? Number(text) : undefined;

const wantedNumber = (wanted: WantedLine): PrintedNumber | undefined =>
  typeof wanted === 'string' ? plainNumber(wanted) : wanted;

/** Whether a number is the one that is wanted, or lies between both. */
export function isNumber(found: number, wanted: PrintedNumber, tolerance = 0): boolean {
  const [low, high] = typeof wanted === 'number' ? [wanted, wanted] : wanted;
  return found >= low - Math.abs(low) * tolerance - 1e-9 && found <= high + Math.abs(high) * tolerance + 1e-9;
}

/** Whether a line reads as it is wanted. */
export function isLine({ text }: PrintedLine, wanted: WantedLine): boolean {
  const asNumber = wantedNumber(wanted);
  if (asNumber === undefined) return text.includes((wanted as string).trim());
  const found = numberOf(text);
  return found !== undefined && isNumber(found, asNumber);
}

/** Whether a line is of the sort that is looked at: where numbers are wanted, any with a number. */
export const isOfSort = (line: PrintedLine, wanted: readonly WantedLine[]): boolean =>
  wanted.some((one) => isLine(line, one)) ||
  (wanted.some((one) => wantedNumber(one) !== undefined) && numberOf(line.text) !== undefined);

/** Lines that are told of those that were printed. */
const MOST_TOLD = 6;

/** Lines as they stand in a sentence: “3”, “2”, “1”. */
export function linesText(lines: readonly PrintedLine[]): string {
  if (lines.length === 0) return 'nothing';
  const told = lines.slice(0, MOST_TOLD).map(lineText);
  return `${told.join(', ')}${lines.length > MOST_TOLD ? ' and so on' : ''}`;
}

/** Characters that are told of one line. */
const LONGEST_TOLD = 40;

export const lineText = ({ text }: PrintedLine): string =>
  `“${text.slice(0, LONGEST_TOLD)}${text.length > LONGEST_TOLD ? '…' : ''}”`;

/** Share by which the time between two lines may be off where nothing is said of it. */
export const USUAL_LAPSE = 0.1;

/** The first time between two lines that is not as long as it should be, and how long it is. */
export function gapOff(
  lines: readonly PrintedLine[],
  every: number,
  tolerance = USUAL_LAPSE,
): { readonly after: PrintedLine; readonly lasts: number } | undefined {
  for (const [index, line] of lines.entries()) {
    const before = lines[index - 1];
    if (!before) continue;
    const lasts = line.at - before.at;
    if (Math.abs(lasts - every) > every * tolerance + 1e-6) return { after: before, lasts };
  }
  return undefined;
}

/** What to do about a time between two lines. */
export const gapRemedy = (lasts: number, every: number): string =>
  `Make the delay between two prints ${lasts < every ? 'longer' : 'shorter'}, so that it is ${seconds(every)}: ${Math.round(every * 1000)} milliseconds.`;
