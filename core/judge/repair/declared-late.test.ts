import { expect, test } from 'vitest';
import { applyTextEdit } from '../../program/problem';
import { declaredEarlier } from './declared-late';

const LATE = `float warmth() {
  float volts = raw * 5.0 / 1024;
  if (volts > 4) { return 0; }
  int raw = analogRead(A0);
  return volts;
}`;

test('a declaration is moved before the line that uses its name', () => {
  const told = declaredEarlier(LATE, 2, 'raw')!;
  expect(told.text).toBe('Move line 4 before line 2.');
  expect(applyTextEdit(LATE, told.edit)).toBe(`float warmth() {
  int raw = analogRead(A0);
  float volts = raw * 5.0 / 1024;
  if (volts > 4) { return 0; }
  return volts;
}`);
});

test.each([
  ['in another function', 'void a() {\n  b = raw;\n}\nvoid c() {\n  int raw = 3;\n}', 2],
  ['in a block of its own', 'void a() {\n  b = raw;\n  if (b) {\n    int raw = 3;\n  }\n}', 2],
  ['by no line', 'void a() {\n  b = raw;\n  raw = 3;\n}', 2],
  ['above', 'void a() {\n  int raw = 3;\n  b = raw;\n}', 3],
  ['by a line that gives it back', 'int a() {\n  b = raw;\n  return raw;\n}', 2],
])('and not where it is declared %s', (_, source, line) => {
  expect(declaredEarlier(source, line, 'raw')).toBeUndefined();
});
