import type { Edit, TextEdit } from '../../findings/finding';
import { applyTextEdit } from '../../program/problem';

/** A hand-in as texts: its wiring table and its program. */
export interface HandIn {
  readonly table: string;
  readonly program: string;
}

/** A hand-in with the edits of its repairs made, all of them as the hand-in stands now. */
export function edited({ table, program }: HandIn, edits: readonly Edit[]): HandIn {
  const texts = edits.flatMap((edit): TextEdit[] => ('replace' in edit ? [edit.replace] : []));
  // From the end, so that the places of the others stay what they are.
  const fromTheEnd = [...texts].sort((a, b) => b.line - a.line || b.column - a.column);
  const [header, ...rows] = table.trimEnd().split('\n');
  return {
    table: `${[header, ...edits.reduce(withEdit, rows)].join('\n')}\n`,
    program: fromTheEnd.reduce(applyTextEdit, program),
  };
}

type Rows = readonly string[];

const cellsOf = (row: string): readonly string[] => row.split(',');
const at = (row: string, place: string): string => [...cellsOf(row).slice(0, 4), place].join(',');

function withEdit(rows: Rows, edit: Edit): Rows {
  const isOf =
    (name: string) =>
    (row: string): boolean =>
      cellsOf(row)[0] === name;
  if ('move' in edit) {
    const dot = edit.move.indexOf('.');
    const [name, leg] = [edit.move.slice(0, dot), edit.move.slice(dot + 1)];
    return rows.map((row) => (isOf(name)(row) && cellsOf(row)[3] === leg ? at(row, edit.to) : row));
  }
  if ('flip' in edit) {
    const places = rows.filter(isOf(edit.flip)).map((row) => cellsOf(row)[4] ?? '');
    return rows.map((row) => (isOf(edit.flip)(row) ? at(row, places.pop() ?? '') : row));
  }
  if ('value' in edit)
    return rows.map((row) => (isOf(edit.value)(row) ? cellsOf(row).with(2, edit.to).join(',') : row));
  if ('remove' in edit) return rows.filter((row) => !isOf(edit.remove)(row));
  return 'add' in edit ? [...rows, ...edit.add.split('\n')] : rows;
}
