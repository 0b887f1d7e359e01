import type { WiredSlips } from './wired-slips';

export const parking: WiredSlips = {
  said: {
    id: 'parking',
    board: 'learner-5v',
    lines: ['ultrasonic sensor trig 7 echo 8', 'RGB LED on 11, 10, 9 with 220', 'passive buzzer on 4'],
    program: `const int TRIG = 7;
const int ECHO = 8;
void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(11, OUTPUT);
  pinMode(10, OUTPUT);
  pinMode(9, OUTPUT);
}
void loop() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  long t = pulseIn(ECHO, HIGH);
  long cm = t / 58;
  if (cm < 15) {
    digitalWrite(11, HIGH);
    digitalWrite(10, LOW);
    tone(4, 880);
  } else {
    digitalWrite(11, LOW);
    digitalWrite(10, HIGH);
    noTone(4);
  }
  delay(60);
}
`,
    scenarios: [
      {
        name: 'far',
        lasts: 3,
        done: ['bring X1 to 80 cm at 0 s'],
        seen: ['D1.green is on from 0.5 s', 'D1.red is off from 0.5 s', 'Z1 is silent from 0.5 s'],
      },
      {
        name: 'near',
        lasts: 4,
        done: ['bring X1 to 80 cm at 0 s', 'bring X1 to 8 cm at 2 s'],
        seen: ['D1.red is on from 2.5 s', 'D1.green is off from 2.5 s', 'Z1 plays 880 Hz from 2.5 s'],
      },
    ],
  },
  slips: [
    [
      'trig echo',
      'W6.2=U1.8 W7.2=U1.7',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the yellow wire W6 and the green wire W7: put W6 in pin 7, and W7 in pin 8.'],
    ],
    [
      'sensor backwards',
      'X1.vcc=B1.e7 X1.trig=B1.e8 X1.echo=B1.e9 X1.gnd=B1.e10',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the distance sensor X1 out, turn it round, and put it back in.'],
    ],
    [
      'sensor shift',
      'X1.vcc=B1.e11 X1.trig=B1.e10 X1.echo=B1.e9 X1.gnd=B1.e8',
      'does-not-work',
      ['off-by-one'],
      ['Move the distance sensor X1 by one row, all its legs together: to e10, e9, e8 and e7.'],
    ],
    [
      'vcc 3v3',
      'W5.2=U1.3V3',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W5 from 3V3 to 5V.'],
    ],
    [
      'rgb turned',
      'D1.red=B1.h5 D1.common=B1.h4 D1.green=B1.h3 D1.blue=B1.h2',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the RGB LED D1 out, turn it round, and put it back in.'],
    ],
    [
      'rgb anode',
      'D1:common-anode',
      'does-not-work',
      ['wrong-part'],
      ['Use an RGB LED (common cathode) for D1.'],
    ],
    [
      'common to 5v',
      'W3.1=B1.a+3 +W20:red:B1.a+1:B1.b10',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the black wire W3 from the plus rail, hole a+3 to the minus rail, hole a-3.'],
    ],
    [
      'rg swap',
      'W8.2=U1.10 W9.2=U1.11',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the blue wire W8 and the white wire W9: put W8 in pin 11, and W9 in pin 10.'],
    ],
    [
      'no resistor at all',
      '-R1 -R2 -R3 -W3 +W21:blue:B1.d2:B1.g2 +W22:white:B1.d4:B1.g4 +W23:orange:B1.d5:B1.g5 +W24:black:B1.j3:B1.i20 +W25:black:B1.f20:B1.a-20',
      'works-at-risk',
      ['no-series-resistor', 'part-missing'],
      [
        'Take out the blue wire W21, and put the 220 Ω resistor R1 in its place.',
        'Take out the white wire W22, and put the 220 Ω resistor R2 in its place.',
      ],
    ],
    [
      'no res red',
      '-R1 +W20:red:B1.d2:B1.g2',
      'works-at-risk',
      ['no-series-resistor'],
      ['Take out the red wire W20, and put the 220 Ω resistor R1 in its place.'],
    ],
    ['buzzer turned', 'Z1<>plus,minus', 'as-drawn', [], []],
    ['buzzer active', 'Z1:active', 'does-not-work', ['wrong-part'], ['Use a passive buzzer for Z1.']],
    [
      'buzzer ground',
      '-W2',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-15 to hole a15.'],
    ],
    [
      'echo row',
      'W7.1=B1.b7',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the green wire W7 from hole b7 to hole b8.'],
    ],
    [
      'gap',
      'R2.2=B1.e4',
      'does-not-work',
      ['part-bypassed'],
      ['Move the other end of the 220 Ω resistor R2 from hole e4 to hole g4.'],
    ],
    [
      'buzz pin5',
      'W11.2=U1.5',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the violet wire W11 from pin 5 to pin 4.'],
    ],
    [
      'gnd plus',
      'W4.1=B1.a+1',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the black wire W4 from the plus rail, hole a+1 to the minus rail, hole a-1.'],
    ],
    [
      'x1 gnd off',
      'W1.2=B1.a6',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the black wire W1 from hole a6 to hole a7.'],
    ],
    [
      'rgb shift',
      'D1.red=B1.h3 D1.common=B1.h4 D1.green=B1.h5 D1.blue=B1.h6',
      'does-not-work',
      ['off-by-one'],
      ['Move the RGB LED D1 by one row, all its legs together: to h2, h3, h4 and h5.'],
    ],
    [
      'vcc missing, buzz pin',
      '-W5 W11.2=U1.5',
      'does-not-work',
      ['leg-open', 'wrong-pin'],
      ['Add a wire from hole a10 to 5V.', 'Move the end of the violet wire W11 from pin 5 to pin 4.'],
    ],
    [
      'rg swap, trig echo',
      'W8.2=U1.10 W9.2=U1.11 W6.2=U1.8 W7.2=U1.7',
      'does-not-work',
      ['wrong-pin', 'wrong-pin'],
      [
        'Swap the blue wire W8 and the white wire W9: put W8 in pin 11, and W9 in pin 10.',
        'Swap the yellow wire W6 and the green wire W7: put W6 in pin 7, and W7 in pin 8.',
      ],
    ],
  ],
};
