import type { Ref } from '../brand';
import { acrossPitches, columns, rails, type Breadboard, type Column, type Rail } from '../breadboards';
import type { BoardProfile } from '../boards';
import { legPoint, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';
import { conductorsOf, standingBelow, standsBeside, type Conductor } from './conductors';

/** Distance between neighbouring holes in drawing units. */
export const PITCH = 24;
/** Width of the board's ledger of pins, and of the space in which wires run to the breadboard. */
export const LEDGER = 132;
const GUTTER = 72;
/** Room for the names at ends that are drawn apart: at the board's sockets, and of one at the rails. */
const SOCKET_NAMES = 108;
const RAIL_NAME = 40;
/** Wires that the gutter holds side by side, and what each further one adds to it. */
const GUTTER_WIRES = 3;
const LANE = 8;
/** Height of the line of column names, and of a pin's line at the least. */
export const HEADER = 46;
const LEAST_PIN_HEIGHT = 22;
const EDGE = 0.65 * PITCH;

export interface XY {
  readonly x: number;
  readonly y: number;
}

/** Which part of the breadboard is drawn. */
export interface Frame {
  readonly firstRow: number;
  readonly lastRow: number;
  /** Whether the side f to j with its rails is drawn. */
  readonly hasRightSide: boolean;
}

/** One line of the pin ledger; a gap stands for pins that are left out. */
type LedgerEntry =
  | { readonly type: 'pin'; readonly name: string; readonly note: string }
  | { readonly type: 'gap'; readonly text: string };
export type LedgerLine = LedgerEntry & { readonly y: number };

/** One breadboard on the drawing. */
export interface Sheet {
  readonly ref: Ref;
  readonly model: Breadboard;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly firstRow: number;
  readonly lastRow: number;
}

/** Room between two breadboards, for the caption and the column names of the lower one. */
const BETWEEN_SHEETS = 56;
/** Rows drawn below the last one in use, and fewest rows. */
const SPARE_ROWS = 3;
const FEWEST_ROWS = 9;

/** The rows of a breadboard that are in use, with some room. */
export function spanOf(wiring: Wiring, ref: Ref): readonly [firstRow: number, lastRow: number] {
  const rows = wiring.breadboards.find((board) => board.ref === ref)!.model.rows;
  const used = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at && 'row' in at && at.ref === ref ? [at.row + SPARE_ROWS] : [])),
  );
  return [1, Math.min(rows, Math.max(FEWEST_ROWS, ...used))];
}

/** Turns points into places on the sheet. */
export class Geometry {
  readonly ledger: readonly LedgerLine[];
  readonly ledgerWidth: number;
  /** Every breadboard, one under another. */
  readonly sheets: readonly Sheet[];
  readonly width: number;
  readonly height: number;
  readonly lineHeight: number;
  /** Places of the legs of parts that stand beside the breadboard, by `M1.signal`. */
  readonly margin: ReadonlyMap<string, XY>;
  /** Where the lanes for wires to the margin begin and end. */
  readonly marginLanes: readonly [from: number, to: number];
  /** Where the lanes for wires from the board begin. */
  readonly lanesFrom: number;
  private readonly pinY: ReadonlyMap<string, number>;

