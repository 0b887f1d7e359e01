import { legName } from '../../brand';
import { quantity, type Observation } from '../../finding';
import { kindOf } from '../../parts';
import { milliamps, volts } from '../../units';
import { circuitParts, nodeOfLeg, type NodeId } from '../../wiring/netlist';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { capital, partText, placeText } from '../words';
import type { Rule, RuleContext } from './context';

const lampsOf = (context: RuleContext): readonly PlacedPart[] =>
  context.wiring.parts.filter((part) => part.kind === 'led');

/** Reverse volts from which a lamp counts as held the wrong way round. */
const REVERSED_VOLTS = 1;
const CONDUCTING_MA = 0.01;

/** Lamps that are only ever held against their direction. */
export const polarityReversed: Rule = (context) =>
  lampsOf(context).flatMap((lamp): readonly Observation[] => {
    const [anode, cathode] = lamp.legs.map(({ leg }) => nodeOfLeg(context.netlist, lamp.ref, leg));
    if (anode === cathode) return [];
    const across = context.states.map(
      ({ point }) => (point.volts[anode!] ?? 0) - (point.volts[cathode!] ?? 0),
    );
    const lit = context.states.some(
      ({ point }) => (point.parts.get(lamp.ref)?.currentMa ?? 0) > CONDUCTING_MA,
    );
    const lowest = Math.min(0, ...across);
    if (lit || lowest > -REVERSED_VOLTS) return [];
    const long = lamp.legs[0]!.at;
    const short = lamp.legs[1]!.at;
    const where = short
      ? ` Its short leg, in ${placeText(short)}, is on the side the current comes from.`
      : '';
    return [
      {
        code: 'polarity-reversed',
        severity: 'fault',
        refs: [lamp.ref],
        at: [long, short].flatMap((at) => (at ? [nameOf(at)] : [])),
        message: `${capital(partText(lamp))} is the wrong way round, so it stays dark.${where} Current only passes from the long leg to the short one.`,
        hints: [
          `A lamp has a long and a short leg. Which of them is towards the pin?`,
          `${capital(partText(lamp))} is held at ${volts(-lowest)} against its direction${short ? `; look at the leg in ${placeText(short)}` : ''}.`,
          `Turn ${partText(lamp)} round: the long leg goes where the short one is.`,
        ],
        evidence: { reverseVolts: quantity(-lowest, 'V') },
      },
    ];
  });

/** Lamps with a path from a pin or supply to ground that passes nothing but lamps. */
export const noSeriesResistor: Rule = (context) =>
  lampsOf(context).flatMap((lamp): readonly Observation[] => {
    const [anode, cathode] = lamp.legs.map(({ leg }) => nodeOfLeg(context.netlist, lamp.ref, leg));
    if (anode === cathode || !bareEnd(context, anode!, 'cathode') || !bareEnd(context, cathode!, 'anode'))
      return [];
    const currentMa = Math.max(
      0,
      ...context.states.map(({ point }) => Math.abs(point.parts.get(lamp.ref)?.currentMa ?? 0)),
    );
    const limitMa = Math.min(
      kindOf(lamp.kind).ratings?.currentMa ?? Infinity,
      context.board.drive.recommendedMa,
    );
    if (currentMa <= limitMa) return [];
    return [
      {
        code: 'no-series-resistor',
        severity: 'risk',
        refs: [lamp.ref],
        at: lamp.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
        message: `Nothing limits the current of ${partText(lamp)}: ${milliamps(currentMa)} flow. The lamp is made for ${kindOf(lamp.kind).ratings?.currentMa ?? limitMa} mA, and a pin stands ${context.board.drive.absoluteMa} mA at most.`,
        hints: [
          `What is there to hold the current of ${partText(lamp)} back?`,
          `${milliamps(currentMa)} flow through ${lamp.ref}; a resistor in its path is missing or goes round.`,
          `Unplug the board and put the resistor between ${lamp.ref} and the rail or pin it is joined to.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          limitMa: quantity(context.board.drive.absoluteMa, 'mA'),
        },
      },
    ];
  });

/** Whether a socket of the board can be reached from a node through lamps alone, entering each at `leg`'s far side. */
function bareEnd(context: RuleContext, from: NodeId, leg: 'anode' | 'cathode'): boolean {
  const seen = new Set([from]);
  const open = [from];
  const far = leg === 'cathode' ? legName('anode') : legName('cathode');
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    if (context.netlist.nodes[node]!.pins.length > 0) return true;
    for (const lamp of lampsOf(context))
      if (nodeOfLeg(context.netlist, lamp.ref, legName(leg)) === node) {
        const next = nodeOfLeg(context.netlist, lamp.ref, far);
        if (!seen.has(next)) {
          seen.add(next);
          open.push(next);
        }
      }
  }
  return false;
}

/** Pins that must give more than they should. A short has a finding of its own. */
export const pinOvercurrent: Rule = (context) => {
  const { board, states, netlist, wiring } = context;
  const worst = new Map<string, number>();
  for (const { point } of states)
    for (const [pin, { currentMa }] of point.pins)
      worst.set(pin, Math.max(worst.get(pin) ?? 0, Math.abs(currentMa)));
  return [...worst].flatMap(([pin, currentMa]): readonly Observation[] => {
    const node = netlist.nodes.find((candidate) => candidate.pins.includes(pin));
    if (currentMa <= board.drive.recommendedMa || !node || node.pins.length > 1) return [];
    const refs = [...new Set(node.terminals.map((terminal) => terminal.ref as string))].filter((ref) =>
      circuitParts(wiring).some((part) => part.ref === ref),
    );
    const limit =
      currentMa > board.drive.absoluteMa
        ? `it breaks above ${board.drive.absoluteMa} mA`
        : `it should give ${board.drive.recommendedMa} mA at most`;
    return [
      {
        code: 'pin-overcurrent',
        severity: 'risk',
        refs,
        at: wiring.board ? [`${wiring.board.ref}.${pin}`] : [],
        message: `Pin ${pin} has to give ${milliamps(currentMa)}; ${limit}.`,
        hints: [
          `How much current does pin ${pin} give, and how much should it?`,
          `${milliamps(currentMa)} flow from pin ${pin}; the resistance in its path is too small.`,
          `Unplug the board and put a larger resistor into the path of pin ${pin}.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          limitMa: quantity(board.drive.recommendedMa, 'mA'),
        },
      },
    ];
  });
};
