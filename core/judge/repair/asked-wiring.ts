import { isSupplySocket } from '../../boards';
import type { Exercise } from '../../formats/exercise';
import type { Trace } from '../../rehearsal/trace';
import { Circuit } from '../../wiring/circuit';
import { findPart, type PlacedPart, type Point, type Wiring } from '../../wiring/wiring';
import type { Match } from '../match';

/** What is known of a build whose wiring is to be mended. */
interface Known {
  readonly circuit: Circuit;
  readonly match: Match;
  readonly pairs: ReadonlyMap<string, PlacedPart>;
  readonly traces: readonly Trace[];
}

/**
 * The reference wiring on the pins that a build has them on, where the exercise leaves these free: the pin that the
 * part is on, else one that something is plugged into, else one that the program drives. The very reference where
 * these are its own.
 */
export function askedWiring(exercise: Exercise, { circuit, match, pairs, traces }: Known): Wiring {
  const asked = new Circuit(exercise.reference, exercise.board);
  const chosen = new Map<string, string>();
  const plugged = circuit.nodes.flatMap(({ id }) => circuit.signalsAt(id));
  const driven = traces.flatMap((trace) => [
    ...trace.pins.keys(),
    ...trace.reads.keys(),
    ...trace.undirected.map(({ pin }) => pin),
  ]);
  const ways: readonly ((pin: string) => readonly string[])[] = [
    (pin) => [match.pins.get(pin) ?? ''],
    (pin) =>
      (asked.nodeOfPin(pin)?.terminals ?? []).flatMap(({ ref, leg }) => {
        const part = pairs.get(ref);
        return part && findPart(circuit.wiring, part.ref)?.legs.some((placed) => placed.leg === leg)
          ? circuit.signalsAt(circuit.nodeOf(part, leg))
          : [];
      }),
    (pin) => (plugged.includes(pin) ? [pin] : []),
    () => plugged,
    () => driven,
  ];
  for (const way of ways)
    for (const [pin, choices] of exercise.pinFreedom) {
      if (chosen.has(pin)) continue;
      const taken = new Set(chosen.values());
      const choice = way(pin).find((candidate) => choices.includes(candidate) && !taken.has(candidate));
      if (choice !== undefined) chosen.set(pin, choice);
    }
  if ([...chosen].every(([pin, choice]) => pin === choice)) return exercise.reference;
  const renamed = (at: Point | null): Point | null =>
    at?.type === 'pin' && !isSupplySocket(exercise.board, at.pin)
      ? { ...at, pin: chosen.get(at.pin) ?? at.pin }
      : at;
  return {
    ...exercise.reference,
    parts: exercise.reference.parts.map((part) => ({
      ...part,
      legs: part.legs.map((leg) => ({ ...leg, at: renamed(leg.at) })),
    })),
  };
}
