import { expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import { entriesMeant, ofEntriesOfRows } from './entries-of-rows';
import { formOf } from './form';
import { ofReturns } from './returns';
import { ofTimers } from './timers';
import type { Rule } from './guess';

const NOTHING = { unset: [], milliseconds: [] };
const guessed = (rules: readonly Rule[], source: string, language: 'cpp' | 'python' = 'cpp') =>
  rules.flatMap((rule) => rule(formOf(source, language), formOf('', language), NOTHING));

const PLAYERS = `struct Player { int button; int led; };
Player players[2] = {
  {2, 8},
  {3, 9}
};
int who() {
  for (int i = 0; i < 2; i++) {
    if (digitalRead(players[i].button) == LOW) {
      return i;
    }
  }
  return -1;
}
void loop() {
  int winner = who();
  show(players[winner]);
}
`;

test.each([
  ['players[i].button)', 'i)', 'Write players[i].button instead of i in line 8.'],
  ['show(players[winner])', 'show(winner)', 'Write players[winner] instead of winner in line 16.'],
  ['players[i].button', 'players.button', 'Write players[i] instead of players in line 8.'],
  ['show(players[winner])', 'show(players[1])', 'Write winner instead of 1 in line 16.'],
  ['{2, 8}', '{8, 2}', 'Exchange 8 and 2 in line 3.'],
])('an entry of a list of structs: %j as %j', (right, wrong, text) => {
  const source = PLAYERS.replace(right, wrong);
  const mended = guessed(ofEntriesOfRows, source).filter(
    (guess) => guess.edits.reduce(applyTextEdit, source) === PLAYERS,
  );
  expect(mended.map((guess) => guess.text)).toEqual([text]);
});

test('two columns are exchanged in all rows, and two rows in one column', () => {
  const turned = PLAYERS.replace('{2, 8}', '{8, 2}').replace('{3, 9}', '{9, 3}');
  const crossed = PLAYERS.replace('{2, 8}', '{2, 9}').replace('{3, 9}', '{3, 8}');
  const textFor = (source: string) =>
    guessed(ofEntriesOfRows, source).find((guess) => guess.edits.reduce(applyTextEdit, source) === PLAYERS)
      ?.text;
  expect(textFor(turned)).toBe('Exchange the first and the second value in each row of the list in line 2.');
  expect(textFor(crossed)).toBe('Exchange 9 in line 3 and 8 in line 4.');
});

test('nothing is an entry where no list has structs', () => {
  expect(entriesMeant(formOf('int leds[] = {4, 5};\nvoid loop() { int i = 1; show(i); }\n', 'cpp'))).toEqual(
    [],
  );
});

test.each([
  ['  return -1;\n', '  return 0;\n'],
  ['  return -1;\n', ''],
  ['  }\n  return -1;\n', '    return -1;\n  }\n'],
])('a function that finds nothing says so behind its loop: %j as %j', (right, wrong) => {
  const source = PLAYERS.replace(right, wrong);
  const made = guessed(ofReturns, source).map((guess) => guess.edits.reduce(applyTextEdit, source));
  expect(made).toContain(PLAYERS);
});

test('what is past comes off what is now', () => {
  const source = 'def wanted(now):\n    return seen - now < HOLD\n';
  expect(guessed(ofTimers, source, 'python').map(({ text }) => text)).toContain(
    'Write now - seen instead of seen - now in line 2.',
  );
  expect(
    guessed(ofTimers, 'def wanted(now):\n    return now - seen < HOLD\n', 'python').map(({ text }) => text),
  ).toEqual([]);
});
