import { describe, expect, test } from 'vitest';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { numberQuestions } from './questions';

const questionsOf = (id: string) =>
  numberQuestions(courseExercises.find(({ name }) => name === id)!.exercise, grammars);

describe('a question about one changed number', () => {
  test('of the beacon has the new times as its answer', () => {
    const [flash, dark] = questionsOf('beacon');
    expect(flash!.ask).toMatch(/^In line \d+, 500 becomes 1000\. What will be seen\?$/);
    expect(flash!.answer).toEqual([expect.stringContaining('D1 lit 1 s, dark 2.5 s')]);
    expect(dark!.answer).toEqual([expect.stringContaining('D1 lit 0.50 s, dark 5 s')]);
  });

  test('leaves numbers of pins alone', () => {
    for (const id of ['beacon', 'leading-lights', 'night-bell'])
      for (const { ask } of questionsOf(id)) expect(ask).not.toMatch(/, (13|12|11|8) becomes/);
  });

  test('is asked of Python too', () => {
    expect(questionsOf('beacon-python').map(({ ask }) => ask.replace(/^In line \d+, /, ''))).toEqual([
      '0.5 becomes 1. What will be seen?',
      '2.5 becomes 5. What will be seen?',
    ]);
  });
});
