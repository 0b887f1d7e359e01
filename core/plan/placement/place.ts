import type { LegName, PointName, Ref } from '../../brand';
import { kindOf } from '../../parts';
import { randomFrom } from '../../random';
import { fail, ok, type Result } from '../../result';
import { Circuit } from '../../wiring/circuit';
import { legPoint, nameOf, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { Grid, MOST_LEGS, type Hole } from './grid';
import { bodyBox, holesBelow } from './bodies';
import { layoutCost } from './cost';
import { roomMessage } from './room';
import { costOf, holesUnder, seatsOf, type NetOfLeg, type Seat } from './seats';
import type { PlacementTask, TaskNet, TaskPart } from './task';
import { colouredWires, wireUp, type PlannedWire } from './wires';

/** A finished layout and what it costs by the measure of `layoutCost`. */
export interface Placement {
  readonly wiring: Wiring;
  readonly cost: number;
}

/** Rows left free between units, tried from roomy to tight. */
const GAPS = [2, 1, 0] as const;
/** Seats of one part that the search tries, and steps it takes for each part. */
const SEATS_TRIED = 3;
const STEPS_PER_PART = 4;
const MOST_STEPS = 60;
/** Steps in a row for each part that may bring nothing before the search ends. */
const IDLE_PER_PART = 1.5;
/** How much dearer by itself a seat may be and still be tried for what it does to the whole. */
const HOPE = 1.5;
const SEED = 1;

/**
 * Lays a circuit out on its breadboards: units in the order of the board's pins are seated one after
 * another where they cost least, then single parts are moved as long as that saves something. Proven:
 * the netlist of the result is that of the task. Deterministic; what does not fit is refused with how
 * much does.
 */
export function place(task: PlacementTask): Result<Placement> {
  const placed = tryPlace(task);
  if (placed) {
    const broken = firstDifference(task, placed.wiring);
    if (broken !== undefined) throw new Error(`the layout does not realise the net ${broken}`);
    return ok(placed);
  }
  return fail({ message: roomMessage(task, (smaller) => tryPlace(smaller, 'quick') !== undefined) });
}

/** Seats by part, in the order in which they were taken. */
type Seats = ReadonlyMap<Ref, Seat>;

function tryPlace(task: PlacementTask, effort: 'full' | 'quick' = 'full'): Placement | undefined {
  const netOf = netsByLeg(task);
  const kept = keptSeats(task, netOf);
  let best: { seats: Seats; placement: Placement } | undefined;
  for (const [units, mostLegs] of waysToSeat(unitOrder(task))) {
    for (const gap of GAPS) {
      const seats = seatAll(task, netOf, { units, gap, mostLegs, kept });
      const placement = seats && finish(task, netOf, seats);
      if (placement && (!best || placement.cost < best.placement.cost)) best = { seats, placement };
      if (placement && effort === 'quick') break;
    }
    if (best) break;
  }
  if (!best || effort === 'quick') return best?.placement;
  return improve(task, netOf, best, kept);
}

/** Nets by leg, those of legs that are joined inside a part included. */
function netsByLeg(task: PlacementTask): NetOfLeg {
  const nets = new Map<PointName, TaskNet>();
  for (const net of task.nets) for (const { ref, leg } of net.legs) nets.set(legPoint(ref, leg), net);
  for (const part of task.parts)
    for (const [one, other] of kindOf(part.kind).joints) {
      const [first, second] = [legPoint(part.ref, one), legPoint(part.ref, other)];
      const net = nets.get(first) ?? nets.get(second);
      if (!net) continue;
      nets.set(first, net);
      nets.set(second, net);
    }
  return (ref, leg) => nets.get(legPoint(ref, leg));
}

/**
 * Parts in the order in which they are seated: large blocks first, then along the nets from each pin of
 * the board in the order of its ledger, so that rows follow pins and wires do not cross.
 */
function unitOrder(task: PlacementTask): Units {
  const left = new Set(task.parts.filter((part) => kindOf(part.kind).footprint.type !== 'plug'));
  const units: TaskPart[][] = [];
  const take = (part: TaskPart): TaskPart => {
    left.delete(part);
    return part;
  };
  const size = (part: TaskPart): number => {
    const { footprint } = kindOf(part.kind);
    return footprint.type === 'block' ? footprint.one.length + footprint.other.length : 0;
  };
  for (const part of [...left].sort((a, b) => size(b) - size(a)))
    if (size(part) >= 8) units.push([take(part)]);
  const isShared = (net: TaskNet): boolean => net.role === 'ground' || net.role === 'supply';
  const follow = (net: TaskNet, unit: TaskPart[]): void => {
    for (const { ref } of net.legs) {
      const part = [...left].find((candidate) => candidate.ref === ref);
      if (!part) continue;
      unit.push(take(part));
      for (const next of task.nets)
        if (
          !isShared(next) &&
          next !== net &&
          next.pins.length === 0 &&
          next.legs.some((leg) => leg.ref === ref)
        )
          follow(next, unit);
    }
  };
  const ledger = task.board?.profile.pins.map((pin) => pin.name) ?? [];
  const place = (net: TaskNet): number =>
    Math.min(...net.pins.map((pin) => ledger.indexOf(pin)), ledger.length);
  for (const net of [...task.nets].filter((one) => !isShared(one)).sort((a, b) => place(a) - place(b))) {
    const unit: TaskPart[] = [];
    follow(net, unit);
    if (unit.length > 0) units.push(unit);
  }
  for (const part of left) units.push([part]);
  return units;
}

type Units = readonly (readonly TaskPart[])[];

/**
 * Orders in which parts are seated, each with how many legs a half row takes, from the one that reads best to those
 * that find room where it finds none: what can only stand across the gap first, and two holes left for wires, where
 * a net has so many legs that its half rows have to be joined one to the next.
 */
function waysToSeat(units: Units): readonly (readonly [units: Units, mostLegs: number])[] {
  const isBlock = ({ kind }: TaskPart): boolean => kindOf(kind).footprint.type === 'block';
  const blocksFirst = [
    ...units.flatMap((unit) => unit.filter(isBlock).map((part) => [part])),
    ...units.map((unit) => unit.filter((part) => !isBlock(part))),
  ];
  return [MOST_LEGS, MOST_LEGS - 1].flatMap((most) => [[units, most] as const, [blocksFirst, most] as const]);
}

function seatAll(
  task: PlacementTask,
  netOf: NetOfLeg,
  way: { readonly units: Units; readonly gap: number; readonly mostLegs: number; readonly kept: Seats },
): Seats | undefined {
  const { units, gap, mostLegs, kept } = way;
  const grid = new Grid(task, mostLegs);
  const seats = new Map(kept);
  for (const seat of kept.values()) sit(grid, netOf, seat);
  for (const unit of units) {
    const starts = new Map(
      task.breadboards.map(({ ref }) => {
        const last = grid.lastRow(ref);
        return [ref, last === 0 ? FIRST_ROW : last + 1 + gap];
      }),
    );
    for (const part of unit) {
      if (seats.has(part.ref)) continue;
      const nextRow = (board: Ref): number => starts.get(board)!;
      const seat =
        seatsOf(part, { grid, netOf, nextRow, everywhere: false }, 'cheapest').at(-1) ??
        seatsOf(part, { grid, netOf, nextRow, everywhere: true }, 'cheapest').at(-1);
      if (!seat) return undefined;
      sit(grid, netOf, seat);
      seats.set(part.ref, seat);
    }
  }
  return seats;
}

/** The first row is left to the wires that feed the rails. */
const FIRST_ROW = 2;

function sit(grid: Grid, netOf: NetOfLeg, { part, holes }: Seat): void {
  for (const [leg, hole] of holes) grid.put(hole, netOf(part.ref, leg), 'leg');
  for (const hole of [...holesUnder(part, holes), ...holesBelow(part.kind, holes)]) grid.cover(hole);
  const body = bodyBox(part.kind, holes);
  if (body) grid.addBody(body);
  for (const [one, other] of kindOf(part.kind).joints) {
    const ends = [holes.get(one), holes.get(other)];
    if (ends[0] && ends[1]) grid.bridge(grid.keyOf(ends[0]), grid.keyOf(ends[1]));
  }
}

function finish(task: PlacementTask, netOf: NetOfLeg, seats: Seats): Placement | undefined {
  const grid = new Grid(task);
  for (const seat of seats.values()) sit(grid, netOf, seat);
  const wires = wireUp(grid);
  if (!wires) return undefined;
  const wiring = wiringOf(task, seats, wires);
  return { wiring, cost: layoutCost(task, wiring) };
}

function wiringOf(task: PlacementTask, seats: Seats, wires: readonly PlannedWire[]): Wiring {
  const parts = task.parts.map((part): PlacedPart => ({
    ...part,
    legs: kindOf(part.kind).legs.map(({ name }) => ({
      leg: name,
      at: seats.get(part.ref)?.holes.get(name) ?? null,
    })),
  }));
  return {
    ...(task.board ? { board: task.board } : {}),
    breadboards: task.breadboards,
    parts: [...parts, ...colouredWires(task, wires)],
  };
}

/** Moves single parts to other seats, by seeded chance, as long as the layout becomes cheaper. */
function improve(
  task: PlacementTask,
  netOf: NetOfLeg,
  start: { readonly seats: Seats; readonly placement: Placement },
  kept: Seats,
): Placement {
  const random = randomFrom(SEED);
  let { seats, placement } = start;
  const movable = [...seats.keys()].filter((ref) => !kept.has(ref));
  const steps = Math.min(MOST_STEPS, movable.length * STEPS_PER_PART);
  let idle = 0;
  for (let step = 0; step < steps && idle <= movable.length * IDLE_PER_PART; step += 1) {
    idle += 1;
    const ref = movable[Math.floor(random() * movable.length)]!;
    const { part, holes } = seats.get(ref)!;
    const grid = new Grid(task);
    for (const seat of seats.values()) if (seat.part.ref !== ref) sit(grid, netOf, seat);
    const row = [...holes.values()][0]!.row;
    const around = { grid, netOf, nextRow: () => row, everywhere: false };
    const present = costOf(part, holes, around) ?? Number.POSITIVE_INFINITY;
    const others = seatsOf(part, around, { most: present + HOPE })
      .filter((seat) => !isSame(seat.holes, holes))
      .sort((a, b) => a.cost - b.cost)
      .slice(0, SEATS_TRIED);
    for (const seat of others) {
      const changed = new Map(seats).set(ref, seat);
      const next = finish(task, netOf, changed);
      if (next && next.cost < placement.cost - 1e-6) {
        [seats, placement] = [changed, next];
        idle = 0;
      }
    }
  }
  return placement;
}

const isSame = (one: ReadonlyMap<LegName, Hole>, other: ReadonlyMap<LegName, Hole>): boolean =>
  [...one].every(([leg, hole]) => nameOf(hole) === nameOf(other.get(leg)!));

/**
 * Seats of an earlier layout that still fit: same part, and no strip of two nets. Of two that do not fit
 * together, the one that the earlier layout names first stays.
 */
function keptSeats(task: PlacementTask, netOf: NetOfLeg): Seats {
  const kept = new Map<Ref, Seat>();
  const { earlier } = task;
  if (!earlier) return kept;
  const grid = new Grid(task);
  for (const before of earlier.parts) {
    const part = task.parts.find(({ ref }) => ref === before.ref);
    if (!part || before.kind !== part.kind) continue;
    const holes = new Map<LegName, Hole>();
    for (const { leg, at } of before.legs) if (at?.type === 'hole' || at?.type === 'rail') holes.set(leg, at);
    const fits =
      holes.size === before.legs.length &&
      [...holes].every(
        ([leg, hole]) =>
          task.breadboards.some(({ ref, model }) => ref === hole.ref && hole.row <= model.rows) &&
          grid.takes(hole, netOf(part.ref, leg), 'leg'),
      );
    if (!fits) continue;
    const seat: Seat = { part, holes, cost: 0 };
    sit(grid, netOf, seat);
    kept.set(part.ref, seat);
  }
  return kept;
}

/** Name of the first net that a wiring does not realise as it should; `undefined` when all are right. */
export function firstDifference(task: PlacementTask, wiring: Wiring): string | undefined {
  const circuit = new Circuit(wiring);
  const owner = new Map<number, string>();
  for (const net of task.nets) {
    const nodes = new Set([
      ...net.legs.map(({ ref, leg }) => circuit.netlist.nodeAt.get(legPoint(ref, leg))),
      ...net.pins.map((pin) => circuit.nodeOfPin(pin)?.id),
    ]);
    // A net of one pin alone needs nothing plugged in.
    if (net.legs.length === 0 && net.pins.length < 2) continue;
    const [node] = nodes;
    if (nodes.size !== 1 || node === undefined) return net.name;
    if (owner.has(node)) return net.name;
    owner.set(node, net.name);
    const { terminals, pins } = circuit.node(node);
    const netOf = netsByLeg(task);
    if (terminals.some(({ ref, leg }) => netOf(ref, leg) !== net)) return net.name;
    if (pins.some((pin) => !net.pins.includes(pin))) return net.name;
  }
  return undefined;
}
