import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../expectations';
import { proposedScenarios } from '../generated/proposals';
import { grammars } from '../testing/beacon';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, type SaidSlip } from '../testing/said-slips';

type Slip = SaidSlip & { readonly says?: string };

const barrier = exerciseSaid({
  id: 'barrier',
  board: 'learner-5v',
  lines: ['servo on 9'],
  program: `#include <Servo.h>

Servo barrier;

void setup() {
  barrier.attach(9);
}

void loop() {
  for (int angle = 0; angle <= 180; angle++) {
    barrier.write(angle);
    delay(10);
  }
  for (int angle = 180; angle >= 0; angle--) {
    barrier.write(angle);
    delay(10);
  }
}
`,
  scenarios: [{ name: 'sweeps', lasts: 12, done: [], seen: ['M1 sweeps from 0 to 180 and back in 1.8 s'] }],
});

const barrierSlips: readonly Slip[] = [
  {
    name: 'comes back at once',
    program: (source) => source.replace(/ {2}for \(int angle = 180;[\s\S]*?\n {2}\}\n/, ''),
    code: 'timing-off',
    says: 'jumps from 180° to 0°',
  },
  {
    name: 'half of the way',
    program: replaced(['angle <= 180', 'angle <= 90']),
    code: 'timing-off',
    says: 'jumps from 90° to 180°',
    repair: 'Write 180 instead of 90 in line 10.',
  },
  {
    name: 'steps as wide as the eye sees',
    program: replaced(['angle++', 'angle += 60']),
    code: 'timing-off',
    repair: 'Write ++ instead of += 60 in line 10.',
  },
  {
    name: 'without a pause',
    program: replaced(['(angle);\n    delay(10);', '(angle);']),
    code: 'timing-off',
    repair: 'Add delay(10); after line 11.',
  },
  {
    name: 'three times as slow',
    program: replaced(['delay(10)', 'delay(30)']),
    code: 'timing-off',
    says: 'to turn from 0° to 180°; it should sweep from 0° to 180° and back, in 1.8 s each way.',
    repair: 'Write 10 instead of 30 in line 12.',
  },
  {
    name: 'counts away from where it should go',
    program: replaced(['angle++', 'angle--']),
    code: 'no-response',
    says: 'stays at 0°',
    repair: 'Write ++ instead of -- in line 10.',
  },
  {
    name: 'begins too far',
    program: replaced(['angle = 0', 'angle = 20']),
    code: 'timing-off',
    says: 'jumps from 0° to 20°',
    repair: 'Write 0 instead of 20 in line 10.',
  },
  {
    name: 'is never attached',
    program: replaced(['  barrier.attach(9);\n', '']),
    code: 'angle-off',
    says: 'gets no signal it can follow',
    repair: 'Add barrier.attach(9); after line 5.',
  },
  { name: 'on another pin', program: replaced(['attach(9)', 'attach(10)']), code: 'pin-disagrees' },
];

const dimmer = exerciseSaid({
  id: 'dimmer',
  board: 'learner-5v',
  lines: ['red LED on 9 with 220', 'potentiometer on A0'],
  program: `const int LED = 9;
const int KNOB = A0;

void setup() {
  pinMode(LED, OUTPUT);
}

void loop() {
  int reading = analogRead(KNOB);
  int level = map(reading, 0, 1023, 0, 255);
  analogWrite(LED, level);
  delay(20);
}
`,
  scenarios: [
    { name: 'dims', lasts: 8, done: ['turn P1 from 0 to 100 % in 4 s'], seen: ['P1 dims the LED'] },
  ],
});

