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
  /** The strip, rail or socket of every mentioned point, before wires join them. */
  readonly stripAt: ReadonlyMap<PointName, string>;
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
  const stripAt = new Map<PointName, string>();
  const mentioned = new Map<PointName, Point>();
  const mention = (point: Point, strip: string): void => {
    stripAt.set(nameOf(point), strip);
    mentioned.set(nameOf(point), point);
  };
  for (const part of wiring.parts) {
    for (const { leg, at } of part.legs) {
      const own = legPoint(part.ref, leg);
      mention({ type: 'leg', ref: part.ref, leg }, own);
      find(own);
      if (!at) continue;
      const strip = stripOf(at, wiring);
      mention(at, strip);
      join(strip, own);
    }
    for (const [one, other] of kindOf(part.kind).joints)
      join(legPoint(part.ref, one), legPoint(part.ref, other));
  }
  return collect(wiring, stripAt, mentioned, find);
}

function collect(
  wiring: Wiring,
  stripAt: ReadonlyMap<PointName, string>,
  mentioned: ReadonlyMap<PointName, Point>,
  find: (key: string) => string,
): Netlist {
  interface Open {
    pins: string[];
    terminals: Terminal[];
    wireEnds: Terminal[];
    points: Point[];
  }
  const ids = new Map<string, NodeId>();
  const open: Open[] = [];
  const nodeAt = new Map<PointName, NodeId>();
  for (const [point, strip] of stripAt) {
    const root = find(strip);
    let id = ids.get(root);
    if (id === undefined) {
      id = open.length;
      ids.set(root, id);
      open.push({ pins: [], terminals: [], wireEnds: [], points: [] });
    }
    nodeAt.set(point, id);
    open[id]!.points.push(mentioned.get(point)!);
  }
  for (const part of wiring.parts) {
    const { conductor } = kindOf(part.kind);
    for (const { leg, at } of part.legs) {
      const node = open[nodeAt.get(legPoint(part.ref, leg))!]!;
      (conductor ? node.wireEnds : node.terminals).push({ ref: part.ref, leg });
      if (at?.type === 'pin' && !node.pins.includes(at.pin)) node.pins.push(at.pin);
    }
  }
  return { nodes: open.map((node, id) => ({ id, ...node })), nodeAt, stripAt };
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
