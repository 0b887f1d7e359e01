import { describe, expect, test } from 'vitest';
import { expectationSentence, readExpectation } from '../expectations';
import { readStimulus, stimulusSentence } from '../stimuli';
import type { Scenario } from '../formats/scenario';
import { examine } from '../judge/examine';
import { referenceOf } from '../judge/reference';
import { referenceBuild } from '../judge/build';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { proposedScenarios, stillWrong } from './proposals';
import { everyTime } from './shown';

const exerciseOf = (id: string) => courseExercises.find(({ name }) => name === id)!.exercise;
const proposalsOf = (id: string) => proposedScenarios(exerciseOf(id), grammars);
const saidOf = (id: string, name: string): readonly string[] | undefined =>
  proposalsOf(id)
    .find(({ scenario }) => scenario.name === name)
    ?.scenario.expect.map(expectationSentence);

describe('proposed scenarios', () => {
  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    'of %s hold on its reference, every time but for what is said to vary, and are read again from their sentences',
    (_, exercise) => {
      const proposals = proposedScenarios(exercise, grammars);
      expect(proposals.length).toBeGreaterThan(0);
      const resultsOf = (scenarios: readonly Scenario[]) =>
        examine(
          referenceOf({ ...exercise, data: { ...exercise.data, scenarios: [...scenarios] } }, grammars),
          referenceBuild(exercise, grammars),
        ).scenarios;
      resultsOf(proposals.map(({ scenario }) => scenario)).forEach(({ expectations, passed }, index) => {
        expect(expectations.filter((one) => !one.passed)).toEqual([]);
        expect(passed).toBe(proposals[index]!.varying.length === 0);
      });
      const asked = proposals.flatMap((proposal) => everyTime(proposal) ?? []);
      for (const { name, passed } of resultsOf(asked)) expect([name, passed]).toEqual([name, true]);
      for (const { scenario } of proposals) {
        for (const claim of scenario.expect)
          expect(readExpectation(expectationSentence(claim))).toMatchObject({ ok: true });
        for (const stimulus of scenario.stimuli)
          expect(readStimulus(stimulusSentence(stimulus))).toEqual({ ok: true, value: stimulus });
      }
    },
  );

  test('say what is seen all through in one sentence', () => {
    expect(saidOf('beacon', 'nobody touches it')).toEqual(['D1 lit 0.5 s, dark 2.5 s, over and over']);
    expect(saidOf('leading-lights', 'nobody touches it')).toContain('D1, then D2 in turn');
  });

  test('say what answers a press', () => {
    expect(saidOf('night-bell', 'S1 pressed once')).toEqual(
      expect.arrayContaining(['D1 goes on within 0.1 s of S1', 'Z1 goes on within 0.1 s of S1']),
    );
  });

  test('take a potentiometer to both its ends', () => {
    expect(saidOf('fog-lamp', 'P1 at its lower end')).toEqual(['D1 is off all the time']);
    expect(saidOf('fog-lamp', 'P1 at its upper end')).toEqual(['D1 is on all the time']);
  });

  test('hold and tap each button, and press all of them at once', () => {
    const names = proposalsOf('two-button-sluice')
      .filter(({ unscripted }) => unscripted)
      .map(({ scenario }) => scenario.name);
    expect(names).toEqual([
      'S1 held',
      'S1 held from the start',
      'S1 tapped twice',
      'S2 held',
      'S2 held from the start',
      'S2 tapped twice',
      'S1 and S2 at once',
    ]);
  });

  test('say so when the outcome hangs on how a contact bounces', () => {
    const both = proposalsOf('two-button-sluice').find(
      ({ scenario }) => scenario.name === 'S1 and S2 at once',
    );
    expect(both?.doubt).toContain('bounces');
    expect(both?.varying.length).toBeGreaterThan(0);
  });

  test('press in the middle of a pause, where a program that waits misses it', () => {
    const { data, ...rest } = exerciseOf('night-bell');
    const program = data.program.replace(/void loop\(\) \{/, 'void loop() {\n  delay(2000);');
    expect(program).not.toBe(data.program);
    const missed = proposedScenarios({ ...rest, data: { ...data, program } }, grammars).find(
      ({ scenario }) => scenario.name === 'S1 pressed in the middle of a pause',
    );
    const [press] = missed?.scenario.stimuli ?? [];
    // Every pause begins at an even second; a quarter of it has gone by.
    expect(press).toEqual({ at: expect.any(Number) as number, press: 'S1', for: 0.3 });
    expect(press!.at % 2).toBeCloseTo(0.5, 1);
    expect(missed?.scenario.expect.map(expectationSentence)).toContain('D1 is off all the time');
  });

  test('are none for a program that does not compile, and none by a name that is there', () => {
    const { data, ...rest } = exerciseOf('beacon');
    expect(proposedScenarios({ ...rest, data: { ...data, program: 'void setup( {' } }, grammars)).toEqual([]);
    const scenarios = proposalsOf('beacon').map(({ scenario }) => scenario);
    expect(proposedScenarios({ ...rest, data: { ...data, scenarios } }, grammars)).toEqual([]);
  });
});

describe('marks of proposed scenarios', () => {
  const bell = exerciseOf('night-bell');
  const held = proposedScenarios(bell, grammars).find(
    ({ scenario }) => scenario.name === 'S1 held',
  )!.scenario;
  const marked = (mark: 'wrong' | 'free', program = bell.data.program) => ({
    ...bell,
    data: { ...bell.data, program, considered: [{ mark, scenario: held }] },
  });
  const markOf = (exercise: typeof bell) =>
    proposedScenarios(exercise, grammars).find(({ scenario }) => scenario.name === 'S1 held')?.mark;
  // The LED goes out again by itself, however long the button is held.
  const corrected = bell.data.program.replace(
    'digitalWrite(LAMP, HIGH);',
    'digitalWrite(LAMP, HIGH); delay(500); digitalWrite(LAMP, LOW); while (digitalRead(BUTTON) == LOW) {}',
  );

  test('what is marked right is a scenario, and is proposed no more', () => {
    const right = { ...bell, data: { ...bell.data, scenarios: [...bell.data.scenarios, held] } };
    expect(proposedScenarios(right, grammars).map(({ scenario }) => scenario.name)).not.toContain('S1 held');
  });

  test('what is free stays free whatever the program does', () => {
    expect(markOf(marked('free'))).toBe('free');
    expect(markOf(marked('free', corrected))).toBe('free');
    expect(stillWrong(marked('free'), grammars)).toEqual([]);
  });

  test('what is wrong stays wrong until the program does otherwise', () => {
    expect(markOf(marked('wrong'))).toBe('wrong');
    expect(stillWrong(marked('wrong'), grammars)).toEqual([held]);
    expect(markOf(marked('wrong', corrected))).toBe('changed');
    expect(stillWrong(marked('wrong', corrected), grammars)).toEqual([]);
  });

  test('a mark on a part that is gone says nothing any more', () => {
    const elsewhere = {
      ...held,
      stimuli: [{ at: 1, press: 'S7' }],
    };
    const exercise = {
      ...bell,
      data: { ...bell.data, considered: [{ mark: 'wrong' as const, scenario: elsewhere }] },
    };
    expect(stillWrong(exercise, grammars)).toEqual([]);
  });
});
