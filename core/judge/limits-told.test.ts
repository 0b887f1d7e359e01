import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';

const BRANCHES = `if (cm < 20) {
    digitalWrite(4, HIGH);
  } else if (cm < 50) {
    digitalWrite(5, HIGH);
  }`;
const parking = exerciseSaid({
  id: 'parking',
  board: 'learner-5v',
  lines: ['traffic light on 4, 5, 6 with 330', 'distance sensor on 8, 9'],
  program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(4, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}

void loop() {
  digitalWrite(8, HIGH);
  delayMicroseconds(10);
  digitalWrite(8, LOW);
  long cm = pulseIn(9, HIGH) / 58;
  digitalWrite(4, LOW);
  digitalWrite(5, LOW);
  digitalWrite(6, LOW);
  ${BRANCHES} else {
    digitalWrite(6, HIGH);
  }
  delay(100);
}
`,
  scenarios: [
    {
      name: 'comes nearer',
      lasts: 6,
      done: [
        'something 1 m before X1 at 0 s',
        'something 0.4 m before X1 at 2 s',
        'something 0.1 m before X1 at 4 s',
      ],
      seen: [
        'green is on from 0.5 s to 2 s',
        'yellow is on from 2.3 s to 4 s',
        'red is on from 4.3 s to 6 s',
        'red is off from 0 s to 4 s',
      ],
    },
  ],
});
const judged = (program: (text: string) => string) => {
  const report = reportOnSlip(parking, { program });
  const causes = report.findings.filter(({ cause }) => cause);
  return { ...report, causes, cause: causes[0]! };
};

describe('questions that stand in the wrong order', () => {
  test.each([
    [
      'with braces',
      'if (cm < 50) {\n    digitalWrite(5, HIGH);\n  } else if (cm < 20) {\n    digitalWrite(4, HIGH);\n  }',
    ],
    ['without', 'if (cm < 50) digitalWrite(5, HIGH);\n  else if (cm < 20) digitalWrite(4, HIGH);'],
  ])('are exchanged with what belongs to each: %s', (_, by) => {
    const { causes, cause } = judged((text) => text.replace(BRANCHES, by));
    expect(causes.map(({ code }) => code)).toEqual(['always-true']);
    expect(cause.repair?.text).toMatch(
      /^Ask for cm < 20 in line 16 and for cm < 50 in line 1[78], each with what belongs to it\.$/,
    );
  });

  test('are not, where only their limits are in each other’s places', () => {
    const { causes, cause } = judged((text) =>
      text.replace('cm < 20', 'cm < 51').replace('cm < 50', 'cm < 20').replace('51', '50'),
    );
    expect(causes).toHaveLength(1);
    expect(cause.message).toContain('50 in line 16 and 20 in line 18 are in each other’s places.');
    expect(cause.repair?.text).toBe('Exchange 50 in line 16 and 20 in line 18.');
  });
});

describe('a moment in which an LED is off before it is lit again', () => {
  test('is nothing that a build which passes is told', () => {
    const { verdict, findings } = judged((text) =>
      text.replace('} else {\n    digitalWrite(6', '}\n  if (cm >= 50) {\n    digitalWrite(6'),
    );
    expect(verdict).toBe('as-drawn');
    expect(findings.map(({ code }) => code)).not.toContain('missing-pause');
  });

  test('is no cause of a number that is worked out wrongly', () => {
    const { cause } = judged((text) => text.replace('/ 58', '/ 29'));
    expect(cause.code).not.toBe('missing-pause');
    expect(cause.repair?.text).toBe('Write 58 instead of 29 in line 12.');
  });
});

describe('a whole number in the place of one with decimals', () => {
  const fan = exerciseSaid({
    id: 'fan',
    board: 'learner-5v',
    lines: ['temperature sensor on A0', 'red LED on 7 with 330'],
    program: `float celsius() {
  float volts = analogRead(A0) * 5.0 / 1023;
  return (volts - 0.5) * 100;
}

void setup() {
  pinMode(7, OUTPUT);
}

void loop() {
  float t = celsius();
  digitalWrite(7, t > 30.5);
  delay(20);
}
`,
    scenarios: [
      {
        name: 'warm',
        lasts: 6,
        done: ['warm T1 to 30.2 °C at 0 s', 'warm T1 to 30.9 °C at 3 s'],
        seen: ['the LED is off from 0.5 s to 3 s', 'the LED is on from 3.2 s'],
      },
    ],
  });

  test.each([
    ['float volts', 'int volts', 'Line 2 makes volts a whole number (int), so', 2],
    ['float celsius', 'int celsius', 'Line 1 lets celsius give back whole numbers (int), so', 1],
    ['float t =', 'long t =', 'Line 11 makes t a whole number (long), so', 11],
  ])('is told as that: %s', (was, is, message, line) => {
    const report = reportOnSlip(fan, { program: (text) => text.replace(was, is) });
    const [cause, more] = report.findings.filter((finding) => finding.cause);
    expect(more).toBeUndefined();
    expect(cause).toMatchObject({ code: 'integer-division', line });
    expect(cause!.message).toContain(message);
    expect(cause!.repair?.text).toBe(`Write float instead of ${is.split(' ')[0]} in line ${line}.`);
  });
});
