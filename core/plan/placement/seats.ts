import { acrossPitches, columns, sideOf, type Column, type Rail } from '../../breadboards';
import type { LegName, Ref } from '../../brand';
import { kindOf } from '../../parts';
import { distanceMm } from '../../wiring/read';
import { nameOf } from '../../wiring/wiring';
import { bodyBox, holesBelow } from './bodies';
import type { Grid, Hole } from './grid';
import { partColumns } from './grid';
import { railsFor, usesRail } from './rails';
import type { PlacementTask, TaskNet, TaskPart } from './task';

/** A way to put in one part: a hole for each of its legs, and what that costs. */
export interface Seat {
  readonly part: TaskPart;
  readonly holes: ReadonlyMap<LegName, Hole>;
  readonly cost: number;
}

/** What a seat costs; in wires, so that one wire saved is worth ten. */
const cost = {
  wire: 10,
  /** Each row below the row that comes next. */
  row: 0.6,
  /** Each row above it, where earlier units stand. */
  rowBack: 0.9,
  /** A leg right beside another unit's strip. */
  crowded: 2.6,
  /** A body where another one is: it can be bent aside, but not well; one more wire is better. */
  overlap: 12,
  /** A further breadboard. */
  board: 7,
  /** The side away from the board. */
  farSide: 3,
  /** A part that lies along the column where it could go straight to a rail. */
  along: 1.2,
  across: 0.4,
  otherRail: 1.5,
  shortAcross: 2,
  /** Turned against the order in which its legs are named. */
  turned: 0.3,
} as const;

/** Nets by leg. */
export type NetOfLeg = (ref: Ref, leg: LegName) => TaskNet | undefined;

export interface Surroundings {
  readonly grid: Grid;
  readonly netOf: NetOfLeg;
  /** Row at which the next unit is expected, by breadboard. */
  readonly nextRow: (board: Ref) => number;
  /** Whether every row is to be tried, where the likely ones have no room. */
  readonly everywhere: boolean;
}

/** Whether a leg may go straight into a rail. */
function mayTakeRail(task: PlacementTask, part: TaskPart, net: TaskNet | undefined): boolean {
  if (!net || !usesRail(task, net)) return false;
  const { body, footprint } = kindOf(part.kind);
  if (footprint.type !== 'leads') return false;
  if (['dome', 'dome-four'].includes(body)) return task.rules.cathode === 'into-rail';
  return body !== 'half-round';
}

/**
 * Seats of a part on every breadboard, in no order: those that cost at most `most`, or, for `cheapest`,
 * each that was cheaper than all before it.
 */
export function seatsOf(
  part: TaskPart,
  around: Surroundings,
  want: { readonly most: number } | 'cheapest',
): readonly Seat[] {
  const { footprint, legs } = kindOf(part.kind);
  if (footprint.type === 'plug') return [];
  const raw: ReadonlyMap<LegName, Hole>[] = [];
  for (const { ref: board, model } of around.grid.task.breadboards)
    for (const row of rowsToTry(part, around, board, model.rows))
      if (footprint.type === 'block') raw.push(...blockSeats(footprint, board, row));
      else if (legs.length === 2) raw.push(...twoLeggedSeats(part, around, board, row, model.hasRails));
      else
        raw.push(
          ...rowSeats(
            legs.map((leg) => leg.name),
            board,
            row,
          ),
        );
  let most = want === 'cheapest' ? Number.POSITIVE_INFINITY : want.most;
  const seats: Seat[] = [];
  for (const holes of raw) {
    const amount = costOf(part, holes, around, most);
    if (amount === undefined || amount > most) continue;
    seats.push({ part, holes, cost: amount });
    // A tie keeps the first, so that the result does not hang on rounding.
    if (want === 'cheapest') most = amount - 1e-9;
  }
  return seats;
}

/** Rows beyond the next one that are looked at, and rows round a strip that the part is to meet. */
const AHEAD = 5;
const ABOUT = 6;

/** Rows at which a part may begin: about what it is to meet, and where the next unit stands; at need all. */
function rowsToTry(
  part: TaskPart,
  { grid, netOf, nextRow, everywhere }: Surroundings,
  board: Ref,
  rows: number,
): Iterable<number> {
  const tried = new Set<number>();
  const about = (from: number, to: number): void => {
    for (let row = Math.max(1, from); row <= Math.min(rows, to); row += 1) tried.add(row);
  };
  if (everywhere) about(1, rows);
  about(nextRow(board) - 2, nextRow(board) + AHEAD);
  for (const { name } of kindOf(part.kind).legs) {
    const net = netOf(part.ref, name);
    for (const key of net ? grid.stripsOf(net) : []) {
      const match = /^(.+)\.[af](\d+)$/.exec(key);
      if (match?.[1] === board) about(Number(match[2]) - ABOUT, Number(match[2]) + ABOUT);
    }
  }
  return tried;
}

