import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, withoutParts } from '../testing/said-slips';

const HEAD = `import board
import digitalio
import time

left = digitalio.DigitalInOut(board.D2)
left.switch_to_input(pull=digitalio.Pull.UP)
right = digitalio.DigitalInOut(board.D3)
right.switch_to_input(pull=digitalio.Pull.UP)
red = digitalio.DigitalInOut(board.D8)
red.switch_to_output()
green = digitalio.DigitalInOut(board.D9)
green.switch_to_output()

`;
const race = exerciseSaid({
  id: 'first-to-press',
  board: 'python-3v3',
  lines: ['button on D2', 'button on D3', 'red LED on D8', 'green LED on D9'],
  program: `${HEAD}while True:
    if not left.value:
        red.value = True
        time.sleep(2)
        red.value = False
    elif not right.value:
        green.value = True
        time.sleep(2)
        green.value = False
    time.sleep(0.01)
`,
  scenarios: [
    {
      name: 'left',
      lasts: 6,
      done: ['press S1 at 1 s', 'press S2 at 1.5 s'],
      seen: ['D1 is on from 1.1 s to 2.9 s', 'D1 is off from 3.2 s', 'D2 is never lit'],
    },
    {
      name: 'right',
      lasts: 6,
      done: ['press S2 at 1 s', 'press S1 at 1.5 s'],
      seen: ['D2 is on from 1.1 s to 2.9 s', 'D1 is never lit', 'D2 is off from 3.2 s'],
    },
  ],
});

describe('a press that the exercise misses on purpose is no cause', () => {
  test.each([
    [
      'an LED that stays on',
      '        red.value = False\n',
      '',
      'not-dark',
      'Add red.value = False after line',
    ],
    [
      'an LED that is on too shortly',
      'red.value = True\n        time.sleep(2)',
      'red.value = True\n        time.sleep(0.2)',
      'timing-off',
      'Write 2 instead of 0.2',
    ],
    [
      'a question that asks for text',
      'not left.value',
      'left.value == "0"',
      'always-true',
      'Write False instead',
    ],
  ] as const)('of %s', (_, there, by, code, repair) => {
    const [first] = causesIn(race, { program: replaced([there, by]) });
    expect(first).toMatchObject({ code, repair: { text: expect.stringContaining(repair) } });
  });

  test('but one that only the program misses is', () => {
    const slow = replaced(['time.sleep(0.01)', 'time.sleep(1.4)']);
    expect(causesIn(race, { program: slow })[0]).toMatchObject({ code: 'missed-input' });
  });
});

describe('a program without a loop', () => {
  test('is given one, with all that belongs into it', () => {
    const once = race.data.program.replace('while True:\n', '').replace(/\n {4}/g, '\n');
    const [first] = causesIn(race, { program: () => once });
    expect(first?.message).toContain('each runs once, from the top to the bottom');
    const edits = first?.repair?.edits ?? [];
    const mended = edits.reduce((text, edit) => {
      if (!('replace' in edit)) return text;
      const { line, column, length, by } = edit.replace;
      const lines = text.split('\n');
      const own = lines[line - 1]!;
      lines[line - 1] = own.slice(0, column - 1) + by + own.slice(column - 1 + length);
      return lines.join('\n');
    }, once);
    expect(mended.replace(/\n+/g, '\n')).toBe(race.data.program.replace(/\n+/g, '\n'));
    expect(hasPassed(reportOnSlip(race, { program: () => mended }).verdict)).toBe(true);
  });
});

test('a board that an exercise feeds with nothing is the cause before any line of its program', () => {
  const fed = (lines: readonly string[]) =>
    exerciseSaid({
      id: 'night-light',
      board: 'chip-8',
      lines,
      program: 'void setup() {\n  pinMode(0, OUTPUT);\n  digitalWrite(0, HIGH);\n}\nvoid loop() {}\n',
      scenarios: [{ name: 'on', lasts: 2, done: [], seen: ['D1 is on from 0.2 s'] }],
    });
  const [first] = causesIn(fed(['yellow LED on 0']), {});
  expect(first).toMatchObject({ code: 'rail-unpowered', message: expect.stringContaining('has no power') });
  const battery = fed(['yellow LED on 0', '4.5 V battery']);
  expect(causesIn(battery, {})).toEqual([]);
  expect(causesIn(battery, { rows: withoutParts('G1') })[0]).toMatchObject({ code: 'part-missing' });
});
