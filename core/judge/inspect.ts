import { prepareBench, type PartStates, type PinDrive, type PinDrives } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import type { Observation } from '../findings/finding';
import { byCause } from '../findings/order';
import { referencePins, type Exercise } from '../formats/exercise';
import { isContact } from '../parts';
import { Circuit } from '../wiring/circuit';
import { looksLikeInput } from '../wiring/inputs';
import type { Wiring } from '../wiring/wiring';
import { ledBands } from './led-bands';
import { correspondence } from './compare';
import { comparison, reduced, type Match } from './match';
import { observationsOn } from './rules';
import { contactStates, extremeStates } from './states';
import type { SolvedState } from './subject';

/** What is found in a wiring without a program. */
export interface Inspection {
  /** Findings, likeliest cause first. */
  readonly observations: readonly Observation[];
  /** Whether the circuit is that of the exercise within what it leaves free. */
  readonly match: Match;
}

/**
 * Looks at a wiring as it lies on the bench, before any program: over every state of its buttons and
 * switches, and over what a program could do with its pins.
 */
export function inspect(exercise: Exercise, wiring: Wiring): Inspection {
  const { board } = exercise;
  const [asked, circuit] = [exercise.reference, wiring].map((one) => new Circuit(one, board)) as [
    Circuit,
    Circuit,
  ];
  const reference = reduced(asked);
  const { match, compared } = comparison(reference, circuit, exercise);
  const observations = observationsOn({
    built: {
      circuit,
      bench: prepareBench(circuit),
      board,
      states: assumedStates(asked, circuit),
      floatingPins: undefined,
      usesSerial: false,
    },
    asked: {
      exercise,
      reference,
      circuit: asked,
      pins: referencePins(exercise),
      ledBands: ledBands(exercise),
      condoned: new Set(),
      match,
      compared,
      pairs: correspondence(asked, compared.circuit, match),
    },
  });
  return { observations: byCause(observations), match };
}

/** Pins of which each is also tried alone. */
const MOST_ALONE = 24;

/**
 * States that a program could bring about: all outputs high, all low, each alone high; inputs are held
 * as the exercise holds them. Each with every state of the contacts, the first also with potentiometers and
 * sensors at their ends.
 */
function assumedStates(asked: Circuit, circuit: Circuit): readonly SolvedState[] {
  const signals = circuit.wiredSignals;
  // What the exercise says of a pin holds; of others their nodes tell, and a bare wire drives nothing.
  const inputs = signals.filter((pin) =>
    asked.nodeOfPin(pin)
      ? looksLikeInput(asked, pin)
      : looksLikeInput(circuit, pin) || circuit.nodeOfPin(pin)?.terminals.length === 0,
  );
  const outputs = signals.filter((pin) => !inputs.includes(pin));
  const held = inputs.map((pin): [string, PinDrive] => [
    pin,
    { mode: isPulledInside(asked) && isContactOnly(circuit, pin) ? 'pullup' : 'input' },
  ]);
  const driven = (level: (pin: string) => 'high' | 'low'): PinDrives =>
    new Map([...held, ...outputs.map((pin): [string, PinDrive] => [pin, { mode: level(pin) }])]);
  const drives = [
    driven(() => 'high'),
    driven(() => 'low'),
    ...(outputs.length > 1
      ? outputs.slice(0, MOST_ALONE).map((alone) => driven((pin) => (pin === alone ? 'high' : 'low')))
      : []),
  ];
  const solve = (pins: PinDrives, parts: PartStates): SolvedState => ({
    drives: pins,
    parts,
    point: solveBench(prepareBench(circuit, { states: parts }), pins),
  });
  const contacts = contactStates(circuit);
  return [
    ...drives.flatMap((pins) => contacts.map((parts) => solve(pins, parts))),
    ...extremeStates(circuit).map((parts) => solve(drives[0]!, parts)),
  ];
}

/** Whether an exercise leaves its buttons to the pull-ups inside the board. */
const isPulledInside = (asked: Circuit): boolean =>
  asked.wiredSignals.some((pin) => isContactOnly(asked, pin));

/** Whether only contacts are on a pin's node: nothing else holds it. */
function isContactOnly(circuit: Circuit, pin: string): boolean {
  const node = circuit.nodeOfPin(pin);
  return node !== undefined && node.terminals.length > 0 && circuit.partsAt(node.id).every(isContact);
}
