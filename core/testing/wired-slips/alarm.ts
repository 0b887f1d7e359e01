import type { WiredSlips } from './wired-slips';

export const alarm: WiredSlips = {
  said: {
    id: 'alarm',
    board: 'learner-5v',
    lines: [
      'motion sensor on 7',
      'relay on 8',
      'active buzzer on 9',
      'slide switch on 4, both ends',
      'yellow LED on 10',
    ],
    program: `const int MOVE = 7;
const int LAMP = 8;
const int HORN = 9;
const int ARMED = 4;
const int READY = 10;
void setup() {
  pinMode(MOVE, INPUT);
  pinMode(LAMP, OUTPUT);
  pinMode(HORN, OUTPUT);
  pinMode(ARMED, INPUT);
  pinMode(READY, OUTPUT);
}
void loop() {
  bool armed = digitalRead(ARMED) == HIGH;
  digitalWrite(READY, armed);
  if (armed && digitalRead(MOVE) == HIGH) {
    digitalWrite(LAMP, HIGH);
    digitalWrite(HORN, HIGH);
  } else {
    digitalWrite(LAMP, LOW);
    digitalWrite(HORN, LOW);
  }
}
`,
    scenarios: [
      {
        name: 'off',
        lasts: 4,
        done: ['S1 is off at 0 s', 'motion at 1 s'],
        seen: ['K1 is off', 'Z1 is silent', 'D1 is off'],
      },
      {
        name: 'armed',
        lasts: 6,
        done: ['switch S1 on at 1 s', 'motion at 3 s'],
        seen: [
          'D1 is on from 1.2 s',
          'K1 is on from 3.2 s to 4.8 s',
          'Z1 sounds from 3.2 s to 4.8 s',
          'K1 is off from 5.2 s',
        ],
      },
    ],
  },
  slips: [
    [
      'pir out vcc',
      'W7.2=X1.out W10.2=X1.vcc',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the red wire W7 and the yellow wire W10: put W7 on the supply pin of the motion sensor X1, and W10 on its output pin.',
      ],
    ],
    [
      'relay in no',
      'W11.2=K1.no',
      'does-not-work',
      ['leg-open'],
      [
        'Move the end of the green wire W11 from the closing terminal of the relay module K1 to its control pin.',
      ],
    ],
    [
      'buzzer turned',
      'Z1<>plus,minus',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the active buzzer Z1 round.'],
    ],
    ['buzzer passive', 'Z1:passive', 'does-not-work', ['wrong-part'], ['Use an active buzzer for Z1.']],
    [
      'switch turned',
      'S1<>1,2',
      'does-not-work',
      ['divider-reversed'],
      ['Take the slide switch S1 out, turn it round, and put it back in.'],
    ],
    [
      'switch shift',
      'S1.1=B1.e13 S1.common=B1.e12 S1.2=B1.e11',
      'does-not-work',
      ['off-by-one'],
      ['Move the slide switch S1 by one row, all its legs together: to e12, e11 and e10.'],
    ],
    [
      'switch no gnd',
      '-W2',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-12 to hole a12.'],
    ],
    [
      'switch no 5v',
      '-W6',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the plus rail, hole j+10 to hole a10.'],
    ],
    [
      'pins 7 and 8',
      'W10.1=U1.8 W11.1=U1.7',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the yellow wire W10 and the green wire W11: put W10 in pin 7, and W11 in pin 8.'],
    ],
    [
      'pins 8 and 9',
      'W11.1=U1.9 W12.2=U1.8',
      'works-differently',
      ['wrong-pin'],
      ['Swap the green wire W11 and the blue wire W12: put W11 in pin 8, and W12 in pin 9.'],
    ],
    [
      'led res gnd',
      'R1.2=B1.d9',
      'does-not-work',
      ['off-by-one'],
      ['Move the other end of the 330 Ω resistor R1 from hole d9 to hole d8.'],
    ],
    [
      'pir gnd',
      '-W4',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-2 to the ground pin of the motion sensor X1.'],
    ],
    [
      'relay gnd vcc',
      'W5.2=K1.vcc W8.2=K1.gnd',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the black wire W5 and the red wire W8: put W5 on the ground pin of the relay module K1, and W8 on its supply pin.',
      ],
    ],
    [
      'common and outer',
      'W13.1=B1.b12 W2.2=B1.b11',
      'does-not-work',
      ['off-by-one'],
      ['Swap the black wire W2 and the white wire W13: put W2 in hole b12, and W13 in hole b11.'],
    ],
    [
      'buzzer turned, led pin',
      'Z1<>plus,minus W14.2=U1.11',
      'does-not-work',
      ['polarity-reversed', 'wrong-pin'],
      ['Turn the active buzzer Z1 round.', 'Move the end of the orange wire W14 from pin 11 to pin 10.'],
    ],
  ],
};
