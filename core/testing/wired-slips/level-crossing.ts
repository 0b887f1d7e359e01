import type { WiredSlips } from './wired-slips';

export const levelCrossing: WiredSlips = {
  said: {
    id: 'level-crossing',
    board: 'learner-5v',
    lines: ['servo on 9', 'red LED on 4', 'red LED on 5', 'distance sensor on 7, 8', 'buzzer on 6'],
    program: `#include <Servo.h>
const int trigPin = 7;
const int echoPin = 8;
Servo gate;
void setup() {
  pinMode(trigPin, OUTPUT);
  pinMode(echoPin, INPUT);
  pinMode(4, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
  gate.attach(9);
  gate.write(90);
}
long distance() {
  digitalWrite(trigPin, LOW);
  delayMicroseconds(2);
  digitalWrite(trigPin, HIGH);
  delayMicroseconds(10);
  digitalWrite(trigPin, LOW);
  long t = pulseIn(echoPin, HIGH);
  return t / 58;
}
void loop() {
  if (distance() < 30) {
    gate.write(0);
    digitalWrite(6, HIGH);
    digitalWrite(4, HIGH);
    digitalWrite(5, LOW);
    delay(400);
    digitalWrite(4, LOW);
    digitalWrite(5, HIGH);
    delay(400);
  } else {
    gate.write(90);
    digitalWrite(6, LOW);
    digitalWrite(4, LOW);
    digitalWrite(5, LOW);
    delay(100);
  }
}
`,
    scenarios: [
      {
        name: 'free',
        lasts: 3,
        done: ['something 1 m before X1 at 0 s'],
        seen: ['D1 is off', 'D2 is off', 'Z1 is silent', 'M1 is at 90 degrees from 1 s'],
      },
      {
        name: 'train',
        lasts: 6,
        done: ['something 1 m before X1 at 0 s', 'something 0.15 m before X1 at 2 s'],
        seen: [
          'D1 blinks 0.4 s on, 0.4 s off from 2.5 s',
          'D2 blinks 0.4 s on, 0.4 s off from 2.5 s',
          'M1 is at 0 degrees from 3 s',
        ],
      },
    ],
  },
  slips: [
    [
      'trigger and echo exchanged at the board',
      'W10.2=U1.8 W11.2=U1.7',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the white wire W10 and the orange wire W11: put W10 in pin 7, and W11 in pin 8.'],
    ],
    [
      'trigger and echo exchanged at the sensor',
      'W10.1=B1.a3 W11.1=B1.a4',
      'does-not-work',
      ['off-by-one'],
      ['Swap the white wire W10 and the orange wire W11: put W10 in hole a4, and W11 in hole a3.'],
    ],
    [
      'sensor end for end',
      'X1.vcc=B1.e2 X1.trig=B1.e3 X1.echo=B1.e4 X1.gnd=B1.e5',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the distance sensor X1 out, turn it round, and put it back in.'],
    ],
    [
      'servo in the pin beside',
      'W7.1=U1.10',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W7 from pin 10 to pin 9.'],
    ],
    [
      'battery without common ground',
      '-W2',
      'does-not-work',
      ['no-common-ground'],
      ['Add a wire from the minus rail, hole a-10 to hole b10.'],
    ],
    [
      'battery turned',
      'G1<>plus,minus',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the 4 × 1.5 V battery G1 round.'],
    ],
    [
      'resistor of D2 rows off',
      'R2.1=B1.d16',
      'does-not-work',
      ['off-by-one'],
      ['Move one end of the 330 Ω resistor R2 from hole d16 to hole d13.'],
    ],
    [
      'sensor on 3.3 V',
      'W6.2=U1.3V3',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W6 from 3V3 to 5V.'],
    ],
    [
      'sensor without ground',
      '-W1',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-2 to hole a2.'],
    ],
    [
      'buzzer turned',
      'Z1<>plus,minus',
      'works-at-risk',
      ['polarity-reversed'],
      ['Turn the active buzzer Z1 round.'],
    ],
  ],
};
