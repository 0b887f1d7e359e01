import type { WiredSlips } from './wired-slips';

export const inSeries: WiredSlips = {
  said: {
    id: 'in-series',
    board: 'learner-5v',
    lines: ['2 red LEDs in series on 9 with 100', 'button on 2, pull-up'],
    program: `void setup() {
  pinMode(9, OUTPUT);
  pinMode(2, INPUT_PULLUP);
}
void loop() {
  digitalWrite(9, !digitalRead(2));
}
`,
    scenarios: [
      {
        name: 'held',
        lasts: 4,
        done: ['press S1 at 1 s for 2 s'],
        seen: ['D1 is on while S1 is held', 'D2 is on while S1 is held'],
      },
    ],
  },
  slips: [
    [
      'D1 turned',
      'D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the red LED D1 round.'],
    ],
    [
      'D2 turned',
      'D2<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the red LED D2 round.'],
    ],
    ['R 10k', 'R1:10k', 'does-not-work', ['resistor-value'], ['Use a 100 Ω resistor for R1.']],
    [
      'D2 bypass',
      'W3.2=U1.9 +W20:blue:B1.b5:B1.j5',
      'does-not-work',
      ['part-extra'],
      ['Take out the blue wire W20.'],
    ],
    [
      'D2 gap',
      'D2.cathode=B1.h5',
      'does-not-work',
      ['part-bypassed'],
      ['Move the short leg of the red LED D2 from hole h5 to hole e5.'],
    ],
    [
      'D1 row',
      'D1.cathode=B1.g6',
      'does-not-work',
      ['off-by-one'],
      ['Move the short leg of the red LED D1 from hole g6 to hole g5.'],
    ],
    [
      'D1 short',
      'D1.cathode=B1.h4',
      'does-not-work',
      ['part-bypassed'],
      ['Move the short leg of the red LED D1 from hole h4 to hole h5.'],
    ],
    [
      'wire pin 8',
      'W3.2=U1.8',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W3 from pin 8 to pin 9.'],
    ],
    [
      'no R',
      '-R1 +W20:black:B1.d5:B1.a-5',
      'works-at-risk',
      ['no-series-resistor'],
      ['Take out the black wire W20, and put the 100 Ω resistor R1 in its place.'],
    ],
    [
      'R plus rail',
      'R1.2=B1.a+5',
      'does-not-work',
      ['rail-unpowered'],
      [
        'Move the other end of the 100 Ω resistor R1 from the plus rail, hole a+5 to the minus rail, hole a-5.',
      ],
    ],
    [
      'D2 missing',
      '-D2',
      'does-not-work',
      ['part-missing'],
      ['Put the red LED D2 between hole f5 and hole e5.'],
    ],
    [
      'W2 pin 5V',
      'W2.2=U1.5V',
      'does-not-work',
      ['voltage-mismatch'],
      ['Move the end of the black wire W2 from 5V to GND.'],
    ],
    [
      'D2 e6',
      'D2.cathode=B1.e6',
      'does-not-work',
      ['off-by-one'],
      ['Move the short leg of the red LED D2 from hole e6 to hole e5.'],
    ],
  ],
};
