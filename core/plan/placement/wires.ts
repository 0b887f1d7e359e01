import type { PointName, Ref } from '../../brand';
import { legName, ref } from '../../brand';
import { kindOf } from '../../parts';
import { distanceMm } from '../../wiring/read';
import { nameOf, type PlacedPart, type Point } from '../../wiring/wiring';
import { wireHole, type Grid, type Hole } from './grid';
import { railsFor, standsBeside, usesRail } from './rails';
import type { PlacementTask, TaskNet } from './task';

/** A wire before it has a colour and a name. */
export interface PlannedWire {
  readonly net: TaskNet;
  readonly from: Point;
  readonly to: Point;
}

/** One place of a net that a wire can lead to. */
type Group =
  { readonly type: 'strip'; readonly key: string } | { readonly type: 'point'; readonly at: Point };

/** How much longer a wire may be that leads to the rail, where a hand looks for it, in mm. */
const RAIL_FIRST_MM = 15;
/** How far a wire to the board or to a part beside the breadboard counts, in mm. */
const OFF_BOARD_MM = 60;

/**
 * Joins the places of every net by wires, shortest first (Prim, 1957), into the grid. Returns
 * `undefined` when a strip has no hole left.
 */
export function wireUp(grid: Grid): readonly PlannedWire[] | undefined {
  const wires: PlannedWire[] = [];
  const nets = [...grid.task.nets].sort((a, b) => rank(a) - rank(b));
  for (const net of nets) {
    const joined = joinNet(grid, net);
    if (!joined) return undefined;
    wires.push(...joined);
  }
  return wires;
}

const rank = (net: TaskNet): number => ['ground', 'supply', 'signal', 'inner'].indexOf(net.role);

function joinNet(grid: Grid, net: TaskNet): readonly PlannedWire[] | undefined {
  const { task } = grid;
  const board = task.board?.ref;
  const plugs = net.legs.filter(({ ref: owner }) => isPlug(task, owner));
  const strips = [...grid.stripsOf(net)];
  if (strips.length > 0 && usesRail(task, net) && !strips.some((key) => /[+-]\/\d$/.test(key)))
    strips.push(...(railFor(grid, net) ?? []));
  const points: Point[] = [
    ...net.pins.map((pin): Point => ({ type: 'pin', ref: board!, pin })),
    ...plugs.map(({ ref: owner, leg }): Point => ({ type: 'leg', ref: owner, leg })),
  ];
  const wanted: Group[] = [
    ...strips.map((key): Group => ({ type: 'strip', key })),
    ...points.map((at): Group => ({ type: 'point', at })),
  ];
  if (wanted.length < 2) return [];
  if (strips.length === 0 && points.length > 2) {
    const meeting = meetingStrip(grid, net, points.length);
    if (!meeting) return undefined;
    wanted.unshift(...meeting.map((key): Group => ({ type: 'strip', key })));
  }
  return tree(grid, net, wanted);
}

const isPlug = (task: PlacementTask, owner: Ref): boolean =>
  kindOf(task.parts.find((part) => part.ref === owner)!.kind).footprint.type === 'plug';

/** A rail that the net may have. */
function railFor(grid: Grid, net: TaskNet): readonly string[] | undefined {
  for (const { ref: owner, model } of grid.task.breadboards)
    for (const rail of model.hasRails ? railsFor(grid.task, net) : []) {
      const at: Hole = { type: 'rail', ref: owner, rail, row: 1 };
      if (grid.takes(at, net, 'wire')) return [grid.keyOf(at)];
    }
  return undefined;
}

/** An empty strip, or a rail, where ends meet that stand beside the breadboard. */
function meetingStrip(grid: Grid, net: TaskNet, ends: number): readonly string[] | undefined {
  const { task } = grid;
  const rail = usesRail(task, net) ? railFor(grid, net) : undefined;
  if (rail) return rail;
  for (const { ref: owner, model } of task.breadboards) {
    const rows = ends > 5 ? 2 : 1;
    const beside = net.legs.filter((leg) => standsBeside(task, leg.ref)).length;
    const sides = beside > net.pins.length ? (['f', 'a'] as const) : (['a', 'f'] as const);
    for (const side of sides)
      for (let row = 1; row + rows - 1 <= model.rows; row += 1) {
        const keys = Array.from({ length: rows }, (_, index) => `${owner}.${side}${row + index}`);
        const beside = [row - 1, row + rows].filter((at) => at >= 1 && at <= model.rows);
        if (
          keys.every((_, index) => grid.isEmpty(owner, row + index, side)) &&
          beside.every((at) => grid.isEmpty(owner, at, side))
        )
          return keys;
      }
    for (const side of sides)
      for (let row = 1; row <= model.rows; row += 1)
        if (ends <= 5 && grid.isEmpty(owner, row, side)) return [`${owner}.${side}${row}`];
  }
  return undefined;
}

