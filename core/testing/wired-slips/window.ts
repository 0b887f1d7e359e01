import type { WiredSlips } from './wired-slips';

export const window: WiredSlips = {
  said: {
    id: 'window',
    board: 'learner-5v',
    lines: ['light sensor on A0 with 10k', 'servo on 9', 'green LED on 12 with 330'],
    program: `#include <Servo.h>
Servo window;
void setup() {
  window.attach(9);
  pinMode(12, OUTPUT);
}
void loop() {
  int light = analogRead(A0);
  if (light > 600) {
    window.write(90);
    digitalWrite(12, HIGH);
  } else {
    window.write(0);
    digitalWrite(12, LOW);
  }
  delay(100);
}
`,
    scenarios: [
      {
        name: 'dark',
        lasts: 3,
        done: ['light L1 to 5 % at 0 s'],
        seen: ['D1 is off from 0.5 s', 'M1 stands at 0 from 1 s'],
      },
      {
        name: 'sun',
        lasts: 4,
        done: ['light L1 to 5 % at 0 s', 'light L1 to 95 % at 2 s'],
        seen: ['D1 is on from 2.5 s', 'M1 stands at 90 from 3 s'],
      },
    ],
  },
  slips: [
    [
      'divider turned',
      'W3.1=B1.a-5 R1.2=B1.a+7',
      'does-not-work',
      ['supply-short', 'rail-unpowered'],
      [
        'Move the end of the red wire W3 from the minus rail, hole a-5 to hole a5.',
        'Move the other end of the 10 kΩ resistor R1 from the plus rail, hole a+7 to the minus rail, hole a-7.',
      ],
    ],
    [
      'signal above',
      'W5.1=B1.b5',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the yellow wire W5 from hole b5 to hole b7.'],
    ],
    [
      'a1 instead',
      'W5.2=U1.A1',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W5 from pin A1 to pin A0.'],
    ],
    [
      'servo sig plus',
      'W4.2=M1.signal W6.2=M1.plus',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the red wire W4 and the green wire W6: put W4 on the supply lead of the servo M1, and W6 on its signal lead.',
      ],
    ],
    [
      'servo plus minus',
      'W2.2=M1.plus W4.2=M1.minus',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the black wire W2 and the red wire W4: put W2 on the ground lead of the servo M1, and W4 on its supply lead.',
      ],
    ],
    [
      'servo no ground',
      '-W2',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-2 to the ground lead of the servo M1.'],
    ],
    [
      'no common ground',
      'W1.1=B1.j-1',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the black wire W1 from the minus rail, hole j-1 to the minus rail, hole a-1.'],
    ],
    [
      'servo from 5v',
      'W4.1=U1.5V W3.2=U1.3V3',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W4 from 5V to the plus rail, hole a+8.'],
    ],
    [
      'batt reversed',
      'G1<>plus,minus',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the 4 × 1.5 V battery G1 round.'],
    ],
    [
      'led reversed',
      'D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the green LED D1 round.'],
    ],
    ['res 330k', 'R2:330k', 'does-not-work', ['resistor-value'], ['Use a 330 Ω resistor for R2.']],
    ['div 1k', 'R1:1k', 'works-differently', ['resistor-value'], ['Use 10 kΩ for R1.']],
    [
      'swap resistors',
      'R1:330 R2:10k',
      'does-not-work',
      ['resistor-value'],
      ['Swap the 330 Ω resistor R1 and the 10 kΩ resistor R2.'],
    ],
    [
      'led both row',
      'D1.cathode=B1.d2',
      'does-not-work',
      ['part-bypassed'],
      ['Move the short leg of the green LED D1 from hole d2 to hole e3.'],
    ],
    [
      'led res missing',
      '-R2 +W20:black:B1.a3:B1.a-3',
      'works-at-risk',
      ['no-series-resistor'],
      ['Take out the black wire W20, and put the 330 Ω resistor R2 in its place.'],
    ],
    [
      'res not ground',
      'R2.2=B1.a4',
      'does-not-work',
      ['no-return'],
      ['Move the other end of the 330 Ω resistor R2 from hole a4 to the minus rail, hole a-4.'],
    ],
    [
      'ldr one row up',
      'L1.1=B1.e6 L1.2=B1.e8',
      'does-not-work',
      ['off-by-one'],
      ['Move the light sensor L1 by one row, all its legs together: to e5 and e7.'],
    ],
    [
      '5v to gnd',
      'W3.2=U1.GND',
      'does-not-work',
      ['voltage-mismatch'],
      ['Move the end of the red wire W3 from GND to 5V.'],
    ],
    [
      'servo pin10',
      'W6.1=U1.10',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the green wire W6 from pin 10 to pin 9.'],
    ],
    [
      'swap 9 12',
      'W6.1=U1.12 W7.2=U1.9',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the green wire W6 and the blue wire W7: put W6 in pin 9, and W7 in pin 12.'],
    ],
    [
      'led pin11',
      'W7.2=U1.11',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the blue wire W7 from pin 11 to pin 12.'],
    ],
    [
      'pulldown missing',
      '-R1',
      'does-not-work',
      ['part-missing'],
      ['Put the 10 kΩ resistor R1 between hole a7 and the minus rail, hole a-7.'],
    ],
    [
      'pulldown rail other side',
      'R1.2=B1.j-7',
      'does-not-work',
      ['rail-unpowered'],
      [
        'Move the other end of the 10 kΩ resistor R1 from the minus rail, hole j-7 to the minus rail, hole a-7.',
      ],
    ],
    [
      'batt plus in minus',
      'G1.plus=B1.a-8',
      'does-not-work',
      ['supply-short'],
      [
        'Move the plus lead of the 4 × 1.5 V battery G1 from the minus rail, hole a-8 to the plus rail, hole a+8.',
      ],
    ],
    [
      'led rev, servo pin',
      'D1<>anode,cathode W6.1=U1.10',
      'does-not-work',
      ['polarity-reversed', 'wrong-pin'],
      ['Turn the green LED D1 round.', 'Move the end of the green wire W6 from pin 10 to pin 9.'],
    ],
    [
      'no common ground, div 1k',
      '-W1 R1:1k',
      'does-not-work',
      ['no-common-ground'],
      ['Add a wire from the minus rail, hole a-1 to GND.'],
    ],
  ],
};
