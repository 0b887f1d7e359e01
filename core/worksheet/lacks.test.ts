import { describe, expect, test } from 'vitest';
import type { ExerciseData } from '../formats/exercise';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { lacksOf } from './lacks';
import { proofOf } from './prove';

const lacks = (data: ExerciseData): readonly string[] =>
  lacksOf(data, proofOf(data, grammars)).map(({ text, weight }) => `${weight}: ${text}`);
const bell = courseExercises.find(({ name }) => name === 'night-bell')!.exercise.data;
const only = (expect: ExerciseData['scenarios'][number]['expect']): ExerciseData => ({
  ...bell,
  scenarios: [{ name: 'one', for: 3, stimuli: [], expect }],
});

describe('what an exercise lacks before a class gets it', () => {
  test.each(
    courseExercises
      .filter(({ name }) => !name.includes(','))
      .map(({ name, exercise }) => [name, exercise] as const),
  )('is nothing that would leave a class stuck in %s', (_, exercise) => {
    expect(lacks(exercise.data).filter((lack) => lack.startsWith('gap'))).toEqual([]);
  });

  test.each<[string, ExerciseData, string]>([
    ['no scenario', { ...bell, scenarios: [] }, 'gap: Nothing says what must be seen'],
    ['no aim', { ...bell, aim: ' ' }, 'gap: It does not say what is to be done'],
    [
      'a scenario that its own program fails',
      only([{ lamp: 'D1', is: 'on' }]),
      'gap: Your own program does not pass “one”',
    ],
    [
      'a scenario that nothing can fail',
      only([{ lamp: 'D1', is: 'off' }]),
      'gap: A program that does nothing would pass',
    ],
    ['a part that nobody looks at', only([{ lamp: 'D1', is: 'off' }]), 'thought: No scenario looks at Z1'],
    [
      'a button that nobody presses',
      only([{ lamp: 'D1', is: 'off' }]),
      'thought: In no scenario is anything done to S1',
    ],
    ['no concept', { ...bell, concepts: { introduces: [], uses: [] } }, 'thought: No concept is named'],
  ])('is %s', (_, data, told) => {
    expect(lacks(data).join('\n')).toContain(told);
  });
});

test('what would be met without any program is known for each expectation', () => {
  const data = only([
    { lamp: 'D1', is: 'off' },
    { buzzer: 'Z1', is: 'on' },
  ]);
  expect(proofOf(data, grammars).withoutProgram).toEqual([[true, false]]);
});
