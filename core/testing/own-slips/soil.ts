import type { OwnSlips } from './own-slips';

export const soil: OwnSlips = {
  said: {
    id: 'soil',
    board: 'learner-5v',
    lines: [
      'potentiometer on A3',
      'green LED on 2 with 220',
      'yellow LED on 3 with 220',
      'red LED on 4 with 220',
      'active buzzer on 7',
    ],
    program: `const int PROBE = A3;

void setup() {
  for (int pin = 2; pin <= 4; pin++) {
    pinMode(pin, OUTPUT);
  }
  pinMode(7, OUTPUT);
}

void loop() {
  int wet = analogRead(PROBE) / 10;
  digitalWrite(2, wet >= 60 ? HIGH : LOW);
  digitalWrite(3, wet >= 30 && wet < 60 ? HIGH : LOW);
  digitalWrite(4, wet < 30 ? HIGH : LOW);
  digitalWrite(7, wet < 10 ? HIGH : LOW);
  delay(100);
}
`,
    scenarios: [
      {
        name: 'dry',
        lasts: 3,
        done: ['P1 is at 5 %'],
        seen: ['D3 is on from 0.3 s', 'D1 is off', 'D2 is off', 'Z1 sounds from 0.5 s'],
      },
      {
        name: 'middle',
        lasts: 3,
        done: ['P1 is at 45 %'],
        seen: ['D2 is on from 0.3 s', 'D1 is off', 'D3 is off from 0.3 s', 'Z1 is silent from 0.3 s'],
      },
      {
        name: 'wet',
        lasts: 5,
        done: ['P1 is at 20 %', 'turn P1 to 90 % at 2 s'],
        seen: [
          'D3 is on from 0.3 s to 1.9 s',
          'Z1 is silent from 0.3 s',
          'D1 is on from 2.5 s',
          'D3 is off from 2.5 s',
          'D2 is off from 2.5 s',
        ],
      },
    ],
  },
  own: `enum Level { DRY, MOIST, WET };

const byte SENSOR_PIN = A3;
const byte LEDS[] = {4, 3, 2};
const byte ALARM_PIN = 7;
const int MOIST_LIMIT = 300;
const int WET_LIMIT = 600;
const int ALARM_LIMIT = 100;

Level levelOf(int reading) {
  if (reading >= WET_LIMIT) {
    return WET;
  }
  if (reading >= MOIST_LIMIT) {
    return MOIST;
  }
  return DRY;
}

void showLevel(Level level) {
  for (byte i = 0; i < 3; i++) {
    digitalWrite(LEDS[i], i == level);
  }
}

void setup() {
  for (byte led : LEDS) {
    pinMode(led, OUTPUT);
  }
  pinMode(ALARM_PIN, OUTPUT);
}

void loop() {
  int reading = analogRead(SENSOR_PIN);
  showLevel(levelOf(reading));
  if (reading < ALARM_LIMIT) {
    digitalWrite(ALARM_PIN, HIGH);
  } else {
    digitalWrite(ALARM_PIN, LOW);
  }
  delay(50);
}
`,
  slips: [
    [
      'return WET twice',
      'not-lit',
      'Write MOIST instead of WET in line 15.',
      ['    return MOIST;', '    return WET;'],
    ],
    [
      'order of questions',
      'not-lit',
      'Move lines 14 to 16 before line 11.',
      ['reading >= WET_LIMIT) {\n    return WET', 'reading >= MOIST_LIMIT) {\n    return MOIST'],
      [
        'reading >= MOIST_LIMIT) {\n    return MOIST;\n  }\n  return DRY',
        'reading >= WET_LIMIT) {\n    return WET;\n  }\n  return DRY',
      ],
    ],
    [
      'level not passed',
      'no-effect',
      'Write levelOf(reading) instead of reading in line 35.',
      ['showLevel(levelOf(reading))', 'showLevel(reading)'],
    ],
    [
      'levelOf missing arg',
      'arguments',
      'Write levelOf(reading) instead of levelOf() in line 35.',
      ['levelOf(reading)', 'levelOf()'],
    ],
    ['i = level', 'never-ends', 'Write == instead of = in line 22.', ['i == level', 'i = level']],
    ['i != level', 'logic-inverted', 'Write == instead of != in line 22.', ['i == level', 'i != level']],
    ['i <= level', 'not-dark', 'Write == instead of <= in line 22.', ['i == level', 'i <= level']],
    ['leds order', 'pin-disagrees', 'Reverse the list in line 4: 4, 3, 2.', ['{4, 3, 2}', '{2, 3, 4}']],
    ['i < 2', 'not-lit', 'Write 3 instead of 2 in line 21.', ['i < 3', 'i < 2']],
    [
      'limits swapped',
      'not-lit',
      'Exchange 600 in line 6 and 300 in line 7.',
      ['MOIST_LIMIT = 300', 'MOIST_LIMIT = 600'],
      ['WET_LIMIT = 600', 'WET_LIMIT = 300'],
    ],
    ['limit 3000', 'not-lit', 'Write 300 instead of 3000 in line 6.', ['= 300', '= 3000']],
    [
      'byte reading',
      'number-overflow',
      'Write int instead of byte in line 34.',
      ['int reading = analogRead', 'byte reading = analogRead'],
    ],
    [
      'alarm >',
      'logic-inverted',
      'Write < instead of > in line 36.',
      ['reading < ALARM_LIMIT', 'reading > ALARM_LIMIT'],
    ],
    [
      'alarm limit',
      'timing-off',
      'Write ALARM_LIMIT instead of MOIST_LIMIT in line 36.',
      ['reading < ALARM_LIMIT', 'reading < MOIST_LIMIT'],
    ],
    [
      'levels swapped',
      'logic-inverted',
      'Write > instead of < in line 36.',
      ['digitalWrite(ALARM_PIN, HIGH)', 'digitalWrite(ALARM_PIN, LOW)'],
      ['  } else {\n    digitalWrite(ALARM_PIN, LOW)', '  } else {\n    digitalWrite(ALARM_PIN, HIGH)'],
    ],
    [
      'LEDS instead',
      'arguments',
      'Write led instead of LEDS in line 28.',
      ['pinMode(led, OUTPUT)', 'pinMode(LEDS, OUTPUT)'],
    ],
    [
      'read led',
      'pin-lacks-function',
      'Write SENSOR_PIN instead of ALARM_PIN in line 34.',
      ['analogRead(SENSOR_PIN)', 'analogRead(ALARM_PIN)'],
    ],
    [
      'void levelOf',
      'arguments',
      'Write Level instead of void in line 10.',
      ['Level levelOf', 'void levelOf'],
    ],
    [
      'showLevel before',
      'name-out-of-scope',
      'Move line 35 before line 34.',
      ['  showLevel(levelOf(reading));\n', ''],
      ['  int reading', '  showLevel(levelOf(reading));\n  int reading'],
    ],
    [
      'semicolon if',
      'empty-body',
      'Remove the semicolon in line 36.',
      ['(reading < ALARM_LIMIT) {', '(reading < ALARM_LIMIT); {'],
    ],
    [
      'missing bracket',
      'syntax-paren',
      'Add ) behind “)” in line 22.',
      ['digitalWrite(LEDS[i], i == level)', 'digitalWrite(LEDS[i, i == level)'],
    ],
    [
      'no show',
      'no-effect',
      'Add showLevel(levelOf(reading)); after line 34.',
      ['  showLevel(levelOf(reading));\n', ''],
    ],
    ['delay 5000', 'missed-input', 'Write 100 instead of 5000 in line 41.', ['delay(50)', 'delay(5000)']],
  ],
};
