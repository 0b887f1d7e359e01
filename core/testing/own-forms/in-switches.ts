import type { OwnForm } from './own-form';

/** Programs that go by a `switch`: a crossing by the clock, a lock by what is pressed. */
export const formsInSwitches: readonly OwnForm[] = [
  {
    said: {
      id: 'cross',
      board: 'learner-5v',
      lines: [
        'button on 2',
        'red LED on 10 with 330',
        'yellow LED on 11 with 330',
        'green LED on 12 with 330',
      ],
      program: `// A crossing: green for the cars until somebody presses
const int BUTTON = 2;
const int RED = 10;
const int YELLOW = 11;
const int GREEN = 12;

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(RED, OUTPUT);
  pinMode(YELLOW, OUTPUT);
  pinMode(GREEN, OUTPUT);
}

void loop() {
  digitalWrite(GREEN, HIGH);
  if (digitalRead(BUTTON) == LOW) {
    digitalWrite(GREEN, LOW);
    digitalWrite(YELLOW, HIGH);
    delay(1000);
    digitalWrite(YELLOW, LOW);
    digitalWrite(RED, HIGH);
    delay(3000);
    digitalWrite(RED, LOW);
  }
}
`,
      scenarios: [
        { name: 'nobody', lasts: 4, done: [], seen: ['D3 is on from 0.1 s', 'D1 is off', 'D2 is off'] },
        {
          name: 'pressed',
          lasts: 9,
          done: ['press S1 at 2 s'],
          seen: [
            'D3 is on until 1.9 s',
            'D2 is on from 2.2 s to 2.9 s',
            'D1 is on from 3.2 s to 5.9 s',
            'D3 is off from 2.2 s to 5.9 s',
            'D3 is on from 6.2 s',
            'D1 is off from 6.2 s',
          ],
        },
      ],
    },
    own: `const int BUTTON = 2, RED = 10, YELLOW = 11, GREEN = 12;
int phase = 0;
unsigned long began = 0;

void show(int red, int yellow, int green) {
  digitalWrite(RED, red);
  digitalWrite(YELLOW, yellow);
  digitalWrite(GREEN, green);
}

void next(int to) {
  phase = to;
  began = millis();
}

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(RED, OUTPUT);
  pinMode(YELLOW, OUTPUT);
  pinMode(GREEN, OUTPUT);
}

void loop() {
  unsigned long passed = millis() - began;
  switch (phase) {
    case 0:
      show(LOW, LOW, HIGH);
      if (digitalRead(BUTTON) == LOW) next(1);
      break;
    case 1:
      show(LOW, HIGH, LOW);
      if (passed >= 1000) next(2);
      break;
    case 2:
      show(HIGH, LOW, LOW);
      if (passed >= 3000) next(0);
      break;
  }
}
`,
  },
  {
    said: {
      id: 'lock',
      board: 'learner-5v',
      lines: ['button on 2', 'button on 3', 'green LED on 8 with 330', 'buzzer on 9'],
      program: `// A lock: first, second, first opens it; a wrong press sounds and begins anew
const int FIRST = 2;
const int SECOND = 3;
const int OPEN = 8;
const int WRONG = 9;
const int CODE[] = {2, 3, 2};
int found = 0;

void setup() {
  pinMode(FIRST, INPUT_PULLUP);
  pinMode(SECOND, INPUT_PULLUP);
  pinMode(OPEN, OUTPUT);
  pinMode(WRONG, OUTPUT);
}

void pressed(int pin) {
  if (CODE[found] == pin) {
    found = found + 1;
    if (found == 3) {
      digitalWrite(OPEN, HIGH);
      found = 0;
    }
  } else {
    found = 0;
    digitalWrite(WRONG, HIGH);
    delay(300);
    digitalWrite(WRONG, LOW);
  }
  while (digitalRead(pin) == LOW) delay(10);
  delay(30);
}

void loop() {
  if (digitalRead(FIRST) == LOW) pressed(FIRST);
  if (digitalRead(SECOND) == LOW) pressed(SECOND);
}
`,
      scenarios: [
        {
          name: 'right',
          lasts: 8,
          done: ['press S1 at 1 s', 'press S2 at 2 s', 'press S1 at 3 s'],
          seen: ['D1 is off until 2.9 s', 'D1 is on from 3.2 s', 'Z1 is silent'],
        },
        {
          name: 'wrong',
          lasts: 8,
          done: ['press S1 at 1 s', 'press S1 at 2 s', 'press S2 at 4 s'],
          seen: [
            'D1 is off',
            'Z1 is silent until 1.9 s',
            'Z1 sounds from 2.1 s to 2.2 s',
            'Z1 is silent from 2.6 s to 3.9 s',
          ],
        },
        {
          name: 'after all',
          lasts: 9,
          done: ['press S2 at 1 s', 'press S1 at 3 s', 'press S2 at 4 s', 'press S1 at 5 s'],
          seen: ['D1 is off until 4.9 s', 'D1 is on from 5.2 s'],
        },
      ],
    },
    own: `#define A 2
#define B 3
enum Step { NONE, ONE, TWO };
Step step = NONE;
int pressedPin = 0;

int waitForPress() {
  while (true) {
    for (int pin = A; pin <= B; pin++) {
      if (digitalRead(pin) == LOW) {
        return pin;
      }
    }
  }
}

void fail() {
  step = NONE;
  digitalWrite(9, HIGH);
  delay(300);
  digitalWrite(9, LOW);
}

void setup() {
  pinMode(A, INPUT_PULLUP);
  pinMode(B, INPUT_PULLUP);
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  pressedPin = waitForPress();
  switch (step) {
    case NONE:
      if (pressedPin == A) step = ONE;
      else fail();
      break;
    case ONE:
      if (pressedPin == B) step = TWO;
      else fail();
      break;
    case TWO:
      if (pressedPin == A) {
        digitalWrite(8, HIGH);
        step = NONE;
      } else {
        fail();
      }
      break;
  }
  while (digitalRead(pressedPin) == LOW) {
    delay(10);
  }
  delay(30);
}
`,
  },
];
