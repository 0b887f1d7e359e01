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
  [
    'struct Key { int pin; bool isDown() { return !digitalRead(pin); } }; Key key = {2};',
    'if (key.isDown) delay(5);',
    'arguments',
    'Write isDown() instead of isDown in line 9.',
  ],
  [
    'struct Key { int pin; bool isDown(int ms) { return !digitalRead(pin) && ms > 0; } }; Key key = {2};',
    'if (key.isDown) delay(5);',
    'arguments',
    undefined,
  ],
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

test.each([
  'else fail();',
  'else angle = 1;',
  'else if (angle) fail();',
  'else { fail(); }',
  'angle = 1; else digitalWrite(3, HIGH);',
  'else return;',
])('an else that a case begins with has no if, and all that is said is that: %s', (statement) => {
  const { problems } = compileProgram(
    program('void fail() {}', `switch (angle) { case 1: ${statement} angle = 3; break; }`),
    shippedBoards.get('learner-5v')!,
    grammars,
    'cpp',
  );
  const told = problems.filter(({ severity }) => severity !== 'advice').map(({ message }) => message);
  expect(told).toEqual([
    'Line 9: this else has no if straight before it. Without braces, one instruction belongs to an if, and no more.',
  ]);
});

test.each([
  ['count++;', 'Write int count; at the top of the program.'],
  ['if (count == 0) count = 1;', 'Write int count; at the top of the program.'],
  ['count = count + 1; if (count > 9) count = 9;', 'Write int count; at the top of the program.'],
  ['if (count > 180) count = 180; arm.write(count);', undefined],
  ['if (count > 180) { count = 180; } if (count < 5) { count = 5; }', undefined],
])('a variable that nothing declares is declared where its lines give it a value: %s', (body, repair) => {
  const { problems } = compileProgram(program('', body), shippedBoards.get('learner-5v')!, grammars, 'cpp');
  expect(problems[0]).toMatchObject({ code: 'name-unknown' });
  expect(problems[0]!.repair?.text).toBe(repair);
});

const STRUCTS =
  'struct Led { int pin; int time; }; Led leds[2] = {{8, 100}, {9, 200}}; void show(Led l) {} void blink(int n) {}';

test.each([
  ['show(1);', 'Line 9: a whole Led is wanted here, and this gives a number.'],
  ['blink(leds.pin);', 'Line 9: leds is a list of 2, each of them a Led. Only one of them has “pin”.'],
  ['leds.time = 5;', 'Line 9: leds is a list of 2, each of them a Led. Only one of them has “time”.'],
])('a list of structs, one of them and a number are told apart: %s', (body, message) => {
  const { compiled, problems } = compileProgram(
    program(STRUCTS, body),
    shippedBoards.get('learner-5v')!,
    grammars,
    'cpp',
  );
  expect(compiled).toBeUndefined();
  expect(problems[0]).toMatchObject({ message, stopsCompiler: true });
  expect(problems[0]!.unsupported).toBeUndefined();
});

test('a class that is made of a number may be given one', () => {
  const { problems } = compileProgram(
    program(
      'class Led { public: int pin; Led(int p) { pin = p; } }; void show(Led l) {}',
      'Led one(8); show(one);',
    ),
    shippedBoards.get('learner-5v')!,
    grammars,
    'cpp',
  );
  expect(problems.filter(({ stopsCompiler }) => stopsCompiler)).toEqual([]);
});
