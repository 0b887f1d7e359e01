import { describe, expect, test } from 'vitest';
import type { Language } from '../../program';
import { tokensOf } from './token-places';
import { areAlike, holdingsOf, isInCall, mayBeFraction } from './what-names-hold';

const holds = (source: string, language: Language, name: string) =>
  holdingsOf(tokensOf(source, language), language).get(name);

describe('what a name holds', () => {
  test.each([
    ['bool on = false;', 'on', 'truth'],
    ['boolean on;', 'on', 'truth'],
    ['int count = 0;', 'count', 'whole'],
    ['unsigned long last = 0;\nvoid loop() { last = millis(); }', 'last', 'moment'],
    ['unsigned long due;\nvoid loop() { due = millis() - 5; }', 'due', 'whole'],
    ['float warmth;', 'warmth', 'fraction'],
    ['int level = 1;\nvoid loop() { level = 0.5; }', 'level', 'fraction'],
    ['int state = digitalRead(2);', 'state', 'truth'],
    ['int reading = analogRead(A0);', 'reading', 'whole'],
    ['int led = 9;\nvoid setup() { pinMode(led, OUTPUT); }', 'led', 'pin'],
    ['const byte LED = 9;\nvoid loop() { analogWrite(LED, 3); }', 'LED', 'pin'],
    ['String name;', 'name', 'text'],
    ['int pins[] = {2, 3};', 'pins', 'list'],
    ['Servo arm;', 'arm', 'object'],
    ['bool isDown = digitalRead(2) == LOW;', 'isDown', 'truth'],
  ])('%s', (source, name, held) => {
    expect(holds(source, 'cpp', name)).toBe(held);
  });

  test.each([
    ['on = False', 'on', 'truth'],
    ['on = not other', 'on', 'truth'],
    ['is_low = level < 300', 'is_low', 'truth'],
    ['count = 0', 'count', 'whole'],
    ['pause = 0.5', 'pause', 'fraction'],
    ['last = time.monotonic()', 'last', 'moment'],
    ['passed = time.monotonic() - last', 'passed', 'whole'],
    ['word = "hello"', 'word', 'text'],
    ['times = [1, 2]', 'times', 'list'],
    ['led = digitalio.DigitalInOut(board.D5)', 'led', 'object'],
    ['led = DigitalInOut(board.D5)', 'led', 'object'],
    ['level = sensor.value', 'level', undefined],
  ])('%s', (source, name, held) => {
    expect(holds(source, 'python', name)).toBe(held);
  });

  test('numbers are alike, and what is not known is like anything', () => {
    expect(areAlike('whole', 'fraction')).toBe(true);
    expect(areAlike(undefined, 'truth')).toBe(true);
    expect(areAlike('truth', 'whole')).toBe(false);
    expect(areAlike('pin', 'whole')).toBe(false);
  });
});

describe('whether a number may have a point', () => {
  const may = (source: string, language: Language, text: string): boolean => {
    const tokens = tokensOf(source, language);
    const at = tokens.findIndex((token) => token.text === text);
    return mayBeFraction(tokens, at, holdingsOf(tokens, language), language);
  };
  test.each([
    ['delay(500);', '500', false],
    ['int count = 3;', '3', false],
    ['float limit = 30;', '30', true],
    ['float t;\nvoid loop() { if (t > 30) {} }', '30', true],
    ['int n;\nvoid loop() { if (n > 30) {} }', '30', false],
    ['int n;\nvoid loop() { if (30 < n) {} }', '30', false],
    ['x = list[2];', '2', false],
    ['x = reading * 5;', '5', true],
    ['x = 0.5;', '0.5', true],
  ])('in C++: %s', (source, text, expected) => {
    expect(may(source, 'cpp', text)).toBe(expected);
  });
  test.each([
    ['time.sleep(1)', '1', true],
    ['mode = 1', '1', false],
    ['mode = 0\nif mode > 2:\n    pass', '2', false],
    ['last = time.monotonic()\nif time.monotonic() - last > 5:\n    pass', '5', true],
    ['for i in range(4):\n    pass', '4', false],
  ])('in Python: %s', (source, text, expected) => {
    expect(may(source, 'python', text)).toBe(expected);
  });

  test('a value is in the call whose parentheses are the nearest around it', () => {
    const tokens = tokensOf('map(analogRead(A0), 0, 1023, 0, 255);', 'cpp');
    const at = (text: string): number => tokens.findIndex((token) => token.text === text);
    expect(isInCall(tokens, at('1023'), /^map$/)).toBe(true);
    expect(isInCall(tokens, at('A0'), /^map$/)).toBe(false);
    expect(isInCall(tokens, at('A0'), /^analogRead$/)).toBe(true);
  });
});
