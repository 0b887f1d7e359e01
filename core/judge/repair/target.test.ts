import { describe, expect, test } from 'vitest';
import { compileProgram } from '../../program';
import { languageOf, type Exercise } from '../../formats/exercise';
import { grammars } from '../../testing/beacon';
import { courseExercises } from '../../testing/course';
import { trialExercises } from '../../testing/trials/exercises';
import { wiringFaults } from '../../faults/wiring';
import type { Wiring } from '../../wiring/wiring';
import { Examiner } from '../examine';
import { referenceOf } from '../reference';
import { askedWiring } from './asked-wiring';
import { Target } from './target';
import { wayTo } from './wiring-search';

const exercises = [...trialExercises, ...courseExercises].map(
  ({ name, exercise }) => [name, exercise] as const,
);

function lookedAt(exercise: Exercise) {
  const examiner = new Examiner(referenceOf(exercise, grammars));
  const program = compileProgram('', exercise.board, grammars, languageOf(exercise));
  return (wiring: Wiring) => {
    const examination = examiner.examine({ wiring, program });
    const drawn = askedWiring(exercise, examination);
    return {
      match: examination.match,
      drawn,
      program,
      target: new Target(exercise, drawn, wiring, examination.pairs),
    };
  };
}

describe('the circuit that is wanted', () => {
  test.each(exercises)('is that of %s as it is laid out', (_, exercise) => {
    const { target } = lookedAt(exercise)(exercise.reference);
    expect(target.distance(exercise.reference)).toBe(0);
    expect(target.missingFrom(exercise.reference)).toEqual([]);
    expect(target.strayIn(exercise.reference)).toEqual([]);
  });

  test.each(exercises)(
    'is reached from any wiring of %s with one slip, and then is the same circuit',
    (_, exercise) => {
      const look = lookedAt(exercise);
      for (const { sort, what, wiring } of [...wiringFaults(exercise)].filter(
        (_one, index) => index % 5 === 0,
      )) {
        const { match, drawn, target, program } = look(wiring);
        const where = `${sort}: ${what}`;
        // Two ways to ask whether it is the same circuit: by its pieces, and by matching.
        if (match.same) expect(target.look(wiring).isRight, where).toBe(true);
        const way = wayTo([target], { wiring, program }, drawn, exercise.board);
        // Where parts were taken for one another, another pairing finds the way.
        if (!way) continue;
        expect(target.distance(way.build.wiring), where).toBe(0);
        expect(look(way.build.wiring).match.same, where).toBe(true);
      }
    },
  );
});