  constructor(
    readonly wiring: Wiring,
    readonly frame: Frame,
    usedPins: ReadonlySet<string>,
    /** Wires and leads that are drawn as two ends with their names, by their keys. */
    apart: ReadonlySet<string> = new Set(),
  ) {
    const rows = frame.lastRow - frame.firstRow + 1;
    const board = wiring.board?.profile;
    const spans = wiring.breadboards.map(({ ref }, index): readonly [number, number] =>
      index === 0 ? [frame.firstRow, frame.lastRow] : spanOf(wiring, ref),
    );
    const sheetRows = spans.reduce((sum, [from, to]) => sum + to - from + 1, 0);
    const bodyHeight =
      wiring.breadboards.length > 0
        ? sheetRows * PITCH + (spans.length - 1) * BETWEEN_SHEETS
        : Math.max(rows, 12) * PITCH;
    this.ledgerWidth = board ? LEDGER : 0;
    const lines = board ? ledgerLines(board, usedPins, Math.floor(bodyHeight / LEAST_PIN_HEIGHT)) : [];
    this.lineHeight = lines.length > 0 ? Math.min(30, bodyHeight / lines.length) : LEAST_PIN_HEIGHT;
    this.ledger = lines.map((line, index) => ({ ...line, y: HEADER + (index + 0.5) * this.lineHeight }));
    this.pinY = new Map(
      this.ledger.flatMap((line) => (line.type === 'pin' ? [[line.name, line.y] as const] : [])),
    );
    const all = conductorsOf(wiring);
    const drawn = all.filter(({ key }) => !apart.has(key));
    const ends = (points: readonly Conductor[], test: (at: Point) => boolean): number =>
      points.reduce((count, { from, to }) => count + [from, to].filter(test).length, 0);
    const fromBoard = ends(drawn, ({ type }) => type === 'pin');
    const cut = all.filter(({ key }) => apart.has(key));
    const namesAtBoard = ends(cut, ({ type }) => type === 'pin') > 0 ? SOCKET_NAMES : 0;
    const gutter = GUTTER + namesAtBoard + LANE * Math.max(0, fromBoard - GUTTER_WIRES);
    this.lanesFrom = this.ledgerWidth + (namesAtBoard || 34);
    const left = this.ledgerWidth + (board ? gutter : 8);
    const right = frame.hasRightSide ? acrossPitches['j+'] : acrossPitches.e + 3.1;
    const first = acrossPitches['a-'];
    let top = HEADER;
    this.sheets = wiring.breadboards.map(({ ref, model }, index) => {
      const [firstRow, lastRow] = spans[index]!;
      const height = (lastRow - firstRow + 1) * PITCH;
      const y = top;
      top += height + BETWEEN_SHEETS;
      const width = (right - first) * PITCH + 2 * EDGE;
      return { ref, model, x: left, y, width, height, firstRow, lastRow };
    });
    const edge = (this.sheet ? this.sheet.x + this.sheet.width : left) + 12;
    const beside = wiring.parts.filter(standsBeside);
    const atRails = ends(cut, (at) => at.type === 'rail' && at.rail.startsWith('j')) > 0 ? 2 * RAIL_NAME : 0;
    const refs = new Set<string>(beside.map((part) => part.ref));
    const marginEnds = ends(drawn, (at) => at.type === 'leg' && refs.has(at.ref));
    const lanesFrom = edge + atRails;
    const lanesTo = lanesFrom + MARGIN_LANE * marginEnds;
    const namesAtParts = ends(cut, (at) => at.type === 'leg' && refs.has(at.ref)) > 0 ? SOCKET_NAMES : 0;
    const below = standingBelow(wiring);
    const sheetsEnd = HEADER + Math.max(bodyHeight, this.ledger.length * this.lineHeight);
    const margin =
      below.length > 0
        ? placedBelow(below, sheetsEnd + BETWEEN_SHEETS / 2, edge)
        : placedInMargin(beside, lanesTo + namesAtParts + 12);
    this.margin = margin.places;
    this.marginLanes = [lanesFrom, lanesTo];
    const sheetsRight = this.sheet ? this.sheet.x + this.sheet.width + atRails : left + 300;
    this.width = (beside.length > 0 ? Math.max(margin.right, sheetsRight) : sheetsRight) + 4;
    this.height = Math.max(sheetsEnd, margin.bottom) + 18;
  }

  /** The first breadboard, which decides where columns stand. */
  get sheet(): Sheet | undefined {
    return this.sheets[0];
  }

  sheetOf(ref: Ref): Sheet | undefined {
    return this.sheets.find((sheet) => sheet.ref === ref);
  }

  columnX(column: Column | Rail): number {
    return this.sheet!.x + EDGE + (acrossPitches[column] - acrossPitches['a-']) * PITCH;
  }

  /** Where the row numbers stand. */
  get rowNamesX(): readonly number[] {
    if (!this.sheet) return [];
    return [
      this.columnX('a') - 1.45 * PITCH,
      ...(this.frame.hasRightSide ? [this.columnX('j') + 1.45 * PITCH] : []),
    ];
  }

  rowY(row: number, sheet: Sheet): number {
    return sheet.y + (row - sheet.firstRow + 0.5) * PITCH;
  }

  /** Place of a point; `undefined` for a pin or row that the frame leaves out. */
  at(point: Point): XY | undefined {
    if (point.type === 'pin') {
      const y = this.pinY.get(point.pin);
      return y === undefined ? undefined : { x: this.ledgerWidth, y };
    }
    const sheet = point.type === 'leg' ? undefined : this.sheetOf(point.ref);
    if (point.type === 'leg' || !sheet || point.row < sheet.firstRow || point.row > sheet.lastRow)
      return undefined;
    const column = point.type === 'hole' ? point.column : point.rail;
    return { x: this.columnX(column), y: this.rowY(point.row, sheet) };
  }

