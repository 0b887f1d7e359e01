import type { WiredSlips } from './wired-slips';

export const hoist: WiredSlips = {
  said: {
    id: 'hoist',
    board: 'learner-5v',
    lines: [
      'motor with transistor on 9',
      'potentiometer on A0',
      'slide switch on 2, pull-up',
      'green LED on 5',
    ],
    program: `int motorPin = 9;
int potPin = A0;
int switchPin = 2;
int ledPin = 5;
int speed = 0;

void setup() {
  pinMode(motorPin, OUTPUT);
  pinMode(ledPin, OUTPUT);
  pinMode(switchPin, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(switchPin) == LOW) {
    speed = map(analogRead(potPin), 0, 1023, 0, 255);
    digitalWrite(ledPin, HIGH);
  } else {
    speed = 0;
    digitalWrite(ledPin, LOW);
  }
  analogWrite(motorPin, speed);
  delay(10);
}
`,
    scenarios: [
      { name: 'off', lasts: 3, done: ['turn P1 to 100 % at 0 s'], seen: ['D2 is off', 'M1 stands still'] },
      {
        name: 'full',
        lasts: 6,
        done: ['turn P1 to 100 % at 0 s', 'switch S1 on at 2 s', 'switch S1 off at 4 s'],
        seen: [
          'M1 stands still until 1.9 s',
          'M1 turns from 2.3 s to 3.9 s',
          'D2 is on from 2.2 s to 3.9 s',
          'M1 stands still from 4.5 s',
          'D2 is off from 4.2 s',
        ],
      },
      {
        name: 'half',
        lasts: 4,
        done: ['turn P1 to 50 % at 0 s', 'switch S1 on at 0 s'],
        seen: ['M1 turns at 40 to 60 % from 0.5 s'],
      },
    ],
  },
  slips: [
    [
      'no diode',
      '-D1',
      'works-at-risk',
      ['inductive-no-diode'],
      ['Put the diode D1 between hole f5 and the plus rail, hole j+5.'],
    ],
    [
      'diode turned',
      'D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the diode D1 round.'],
    ],
    [
      'transistor end for end',
      'Q1<>collector,emitter',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the transistor Q1 out, turn it round, and put it back in.'],
    ],
    [
      'base and collector exchanged',
      'Q1<>collector,base',
      'does-not-work',
      ['module-lines-swapped'],
      ['Swap two legs of the transistor Q1: put its collector in hole h1, and its base in hole h2.'],
    ],
    [
      'no common ground',
      '-W3',
      'does-not-work',
      ['no-common-ground'],
      ['Add a wire from the minus rail, hole a-3 to hole i3.'],
    ],
    [
      'battery turned',
      'G1<>plus,minus',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the 4 × 1.5 V battery G1 round.'],
    ],
    [
      'base resistor far too large',
      'R1:100k',
      'does-not-work',
      ['resistor-value'],
      ['Use a 1 kΩ resistor for R1.'],
    ],
    [
      'base resistor far too small',
      'R1:10',
      'works-at-risk',
      ['resistor-value'],
      ['Use a 1 kΩ resistor for R1.'],
    ],
    [
      'base in the pin beside',
      'W6.2=U1.10',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W6 from pin 10 to pin 9.'],
    ],
    [
      'potentiometer end for end',
      'W2.1=B1.a-16 W2.2=B1.a16 W5.1=B1.a14',
      'does-not-work',
      ['divider-reversed'],
      ['Take the 10 kΩ potentiometer P1 out, turn it round, and put it back in.'],
    ],
    [
      'switch a row off',
      'W8.1=B1.a10',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the blue wire W8 from hole a10 to hole a11.'],
    ],
    [
      'no common ground, and the switch in another pin',
      '-W3 W8.2=U1.3',
      'does-not-work',
      ['wrong-pin', 'no-common-ground'],
      [
        'Move the end of the blue wire W8 from pin 3 to pin 2.',
        'Add a wire from the minus rail, hole a-3 to hole i3.',
      ],
    ],
  ],
};
