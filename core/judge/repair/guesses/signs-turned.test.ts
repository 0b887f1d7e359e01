import { expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import type { Language } from '../../../program';
import { formOf } from './form';
import { ofSignsTurned } from './signs-turned';

const guessed = (source: string, language: Language) =>
  ofSignsTurned.flatMap((rule) => {
    const form = formOf(source, language);
    return rule(form, form, { unset: [], milliseconds: [] });
  });

test.each([
  ['cpp', 'n =+ 5;', 'n += 5;', 'Write += instead of =+ in line 1.'],
  ['cpp', 'n =+5;', 'n +=5;', 'Write += instead of =+ in line 1.'],
  ['cpp', 'n =- step;', 'n -= step;', 'Write -= instead of =- in line 1.'],
  ['python', 'n =+ 5', 'n += 5', 'Write += instead of =+ in line 1.'],
] as const)('in %s, %s is %s', (language, wrong, right, text) => {
  const [guess, more] = guessed(wrong, language);
  expect(guess?.text).toBe(text);
  expect(guess?.edits.reduce(applyTextEdit, wrong)).toBe(right);
  expect(more).toBeUndefined();
});

test.each(['n = -5;', 'n = +5;', 'n =-5;', 'if (n == -1) {}'])('%s is what it says', (source) => {
  expect(guessed(source, 'cpp')).toEqual([]);
});