function tree(grid: Grid, net: TaskNet, groups: readonly Group[]): readonly PlannedWire[] | undefined {
  const wires: PlannedWire[] = [];
  // Start from the rail where there is one, else from a strip: that is where the others meet.
  const start = groups.find(isRail) ?? groups[0]!;
  const open = [...groups];
  const joined: Group[] = [];
  const join = (group: Group): void => {
    const mates = group.type === 'strip' ? grid.bridgedWith(group.key) : new Set<string>();
    for (const other of [...open])
      if (other === group || (other.type === 'strip' && mates.has(other.key))) {
        joined.push(other);
        open.splice(open.indexOf(other), 1);
      }
  };
  join(start);
  const usedPoints = new Set<PointName>();
  const hasRail = groups.some(isRail);
  while (open.length > 0) {
    let best: { group: Group; wire: PlannedWire; length: number } | undefined;
    for (const group of open)
      for (const other of joined) {
        const ends = nearestEnds(grid, net, other, group, usedPoints);
        if (!ends) continue;
        const misses = hasRail && !isRail(other) && !isRail(group);
        const detour = misses ? RAIL_FIRST_MM + (isPin(group) || isPin(other) ? RAIL_FIRST_MM : 0) : 0;
        const length =
          detour + lengthOf(ends.from, ends.to) + (group.type === 'point' && other.type === 'point' ? 40 : 0);
        if (!best || length < best.length - 1e-9) best = { group, wire: { net, ...ends }, length };
      }
    if (!best) return undefined;
    const { group, wire } = best;
    for (const end of [wire.from, wire.to]) {
      if (end.type === 'hole' || end.type === 'rail') grid.put(end, net, 'wire');
      if (end.type === 'pin') usedPoints.add(nameOf(end));
    }
    wires.push(wire);
    join(group);
  }
  return wires;
}

/** The free holes of two groups that lie nearest to each other. */
function nearestEnds(
  grid: Grid,
  net: TaskNet,
  one: Group,
  other: Group,
  used: ReadonlySet<PointName>,
): { readonly from: Point; readonly to: Point } | undefined {
  const end = (group: Group, row: number): Point | undefined => {
    if (group.type === 'strip') return wireHole(grid, group.key, net, row);
    return group.at.type === 'pin' && used.has(nameOf(group.at)) ? undefined : group.at;
  };
  // A half row has its own row; a rail follows the other end.
  const row = rowOfGroup(other) ?? rowOfGroup(one) ?? 1;
  const from = end(one, row);
  const to = end(other, row);
  return from && to && { from, to };
}

const isPin = (group: Group): boolean => group.type === 'point' && group.at.type === 'pin';
const isRail = (group: Group): boolean => group.type === 'strip' && /[+-]\/\d$/.test(group.key);

const rowOfGroup = (group: Group): number | undefined =>
  group.type === 'strip' && !isRail(group) ? Number(/\d+$/.exec(group.key)![0]) : undefined;

/** Length of a wire for comparing, in mm: from the board, near rows are nearer. */
export function lengthOf(from: Point, to: Point): number {
  const onBoard = distanceMm(from, to);
  if (onBoard !== undefined) return onBoard;
  const holes = [from, to].filter((end): end is Hole => end.type === 'hole' || end.type === 'rail');
  const side = holes.some((end) => (end.type === 'hole' ? end.column > 'e' : end.rail.startsWith('j')))
    ? 25
    : 0;
  return OFF_BOARD_MM + side + (holes[0]?.row ?? 0) * 0.5;
}

/** The colour that a wire between these ends, or from this pin, had in the earlier layout. */
function earlierColour({ earlier }: PlacementTask, { from, to }: PlannedWire): string | undefined {
  const ends = [from, to].map(nameOf);
  const wires = earlier?.parts.filter((part) => kindOf(part.kind).conductor) ?? [];
  const endsOf = (part: PlacedPart): readonly PointName[] =>
    part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : []));
  const same = wires.find((part) => ends.every((end) => endsOf(part).includes(end)));
  if (same) return same.value.text;
  const pin = [from, to].find((end) => end.type === 'pin');
  return pin && wires.find((part) => endsOf(part).includes(nameOf(pin)))?.value.text;
}

/** Gives the wires names and colours: by role, one colour for each signal net, as far as the kit has them. */
export function colouredWires(task: PlacementTask, wires: readonly PlannedWire[]): readonly PlacedPart[] {
  const left = new Map(task.stock);
  const { colours } = task.rules;
  const take = (wishes: readonly string[]): string => {
    const found = task.stock ? wishes.find((colour) => (left.get(colour) ?? 0) > 0) : wishes[0];
    const colour = found ?? wishes[0]!;
    if (task.stock) left.set(colour, (left.get(colour) ?? 0) - 1);
    return colour;
  };
  const signals = [
    ...new Set(wires.filter(({ net }) => !['ground', 'supply'].includes(net.role)).map(({ net }) => net)),
  ];
  return wires.map((wire, index): PlacedPart => {
    const turn = signals.indexOf(wire.net);
    // Another signal's colour misleads less than that of supply or ground.
    const ofSignals = colours.signals.map((_, at, all) => all[(Math.max(0, turn) + at) % all.length]!);
    const wishes =
      wire.net.role === 'ground'
        ? [colours.ground, ...['brown', 'grey', ...colours.signals]]
        : wire.net.role === 'supply'
          ? [colours.supply, ...['orange', ...colours.signals]]
          : ofSignals;
    const before = earlierColour(task, wire);
    const colour = take(before === undefined ? wishes : [before, ...wishes]);
    return {
      ref: ref(`W${index + 1}`),
      kind: 'wire',
      value: { text: colour },
      legs: [
        { leg: legName('1'), at: wire.from },
        { leg: legName('2'), at: wire.to },
      ],
    };
  });
}
