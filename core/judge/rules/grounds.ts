import { isPowerSource } from '../../parts';
import type { Observation } from '../../finding';
import { circuitParts, type NodeId } from '../../wiring/netlist';
import { findPart, nameOf, type PlacedPart } from '../../wiring/wiring';
import { legName } from '../../brand';
import { isSupplyPin } from '../graph';
import { capital, partText } from '../words';
import { nodeAt, sideOfNode, type Rule, type RuleContext } from './context';

const minus = legName('minus');
const plus = legName('plus');

/** Batteries whose minus is not joined to the board’s ground though the board drives what they feed. */
export const noCommonGround: Rule = (context) =>
  sourcesOf(context).flatMap((part): readonly Observation[] => {
    const low = nodeAt(context, part.ref, minus);
    const high = nodeAt(context, part.ref, plus);
    if (sideOfNode(context, low) === 'ground' || sideOfNode(context, high) !== undefined || low === high)
      return [];
    // The wrong way round is another finding.
    if (sideOfNode(context, low) !== undefined) return [];
    const reached = reachOf(context, low);
    const pin = [...reached]
      .flatMap((node) => context.netlist.nodes[node]!.pins)
      .find((name) => !isSupplyPin(context.board, name));
    if (pin === undefined) return [];
    return [
      {
        code: 'no-common-ground',
        severity: 'fault',
        refs: [part.ref],
        at: context.wiring.board ? [`${context.wiring.board.ref}.GND`] : [],
        message: `The minus of ${partText(part)} is not joined to the board’s ground, so the signal of pin ${pin} has no way back.`,
        hints: [
          `A signal needs two wires. Where does the current of pin ${pin} come back to the board?`,
          `The ground of the board and the minus of ${part.ref} are two separate nodes.`,
          `Add a wire from GND to the minus of ${part.ref}.`,
        ],
      },
    ];
  });

const sourcesOf = (context: RuleContext): readonly PlacedPart[] =>
  circuitParts(context.wiring).filter((part) => isPowerSource(part));

/** Nodes that a node is joined to through parts. */
function reachOf(context: RuleContext, from: NodeId): ReadonlySet<NodeId> {
  const seen = new Set([from]);
  const open = [from];
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const { ref } of context.netlist.nodes[node]!.terminals)
      for (const { leg } of findPart(context.wiring, ref)!.legs) {
        const next = nodeAt(context, ref, leg);
        if (seen.has(next) || sideOfNode(context, next) !== undefined) continue;
        seen.add(next);
        open.push(next);
      }
  return seen;
}

/** Plus and minus rails that carry the other’s supply. */
export const railSwapped: Rule = (context) => {
  const { wiring, netlist } = context;
  const found = new Map<'+' | '-', { at: string; refs: string[] }>();
  for (const part of wiring.parts)
    for (const { at } of part.legs) {
      if (at?.type !== 'rail') continue;
      const sign = at.rail.endsWith('+') ? '+' : '-';
      const node = netlist.nodeAt.get(nameOf(at))!;
      const side = sideOfNode(context, node);
      if (side !== (sign === '+' ? 'ground' : 'supply')) continue;
      const before = found.get(sign);
      if (before) before.refs.push(part.ref);
      else found.set(sign, { at: nameOf(at), refs: [part.ref] });
    }
  const [high, low] = [found.get('+'), found.get('-')];
  if (!high || !low) return [];
  return [
    {
      code: 'rail-swapped',
      severity: 'fault',
      refs: [...new Set([...high.refs, ...low.refs])],
      at: [high.at, low.at],
      message: `The rails are interchanged: the supply is on the minus rail and ground is on the plus rail. Everything that is plugged into them by its marks gets the wrong one.`,
      hints: [
        `Follow the wire from the supply socket. Which rail does it end in, and how is that rail marked?`,
        `${high.at} lies on the plus rail and leads to ground; ${low.at} lies on the minus rail and leads to the supply.`,
        `Unplug the board and exchange the two wires that feed the rails.`,
      ],
    },
  ];
};

/** Batteries whose plus is on the board’s ground. */
export const batteryReversed: Rule = (context) =>
  sourcesOf(context).flatMap((part): readonly Observation[] => {
    const low = nodeAt(context, part.ref, minus);
    const high = nodeAt(context, part.ref, plus);
    if (sideOfNode(context, high) !== 'ground' || low === high) return [];
    return [
      {
        code: 'polarity-reversed',
        severity: 'fault',
        refs: [part.ref],
        at: part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
        message: `${capital(partText(part))} is the wrong way round: its plus is joined to ground. What it feeds gets its voltage backwards and can be destroyed.`,
        hints: [
          `Which lead of the battery is plus, and where does it go?`,
          `The plus of ${part.ref} is on the board’s ground.`,
          `Take the battery off and exchange its two leads.`,
        ],
      },
    ];
  });
