import Papa from 'papaparse';
import type { RecordCell } from './class-record';

/** What a grade book can say of each exercise. */
export const gradeColumns = ['marks', 'of', 'verdict', 'tries', 'hints', 'minutes', 'days late'] as const;
export type GradeColumn = (typeof gradeColumns)[number];

const sayings: Readonly<Record<GradeColumn, (cell: RecordCell) => string | number>> = {
  marks: ({ marks }) => (marks ? rounded(marks.earned) : ''),
  of: ({ marks }) => (marks ? rounded(marks.of) : ''),
  verdict: ({ verdict }) => verdict ?? 'being checked',
  tries: ({ tries }) => tries,
  hints: ({ hintsTaken }) => hintsTaken,
  minutes: ({ minutes }) => minutes ?? '',
  'days late': ({ late }) => late,
};

const rounded = (marks: number): number => Number(marks.toFixed(2));

/**
 * The grade book as CSV: a line for each learner, the chosen columns for each exercise. No cell is a formula to a
 * spreadsheet, whatever somebody is called.
 */
export function gradeBook(
  learners: readonly { readonly id: string; readonly name: string }[],
  exercises: readonly { readonly id: string; readonly title: string }[],
  cells: ReadonlyMap<string, ReadonlyMap<string, RecordCell>>,
  columns: readonly GradeColumn[],
): string {
  const head = ['name', ...exercises.flatMap(({ title }) => columns.map((column) => `${title}: ${column}`))];
  const rows = learners.map(({ id, name }) => [
    name,
    ...exercises.flatMap((exercise) => {
      const cell = cells.get(id)?.get(exercise.id);
      return columns.map((column) => (cell ? sayings[column](cell) : ''));
    }),
  ]);
  return `${Papa.unparse([head, ...rows], { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
