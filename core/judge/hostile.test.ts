import { describe, expect, test } from 'vitest';
import { effortLeft, within } from '../effort';
import { languageOf } from '../formats/exercise';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { hostilePrograms } from '../testing/hostile-programs';
import { mutatedBuilds } from '../testing/mutated-builds';
import { sampled, samples } from '../testing/samples';
import { check } from './check';

const exerciseFor = { cpp: 'night-bell', python: 'beacon-python' } as const;
/** Units of work that a check may take in all, its program's reading included. */
const MOST = 4.2e9;

/** A check with the work that it took. */
function measured(work: () => ReturnType<typeof check>): {
  readonly verdict: string;
  readonly taken: number;
} {
  const whole = within(1e15, () => {
    const before = effortLeft();
    const { verdict, findings } = work();
    if (verdict !== 'as-drawn' && verdict !== 'works-differently')
      expect(findings.some(({ cause }) => cause)).toBe(true);
    return { verdict, taken: before - effortLeft() };
  });
  if (!whole.ended) throw new Error('no check takes so much');
  return whole.value;
}

describe('a program that wants all there is', () => {
  test.each(sampled(hostilePrograms).map(({ name, language, source }) => [language, name, source] as const))(
    'in %s, %s, is judged within the bounds of a check',
    (language, name, source) => {
      const { exercise } = courseExercises.find((one) => one.name === exerciseFor[language])!;
      const failures: unknown[] = [];
      const { verdict, taken } = measured(() => {
        const program = compileProgram(source, exercise.board, grammars, languageOf(exercise));
        return check(exercise, { wiring: exercise.reference, program }, grammars, {
          onFailure: (error) => failures.push(error),
        });
      });
      expect(['does-not-work', 'cannot-tell', 'works-at-risk']).toContain(verdict);
      expect(taken, name).toBeLessThan(MOST);
      expect(failures).toEqual([]);
    },
  );
});

describe('a build that was hit by accident', () => {
  /** `npm run endurance` takes 5,000. */
  const builds = mutatedBuilds(13, samples(200));

  test('is judged within the bounds of a check, whatever the exercise', () => {
    for (const { what, exercise, wiring, source } of builds) {
      let failure: unknown;
      const { taken } = measured(() => {
        const program = compileProgram(source, exercise.board, grammars, languageOf(exercise));
        return check(exercise, { wiring, program }, grammars, { onFailure: (error) => (failure = error) });
      });
      expect(failure, what).toBeUndefined();
      expect(taken, what).toBeLessThan(MOST);
    }
  });
});
