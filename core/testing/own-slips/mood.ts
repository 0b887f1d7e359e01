import type { OwnSlips } from './own-slips';

export const mood: OwnSlips = {
  said: {
    id: 'mood',
    board: 'learner-5v',
    lines: ['RGB LED on 9, 10 and 11 with 220', 'button on 2, pull-up'],
    program: `const int BUTTON = 2;
int colour = 0;
int before = HIGH;

void show(int red, int green, int blue) {
  analogWrite(9, red);
  analogWrite(10, green);
  analogWrite(11, blue);
}

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  int now = digitalRead(BUTTON);
  if (before == HIGH && now == LOW) {
    colour = (colour + 1) % 4;
    delay(20);
  }
  before = now;
  if (colour == 0) show(0, 0, 0);
  if (colour == 1) show(255, 0, 0);
  if (colour == 2) show(0, 255, 0);
  if (colour == 3) show(0, 0, 255);
}
`,
    scenarios: [
      { name: 'dark first', lasts: 2, done: [], seen: ['D1 is off'] },
      {
        name: 'presses',
        lasts: 9,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s', 'press S1 at 7 s'],
        seen: [
          'D1 is red from 1.4 s to 2.9 s',
          'D1 is green from 3.4 s to 4.9 s',
          'D1 is blue from 5.4 s to 6.9 s',
          'D1 is off from 7.4 s',
        ],
      },
    ],
  },
  own: `const byte PINS[3] = {9, 10, 11};
const byte KEY = 2;
const byte COLOURS[4][3] = {
  {0, 0, 0},
  {255, 0, 0},
  {0, 255, 0},
  {0, 0, 255}
};
byte step = 0;
bool last = HIGH;

void paint(byte which) {
  for (byte i = 0; i < 3; i++) {
    analogWrite(PINS[i], COLOURS[which][i]);
  }
}

void setup() {
  pinMode(KEY, INPUT_PULLUP);
  for (byte i = 0; i < 3; i++) {
    pinMode(PINS[i], OUTPUT);
  }
  paint(0);
}

void loop() {
  bool state = digitalRead(KEY);
  if (state != last) {
    if (state == LOW) {
      step++;
      if (step == 4) {
        step = 0;
      }
      paint(step);
    }
    delay(30);
  }
  last = state;
}
`,
  slips: [
    ['step==3', 'not-dark', 'Write 4 instead of 3 in line 31.', ['step == 4', 'step == 3']],
    ['step > 4', 'runtime-error', 'Write 3 instead of 4 in line 31.', ['step == 4', 'step > 4']],
    [
      'no wrap',
      'runtime-error',
      'Add if (step >= 4) step = 0; after line 30.',
      ['      if (step == 4) {\n        step = 0;\n      }\n', ''],
    ],
    [
      'paint before',
      'not-dark',
      'Move line 30 behind line 34.',
      ['      paint(step);\n', ''],
      ['      step++;', '      paint(step);\n      step++;'],
    ],
    [
      'paint(which)',
      'name-unknown',
      'Write step instead of which in line 34.',
      ['paint(step);', 'paint(which);'],
    ],
    [
      'index swapped',
      'runtime-error',
      'Exchange i and which in line 14.',
      ['COLOURS[which][i]', 'COLOURS[i][which]'],
    ],
    ['PINS pins', 'pin-disagrees', 'Reverse the list in line 1: 9, 10, 11.', ['{9, 10, 11}', '{11, 10, 9}']],
    [
      'i',
      'pin-disagrees',
      'Write PINS[i] instead of i in line 14.',
      ['analogWrite(PINS[i]', 'analogWrite(i'],
    ],
    ['no last', 'repeats-while-held', 'Add last = state; after line 28.', ['  last = state;\n', '']],
    [
      'last first',
      'colour-off',
      'Move line 28 behind line 38.',
      ['  last = state;\n', ''],
      ['  bool state = digitalRead(KEY);', '  bool state = digitalRead(KEY);\n  last = state;'],
    ],
    [
      'no inner if',
      'double-count',
      'Write state != last && state == LOW instead of state != last in line 28.',
      ['    if (state == LOW) {\n', '    {\n'],
    ],
    [
      '255 swapped',
      'colour-off',
      'Exchange {0, 255, 0} in line 5 and {255, 0, 0} in line 6.',
      ['{255, 0, 0},\n  {0, 255, 0}', '{0, 255, 0},\n  {255, 0, 0}'],
    ],
    ['inverse', 'not-dark', 'Remove 255 - from line 14.', ['COLOURS[which][i]', '255 - COLOURS[which][i]']],
    ['bool step', 'not-dark', 'Write int instead of bool in line 9.', ['byte step', 'bool step']],
    [
      'local step',
      'state-reset',
      'Write static at the beginning of line 26, so that its variable is made once only.',
      ['byte step = 0;\n', ''],
      ['  bool state =', '  byte step = 0;\n  bool state ='],
    ],
    ['step+1', 'no-effect', 'Write step++ instead of step + 1 in line 30.', ['step++;', 'step + 1;']],
    [
      'step = step++',
      'no-effect',
      'Write step++ instead of step = step++ in line 30.',
      ['step++;', 'step = step++;'],
    ],
    [
      'paint()',
      'arguments',
      'Write paint(step) instead of paint() in line 34.',
      ['paint(step);', 'paint();'],
    ],
    ['no paint', 'colour-off', 'Add paint(step); after line 27.', ['      paint(step);\n', '']],
    [
      'wrong semicolon',
      'empty-body',
      'Remove the semicolon in line 31.',
      ['if (step == 4) {', 'if (step == 4); {'],
    ],
    ['const step', 'syntax-other', 'Remove const from line 9.', ['byte step = 0', 'const byte step = 0']],
    [
      'i<2',
      'colour-off',
      'Write 3 instead of 2 in line 13.',
      [
        '  for (byte i = 0; i < 3; i++) {\n    analogWrite',
        '  for (byte i = 0; i < 2; i++) {\n    analogWrite',
      ],
    ],
    [
      'return in for',
      'colour-off',
      'Remove return; from line 15.',
      [
        '    analogWrite(PINS[i], COLOURS[which][i]);\n',
        '    analogWrite(PINS[i], COLOURS[which][i]);\n    return;\n',
      ],
    ],
    ['pin 3', 'pin-disagrees', 'Write 2 instead of 3 in line 2.', ['KEY = 2', 'KEY = 3']],
    [
      'missing comma',
      'syntax-other',
      'Write }, instead of } in line 5.',
      ['{255, 0, 0},\n', '{255, 0, 0}\n'],
    ],
  ],
};
