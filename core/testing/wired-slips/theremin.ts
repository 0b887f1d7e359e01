import type { WiredSlips } from './wired-slips';

export const theremin: WiredSlips = {
  said: {
    id: 'theremin',
    board: 'learner-5v',
    lines: ['light sensor on A1', 'passive buzzer on 10', 'button on 4, pull-down', 'RGB LED on 3, 5, 6'],
    program: `int light;
int pitch;

void setup() {
  pinMode(10, OUTPUT);
  pinMode(4, INPUT);
  pinMode(3, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}

void colour(int r, int g, int b) {
  analogWrite(3, r);
  analogWrite(5, g);
  analogWrite(6, b);
}

void loop() {
  light = analogRead(A1);
  if (digitalRead(4) == HIGH) {
    pitch = constrain(map(light, 100, 900, 200, 2000), 200, 2000);
    tone(10, pitch);
    if (pitch < 800) {
      colour(255, 0, 0);
    } else if (pitch < 1500) {
      colour(0, 255, 0);
    } else {
      colour(0, 0, 255);
    }
  } else {
    noTone(10);
    colour(0, 0, 0);
  }
  delay(30);
}
`,
    scenarios: [
      {
        name: 'dark',
        lasts: 4,
        done: ['dark at 0 s', 'hold S1 from 1 s to 3 s'],
        seen: [
          'Z1 is silent until 0.9 s',
          'Z1 sounds at 200 Hz from 1.2 s to 2.9 s',
          'D1 is red from 1.2 s to 2.9 s',
          'Z1 is silent from 3.2 s',
          'D1 is off from 3.2 s',
        ],
      },
      {
        name: 'bright',
        lasts: 4,
        done: ['bright at 0 s', 'hold S1 from 1 s to 3 s'],
        seen: [
          'Z1 sounds at 2000 Hz from 1.2 s to 2.9 s',
          'D1 is blue from 1.2 s to 2.9 s',
          'D1 is off from 3.2 s',
        ],
      },
    ],
  },
  slips: [
    [
      'divider without its resistor',
      '-R1',
      'does-not-work',
      ['part-missing'],
      ['Put the 10 kΩ resistor R1 between hole a17 and the minus rail, hole a-17.'],
    ],
    [
      'tap in the wrong row',
      'W5.1=B1.b15',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the yellow wire W5 from hole b15 to hole b17.'],
    ],
    [
      'red and blue exchanged',
      'W8.2=U1.6 W10.2=U1.3',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the white wire W8 and the violet wire W10: put W8 in pin 3, and W10 in pin 6.'],
    ],
    [
      'RGB LED end for end',
      'D1.red=B1.d7 D1.common=B1.d6 D1.green=B1.d5 D1.blue=B1.d4',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the RGB LED D1 out, turn it round, and put it back in.'],
    ],
    [
      'one resistor missing',
      '-R3',
      'does-not-work',
      ['part-missing'],
      ['Put the 330 Ω resistor R3 between hole e1 and hole e4.'],
    ],
    [
      'no pull-down',
      '-R2',
      'does-not-work',
      ['pull-missing'],
      ['Put the 10 kΩ resistor R2 between hole c13 and hole c5.'],
    ],
    [
      'divider without its resistor, and the button in another pin',
      '-R1 W7.2=U1.7',
      'does-not-work',
      ['part-missing', 'wrong-pin'],
      [
        'Put the 10 kΩ resistor R1 between hole a17 and the minus rail, hole a-17.',
        'Move the end of the blue wire W7 from pin 7 to pin 4.',
      ],
    ],
  ],
};
