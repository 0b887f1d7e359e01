import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';

const board = shippedBoards.get('learner-5v')!;
const HEAD = `enum Step { NONE, ONE, TWO };
const bool TURNED = true;
#define DEBUG 1
int x = 0;
bool on = false;
int f() { return 2; }
void setup() {
}
void loop() {
`;

/** What is wrong with a line of the loop, and whether it compiles all the same. */
function told(line: string): { readonly codes: readonly string[]; readonly compiles: boolean } {
  const { problems, compiled } = compileProgram(
    `${HEAD}  ${line}\n  show(x + on + f());\n}\nvoid show(int n) {\n  x = n;\n}\n`,
    board,
    grammars,
  );
  const codes = problems.filter(({ severity }) => severity === 'fault').map(({ code }) => code);
  return { codes, compiles: compiled !== undefined };
}

describe('an assignment where something is asked', () => {
  test.each([
    ['on = digitalRead(2) = LOW;', 'assign-in-condition', false],
    ['bool c = f() = 2;', 'assign-in-condition', false],
    ['on = (x = TWO ? HIGH : LOW) > 0;', 'assign-in-condition', true],
    ['x = 3 ? 1 : 0;', 'assign-in-condition', true],
    ['if (x = 3 ? 1 : 0) on = true;', 'assign-in-condition', true],
    ['analogRead(A0) = 5;', 'syntax-other', false],
    ['f() += 2;', 'syntax-other', false],
    ['switch (x) { on = true; case 1: x = 2; }', 'no-effect', true],
  ])('%s', (line, code, compiles) => {
    expect(told(line)).toEqual({ codes: [code], compiles });
  });

  test.each([
    'x = TURNED ? LOW : HIGH;',
    'x = DEBUG ? 1 : 0;',
    'x = on ? 1 : 0;',
    'x = on = true;',
    'switch (x) { case 1: x = 2; }',
    'switch (x) { int y; case 1: y = 3; x = y; }',
  ])('is none in %s', (line) => {
    expect(told(line)).toEqual({ codes: [], compiles: true });
  });
});
