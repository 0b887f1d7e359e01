import type { OwnSlips } from './own-slips';

export const tank: OwnSlips = {
  said: {
    id: 'tank',
    board: 'learner-5v',
    lines: ['ultrasonic on 7 and 8', 'red LED on 3', 'yellow LED on 4', 'green LED on 5'],
    program: `void setup() {
  pinMode(7, OUTPUT); pinMode(8, INPUT);
  pinMode(3, OUTPUT); pinMode(4, OUTPUT); pinMode(5, OUTPUT);
}
void loop() {
  digitalWrite(7, LOW); delayMicroseconds(2);
  digitalWrite(7, HIGH); delayMicroseconds(10);
  digitalWrite(7, LOW);
  long t = pulseIn(8, HIGH);
  int cm = t * 0.034 / 2;
  int fill = 100 - cm;
  digitalWrite(3, fill < 30);
  digitalWrite(4, fill >= 30 && fill < 70);
  digitalWrite(5, fill >= 70);
  delay(100);
}
`,
    scenarios: [
      {
        name: 'empty',
        lasts: 2,
        done: ['X1 is at 90 cm'],
        seen: ['D1 is on from 0.5 s', 'D2 is off', 'D3 is off'],
      },
      {
        name: 'half',
        lasts: 2,
        done: ['X1 is at 50 cm'],
        seen: ['D1 is off', 'D2 is on from 0.5 s', 'D3 is off'],
      },
      {
        name: 'filled',
        lasts: 5,
        done: ['X1 is at 90 cm', 'X1 goes to 10 cm at 2 s'],
        seen: ['D1 is on from 0.5 s to 1.9 s', 'D3 is on from 2.5 s', 'D1 is off from 2.5 s'],
      },
    ],
  },
  own: `const int TRIG = 7;
const int ECHO = 8;
const int LEDS[] = {3, 4, 5};
const int DEPTH = 100;

int fillPercent() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  unsigned long us = pulseIn(ECHO, HIGH);
  float cm = us / 58.0;
  return (DEPTH - cm) * 100 / DEPTH;
}

int zoneOf(int percent) {
  if (percent < 30) {
    return 0;
  }
  if (percent < 70) {
    return 1;
  }
  return 2;
}

void setup() {
  Serial.begin(9600);
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  for (int i = 0; i < 3; i++) {
    pinMode(LEDS[i], OUTPUT);
  }
}

void loop() {
  int percent = fillPercent();
  int zone = zoneOf(percent);
  for (int i = 0; i < 3; i++) {
    if (i == zone) {
      digitalWrite(LEDS[i], HIGH);
    } else {
      digitalWrite(LEDS[i], LOW);
    }
  }
  Serial.println(percent);
  delay(200);
}
`,
  slips: [
    [
      'trig echo exchanged',
      'pin-disagrees',
      'Exchange 8 in line 1 and 7 in line 2.',
      ['TRIG = 7', 'TRIG = 8'],
      ['ECHO = 8', 'ECHO = 7'],
    ],
    [
      'no trigger HIGH',
      'not-lit',
      'Write HIGH instead of LOW in line 7.',
      ['  digitalWrite(TRIG, HIGH);\n', ''],
    ],
    [
      'trig stays high',
      'timing-off',
      'Exchange LOW and HIGH in lines 7 and 9.',
      ['  delayMicroseconds(10);\n  digitalWrite(TRIG, LOW);\n', '  delayMicroseconds(10);\n'],
    ],
    [
      'pulseIn TRIG',
      'pin-disagrees',
      'Write ECHO instead of TRIG in line 12.',
      ['pulseIn(ECHO', 'pulseIn(TRIG'],
    ],
    [
      'pulseIn LOW',
      'not-lit',
      'Write HIGH instead of LOW in line 12.',
      ['pulseIn(ECHO, HIGH)', 'pulseIn(ECHO, LOW)'],
    ],
    ['us * 58', 'not-lit', 'Write / instead of * in line 13.', ['us / 58.0', 'us * 58.0']],
    ['us / 29', 'not-lit', 'Write 58.0 instead of 29.0 in line 13.', ['us / 58.0', 'us / 29.0']],
    ['us * 0.034', 'not-lit', 'Write 0.034 / 2 instead of 0.034 in line 13.', ['us / 58.0', 'us * 0.034']],
    ['us * 0.34 / 2', 'not-lit', 'Write 0.034 instead of 0.34 in line 13.', ['us / 58.0', 'us * 0.34 / 2']],
    [
      'cm - DEPTH',
      'not-lit',
      'Write DEPTH - cm instead of cm - DEPTH in line 14.',
      ['(DEPTH - cm)', '(cm - DEPTH)'],
    ],
    ['DEPTH 10', 'not-lit', 'Write 100 instead of 10 in line 4.', ['DEPTH = 100', 'DEPTH = 10']],
    ['> 30', 'logic-inverted', 'Write < instead of > in line 18.', ['percent < 30', 'percent > 30']],
    [
      '70 before 30',
      'not-lit',
      'Exchange 70 in line 18 and 30 in line 21.',
      ['percent < 30', 'percent < 70'],
      ['  if (percent < 70) {\n    return 1', '  if (percent < 30) {\n    return 1'],
    ],
    ['return 1 for 0', 'not-lit', 'Write 0 instead of 1 in line 19.', ['    return 0;', '    return 1;']],
    [
      'zone 0',
      'no-effect',
      'Write zoneOf(percent) instead of 0 in line 38.',
      ['int zone = zoneOf(percent);', 'int zone = 0;'],
    ],
    [
      'zoneOf() none',
      'arguments',
      'Write zoneOf(percent) instead of zoneOf() in line 38.',
      ['zoneOf(percent);', 'zoneOf();'],
    ],
    [
      'zoneOf fill',
      'name-unknown',
      'Write percent instead of fill in line 38.',
      ['zoneOf(percent);', 'zoneOf(fill);'],
    ],
    [
      'i = zone',
      'assign-in-condition',
      'Write == instead of = in line 40.',
      ['if (i == zone)', 'if (i = zone)'],
    ],
    ['i <= zone', 'not-dark', 'Write == instead of <= in line 40.', ['if (i == zone)', 'if (i <= zone)']],
    [
      'no else',
      'not-dark',
      'Add else { digitalWrite(LEDS[i], LOW); } at the end of line 42.',
      [' else {\n      digitalWrite(LEDS[i], LOW);\n    }', ''],
    ],
    [
      'i = 1',
      'not-lit',
      'Write 0 instead of 1 in line 39.',
      ['for (int i = 0; i < 3; i++) {\n    if', 'for (int i = 1; i < 3; i++) {\n    if'],
    ],
    [
      'digitalWrite(i',
      'pin-disagrees',
      'Write LEDS[i] instead of i in line 41.',
      ['digitalWrite(LEDS[i], HIGH)', 'digitalWrite(i, HIGH)'],
    ],
    ['LEDS 5 4 3', 'pin-disagrees', 'Reverse the list in line 3: 3, 4, 5.', ['{3, 4, 5}', '{5, 4, 3}']],
    ['LEDS 3 4 6', 'pin-disagrees', 'Write 5 instead of 6 in line 3.', ['{3, 4, 5}', '{3, 4, 6}']],
    [
      'percent once',
      'missed-input',
      'Move line 36 into the loop, behind line 37.',
      ['void loop() {\n  int percent = fillPercent();\n', 'int percent = fillPercent();\nvoid loop() {\n'],
    ],
    [
      'void fillPercent',
      'arguments',
      'Write int instead of void in line 6.',
      ['int fillPercent()', 'void fillPercent()'],
    ],
    [
      'byte percent zone',
      'not-lit',
      'Write int instead of bool in line 37.',
      ['int percent = fill', 'bool percent = fill'],
    ],
    ['delay 20000', 'missed-input', 'Write 100 instead of 20000 in line 47.', ['delay(200)', 'delay(20000)']],
    [
      'semicolon after if',
      'empty-body',
      'Remove the semicolon in line 40.',
      ['if (i == zone) {', 'if (i == zone); {'],
    ],
    ['last return left out', 'not-lit', 'Add return 2; after line 23.', ['  return 2;\n', '']],
  ],
};
