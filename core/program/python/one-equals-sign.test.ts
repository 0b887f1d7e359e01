import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '..';

const problemsOf = (source: string) =>
  compileProgram(source, shippedBoards.get('python-3v3')!, grammars, 'python').problems.filter(
    ({ severity }) => severity !== 'advice',
  );

test.each([
  ['x = 1\nif x = 1:\n    x = 2\n', 2],
  ['x = 1\nif (x = 1):\n    x = 2\n', 2],
  ['x = 1\nwhile not (x = 3):\n    x = 3\n', 2],
  ['x = 1\ny = (x = 1)\n', 2],
  ['x = 1\ny = 2 if (x = 1) else 3\n', 2],
])('one = where something is compared is told: %j', (source, line) => {
  const [first, ...others] = problemsOf(source);
  expect(first).toMatchObject({ code: 'assign-in-condition', line });
  expect(first!.repair!.text).toBe(`Write == instead of = in line ${line}.`);
  expect(others).toEqual([]);
});

test.each(['def f(a=1):\n    return a\n\nf(a=2)\nprint(f(a=3))\n', 'x = (1, 2)\ny = (x == 3)\n'])(
  'what is given by name compares nothing: %j',
  (source) => {
    expect(problemsOf(source)).toEqual([]);
  },
);
