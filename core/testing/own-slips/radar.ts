import type { OwnSlips } from './own-slips';

export const radar: OwnSlips = {
  said: {
    id: 'radar',
    board: 'learner-5v',
    lines: ['distance sensor trig 7 echo 8', 'red LED on 12 with 220', 'active buzzer on 4'],
    program: `const int TRIG = 7;
const int ECHO = 8;
const int LED = 12;
const int BUZZER = 4;

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(LED, OUTPUT);
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  long time = pulseIn(ECHO, HIGH);
  int cm = time / 58;
  digitalWrite(LED, cm < 30 ? HIGH : LOW);
  digitalWrite(BUZZER, cm < 10 ? HIGH : LOW);
  delay(60);
}
`,
    scenarios: [
      { name: 'far', lasts: 2, done: ['X1 is at 80 cm'], seen: ['D1 is off', 'Z1 is silent'] },
      {
        name: 'near',
        lasts: 4,
        done: ['X1 is at 80 cm', 'X1 goes to 20 cm at 1 s', 'X1 goes to 5 cm at 2.5 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 is on from 1.4 s',
          'Z1 is silent until 2.4 s',
          'Z1 sounds from 2.9 s',
        ],
      },
    ],
  },
  own: `#define TRIG_PIN 7
#define ECHO_PIN 8
#define LED_PIN 12
#define BUZZ_PIN 4

const float SPEED = 0.0343;
float distance = 0;

float measure() {
  digitalWrite(TRIG_PIN, LOW);
  delayMicroseconds(5);
  digitalWrite(TRIG_PIN, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG_PIN, LOW);
  unsigned long echo = pulseIn(ECHO_PIN, HIGH, 30000);
  return echo * SPEED / 2;
}

void alarm(bool light, bool sound) {
  digitalWrite(LED_PIN, light);
  digitalWrite(BUZZ_PIN, sound);
}

void setup() {
  pinMode(TRIG_PIN, OUTPUT);
  pinMode(ECHO_PIN, INPUT);
  pinMode(LED_PIN, OUTPUT);
  pinMode(BUZZ_PIN, OUTPUT);
}

void loop() {
  distance = measure();
  if (distance == 0) {
    alarm(false, false);
  } else if (distance < 10) {
    alarm(true, true);
  } else if (distance < 30) {
    alarm(true, false);
  } else {
    alarm(false, false);
  }
  delay(100);
}
`,
  slips: [
    ['no /2', 'timing-off', 'Add / 2 at the end of line 16.', ['echo * SPEED / 2', 'echo * SPEED']],
    ['speed mm', 'not-lit', 'Write 0.0343 instead of 0.343 in line 6.', ['0.0343', '0.343']],
    [
      'int speed',
      'integer-division',
      'Write float instead of int in line 6.',
      ['const float SPEED', 'const int SPEED'],
    ],
    [
      'trig exchanged',
      'pin-disagrees',
      'Exchange 8 in line 1 and 7 in line 2.',
      ['TRIG_PIN 7', 'TRIG_PIN 8'],
      ['ECHO_PIN 8', 'ECHO_PIN 7'],
    ],
    [
      'no trigger',
      'not-lit',
      'Write HIGH instead of LOW in line 10.',
      ['  digitalWrite(TRIG_PIN, HIGH);\n', ''],
    ],
    [
      'pulse LOW',
      'not-lit',
      'Write HIGH instead of LOW in line 15.',
      ['pulseIn(ECHO_PIN, HIGH, 30000)', 'pulseIn(ECHO_PIN, LOW, 30000)'],
    ],
    [
      'pulse TRIG',
      'pin-disagrees',
      'Write ECHO_PIN instead of TRIG_PIN in line 15.',
      ['pulseIn(ECHO_PIN', 'pulseIn(TRIG_PIN'],
    ],
    ['timeout', 'not-lit', 'Write 3000 instead of 300 in line 15.', ['30000', '300']],
    [
      'light both',
      'timing-off',
      'Write sound instead of light in line 21.',
      ['digitalWrite(BUZZ_PIN, sound)', 'digitalWrite(BUZZ_PIN, light)'],
    ],
    [
      'order of ifs',
      'always-true',
      'Ask for distance < 10 in line 35 and for distance < 30 in line 37, each with what belongs to it.',
      ['distance < 10) {\n    alarm(true, true)', 'distance < 30) {\n    alarm(true, false)'],
      [
        'distance < 30) {\n    alarm(true, false);\n  } else {',
        'distance < 10) {\n    alarm(true, true);\n  } else {',
      ],
    ],
    [
      'ifs apart',
      'timing-off',
      'Write else if instead of if in line 38.',
      ['  } else if (distance < 30) {', '  }\n  if (distance < 30) {'],
    ],
    [
      'measure;',
      'arguments',
      'Write measure() instead of measure in line 32.',
      ['measure();\n  if', 'measure;\n  if'],
    ],
    [
      'not assigned',
      'not-lit',
      'Write distance = before measure in line 32.',
      ['  distance = measure();', '  measure();'],
    ],
    [
      'distance in fn',
      'arguments',
      'Remove distance = from line 32.',
      ['float measure() {', 'void measure() {'],
      ['  return echo * SPEED / 2;', '  distance = echo * SPEED / 2;'],
    ],
    [
      'no return',
      'not-lit',
      'Add return distance; after line 16.',
      ['  return echo * SPEED / 2;', '  distance = echo * SPEED / 2;'],
    ],
    [
      '== 0 one =',
      'assign-in-condition',
      'Write == instead of = in line 33.',
      ['distance == 0', 'distance = 0'],
    ],
    [
      'echo OUTPUT',
      'not-lit',
      'Write INPUT instead of OUTPUT in line 26.',
      ['pinMode(ECHO_PIN, INPUT)', 'pinMode(ECHO_PIN, OUTPUT)'],
    ],
    ['limit 3', 'tone-off', 'Write 10 instead of 3 in line 35.', ['distance < 10', 'distance < 3']],
    ['>', 'logic-inverted', 'Write < instead of > in line 37.', ['distance < 30', 'distance > 30']],
  ],
};
