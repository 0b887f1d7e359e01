import Papa from 'papaparse';
import { fail, ok, type Result } from '../result';
import { nameOf, type Wiring } from './wiring';

export const tableColumns = ['ref', 'kind', 'value', 'leg', 'at'] as const;
export type TableColumn = (typeof tableColumns)[number];

/** One row of a wiring table, cells as typed. */
export type TableRow = Readonly<Record<TableColumn, string>> & { readonly line: number };

/** Longest wiring table that is read, in characters, and most rows: several hundred parts. */
export const TABLE_LIMIT = 200_000;
export const ROW_LIMIT = 2000;

/**
 * Splits a wiring table into rows. Takes commas, semicolons or tabs; with the latter two a comma
 * inside a number is a decimal comma. Columns may stand in any order, but all five and no others.
 */
export function readTable(text: string): Result<readonly TableRow[]> {
  if (text.length > TABLE_LIMIT)
    return fail({
      message: `the wiring table is too long: ${text.length} characters, at most ${TABLE_LIMIT} are read`,
    });
  if (text.includes('\0'))
    return fail({
      message: 'this is not a text file: it holds a NUL character',
      line: lineOf(text, text.indexOf('\0')),
    });
  if (text.includes('\uFFFD'))
    return fail({ message: 'this is not UTF-8 text', line: lineOf(text, text.indexOf('\uFFFD')) });
  const clean = text.replace(/^\uFEFF/, '');
  const delimiter = separatorOf(clean);
  const parsed = Papa.parse<string[]>(clean, { delimiter, skipEmptyLines: false });
  const broken = parsed.errors.find((error) => error.type === 'Quotes');
  if (broken) return fail({ message: 'a quoted cell does not end', line: (broken.row ?? 0) + 1 });
  const lines = parsed.data.map((cells, index) => ({
    cells: cells.map((cell) => withoutGuard(cell.trim())),
    line: index + 1,
  }));
  const filled = lines.filter(({ cells }) => cells.some((cell) => cell !== ''));
  const [header, ...body] = filled;
  if (!header) return fail({ message: 'the wiring table is empty; its first line is ref,kind,value,leg,at' });
  const order = readHeader(header.cells, header.line);
  if (!order.ok) return order;
  if (body.length > ROW_LIMIT)
    return fail({
      message: `the wiring table has ${body.length.toLocaleString('en')} rows, at most ${ROW_LIMIT.toLocaleString('en')} are read`,
      line: body[ROW_LIMIT]!.line,
    });
  const rows: TableRow[] = [];
  for (const { cells, line } of body) {
    if (cells.length !== tableColumns.length) {
      const stray = cells[tableColumns.length];
      return fail(
        stray === undefined
          ? {
              message: `this row has ${cells.length} cells, five are wanted: ref, kind, value, leg, at`,
              line,
            }
          : {
              message: `this row has ${cells.length} cells, five are wanted; “${stray}” is one too many`,
              line,
              typed: stray,
            },
      );
    }
    const cell = (column: TableColumn): string => cells[order.value.indexOf(column)] ?? '';
    const value = cell('value');
    rows.push({
      ref: cell('ref'),
      kind: cell('kind'),
      value: delimiter === ',' ? value : value.replace(/(\d),(\d)/, '$1.$2'),
      leg: cell('leg'),
      at: cell('at'),
      line,
    });
  }
  return ok(rows);
}

function readHeader(cells: readonly string[], line: number): Result<readonly string[]> {
  const names = cells.map((cell) => cell.toLowerCase());
  const missing = tableColumns.filter((column) => !names.includes(column));
  if (missing.length > 0)
    return fail({
      message: `the first line must name the columns ref,kind,value,leg,at; ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing`,
      line,
      typed: cells.join(','),
    });
  const extra = names.find(
    (name, index) => !(tableColumns as readonly string[]).includes(name) || names.indexOf(name) !== index,
  );
  if (extra !== undefined)
    return fail({
      message: `“${extra}” is a column too many; the columns are ref,kind,value,leg,at`,
      line,
      typed: extra,
    });
  return ok(names);
}

function separatorOf(text: string): ',' | ';' | '\t' {
  const first = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  if (first.includes('\t')) return '\t';
  return first.includes(';') ? ';' : ',';
}

const lineOf = (text: string, index: number): number => text.slice(0, index).split('\n').length;

/** A cell without the quote that keeps a spreadsheet from running it as a formula. */
export const withoutGuard = (cell: string): string => (/^'[=+\-@]/.test(cell) ? cell.slice(1) : cell);

/**
 * Writes a wiring as a table that reads back as the same wiring. A cell that a spreadsheet would run as a formula
 * has a quote before it, which is taken away again in reading.
 */
export function writeTable(wiring: Wiring): string {
  const rows: string[][] = [[...tableColumns]];
  if (wiring.board) rows.push([wiring.board.ref, 'board', wiring.board.profile.id, '', '']);
  for (const board of wiring.breadboards) rows.push([board.ref, 'breadboard', board.model.id, '', '']);
  for (const part of wiring.parts)
    for (const placed of part.legs)
      rows.push([part.ref, part.kind, part.value.text, placed.leg, placed.at ? nameOf(placed.at) : '']);
  return `${Papa.unparse(rows, { newline: '\n', escapeFormulae: true })}\n`;
}
