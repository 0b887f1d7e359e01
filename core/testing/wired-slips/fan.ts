import type { WiredSlips } from './wired-slips';

export const fan: WiredSlips = {
  said: {
    id: 'fan',
    board: 'learner-5v',
    lines: ['motor on 5', 'potentiometer on A1', 'red LED on 3 with 220', 'button on 2, pull-down 10k'],
    program: `void setup() {
  pinMode(5, OUTPUT);
  pinMode(3, OUTPUT);
  pinMode(2, INPUT);
}
void loop() {
  int speed = analogRead(A1) / 4;
  if (digitalRead(2) == HIGH) {
    analogWrite(5, 0);
    digitalWrite(3, HIGH);
  } else {
    analogWrite(5, speed);
    digitalWrite(3, LOW);
  }
}
`,
    scenarios: [
      {
        name: 'turned up',
        lasts: 3,
        done: ['turn P1 to 100 % at 0 s'],
        seen: ['D2 is off', 'M1 turns from 0.5 s'],
      },
      {
        name: 'turned down',
        lasts: 3,
        done: ['turn P1 to 0 % at 0 s'],
        seen: ['D2 is off', 'M1 stands still from 1 s'],
      },
      {
        name: 'stopped',
        lasts: 4,
        done: ['turn P1 to 100 % at 0 s', 'hold S1 from 2 s to 3.8 s'],
        seen: ['D2 is on from 2.2 s to 3.7 s', 'M1 stands still from 3 s to 3.7 s'],
      },
    ],
  },
  slips: [
    [
      'ce swapped',
      'Q1<>collector,emitter',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the transistor Q1 out, turn it round, and put it back in.'],
    ],
    [
      'base col',
      'Q1<>collector,base',
      'does-not-work',
      ['module-lines-swapped'],
      ['Swap two legs of the transistor Q1: put its collector in hole h1, and its base in hole h2.'],
    ],
    [
      'no base res',
      '-R1 +W20:yellow:B1.d2:B1.g2',
      'works-at-risk',
      ['part-missing'],
      ['Take out the yellow wire W20, and put the 1 kΩ resistor R1 in its place.'],
    ],
    [
      'diode turned',
      'D1<>anode,cathode',
      'works-at-risk',
      ['polarity-reversed'],
      ['Turn the diode D1 round.'],
    ],
    [
      'no diode',
      '-D1',
      'works-at-risk',
      ['inductive-no-diode'],
      ['Put the diode D1 between hole f5 and the plus rail, hole j+5.'],
    ],
    [
      'motor on pin',
      'M1.minus=B1.i2',
      'does-not-work',
      ['off-by-one'],
      ['Move the black lead of the 5 V motor M1 from hole i2 to hole i1.'],
    ],
    [
      'batt ground',
      '-W2',
      'does-not-work',
      ['no-common-ground'],
      ['Add a wire from the minus rail, hole a-3 to hole i3.'],
    ],
    [
      'pot wiper outer',
      'W8.1=B1.a14 W5.2=B1.a13',
      'does-not-work',
      ['off-by-one'],
      ['Swap the red wire W5 and the green wire W8: put W5 in hole a14, and W8 in hole a13.'],
    ],
    [
      'pot shifted',
      'P1.1=B1.e13 P1.wiper=B1.e14 P1.2=B1.e15',
      'does-not-work',
      ['off-by-one'],
      ['Move the 10 kΩ potentiometer P1 by one row, all its legs together: to e12, e13 and e14.'],
    ],
    [
      'pot no 5v',
      '-W5',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the plus rail, hole a+14 to hole a14.'],
    ],
    [
      'pot both ground',
      'W5.1=B1.a-14',
      'does-not-work',
      ['rail-unpowered'],
      ['Move the end of the red wire W5 from the minus rail, hole a-14 to the plus rail, hole a+14.'],
    ],
    [
      'a0',
      'W8.2=U1.A0',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the green wire W8 from pin A0 to pin A1.'],
    ],
    [
      'no pulldown',
      '-R3',
      'does-not-work',
      ['pull-missing'],
      ['Put the 10 kΩ resistor R3 between hole a9 and the minus rail, hole a-9.'],
    ],
    [
      'pull up instead',
      'R3.2=B1.a+9',
      'does-not-work',
      ['pull-wrong-way'],
      [
        'Move the other end of the 10 kΩ resistor R3 from the plus rail, hole a+9 to the minus rail, hole a-9.',
      ],
    ],
    [
      'btn quarter',
      'S1.1=B1.e9 S1.2=B1.e11 S1.3=B1.f9 S1.4=B1.f11',
      'does-not-work',
      ['button-always-closed'],
      ['Take the push button S1 out, give it a quarter turn, and put it back in.'],
    ],
    [
      'btn same side',
      'W10.1=B1.b11',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the white wire W10 from hole b11 to hole b9.'],
    ],
    [
      'btn gnd',
      'W4.1=B1.a-11',
      'does-not-work',
      ['pull-wrong-way'],
      ['Move the end of the red wire W4 from the minus rail, hole a-11 to the plus rail, hole a+11.'],
    ],
    [
      'pwm pin',
      'W7.2=U1.4',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W7 from pin 4 to pin 5.'],
    ],
    [
      '2and3',
      'W9.2=U1.2 W10.2=U1.3',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the blue wire W9 and the white wire W10: put W9 in pin 3, and W10 in pin 2.'],
    ],
    [
      'led no ground',
      'R2.2=B1.a8',
      'does-not-work',
      ['no-return'],
      ['Move the other end of the 220 Ω resistor R2 from hole a8 to the minus rail, hole a-8.'],
    ],
    [
      'motor 2nd hole',
      'M1.minus=B1.f2',
      'does-not-work',
      ['off-by-one'],
      ['Move the black lead of the 5 V motor M1 from hole f2 to hole f1.'],
    ],
    [
      'motor battery on 5V',
      'M1.plus=B1.a+15',
      'works-at-risk',
      ['rail-unpowered'],
      ['Move the red lead of the 5 V motor M1 from the plus rail, hole a+15 to the plus rail, hole j+15.'],
    ],
    [
      '3 wrong: led rev, a0,  diode',
      'D2<>anode,cathode W8.2=U1.A0 -D1',
      'does-not-work',
      ['polarity-reversed', 'wrong-pin', 'inductive-no-diode'],
      [
        'Turn the red LED D2 round.',
        'Move the end of the green wire W8 from pin A0 to pin A1.',
        'Put the diode D1 between hole f5 and the plus rail, hole j+5.',
      ],
    ],
  ],
};
