import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';

const gauge = exerciseSaid({
  id: 'gauge',
  board: 'learner-5v',
  lines: ['ultrasonic on 7 and 8', 'red LED on 5', 'button on 2, pull-up'],
  program: `const int TRIG = 7;
const int ECHO = 8;
const int LAMP = 5;

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(LAMP, OUTPUT);
  pinMode(2, INPUT_PULLUP);
}

void loop() {
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  float metres = pulseIn(ECHO, HIGH) / 5800.0;
  digitalWrite(LAMP, metres < 0.2 || digitalRead(2) == LOW);
  delay(60);
}
`,
  scenarios: [
    {
      name: 'near',
      lasts: 4,
      done: ['something 1 m before X1 at 0 s', 'something 10 cm before X1 at 2 s'],
      seen: ['D1 is dark until 1.9 s', 'D1 is lit from 2.3 s'],
    },
    {
      name: 'pressed',
      lasts: 3,
      done: ['something 1 m before X1 at 0 s', 'press S1 at 1 s for 1 s'],
      seen: ['D1 is dark until 0.9 s', 'D1 is lit from 1.2 s to 1.9 s'],
    },
  ],
});

describe('a pin that no line made an output', () => {
  test('is a risk where something is wired to it, though this run passed', () => {
    const slip = { program: replaced(['  pinMode(TRIG, OUTPUT);\n', '']) };
    expect(reportOnSlip(gauge, slip).verdict).toBe('works-at-risk');
    const [cause] = causesIn(gauge, slip);
    expect(cause).toMatchObject({ code: 'direction-unset', line: 12 });
    expect(cause?.repair?.text).toContain('pinMode(TRIG, OUTPUT);');
  });

  test.each([
    ['with its direction', 'pinMode(2, INPUT);\n  digitalWrite(2, HIGH);'],
    ['without', 'digitalWrite(2, HIGH);'],
  ])('and is read has its pull-up switched on by what is written, %s', (_, pulls) => {
    const report = reportOnSlip(gauge, { program: replaced(['pinMode(2, INPUT_PULLUP);', pulls]) });
    expect(report.verdict).toBe('as-drawn');
    expect(report.findings.map(({ code }) => code)).not.toContain('direction-unset');
  });

  test('is advice where nothing is wired to it', () => {
    const report = reportOnSlip(gauge, {
      program: replaced(['  pinMode(TRIG, OUTPUT);', '  digitalWrite(12, HIGH);\n  pinMode(TRIG, OUTPUT);']),
    });
    expect(report.verdict).toBe('as-drawn');
    expect(report.findings.find(({ code }) => code === 'direction-unset')).toMatchObject({
      severity: 'advice',
    });
  });
});

test('a program in Python that sets an input stops there, and is told so', () => {
  const beacon = exerciseSaid({
    id: 'quiet-beacon',
    board: 'python-3v3',
    lines: ['red LED on D9'],
    program: `import time
import board
import digitalio

led = digitalio.DigitalInOut(board.D9)
led.direction = digitalio.Direction.OUTPUT
while True:
    led.value = True
    time.sleep(0.5)
    led.value = False
    time.sleep(0.5)
`,
    scenarios: [{ name: 'blinks', lasts: 5, done: [], seen: ['D1 lit 0.5 s, dark 0.5 s'] }],
  });
  const { findings } = reportOnSlip(beacon, {
    program: replaced(['led.direction = digitalio.Direction.OUTPUT\n', '']),
  });
  expect(findings.find(({ cause }) => cause)).toMatchObject({
    code: 'direction-unset',
    message:
      'Line 7 writes to pin D9, but no line made it an output. The board refuses that, and the program stops there.',
    repair: { text: 'Add led.direction = digitalio.Direction.OUTPUT after line 5.' },
  });
});
