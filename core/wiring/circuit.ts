import { isBoard, isSupplySocket, roleOfSocket, type BoardProfile } from '../boards';
import type { LegName, Ref } from '../brand';
import { isPowerSource, kindOf, type PartKind } from '../parts';
import { circuitParts, netlistOf, nodeOfLeg, type CircuitNode, type Netlist, type NodeId } from './netlist';
import { nameOf, type PlacedPart, type Point, type Wiring } from './wiring';

/** A leg with the part that it belongs to. */
export interface PartLeg {
  readonly part: PlacedPart;
  readonly leg: LegName;
}

/** How far a search through a circuit goes. */
export interface Bounds {
  /** Parts that it passes; all when left out. */
  readonly through?: (part: PlacedPart) => boolean;
  /** Nodes that it does not enter. */
  readonly notInto?: (node: NodeId) => boolean;
  /** Nodes that it enters and does not leave. */
  readonly notBeyond?: (node: NodeId) => boolean;
}

/** A wiring as a circuit: what is joined to what, to be asked by part, leg, pin, place or node. */
export class Circuit {
  readonly netlist: Netlist;
  /** Parts that take part in it: all but wires and clip leads. */
  readonly parts: readonly PlacedPart[];
  /** Wires and clip leads. */
  readonly wires: readonly PlacedPart[];
  private readonly byRef: ReadonlyMap<Ref, PlacedPart>;
  private readonly byPin: ReadonlyMap<string, CircuitNode>;
  private byStrip: ReadonlyMap<string, readonly PlacedPart[]> | undefined;

  /** Whose sockets give the nodes their roles. */
  readonly board: BoardProfile | undefined;

  /** `asked`: the board that the wiring should have, where that is known. */
  constructor(
    readonly wiring: Wiring,
    asked?: BoardProfile,
  ) {
    this.board = asked && isBoard(asked) ? asked : wiring.board?.profile;
    this.netlist = netlistOf(wiring);
    this.parts = circuitParts(wiring);
    this.wires = wiring.parts.filter((part) => kindOf(part.kind).conductor);
    this.byRef = new Map(wiring.parts.map((part) => [part.ref, part]));
    this.byPin = new Map(
      [...this.netlist.nodes].reverse().flatMap((node) => node.pins.map((pin) => [pin, node] as const)),
    );
  }

  get nodes(): readonly CircuitNode[] {
    return this.netlist.nodes;
  }

  node(id: NodeId): CircuitNode {
    return this.netlist.nodes[id]!;
  }

  /** The part of that name, wires included. */
  part(ref: Ref): PlacedPart | undefined {
    return this.byRef.get(ref);
  }

  /** Parts of the circuit that a test on their kind holds for. */
  partsWhere(isWanted: (kind: PartKind) => boolean): readonly PlacedPart[] {
    return this.parts.filter((part) => isWanted(kindOf(part.kind)));
  }

  nodeOf(part: PlacedPart, leg: LegName): NodeId {
    return nodeOfLeg(this.netlist, part.ref, leg);
  }

  /** The nodes of a part's legs, in their order. */
  nodesOf(part: PlacedPart): readonly NodeId[] {
    return part.legs.map(({ leg }) => this.nodeOf(part, leg));
  }

  /** The node of a board socket; `undefined` when nothing is plugged there. */
  nodeOfPin(pin: string): CircuitNode | undefined {
    return this.byPin.get(pin);
  }

  /** The node of a place; `undefined` for one that the wiring does not use. */
  nodeAt(place: Point): CircuitNode | undefined {
    const id = this.netlist.nodeAt.get(nameOf(place));
    return id === undefined ? undefined : this.node(id);
  }

  /** The strip, rail or socket of a place that the wiring uses, as a text that is the same for the same one. */
  stripAt(place: Point): string | undefined {
    return this.netlist.stripOf(nameOf(place));
  }

  /** Parts with a leg or an end in the strip, rail or socket of a place, wires included. */
  partsInStrip(place: Point): readonly PlacedPart[] {
    this.byStrip ??= this.partsByStrip();
    return this.byStrip.get(this.stripAt(place) ?? '') ?? [];
  }

  private partsByStrip(): ReadonlyMap<string, readonly PlacedPart[]> {
    const parts = new Map<string, PlacedPart[]>();
    for (const part of this.wiring.parts)
      for (const strip of new Set(part.legs.flatMap(({ at }) => (at ? (this.stripAt(at) ?? []) : []))))
        parts.set(strip, [...(parts.get(strip) ?? []), part]);
    return parts;
  }

  /** Legs on a node, in the order of the parts. */
  legsAt(node: NodeId): readonly PartLeg[] {
    return this.node(node).terminals.map(({ ref, leg }) => ({ part: this.byRef.get(ref)!, leg }));
  }

  /** Parts with a leg on a node, each once. */
  partsAt(node: NodeId): readonly PlacedPart[] {
    return [...new Set(this.legsAt(node).map(({ part }) => part))];
  }

  /** Sockets on a node that are signal pins. */
  signalsAt(node: NodeId): readonly string[] {
    const { board } = this;
    return this.node(node).pins.filter((pin) => !board || !isSupplySocket(board, pin));
  }

  /** Signal pins that something is plugged into. */
  get wiredSignals(): readonly string[] {
    return this.nodes.flatMap((node) =>
      node.terminals.length > 0 || node.pins.length > 1 ? this.signalsAt(node.id) : [],
    );
  }

  /** What the board makes of a node: ground, a supply, or neither. */
  side(node: NodeId): 'ground' | 'supply' | undefined {
    const roles = this.node(node).pins.map((pin) => this.board && roleOfSocket(this.board, pin));
    if (roles.includes('ground')) return 'ground';
    return roles.includes('supply') ? 'supply' : undefined;
  }

  /** What a battery on a node makes of it. */
  pole(node: NodeId): 'ground' | 'supply' | undefined {
    const pole = this.legsAt(node).find(({ part }) => isPowerSource(part));
    return pole && (pole.leg === kindOf(pole.part.kind).poles!.minus ? 'ground' : 'supply');
  }

  /** What a node is by the board or, where that says nothing, by a battery. */
  feed(node: NodeId): 'ground' | 'supply' | undefined {
    return this.side(node) ?? this.pole(node);
  }

  /** Whether nothing but the one leg is on a leg's node. */
  isAlone(part: PlacedPart, leg: LegName): boolean {
    const { pins, terminals } = this.node(this.nodeOf(part, leg));
    return pins.length === 0 && terminals.length === 1;
  }

  /** The other end of a part with two legs; `undefined` when it has none on the node, or both. */
  acrossFrom(part: PlacedPart, node: NodeId): NodeId | undefined {
    const [one, other] = this.nodesOf(part);
    if (one === other) return undefined;
    return one === node ? other : other === node ? one : undefined;
  }

  /** Nodes that can be reached from one through parts, itself first. */
  reach(from: NodeId, { through, notInto, notBeyond }: Bounds = {}): ReadonlySet<NodeId> {
    return flood(from, (node) =>
      notBeyond?.(node)
        ? []
        : this.partsAt(node)
            .filter((part) => !through || through(part))
            .flatMap((part) => this.nodesOf(part))
            .filter((next) => !notInto?.(next)),
    );
  }
}

/** Nodes that can be reached from one by the steps that lead on from each, itself first. */
export function flood(from: NodeId, onward: (node: NodeId) => readonly NodeId[]): ReadonlySet<NodeId> {
  const seen = new Set([from]);
  const open = [from];
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const next of onward(node))
      if (!seen.has(next)) {
        seen.add(next);
        open.push(next);
      }
  return seen;
}
