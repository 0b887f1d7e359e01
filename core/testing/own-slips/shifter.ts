import type { OwnSlips } from './own-slips';

export const shifter: OwnSlips = {
  said: {
    id: 'shifter',
    board: 'learner-5v',
    lines: ['shift register on 8, 9, 10', '8 red LEDs on the shift register with 470'],
    program: `const int DATA = 8;
const int CLOCK = 9;
const int LATCH = 10;

void show(byte pattern) {
  digitalWrite(LATCH, LOW);
  shiftOut(DATA, CLOCK, MSBFIRST, pattern);
  digitalWrite(LATCH, HIGH);
}

void setup() {
  pinMode(DATA, OUTPUT);
  pinMode(CLOCK, OUTPUT);
  pinMode(LATCH, OUTPUT);
}

void loop() {
  for (int i = 0; i < 8; i++) {
    show(1 << i);
    delay(200);
  }
}
`,
    scenarios: [
      {
        name: 'runs',
        lasts: 4,
        done: [],
        seen: [
          'D1 is on from 0.05 s to 0.15 s',
          'D2 is on from 0.25 s to 0.35 s',
          'D8 is on from 1.45 s to 1.55 s',
          'D1 is on from 1.65 s to 1.75 s',
          'D1 is off from 0.25 s to 1.55 s',
          'D5 is on from 0.85 s to 0.95 s',
        ],
      },
    ],
  },
  own: `int dataPin = 8;
int clockPin = 9;
int latchPin = 10;
byte pattern = 1;

void setup() {
  pinMode(dataPin, OUTPUT);
  pinMode(clockPin, OUTPUT);
  pinMode(latchPin, OUTPUT);
}

void loop() {
  digitalWrite(latchPin, LOW);
  shiftOut(dataPin, clockPin, MSBFIRST, pattern);
  digitalWrite(latchPin, HIGH);
  delay(200);
  pattern = pattern << 1;
  if (pattern == 0) {
    pattern = 1;
  }
}
`,
  slips: [
    ['LSBFIRST', 'not-lit', 'Write MSBFIRST instead of LSBFIRST in line 14.', ['MSBFIRST', 'LSBFIRST']],
    [
      'no latch high',
      'not-lit',
      'Add digitalWrite(latchPin, HIGH); after line 14.',
      ['  digitalWrite(latchPin, HIGH);\n', ''],
    ],
    [
      'no latch low',
      'not-lit',
      'Add digitalWrite(latchPin, LOW); after line 12.',
      ['  digitalWrite(latchPin, LOW);\n', ''],
    ],
    [
      'pins',
      'pin-disagrees',
      'Exchange 9 in line 1 and 8 in line 2.',
      ['dataPin = 8', 'dataPin = 9'],
      ['clockPin = 9', 'clockPin = 8'],
    ],
    ['>>', 'not-lit', 'Write << instead of >> in line 17.', ['pattern << 1', 'pattern >> 1']],
    ['+ 1', 'not-lit', 'Write << instead of + in line 17.', ['pattern << 1', 'pattern + 1']],
    [
      'no wrap',
      'not-lit',
      'Add if (pattern == 0) pattern = 1; after line 17.',
      ['  if (pattern == 0) {\n    pattern = 1;\n  }\n', ''],
    ],
    ['wrap 0', 'not-lit', 'Write 1 instead of 0 in line 19.', ['    pattern = 1;\n', '    pattern = 0;\n']],
    ['int pattern', 'not-lit', 'Write byte instead of int in line 4.', ['byte pattern', 'int pattern']],
    ['pattern == 128', 'not-lit', 'Write 0 instead of 128 in line 18.', ['pattern == 0', 'pattern == 128']],
    ['= 0', 'assign-in-condition', 'Write == instead of = in line 18.', ['pattern == 0', 'pattern = 0']],
    ['start 0', 'not-lit', 'Write 1 instead of 0 in line 4.', ['byte pattern = 1', 'byte pattern = 0']],
    [
      'pattern not kept',
      'no-effect',
      'Write pattern <<= 1 instead of pattern << 1 in line 17.',
      ['pattern = pattern << 1', 'pattern << 1'],
    ],
    [
      'latch pin 11',
      'pin-disagrees',
      'Write 10 instead of 11 in line 3.',
      ['latchPin = 10', 'latchPin = 11'],
    ],
    ['delay missing', 'missing-pause', 'Add delay(200); after line 15.', ['  delay(200);\n', '']],
    ['delay 20', 'not-lit', 'Write 200 instead of 20 in line 16.', ['delay(200)', 'delay(20)']],
    ['shift by 2', 'not-lit', 'Write 1 instead of 2 in line 17.', ['pattern << 1', 'pattern << 2']],
    [
      'no shiftOut',
      'not-lit',
      'Add shiftOut(dataPin, clockPin, MSBFIRST, pattern); after line 12.',
      ['  shiftOut(dataPin, clockPin, MSBFIRST, pattern);\n', ''],
    ],
  ],
};
