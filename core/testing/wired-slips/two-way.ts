import type { WiredSlips } from './wired-slips';

export const twoWay: WiredSlips = {
  said: {
    id: 'two-way',
    board: 'none',
    lines: ['9V battery', 'slide switch', 'red LED with 470 from S1', 'green LED with 470 from S1'],
    program: ``,
    scenarios: [
      {
        name: 'on',
        lasts: 4,
        done: ['S1 is off at 0 s', 'switch S1 on at 2 s'],
        seen: ['D1 is off until 1.9 s', 'D1 is on from 2.1 s', 'D2 is on from 2.1 s'],
      },
    ],
  },
  slips: [
    [
      'switch turned',
      'S1<>1,2',
      'does-not-work',
      ['divider-reversed'],
      ['Take the slide switch S1 out, turn it round, and put it back in.'],
    ],
    [
      'switch down',
      'S1.1=B1.e3 S1.common=B1.e4 S1.2=B1.e5',
      'does-not-work',
      ['off-by-one'],
      ['Move the slide switch S1 by one row, all its legs together: to e2, e3 and e4.'],
    ],
    [
      'D2 turned',
      'D2<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the green LED D2 round.'],
    ],
    [
      'W3 j8',
      'W3.1=B1.j8',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the green wire W3 from hole j8 to hole j7.'],
    ],
    [
      'R2 e7',
      'R2.1=B1.e7',
      'does-not-work',
      ['off-by-one'],
      ['Move one end of the 470 Ω resistor R2 from hole e7 to hole e8.'],
    ],
    ['colours', 'D1:green D2:red', 'as-drawn', [], []],
    [
      'W1 outer',
      'W1.2=B1.a2',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the red wire W1 from hole a2 to hole a3.'],
    ],
    ['no W1', '-W1', 'does-not-work', ['leg-open'], ['Add a wire from the plus rail, hole a+3 to hole a3.']],
    [
      'no R1',
      '-R1 +W20:black:B1.d6:B1.a-6',
      'works-at-risk',
      ['no-series-resistor'],
      ['Take out the black wire W20, and put the 470 Ω resistor R1 in its place.'],
    ],
    [
      'battery minus unplugged',
      'G1.minus=',
      'does-not-work',
      ['leg-open'],
      ['Move the minus lead of the 9 V block battery G1 to the minus rail, hole a-7.'],
    ],
    ['R2 4k7', 'R2:4.7k', 'works-differently', ['resistor-value'], ['Use 470 Ω for R2.']],
    ['D1 and D2 one resistor', '-R2 W3.2=B1.b6', 'works-differently', [], []],
    [
      'W1 in minus',
      'W1.1=B1.a-3',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the red wire W1 from the minus rail, hole a-3 to the plus rail, hole a+3.'],
    ],
    [
      'battery swapped into other rails',
      'G1.plus=B1.j+9 G1.minus=B1.j-9',
      'does-not-work',
      ['rail-unpowered', 'rail-unpowered'],
      [
        'Move the minus lead of the 9 V block battery G1 from the minus rail, hole j-9 to the minus rail, hole a-9.',
        'Move the plus lead of the 9 V block battery G1 from the plus rail, hole j+9 to the plus rail, hole a+9.',
      ],
    ],
  ],
};
