import type { WiredSlips } from './wired-slips';

export const digit: WiredSlips = {
  said: {
    id: 'digit',
    board: 'learner-5v',
    lines: ['7-segment display on 2-8', 'button on 12, pull-up'],
    program: `const int pins[] = {2, 3, 4, 5, 6, 7, 8};
const int shapes[4][7] = {
  {1, 1, 1, 1, 1, 1, 0},
  {0, 1, 1, 0, 0, 0, 0},
  {1, 1, 0, 1, 1, 0, 1},
  {1, 1, 1, 1, 0, 0, 1},
};
int digit = 0;
void show() {
  for (int i = 0; i < 7; i++) {
    digitalWrite(pins[i], shapes[digit][i]);
  }
}
void setup() {
  for (int i = 0; i < 7; i++) {
    pinMode(pins[i], OUTPUT);
  }
  pinMode(12, INPUT_PULLUP);
  show();
}
void loop() {
  if (digitalRead(12) == LOW) {
    digit = (digit + 1) % 4;
    show();
    delay(50);
    while (digitalRead(12) == LOW) {
    }
    delay(50);
  }
}
`,
    scenarios: [
      {
        name: 'pressed',
        lasts: 6,
        done: ['press S1 at 1 s', 'press S1 at 2.5 s', 'press S1 at 4 s'],
        seen: [
          'D1 shows 0 from 0.1 s to 0.9 s',
          'D1 shows 1 from 1.3 s to 2.4 s',
          'D1 shows 2 from 2.8 s to 3.9 s',
          'D1 shows 3 from 4.3 s',
        ],
      },
    ],
  },
  slips: [
    [
      'segments a and b',
      'W4.2=U1.3 W5.2=U1.2',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the yellow wire W4 and the green wire W5: put W4 in pin 2, and W5 in pin 3.'],
    ],
    [
      'anode type',
      'D1:common-anode',
      'does-not-work',
      ['wrong-part'],
      ['Use a seven-segment display (common cathode) for D1.'],
    ],
    [
      'common off',
      'W2.2=B1.j7',
      'does-not-work',
      ['leg-open'],
      ['Move the end of the black wire W2 from hole j7 to hole j4.'],
    ],
    [
      'd1 shift',
      'D1.a=B1.d4 D1.b=B1.d3 D1.c=B1.h4 D1.d=B1.h6 D1.e=B1.h7 D1.f=B1.d6 D1.g=B1.d7 D1.dp=B1.h3 D1.common=B1.h5',
      'does-not-work',
      ['off-by-one'],
      [
        'Move the seven-segment display D1 by one row, all its legs together, so that its leg of segment a is in hole d3.',
      ],
    ],
    [
      'd1 turned',
      'D1.a=B1.h5 D1.b=B1.h6 D1.c=B1.d5 D1.d=B1.d3 D1.e=B1.d2 D1.f=B1.h3 D1.g=B1.h2 D1.dp=B1.d6 D1.common=B1.d4',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the seven-segment display D1 out, turn it round, and put it back in.'],
    ],
    ['seg c missing', '-W13', 'does-not-work', ['leg-open'], ['Add a wire from hole j3 to hole j13.']],
    [
      'gap c',
      'W13.2=B1.e13',
      'works-at-risk',
      ['gap-not-crossed'],
      ['Move the end of the green wire W13 from hole e13 to hole j13.'],
    ],
    [
      'e f swapped',
      'W8.2=U1.7 W9.2=U1.6',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the orange wire W8 and the violet wire W9: put W8 in pin 6, and W9 in pin 7.'],
    ],
    ['r 10k', 'R5:10k', 'does-not-work', ['resistor-value'], ['Use a 330 Ω resistor for R5.']],
    [
      'common to 5v',
      'W2.1=U1.5V',
      'does-not-work',
      ['voltage-mismatch'],
      ['Move the end of the black wire W2 from 5V to GND.'],
    ],
    [
      'btn 13',
      'W11.2=U1.13',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the brown wire W11 from pin 13 to pin 12.'],
    ],
    [
      'btn quarter',
      'S1.1=B1.e8 S1.2=B1.e10 S1.3=B1.f8 S1.4=B1.f10',
      'does-not-work',
      ['button-always-closed'],
      ['Take the push button S1 out, give it a quarter turn, and put it back in.'],
    ],
  ],
};