/** Holes that a seated part lies over, between its legs. */
export function holesUnder(part: TaskPart, holes: ReadonlyMap<LegName, Hole>): readonly Hole[] {
  const ends = [...holes.values()];
  const [one, other] = ends;
  const { footprint } = kindOf(part.kind);
  if (footprint.type === 'block' && one) {
    const rows = ends.map((end) => end.row);
    const [from, to] = [Math.min(...rows), Math.max(...rows)];
    const under =
      footprint.other.length > 0 && footprint.columns[0] === 'd' ? (['e', 'f', 'g'] as const) : [];
    return under.flatMap((column) =>
      Array.from({ length: to - from + 1 }, (_, index) => hole(one.ref, column, from + index)),
    );
  }
  if (ends.length !== 2 || !one || !other || one.ref !== other.ref) return [];
  if (one.type === 'hole' && other.type === 'hole' && one.column === other.column)
    return Array.from({ length: Math.abs(one.row - other.row) - 1 }, (_, index) =>
      hole(one.ref, one.column, Math.min(one.row, other.row) + index + 1),
    );
  const place = (end: Hole): number => acrossPitches[end.type === 'hole' ? end.column : end.rail];
  const [from, to] = [place(one), place(other)].sort((a, b) => a - b) as [number, number];
  return columns
    .filter((column) => acrossPitches[column] > from && acrossPitches[column] < to)
    .map((column) => hole(one.ref, column, one.row));
}

const hole = (ref: Ref, column: Column, row: number): Hole => ({ type: 'hole', ref, column, row });
const railHole = (ref: Ref, rail: Rail, row: number): Hole => ({ type: 'rail', ref, rail, row });

function blockSeats(
  footprint: Extract<ReturnType<typeof kindOf>['footprint'], { type: 'block' }>,
  board: Ref,
  row: number,
): readonly ReadonlyMap<LegName, Hole>[] {
  const { one, other, columns } = footprint;
  const length = Math.max(one.length, other.length);
  const seat = (turned: boolean, flipped: boolean): ReadonlyMap<LegName, Hole> => {
    const holes = new Map<LegName, Hole>();
    for (const [legs, home] of [
      [one, flipped ? columns[1] : columns[0]],
      [other, flipped ? columns[0] : columns[1]],
    ] as const)
      legs.forEach((leg, index) => {
        if (leg !== null) holes.set(leg, hole(board, home, row + (turned ? length - 1 - index : index)));
      });
    return holes;
  };
  // A block with legs on both sides may only be turned as a whole.
  if (other.length > 0) return [seat(false, false), seat(true, true)];
  return [seat(false, false), seat(true, false), seat(false, true), seat(true, true)];
}

function rowSeats(legs: readonly LegName[], board: Ref, row: number): readonly ReadonlyMap<LegName, Hole>[] {
  return (['a', 'f'] as const).flatMap((side) =>
    partColumns(side)
      .slice(0, 3)
      .flatMap((column) =>
        [legs, [...legs].reverse()].map(
          (order) => new Map(order.map((leg, index) => [leg, hole(board, column, row + index)])),
        ),
      ),
  );
}

