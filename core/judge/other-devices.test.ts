import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, type SaidSlip } from '../testing/said-slips';

/** A parking helper: a measured time becomes a distance, and that a rhythm of beeps. */
const helper = exerciseSaid({
  id: 'parking-helper',
  board: 'learner-5v',
  lines: [
    'distance sensor on 7, 8',
    'passive buzzer on 5',
    'red LED on 12 with 220',
    'green LED on 11 with 220',
  ],
  program: `const int TRIG = 7;
const int ECHO = 8;
const int BUZZER = 5;
const int RED = 12;
const int GREEN = 11;

long distance() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  long micros = pulseIn(ECHO, HIGH, 30000);
  return micros / 58;
}

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(BUZZER, OUTPUT);
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
}

void loop() {
  long cm = distance();
  digitalWrite(GREEN, cm > 50);
  digitalWrite(RED, cm <= 10);
  if (cm > 50) {
    noTone(BUZZER);
    delay(100);
  } else if (cm > 10) {
    tone(BUZZER, 880);
    delay(100);
    noTone(BUZZER);
    delay(cm * 10);
  } else {
    tone(BUZZER, 880);
    delay(100);
  }
}
`,
  scenarios: [
    {
      name: 'far',
      lasts: 2,
      done: ['the wall is 1 m away'],
      seen: ['D2 is on from 0.3 s', 'D1 is off from 0.3 s', 'Z1 is silent'],
    },
    {
      name: 'near',
      lasts: 3,
      done: ['distance is 30 cm'],
      seen: [
        'D1 is off',
        'D2 is off from 0.3 s',
        'Z1 sounds at 880 Hz',
        'Z1 chirps 7 times, give or take 20 %',
      ],
    },
    {
      name: 'very near',
      lasts: 2,
      done: ['distance is 8 cm'],
      seen: ['D1 is on from 0.3 s', 'Z1 sounds all the time from 0.3 s'],
    },
  ],
});

const inHelper: readonly SaidSlip[] = [
  {
    name: 'the two lines of the sensor in each other’s places',
    rows: replaced(['U1.7', 'U1.99'], ['U1.8', 'U1.7'], ['U1.99', 'U1.8']),
    code: 'wrong-pin',
  },
  {
    name: 'half of the division',
    program: replaced(['/ 58', '/ 29']),
    code: 'not-lit',
    repair: 'Write 58 instead of 29 in line 14.',
  },
  {
    name: 'no division',
    program: replaced([' / 58', '']),
    code: 'not-lit',
    repair: 'Write micros / 58 instead of micros in line 14.',
  },
  {
    name: 'a pulse that does not end',
    program: replaced(['delayMicroseconds(10);\n  digitalWrite(TRIG, LOW);\n', 'delayMicroseconds(10);\n']),
    code: 'timing-off',
    repair: 'Add digitalWrite(TRIG, LOW); after line 11.',
  },
  {
    name: 'the echo as an output',
    program: replaced(['pinMode(ECHO, INPUT)', 'pinMode(ECHO, OUTPUT)']),
    code: 'not-lit',
    repair: 'Write INPUT instead of OUTPUT in line 19.',
  },
  {
    name: 'nothing given back',
    program: replaced(['return micros / 58', 'long cm = micros / 58']),
    code: 'not-lit',
    repair: 'Write return instead of long cm = in line 14.',
  },
  {
    name: 'a function that is not called',
    program: replaced(['long cm = distance();', 'long cm = distance;']),
    code: 'arguments',
    repair: 'Write distance() instead of distance in line 26.',
  },
  {
    name: 'slower the nearer',
    program: replaced(['delay(cm * 10)', 'delay(1000 - cm * 10)']),
    code: 'count-wrong',
    repair: 'Remove 1000 - in line 36.',
  },
];

describe('a parking helper', () => {
  test('passes with its own build, counts being off by as much as is said', () => {
    expect(reportOnSlip(helper, {})).toMatchObject({ verdict: 'as-drawn' });
  });

  test.each(inHelper)('with a slip, $name, is told its cause', ({ code, repair, ...slip }) => {
    const causes = causesIn(helper, slip);
    expect(causes.map((cause) => cause.code)).toEqual([code]);
    expect(causes[0]!.repair).toBeDefined();
    if (repair !== undefined) expect(causes[0]!.repair!.text).toBe(repair);
  });

  test('says nothing of a glow where no LED is', () => {
    const { findings } = reportOnSlip(helper, {
      program: replaced(['pinMode(TRIG, OUTPUT)', 'pinMode(TRIG, INPUT)']),
    });
    const [told] = findings.filter(({ code }) => code === 'direction-unset');
    expect(told!.message).not.toContain('glow');
  });
});

/** A mood light in Python: a function that is given three values in order. */
const mood = exerciseSaid({
  id: 'mood-light',
  board: 'python-3v3',
  lines: ['RGB LED on 9, 10, 11 with 220', 'potentiometer on A0'],
  program: `import time
import board
import analogio
import pwmio

red = pwmio.PWMOut(board.D9, frequency=1000, duty_cycle=0)
green = pwmio.PWMOut(board.D10, frequency=1000, duty_cycle=0)
blue = pwmio.PWMOut(board.D11, frequency=1000, duty_cycle=0)
knob = analogio.AnalogIn(board.A0)

def show(r, g, b):
    red.duty_cycle = r
    green.duty_cycle = g
    blue.duty_cycle = b

while True:
    value = knob.value
    if value < 20000:
        show(65535, 0, 0)
    elif value < 45000:
        show(0, 65535, 0)
    else:
        show(0, 0, 65535)
    time.sleep(0.02)
`,
  scenarios: [
    {
      name: 'colours',
      lasts: 4,
      done: ['P1 is at 10 %', 'turn P1 to 50 % at 1.5 s', 'turn P1 to 90 % at 3 s'],
      seen: ['D1 is red from 0.2 s to 1.4 s', 'D1 is green from 1.7 s to 2.9 s', 'D1 is blue from 3.2 s'],
    },
  ],
});

describe('a mood light', () => {
  test('with two values in each other’s places is not mended by another question that happens to do', () => {
    const causes = causesIn(mood, {
      program: replaced(
        ['duty_cycle = g', 'duty_cycle = x'],
        ['duty_cycle = b', 'duty_cycle = g'],
        ['duty_cycle = x', 'duty_cycle = b'],
      ),
    });
    expect(causes.map(({ repair }) => repair?.text)).toEqual(['Exchange b in line 13 and g in line 14.']);
  });

  test('that blinks is not red all the time', () => {
    const { findings } = reportOnSlip(mood, {
      program: replaced([
        '        show(65535, 0, 0)',
        '        show(65535, 0, 0)\n        time.sleep(0.3)\n        show(0, 0, 0)\n        time.sleep(0.2)',
      ]),
    });
    const told = findings.find(({ code }) => code === 'colour-off');
    expect(told?.message).toMatch(/is red only part of the time: it is dark from 0\.\d+ s to/);
  });
});
