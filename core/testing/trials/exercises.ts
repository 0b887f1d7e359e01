import type { Exercise } from '../../formats/exercise';
import { exerciseSaid, type Said } from '../exercise-said';

/** Exercises that are not in the course, with other parts, boards and programs, for trying the judge on. */
const said: readonly Said[] = [
  {
    id: 'level-crossing',
    board: 'learner-5v',
    lines: ['red LED on 7 with 220', 'red LED on 8 with 220', 'button on 3, pull-up', 'active buzzer on 5'],
    program: `const int LEFT = 7;
const int RIGHT = 8;
const int TRAIN = 3;
const int BELL = 5;

void setup() {
  pinMode(LEFT, OUTPUT);
  pinMode(RIGHT, OUTPUT);
  pinMode(BELL, OUTPUT);
  pinMode(TRAIN, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(TRAIN) == LOW) {
    digitalWrite(BELL, HIGH);
    digitalWrite(LEFT, HIGH);
    delay(400);
    digitalWrite(LEFT, LOW);
    digitalWrite(RIGHT, HIGH);
    delay(400);
    digitalWrite(RIGHT, LOW);
  } else {
    digitalWrite(BELL, LOW);
  }
}
`,
    scenarios: [
      { name: 'no train', lasts: 3, done: [], seen: ['D1 is off', 'D2 is off', 'Z1 is silent'] },
      {
        name: 'a train comes',
        lasts: 7,
        done: ['hold S1 from 1 s to 6 s'],
        seen: [
          'D1 lit 0.4 s, dark 0.4 s from 1.2 s to 5.8 s',
          'D1 and D2 never together',
          'Z1 sounds from 1.2 s to 5.8 s',
          'D2 flashes 7',
        ],
      },
    ],
  },
  {
    id: 'greenhouse',
    board: 'learner-5v',
    lines: ['thermistor on A1 with 10k', 'blue LED on 6 with 150', 'motor on 9'],
    program: `const int WARMTH = A1;
const int FAN = 9;
const int COLD = 6;

void setup() {
  Serial.begin(9600);
  pinMode(FAN, OUTPUT);
  pinMode(COLD, OUTPUT);
}

void loop() {
  int value = analogRead(WARMTH);
  Serial.println(value);
  if (value > 600) {
    digitalWrite(FAN, HIGH);
    digitalWrite(COLD, LOW);
  } else {
    digitalWrite(FAN, LOW);
    digitalWrite(COLD, HIGH);
  }
  delay(200);
}
`,
    scenarios: [
      {
        name: 'cold morning',
        lasts: 3,
        done: ['warm T1 to 5 °C at 0 s'],
        seen: ['D1 is on from 0.5 s to 3 s'],
      },
      {
        name: 'hot noon',
        lasts: 6,
        done: ['warm T1 to 5 °C at 0 s', 'warm T1 to 50 °C at 3 s'],
        seen: ['D1 is on from 0.5 s to 2.9 s', 'D1 is off from 3.5 s to 6 s'],
      },
    ],
  },
  {
    id: 'mood-light',
    board: 'wifi-3v3',
    lines: ['potentiometer on A0', 'RGB LED on D1, D2, D5 with 220'],
    program: `#define RED_PIN 1
#define GREEN_PIN 2
#define BLUE_PIN 5

void setup() {
  pinMode(RED_PIN, OUTPUT);
  pinMode(GREEN_PIN, OUTPUT);
  pinMode(BLUE_PIN, OUTPUT);
}

void loop() {
  int turn = analogRead(A0);
  if (turn < 340) {
    digitalWrite(RED_PIN, HIGH);
    digitalWrite(GREEN_PIN, LOW);
    digitalWrite(BLUE_PIN, LOW);
  } else if (turn < 680) {
    digitalWrite(RED_PIN, LOW);
    digitalWrite(GREEN_PIN, HIGH);
    digitalWrite(BLUE_PIN, LOW);
  } else {
    digitalWrite(RED_PIN, LOW);
    digitalWrite(GREEN_PIN, LOW);
    digitalWrite(BLUE_PIN, HIGH);
  }
  delay(20);
}
`,
    scenarios: [
      {
        name: 'turned through',
        lasts: 9,
        done: ['turn P1 to 10 % at 0 s', 'turn P1 to 50 % at 3 s', 'turn P1 to 90 % at 6 s'],
        seen: [
          'D1.red is on from 0.5 s to 2.9 s',
          'D1.green is on from 3.2 s to 5.9 s',
          'D1.blue is on from 6.2 s to 9 s',
          'D1.red is off from 3.2 s to 9 s',
        ],
      },
    ],
  },
  {
    id: 'barrier',
    board: 'learner-5v',
    lines: ['servo on 10, own supply', 'button on 2, pull-down 10k', 'green LED on 4', 'red LED on 12'],
    program: `#include <Servo.h>

Servo barrier;
const int BUTTON = 2;
const int GREEN = 4;
const int RED = 12;

void setup() {
  barrier.attach(10);
  pinMode(BUTTON, INPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(RED, OUTPUT);
  barrier.write(0);
}

void loop() {
  if (digitalRead(BUTTON) == HIGH) {
    digitalWrite(RED, LOW);
    digitalWrite(GREEN, HIGH);
    barrier.write(90);
  } else {
    digitalWrite(GREEN, LOW);
    digitalWrite(RED, HIGH);
    barrier.write(0);
  }
  delay(50);
}
`,
    scenarios: [
      {
        name: 'one car',
        lasts: 8,
        done: ['hold S1 from 2 s to 5 s'],
        seen: [
          'D2 is on from 0.2 s to 1.9 s',
          'M1 stands at 90° from 3.5 s to 4.9 s',
          'D1 is on from 2.2 s to 4.9 s',
          'M1 stands at 0° from 7 s to 8 s',
          'D1 and D2 never together',
        ],
      },
    ],
  },
  {
    id: 'running-light',
    board: 'large-5v',
    lines: ['5 yellow LEDs on 22-26 with 330'],
    program: `const int FIRST = 22;
const int COUNT = 5;

void setup() {
  for (int i = 0; i < COUNT; i++) {
    pinMode(FIRST + i, OUTPUT);
  }
}

void loop() {
  for (int i = 0; i < COUNT; i++) {
    digitalWrite(FIRST + i, HIGH);
    delay(200);
    digitalWrite(FIRST + i, LOW);
  }
}
`,
    scenarios: [
      {
        name: 'round and round',
        lasts: 6,
        done: [],
        seen: [
          'D1 lit 0.2 s, dark 0.8 s',
          'D5 lit 0.2 s, dark 0.8 s',
          'D1, then D2, then D3, then D4, then D5 in turn',
          'D1 and D2 never together',
        ],
      },
    ],
  },
  {
    id: 'doorbell-python',
    board: 'python-3v3',
    lines: ['button on D4, pull-up', 'green LED on D12 with 220', 'light sensor on A2 with 10k'],
    program: `import time
import board
import digitalio
import analogio

bell = digitalio.DigitalInOut(board.D4)
bell.direction = digitalio.Direction.INPUT
bell.pull = digitalio.Pull.UP

lamp = digitalio.DigitalInOut(board.D12)
lamp.direction = digitalio.Direction.OUTPUT

light = analogio.AnalogIn(board.A2)

while True:
    if not bell.value and light.value < 30000:
        lamp.value = True
        time.sleep(1)
        lamp.value = False
    time.sleep(0.05)
`,
    scenarios: [
      {
        name: 'rung at night',
        lasts: 5,
        done: ['light on L1 to 5 % at 0 s', 'press S1 at 2 s for 0.3 s'],
        seen: ['D1 is off from 0 s to 1.9 s', 'D1 is on from 2.2 s to 2.9 s', 'D1 flashes 1'],
      },
      {
        name: 'rung by day',
        lasts: 5,
        done: ['light on L1 to 90 % at 0 s', 'press S1 at 2 s for 0.3 s'],
        seen: ['D1 is off'],
      },
    ],
  },
  {
    id: 'first-light',
    board: 'learner-5v',
    lines: ['red LED on 5V with 330'],
    program: '',
    scenarios: [{ name: 'at once', lasts: 3, done: [], seen: ['D1 is on'] }],
  },
  {
    id: 'torch',
    board: 'none',
    lines: ['3x1.5V battery', 'slide switch', 'white LED with 150 from S1'],
    program: '',
    scenarios: [
      {
        name: 'switched on and off',
        lasts: 6,
        done: ['turn S1 to 100 % at 2 s', 'turn S1 to 0 % at 4 s'],
        seen: ['D1 is off until 1.9 s', 'D1 is on from 2.1 s to 3.9 s', 'D1 is off from 4.1 s'],
      },
    ],
  },
  {
    id: 'front-door',
    board: 'none',
    lines: ['9V block battery', 'button', 'red LED with 470 from S1', 'active buzzer from S1'],
    program: '',
    scenarios: [
      {
        name: 'somebody rings',
        lasts: 5,
        done: ['press S1 at 2 s for 1 s'],
        seen: ['Z1 is silent until 1.9 s', 'Z1 sounds from 2.1 s to 2.9 s', 'D1 is on from 2.1 s to 2.9 s'],
      },
    ],
  },
  {
    id: 'fan',
    board: 'none',
    lines: ['4x1.5V battery', 'button', 'motor from S1'],
    program: '',
    scenarios: [
      {
        name: 'a breath of air',
        lasts: 5,
        done: ['press S1 at 1 s for 2 s'],
        seen: ['M1 stands still until 0.9 s', 'M1 turns from 1.1 s to 2.9 s', 'M1 stands still from 3.1 s'],
      },
    ],
  },
  {
    id: 'pump',
    board: 'learner-5v',
    lines: ['relay on 7', 'button on 2, pull-up'],
    program: `const int PUMP = 7;
const int BUTTON = 2;

void setup() {
  pinMode(PUMP, OUTPUT);
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  digitalWrite(PUMP, !digitalRead(BUTTON));
}
`,
    scenarios: [
      {
        name: 'held',
        lasts: 4,
        done: ['press S1 at 1 s for 2 s'],
        seen: ['K1 is let go until 0.9 s', 'K1 is pulled in from 1.1 s to 2.9 s', 'K1 is let go from 3.1 s'],
      },
    ],
  },
];

export const trialExercises: readonly { readonly name: string; readonly exercise: Exercise }[] = said.map(
  (one) => ({ name: one.id, exercise: exerciseSaid(one) }),
);
