import { isContact } from '../parts';
import { prepareBench, type PartStates, type PinDrive, type PinDrives } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import type { Observation } from '../finding';
import type { Exercise } from '../formats/exercise';
import { netlistOf, type Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';
import { lampCurrents, lampBands } from './bands';
import { comparedLegs, missingPulls, sharedPins } from './compare-legs';
import { comparedParts } from './compare';
import { layoutConventions } from './conventions';
import { circuitGraph, isSupplyPin } from './graph';
import { matchCircuits, type Match } from './match';
import { byCause } from './order';
import { wiringRules, type SolvedState } from './rules';
import { slips } from './slips';
import { contactStates, extremeStates, looksLikeInput } from './states';

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
  const netlist = netlistOf(wiring);
  const reference = circuitGraph(exercise.reference, netlistOf(exercise.reference));
  const match = matchCircuits(
    { wiring: exercise.reference, graph: reference },
    { wiring, graph: circuitGraph(wiring, netlist) },
    exercise.board,
    exercise.pinFreedom,
  );
  const states = assumedStates(exercise, wiring, netlist);
  const context = {
    wiring,
    netlist,
    bench: prepareBench(wiring, netlist),
    board: exercise.board,
    states,
    floatingPins: undefined,
    usesSerial: false,
  };
  const comparison = { exercise, wiring, match, states };
  const observations = [
    ...(match.same ? [] : slips(exercise, reference, wiring)),
    ...wiringRules.flatMap((rule) => rule(context)),
    ...comparedParts(comparison),
    ...comparedLegs(comparison),
    ...sharedPins(comparison),
    ...missingPulls(comparison),
    ...layoutConventions(comparison),
    ...lampCurrents(comparison, lampBands(exercise)),
  ];
  return { observations: byCause(observations), match };
}

/** Pins of which each is also tried alone. */
const MOST_ALONE = 24;

/**
 * States that a program could bring about: all outputs high, all low, each alone high; inputs are held
 * as the exercise holds them. Each with every state of the contacts, the first also with knobs and
 * sensors at their ends.
 */
function assumedStates(exercise: Exercise, wiring: Wiring, netlist: Netlist): readonly SolvedState[] {
  const signals = netlist.nodes.flatMap((node) =>
    node.terminals.length > 0 || node.pins.length > 1
      ? node.pins.filter((pin) => !isSupplyPin(exercise.board, pin))
      : [],
  );
  // What the exercise says of a pin holds; of others their nodes tell, and a bare wire drives nothing.
  const asked = netlistOf(exercise.reference);
  const inputs = signals.filter((pin) =>
    asked.nodes.some((node) => node.pins.includes(pin))
      ? looksLikeInput(exercise.reference, asked, pin)
      : looksLikeInput(wiring, netlist, pin) || isBare(netlist, pin),
  );
  const outputs = signals.filter((pin) => !inputs.includes(pin));
  const held = inputs.map((pin): [string, PinDrive] => [
    pin,
    { mode: isPulledInside(exercise) && isContactOnly(wiring, netlist, pin) ? 'pullup' : 'input' },
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
    point: solveBench(prepareBench(wiring, netlist, { states: parts }), pins),
  });
  const contacts = contactStates(wiring);
  return [
    ...drives.flatMap((pins) => contacts.map((parts) => solve(pins, parts))),
    ...extremeStates(wiring).map((parts) => solve(drives[0]!, parts)),
  ];
}

/** Whether nothing but a supply is on a pin's node. */
const isBare = (netlist: Netlist, pin: string): boolean =>
  netlist.nodes.some((node) => node.pins.includes(pin) && node.terminals.length === 0);

/** Whether the exercise leaves its buttons to the pull-ups inside the board. */
function isPulledInside({ reference, board }: Exercise): boolean {
  const netlist = netlistOf(reference);
  return netlist.nodes.some((node) =>
    node.pins.some((pin) => !isSupplyPin(board, pin) && isContactOnly(reference, netlist, pin)),
  );
}

/** Whether only contacts are on a pin's node: nothing else holds it. */
function isContactOnly(wiring: Wiring, netlist: Netlist, pin: string): boolean {
  const node = netlist.nodes.find((candidate) => candidate.pins.includes(pin));
  return (
    node !== undefined &&
    node.terminals.length > 0 &&
    node.terminals.every(({ ref }) => wiring.parts.some((part) => part.ref === ref && isContact(part)))
  );
}
