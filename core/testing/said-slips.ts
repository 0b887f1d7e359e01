import type { Exercise } from '../formats/exercise';
import type { Finding } from '../findings/finding';
import { buildFor } from '../judge/build';
import { check } from '../judge/check';
import type { Report } from '../formats/report';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { grammars } from './beacon';

/** What a slip is called first, and how it is mended, by an instructor. */
export interface SaidSlip {
  readonly name: string;
  readonly rows?: (table: string) => string;
  readonly program?: (source: string) => string;
  readonly code: string;
  /** What the repair says, where that is not left open. */
  readonly repair?: string;
}

/** A text with some of it replaced; throws where that is not in it. */
export const replaced =
  (...pairs: readonly (readonly [string, string])[]) =>
  (text: string): string =>
    pairs.reduce((now, [from, to]) => {
      if (!now.includes(from)) throw new Error(`${from} is not in it`);
      return now.replace(from, to);
    }, text);

/** A table without the rows of some parts. */
export const withoutParts =
  (...refs: readonly string[]) =>
  (table: string): string =>
    table
      .split('\n')
      .filter((row) => !refs.includes(row.split(',')[0]!))
      .join('\n');

/** The report on an exercise's own build with a slip in it. */
export function reportOnSlip(
  exercise: Exercise,
  { rows = (table) => table, program = (source) => source }: Pick<SaidSlip, 'rows' | 'program'>,
): Report {
  const read = readWiring(rows(writeTable(exercise.reference)));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return check(exercise, buildFor(exercise, read.value, program(exercise.data.program), grammars), grammars);
}

/** The causes that are told of a slip. */
export const causesIn = (exercise: Exercise, slip: Pick<SaidSlip, 'rows' | 'program'>): readonly Finding[] =>
  reportOnSlip(exercise, slip).findings.filter(({ cause }) => cause);
