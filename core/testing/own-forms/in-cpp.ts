import type { OwnForm } from './own-form';

/** In C++. */
export const formsInCpp: readonly OwnForm[] = [
  {
    said: {
      id: 'toggle',
      board: 'learner-5v',
      lines: ['red LED on 8', 'button on 2, pull-up'],
      program: `bool lit = false;
bool before = HIGH;
void setup() {
  pinMode(8, OUTPUT);
  pinMode(2, INPUT_PULLUP);
}
void loop() {
  bool now = digitalRead(2);
  if (before == HIGH && now == LOW) {
    lit = !lit;
    digitalWrite(8, lit);
    delay(50);
  }
  before = now;
}
`,
      scenarios: [
        {
          name: 'three',
          lasts: 8,
          done: ['press S1 at 1 s for 0.5 s', 'press S1 at 3 s for 0.5 s', 'press S1 at 5 s for 1 s'],
          seen: [
            'D1 is off until 1 s',
            'D1 is on from 1.3 s to 3 s',
            'D1 is off from 3.3 s to 5 s',
            'D1 is on from 5.3 s',
          ],
        },
      ],
    },
    own: `int state = 0;

void setup() {
  pinMode(8, OUTPUT);
  pinMode(2, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(2) == LOW) {
    state = 1 - state;
    if (state == 1) {
      digitalWrite(8, HIGH);
    } else {
      digitalWrite(8, LOW);
    }
    while (digitalRead(2) == LOW) {
      delay(10);
    }
    delay(20);
  }
}
`,
  },
  {
    said: {
      id: 'fade',
      board: 'learner-5v',
      lines: ['red LED on 9'],
      program: `void setup() {
  pinMode(9, OUTPUT);
}
void loop() {
  for (int i = 0; i <= 255; i++) {
    analogWrite(9, i);
    delay(4);
  }
  for (int i = 255; i >= 0; i--) {
    analogWrite(9, i);
    delay(4);
  }
}
`,
      scenarios: [
        {
          name: 'breathes',
          lasts: 8,
          done: [],
          seen: [
            'D1 gets brighter from 0.05 s to 1 s',
            'D1 gets dimmer from 1.1 s to 2 s',
            'D1 gets brighter from 2.1 s to 3 s',
          ],
        },
      ],
    },
    own: `int level = 0;
int step = 5;

void setup() {
  pinMode(9, OUTPUT);
}

void loop() {
  analogWrite(9, level);
  level = level + step;
  if (level >= 255 || level <= 0) {
    step = -step;
  }
  delay(20);
}
`,
  },
  {
    said: {
      id: 'traffic',
      board: 'learner-5v',
      lines: ['red LED on 8', 'yellow LED on 9', 'green LED on 10'],
      program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
  pinMode(10, OUTPUT);
}
void loop() {
  digitalWrite(8, HIGH);
  delay(2000);
  digitalWrite(9, HIGH);
  delay(500);
  digitalWrite(8, LOW);
  digitalWrite(9, LOW);
  digitalWrite(10, HIGH);
  delay(2000);
  digitalWrite(10, LOW);
  digitalWrite(9, HIGH);
  delay(500);
  digitalWrite(9, LOW);
}
`,
      scenarios: [
        {
          name: 'two rounds',
          lasts: 11,
          done: [],
          seen: [
            'D1 is lit 2.5 s, dark 2.5 s',
            'D3 is lit 2 s, dark 3 s',
            'D2 is on from 2.1 s to 2.4 s',
            'D2 is off from 2.6 s to 4.4 s',
            'D2 is on from 4.6 s to 4.9 s',
            'D2 is off until 1.9 s',
          ],
        },
      ],
    },
    own: `void lights(int red, int yellow, int green, int time) {
  digitalWrite(8, red);
  digitalWrite(9, yellow);
  digitalWrite(10, green);
  delay(time);
}

void setup() {
  for (int pin = 8; pin <= 10; pin++) {
    pinMode(pin, OUTPUT);
  }
}

void loop() {
  lights(1, 0, 0, 2000);
  lights(1, 1, 0, 500);
  lights(0, 0, 1, 2000);
  lights(0, 1, 0, 500);
}
`,
  },
  {
    said: {
      id: 'servo',
      board: 'learner-5v',
      lines: ['servo on 9', 'potentiometer on A0'],
      program: `#include <Servo.h>
Servo flag;
void setup() {
  flag.attach(9);
}
void loop() {
  flag.write(map(analogRead(A0), 0, 1023, 0, 180));
  delay(20);
}
`,
      scenarios: [
        {
          name: 'turned',
          lasts: 8,
          done: ['P1 at 0 %', 'turn P1 to 50 % at 2 s', 'turn P1 to 100 % at 4 s'],
          seen: [
            'M1 stands at 0° from 1 s to 1.9 s',
            'M1 stands at 90° from 3 s to 3.9 s',
            'M1 stands at 180° from 5 s',
          ],
        },
      ],
    },
    own: `#include <Servo.h>

Servo arm;
const int KNOB = A0;

void setup() {
  arm.attach(9);
}

void loop() {
  long reading = analogRead(KNOB);
  long angle = reading * 180 / 1023;
  if (angle > 180) {
    angle = 180;
  }
  arm.write(angle);
  delay(15);
}
`,
  },
  {
    said: {
      id: 'frost',
      board: 'learner-5v',
      lines: ['temperature sensor on A0', 'red LED on 5', 'blue LED on 6'],
      program: `void setup() {
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}
void loop() {
  float celsius = (analogRead(A0) * 5.0 / 1024 - 0.5) * 100;
  digitalWrite(5, celsius > 25);
  digitalWrite(6, celsius < 5);
  delay(100);
}
`,
      scenarios: [
        { name: 'warm', lasts: 3, done: ['T1 at 30 °C'], seen: ['D1 is on from 0.5 s', 'D2 is off'] },
        { name: 'mild', lasts: 3, done: ['T1 at 15 °C'], seen: ['D1 is off', 'D2 is off'] },
        { name: 'cold', lasts: 3, done: ['T1 at 0 °C'], seen: ['D1 is off', 'D2 is on from 0.5 s'] },
      ],
    },
    own: `const int SENSOR = A0;
const int WARM = 5;
const int COLD = 6;

float temperature() {
  int raw = analogRead(SENSOR);
  float volts = raw * 5.0 / 1024.0;
  return (volts - 0.5) * 100.0;
}

void setup() {
  pinMode(WARM, OUTPUT);
  pinMode(COLD, OUTPUT);
}

void loop() {
  float t = temperature();
  digitalWrite(WARM, LOW);
  digitalWrite(COLD, LOW);
  if (t >= 25) {
    digitalWrite(WARM, HIGH);
  } else if (t <= 5) {
    digitalWrite(COLD, HIGH);
  }
  delay(200);
}
`,
  },
  {
    said: {
      id: 'count',
      board: 'learner-5v',
      lines: ['button on 2, pull-up', 'red LED on 7'],
      program: `int count = 0;
void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(7, OUTPUT);
}
void loop() {
  if (digitalRead(2) == LOW) {
    count++;
    delay(20);
    while (digitalRead(2) == LOW) {}
    delay(20);
  }
  if (count >= 3) {
    digitalWrite(7, HIGH);
  }
}
`,
      scenarios: [
        {
          name: 'three',
          lasts: 6,
          done: ['press S1 at 1 s', 'press S1 at 2 s', 'press S1 at 3 s'],
          seen: ['D1 is off until 2.9 s', 'D1 is on from 3.4 s'],
        },
      ],
    },
    own: `int presses = 0;
bool wasDown = false;

void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(7, OUTPUT);
  digitalWrite(7, LOW);
}

