import type { PinDrive, PinDrives } from '../electrics/bench';
import type { KeyedStates, SolvedCircuit } from '../rehearsal/solved-circuit';
import type { Trace } from '../rehearsal/trace';
import type { Circuit } from '../wiring/circuit';
import { looksLikeInput } from '../wiring/inputs';
import { contactStates, extremeStates } from './states';
import type { SolvedState } from './subject';

/** States of a run in which a pin works against a knob that are looked at. */
const MOST_DRIVEN = 4;

/**
 * The states that rules look at: those that occurred; and where the program drives none of the wired
 * pins, each of these high in turn, as a program that meets the wiring would do.
 */
export function statesOf(solved: SolvedCircuit, traces: readonly Trace[]): readonly SolvedState[] {
  const { circuit } = solved;
  const wired = circuit.wiredSignals;
  const occurred = traces.flatMap((trace) => trace.states);
  const active = (drives: PinDrives): boolean => wired.some((pin) => isDriven(drives, pin));
  const assumed: readonly PinDrives[] = occurred.some(active)
    ? []
    : wired
        .filter((pin) => !looksLikeInput(circuit, pin))
        .map((pin) => new Map<string, PinDrive>([[pin, { mode: 'high' }]]));
  const contacts = contactStates(circuit).map((states) => solved.keyed(states));
  const extremes = extremeStates(circuit).map((states) => solved.keyed(states));
  const solve = (drives: PinDrives, parts: KeyedStates): SolvedState => ({
    drives,
    parts: parts.states,
    point: solved.at(drives, parts),
  });
  return [
    ...[...occurred, new Map(), ...assumed].flatMap((drives) =>
      contacts.map((parts) => solve(drives, parts)),
    ),
    // At the ends of their travel, knobs and sensors show what they lead to where it does not belong.
    ...extremes.map((parts) => solve(new Map(), parts)),
    // A pin that a knob or a sensor leads to and that is driven all the same works against it, hardest at its ends.
    ...occurred
      .filter((drives) => knobPins(circuit).some((pin) => isDriven(drives, pin)))
      .slice(0, MOST_DRIVEN)
      .flatMap((drives) => extremes.map((parts) => solve(drives, parts))),
  ];
}

const isDriven = (drives: PinDrives, pin: string): boolean =>
  ['high', 'low', 'pwm'].includes(drives.get(pin)?.mode ?? 'input');

/** Signal pins with a leg of a part on them whose travel has two ends. */
const knobPins = (circuit: Circuit): readonly string[] => {
  const ends = new Set(extremeStates(circuit).flatMap((states) => [...states.keys()]));
  return circuit.wiredSignals.filter((pin) =>
    circuit.partsAt(circuit.nodeOfPin(pin)!.id).some(({ ref }) => ends.has(ref)),
  );
};
