import * as z from 'zod';
import type { ExerciseData } from './exercise';

/** What an author says of a line of the program, by the line's own text. */
export interface LineWords {
  readonly line: string;
  /** Which one of the lines with this text, from 0. */
  readonly nth: number;
  readonly says: string;
}

const MOST = 300;
const lineWordsSchema = z
  .array(
    z.object({
      line: z.string().max(400),
      nth: z.int().min(0).max(1000).default(0),
      says: z.string().max(600),
    }),
  )
  .max(MOST);

/** What the author of an exercise says of single lines; nothing where it cannot be read. */
export function lineWordsOf({ text }: Pick<ExerciseData, 'text'>): readonly LineWords[] {
  const read = lineWordsSchema.safeParse(text['lines']);
  return read.success ? read.data : [];
}

/**
 * The author's words for the lines of a program, by number from 1. They stay with their line when it moves, or when a number in it, a remark or a space changes. */
export function lineWordsIn(program: string, words: readonly LineWords[]): ReadonlyMap<number, LineWords> {
  const lines = program.split('\n').map((line) => line.trim());
  const found = new Map<number, LineWords>();
  const lost: LineWords[] = [];
  for (const one of words) {
    const places = lines.flatMap((line, index) => (line === one.line ? [index + 1] : []));
    const place = places[Math.min(one.nth, places.length - 1)];
    if (place !== undefined && !found.has(place)) found.set(place, one);
    else lost.push(one);
  }
  for (const one of lost) {
    const place = lines.findIndex(
      (line, index) => !found.has(index + 1) && gistOf(line) === gistOf(one.line),
    );
    if (place >= 0) found.set(place + 1, one);
  }
  return found;
}

/** An exercise's text with other words for a line of its program; taken out when they are empty. */
export function withLineWords(
  { text, program }: Pick<ExerciseData, 'text' | 'program'>,
  line: number,
  says: string,
): ExerciseData['text'] {
  const lines = program.split('\n').map((one) => one.trim());
  const own = lines[line - 1] ?? '';
  const nth = lines.slice(0, line - 1).filter((one) => one === own).length;
  const before = lineWordsOf({ text });
  const replaced = lineWordsIn(program, before).get(line);
  const others = before.filter((one) => one !== replaced);
  const next = says.trim() === '' ? others : [...others, { line: own, nth, says: says.trim() }];
  const rest = Object.entries(text).filter(([field]) => field !== 'lines');
  return Object.fromEntries([...rest, ...(next.length > 0 ? [['lines', next.slice(-MOST)] as const] : [])]);
}

/** A line without what may change in it while it does the same: numbers, remarks and spaces. */
const gistOf = (line: string): string =>
  line
    .replace(/\/\/.*$|#\s.*$/, '')
    .replace(/\b\d[\w.]*/g, '0')
    .replace(/\s+/g, '');
