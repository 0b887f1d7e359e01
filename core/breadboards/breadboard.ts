/** Lettered columns; a–e and f–j of one row are a strip each. */
export const columns = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j'] as const;
export type Column = (typeof columns)[number];

/** Rails by the side they lie on: `a-` is the minus rail beside column a. */
export const rails = ['a-', 'a+', 'j-', 'j+'] as const;
export type Rail = (typeof rails)[number];

export interface Breadboard {
  readonly id: string;
  readonly title: string;
  readonly rows: number;
  readonly hasRails: boolean;
  /** Whether every rail breaks at half its length. */
  readonly railsSplit: boolean;
}

/** Distance between neighbouring holes in millimetres (a tenth of an inch). */
export const PITCH_MM = 2.54;

/**
 * Place of each column and rail across the board, in pitches from column a. The centre gap is two pitches
 * wider than a step between columns, so that a chip of 7.62 mm spans it; the rails lie outside.
 */
export const acrossPitches: Readonly<Record<Column | Rail, number>> = {
  'a-': -4,
  'a+': -3,
  a: 0,
  b: 1,
  c: 2,
  d: 3,
  e: 4,
  f: 7,
  g: 8,
  h: 9,
  i: 10,
  j: 11,
  'j-': 14,
  'j+': 15,
};

/** The half of a row that a column belongs to: all its holes are one node. */
export type Side = 'a' | 'f';

export const sideOf = (column: Column): Side => (column <= 'e' ? 'a' : 'f');

/** The five columns of one side of a row. */
export const columnsOf = (side: Side): readonly Column[] =>
  side === 'a' ? columns.slice(0, 5) : columns.slice(5);

/** Which half of a rail a row lies in: 0 for a whole rail or the first half, 1 for the second. */
export function railHalf(board: Breadboard, row: number): 0 | 1 {
  return board.railsSplit && row > board.rows / 2 ? 1 : 0;
}
