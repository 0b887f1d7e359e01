import type { PointName, Ref } from '../brand';
import { kindOf } from '../parts';
import { circuitParts, nodeOfLeg, type Netlist, type NodeId } from '../wiring/netlist';
import { legPoint, nameOf, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';

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

/**
 * The way of the current from a pin or supply socket to ground: the shortest whole way when there is
 * one, else the longest there is, with where it stops. Lamps let it through from anode to cathode only.
 */
export function currentPath(wiring: Wiring, netlist: Netlist, from: Point): CurrentPath | undefined {
  const start = netlist.nodeAt.get(nameOf(from));
  if (start === undefined) return undefined;
  const grounds = new Set(
    wiring.board?.profile.supplies.filter((supply) => supply.role === 'ground').map((supply) => supply.name),
  );
  const isGround = (node: NodeId): boolean => netlist.nodes[node]!.pins.some((pin) => grounds.has(pin));
  const search = new PathSearch(wiring, netlist, isGround);
  search.walk(start, [], new Set([start]));
  const crossings = search.whole ?? search.longest;
  return {
    steps: expand(wiring, netlist, from, crossings, search.whole !== undefined),
    isComplete: search.whole !== undefined,
  };
}

class PathSearch {
  whole: readonly Crossing[] | undefined;
  longest: readonly Crossing[] = [];

  constructor(
    private readonly wiring: Wiring,
    private readonly netlist: Netlist,
    private readonly isGround: (node: NodeId) => boolean,
  ) {}

  walk(node: NodeId, crossed: readonly Crossing[], seen: ReadonlySet<NodeId>): void {
    if (this.isGround(node)) {
      if (!this.whole || crossed.length < this.whole.length) this.whole = crossed;
      return;
    }
    if (crossed.length > this.longest.length) this.longest = crossed;
    if (crossed.length > 40) return;
    for (const part of circuitParts(this.wiring))
      for (const [entry, exit] of passages(part)) {
        if (nodeOfLeg(this.netlist, part.ref, entry.leg) !== node) continue;
        const next = nodeOfLeg(this.netlist, part.ref, exit.leg);
        if (seen.has(next)) continue;
        this.walk(
          next,
          [...crossed, { part, into: entry.at, outOf: exit.at, node: next }],
          new Set([...seen, next]),
        );
      }
  }
}

/** Ways through a part: both for a resistor, one for a lamp. */
function passages(
  part: PlacedPart,
): readonly (readonly [PlacedPart['legs'][number], PlacedPart['legs'][number]])[] {
  const [one, other] = part.legs;
  if (!one || !other) return [];
  return kindOf(part.kind).symmetrical
    ? [
        [one, other],
        [other, one],
      ]
    : [[one, other]];
}

function expand(
  wiring: Wiring,
  netlist: Netlist,
  from: Point,
  crossings: readonly Crossing[],
  whole: boolean,
): readonly PathStep[] {
  const steps: PathStep[] = [{ type: 'start', at: from }];
  let at: Point | null = from;
  for (const { part, into, outOf } of crossings) {
    if (at && into) steps.push(...within(wiring, netlist, at, (point) => nameOf(point) === nameOf(into)));
    steps.push({ type: 'part', ref: part.ref, from: into, to: outOf });
    at = outOf;
  }
  if (whole && at) {
    const grounds = new Set(
      wiring.board?.profile.supplies
        .filter((supply) => supply.role === 'ground')
        .map((supply) => supply.name),
    );
    const last = within(wiring, netlist, at, (point) => point.type === 'pin' && grounds.has(point.pin));
    const end = last.at(-1);
    return [...steps, ...last, { type: 'arrives', at: end && 'to' in end && end.to ? end.to : at }];
  }
  const node = crossings.at(-1)?.node ?? netlist.nodeAt.get(nameOf(from));
  const blocked = netlist.nodes[node!]?.terminals.find(({ ref, leg }) => {
    const part = wiring.parts.find((candidate) => candidate.ref === ref);
    return (
      part &&
      !kindOf(part.kind).symmetrical &&
      part.legs[1]?.leg === leg &&
      crossings.at(-1)?.part.ref !== ref
    );
  });
  if (blocked && at) {
    const there = wiring.parts
      .find((part) => part.ref === blocked.ref)!
      .legs.find((leg) => leg.leg === blocked.leg)!.at;
    if (there) steps.push(...within(wiring, netlist, at, (point) => nameOf(point) === nameOf(there)));
    return [...steps, { type: 'stops', at: there ?? at, because: { blockedBy: blocked.ref } }];
  }
  const far = at ? farthest(wiring, netlist, at) : [];
  const last = far.at(-1);
  return [
    ...steps,
    ...far,
    { type: 'stops', at: last && 'to' in last ? last.to : at, because: 'nothing-there' },
  ];
}

/** Steps within one node from a point to the nearest that is wanted, over strips and wires. */
function within(
  wiring: Wiring,
  netlist: Netlist,
  from: Point,
  isWanted: (point: Point) => boolean,
): readonly PathStep[] {
  return search(wiring, netlist, from, isWanted) ?? [];
}

/** Steps from a point to the far end of the wire that leads away from it, if one does. */
function farthest(wiring: Wiring, netlist: Netlist, from: Point): readonly PathStep[] {
  const wires = wiring.parts.filter((part) => kindOf(part.kind).conductor);
  const node = netlist.nodeAt.get(nameOf(from));
  const ends = wires.flatMap((wire) =>
    wire.legs.flatMap(({ at }) => (at && netlist.nodeAt.get(nameOf(at)) === node ? [at] : [])),
  );
  const ways = ends.map((end) => within(wiring, netlist, from, (point) => nameOf(point) === nameOf(end)));
  return ways.reduce(
    (longest, way) => (way.length > longest.length ? way : longest),
    [] as readonly PathStep[],
  );
}

function search(
  wiring: Wiring,
  netlist: Netlist,
  from: Point,
  isWanted: (point: Point) => boolean,
): readonly PathStep[] | undefined {
  const points = new Map<PointName, Point>([[nameOf(from), from]]);
  for (const part of wiring.parts) for (const { at } of part.legs) if (at) points.set(nameOf(at), at);
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
    for (const wire of wiring.parts) {
      if (!kindOf(wire.kind).conductor) continue;
      wire.legs.forEach(({ at, leg }, index) => {
        const here = at && (nameOf(at) === nameOf(point) || legPoint(wire.ref, leg) === nameOf(point));
        const far = wire.legs[1 - index]?.at;
        if (here && far) visit(far, { type: 'wire', ref: wire.ref, from: point, to: far });
      });
    }
    const strip = netlist.stripAt.get(nameOf(point));
    for (const [name, other] of points)
      if (netlist.stripAt.get(name) === strip) visit(other, { type: 'strip', from: point, to: other });
  }
  return undefined;
}