function twoLeggedSeats(
  part: TaskPart,
  { grid, netOf }: Surroundings,
  board: Ref,
  row: number,
  hasRails: boolean,
): readonly ReadonlyMap<LegName, Hole>[] {
  const kind = kindOf(part.kind);
  const footprint = kind.footprint as Extract<typeof kind.footprint, { type: 'leads' }>;
  const [one, other] = kind.legs.map((leg) => leg.name) as [LegName, LegName];
  const nets = [netOf(part.ref, one), netOf(part.ref, other)] as const;
  const seats: ReadonlyMap<LegName, Hole>[] = [];
  const onRail = nets.map((net) => hasRails && mayTakeRail(grid.task, part, net));
  const firstFree = (side: 'a' | 'f', at: number, net: TaskNet | undefined): Column | undefined =>
    partColumns(side).find((column) => grid.takes(hole(board, column, at), net, 'leg'));
  for (const side of ['a', 'f'] as const) {
    const rail = (index: 0 | 1): Rail | undefined =>
      railsFor(grid.task, nets[index]).find((name) => name.startsWith(side === 'a' ? 'a' : 'j'));
    // A can's stiff legs do not reach from a row to a rail.
    for (const [inRow, inRail] of kind.body === 'can'
      ? []
      : ([
          [0, 1],
          [1, 0],
        ] as const)) {
      const name = onRail[inRail] ? rail(inRail) : undefined;
      // A row that also takes a wire keeps its holes free: the part stands next to the rail then.
      const needsWire = (nets[inRow]?.pins.length ?? 0) > 0;
      const outer = side === 'a' ? 'a' : 'j';
      const column =
        name &&
        (needsWire && grid.takes(hole(board, outer, row), nets[inRow], 'leg')
          ? outer
          : firstFree(side, row, nets[inRow]));
      if (name && column)
        seats.push(
          new Map([
            [inRow === 0 ? one : other, hole(board, column, row)],
            [inRail === 0 ? one : other, railHole(board, name, row)],
          ]),
        );
    }
    const [railOne, railOther] = [rail(0), rail(1)];
    if (onRail[0] && onRail[1] && railOne && railOther) {
      const inRails = new Map([
        [one, railHole(board, railOne, row)],
        [other, railHole(board, railOther, row)],
      ]);
      // A battery that feeds everything feeds the rails, as a board does.
      if (kind.poles && !grid.task.board && side === 'a') return [inRails];
      seats.push(inRails);
    }
    for (const step of stepsOf(footprint.rows))
      for (const column of partColumns(side).slice(0, 4)) {
        if (
          !grid.takes(hole(board, column, row), nets[0], 'leg') ||
          !grid.takes(hole(board, column, row + step), nets[1], 'leg')
        )
          continue;
        seats.push(
          new Map([
            [one, hole(board, column, row)],
            [other, hole(board, column, row + step)],
          ]),
        );
        break;
      }
  }
  // Long parts bridge the centre gap from the second column on, short ones from the first.
  const inward = footprint.rows >= 4 ? 1 : 0;
  const across = (side: 'a' | 'f', net: TaskNet | undefined): Column | undefined =>
    partColumns(side)
      .slice(inward)
      .find((column) => grid.takes(hole(board, column, row), net, 'leg'));
  const [left, right] = [0, 1].map((index) => across('a', nets[index as 0 | 1]));
  const [leftFar, rightFar] = [0, 1].map((index) => across('f', nets[index as 0 | 1]));
  if (left && rightFar)
    seats.push(
      new Map([
        [one, hole(board, left, row)],
        [other, hole(board, rightFar, row)],
      ]),
    );
  if (right && leftFar)
    seats.push(
      new Map([
        [one, hole(board, leftFar, row)],
        [other, hole(board, right, row)],
      ]),
    );
  return seats;
}

/** Distances in rows that a part's legs may be spread by: its own, and a little either way for long ones. */
const stepsOf = (rows: number): readonly number[] =>
  (rows >= 4
    ? [rows, rows + 1, rows - 1, rows + 2, rows + 4]
    : rows >= 2
      ? [rows, rows + 1]
      : [rows]
  ).flatMap((step) => [step, -step]);

