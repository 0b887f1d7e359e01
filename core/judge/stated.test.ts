import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { readExercise, solvedByAuthor } from '../formats/exercise';
import type { Scenario } from '../formats/scenario';
import { readStated } from '../statements/sentences';
import { grammars, beacon } from '../testing/beacon';
import { buildFor } from './build';
import { check } from './check';
import { statedExercise } from './stated';

const read = readExercise(readFileSync('demo/course/14-harbour-signal.json', 'utf8'));
if (!read.ok) throw new Error(read.problems[0]!.message);
const open = read.value;
const said = (text: string): readonly Scenario[] => {
  const stated = readStated(text, open.data.parts);
  if (!stated.ok) throw new Error(stated.problems[0]!.message);
  return stated.value;
};
const refusal = (text: string): string | undefined => {
  const asked = statedExercise(open, said(text), grammars);
  return asked.ok ? undefined : asked.problems[0]!.message;
};
const RED_AND_GREEN = 'D1 lit 2 s, dark 3 s\n\nD2 lit 1 s, dark 4 s';
const verdictOf = (text: string, program = open.data.program) => {
  const asked = statedExercise(open, said(text), grammars);
  if (!asked.ok) throw new Error(asked.problems[0]!.message);
  return check(asked.value, buildFor(asked.value, open.reference, program, grammars), grammars);
};

describe('an exercise that leaves open what is built', () => {
  test('is judged by what the learner says, and by its frame', () => {
    expect(verdictOf(RED_AND_GREEN).verdict).toBe('as-drawn');
    const otherwise = verdictOf('D1 lit 1 s, dark 4 s\n\nD2 lit 1 s, dark 4 s');
    expect(otherwise.verdict).toBe('does-not-work');
    expect(otherwise.scenarios.map(({ name, passed }) => [name, passed])).toEqual([
      ['never both', true],
      ['what you said, 1', false],
      ['what you said, 2', true],
    ]);
  });

  test('holds its frame whatever the learner says', () => {
    const both = open.data.program.replace('digitalWrite(RED, LOW);\n  delay(1000);', 'delay(1000);');
    const report = verdictOf('D1 is on\n\nD2 lit 1 s, dark 4 s', both);
    expect(report.verdict).toBe('does-not-work');
    expect(report.scenarios.find(({ passed }) => !passed)!.name).toBe('never both');
  });

  test.each([
    ['D1 lit 2 s, dark 3 s', /at least 2 sentences/],
    ['D1 is off\n\nD2 lit 1 s, dark 4 s', /without a program does what you say in what you said, 1/],
    ['D1 and D2 are never on together\n\nD2 lit 1 s, dark 4 s', /without a program/],
  ])('takes no statement that says nothing: “%s”', (text, message) => {
    expect(refusal(text)).toMatch(message);
  });

  test('takes no part that it does not have', () => {
    const stranger = said(RED_AND_GREEN).map((scenario, index) =>
      index === 0 ? { ...scenario, expect: [{ lamp: 'D7', is: 'on' as const }] } : scenario,
    );
    const asked = statedExercise(open, stranger, grammars);
    expect(!asked.ok && asked.problems[0]!.message).toBe('You speak of D7, and there is no such part.');
  });

  test('is whole as its author has solved it', () => {
    const solved = solvedByAuthor(open);
    expect(solved.data.open).toBeUndefined();
    expect(solved.data.scenarios).toHaveLength(3);
    expect(statedExercise(open, open.data.open!.example, grammars).ok).toBe(true);
  });
});

describe('any other exercise', () => {
  test('is as it was, and nothing can be added to it', () => {
    expect(statedExercise(beacon, [], grammars)).toEqual({ ok: true, value: beacon });
    expect(statedExercise(beacon, beacon.data.scenarios, grammars).ok).toBe(false);
    expect(solvedByAuthor(beacon)).toBe(beacon);
  });
});

describe('sentences of a learner', () => {
  test('are one scenario until a line is empty, with what is done in its place', () => {
    const { parts } = beacon.data;
    const stated = readStated(
      'for 20 s\nD1 lit 1 s, dark 2 s\nreset the board at 5 s\n\n\nD1 flashes 3 times',
      parts,
    );
    expect(stated.ok && stated.value).toMatchObject([
      { for: 20, stimuli: [{ at: 5, reset: true }], expect: [{ lamp: 'D1', rhythm: [1, 2] }] },
      { for: 12, stimuli: [], expect: [{ flashes: 3 }] },
    ]);
  });

  test.each([
    ['D1 lit 1 s, dark 2 s\nD1 sings', 2],
    ['\n\nreset the board at 5 s\n', 3],
  ])('that cannot be read are told with their line: %j', (text, line) => {
    const stated = readStated(text, beacon.data.parts);
    expect(!stated.ok && stated.problems[0]!.line).toBe(line);
  });
});