const dimmerSlips: readonly Slip[] = [
  {
    name: 'begins again at every quarter',
    program: replaced(['analogWrite(LED, level)', 'analogWrite(LED, reading)']),
    code: 'out-of-range',
    repair: 'Write level instead of reading in line 11.',
  },
  {
    name: 'the ends of the range exchanged',
    program: replaced(['0, 255', '255, 0']),
    code: 'wrong-direction',
    says: 'gets darker while P1 goes from',
    repair: 'Write 0, 255 instead of 255, 0 in line 10.',
  },
  {
    name: 'on or off only',
    program: replaced(['analogWrite(LED, level)', 'digitalWrite(LED, level > 127)']),
    code: 'no-response',
    says: 'while P1 goes from',
  },
  {
    name: 'on or off by any reading',
    program: replaced(['analogWrite', 'digitalWrite']),
    code: 'no-response',
    says: 'stays 83 % bright while P1 goes from',
    repair: 'Write analogWrite instead of digitalWrite in line 11.',
  },
  { name: 'reads another pin', program: replaced(['A0', 'A1']), code: 'pin-disagrees' },
  { name: 'a pin that cannot dim', program: replaced(['LED = 9', 'LED = 8']), code: 'pin-lacks-function' },
];

const fan = exerciseSaid({
  id: 'fan',
  board: 'learner-5v',
  lines: ['motor on 5 with transistor', 'temperature sensor on A0', 'relay on 7', 'button on 2, pull-up'],
  program: `const int FAN = 5;

void setup() {
  pinMode(FAN, OUTPUT);
  pinMode(7, OUTPUT);
  pinMode(2, INPUT_PULLUP);
  Serial.begin(9600);
}

void loop() {
  int reading = analogRead(A0);
  analogWrite(FAN, constrain(map(reading, 140, 185, 40, 255), 0, 255));
  digitalWrite(7, digitalRead(2) == LOW);
  if (digitalRead(2) == LOW) Serial.println("pressed");
  delay(20);
}
`,
  scenarios: [
    {
      name: 'warmer',
      lasts: 9,
      done: ['the temperature rises from 20 to 38 °C in 5 s'],
      seen: ['M1 turns faster the warmer it gets', 'never prints "pressed"'],
    },
    {
      name: 'pressed',
      lasts: 5,
      done: ['press S1 at 1 s for 1 s'],
      seen: ['K1 goes on when S1 is pressed', 'K1 is let go from 2.2 s', 'prints "pressed"'],
    },
  ],
});

const fanSlips: readonly Slip[] = [
  {
    name: 'slower when it gets warm',
    program: replaced(['40, 255)', '255, 40)']),
    code: 'wrong-direction',
    says: 'turns more slowly while',
  },
  { name: 'on or off', program: replaced(['analogWrite(FAN', 'digitalWrite(FAN']), code: 'no-response' },
  {
    name: 'the relay answers the wrong way',
    program: replaced(['7, digitalRead(2) == LOW', '7, digitalRead(2) == HIGH']),
    code: 'logic-inverted',
  },
  {
    name: 'prints what it should not',
    program: replaced(['if (digitalRead(2) == LOW) Serial', 'if (digitalRead(2) == HIGH) Serial']),
    code: 'logic-inverted',
  },
  {
    name: 'prints it always',
    program: replaced(['if (digitalRead(2) == LOW) Serial', 'Serial']),
    code: 'text-off',
    says: 'The board prints “pressed”; it should not.',
    repair: 'Write if (digitalRead(2) == LOW) before Serial in line 14.',
  },
];

const dusk = exerciseSaid({
  id: 'dusk-lamp',
  board: 'learner-5v',
  lines: ['white LED on 6 with 220', 'light sensor on A2'],
  program: `const int LED = 6;
const int SENSOR = A2;
const int LIMIT = 500;

void setup() {
  pinMode(LED, OUTPUT);
}

void loop() {
  if (analogRead(SENSOR) < LIMIT) {
    digitalWrite(LED, HIGH);
  } else {
    digitalWrite(LED, LOW);
  }
}
`,
  scenarios: [
    {
      name: 'dusk',
      lasts: 8,
      done: ['it is bright', 'it gets dark at 2 s', 'it gets bright at 5 s'],
      seen: ['D1 is on when it is dark'],
    },
  ],
});

const duskSlips: readonly Slip[] = [
  {
    name: 'the wrong way round',
    program: replaced(['< LIMIT', '> LIMIT']),
    code: 'logic-inverted',
    repair: 'Write < instead of > in line 10.',
  },
  {
    name: 'the number of the pin for the reading',
    program: replaced(['analogRead(SENSOR)', 'SENSOR']),
    code: 'always-true',
    says: 'SENSOR is the number of a pin',
    repair: 'Write analogRead(SENSOR) instead of SENSOR in line 10.',
  },
  { name: 'a limit that is never reached', program: replaced(['= 500', '= 5']), code: 'not-lit' },
];