/** What a seat costs in these surroundings, or `undefined` when it does not fit. */
export function costOf(
  part: TaskPart,
  holes: ReadonlyMap<LegName, Hole>,
  { grid, netOf, nextRow }: Surroundings,
  most = Number.POSITIVE_INFINITY,
): number | undefined {
  const { footprint, legs, body, joints } = kindOf(part.kind);
  let amount = 0;
  let firstRow = Number.POSITIVE_INFINITY;
  const own = new Map<string, TaskNet | undefined>();
  const mine = new Set<TaskNet>();
  const board = [...holes.values()][0]!.ref;
  const { model } = grid.task.breadboards.find(({ ref }) => ref === board)!;
  for (const [leg, at] of holes) {
    const net = netOf(part.ref, leg);
    if (net) mine.add(net);
    if (at.row < 1 || at.row > model.rows || !grid.takes(at, net, 'leg')) return undefined;
    const key = grid.keyOf(at);
    // Two legs of a part on one strip are one node: right only where that is what the nets say.
    if (
      own.has(key) &&
      (own.get(key) !== net || net === undefined) &&
      !areJoined(part, leg, key, holes, grid)
    )
      return undefined;
    own.set(key, net);
    firstRow = Math.min(firstRow, at.row);
  }
  const ends = [...holes.values()];
  if (new Set(ends.map(nameOf)).size < ends.length) return undefined;
  if (footprint.type === 'leads' && footprint.reachMm !== undefined)
    for (const one of ends)
      for (const other of ends) if ((distanceMm(one, other) ?? 0) > footprint.reachMm) return undefined;
  const fresh = new Map<TaskNet, number>();
  for (const [leg, at] of holes) {
    const net = netOf(part.ref, leg);
    const isBridged = joints.some(([, second]) => second === leg);
    if (net && !isBridged && !grid.stripsOf(net).has(grid.keyOf(at)))
      fresh.set(net, (fresh.get(net) ?? 0) + 1);
    if (at.type === 'hole' && footprint.type !== 'block' && sideOf(at.column) === 'f')
      amount += cost.farSide / ends.length;
  }
  let joins = false;
  for (const [net, count] of fresh) {
    // A net that has a place already needs a wire to each further one; the first one is free.
    const hasPlace = usesRail(grid.task, net) || grid.stripsOf(net).size > 0 || net.pins.length > 0;
    amount += cost.wire * (count - (hasPlace ? 0 : 1));
  }
  for (const [leg, at] of holes) {
    const net = netOf(part.ref, leg);
    if (at.type === 'hole' && net && grid.stripsOf(net).has(grid.keyOf(at))) joins = true;
    if (at.type !== 'rail' || !net || grid.stripsOf(net).size > 0) continue;
    // The first rail of a net is there in any case; better the one that most of its ends are near.
    if (fresh.has(net)) amount -= cost.wire;
    if (at.rail !== railsFor(grid.task, net)[0]) amount += cost.otherRail;
  }
  // Nothing below makes a seat cheaper, but for the little that crossing the centre gap gives back.
  if (amount > most + cost.farSide) return undefined;
  if (isCrowded(holes, mine, grid)) amount += cost.crowded;
  const box = bodyBox(part.kind, holes);
  if (box) amount += cost.overlap * grid.overlapping(box);
  amount += cost.overlap * holesBelow(part.kind, holes).filter((hole) => !grid.isFree(hole)).length;
  const expected = nextRow(board);
  if (!joins)
    amount += firstRow >= expected ? (firstRow - expected) * cost.row : (expected - firstRow) * cost.rowBack;
  if (ends.length === 2) {
    const [one, other] = ends as [Hole, Hole];
    const isLong = footprint.type === 'leads' && footprint.rows >= 4;
    if (one.type === 'hole' && other.type === 'hole') {
      if (sideOf(one.column) !== sideOf(other.column))
        amount += (isLong ? cost.across : cost.shortAcross) - cost.farSide / 2;
      else {
        const apart = Math.abs(one.row - other.row);
        amount += cost.along + 0.2 * Math.abs(apart - (footprint.type === 'leads' ? footprint.rows : apart));
        if (body !== 'bands' && one.row > other.row) amount += cost.turned;
      }
    }
  } else {
    const first = holes.get(legs[0]!.name)!;
    const last = holes.get(legs.at(-1)!.name)!;
    if (first.row > last.row) amount += cost.turned;
  }
  const boards = grid.task.breadboards.findIndex(({ ref }) => ref === board);
  return amount + boards * cost.board;
}

/** Whether a leg stands right beside a strip of a net that the part has nothing to do with. */
function isCrowded(holes: ReadonlyMap<LegName, Hole>, mine: ReadonlySet<TaskNet>, grid: Grid): boolean {
  for (const at of holes.values()) {
    if (at.type === 'rail') continue;
    for (const step of [-1, 1]) {
      const beside = grid.netOf({ ...at, row: at.row + step });
      if (beside && !mine.has(beside)) return true;
    }
  }
  return false;
}

/** Whether two legs of a part that share a strip are one piece of metal inside it. */
function areJoined(
  part: TaskPart,
  leg: LegName,
  key: string,
  holes: ReadonlyMap<LegName, Hole>,
  grid: Grid,
): boolean {
  const others = [...holes].filter(([other, at]) => other !== leg && grid.keyOf(at) === key);
  return kindOf(part.kind).joints.some(([one, two]) =>
    others.some(([other]) => (one === leg && two === other) || (two === leg && one === other)),
  );
}
