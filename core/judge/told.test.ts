import { describe, expect, test } from 'vitest';
import { hintWordsOf, withHintWords } from '../formats/hint-words';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { buildFor } from './build';
import { check } from './check';

const { exercise } = courseExercises.find(({ name }) => name === 'leading-lights')!;
const { program } = exercise.data;
const rightIn = (rows: (table: string) => string, source = program): readonly string[] => {
  const wiring = readWiring(rows(writeTable(exercise.reference)));
  if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
  return check(exercise, buildFor(exercise, wiring.value, source, grammars), grammars).right;
};
const asDrawn = (table: string): string => table;

describe('what is right already', () => {
  test('is the wiring where the program alone is wrong', () => {
    const right = rightIn(asDrawn, program.replace('delay(800)', 'delay(80)'));
    expect(right).toContain('Your wiring is the circuit of the exercise.');
    expect(right).not.toContain('Your program needs no change.');
  });

  test('is the program where the wiring alone is wrong, with the parts that are in their place', () => {
    const right = rightIn((table) => table.replace('D2,led,green,anode,B1.e5', 'D2,led,green,anode,B1.e9'));
    expect(right).toContain('Your program needs no change.');
    expect(right.join(' ')).toMatch(/D1.* connected as in the exercise/);
    expect(right.join(' ')).toContain('D1 lit 0.8 s');
    expect(right.join(' ')).not.toContain('D2');
  });

  test('is nothing of a part that shows something else at another time', () => {
    const { exercise: bell } = courseExercises.find(({ name }) => name === 'night-bell')!;
    const always = bell.data.program.replace(/void loop[^]*/, 'void loop() { digitalWrite(13, HIGH); }');
    const { right, scenarios } = check(bell, buildFor(bell, bell.reference, always, grammars), grammars);
    expect(
      scenarios[0]!.expectations.some(({ passed, expected }) => passed && expected.startsWith('D1')),
    ).toBe(true);
    expect(right.join(' ')).not.toContain('D1 is on');
  });

  test('is nothing of a build that is in danger, nothing of one that works, and not what a dead one shows as well', () => {
    expect(rightIn((table) => `${table}W9,wire,red,1,U1.5V\nW9,wire,red,2,B1.a-9\n`)).toEqual([]);
    expect(rightIn(asDrawn)).toEqual([]);
    expect(rightIn((table) => table.replace(/^W1.*\n/gm, '')).join(' ')).not.toContain('never');
  });
});

describe('hints in the author’s words', () => {
  const words = ['Which LED is your harbour light?', '', 'Turn D1 round.'];
  const own = {
    ...exercise,
    data: { ...exercise.data, text: withHintWords(exercise.data.text, 'polarity-reversed', words) },
  };
  const turned = readWiring(
    writeTable(exercise.reference)
      .replace('anode,B1.e2', 'anode,X')
      .replace('cathode,B1.e3', 'cathode,B1.e2')
      .replace('X', 'B1.e3'),
  );
  if (!turned.ok) throw new Error(turned.problems[0]!.message);
  const hintsIn = (of: typeof exercise): readonly string[] =>
    check(of, buildFor(of, turned.value, program, grammars), grammars).findings[0]!.hints;

  test('take the place of the usual ones, where there are any', () => {
    expect(hintsIn(own)).toEqual([words[0], hintsIn(exercise)[1], words[2]]);
  });

  test('are gone when they are emptied, and others stay', () => {
    const both = withHintWords(own.data.text, 'not-lit', ['Is it on?', '', '']);
    expect(withHintWords(both, 'polarity-reversed', ['', ' ', ''])).toMatchObject({
      hints: { 'not-lit': ['Is it on?', '', ''] },
    });
  });

  test('that cannot be read are none', () => {
    expect(hintWordsOf({ text: { hints: { 'no-such-finding': ['x'] } } })).toEqual({});
  });
});
