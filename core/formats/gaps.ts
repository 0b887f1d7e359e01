import * as z from 'zod';
import { GAP } from '../program/gap';
import type { ExerciseData } from './exercise';

/** A piece of a program that learners are to fill in, by the line that it stands in. */
export interface Gap {
  /** The line without the space around it, as it was when the gap was made. */
  readonly line: string;
  /** Which one of the lines with this text, from 0. */
  readonly nth: number;
  /** From where to where in the line, in characters. */
  readonly from: number;
  readonly to: number;
}

/** A piece of a text, from and to in characters. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

const MOST = 200;
const gapSchema = z
  .object({
    line: z.string().max(400),
    nth: z.int().min(0).max(1000).default(0),
    from: z.int().min(0).max(400),
    to: z.int().min(1).max(400),
  })
  .refine(({ line, from, to }) => from < to && to <= line.length, 'a gap lies in its line');

/** The gaps that an author has chosen; nothing where they cannot be read. */
export function gapsOf({ text }: Pick<ExerciseData, 'text'>): readonly Gap[] {
  const read = z.array(gapSchema).max(MOST).safeParse(text['gaps']);
  return read.success ? read.data : [];
}

/** A line of a program: its text without the space around it, and where that begins. */
interface Line {
  readonly text: string;
  readonly start: number;
}

function linesOf(program: string): readonly Line[] {
  let start = 0;
  return program.split('\n').map((whole) => {
    const text = whole.trim();
    const line = { text, start: start + whole.indexOf(text) };
    start += whole.length + 1;
    return line;
  });
}

/**
 * Where the gaps of a program are, first to last. A gap stays with its line when that moves, and when only what stands
 * in it changes; one whose line is gone is nowhere, and comes back with it.
 */
export function gapPlaces(program: string, gaps: readonly Gap[]): readonly Stretch[] {
  const lines = linesOf(program);
  const places = gaps.flatMap((gap): readonly Stretch[] => {
    const alike = lines.filter(({ text }) => text === gap.line);
    const same = alike[Math.min(gap.nth, alike.length - 1)];
    if (same) return [{ from: same.start + gap.from, to: same.start + gap.to }];
    const [before, after] = [gap.line.slice(0, gap.from), gap.line.slice(gap.to)];
    const changed = lines.find(
      ({ text }) =>
        before + after !== '' &&
        text.length > before.length + after.length &&
        text.startsWith(before) &&
        text.endsWith(after),
    );
    if (!changed) return [];
    return [{ from: changed.start + before.length, to: changed.start + changed.text.length - after.length }];
  });
  return joined(places);
}

/** Pieces in their order, those that overlap as one. */
function joined(pieces: readonly Stretch[]): readonly Stretch[] {
  const inOrder: Stretch[] = [];
  for (const piece of [...pieces].sort((one, other) => one.from - other.from)) {
    const last = inOrder.at(-1);
    if (last && piece.from < last.to) inOrder.push({ ...inOrder.pop()!, to: Math.max(last.to, piece.to) });
    else inOrder.push(piece);
  }
  return inOrder;
}

/** A program with its gaps open. */
export function withGapsOpen(program: string, gaps: readonly Gap[]): string {
  return [...gapPlaces(program, gaps)]
    .reverse()
    .reduce((text, { from, to }) => `${text.slice(0, from)}${GAP}${text.slice(to)}`, program);
}

/**
 * The gaps of a program after some of its text was marked: a gap in each line that it reaches, without the space around;
 * text that lies in gaps already is taken out of them. Nothing changes where only space is marked.
 */
export function gapsAfterMarking(program: string, gaps: readonly Gap[], marked: Stretch): readonly Gap[] {
  const lines = linesOf(program);
  const pieces = lines.flatMap(({ text, start }): readonly Stretch[] => {
    const from = Math.max(marked.from, start);
    const piece = program.slice(from, Math.min(marked.to, start + text.length));
    if (piece.trim() === '') return [];
    const begins = from + piece.indexOf(piece.trim());
    return [{ from: begins, to: begins + piece.trim().length }];
  });
  const before = gapPlaces(program, gaps);
  const touched = (gap: Stretch): boolean => pieces.some(({ from, to }) => from < gap.to && to > gap.from);
  const isFilling = pieces.every((piece) =>
    before.some(({ from, to }) => from <= piece.from && piece.to <= to),
  );
  const after = isFilling ? before.filter((gap) => !touched(gap)) : joined([...before, ...pieces]);
  if (pieces.length === 0) return gaps;
  return after.slice(0, MOST).flatMap(({ from, to }): readonly Gap[] => {
    const index = lines.findIndex(({ text, start }) => from >= start && to <= start + text.length);
    const line = lines[index];
    if (!line) return [];
    const nth = lines.slice(0, index).filter(({ text }) => text === line.text).length;
    return [{ line: line.text, nth, from: from - line.start, to: to - line.start }];
  });
}

/** An exercise's text with other gaps. */
export function withGaps(text: ExerciseData['text'], gaps: readonly Gap[]): ExerciseData['text'] {
  const rest = Object.entries(text).filter(([field]) => field !== 'gaps');
  return Object.fromEntries([...rest, ...(gaps.length > 0 ? [['gaps', gaps] as const] : [])]);
}
