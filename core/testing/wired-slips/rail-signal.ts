import type { WiredSlips } from './wired-slips';

export const railSignal: WiredSlips = {
  said: {
    id: 'rail-signal',
    board: 'wifi-3v3',
    lines: ['red LED on D1', 'yellow LED on D2', 'green LED on D5', 'button on D6, pull-up 10k'],
    program: `void setup() {
  pinMode(1, OUTPUT);
  pinMode(2, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, INPUT);
}
void loop() {
  if (digitalRead(6) == LOW) {
    digitalWrite(5, LOW);
    digitalWrite(2, HIGH);
    delay(500);
    digitalWrite(2, LOW);
    digitalWrite(1, HIGH);
    delay(1500);
    digitalWrite(1, LOW);
  }
  digitalWrite(5, HIGH);
}
`,
    scenarios: [
      { name: 'free', lasts: 2, done: [], seen: ['D3 is on from 0.1 s', 'D1 is off', 'D2 is off'] },
      {
        name: 'train',
        lasts: 5,
        done: ['press S1 at 1 s'],
        seen: [
          'D2 is on from 1.2 s to 1.4 s',
          'D1 is on from 1.7 s to 2.9 s',
          'D3 is off from 1.2 s to 2.9 s',
          'D3 is on from 3.2 s',
        ],
      },
    ],
  },
  slips: [
    [
      '5v pullup',
      'W3.2=U1.5V',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W3 from 5V to 3V3.'],
    ],
    [
      'no pullup',
      '-R4',
      'does-not-work',
      ['pull-missing'],
      ['Put the 10 kΩ resistor R4 between hole d11 and hole d15.'],
    ],
    ['pullup 220', 'R4:220', 'works-at-risk', ['resistor-value'], ['Use a 10 kΩ resistor for R4.']],
    [
      'pullup ground',
      'W3.1=B1.a-15 W3.2=B1.b15',
      'does-not-work',
      ['pull-wrong-way'],
      ['Move the end of the red wire W3 from the minus rail, hole a-15 to 3V3.'],
    ],
    [
      'rotated',
      'S1.1=B1.e11 S1.2=B1.e13 S1.3=B1.f11 S1.4=B1.f13',
      'does-not-work',
      ['button-always-closed'],
      ['Take the push button S1 out, give it a quarter turn, and put it back in.'],
    ],
    ['one res', '-R2 -R3 D2.cathode=B1.c3 D3.cathode=B1.b3', 'works-differently', [], []],
    [
      'led colours',
      'D1:green D3:red',
      'does-not-work',
      ['wrong-part'],
      ['Swap the green LED D1 and the red LED D3.'],
    ],
    [
      'rotate pins',
      'W4.2=U1.D2 W5.2=U1.D5 W6.2=U1.D1',
      'does-not-work',
      ['wrong-pin', 'wrong-pin'],
      [
        'Swap the yellow wire W4 and the green wire W5: put W4 in D5, and W5 in D2.',
        'Swap the yellow wire W4 and the blue wire W6: put W4 in D1, and W6 in D5.',
      ],
    ],
    [
      'd1 gnd rail plus',
      'R1.2=B1.a+3',
      'does-not-work',
      ['rail-unpowered'],
      [
        'Move the other end of the 330 Ω resistor R1 from the plus rail, hole a+3 to the minus rail, hole a-3.',
      ],
    ],
    [
      'all led rev',
      'D1<>anode,cathode D2<>anode,cathode D3<>anode,cathode',
      'does-not-work',
      ['polarity-reversed', 'polarity-reversed', 'polarity-reversed'],
      ['Turn the red LED D1 round.', 'Turn the yellow LED D2 round.', 'Turn the green LED D3 round.'],
    ],
    [
      'ground missing',
      '-W2',
      'does-not-work',
      ['rail-unpowered'],
      ['Add a wire from the minus rail, hole a-1 to GND.'],
    ],
    [
      'ground wrong socket',
      'W2.2=U1.3V3',
      'does-not-work',
      ['voltage-mismatch'],
      ['Move the end of the black wire W2 from 3V3 to GND.'],
    ],
    [
      'btn one row',
      'S1.1=B1.e12 S1.2=B1.f12 S1.3=B1.e14 S1.4=B1.f14',
      'does-not-work',
      ['off-by-one'],
      ['Move the push button S1 by one row, all its legs together: to e11, f11, e13 and f13.'],
    ],
    [
      'led no res across',
      'R2.1=B1.d5',
      'does-not-work',
      ['off-by-one'],
      ['Move one end of the 220 Ω resistor R2 from hole d5 to hole d6.'],
    ],
    [
      'all one lower',
      'D2.anode=B1.e6 D2.cathode=B1.e7',
      'does-not-work',
      ['off-by-one'],
      ['Move the yellow LED D2 by one row, all its legs together: to e5 and e6.'],
    ],
    [
      'btn to d7',
      'W7.2=U1.D7',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the white wire W7 from D7 to D6.'],
    ],
    ['white led', 'D2:white', 'works-differently', ['wrong-part'], ['Use a yellow LED for D2.']],
    ['res 10k', 'R1:10k', 'does-not-work', ['resistor-value'], ['Use a 330 Ω resistor for R1.']],
  ],
};
