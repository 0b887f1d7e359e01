import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { compileProgram } from '../../program';
import { grammars } from '../../testing/beacon';
import { readingsDeclared } from './readings-declared';

const told = (source: string, asked: string): readonly string[] =>
  readingsDeclared(compileProgram(source, shippedBoards.get('learner-5v')!, grammars), asked).map(
    ({ text }) => text,
  );
const HEAD = 'int trig = 12, echo = 11;\nconst int KNOB = A2;\nvoid setup() { pinMode(trig, OUTPUT); }\n';

test.each([
  ['pulseIn(ECHO, HIGH)', 'const int ECHO = 11;', 'Add long t = pulseIn(echo, HIGH); before line 5.'],
  ['analogRead(SENSOR)', 'const int SENSOR = A2;', 'Add int t = analogRead(KNOB); before line 5.'],
  ['analogRead(A4)', '', 'Add int t = analogRead(A4); before line 5.'],
  ['digitalRead(pins[n-1])', '', 'Add int t = digitalRead(pins[n-1]); before line 5.'],
  ['digitalRead(*key)', '', 'Add int t = digitalRead(*key); before line 5.'],
  ['millis()', '', 'Add unsigned long t = millis(); before line 5.'],
  ['Serial.read()', '', 'Add char t = Serial.read(); before line 5.'],
])('a name that is nowhere declared is given %s, as this program calls it', (call, pins, text) => {
  const asked = `${pins}\nvoid setup() {}\nvoid loop() { long x = ${call}; }\n`;
  expect(told(`${HEAD}void loop() {\n  if (t > 5) delay(3);\n}\n`, asked)).toContain(text);
});

test('or what a function gives that nothing calls, or a pin that nothing reads', () => {
  const functions = 'bool hit() { return true; }\nvoid setup() { pinMode(KEY, INPUT_PULLUP); }\n';
  const source = `#define KEY 4\n${functions}void loop() {\n  if (t) delay(3);\n}\n`;
  expect(told(source, '')).toEqual([
    'Add bool t = hit(); before line 5.',
    'Add int t = digitalRead(KEY); before line 5.',
    'Add bool t = digitalRead(KEY) == LOW; before line 5.',
  ]);
});

test('and nothing where the program reads it already', () => {
  const source = `${HEAD}void loop() {\n  long d = pulseIn(echo, HIGH);\n  if (t > 5) delay(d);\n}\n`;
  expect(told(source, 'void loop() { long x = pulseIn(11, HIGH); }')).toEqual([]);
});
