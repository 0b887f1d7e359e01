import { isSupplyPin } from '../graph';
import { quantity, type Observation } from '../../finding';
import { milliamps } from '../../units';
import type { CircuitNode } from '../../wiring/netlist';
import type { Rule, RuleContext } from './context';

const wiresOf = (node: CircuitNode): string[] => [...new Set(node.wireEnds.map((end) => end.ref as string))];

/** Supply and ground on one node. */
export const supplyShort: Rule = ({ netlist, board }) =>
  netlist.nodes.flatMap((node): readonly Observation[] => {
    const supplies = board.supplies.filter((supply) => node.pins.includes(supply.name));
    const ground = supplies.find((supply) => supply.role === 'ground');
    const fed = supplies.find((supply) => supply.role === 'supply');
    if (!ground || !fed) return [];
    const wires = wiresOf(node);
    const currentMa = ((fed.volts ?? 0) / (fed.sourceOhms || 0.1)) * 1e3;
    return [
      {
        code: 'supply-short',
        severity: 'fault',
        refs: wires,
        at: [...node.points],
        message: `Supply ${fed.name} and ground ${ground.name} are joined directly${wires.length > 0 ? ` by ${wires.join(' and ')}` : ''}. Unplug the board before anything else: the current would be as large as the supply can give.`,
        hints: [
          `Is the board unplugged? Then trace the wire from ${fed.name}: where does it end?`,
          `${fed.name} and ${ground.name} meet at ${node.points.slice(0, 3).join(', ')}.`,
          `Unplug the board and take away the wire that joins ${fed.name} and ${ground.name}.`,
        ],
        evidence: { currentMa: quantity(currentMa, 'mA') },
      },
    ];
  });

/** A driven signal pin that is tied to a supply, to ground, or to another driven pin. */
export const pinShort: Rule = (context) => {
  const { netlist, board } = context;
  const found: Observation[] = [];
  for (const node of netlist.nodes) {
    const signals = node.pins.filter((pin) => !isSupplyPin(board, pin));
    const [pin] = signals;
    if (pin === undefined || node.pins.length < 2) continue;
    const other = node.pins.find((name) => name !== pin)!;
    const currentMa = largestCurrent(context, signals);
    if (currentMa <= board.drive.absoluteMa) continue;
    const wires = wiresOf(node);
    found.push({
      code: 'pin-short',
      severity: 'fault',
      refs: wires,
      at: node.points.filter((point) => /^[A-Z]+\d*\.(?:\d+|A\d+|GND|5V|3V3)$/.test(point)),
      message: `Pin ${pin} is joined to ${isSupplyPin(board, other) ? other : `pin ${other}`} with no part between. When the pin is switched, ${milliamps(currentMa)} flow; the pin stands ${board.drive.absoluteMa} mA.`,
      hints: [
        `Trace the path from pin ${pin} with a finger. Which part does the current pass before it is back at the board?`,
        `Pin ${pin} and ${other} are on one node${wires.length > 0 ? `, joined by ${wires.join(' and ')}` : ''}.`,
        `Unplug the board, then move the wire so that pin ${pin} only reaches the part it drives.`,
      ],
      evidence: { currentMa: quantity(currentMa, 'mA'), limitMa: quantity(board.drive.absoluteMa, 'mA') },
    });
  }
  return found;
};

const largestCurrent = ({ states }: RuleContext, pins: readonly string[]): number =>
  Math.max(
    0,
    ...states.flatMap(({ point }) => pins.map((pin) => Math.abs(point.pins.get(pin)?.currentMa ?? 0))),
  );
