import type { OwnSlips } from './own-slips';

export const greenhouse: OwnSlips = {
  said: {
    id: 'greenhouse',
    board: 'learner-5v',
    lines: ['temperature sensor on A0', 'servo on 9', 'red LED on 4', 'button on 2, pull-up'],
    program: `#include <Servo.h>
Servo flap;
bool byHand = false;
bool before = false;
void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(4, OUTPUT);
  flap.attach(9);
}
void loop() {
  bool now = digitalRead(2) == LOW;
  if (now && !before) byHand = !byHand;
  before = now;
  float t = (analogRead(A0) * 5.0 / 1024 - 0.5) * 100;
  bool open = byHand || t > 28;
  flap.write(open ? 90 : 0);
  digitalWrite(4, open ? HIGH : LOW);
  delay(20);
}
`,
    scenarios: [
      { name: 'cool', lasts: 2, done: ['T1 is at 20 °C'], seen: ['M1 stands at 0 from 0.5 s', 'D1 is off'] },
      {
        name: 'warm',
        lasts: 5,
        done: ['T1 is at 20 °C', 'T1 goes to 35 °C at 2 s'],
        seen: ['M1 stands at 0 from 0.5 s to 1.9 s', 'M1 stands at 90 from 3 s', 'D1 is on from 2.3 s'],
      },
      {
        name: 'by hand',
        lasts: 7,
        done: ['T1 is at 20 °C', 'press S1 at 1 s', 'press S1 at 4 s'],
        seen: [
          'M1 stands at 90 from 2 s to 3.9 s',
          'D1 is on from 1.2 s to 3.9 s',
          'D1 is off from 4.2 s',
          'M1 stands at 0 from 5 s',
        ],
      },
    ],
  },
  own: `#include <Servo.h>

#define SENSOR A0
#define BUTTON 2
#define WARNING 4
#define FLAP_PIN 9

const float LIMIT = 28.0;
const int CLOSED = 0;
const int OPEN = 90;

Servo flap;
enum Mode { AUTOMATIC, MANUAL };
Mode mode = AUTOMATIC;
int lastButton = HIGH;

float readCelsius() {
  int raw = analogRead(SENSOR);
  float volts = raw * 5.0 / 1023.0;
  return (volts - 0.5) * 100.0;
}

void checkButton() {
  int button = digitalRead(BUTTON);
  if (button == LOW && lastButton == HIGH) {
    if (mode == AUTOMATIC) {
      mode = MANUAL;
    } else {
      mode = AUTOMATIC;
    }
    delay(30);
  }
  lastButton = button;
}

void moveFlap(bool isOpen) {
  if (isOpen) {
    flap.write(OPEN);
    digitalWrite(WARNING, HIGH);
  } else {
    flap.write(CLOSED);
    digitalWrite(WARNING, LOW);
  }
}

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(WARNING, OUTPUT);
  flap.attach(FLAP_PIN);
}

void loop() {
  checkButton();
  float celsius = readCelsius();
  moveFlap(mode == MANUAL || celsius > LIMIT);
  delay(20);
}
`,
  slips: [
    ['int volts', 'integer-division', 'Write float instead of int in line 19.', ['float volts', 'int volts']],
    [
      'raw * 5 / 1023',
      'integer-division',
      'Write 1023.0 instead of 1023 in line 19.',
      ['raw * 5.0 / 1023.0', 'raw * 5 / 1023'],
    ],
    ['/ 255', 'not-dark', 'Write 1023.0 instead of 255.0 in line 19.', ['1023.0', '255.0']],
    ['+ 0.5', 'not-dark', 'Write - instead of + in line 20.', ['volts - 0.5', 'volts + 0.5']],
    ['* 10', 'not-lit', 'Write 100 instead of 10.0 in line 20.', ['* 100.0', '* 10.0']],
    [
      'no parens',
      'not-lit',
      'Put volts - 0.5 in line 20 in parentheses.',
      ['(volts - 0.5) * 100.0', 'volts - 0.5 * 100.0'],
    ],
    [
      'digitalRead sensor',
      'not-lit',
      'Write analogRead instead of digitalRead in line 18.',
      ['analogRead(SENSOR)', 'digitalRead(SENSOR)'],
    ],
    ['< LIMIT', 'logic-inverted', 'Write > instead of < in line 55.', ['celsius > LIMIT', 'celsius < LIMIT']],
    [
      '&& for ||',
      'not-lit',
      'Write || instead of && in line 55.',
      ['mode == MANUAL || celsius', 'mode == MANUAL && celsius'],
    ],
    [
      'mode = MANUAL',
      'not-dark',
      'Write == instead of = in line 55.',
      ['moveFlap(mode == MANUAL', 'moveFlap(mode = MANUAL'],
    ],
    [
      'mode == AUTOMATIC in move',
      'logic-inverted',
      'Write != instead of == in line 55.',
      ['moveFlap(mode == MANUAL', 'moveFlap(mode == AUTOMATIC'],
    ],
    [
      'no else in button',
      'not-dark',
      'Add else { mode = AUTOMATIC; } at the end of line 28.',
      [' else {\n      mode = AUTOMATIC;\n    }\n    delay', '\n    delay'],
    ],
    [
      'lastButton not kept',
      'repeats-while-held',
      'Add lastButton = button; after line 32.',
      ['  lastButton = button;\n', ''],
    ],
    [
      'int lastButton',
      'timing-off',
      'Remove int from line 33.',
      ['  lastButton = button;', '  int lastButton = button;'],
    ],
    ['checkButton missing', 'no-effect', 'Write checkButton(); in loop.', ['  checkButton();\n', '']],
    [
      'celsius once',
      'missed-input',
      'Add celsius = readCelsius(); after line 53.',
      [
        'void loop() {\n  checkButton();\n  float celsius = readCelsius();\n',
        'float celsius = readCelsius();\nvoid loop() {\n  checkButton();\n',
      ],
    ],
    [
      'OPEN CLOSED swapped',
      'angle-off',
      'Exchange 90 in line 9 and 0 in line 10.',
      ['CLOSED = 0', 'CLOSED = 90'],
      ['OPEN = 90', 'OPEN = 0'],
    ],
    ['OPEN 9', 'angle-off', 'Write 90 instead of 9 in line 10.', ['OPEN = 90', 'OPEN = 9']],
    ['flap no attach', 'angle-off', 'Add flap.attach(9); after line 48.', ['  flap.attach(FLAP_PIN);\n', '']],
    [
      'attach button',
      'pin-disagrees',
      'Write FLAP_PIN instead of BUTTON in line 49.',
      ['attach(FLAP_PIN)', 'attach(BUTTON)'],
    ],
    ['flap 10', 'pin-disagrees', 'Write 9 instead of 10 in line 6.', ['FLAP_PIN 9', 'FLAP_PIN 10']],
    [
      'pinMode WARNING missing',
      'direction-unset',
      'Add pinMode(WARNING, OUTPUT); to setup.',
      ['  pinMode(WARNING, OUTPUT);\n', ''],
    ],
    ['INPUT', 'pullup-unset', 'Write INPUT_PULLUP instead of INPUT in line 47.', ['INPUT_PULLUP', 'INPUT']],
    [
      'write in else OPEN',
      'angle-off',
      'Write CLOSED instead of OPEN in line 41.',
      ['flap.write(CLOSED)', 'flap.write(OPEN)'],
    ],
    [
      'WARNING LOW missing',
      'not-dark',
      'Add digitalWrite(WARNING, LOW); after line 41.',
      ['    digitalWrite(WARNING, LOW);\n', ''],
    ],
    [
      'isOpen !',
      'logic-inverted',
      'Remove the ! before isOpen in line 37.',
      ['if (isOpen) {', 'if (!isOpen) {'],
    ],
    ['LIMIT 280', 'not-lit', 'Write 28 instead of 280.0 in line 8.', ['LIMIT = 28.0', 'LIMIT = 280.0']],
    ['SENSOR A1', 'pin-disagrees', 'Write A0 instead of A1 in line 3.', ['SENSOR A0', 'SENSOR A1']],
    ['delay 3000 in button', 'not-lit', 'Write 20 instead of 3000 in line 31.', ['delay(30)', 'delay(3000)']],
    [
      'analogRead in check',
      'not-dark',
      'Write digitalRead instead of analogRead in line 24.',
      ['digitalRead(BUTTON)', 'analogRead(BUTTON)'],
    ],
  ],
};
