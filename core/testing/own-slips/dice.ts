import type { OwnSlips } from './own-slips';

export const dice: OwnSlips = {
  said: {
    id: 'dice',
    board: 'learner-5v',
    lines: ['button on 8, pull-down', 'motor on 6', 'green LED on 3 with 330', 'red LED on 4 with 330'],
    program: `const int BUTTON = 8;
const int FAN = 6;
int speed = 0;

void setup() {
  pinMode(BUTTON, INPUT);
  pinMode(FAN, OUTPUT);
  pinMode(3, OUTPUT);
  pinMode(4, OUTPUT);
}

void loop() {
  if (digitalRead(BUTTON) == HIGH) {
    speed = speed + 1;
    if (speed > 2) {
      speed = 0;
    }
    delay(200);
    while (digitalRead(BUTTON) == HIGH) {
    }
  }
  digitalWrite(FAN, speed > 0 ? HIGH : LOW);
  digitalWrite(3, speed == 1 ? HIGH : LOW);
  digitalWrite(4, speed == 2 ? HIGH : LOW);
}
`,
    scenarios: [
      { name: 'off', lasts: 2, done: [], seen: ['M1 stands still', 'D2 is off', 'D3 is off'] },
      {
        name: 'three presses',
        lasts: 9,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s'],
        seen: [
          'D2 is on from 1.4 s to 2.9 s',
          'D3 is on from 3.4 s to 4.9 s',
          'D2 is off from 3.4 s',
          'D3 is off from 5.4 s',
          'M1 turns from 2 s to 4.9 s',
          'M1 stands still from 7 s',
        ],
      },
    ],
  },
  own: `const int keyPin = 8;
const int motorPin = 6;
const int lowPin = 3;
const int highPin = 4;

int stage = 0;
int lastKey = LOW;

void update() {
  digitalWrite(motorPin, stage != 0);
  digitalWrite(lowPin, stage == 1);
  digitalWrite(highPin, stage == 2);
}

void setup() {
  pinMode(keyPin, INPUT);
  pinMode(motorPin, OUTPUT);
  pinMode(lowPin, OUTPUT);
  pinMode(highPin, OUTPUT);
  update();
}

void loop() {
  int key = digitalRead(keyPin);
  if (key == HIGH && lastKey == LOW) {
    stage = (stage + 1) % 3;
    update();
    delay(50);
  }
  lastKey = key;
}
`,
  slips: [
    ['% 2', 'not-lit', 'Write 3 instead of 2 in line 26.', ['% 3', '% 2']],
    ['% 4', 'timing-off', 'Write 3 instead of 4 in line 26.', ['% 3', '% 4']],
    ['/ 3', 'not-lit', 'Write % instead of / in line 26.', ['% 3', '/ 3']],
    [
      'no parens',
      'timing-off',
      'Put stage + 1 in line 26 in parentheses.',
      ['(stage + 1) % 3', 'stage + 1 % 3'],
    ],
    ['no update', 'not-lit', 'Move line 20 from setup to the beginning of loop.', ['    update();\n', '']],
    [
      'update;',
      'arguments',
      'Write update() instead of update in line 27.',
      ['    update();', '    update;'],
    ],
    ['stage==2 twice', 'not-lit', 'Write 1 instead of 2 in line 11.', ['stage == 1', 'stage == 2']],
    ['= in write', 'not-lit', 'Write == instead of = in line 12.', ['stage == 2)', 'stage = 2)']],
    [
      'lastKey HIGH',
      'logic-inverted',
      'Write != instead of == in line 25.',
      ['lastKey == LOW', 'lastKey == HIGH'],
    ],
    ['lastKey = LOW', 'not-lit', 'Write key instead of LOW in line 30.', ['lastKey = key', 'lastKey = LOW']],
    [
      'key = lastKey',
      'repeats-while-held',
      'Add lastKey = key; after line 29.',
      ['lastKey = key', 'key = lastKey'],
    ],
    ['or', 'timing-off', 'Write && instead of || in line 25.', ['&&', '||']],
    ['no lastKey', 'always-true', 'Write lastKey = key; at the end of loop.', ['  lastKey = key;\n', '']],
    [
      'lastKey inside',
      'not-lit',
      'Move the } of line 30 before line 29.',
      ['    delay(50);\n  }\n  lastKey = key;', '    delay(50);\n    lastKey = key;\n  }'],
    ],
    ['motor > 1', 'no-response', 'Write 0 instead of 1 in line 10.', ['stage != 0', 'stage > 1']],
    ['motor == 0', 'logic-inverted', 'Write != instead of == in line 10.', ['stage != 0', 'stage == 0']],
    [
      'key global',
      'missed-input',
      'Add key = digitalRead(keyPin); after line 25.',
      ['  int key = digitalRead(keyPin);\n', ''],
      ['void update', 'int key = digitalRead(keyPin);\n\nvoid update'],
    ],
    [
      'local stage',
      'name-out-of-scope',
      'Move the declaration of stage from line 23 to the top of the program.',
      ['int stage = 0;\n', ''],
      ['  int key =', '  int stage = 0;\n  int key ='],
    ],
    [
      'shadow stage',
      'state-reset',
      'Remove int from line 26.',
      ['    stage = (stage', '    int stage = (stage'],
    ],
    [
      'pinMode motor',
      'direction-unset',
      'Add pinMode(motorPin, OUTPUT); to setup.',
      ['  pinMode(motorPin, OUTPUT);\n', ''],
    ],
    [
      'analogWrite',
      'no-response',
      'Write digitalWrite instead of analogWrite in line 10.',
      ['digitalWrite(motorPin, stage != 0)', 'analogWrite(motorPin, stage != 0)'],
    ],
  ],
};
