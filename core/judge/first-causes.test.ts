import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, withoutParts, type SaidSlip } from '../testing/said-slips';

const pool = exerciseSaid({
  id: 'tide-pool',
  board: 'learner-5v',
  lines: [
    'temperature sensor on A2',
    'red LED on 5 with 330',
    'green LED on 6 with 330',
    'button on 4, pull-down 10k',
  ],
  program: `const int SENSOR = A2;
const int HOT = 5;
const int OK = 6;
const int TEST = 4;

void setup() {
  pinMode(HOT, OUTPUT);
  pinMode(OK, OUTPUT);
  pinMode(TEST, INPUT);
}

void loop() {
  float celsius = analogRead(SENSOR) * 5.0 / 1024.0 * 100.0 - 50.0;
  if (digitalRead(TEST) == HIGH) {
    digitalWrite(HOT, HIGH);
    digitalWrite(OK, HIGH);
  } else {
    digitalWrite(HOT, celsius > 27.0);
    digitalWrite(OK, celsius <= 27.0);
  }
  delay(50);
}
`,
  scenarios: [
    {
      name: 'the water warms',
      lasts: 4,
      done: ['warm T1 to 18 °C at 0 s', 'warm T1 to 38 °C at 2 s'],
      seen: ['D2 is on from 0.3 s to 1.9 s', 'D1 is off from 0.3 s to 1.9 s', 'D1 is on from 2.3 s to 4 s'],
    },
    {
      name: 'the test button',
      lasts: 4,
      done: ['warm T1 to 18 °C at 0 s', 'hold S1 from 1 s to 2 s'],
      seen: ['D1 is on from 1.2 s to 1.9 s', 'D1 is off from 2.2 s to 4 s'],
    },
  ],
});

const dimmer = exerciseSaid({
  id: 'cabin-light',
  board: 'python-3v3',
  lines: [
    'potentiometer on A1',
    'yellow LED on D9 with 220',
    'button on D5, pull-up',
    'passive buzzer on D10',
  ],
  program: `import board
import analogio
import digitalio
import pwmio
import time

knob = analogio.AnalogIn(board.A1)
lamp = pwmio.PWMOut(board.D9, frequency=1000)
button = digitalio.DigitalInOut(board.D5)
button.pull = digitalio.Pull.UP
buzzer = pwmio.PWMOut(board.D10, frequency=440, variable_frequency=True)

while True:
    lamp.duty_cycle = knob.value
    if not button.value:
        buzzer.frequency = 880
        buzzer.duty_cycle = 32768
    else:
        buzzer.duty_cycle = 0
    time.sleep(0.02)
`,
  scenarios: [
    {
      name: 'turned up',
      lasts: 4,
      done: ['turn P1 to 5 % at 0 s', 'turn P1 to 95 % at 2 s'],
      seen: [
        'D1 is between 8 and 14 % bright from 0.3 s to 1.9 s',
        'D1 is between 50 and 65 % bright from 2.3 s',
      ],
    },
    {
      name: 'pressed',
      lasts: 4,
      done: ['hold S1 from 1 s to 2 s'],
      seen: [
        'Z1 is silent until 0.9 s',
        'Z1 sounds at 880 Hz from 1.2 s to 1.9 s',
        'Z1 is silent from 2.2 s',
      ],
    },
  ],
});

const inTidePool: readonly SaidSlip[] = [
  {
    name: 'whole numbers divided',
    program: replaced(['* 5.0 / 1024.0 * 100.0', '* 5 / 1024 * 100']),
    code: 'integer-division',
  },
  {
    name: 'the pull-down in the plus rail',
    rows: (table) => table.replace(/(R3,resistor,10k,2,B1\.a)-/, '$1+'),
    code: 'pull-wrong-way',
  },
  {
    name: 'a reading before the loop',
    program: replaced(
      [
        '  pinMode(TEST, INPUT);\n',
        '  pinMode(TEST, INPUT);\n  celsius = analogRead(SENSOR) * 5.0 / 1024.0 * 100.0 - 50.0;\n',
      ],
      ['  float celsius = analogRead(SENSOR) * 5.0 / 1024.0 * 100.0 - 50.0;\n', ''],
      ['const int TEST = 4;', 'const int TEST = 4;\nfloat celsius;'],
    ),
    code: 'missed-input',
  },
];

