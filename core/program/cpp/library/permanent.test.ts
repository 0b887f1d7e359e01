import { describe, expect, test } from 'vitest';
import { printedBy, runOn } from '../../../testing/bench';

const run = (body: string, board = 'learner-5v', before = ''): readonly string[] =>
  printedBy(
    runOn({
      board,
      source: `#include <EEPROM.h>\n${before}void setup() { Serial.begin(9600); ${body} }\nvoid loop() { }`,
    }),
  )
    .trim()
    .split(/\s+/);

describe('memory that a reset leaves as it is', () => {
  test.each([
    ['int n = 0; int m = -1234; EEPROM.put(4, m); EEPROM.get(4, n); Serial.println(n);', ['-1234']],
    [
      'int m = 258; EEPROM.put(0, m); Serial.println(EEPROM.read(0)); Serial.println(EEPROM.read(1));',
      ['2', '1'],
    ],
    ['float x; float y = 2.5; EEPROM.put(0, y); EEPROM.get(0, x); Serial.println(x);', ['2.50']],
    ['byte a[3] = {7, 8, 9}; byte b[3]; EEPROM.put(10, a); EEPROM.get(10, b); Serial.println(b[2]);', ['9']],
    ['unsigned long t; EEPROM.get(0, t); Serial.println(t);', ['4294967295']],
    ['bool on = true; EEPROM.put(9, on); Serial.println(EEPROM.read(9));', ['1']],
  ])('keeps values of every type in its bytes: %s', (body, printed) => {
    expect(run(body)).toEqual(printed);
  });

  const score = 'struct Score { byte player; int points; float rate; };\n';
  const kept = 'Score a = {3, -500, 1.5}; Score b; EEPROM.put(0, a); EEPROM.get(0, b);';

  test('keeps a struct, packed on an eight-bit board and aligned on a wide one', () => {
    const print = `${kept} Serial.println(b.player); Serial.println(b.points); Serial.println(b.rate); Serial.println(EEPROM.read(1));`;
    expect(run(print, 'learner-5v', score)).toEqual(['3', '-500', '1.50', '12']);
    expect(run(print, 'wifi-3v3', score)).toEqual(['3', '-500', '1.50', '255']);
  });

  test('takes its time for what is changed alone', () => {
    const twice =
      'int m = 5; EEPROM.put(0, m); unsigned long t = millis(); EEPROM.put(0, m); Serial.println(millis() - t);';
    const other = twice.replace('EEPROM.put(0, m); Serial', 'EEPROM.put(8, m); Serial');
    expect(Number(run(twice)[0])).toBe(0);
    expect(Number(run(other)[0])).toBeGreaterThanOrEqual(6);
  });
});
