import Papa from 'papaparse';
import { fail, ok, type Result } from '../result';
import { withoutGuard } from '../wiring/table';
import { keyOf, readItem, titleOf, type KitKey } from './item';
import type { ClassNeed } from './needs';
import type { Purchase, StockLine } from './stock';

/** Longest kit file that is read, in characters, and most rows. */
const [LONGEST, MOST_ROWS] = [400_000, 4000];
/** More than this of one sort is a slip of the keyboard. */
export const MOST_OF_A_SORT = 100_000;

/** A row that could not be taken, as it was, with the reason. */
export interface AsideRow {
  readonly line: number;
  readonly text: string;
  readonly why: string;
}

export interface ReadKit {
  readonly lines: readonly StockLine[];
  readonly aside: readonly AsideRow[];
}

/** Names that people give the columns. */
const columns: Readonly<Record<'kind' | 'value' | 'length' | 'count' | 'drawer', readonly string[]>> = {
  kind: ['kind', 'part', 'type'],
  value: ['value', 'colour', 'color', 'name'],
  length: ['length_mm', 'length', 'mm'],
  count: ['count', 'number', 'quantity', 'qty', 'stock', 'total'],
  drawer: ['drawer', 'box', 'place', 'shelf'],
};

/**
 * Reads a list of stock as CSV, with commas, semicolons or tabs. Rows that are not understood are set aside, and a sort
 * that stands in several rows is counted together. Refused is only what is no such list.
 */
export function readKit(text: string): Result<ReadKit> {
  if (text.length > LONGEST) return fail({ message: `the list is longer than ${LONGEST} characters` });
  if (/[\0\uFFFD]/.test(text)) return fail({ message: 'this is not UTF-8 text' });
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const rows = data.map((cells, index) => ({
    cells: cells.map((cell) => withoutGuard(cell.trim())),
    line: index + 1,
  }));
  const [head, ...body] = rows.filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (!head)
    return fail({ message: 'the list is empty; its first line is kind,value,length_mm,count,drawer' });
  const named = head.cells.map((cell) => cell.toLowerCase());
  const at = Object.fromEntries(
    Object.entries(columns).map(([column, names]) => [
      column,
      named.findIndex((name) => names.includes(name)),
    ]),
  ) as Record<keyof typeof columns, number>;
  const missing = (['kind', 'count'] as const).filter((column) => at[column] < 0);
  if (missing.length > 0)
    return fail({
      message: `the first line must name the columns kind,value,length_mm,count,drawer; ${missing.join(' and ')} ${missing.length === 1 ? 'is' : 'are'} missing`,
      line: head.line,
      typed: head.cells.join(','),
    });
  if (body.length > MOST_ROWS)
    return fail({ message: `the list has ${body.length} rows, at most ${MOST_ROWS} are read` });
  const lines = new Map<KitKey, StockLine>();
  const aside: AsideRow[] = [];
  for (const { cells, line } of body) {
    const cell = (column: keyof typeof columns): string => cells[at[column]] ?? '';
    const put = (why: string): void => void aside.push({ line, text: cells.join(', '), why });
    const item = readItem({ kind: cell('kind'), value: cell('value'), length: cell('length') });
    if (!item.ok) {
      put(item.problems[0]!.message);
      continue;
    }
    const count = readCount(cell('count'));
    if (!count.ok) {
      put(count.problems[0]!.message);
      continue;
    }
    const known = lines.get(keyOf(item.value));
    lines.set(keyOf(item.value), {
      item: item.value,
      count: (known?.count ?? 0) + count.value,
      drawer: cell('drawer').slice(0, 60) || (known?.drawer ?? ''),
    });
  }
  return ok({ lines: [...lines.values()], aside });
}

/** How many of a sort somebody typed: whole, from 0 to `MOST_OF_A_SORT`. */
export function readCount(typed: string): Result<number> {
  const text = typed.trim();
  const count = Number(text);
  if (text === '' || Number.isNaN(count))
    return fail({ message: `“${text}” is no number of pieces`, typed: text });
  if (count < 0) return fail({ message: `there cannot be ${text} of them: fewer than none`, typed: text });
  if (!Number.isInteger(count)) return fail({ message: `${text} is no whole number of pieces`, typed: text });
  return count > MOST_OF_A_SORT
    ? fail({ message: `${text} is more than ${MOST_OF_A_SORT}: is there a digit too many?`, typed: text })
    : ok(count);
}

const csv = (rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse(rows as (string | number)[][], { escapeFormulae: true, newline: '\r\n' })}\r\n`;

/** The stock as CSV; reads back as the same stock. */
export const stockCsv = (stock: readonly StockLine[]): string =>
  csv([
    ['kind', 'value', 'length_mm', 'count', 'drawer'],
    ...stock.map(({ item, count, drawer }) => [item.kind, item.value, item.lengthMm ?? '', count, drawer]),
  ]);

/** What a class needs as CSV, which reads as a list of stock too. */
export const needsCsv = (needs: readonly ClassNeed[]): string =>
  csv([
    ['kind', 'value', 'length_mm', 'per_bench', 'spares', 'count', 'title', 'parts'],
    ...needs.map(({ item, perBench, spares, total, refs }) => [
      item.kind,
      item.value,
      item.lengthMm ?? '',
      perBench,
      spares,
      total,
      titleOf(item),
      refs.join(' '),
    ]),
  ]);

/** What is to be bought as CSV, which reads as a list of stock too. */
export const shoppingCsv = (
  purchases: readonly Purchase[],
  boards: ReadonlyMap<string, string> = new Map(),
): string =>
  csv([
    ['kind', 'value', 'length_mm', 'count', 'title', 'at_once', 'will_break', 'in_stock'],
    ...purchases.map(({ item, count, atOnce, losses, inStock }) => [
      item.kind,
      item.value,
      item.lengthMm ?? '',
      count,
      titleOf(item, boards),
      atOnce,
      losses,
      inStock,
    ]),
  ]);
