import type { LegName, PointName, Ref } from '../brand';
import { railHalf, sideOf } from '../breadboards';
import { effort } from '../effort';
import { kindOf } from '../parts';
import { legPoint, nameOf, type PlacedPart, type Point, type Wiring } from './wiring';

/** Number of a node within one netlist, counted from 0. */
export type NodeId = number;

/** A leg that takes part in the circuit (wires and clip leads do not: they are the node). */
export interface Terminal {
  readonly ref: Ref;
  readonly leg: LegName;
}

/** Points that are electrically one. */
export interface CircuitNode {
  readonly id: NodeId;
  /** Board sockets on this node, by their names. */
  readonly pins: readonly string[];
  readonly terminals: readonly Terminal[];
  /** Ends of wires and clip leads on this node. */
  readonly wireEnds: readonly Terminal[];
  /** Every point of the table on this node. */
  readonly points: readonly Point[];
}

export interface Netlist {
  readonly nodes: readonly CircuitNode[];
  /** The node of every point that the table mentions, and of every leg. */
  readonly nodeAt: ReadonlyMap<PointName, NodeId>;
  /** The strip, rail or socket of a mentioned point, before wires join them. */
  readonly stripOf: (point: PointName) => string | undefined;
}

/**
 * The strip that a point lies on: half a row, a rail or half of a split one, a board socket (all
 * sockets of one supply name are tied inside the board), or the leg itself.
 */
export function stripOf(point: Point, wiring: Wiring): string {
  switch (point.type) {
    case 'pin':
      return `${point.ref}.${point.pin}`;
    case 'hole':
      return `${point.ref}.${sideOf(point.column)}${point.row}`;
    case 'rail': {
      const board = wiring.breadboards.find((candidate) => candidate.ref === point.ref)!.model;
      return `${point.ref}.${point.rail}/${railHalf(board, point.row)}`;
    }
    case 'leg':
      return legPoint(point.ref, point.leg);
  }
}

/** A place that a table mentions, with its name and the strip that it lies on. */
interface Mention {
  readonly point: Point;
  readonly name: PointName;
  readonly strip: string;
}

/** What a leg brings to the circuit: itself, and the place that it is in. */
interface LegMentions {
  readonly terminal: Terminal;
  readonly own: Mention;
  readonly at: Mention | undefined;
}

/**
 * What parts mention, by the breadboards that it was worked out for. Thousands of wirings that differ in one part are
 * made while a repair is looked for; what the others mention, and the hashes of these texts, stay the same.
 */
const mentionsKept = new WeakMap<Wiring['breadboards'], WeakMap<PlacedPart, readonly LegMentions[]>>();

function mentionsOf(part: PlacedPart, wiring: Wiring): readonly LegMentions[] {
  let kept = mentionsKept.get(wiring.breadboards);
  if (!kept) mentionsKept.set(wiring.breadboards, (kept = new WeakMap()));
  let mentions = kept.get(part);
  if (!mentions) {
    mentions = part.legs.map(({ leg, at }) => {
      const name = legPoint(part.ref, leg);
      return {
        terminal: { ref: part.ref, leg },
        own: { point: { type: 'leg', ref: part.ref, leg }, name, strip: name },
        at: at ? { point: at, name: nameOf(at), strip: stripOf(at, wiring) } : undefined,
      };
    });
    kept.set(part, mentions);
  }
  return mentions;
}

/**
 * Joins strips, rails, wires and tied pins into nodes by union-find. Nodes are numbered in the order
 * of first mention in the table, so the same table gives the same numbers.
 */
export function netlistOf(wiring: Wiring): Netlist {
  effort(wiring.parts.reduce((legs, part) => legs + part.legs.length, 0) * 3000);
  const parent = new Map<string, string>();
  const find = (key: string): string => {
    let root = key;
    for (let up = parent.get(root); up !== undefined && up !== root; up = parent.get(root)) root = up;
    parent.set(key, root);
    return root;
  };
  const join = (one: string, other: string): void => {
    parent.set(find(other), find(one));
  };
  const mentioned = new Map<PointName, Mention>();
  for (const part of wiring.parts) {
    for (const { own, at } of mentionsOf(part, wiring)) {
      mentioned.set(own.name, own);
      find(own.strip);
      if (!at) continue;
      mentioned.set(at.name, at);
      join(at.strip, own.strip);
    }
    for (const [one, other] of kindOf(part.kind).joints)
      join(legPoint(part.ref, one), legPoint(part.ref, other));
  }
  return collect(wiring, mentioned, find);
}

function collect(
  wiring: Wiring,
  mentioned: ReadonlyMap<PointName, Mention>,
  find: (key: string) => string,
): Netlist {
  interface Open {
    readonly id: NodeId;
    readonly pins: string[];
    readonly terminals: Terminal[];
    readonly wireEnds: Terminal[];
    readonly points: Point[];
  }
  const byRoot = new Map<string, Open>();
  const open: Open[] = [];
  const nodeAt = new Map<PointName, NodeId>();
  for (const { point, name, strip } of mentioned.values()) {
    const root = find(strip);
    let node = byRoot.get(root);
    if (!node) {
      node = { id: open.length, pins: [], terminals: [], wireEnds: [], points: [] };
      byRoot.set(root, node);
      open.push(node);
    }
    nodeAt.set(name, node.id);
    node.points.push(point);
  }
  for (const part of wiring.parts) {
    const { conductor } = kindOf(part.kind);
    for (const { terminal, own, at } of mentionsOf(part, wiring)) {
      const node = open[nodeAt.get(own.name)!]!;
      (conductor ? node.wireEnds : node.terminals).push(terminal);
      if (at?.point.type === 'pin' && !node.pins.includes(at.point.pin)) node.pins.push(at.point.pin);
    }
  }
  return { nodes: open, nodeAt, stripOf: (name) => mentioned.get(name)?.strip };
}

/** The node that a leg is on. */
export function nodeOfLeg(netlist: Netlist, ref: Ref, leg: LegName): NodeId {
  const id = netlist.nodeAt.get(legPoint(ref, leg));
  if (id === undefined) throw new Error(`${ref}.${leg} is not in the netlist`);
  return id;
}

/** The node that a board socket is on; `undefined` when nothing is plugged there. */
export const nodeOfPin = (netlist: Netlist, pin: string): NodeId | undefined =>
  netlist.nodes.find((node) => node.pins.includes(pin))?.id;

/** Parts that take part in the circuit: all but wires and clip leads. */
export const circuitParts = (wiring: Wiring): readonly PlacedPart[] =>
  wiring.parts.filter((part) => !kindOf(part.kind).conductor);
