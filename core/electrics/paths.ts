import { roleOfSocket } from '../boards';
import type { LegName, PointName, Ref } from '../brand';
import { kindOf } from '../parts';
import type { Circuit, PartLeg } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import { legPoint, nameOf, type PlacedLeg, type PlacedPart, type Point } from '../wiring/wiring';
import { stateOf, type PartStates } from './bench';

/** One step of a current's way, hole by hole. */
export type PathStep =
  | { readonly type: 'start'; readonly at: Point }
  | { readonly type: 'strip'; readonly from: Point; readonly to: Point }
  | { readonly type: 'wire'; readonly ref: Ref; readonly from: Point; readonly to: Point }
  | { readonly type: 'part'; readonly ref: Ref; readonly from: Point | null; readonly to: Point | null }
  | { readonly type: 'arrives'; readonly at: Point }
  /** The way ends here: nothing else is joined, or the next part does not let the current through. */
  | {
      readonly type: 'stops';
      readonly at: Point | null;
      readonly because: 'nothing-there' | { readonly blockedBy: Ref };
    };

export interface CurrentPath {
  readonly steps: readonly PathStep[];
  readonly isComplete: boolean;
}

interface Crossing {
  readonly part: PlacedPart;
  readonly into: Point | null;
  readonly outOf: Point | null;
  readonly node: NodeId;
}

/** Most paths that are listed from one start; a dense mesh has more than anyone would follow. */
const MOST_PATHS = 40;
/** Most parts that one path passes. */
const LONGEST = 40;
/** Steps after which a search ends with what it has. */
const MOST_STEPS = 20_000;

/**
 * The way of the current from a pin or supply socket to ground: the shortest whole way when there is
 * one, else the longest there is, with where it stops. LEDs let it through from anode to cathode only.
 */
export function currentPath(circuit: Circuit, from: Point): CurrentPath | undefined {
  const paths = currentPathsFrom(circuit, from);
  return paths.length < 2
    ? paths[0]
    : paths.reduce((best, path) => (crossed(path) < crossed(best) ? path : best));
}

const crossed = ({ steps }: CurrentPath): number => steps.filter(({ type }) => type === 'part').length;

/**
 * Every way of the current from a point to ground, or the longest broken one when none is whole; parts
 * in the given states, else at rest. Empty for a point that nothing is plugged into.
 */
export function currentPathsFrom(circuit: Circuit, from: Point, states?: PartStates): readonly CurrentPath[] {
  const start = circuit.nodeAt(from)?.id;
  if (start === undefined) return [];
  const search = new PathSearch(circuit, states);
  search.walk(start, [], new Set([start]));
  const isComplete = search.whole.length > 0;
  const ways = isComplete ? search.whole : [search.longest];
  return ways.map((crossings) => ({
    steps: expand(circuit, from, crossings, isComplete),
    isComplete,
  }));
}

/**
 * Every way of the current from each supply and battery, and from the named pins, to ground. What leads
 * nowhere is listed once, with where it stops.
 */
export function currentPaths(
  circuit: Circuit,
  pins: readonly string[],
  states?: PartStates,
): readonly CurrentPath[] {
  const starts: Point[] = [];
  const { board } = circuit.wiring;
  if (board)
    for (const name of [
      ...board.profile.supplies.filter(({ role }) => role === 'supply').map((supply) => supply.name),
      ...pins,
    ])
      starts.push({ type: 'pin', ref: board.ref, pin: name });
  for (const { ref, kind } of circuit.parts) {
    const { poles } = kindOf(kind);
    if (poles) starts.push({ type: 'leg', ref, leg: poles.plus });
  }
  return starts.flatMap((from) => currentPathsFrom(circuit, from, states));
}

/** Nodes at which a current has come home: the board's ground and the minus of batteries. */
const homes = (circuit: Circuit): ReadonlySet<NodeId> =>
  new Set([
    ...circuit.nodes.map(({ id }) => id).filter((id) => circuit.side(id) === 'ground'),
    ...circuit.parts.flatMap((part) => {
      const { poles } = kindOf(part.kind);
      return poles ? [circuit.nodeOf(part, poles.minus)] : [];
    }),
  ]);

class PathSearch {
  readonly whole: (readonly Crossing[])[] = [];
  longest: readonly Crossing[] = [];
  private readonly homes: ReadonlySet<NodeId>;
  private readonly passages: readonly Passage[];
  private steps = 0;

  constructor(circuit: Circuit, states: PartStates | undefined) {
    this.homes = homes(circuit);
    this.passages = circuit.parts.flatMap((part) => passagesOf(part, circuit, states));
  }

  walk(node: NodeId, crossings: readonly Crossing[], seen: ReadonlySet<NodeId>): void {
    if (this.homes.has(node)) {
      this.whole.push(crossings);
      return;
    }
    if (crossings.length > this.longest.length) this.longest = crossings;
    this.steps += 1;
    if (crossings.length > LONGEST || this.whole.length >= MOST_PATHS || this.steps > MOST_STEPS) return;
    for (const { part, entry, exit, from, to } of this.passages)
      if (from === node && !seen.has(to))
        this.walk(
          to,
          [...crossings, { part, into: entry.at, outOf: exit.at, node: to }],
          new Set([...seen, to]),
        );
  }
}

/** A way through a part. */
interface Passage {
  readonly part: PlacedPart;
  readonly entry: PlacedLeg;
  readonly exit: PlacedLeg;
  readonly from: NodeId;
  readonly to: NodeId;
}

