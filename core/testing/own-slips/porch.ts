import type { OwnSlips } from './own-slips';

export const porch: OwnSlips = {
  said: {
    id: 'porch',
    board: 'learner-5v',
    lines: ['motion sensor on 4', 'white LED on 9 with 220', 'red LED on 10 with 330'],
    program: `const int MOTION = 4;
const int LIGHT = 9;
const int READY = 10;
unsigned long last = 0;
bool lit = false;

void setup() {
  pinMode(MOTION, INPUT);
  pinMode(LIGHT, OUTPUT);
  pinMode(READY, OUTPUT);
}

void loop() {
  if (digitalRead(MOTION) == HIGH) {
    last = millis();
    lit = true;
  }
  if (lit && millis() - last > 2000) {
    lit = false;
  }
  digitalWrite(LIGHT, lit);
  digitalWrite(READY, !lit);
}
`,
    scenarios: [
      { name: 'nobody', lasts: 3, done: [], seen: ['D1 is off', 'D2 is on from 0.1 s'] },
      {
        name: 'somebody',
        lasts: 8,
        done: ['something moves from 1 s to 2 s'],
        seen: [
          'D1 is on from 1.2 s to 3.8 s',
          'D1 is off from 4.6 s',
          'D2 is off from 1.2 s to 3.8 s',
          'D2 is on from 4.6 s',
        ],
      },
    ],
  },
  own: `const byte SENSOR = 4;
const byte LAMP = 9;
const byte WAITING = 10;
const unsigned long HOLD = 2000;

enum Mode { IDLE, ACTIVE };
Mode mode = IDLE;
unsigned long since = 0;

void enter(Mode next) {
  mode = next;
  since = millis();
  digitalWrite(LAMP, next == ACTIVE ? HIGH : LOW);
  digitalWrite(WAITING, next == IDLE ? HIGH : LOW);
}

void setup() {
  pinMode(SENSOR, INPUT);
  pinMode(LAMP, OUTPUT);
  pinMode(WAITING, OUTPUT);
  enter(IDLE);
}

void loop() {
  bool motion = digitalRead(SENSOR);
  switch (mode) {
    case IDLE:
      if (motion) {
        enter(ACTIVE);
      }
      break;
    case ACTIVE:
      if (motion) {
        since = millis();
      } else if (millis() - since >= HOLD) {
        enter(IDLE);
      }
      break;
  }
}
`,
  slips: [
    [
      'not motion',
      'logic-inverted',
      'Remove the ! before motion in line 28.',
      ['case IDLE:\n      if (motion)', 'case IDLE:\n      if (!motion)'],
    ],
    [
      'no enter(IDLE) in setup',
      'not-lit',
      'Add enter(IDLE); at the end of setup.',
      ['  enter(IDLE);\n}', '}'],
    ],
    [
      'enter swapped',
      'not-lit',
      'Write ACTIVE instead of IDLE in line 29.',
      ['        enter(ACTIVE);', '        enter(IDLE);'],
    ],
    [
      'never back',
      'not-lit',
      'Write IDLE instead of ACTIVE in line 36.',
      ['        enter(IDLE);\n      }\n      break', '        enter(ACTIVE);\n      }\n      break'],
    ],
    [
      'no refresh',
      'timing-off',
      'Add since = millis(); after line 33.',
      ['        since = millis();\n      } else', '      } else'],
    ],
    ['HOLD 200', 'timing-off', 'Write 2000 instead of 200 in line 4.', ['HOLD = 2000', 'HOLD = 200']],
    ['HOLD 2', 'timing-off', 'Write 2000 instead of 2 in line 4.', ['HOLD = 2000', 'HOLD = 2']],
    [
      'since - millis',
      'timing-off',
      'Write millis() - since instead of since - millis() in line 35.',
      ['millis() - since', 'since - millis()'],
    ],
    ['<', 'logic-inverted', 'Write >= instead of <= in line 35.', ['since >= HOLD', 'since <= HOLD']],
    ['mode not set', 'not-lit', 'Add mode = next; after line 10.', ['  mode = next;\n', '']],
    [
      'next == IDLE both',
      'logic-inverted',
      'Write != instead of == in line 13.',
      ['next == ACTIVE', 'next == IDLE'],
    ],
    ['= ', 'not-lit', 'Write == instead of = in line 13.', ['next == ACTIVE', 'next = ACTIVE']],
    [
      'levels',
      'logic-inverted',
      'Write != instead of == in line 13.',
      ['next == ACTIVE ? HIGH : LOW', 'next == ACTIVE ? LOW : HIGH'],
    ],
    [
      'pins',
      'pin-disagrees',
      'Exchange 10 in line 2 and 9 in line 3.',
      ['LAMP = 9', 'LAMP = 10'],
      ['WAITING = 10', 'WAITING = 9'],
    ],
    [
      'case dup',
      'name-redeclared',
      'Write ACTIVE instead of IDLE in line 32.',
      ['case ACTIVE:', 'case IDLE:'],
    ],
    [
      'switch next',
      'not-lit',
      'Write mode instead of motion in line 26.',
      ['switch (mode)', 'switch (motion)'],
    ],
    [
      'no parens',
      'arguments',
      'Write millis() instead of millis in line 35.',
      ['millis() - since', 'millis - since'],
    ],
    [
      'OUTPUT',
      'not-lit',
      'Write INPUT instead of OUTPUT in line 18.',
      ['pinMode(SENSOR, INPUT)', 'pinMode(SENSOR, OUTPUT)'],
    ],
    [
      'analogRead',
      'not-lit',
      'Write digitalRead instead of analogRead in line 25.',
      ['digitalRead(SENSOR)', 'analogRead(SENSOR)'],
    ],
    [
      'motion once',
      'missed-input',
      'Add motion = digitalRead(SENSOR); after line 26.',
      ['  bool motion = digitalRead(SENSOR);\n', ''],
      ['void setup', 'bool motion = digitalRead(SENSOR);\n\nvoid setup'],
    ],
    [
      'enum typo',
      'name-unknown',
      'Write ACTIVE instead of ACTIV in line 29.',
      ['enter(ACTIVE)', 'enter(ACTIV)'],
    ],
    [
      'Mode next missing',
      'name-unknown',
      'Write Mode next between the parentheses of enter in line 10.',
      ['void enter(Mode next)', 'void enter()'],
    ],
    [
      'while',
      'not-lit',
      'Write if instead of while in line 28.',
      ['case IDLE:\n      if (motion)', 'case IDLE:\n      while (motion)'],
    ],
  ],
};
