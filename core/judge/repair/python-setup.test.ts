import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../program/problem';
import { pinsSetUp } from './python-setup';

const mended = (source: string): readonly string[] =>
  pinsSetUp(source).map(({ edits }) => edits.reduce(applyTextEdit, source));

const WHOLE = `import board
import digitalio
led = digitalio.DigitalInOut(board.D5)
led.direction = digitalio.Direction.OUTPUT
key = digitalio.DigitalInOut(board.D9)
key.direction = digitalio.Direction.INPUT
key.pull = digitalio.Pull.UP
while True:
    led.value = not key.value
`;
const ONE_BY_ONE = WHOLE.replace(
  'import digitalio',
  'from digitalio import DigitalInOut, Direction, Pull',
).replaceAll('digitalio.', '');

describe('a pin that is not set up', () => {
  test.each([
    ['whole modules', WHOLE],
    ['names one by one', ONE_BY_ONE],
  ])('lacks nothing where it is, with %s', (_, source) => {
    expect(pinsSetUp(source)).toEqual([]);
  });

  test.each([
    [WHOLE, 'led.direction = digitalio.Direction.OUTPUT\n'],
    [WHOLE, 'key.pull = digitalio.Pull.UP\n'],
    [ONE_BY_ONE, 'led.direction = Direction.OUTPUT\n'],
    [ONE_BY_ONE, 'key.pull = Pull.UP\n'],
  ])('gets the line in the manner of its program: %#', (source, line) => {
    expect(mended(source.replace(line, ''))).toEqual([source]);
  });

  test('gets the name imported that the line needs', () => {
    const source = ONE_BY_ONE.replace(', Pull', '').replace('key.pull = Pull.UP\n', '');
    expect(mended(source)).toEqual([ONE_BY_ONE]);
  });

  test('gets the pull in the call that makes it an input', () => {
    const source = WHOLE.replace(
      'key.direction = digitalio.Direction.INPUT\nkey.pull = digitalio.Pull.UP\n',
      'key.switch_to_input(pull=digitalio.Pull.UP)\n',
    );
    expect(mended(source)).toEqual([]);
    expect(mended(source.replace('pull=digitalio.Pull.UP', ''))).toEqual([source]);
  });
});
