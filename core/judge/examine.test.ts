import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { languageOf } from '../formats/exercise';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { examine, Examiner } from './examine';
import { referenceOf } from './reference';

const exerciseOf = (id: string) => courseExercises.find(({ name }) => name === id)!.exercise;
const programsOf = (id: string) => {
  const exercise = exerciseOf(id);
  const sources = readdirSync(`demo/faults/${id}`)
    .filter((name) => /\.(cpp|py)$/.test(name))
    .map((name) => readFileSync(`demo/faults/${id}/${name}`, 'utf8'));
  return [exercise.data.program, ...sources].map((source) =>
    compileProgram(source, exercise.board, grammars, languageOf(exercise)),
  );
};
const LIMITS = Array.from({ length: 3 }, () => ({ steps: 300_000 }));

describe.each(['beacon', 'night-bell', 'dusk-switch', 'signal-lantern', 'lock-gate', 'beacon-python'])(
  'checks of %s, one after another',
  (id) => {
    const reference = referenceOf(exerciseOf(id), grammars);
    const examiner = new Examiner(reference);
    const { reference: wiring } = exerciseOf(id);

    test('say the same as each by itself, in whatever order', () => {
      for (const program of [...programsOf(id), ...programsOf(id).reverse()]) {
        const { verdict, observations, scenarios } = examiner.examine({ wiring, program });
        const alone = examine(reference, { wiring, program });
        expect({ verdict, observations, scenarios }).toEqual({
          verdict: alone.verdict,
          observations: alone.observations,
          scenarios: alone.scenarios,
        });
      }
    });

    test('work the circuit out once', () => {
      const [program] = programsOf(id);
      examiner.examine({ wiring, program: program! });
      const { traces } = examiner.examine({ wiring, program: program! });
      expect(traces.map(({ solutions }) => solutions)).toEqual(traces.map(() => 0));
    });

    test('a first look fails only what the full check fails, and ends with the first scenario that does', () => {
      for (const program of programsOf(id)) {
        const full = examine(reference, { wiring, program });
        const all = examiner.screen({ wiring, program }, LIMITS, 'end');
        const unmet = full.scenarios.flatMap(({ expectations }) => expectations.filter((one) => !one.passed));
        if (program.compiled) expect(all.unmet).toBe(unmet.length);
        else expect(all.unmet).toBeGreaterThan(0);
        const first = examiner.screen({ wiring, program }, LIMITS, 'first failure');
        expect(first.unmet > 0).toBe(all.unmet > 0);
        const failing = full.scenarios.findIndex(({ expectations }) =>
          expectations.some((one) => !one.passed),
        );
        if (program.compiled && failing >= 0) expect(first.traces.length).toBe(failing + 1);
      }
    });
  },
);
