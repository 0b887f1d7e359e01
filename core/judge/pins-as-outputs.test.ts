import { describe, expect, test } from 'vitest';
import { exerciseSaid, type Said } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';

const lantern = (program: string, seen: readonly string[]): Said => ({
  id: 'lantern',
  board: 'learner-5v',
  lines: ['button on 2', 'orange LED on 9 with 330, dimmed'],
  program,
  scenarios: [{ name: 'burns', lasts: 6, done: ['press S1 at 1 s'], seen }],
});
const SETUP = 'void setup() {\n  pinMode(2, INPUT_PULLUP);\n  pinMode(9, OUTPUT);\n}\n';
const pressed = exerciseSaid(
  lantern(`${SETUP}void loop() {\n  if (digitalRead(2) == LOW) digitalWrite(9, HIGH);\n}\n`, [
    'D1 is off until 0.9 s',
    'D1 is on from 1.2 s',
  ]),
);
const flame = exerciseSaid(
  lantern(`${SETUP}void loop() {\n  analogWrite(9, random(60, 256));\n  delay(random(40, 120));\n}\n`, [
    'D1 flickers',
  ]),
);
describe('a pin that is read', () => {
  test('and made an output is told as that, and no input without its pull-up', () => {
    const [cause, more] = causesIn(pressed, { program: replaced(['INPUT_PULLUP', 'OUTPUT']) });
    expect(cause).toMatchObject({ code: 'pullup-unset', line: 2 });
    expect(cause!.message).toMatch(/^Line 2 makes pin 2 an output\./);
    expect(cause!.repair?.text).toBe('Write INPUT_PULLUP instead of OUTPUT in line 2.');
    expect(more).toBeUndefined();
  });

  test('and made an input without its pull-up is told as that', () => {
    const [cause] = causesIn(pressed, { program: replaced(['INPUT_PULLUP', 'INPUT']) });
    expect(cause).toMatchObject({ code: 'pullup-unset' });
    expect(cause!.repair?.text).toBe('Write INPUT_PULLUP instead of INPUT in line 2.');
  });
});

describe('an LED that a program dims', () => {
  const STEADY = `${SETUP}void loop() {\n  analogWrite(9, 120);\n}\n`;

  test('is not said to carry too little', () => {
    const { findings } = reportOnSlip(flame, { program: () => STEADY });
    expect(findings.map(({ code }) => code)).not.toContain('too-dim');
    expect(findings.find(({ cause }) => cause)?.message).toMatch(/ does not change .* it should flicker\./);
  });

  test('is so where its resistor is too large as well', () => {
    const { findings } = reportOnSlip(flame, {
      program: () => STEADY,
      rows: (table) => table.replaceAll(',resistor,330,', ',resistor,4.7k,'),
    });
    expect(findings.map(({ code }) => code)).toContain('too-dim');
  });
});
