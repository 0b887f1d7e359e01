import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../course/house-rules';
import { courseExercises } from '../testing/course';
import { taskOf } from './task';

const rules = (stepsAtBench: HouseRules['stepsAtBench']): HouseRules => ({
  ...DEFAULT_HOUSE_RULES,
  stepsAtBench,
});
const bell = courseExercises.find(({ name }) => name === 'night-bell')!.exercise;

describe('the task of an exercise', () => {
  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    '%s says what must be seen and what is in the bag, and not how it is solved',
    (_, exercise) => {
      const task = taskOf(exercise, rules('hidden'), true);
      expect(task.aim.length).toBeGreaterThan(10);
      expect(task.runs.length).toBe(exercise.data.scenarios.length);
      for (const { seen } of task.runs) expect(seen.length).toBeGreaterThan(0);
      const inTheBag = task.parts.flatMap(({ refs }) => refs);
      expect([...inTheBag].sort()).toEqual(exercise.reference.parts.map(({ ref }) => ref).sort());
      expect(task.steps).toBeUndefined();
      // What stages are tried with is given by their author.
      const text = JSON.stringify({
        ...task,
        stages: task.stages.map((stage) => ({ ...stage, program: '' })),
      });
      for (const line of exercise.data.program.split('\n'))
        if (line.trim().length > 20) expect(text).not.toContain(line.trim());
      for (const { legs } of exercise.reference.parts)
        for (const { at } of legs)
          if (at?.type === 'hole')
            expect(text).not.toMatch(new RegExp(`(?<![.\\w])${at.column}${at.row}\\b`));
    },
  );

  test('has its stages with what they need, and their programs where programs are given', () => {
    const given = taskOf(bell, { ...rules('shown'), programGiven: 'gaps' }, false).stages;
    expect(given.map(({ name, refs, afterStep }) => ({ name, refs, afterStep }))).toEqual([
      { name: 'the button alone', refs: ['S1'], afterStep: 10 },
      { name: 'the lamp follows', refs: ['S1', 'D1', 'R1'], afterStep: 10 },
    ]);
    expect(given.every(({ program }) => program?.includes('void loop'))).toBe(true);
    const own = taskOf(bell, { ...rules('hidden'), programGiven: 'nothing' }, false).stages;
    expect(own.map(({ program, afterStep }) => [program, afterStep])).toEqual([
      [undefined, undefined],
      [undefined, undefined],
    ]);
  });

  test('calls each part what it is, with its name', () => {
    const [first] = taskOf(bell, rules('hidden'), false).runs;
    expect(first!.done[0]).toMatch(/^press the push button S1 at /);
    expect(first!.seen[0]).toMatch(/^The amber LED D1 is off until /);
  });

  test('says what is done where a time counts from there', () => {
    const seenOf = (expect: (typeof bell.data.scenarios)[number]['expect']): readonly string[] => {
      const scenarios = [{ ...bell.data.scenarios[0]!, expect }];
      return taskOf({ ...bell, data: { ...bell.data, scenarios } }, rules('hidden'), false).runs[0]!.seen;
    };
    expect(seenOf([{ responds: 'D1', to: 'S1', within: 0.1, then: 'on' }])).toEqual([
      'The amber LED D1 goes on within 0.1\u00a0s of pressing the push button S1',
    ]);
    expect(seenOf([{ lamp: 'D1', is: 'on', from: 0.1, to: 3, after: 'S1' }])[0]).toMatch(
      / after pressing the push button S1$/,
    );
    expect(seenOf([{ responds: 'D1', to: 'R1', within: 0.1, then: 'on' }])[0]).toMatch(
      / of a change of the /,
    );
  });

  test('has its pins with what belongs there, and those that will do as well', () => {
    const { pins } = taskOf(bell, rules('hidden'), false);
    expect(pins.map(({ what }) => what).join('; ')).toMatch(/S1/);
    for (const { pin, orElse } of pins) expect(orElse).not.toContain(pin);
  });

  test.each<[HouseRules['stepsAtBench'], boolean, boolean]>([
    ['hidden', true, false],
    ['after-try', false, false],
    ['after-try', true, true],
    ['shown', false, true],
  ])('shows its steps where the course says so: %s, tried %s: %s', (when, hasTried, isShown) => {
    const { steps } = taskOf(bell, rules(when), hasTried);
    expect(steps !== undefined).toBe(isShown);
    if (!steps) return;
    const last = steps.steps.at(-1)!;
    expect([...last.present].sort()).toEqual(bell.reference.parts.map(({ ref }) => ref).sort());
  });
});

test('a light of several in a housing is called as people call it', () => {
  const gauge = courseExercises.find(({ name }) => name === 'tide-gauge')!.exercise;
  const seen = taskOf(gauge, rules('hidden'), false).runs.flatMap((run) => run.seen);
  expect(seen.join('\n')).toContain('LED 1 of the green LED bar D1 is off');
  expect(seen.join('\n')).not.toMatch(/D1\.a/);
});
