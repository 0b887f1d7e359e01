import type { OwnSlips } from './own-slips';

export const gauge: OwnSlips = {
  said: {
    id: 'gauge',
    board: 'learner-5v',
    lines: ['potentiometer on A2', 'servo on 9', 'red LED on 4 with 220'],
    program: `#include <Servo.h>
Servo hand;

void setup() {
  hand.attach(9);
  pinMode(4, OUTPUT);
}

void loop() {
  int reading = analogRead(A2);
  int angle = map(reading, 0, 1023, 0, 180);
  hand.write(angle);
  digitalWrite(4, angle > 135 ? HIGH : LOW);
  delay(20);
}
`,
    scenarios: [
      { name: 'low', lasts: 2, done: ['P1 is at 20 %'], seen: ['M1 stands at 36 from 0.5 s', 'D1 is off'] },
      {
        name: 'high',
        lasts: 3,
        done: ['P1 is at 50 %', 'turn P1 to 90 % at 1 s'],
        seen: [
          'M1 stands at 90 from 0.5 s to 0.9 s',
          'M1 stands at 162 from 1.6 s',
          'D1 is off until 0.9 s',
          'D1 is on from 1.6 s',
        ],
      },
    ],
  },
  own: `#include <Servo.h>

const byte POT = A2;
const byte LAMP = 4;
Servo pointer;
int position = 0;

int toDegrees(int raw) {
  return raw * 180L / 1023;
}

void setup() {
  pinMode(LAMP, OUTPUT);
  pointer.attach(9);
}

void loop() {
  position = toDegrees(analogRead(POT));
  pointer.write(position);
  if (position > 140) {
    digitalWrite(LAMP, HIGH);
  } else {
    digitalWrite(LAMP, LOW);
  }
  delay(15);
}
`,
  slips: [
    ['overflow', 'number-overflow', 'Write 180L instead of 180 in line 9.', ['180L', '180']],
    [
      'integer division',
      'not-lit',
      'Write raw * 180L / 1023 instead of raw / 1023 * 180 in line 9.',
      ['raw * 180L / 1023', 'raw / 1023 * 180'],
    ],
    [
      'returns nothing',
      'not-lit',
      'Add return raw; after line 9.',
      ['  return raw * 180L / 1023;', '  raw = raw * 180L / 1023;'],
    ],
    ['void', 'arguments', 'Write int instead of void in line 8.', ['int toDegrees', 'void toDegrees']],
    ['not attached', 'angle-off', 'Add pointer.attach(9); after line 13.', ['  pointer.attach(9);\n', '']],
    ['attach 6', 'pin-disagrees', 'Write 9 instead of 6 in line 14.', ['attach(9)', 'attach(6)']],
    [
      'digitalRead',
      'not-lit',
      'Write analogRead instead of digitalRead in line 18.',
      ['analogRead(POT)', 'digitalRead(POT)'],
    ],
    [
      'byte raw',
      'not-lit',
      'Write int instead of byte in line 8.',
      ['int toDegrees(int raw)', 'int toDegrees(byte raw)'],
    ],
    [
      'char position',
      'not-lit',
      'Write int instead of char in line 6.',
      ['int position = 0', 'char position = 0'],
    ],
    [
      'read once',
      'missed-input',
      'Add position = toDegrees(analogRead(A2)); after line 17.',
      ['int position = 0;', 'int position = toDegrees(analogRead(A2));'],
      ['  position = toDegrees(analogRead(POT));\n', ''],
    ],
    [
      'raw in lamp',
      'not-dark',
      'Write position instead of analogRead(POT) in line 20.',
      ['if (position > 140)', 'if (analogRead(POT) > 140)'],
    ],
    [
      'write raw',
      'angle-off',
      'Write position instead of analogRead(POT) in line 19.',
      ['pointer.write(position)', 'pointer.write(analogRead(POT))'],
    ],
    ['255', 'not-dark', 'Write 1023 instead of 255 in line 9.', ['1023', '255']],
    ['90', 'not-lit', 'Write 180L instead of 90L in line 9.', ['180L', '90L']],
    [
      'exchanged',
      'angle-off',
      'Write position instead of LAMP in line 19.',
      ['pointer.write(position)', 'pointer.write(LAMP)'],
    ],
    ['A0', 'pin-disagrees', 'Write A2 instead of A0 in line 3.', ['A2', 'A0']],
    ['< 140', 'logic-inverted', 'Write > instead of < in line 20.', ['> 140', '< 140']],
    [
      'no Servo object',
      'name-unknown',
      'Write Servo pointer; at the top of the program.',
      ['Servo pointer;\n', ''],
    ],
    [
      'no include',
      'name-unknown',
      'Write #include <Servo.h> as the first line.',
      ['#include <Servo.h>\n', ''],
    ],
    [
      'analogWrite',
      'angle-off',
      'Write pointer.write(position) instead of analogWrite(9, position) in line 19.',
      ['pointer.write(position)', 'analogWrite(9, position)'],
    ],
    [
      'position local in block',
      'not-lit',
      'Remove int from line 19.',
      [
        '  position = toDegrees(analogRead(POT));',
        '  if (analogRead(POT) > 0) {\n    int position = toDegrees(analogRead(POT));\n  }',
      ],
    ],
    [
      'POT LOW',
      'direction-unset',
      'Write LAMP instead of POT in line 13.',
      ['pinMode(LAMP, OUTPUT);', 'pinMode(POT, OUTPUT);'],
    ],
    [
      'forgot call',
      'arguments',
      'Write toDegrees(analogRead(POT)) instead of toDegrees in line 18.',
      ['toDegrees(analogRead(POT))', 'toDegrees'],
    ],
    [
      'arg order',
      'arguments',
      'Exchange HIGH and LAMP in line 21.',
      ['digitalWrite(LAMP, HIGH)', 'digitalWrite(HIGH, LAMP)'],
    ],
  ],
};