void loop() {
  bool isDown = digitalRead(2) == LOW;
  if (isDown && !wasDown) {
    presses = presses + 1;
    delay(30);
  }
  wasDown = isDown;
  if (presses == 3) {
    digitalWrite(7, HIGH);
  }
  delay(5);
}
`,
  },
  {
    said: {
      id: 'help',
      board: 'learner-5v',
      lines: ['red LED on 9'],
      program: `const int LIGHT = 9;
const int DOT = 200;
void setup() {
  pinMode(LIGHT, OUTPUT);
}
void signal(int length) {
  digitalWrite(LIGHT, HIGH);
  delay(length);
  digitalWrite(LIGHT, LOW);
  delay(DOT);
}
void loop() {
  for (int i = 0; i < 3; i++) signal(DOT);
  delay(2 * DOT);
  for (int i = 0; i < 3; i++) signal(3 * DOT);
  delay(2 * DOT);
  for (int i = 0; i < 3; i++) signal(DOT);
  delay(2000);
}
`,
      scenarios: [{ name: 'help', lasts: 16, done: [], seen: ['D1 flashes SOS in Morse'] }],
    },
    own: `int lengths[] = {150, 150, 150, 450, 450, 450, 150, 150, 150};

void setup() {
  pinMode(9, OUTPUT);
}

void loop() {
  for (int i = 0; i < 9; i++) {
    digitalWrite(9, HIGH);
    delay(lengths[i]);
    digitalWrite(9, LOW);
    delay(150);
    if (i % 3 == 2) {
      delay(300);
    }
  }
  delay(1500);
}
`,
  },
  {
    said: {
      id: 'warning',
      board: 'learner-5v',
      lines: ['red LED on 8', 'red LED on 9'],
      program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}
void loop() {
  digitalWrite(8, HIGH);
  digitalWrite(9, LOW);
  delay(400);
  digitalWrite(8, LOW);
  digitalWrite(9, HIGH);
  delay(400);
}
`,
      scenarios: [
        {
          name: 'in turn',
          lasts: 8,
          done: [],
          seen: ['exactly one of D1 and D2 is on from 0.1 s', 'D1 lit 0.4 s, dark 0.4 s'],
        },
      ],
    },
    own: `bool left = true;

void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  digitalWrite(8, left);
  digitalWrite(9, !left);
  delay(400);
  left = !left;
}
`,
  },
];
