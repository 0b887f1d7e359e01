import { asksForProgram, type Exercise } from '../../formats/exercise';
import { randomFrom } from '../../random';
import type { Equivalent } from './equivalent';
import { otherPrograms } from './programs';
import { otherWirings } from './wirings';

export type { Equivalent } from './equivalent';

/** Builds of an exercise that look unlike its reference and are as right: the same ones each time. */
export function equivalentsOf(exercise: Exercise): readonly Equivalent[] {
  const wirings = [...otherWirings(exercise, randomFrom(16))];
  const programs = asksForProgram(exercise) ? [...otherPrograms(exercise)] : [];
  // Another wiring with another program, one for each of the fewer.
  const both = wirings.flatMap((one, index): readonly Equivalent[] => {
    const other = programs[(index * 7) % Math.max(1, programs.length)];
    return other && one.program === exercise.data.program
      ? [{ sort: 'another wiring and another program', wiring: one.wiring, program: other.program }]
      : [];
  });
  return [...wirings, ...programs, ...both];
}
