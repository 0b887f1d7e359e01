import { socketsOf } from '../places';
import { quantity, type Observation } from '../../findings/finding';
import { milliamps } from '../../units';
import type { Built, WiringRule } from '../subject';

/** A sum of pin currents and what it may be. */
interface Load {
  readonly what: string;
  readonly pins: readonly string[];
  readonly currentMa: number;
  readonly limitMa: number;
}

/** Groups of pins, and all pins together, that must give or take more than the controller stands. */
export const portOvercurrent: WiringRule = (built) => {
  const { board, circuit, states } = built;
  const least = Math.min(
    board.drive.totalMa,
    board.drive.portSourceMa ?? Infinity,
    board.drive.portSinkMa ?? Infinity,
  );
  const busiest = Math.max(
    0,
    ...states.map(({ point }) =>
      [...point.pins.values()].reduce((sum, { currentMa }) => sum + Math.abs(currentMa), 0),
    ),
  );
  if (busiest <= least) return [];
  const ports = [...new Set(board.pins.flatMap(({ port }) => (port === undefined ? [] : [port])))];
  const loads = ports.flatMap((port): readonly Load[] => {
    const pins = board.pins.filter((pin) => pin.port === port).map((pin) => pin.name);
    return [
      worst(built, pins, `the pins of port ${port} have to give`, 1, board.drive.portSourceMa),
      worst(built, pins, `the pins of port ${port} have to take`, -1, board.drive.portSinkMa),
    ];
  });
  const all = board.pins.map((pin) => pin.name);
  const total = worst(built, all, 'all pins together have to give', 1, board.drive.totalMa);
  const over = [...loads, total].filter(
    ({ currentMa, limitMa, pins }) => currentMa > limitMa && pins.length > 1,
  );
  // One short pin is not a matter of the sum.
  return over
    .filter(({ pins }) => pins.every((pin) => largest(built, pin) <= board.drive.absoluteMa))
    .map(({ what, pins, currentMa, limitMa }): Observation => ({
      code: 'port-overcurrent',
      severity: 'risk',
      refs: [],
      at: socketsOf(circuit, ...pins),
      message: `Added up, ${what} ${milliamps(currentMa)}; they can take ${limitMa} mA. Each pin on its own may be fine; the sum is not.`,
      hints: [
        `Add up the currents of all LEDs that can be lit at once. What do you get?`,
        `${milliamps(currentMa)} flows at pins ${pins.join(', ')} together.`,
        `Use larger resistors, so that the sum stays below ${limitMa} mA.`,
      ],
      evidence: { currentMa: quantity(currentMa, 'mA'), limitMa: quantity(limitMa, 'mA') },
    }))
    .slice(0, 1);
};

const largest = ({ states }: Built, pin: string): number =>
  Math.max(0, ...states.map(({ point }) => Math.abs(point.pins.get(pin)?.currentMa ?? 0)));

function worst(
  { states }: Built,
  pins: readonly string[],
  what: string,
  sign: 1 | -1,
  limitMa: number | undefined,
): Load {
  let load: Load = { what, pins: [], currentMa: 0, limitMa: limitMa ?? Number.POSITIVE_INFINITY };
  for (const { point } of states) {
    const active = pins.filter((pin) => sign * (point.pins.get(pin)?.currentMa ?? 0) > 0.5);
    const currentMa = active.reduce((sum, pin) => sum + sign * point.pins.get(pin)!.currentMa, 0);
    if (currentMa > load.currentMa) load = { ...load, pins: active, currentMa };
  }
  return load;
}

/** Supplies of the board that must give more than they can. A short has a finding of its own. */
export const supplyOvercurrent: WiringRule = ({ states, board, circuit }) =>
  board.supplies.flatMap((supply): readonly Observation[] => {
    if (supply.role !== 'supply' || supply.limitMa === undefined) return [];
    const node = circuit.nodeOfPin(supply.name);
    const isShorted = node && circuit.side(node.id) === 'ground';
    const currentMa = Math.max(0, ...states.map(({ point }) => point.supplies.get(supply.name) ?? 0));
    // What a short draws is bounded only by the supply itself.
    const shortMa = (supply.volts / Math.max(supply.sourceOhms + 0.1, 0.1)) * 1e3;
    if (isShorted || currentMa <= supply.limitMa || currentMa > shortMa * 0.8) return [];
    return [
      {
        code: 'supply-overcurrent',
        severity: 'risk',
        refs: [],
        at: socketsOf(circuit, supply.name),
        message: `The supply ${supply.name} has to give ${milliamps(currentMa)}; it is made for ${supply.limitMa} mA.`,
        hints: [
          `What takes its current from ${supply.name}, and how much is that together?`,
          `${milliamps(currentMa)} flow from ${supply.name}.`,
          `Feed the largest of its loads from a supply of its own, with the grounds joined.`,
        ],
        evidence: { currentMa: quantity(currentMa, 'mA'), limitMa: quantity(supply.limitMa, 'mA') },
      },
    ];
  });
