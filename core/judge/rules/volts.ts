import { socketsOf } from '../places';
import { quantity, type Observation } from '../../findings/finding';
import { AT_REST, isPowerSource, kindOf } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { capital } from '../../words/words';

/** Volts by which an input may lie above its board's supply before that is a mismatch. */
const ABOVE_VOLTS = 0.35;

/** Voltages where they do not belong: at pins, power sockets, modules and capacitors. */
export const voltageMismatch: WiringRule = (built) => [
  ...tooHighAtPins(built),
  ...powerSockets(built),
  ...moduleSupplies(built),
  ...overRated(built),
];

function tooHighAtPins({ states, board, circuit }: Built): readonly Observation[] {
  const highest = new Map<string, { volts: number; currentMa: number }>();
  for (const { drives, point } of states)
    for (const [pin, { volts, currentMa }] of point.pins) {
      const mode = drives.get(pin)?.mode ?? 'input';
      if (volts === null || mode === 'high' || mode === 'low' || mode === 'pwm') continue;
      if (volts > (highest.get(pin)?.volts ?? board.logicVolts + ABOVE_VOLTS))
        highest.set(pin, { volts, currentMa });
    }
  return [...highest].map(([pin, { volts, currentMa }]) => ({
    code: 'voltage-mismatch' as const,
    severity: 'risk' as const,
    refs: partsAtPin(circuit, pin),
    at: socketsOf(circuit, pin),
    message: `Pin ${pin} gets ${volts.toFixed(1)} V. The board works at ${board.logicVolts} V; more than that damages its pins.`,
    hints: [
      `What voltage does pin ${pin} stand, and where does its wire come from?`,
      `There is ${volts.toFixed(1)} V on pin ${pin}, which can take ${board.logicVolts} V.`,
      `Feed the part from ${board.logicVolts} V, or divide its voltage with two resistors.`,
    ] as [string, string, string],
    evidence: {
      volts: quantity(volts, 'V'),
      limitVolts: quantity(board.logicVolts, 'V'),
      currentMa: quantity(-currentMa, 'mA'),
    },
  }));
}

function powerSockets({ board, circuit, states }: Built): readonly Observation[] {
  return board.supplies.flatMap((socket): readonly Observation[] => {
    const node = circuit.nodeOfPin(socket.name);
    if (socket.role === 'ground' || !node) return [];
    const volts = Math.max(...states.map(({ point }) => point.volts[node.id] ?? 0));
    const sources = circuit.partsAt(node.id).filter(isPowerSource);
    const [low, high] =
      socket.role === 'input' ? socket.volts.recommended : [socket.volts * 0.94, socket.volts * 1.06];
    const refs = sources.map(({ ref }) => ref as string);
    if (socket.role === 'input' ? volts < 0.1 : refs.length === 0) return [];
    // A supply that a battery works against shows its own volts less than the battery's open ones.
    const given = Math.max(volts, ...sources.map((part) => part.value.amount ?? 0));
    if (given >= low && given <= high) return [];
    const outside =
      socket.role === 'input' && (given < socket.volts.absolute[0] || given > socket.volts.absolute[1]);
    return [
      {
        code: 'voltage-mismatch',
        severity: outside && given < low ? 'fault' : 'risk',
        refs,
        at: socketsOf(circuit, socket.name),
        message: `${socket.name} gets ${given.toFixed(1)} V; it should get ${low.toFixed(1)} V to ${high.toFixed(1)} V.`,
        hints: [
          `What voltage does the socket ${socket.name} need?`,
          `${given.toFixed(1)} V is connected to ${socket.name}.`,
          `Use another battery, or another socket of the board.`,
        ],
        evidence: {
          volts: quantity(given, 'V'),
          lowestVolts: quantity(low, 'V'),
          highestVolts: quantity(high, 'V'),
        },
      },
    ];
  });
}

function moduleSupplies(built: Built): readonly Observation[] {
  return built.circuit.parts.flatMap((part): readonly Observation[] => {
    const { supplyLegs, ratings } = kindOf(part.kind);
    const range = ratings?.supplyVolts;
    if (!supplyLegs || !range) return [];
    const [plus, minus] = [supplyLegs.plus, supplyLegs.minus].map((leg) => built.circuit.nodeOf(part, leg));
    const across = built.states.flatMap(({ point }) => {
      const [high, low] = [point.volts[plus!], point.volts[minus!]];
      return high === null || high === undefined || low === null || low === undefined ? [] : [high - low];
    });
    const volts = Math.max(0, ...across);
    // Without any supply it is an open leg; half alive it is not a matter of the range either.
    if (volts < 1 || built.circuit.side(minus!) === undefined) return [];
    if (volts >= range[0] * 0.97 && volts <= range[1] * 1.03) return [];
    return [
      {
        code: 'voltage-mismatch',
        // One that gets too little may go well on the desk, and not in a warm room.
        severity: 'risk',
        refs: [part.ref],
        at: [],
        message: `${capital(partText(part))} is fed with ${volts.toFixed(1)} V; it works from ${range[0]} V to ${range[1]} V.`,
        hints: [
          `What supply does ${partText(part)} need?`,
          `There is ${volts.toFixed(1)} V between its supply and its ground.`,
          `Feed ${part.ref} with ${range[0]} V to ${range[1]} V.`,
        ],
        evidence: {
          volts: quantity(volts, 'V'),
          lowestVolts: quantity(range[0], 'V'),
          highestVolts: quantity(range[1], 'V'),
        },
      },
    ];
  });
}

/** Capacitors with more across them than is printed on them. */
function overRated(built: Built): readonly Observation[] {
  return built.circuit.parts.flatMap((part): readonly Observation[] => {
    const { elements, ratings } = kindOf(part.kind);
    const stores = elements(part.value, AT_REST).some(({ type }) => type === 'capacitor');
    if (!stores || ratings?.volts === undefined) return [];
    const [one, other] = built.circuit.nodesOf(part);
    const across = Math.max(
      0,
      ...built.states.map(({ point }) => Math.abs((point.volts[one!] ?? 0) - (point.volts[other!] ?? 0))),
    );
    if (across <= ratings.volts) return [];
    return [
      {
        code: 'voltage-mismatch',
        severity: 'risk',
        refs: [part.ref],
        at: [],
        message: `${capital(partText(part))} has ${across.toFixed(1)} V across it; it can take ${ratings.volts} V.`,
        hints: [
          `What voltage is printed on ${part.ref}?`,
          `There is ${across.toFixed(1)} V between its legs.`,
          `Use a capacitor rated for a higher voltage, or a lower supply.`,
        ],
        evidence: { volts: quantity(across, 'V'), limitVolts: quantity(ratings.volts, 'V') },
      },
    ];
  });
}

const partsAtPin = (circuit: Circuit, pin: string): string[] => {
  const node = circuit.nodeOfPin(pin);
  return node ? circuit.partsAt(node.id).map(({ ref }) => ref) : [];
};