/** Ways through a part: both for a resistor or a closed contact, one for an LED or a transistor. */
function passagesOf(part: PlacedPart, circuit: Circuit, states: PartStates | undefined): readonly Passage[] {
  const passage = (one: LegName, other: LegName): Passage => ({
    part,
    entry: part.legs.find(({ leg }) => leg === one)!,
    exit: part.legs.find(({ leg }) => leg === other)!,
    from: circuit.nodeOf(part, one),
    to: circuit.nodeOf(part, other),
  });
  return kindOf(part.kind)
    .elements(part.value, stateOf(part, states))
    .flatMap((element): readonly Passage[] => {
      switch (element.type) {
        case 'resistor':
          return element.leak ? [] : [passage(element.from, element.to), passage(element.to, element.from)];
        case 'contact':
          return [passage(element.from, element.to), passage(element.to, element.from)];
        case 'junction':
          return element.clamp ? [] : [passage(element.anode, element.cathode)];
        case 'transistor':
          return [passage(element.collector, element.emitter), passage(element.base, element.emitter)];
        case 'output':
          return element.volts > 0
            ? [passage(element.plus, element.out)]
            : [passage(element.out, element.minus)];
        case 'capacitor':
        case 'source':
          return [];
      }
    });
}

function expand(
  circuit: Circuit,
  from: Point,
  crossings: readonly Crossing[],
  whole: boolean,
): readonly PathStep[] {
  const steps: PathStep[] = [{ type: 'start', at: from }];
  let at: Point | null = from;
  for (const { part, into, outOf } of crossings) {
    if (at && into) steps.push(...within(circuit, at, (point) => nameOf(point) === nameOf(into)));
    steps.push({ type: 'part', ref: part.ref, from: into, to: outOf });
    at = outOf;
  }
  if (whole && at) {
    const last = within(circuit, at, (point) => isGround(circuit, point));
    const end = last.at(-1);
    return [...steps, ...last, { type: 'arrives', at: end && 'to' in end && end.to ? end.to : at }];
  }
  const node = crossings.at(-1)?.node ?? circuit.nodeAt(from)?.id;
  const last = crossings.at(-1)?.part;
  const blocked = node === undefined ? undefined : circuit.legsAt(node).find((end) => blocks(end, last));
  if (blocked && at) {
    const there = blocked.part.legs.find(({ leg }) => leg === blocked.leg)!.at;
    if (there) steps.push(...within(circuit, at, (point) => nameOf(point) === nameOf(there)));
    return [...steps, { type: 'stops', at: there ?? at, because: { blockedBy: blocked.part.ref } }];
  }
  const far = at ? farthest(circuit, at) : [];
  const end = far.at(-1);
  return [
    ...steps,
    ...far,
    { type: 'stops', at: end && 'to' in end ? end.to : at, because: 'nothing-there' },
  ];
}

/** Whether a part is what the current does not pass: a button that is open, or something entered backwards. */
function blocks({ part, leg }: PartLeg, passed: PlacedPart | undefined): boolean {
  if (part === passed) return false;
  const { symmetrical, contact } = kindOf(part.kind);
  return contact === 'momentary' || (!symmetrical && part.legs[1]?.leg === leg);
}

const isGround = ({ wiring: { board } }: Circuit, point: Point): boolean =>
  point.type === 'pin' && board !== undefined && roleOfSocket(board.profile, point.pin) === 'ground';

/** Steps within one node from a point to the nearest that is wanted, over strips and wires. */
function within(circuit: Circuit, from: Point, isWanted: (point: Point) => boolean): readonly PathStep[] {
  return search(circuit, from, isWanted) ?? [];
}

/** Steps from a point to the far end of the wire that leads away from it, if one does. */
function farthest(circuit: Circuit, from: Point): readonly PathStep[] {
  const node = circuit.nodeAt(from);
  const ends = circuit.wires.flatMap((wire) =>
    wire.legs.flatMap(({ at }) => (at && circuit.nodeAt(at) === node ? [at] : [])),
  );
  const ways = ends.map((end) => within(circuit, from, (point) => nameOf(point) === nameOf(end)));
  return ways.reduce(
    (longest, way) => (way.length > longest.length ? way : longest),
    [] as readonly PathStep[],
  );
}

function search(
  circuit: Circuit,
  from: Point,
  isWanted: (point: Point) => boolean,
): readonly PathStep[] | undefined {
  const points = new Map<PointName, Point>([[nameOf(from), from]]);
  for (const part of circuit.wiring.parts) for (const { at } of part.legs) if (at) points.set(nameOf(at), at);
  const queue: { point: Point; steps: readonly PathStep[] }[] = [{ point: from, steps: [] }];
  const seen = new Set([nameOf(from)]);
  for (let next = queue.shift(); next; next = queue.shift()) {
    if (isWanted(next.point)) return next.steps;
    const { point, steps } = next;
    const visit = (to: Point, step: PathStep): void => {
      if (seen.has(nameOf(to))) return;
      seen.add(nameOf(to));
      queue.push({ point: to, steps: [...steps, step] });
    };
    for (const wire of circuit.wires) {
      wire.legs.forEach(({ at, leg }, index) => {
        const here = at && (nameOf(at) === nameOf(point) || legPoint(wire.ref, leg) === nameOf(point));
        const far = wire.legs[1 - index]?.at;
        if (here && far) visit(far, { type: 'wire', ref: wire.ref, from: point, to: far });
      });
    }
    const strip = circuit.stripAt(point);
    for (const other of points.values())
      if (circuit.stripAt(other) === strip) visit(other, { type: 'strip', from: point, to: other });
  }
  return undefined;
}