describe.each([
  ['a servo that sweeps', barrier, barrierSlips],
  ['an LED that follows a potentiometer', dimmer, dimmerSlips],
  ['a motor that follows the warmth, and a relay that answers a press', fan, fanSlips],
  ['an LED that is on while it is dark', dusk, duskSlips],
] as const)('%s', (_, exercise, slips) => {
  test('is seen of the exercise’s own build', () => {
    expect(reportOnSlip(exercise, {})).toMatchObject({ verdict: 'as-drawn' });
  });

  test.each(slips)('$name', ({ code, says, repair, ...slip }) => {
    const causes = causesIn(exercise, slip);
    expect(causes.map((cause) => cause.code)).toEqual([code]);
    if (says !== undefined) expect(causes[0]!.message).toContain(says);
    expect(causes[0]!.repair).toBeDefined();
    if (repair !== undefined) expect(causes[0]!.repair!.text).toBe(repair);
  });
});

describe('a sweep', () => {
  test('in other steps of the same speed is as good', () => {
    const slip = { program: replaced(['angle++', 'angle += 5'], ['delay(10)', 'delay(50)']) };
    expect(reportOnSlip(barrier, slip)).toMatchObject({ verdict: 'as-drawn' });
  });

  test('is proposed of a run, and not where it happens to be at its end', () => {
    const said = proposedScenarios(barrier, grammars).flatMap(({ scenario }) =>
      scenario.expect.map(expectationSentence),
    );
    expect(said.some((sentence) => /^M1 sweeps from 0° to 180° and back in 1\.8\d? s$/.test(sentence))).toBe(
      true,
    );
    expect(said.filter((sentence) => sentence.includes('stands at'))).toEqual([]);
  });
});

describe('what follows', () => {
  test('is as good by another formula of the same direction', () => {
    const slip = { program: replaced(['map(reading, 0, 1023, 0, 255)', 'reading / 4']) };
    expect(reportOnSlip(dimmer, slip)).toMatchObject({ verdict: 'as-drawn' });
  });

  test('is not seen where what it follows stands still', () => {
    const [scenario] = dimmer.data.scenarios;
    const still = {
      ...dimmer,
      data: { ...dimmer.data, scenarios: [{ ...scenario!, stimuli: [{ at: 1, turn: 'P1', to: 0.5 }] }] },
    };
    const { scenarios, verdict } = reportOnSlip(still, {});
    expect(verdict).not.toBe('as-drawn');
    expect(scenarios[0]!.expectations[0]!.observed).toContain('not brought to two different places');
  });
});

describe('a servo that gets nothing it understands', () => {
  const dial = exerciseSaid({
    id: 'dial',
    board: 'python-3v3',
    lines: ['servo on 9', 'potentiometer on A0'],
    program: `import time
import board
import analogio
import pwmio

knob = analogio.AnalogIn(board.A0)
servo = pwmio.PWMOut(board.D9, frequency=50, duty_cycle=0)

while True:
    pulse = 0.5 + knob.value / 65535 * 1.9
    servo.duty_cycle = int(pulse / 20 * 65535)
    time.sleep(0.02)
`,
    scenarios: [
      {
        name: 'turned',
        lasts: 4,
        done: ['turn P1 to 10 % at 0 s', 'turn P1 to 90 % at 2 s'],
        seen: ['M1 follows P1'],
      },
    ],
  });

  test.each([
    ['frequency=50', 'frequency=500', 'Write 50 instead of 500 in line 7.'],
    ['    servo.duty_cycle', '    duty_cycle', 'Write servo. before duty_cycle in line 11.'],
  ])('does nothing, and is told so: %s', (was, is, repair) => {
    const report = reportOnSlip(dial, { program: (text) => text.replace(was, is) });
    const [cause] = report.findings.filter((finding) => finding.cause);
    expect(cause!.message).toContain('does nothing while P1 goes from 10 % to 90 %');
    expect(cause!.repair?.text).toBe(repair);
  });
});