  /** Columns and rails of a breadboard that are drawn, left to right. */
  columnsOf(sheet: Sheet): readonly (Column | Rail)[] {
    const drawn = this.frame.hasRightSide ? columns : columns.slice(0, 5);
    if (!sheet.model.hasRails) return drawn;
    return this.frame.hasRightSide ? ['a-', 'a+', ...drawn, 'j-', 'j+'] : ['a-', 'a+', ...drawn];
  }

  railsOf(sheet: Sheet): readonly Rail[] {
    if (!sheet.model.hasRails) return [];
    return this.frame.hasRightSide ? rails : rails.slice(0, 2);
  }
}

/** Width between neighbouring lanes of wires that lead to the margin. */
const MARGIN_LANE = 9;
const MARGIN_WIDTH = 160;

/** Width of a part below the breadboards, with the names at its leads. */
const BELOW_WIDTH = SOCKET_NAMES + MARGIN_WIDTH + 16;

/** Puts parts in rows below the breadboards, as many in a row as these are wide. */
function placedBelow(
  parts: readonly PlacedPart[],
  top: number,
  width: number,
): { readonly places: ReadonlyMap<string, XY>; readonly right: number; readonly bottom: number } {
  const places = new Map<string, XY>();
  const inARow = Math.max(1, Math.round(width / BELOW_WIDTH));
  let y = top + PITCH;
  for (let first = 0; first < parts.length; first += inARow) {
    const row = parts.slice(first, first + inARow);
    row.forEach((part, column) =>
      part.legs.forEach(({ leg }, index) =>
        places.set(legPoint(part.ref, leg), {
          x: column * BELOW_WIDTH + SOCKET_NAMES + 16,
          y: y + index * PITCH,
        }),
      ),
    );
    y += (Math.max(...row.map(({ legs }) => legs.length)) + 1) * PITCH;
  }
  return { places, right: inARow * BELOW_WIDTH, bottom: y - PITCH * 0.6 };
}

/** Puts parts one under another, in a second column where the first is full. */
function placedInMargin(
  parts: readonly PlacedPart[],
  left: number,
): { readonly places: ReadonlyMap<string, XY>; readonly right: number; readonly bottom: number } {
  const places = new Map<string, XY>();
  let y = HEADER + PITCH;
  for (const part of parts) {
    part.legs.forEach(({ leg }, index) =>
      places.set(legPoint(part.ref, leg), { x: left, y: y + index * PITCH }),
    );
    y += (part.legs.length + 1.4) * PITCH;
  }
  return { places, right: left + MARGIN_WIDTH, bottom: parts.length > 0 ? y - PITCH * 0.6 : 0 };
}

/**
 * The pins in the order of the board, the used ones always among them; where there is no room for
 * all, unused ones give way to a line that says which are left out.
 */
function ledgerLines(board: BoardProfile, used: ReadonlySet<string>, room: number): readonly LedgerEntry[] {
  const all = [
    ...board.supplies.map((supply) => ({
      name: supply.name,
      note: { ground: 'ground', supply: 'supply', input: 'power in' }[supply.role],
    })),
    ...board.pins.map((pin) => ({ name: pin.name, note: noteOf(pin) })),
  ];
  const keep = new Set(all.filter(({ name }) => used.has(name)).map(({ name }) => name));
  for (const { name } of all.slice(0, 2)) keep.add(name);
  const shown = (): number =>
    all.reduce(
      (count, { name }, index) =>
        count + (keep.has(name) ? 1 : index === 0 || keep.has(all[index - 1]!.name) ? 1 : 0),
      0,
    );
  for (const { name } of all) {
    if (keep.has(name)) continue;
    keep.add(name);
    if (shown() > room) {
      keep.delete(name);
      break;
    }
  }
  const lines: LedgerEntry[] = [];
  let gap: string[] = [];
  const flush = (): void => {
    if (gap.length > 0)
      lines.push({ type: 'gap', text: gap.length === 1 ? gap[0]! : `${gap[0]} to ${gap.at(-1)}` });
    gap = [];
  };
  for (const { name, note } of all) {
    if (!keep.has(name)) {
      gap.push(name);
      continue;
    }
    flush();
    lines.push({ type: 'pin', name, note });
  }
  flush();
  return lines;
}

function noteOf(pin: BoardProfile['pins'][number]): string {
  if (pin.label !== undefined) return pin.label;
  if (pin.functions.includes('analog')) return 'analog';
  const notes = [
    pin.functions.includes('pwm') ? 'PWM' : '',
    pin.functions.includes('interrupt') ? 'interrupt' : '',
  ].filter(Boolean);
  return notes.join(', ');
}
