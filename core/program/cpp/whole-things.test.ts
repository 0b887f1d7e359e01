import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '..';

const program = (top: string, body: string): string =>
  `#include <Servo.h>\nServo arm;\nint angle = 20;\n${top}\nvoid setup() {\n  arm.attach(9);\n}\nvoid loop() {\n  ${body}\n}\n`;

test.each([
  [
    '',
    'arm.write = angle;',
    'syntax-paren',
    'Write arm.write(angle) instead of arm.write = angle in line 9.',
  ],
  ['', 'arm = angle;', 'syntax-other', 'Write arm.write(angle) instead of arm = angle in line 9.'],
  ['int steps[2] = {1, 2, 3};', 'delay(steps[0]);', 'syntax-other', 'Write 3 instead of 2 in line 4.'],
  ['struct Step { int pin; }; Step steps[] = {{8}};', 'delay(step[0].pin);', 'name-unknown', 'steps'],
  ['const int n = 1;', 'n = 2;', 'syntax-other', 'Remove const from line 4.'],
  ['String word = "a";', 'switch (word) { case 1: break; }', 'arguments', undefined],
])('%s %s is refused, with what to write', (top, body, code, repair) => {
  const { compiled, problems } = compileProgram(
    program(top, body),
    shippedBoards.get('learner-5v')!,
    grammars,
    'cpp',
  );
  expect(compiled).toBeUndefined();
  expect(problems[0]?.code).toBe(code);
  if (repair === undefined) expect(problems[0]?.repair).toBeUndefined();
  else expect(problems[0]?.repair?.text).toContain(repair);
});

test('what a class of the library is made of is nobody’s to see', () => {
  const { problems } = compileProgram(
    program('', 'arm.speed = 3;'),
    shippedBoards.get('learner-5v')!,
    grammars,
    'cpp',
  );
  expect(problems[0]?.message).toBe('Line 9: a Servo has no “speed”.');
});
