import { describe, expect, test } from 'vitest';
import { listEntries } from './list-entries';
import { negationsIn } from './negations';

describe('entries of a list in which numbers come again', () => {
  const said = (source: string, language: 'cpp' | 'python' = 'cpp'): readonly string[] =>
    listEntries(source, language).map(({ token, by }) => `${token.column}: ${token.text} → ${by}`);

  test('are tried with the other numbers of the list', () => {
    expect(said('int t[] = {150, 450, 150, 150};')).toEqual([
      '12: 150 → 450',
      '17: 450 → 150',
      '22: 150 → 450',
      '27: 150 → 450',
    ]);
    expect(said('t = [1, 2, 1, 1]', 'python')).toHaveLength(4);
  });

  test.each([
    ['of a short list', 'int pins[] = {8, 8, 9};'],
    ['of a list whose entries are all different', 'int notes[] = {262, 294, 330, 349};'],
    ['of a list with other things in it', 'int pins[] = {A0, A1, A0, A1};'],
    ['of a block', 'void loop() { 1, 2, 1, 1; }'],
    ['of a very long list', `int t[] = {${'1, 2, '.repeat(40)}1};`],
  ])('are none %s', (_, source) => {
    expect(said(source)).toEqual([]);
  });
});

describe('levels that are turned round', () => {
  test.each([
    ['digitalWrite(9, lit);', 'Put ! before lit in line 1.', false],
    ['digitalWrite(9, !lit);', 'Remove the ! before lit in line 1.', true],
    ['digitalWrite(9, digitalRead(2));', 'Put ! before digitalRead(2) in line 1.', false],
    ['lit = lit;', 'Put ! before the second lit in line 1.', true],
  ])('%s', (line, text, isUsual) => {
    expect(negationsIn(line, 'cpp')).toMatchObject([{ text, isUsual }]);
  });

  test.each([
    ['led.value = lit', 'Put not before lit in line 1.'],
    ['lit = lit', 'Put not before the second lit in line 1.'],
  ])('%s, in Python', (line, text) => {
    expect(negationsIn(line, 'python')).toMatchObject([{ text }]);
  });

  test.each([
    'sum = sum + 1;',
    'digitalWrite(9, HIGH);',
    'analogWrite(9, lit);',
    'lit = other;',
    'delay(time);',
  ])('none in %s', (line) => {
    expect(negationsIn(line, 'cpp')).toEqual([]);
  });
});
