import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { equivalentsOf } from '../testing/equivalents';
import { sampled } from '../testing/samples';
import { trialExercises } from '../testing/trials/exercises';
import { buildFor } from './build';
import { check } from './check';

const exercises = [...trialExercises, ...courseExercises].map(
  ({ name, exercise }) => [name, exercise] as const,
);

describe('a build that looks unlike the reference and is as right', () => {
  test.each(exercises)('passes in %s', (_, exercise) => {
    // All of them are tried by npm run accuracy.
    const few = sampled(equivalentsOf(exercise).filter((_one, index) => index % 4 === 2));
    expect(few.length).toBeGreaterThan(0);
    for (const { sort, wiring, program } of few) {
      const { verdict, findings } = check(exercise, buildFor(exercise, wiring, program, grammars), grammars);
      const said = findings.map(({ code, message }) => `${code}: ${message}`).join('\n');
      expect(hasPassed(verdict), `${sort}: ${verdict}\n${said}\n${program}`).toBe(true);
    }
  });
});
