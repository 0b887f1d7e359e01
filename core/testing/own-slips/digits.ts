import type { OwnSlips } from './own-slips';

export const digits: OwnSlips = {
  said: {
    id: 'digits',
    board: 'learner-5v',
    lines: ['seven-segment display on 2 to 8', 'button on 12, pull-up'],
    program: `const int SEGMENTS[] = {2, 3, 4, 5, 6, 7, 8};
const byte DIGITS[] = {
  0b0111111, 0b0000110, 0b1011011, 0b1001111, 0b1100110,
  0b1101101, 0b1111101, 0b0000111, 0b1111111, 0b1101111
};

void show(int digit) {
  for (int i = 0; i < 7; i++) {
    digitalWrite(SEGMENTS[i], bitRead(DIGITS[digit], i));
  }
}

void setup() {
  for (int i = 0; i < 7; i++) {
    pinMode(SEGMENTS[i], OUTPUT);
  }
  pinMode(12, INPUT_PULLUP);
  show(5);
}

void loop() {
  if (digitalRead(12) == LOW) {
    for (int n = 5; n >= 0; n--) {
      show(n);
      delay(500);
    }
    show(5);
  }
}
`,
    scenarios: [
      { name: 'waiting', lasts: 2, done: [], seen: ['D1 shows 5 from 0.1 s'] },
      {
        name: 'started',
        lasts: 6,
        done: ['press S1 at 1 s'],
        seen: [
          'D1 shows 4 from 1.6 s to 1.9 s',
          'D1 shows 3 from 2.1 s to 2.4 s',
          'D1 shows 1 from 3.1 s to 3.4 s',
          'D1 shows 0 from 3.6 s to 3.9 s',
          'D1 shows 5 from 4.2 s',
        ],
      },
    ],
  },
  own: `byte pins[7] = {2, 3, 4, 5, 6, 7, 8};
byte shapes[6] = {63, 6, 91, 79, 102, 109};
const byte START = 12;

void display(byte number) {
  byte shape = shapes[number];
  for (byte s = 0; s < 7; s++) {
    bool on = (shape >> s) & 1;
    digitalWrite(pins[s], on);
  }
}

void setup() {
  pinMode(START, INPUT_PULLUP);
  for (byte s = 0; s < 7; s++) pinMode(pins[s], OUTPUT);
  display(5);
}

void loop() {
  if (digitalRead(START) == LOW) {
    byte count = 5;
    while (count > 0) {
      delay(500);
      count--;
      display(count);
    }
    delay(500);
    display(5);
  }
}
`,
  slips: [
    [
      'byte underflow',
      'runtime-error',
      'Write 1 instead of 0 in line 22.',
      ['while (count > 0)', 'while (count >= 0)'],
    ],
    ['> 1', 'picture-off', 'Write 0 instead of 1 in line 22.', ['while (count > 0)', 'while (count > 1)']],
    ['no count--', 'picture-off', 'Add count--; before line 24.', ['      count--;\n', '']],
    ['count++', 'runtime-error', 'Write -- instead of ++ in line 24.', ['count--', 'count++']],
    [
      'order',
      'picture-off',
      'Move line 25 before line 24.',
      ['      count--;\n      display(count);', '      display(count);\n      count--;'],
    ],
    ['shift wrong', 'picture-off', 'Write >> instead of << in line 8.', ['shape >> s', 'shape << s']],
    ['& 7', 'picture-off', 'Write 1 instead of 7 in line 8.', ['& 1', '& 7']],
    ['&&', 'picture-off', 'Write & instead of && in line 8.', ['(shape >> s) & 1', '(shape >> s) && 1']],
    [
      'no last delay',
      'picture-off',
      'Add delay(500); after line 26.',
      ['    delay(500);\n    display(5);', '    display(5);'],
    ],
    [
      'no delay',
      'missing-pause',
      'Add delay(500); after line 22.',
      ['      delay(500);\n      count--', '      count--'],
    ],
    [
      '50',
      'picture-off',
      'Write 500 instead of 50 in line 23.',
      ['      delay(500);\n      count--', '      delay(50);\n      count--'],
    ],
    [
      'display(count) missing',
      'picture-off',
      'Add display(count); after line 24.',
      ['      display(count);\n', ''],
    ],
    [
      'display(START)',
      'runtime-error',
      'Write count instead of START in line 25.',
      ['display(count)', 'display(START)'],
    ],
    ['shapes[s]', 'picture-off', 'Write number instead of 0 in line 6.', ['shapes[number]', 'shapes[0]']],
    [
      'pins order',
      'picture-off',
      'Reverse the list in line 1: 2, 3, 4, 5, 6, 7, 8.',
      ['{2, 3, 4, 5, 6, 7, 8}', '{8, 7, 6, 5, 4, 3, 2}'],
    ],
    [
      's<6',
      'picture-off',
      'Write 7 instead of 6 in line 7.',
      ['for (byte s = 0; s < 7; s++) {', 'for (byte s = 0; s < 6; s++) {'],
    ],
    [
      'inverted',
      'logic-inverted',
      'Remove the ! before on in line 9.',
      ['digitalWrite(pins[s], on)', 'digitalWrite(pins[s], !on)'],
    ],
    [
      'display(5) missing',
      'picture-off',
      'Add display(5); at the end of setup.',
      ['  display(5);\n}\n\nvoid loop', '}\n\nvoid loop'],
    ],
    [
      'level',
      'logic-inverted',
      'Write != instead of == in line 20.',
      ['digitalRead(START) == LOW', 'digitalRead(START) == HIGH'],
    ],
    [
      'if for while',
      'picture-off',
      'Write while instead of if in line 22.',
      ['while (count > 0)', 'if (count > 0)'],
    ],
    ['bool shape', 'picture-off', 'Write int instead of bool in line 6.', ['byte shape =', 'bool shape =']],
    [
      'shape const',
      'runtime-error',
      'Write number instead of shape in line 6.',
      ['shapes[number]', 'shapes[shape]'],
    ],
    [
      'on s',
      'pin-disagrees',
      'Write pins[s] instead of s in line 9.',
      ['digitalWrite(pins[s], on)', 'digitalWrite(s, on)'],
    ],
    ['equal', 'assign-in-condition', 'Write == instead of = in line 20.', ['== LOW', '= LOW']],
  ],
};
