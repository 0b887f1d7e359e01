import type { Ref } from '../brand';
import { effort } from '../effort';
import { isEitherWay, turnsOf } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import type { PlacedPart } from '../wiring/wiring';

/** Parts between two nodes that carry one current, in either order: the order in a series is free. */
export interface Chain {
  readonly parts: readonly Ref[];
  /** What the chain is, seen from its head: kinds and directions, sorted. */
  readonly fromHead: string;
  readonly fromTail: string;
  readonly head: NodeId;
  readonly tail: NodeId;
}

/** A circuit as chains between nodes, without what the order of series parts leaves free. */
export interface CircuitGraph {
  readonly chains: readonly Chain[];
  /** Board sockets on each node that a chain ends at, and on nodes that join several sockets. */
  readonly pins: ReadonlyMap<NodeId, readonly string[]>;
}

interface Link {
  readonly part: PlacedPart;
  readonly head: NodeId;
  readonly tail: NodeId;
}

/**
 * A part with more than two legs as one chain from a node of its own to each leg's node. Legs that may
 * be exchanged have one name, so that a button counts the same however it is turned.
 */
function legChains(circuit: Circuit): readonly Chain[] {
  let ownNode = circuit.nodes.length;
  return circuit.parts
    .filter((part) => part.legs.length > 2)
    .flatMap((part) => {
      const head = ownNode++;
      const turns = turnsOf(part);
      return part.legs.map(({ leg }, index): Chain => {
        const alike = [leg, ...turns.map((turn) => turn[index]!)].sort();
        return {
          parts: [part.ref],
          fromHead: `${part.kind}.${alike[0]}>`,
          fromTail: `${part.kind}.${alike[0]}<`,
          head,
          tail: circuit.nodeOf(part, leg),
        };
      });
    });
}

/** Reduces a netlist to chains of parts. Bypassed parts, both legs on one node, stay as loops. */
export function circuitGraph(circuit: Circuit): CircuitGraph {
  const { netlist } = circuit;
  effort(netlist.nodes.length * 5000);
  const links: Link[] = circuit.parts
    .filter((part) => part.legs.length === 2)
    .map((part) => {
      const [head, tail] = circuit.nodesOf(part) as [NodeId, NodeId];
      return { part, head, tail };
    });
  const atNode = new Map<NodeId, Link[]>();
  for (const link of links)
    for (const node of [link.head, link.tail]) atNode.set(node, [...(atNode.get(node) ?? []), link]);
  const isInner = (node: NodeId): boolean =>
    netlist.nodes[node]!.pins.length === 0 &&
    netlist.nodes[node]!.terminals.length === 2 &&
    atNode.get(node)!.length === 2 &&
    atNode.get(node)![0] !== atNode.get(node)![1];
  const used = new Set<Link>();
  const chains: Chain[] = [];
  for (const link of links) {
    if (used.has(link)) continue;
    const steps = [{ link, forward: true }];
    used.add(link);
    let head = link.head;
    let tail = link.tail;
    const extend = (node: NodeId, toTail: boolean): NodeId => {
      let end = node;
      while (isInner(end)) {
        const next = atNode.get(end)!.find((candidate) => !used.has(candidate));
        if (!next) break;
        used.add(next);
        const entersAtHead = next.head === end;
        steps[toTail ? 'push' : 'unshift']({ link: next, forward: toTail ? entersAtHead : !entersAtHead });
        end = entersAtHead ? next.tail : next.head;
      }
      return end;
    };
    tail = extend(tail, true);
    head = extend(head, false);
    const describe = (reversed: boolean): string =>
      steps
        .map(({ link: { part }, forward }) =>
          isEitherWay(part) ? part.kind : `${part.kind}${forward !== reversed ? '>' : '<'}`,
        )
        .sort()
        .join('+');
    chains.push({
      parts: steps.map((step) => step.link.part.ref),
      fromHead: describe(false),
      fromTail: describe(true),
      head,
      tail,
    });
  }
  chains.push(...legChains(circuit));
  const ends = new Set(chains.flatMap((chain) => [chain.head, chain.tail]));
  const pins = new Map(
    netlist.nodes
      .filter((node) => ends.has(node.id) || node.pins.length > 1)
      .map((node) => [node.id, node.pins] as const),
  );
  return { chains, pins };
}
