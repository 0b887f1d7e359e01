import type { WiredSlips } from './wired-slips';

export const counterLights: WiredSlips = {
  said: {
    id: 'counter-lights',
    board: 'learner-5v',
    lines: ['shift register on 11, 12, 8', '4 red LEDs on X1.q0-q3', 'button on 2, pull-up'],
    program: `const int DATA = 11;
const int CLOCK = 12;
const int LATCH = 8;
int count = 0;
void show() {
  digitalWrite(LATCH, LOW);
  shiftOut(DATA, CLOCK, MSBFIRST, count);
  digitalWrite(LATCH, HIGH);
}
void setup() {
  pinMode(DATA, OUTPUT);
  pinMode(CLOCK, OUTPUT);
  pinMode(LATCH, OUTPUT);
  pinMode(2, INPUT_PULLUP);
  show();
}
void loop() {
  if (digitalRead(2) == LOW) {
    count = count + 1;
    show();
    delay(50);
    while (digitalRead(2) == LOW) {
    }
    delay(50);
  }
}
`,
    scenarios: [
      { name: 'none', lasts: 2, done: [], seen: ['D1 is off from 0.1 s', 'D2 is off from 0.1 s'] },
      {
        name: 'three',
        lasts: 6,
        done: ['press S1 at 1 s', 'press S1 at 2 s', 'press S1 at 3 s'],
        seen: [
          'D1 is on from 1.3 s to 1.9 s',
          'D2 is off from 1.3 s to 1.9 s',
          'D1 is off from 2.3 s to 2.9 s',
          'D2 is on from 2.3 s to 2.9 s',
          'D1 is on from 3.4 s',
          'D2 is on from 3.4 s',
        ],
      },
    ],
  },
  slips: [
    [
      'data clock',
      'W8.2=U1.12 W9.2=U1.11',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the yellow wire W8 and the green wire W9: put W8 in pin 11, and W9 in pin 12.'],
    ],
    [
      'latch clock',
      'W9.2=U1.8 W10.2=U1.12',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the green wire W9 and the blue wire W10: put W9 in pin 12, and W10 in pin 8.'],
    ],
    [
      'no enable',
      '-W1',
      'works-at-risk',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-6 to hole a6.'],
    ],
    [
      'clear ground',
      'W6.1=B1.a-3',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the red wire W6 from the minus rail, hole a-3 to the plus rail, hole a+3.'],
    ],
    [
      'no clear',
      '-W6',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the plus rail, hole a+3 to hole a3.'],
    ],
    ['q0 q1', 'W12.2=B1.a18 W13.2=B1.a15', 'as-drawn', [], []],
    [
      'chip turned',
      'X1.q1=B1.e2 X1.q2=B1.e3 X1.q3=B1.e4 X1.q4=B1.e5 X1.q5=B1.e6 X1.q6=B1.e7 X1.q7=B1.e8 X1.gnd=B1.e9 X1.vcc=B1.f2 X1.q0=B1.f3 X1.data=B1.f4 X1.enable=B1.f5 X1.latch=B1.f6 X1.clock=B1.f7 X1.clear=B1.f8 X1.carry=B1.f9',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the shift register X1 out, turn it round, and put it back in.'],
    ],
    [
      'chip shift',
      'X1.q1=B1.f10 X1.q2=B1.f9 X1.q3=B1.f8 X1.q4=B1.f7 X1.q5=B1.f6 X1.q6=B1.f5 X1.q7=B1.f4 X1.gnd=B1.f3 X1.vcc=B1.e10 X1.q0=B1.e9 X1.data=B1.e8 X1.enable=B1.e7 X1.latch=B1.e6 X1.clock=B1.e5 X1.clear=B1.e4 X1.carry=B1.e3',
      'does-not-work',
      ['off-by-one'],
      ['Move the shift register X1 by one row, all its legs together, so that its output 1 is in hole f9.'],
    ],
    ['no vcc', '-W5', 'works-at-risk', ['leg-open'], ['Add a wire from the plus rail, hole a+9 to hole a9.']],
    [
      'no gnd',
      '-W3',
      'works-at-risk',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-2 to hole j2.'],
    ],
    ['d2 rev', 'D2<>anode,cathode', 'does-not-work', ['polarity-reversed'], ['Turn the red LED D2 round.']],
    [
      'q4',
      'W15.1=B1.j6',
      'works-at-risk',
      ['off-by-one'],
      ['Move the end of the brown wire W15 from hole j6 to hole j7.'],
    ],
    [
      'r missing',
      '-R3',
      'works-at-risk',
      ['part-missing'],
      ['Put the 330 Ω resistor R3 between hole d22 and the minus rail, hole a-22.'],
    ],
    [
      '5v missing',
      '-W7',
      'does-not-work',
      ['rail-unpowered'],
      ['Add a wire from the plus rail, hole a+1 to 5V.'],
    ],
    [
      'gnd rail 13',
      'W2.2=B1.a12',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the black wire W2 from hole a12 to hole a13.'],
    ],
    [
      'pin9',
      'W10.2=U1.9',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the blue wire W10 from pin 9 to pin 8.'],
    ],
  ],
};
