import { kindOf } from '../../parts';
import { nameOf, findPart, type PlacedPart, type Point, type Wiring, type Hole } from '../../wiring/wiring';
import { bodyBox } from './bodies';
import { overlaps } from './body-box';
import type { PlacementTask } from './task';
import { lengthOf } from './wires';

/** Weights of what makes a layout hard to build, check or change; one wire is worth ten. */
const weight = {
  wire: 10,
  millimetre: 0.04,
  crossing: 3,
  /** For each row that equal parts are off equal spacing. */
  unequal: 0.8,
  /** A unit beside another without a free row. */
  crowded: 1.2,
  /** Two bodies in one place; one more wire is better. */
  overlap: 12,
  row: 0.25,
  /** A leg or wire end that lies elsewhere than in the earlier layout. */
  moved: 4,
} as const;

/** What a layout costs: fewer, shorter and uncrossed wires, equal spacing, and little moved. */
export function layoutCost(task: PlacementTask, wiring: Wiring): number {
  const wires = wiring.parts.filter((part) => kindOf(part.kind).conductor);
  const parts = wiring.parts.filter((part) => !kindOf(part.kind).conductor);
  const length = wires.reduce((sum, { legs: [one, other] }) => sum + lengthOf(one!.at!, other!.at!), 0);
  return (
    weight.wire * wires.length +
    weight.millimetre * length +
    weight.crossing * crossings(task, wires) +
    weight.unequal * unequalSpacing(parts) +
    weight.crowded * crowding(parts) +
    weight.overlap * bodyOverlaps(parts) +
    weight.row * lastRow(wiring) +
    weight.moved * moves(task.earlier, wiring)
  );
}

const rowOf = (point: Point | null): number | undefined =>
  point?.type === 'hole' || point?.type === 'rail' ? point.row : undefined;

/** Pairs of wires from the board whose order by pin is not their order by row. */
function crossings(task: PlacementTask, wires: readonly PlacedPart[]): number {
  const ledger = task.board
    ? [...task.board.profile.pins, ...task.board.profile.supplies].map((socket) => socket.name)
    : [];
  const fromBoard = wires.flatMap(({ legs }) => {
    const pin = legs.find(({ at }) => at?.type === 'pin')?.at;
    const row = legs.map(({ at }) => rowOf(at)).find((found) => found !== undefined);
    return pin?.type === 'pin' && row !== undefined ? [{ at: ledger.indexOf(pin.pin), row }] : [];
  });
  let count = 0;
  for (const [index, one] of fromBoard.entries())
    for (const other of fromBoard.slice(index + 1))
      if ((one.at - other.at) * (one.row - other.row) < 0) count += 1;
  return count;
}

/** How far parts of one kind are off equal spacing, in rows, summed. */
function unequalSpacing(parts: readonly PlacedPart[]): number {
  const rows = new Map<string, number[]>();
  for (const part of parts) {
    const row = rowOf(part.legs[0]?.at ?? null);
    if (row !== undefined) rows.set(part.kind, [...(rows.get(part.kind) ?? []), row]);
  }
  let sum = 0;
  for (const list of rows.values()) {
    if (list.length < 3) continue;
    const sorted = [...list].sort((a, b) => a - b);
    const steps = sorted.slice(1).map((row, index) => row - sorted[index]!);
    const usual = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)]!;
    sum += steps.reduce((total, step) => total + Math.abs(step - usual), 0);
  }
  return sum;
}

/** Neighbouring strips that hold legs of different parts which share no strip. */
function crowding(parts: readonly PlacedPart[]): number {
  const refs = new Map<string, Set<string>>();
  const key = (point: Hole, row: number): string => `${point.ref}${point.column <= 'e' ? 'a' : 'f'}${row}`;
  for (const part of parts)
    for (const { at } of part.legs)
      if (at?.type === 'hole') {
        const here = refs.get(key(at, at.row)) ?? new Set();
        refs.set(key(at, at.row), here.add(part.ref));
      }
  let count = 0;
  for (const part of parts)
    for (const { at } of part.legs)
      if (at?.type === 'hole') {
        const below = refs.get(key(at, at.row + 1));
        const here = refs.get(key(at, at.row))!;
        if (below && ![...below].some((ref) => here.has(ref))) count += 1;
      }
  return count;
}

/** Pairs of bodies that would have to be in one place. */
function bodyOverlaps(parts: readonly PlacedPart[]): number {
  const boxes = parts.flatMap((part) => {
    const holes = new Map(
      part.legs.flatMap(({ leg, at }) =>
        at?.type === 'hole' || at?.type === 'rail' ? [[leg, at] as const] : [],
      ),
    );
    const box = holes.size > 0 ? bodyBox(part.kind, holes) : undefined;
    return box ? [box] : [];
  });
  return boxes.reduce(
    (count, one, index) => count + boxes.slice(index + 1).filter((other) => overlaps(one, other)).length,
    0,
  );
}

const lastRow = (wiring: Wiring): number =>
  Math.max(
    0,
    ...wiring.parts.flatMap((part) => part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at.row] : []))),
  );

/** Legs of parts of the earlier layout that lie elsewhere now. */
export function moves(earlier: Wiring | undefined, wiring: Wiring): number {
  if (!earlier) return 0;
  let count = 0;
  for (const before of earlier.parts) {
    if (kindOf(before.kind).conductor) continue;
    const now = findPart(wiring, before.ref);
    if (!now) continue;
    for (const { leg, at } of before.legs) {
      const there = now.legs.find((other) => other.leg === leg)?.at ?? null;
      if ((at && nameOf(at)) !== (there && nameOf(there))) count += 1;
    }
  }
  return count;
}
