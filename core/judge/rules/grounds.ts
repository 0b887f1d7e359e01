import { placesOf, socketsOf } from '../places';
import { drivenPins } from './driven-pins';
import { isPowerSource, kindOf } from '../../parts';
import type { Observation } from '../../findings/finding';
import type { NodeId } from '../../wiring/netlist';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { capital } from '../../words/words';

/** The nodes of a source's poles. */
function polesOf({ circuit }: Built, part: PlacedPart): { readonly high: NodeId; readonly low: NodeId } {
  const { plus, minus } = kindOf(part.kind).poles!;
  return { high: circuit.nodeOf(part, plus), low: circuit.nodeOf(part, minus) };
}

/** Batteries whose minus is not joined to the board’s ground though the board drives what they feed. */
export const noCommonGround: WiringRule = (built) =>
  sourcesOf(built).flatMap((part): readonly Observation[] => {
    const { circuit } = built;
    const { low, high } = polesOf(built, part);
    // The wrong way round is another finding.
    if (circuit.side(low) !== undefined || circuit.side(high) !== undefined || low === high) return [];
    const reached = circuit.reach(low, { notInto: (node) => circuit.side(node) !== undefined });
    const pins = [...reached].flatMap((node) => circuit.signalsAt(node));
    if (pins.length === 0) return [];
    const driven = drivenPins(built);
    const signal = pins.find((pin) => driven.has(pin));
    const back = signal === undefined ? 'nothing between the two' : `the signal from pin ${signal}`;
    return [
      {
        code: 'no-common-ground',
        severity: 'fault',
        refs: [part.ref],
        at: socketsOf(circuit, 'GND'),
        message: `The minus of ${partText(part)} is not connected to the board’s ground, so ${back} has ${signal === undefined ? 'a' : 'no'} way back.`,
        hints: [
          signal === undefined
            ? `A current needs two wires. Where are the board and ${partText(part)} connected?`
            : `A signal needs two wires. How does the current from pin ${signal} get back to the board?`,
          `The board’s ground and the minus of ${part.ref} are not connected.`,
          `Add a wire from GND to the minus of ${part.ref}.`,
        ],
      },
    ];
  });

const sourcesOf = (built: Built): readonly PlacedPart[] =>
  built.circuit.parts.filter((part) => isPowerSource(part));

/** Plus and minus rails that carry the other’s supply. */
export const railSwapped: WiringRule = ({ circuit }) => {
  const found = new Map<'+' | '-', { at: string; refs: string[] }>();
  for (const part of circuit.wiring.parts)
    for (const { at } of part.legs) {
      if (at?.type !== 'rail') continue;
      const sign = at.rail.endsWith('+') ? '+' : '-';
      const side = circuit.side(circuit.nodeAt(at)!.id);
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
      message: `The rails are swapped: the supply is on the minus rail and ground is on the plus rail. Everything plugged in by the marks gets the wrong one.`,
      hints: [
        `Follow the wire from the supply socket. Which rail does it end in, and how is that rail marked?`,
        `${high.at} is on the plus rail and goes to ground; ${low.at} is on the minus rail and goes to the supply.`,
        `Unplug the board and swap the two wires that feed the rails.`,
      ],
    },
  ];
};

/** Batteries whose plus is on the board’s ground. */
export const batteryReversed: WiringRule = (built) =>
  sourcesOf(built).flatMap((part): readonly Observation[] => {
    const { low, high } = polesOf(built, part);
    if (built.circuit.side(high) !== 'ground' || low === high) return [];
    return [
      {
        code: 'polarity-reversed',
        severity: 'fault',
        refs: [part.ref],
        at: placesOf(part),
        message: `${capital(partText(part))} is the wrong way round: its plus is connected to ground. Whatever it feeds gets its voltage backwards and can be destroyed.`,
        hints: [
          `Which lead of the battery is plus, and where does it go?`,
          `The plus of ${part.ref} is on the board’s ground.`,
          `Disconnect the battery and swap its two leads.`,
        ],
      },
    ];
  });