/** One button goes through three colours; a second program does so with a switch. */
const signal = exerciseSaid({
  id: 'signal-colours',
  board: 'learner-5v',
  lines: ['RGB LED on 9, 10, 11 with 220', 'button on 2, pull-up', 'motor on 5'],
  program: `const int RED = 9;
const int GREEN = 10;
const int BLUE = 11;
const int NEXT = 2;
const int FAN = 5;
int mode = 0;
int before = HIGH;

void show(bool r, bool g, bool b) {
  digitalWrite(RED, r);
  digitalWrite(GREEN, g);
  digitalWrite(BLUE, b);
}

void setup() {
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(BLUE, OUTPUT);
  pinMode(FAN, OUTPUT);
  pinMode(NEXT, INPUT_PULLUP);
}

void loop() {
  int now = digitalRead(NEXT);
  if (before == HIGH && now == LOW) {
    mode = (mode + 1) % 3;
  }
  before = now;
  digitalWrite(FAN, mode == 2);
  if (mode == 0) show(true, false, false);
  else if (mode == 1) show(false, true, false);
  else show(false, false, true);
  delay(20);
}
`,
  scenarios: [
    {
      name: 'three presses',
      lasts: 5,
      done: ['press S1 at 1 s for 0.2 s', 'press S1 at 2 s for 0.25 s', 'press S1 at 3 s for 0.3 s'],
      seen: [
        'D1 is red from 0.1 s to 0.9 s',
        'D1 is green from 1.3 s to 1.9 s',
        'D1 is blue from 2.3 s to 2.9 s',
        'M1 turns from 2.4 s to 2.9 s',
        'D1 is red from 3.3 s to 5 s',
      ],
    },
  ],
});

const inSignal: readonly SaidSlip[] = [
  {
    name: 'two pins in each other’s places in a program',
    program: replaced(['RED = 9', 'RED = 11'], ['BLUE = 11', 'BLUE = 9']),
    code: 'pin-disagrees',
    repair: 'Exchange 11 in line 1 and 9 in line 3.',
  },
  {
    name: 'a variable made anew each time round',
    program: replaced(
      ['int mode = 0;\n', ''],
      ['  int now = digital', '  int mode = 0;\n  int now = digital'],
    ),
    code: 'state-reset',
  },
  {
    name: 'a word of another language',
    program: replaced(['else if (mode == 1)', 'elseif (mode == 1)']),
    code: 'syntax-other',
    repair: 'Write else if instead of elseif in line 31.',
  },
  {
    name: 'a case that goes on into the next',
    program: (source) =>
      source.replace(
        / {2}if \(mode == 0\)[\s\S]*?true\);\n/,
        `  switch (mode) {
    case 0: show(true, false, false);
    case 1: show(false, true, false); break;
    default: show(false, false, true);
  }
`,
      ),
    code: 'colour-off',
    repair: 'Add break; at the end of line 31.',
  },
  {
    name: 'a diode left out',
    rows: withoutParts('D2'),
    code: 'inductive-no-diode',
  },
];

const inCabin: readonly SaidSlip[] = [
  {
    name: 'an import left out',
    program: replaced(['import pwmio\n', '']),
    code: 'name-unknown',
    repair: 'Add import pwmio after line 3.',
  },
  {
    name: 'a pull left out',
    program: replaced(['button.pull = digitalio.Pull.UP\n', '']),
    code: 'pullup-unset',
    repair: 'Add button.pull = digitalio.Pull.UP after line 9.',
  },
  {
    name: 'a pull to the wrong side',
    program: replaced(['Pull.UP', 'Pull.DOWN']),
    code: 'pull-wrong-way',
    repair: 'Write UP instead of DOWN in line 10.',
  },
  {
    name: 'a “not” left out',
    program: replaced(['if not button.value', 'if button.value']),
    code: 'logic-inverted',
    repair: 'Write not button.value instead of button.value in line 15.',
  },
  {
    name: 'a name that the thing does not have',
    program: replaced(['lamp.duty_cycle', 'lamp.value']),
    code: 'runtime-error',
    repair: 'Write duty_cycle instead of value in line 14.',
  },
  {
    name: 'a value read before the loop',
    program: replaced(
      ['while True:\n', 'level = knob.value\nwhile True:\n'],
      ['lamp.duty_cycle = knob.value', 'lamp.duty_cycle = level'],
    ),
    code: 'missed-input',
    repair: 'Write knob.value instead of level in line 15.',
  },
];

const all = [
  ...inTidePool.map((slip) => [slip.name, pool, slip] as const),
  ...inSignal.map((slip) => [slip.name, signal, slip] as const),
  ...inCabin.map((slip) => [slip.name, dimmer, slip] as const),
];

describe('the first cause', () => {
  test.each(all)('of %s is what an instructor would call it', (_, exercise, slip) => {
    const causes = causesIn(exercise, slip);
    expect(causes.map(({ code }) => code)).toEqual([slip.code]);
    if (slip.repair !== undefined) expect(causes[0]!.repair?.text).toBe(slip.repair);
    // Nobody is told to look behind a line for what stands in it, and no sentence ends twice.
    const [{ message, hints }] = causes as [(typeof causes)[number]];
    for (const text of [message, ...hints]) expect(text).not.toMatch(/\.\.(?!\.)/);
  });

  test('of a line that floats says what comes of it, where something does', () => {
    const [cause] = causesIn(dimmer, inCabin[1]!);
    expect(cause!.message).toMatch(/While it reads low, the passive buzzer Z1 (?:sounds|is silent)/);
    expect(cause!.message).not.toMatch(/^(?=.*reads low, all is as)(?=.*reads high, all is as)/);
  });
});
