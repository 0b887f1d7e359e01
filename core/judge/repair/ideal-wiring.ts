import { referencePins, type Exercise } from '../../formats/exercise';
import type { Trace } from '../../rehearsal/trace';
import type { Point, Wiring } from '../../wiring/wiring';
import { isSupplySocket } from '../../boards';

/** The reference wiring with the pins that a program's runs use, where the exercise leaves them free. */
export function wiringFor(exercise: Exercise, traces: readonly Trace[]): Wiring {
  const driven = traces.flatMap((trace) => [...trace.pins.keys(), ...trace.undirected.map(({ pin }) => pin)]);
  const rename = new Map<string, string>();
  for (const pin of referencePins(exercise)) {
    const choices = exercise.pinFreedom.get(pin);
    const choice = driven.includes(pin)
      ? pin
      : choices?.find((candidate) => driven.includes(candidate) && ![...rename.values()].includes(candidate));
    if (choice !== undefined) rename.set(pin, choice);
  }
  const renamed = (at: Point | null): Point | null =>
    at?.type === 'pin' && !isSupplySocket(exercise.board, at.pin)
      ? { ...at, pin: rename.get(at.pin) ?? at.pin }
      : at;
  return {
    ...exercise.reference,
    parts: exercise.reference.parts.map((part) => ({
      ...part,
      legs: part.legs.map((leg) => ({ ...leg, at: renamed(leg.at) })),
    })),
  };
}
