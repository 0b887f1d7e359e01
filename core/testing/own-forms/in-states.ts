import type { OwnForm } from './own-form';

/** Programs that go by states, by lists that are gone through with a button, and by letters they are told. */
export const formsInStates: readonly OwnForm[] = [
  {
    said: {
      id: 'door',
      board: 'learner-5v',
      lines: ['slide switch on 4, pull-up', 'button on 2', 'green LED on 9 with 330', 'buzzer on 8'],
      program: `// Door alarm: armed with the button, an open door sounds, the button silences
const int DOOR = 4;
const int BUTTON = 2;
const int ARMED = 9;
const int HORN = 8;
bool armed = false;
bool alarm = false;
int last = HIGH;

void setup() {
  pinMode(DOOR, INPUT_PULLUP);
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(ARMED, OUTPUT);
  pinMode(HORN, OUTPUT);
}

void loop() {
  int now = digitalRead(BUTTON);
  if (now == LOW && last == HIGH) {
    armed = !armed;
    alarm = false;
    delay(30);
  }
  last = now;
  if (armed && digitalRead(DOOR) == HIGH) {
    alarm = true;
  }
  digitalWrite(ARMED, armed);
  digitalWrite(HORN, alarm);
}
`,
      scenarios: [
        {
          name: 'armed',
          lasts: 8,
          done: ['switch S1 on at 0 s', 'press S2 at 1 s', 'switch S1 off at 4 s'],
          seen: [
            'D1 is off until 0.9 s',
            'D1 is on from 1.2 s',
            'Z1 is silent until 3.9 s',
            'Z1 sounds from 4.2 s',
          ],
        },
        {
          name: 'silenced',
          lasts: 8,
          done: ['switch S1 on at 0 s', 'press S2 at 1 s', 'switch S1 off at 2 s', 'press S2 at 5 s'],
          seen: ['Z1 sounds from 2.2 s to 4.9 s', 'Z1 is silent from 5.2 s', 'D1 is off from 5.2 s'],
        },
        {
          name: 'not armed',
          lasts: 5,
          done: ['switch S1 on at 0 s', 'switch S1 off at 2 s'],
          seen: ['Z1 is silent', 'D1 is off'],
        },
      ],
    },
    own: `#define DOOR 4
#define BUTTON 2
enum State { OFF, WAITING, RINGING };
State state = OFF;
bool wasDown = false;

bool pressed() {
  bool down = digitalRead(BUTTON) == LOW;
  bool edge = down && !wasDown;
  wasDown = down;
  if (edge) delay(20);
  return edge;
}

void setup() {
  pinMode(DOOR, INPUT_PULLUP);
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  bool hit = pressed();
  switch (state) {
    case OFF:
      if (hit) state = WAITING;
      break;
    case WAITING:
      if (hit) state = OFF;
      else if (digitalRead(DOOR)) state = RINGING;
      break;
    case RINGING:
      if (hit) state = OFF;
      break;
  }
  digitalWrite(9, state != OFF);
  digitalWrite(8, state == RINGING ? HIGH : LOW);
}
`,
  },
  {
    said: {
      id: 'mix',
      board: 'learner-5v',
      lines: ['button on 2', 'button on 3', 'RGB LED on 9, 10, 11 with 220'],
      program: `// Colour mixer: button 1 chooses the channel, button 2 makes it brighter in steps
const int CHOOSE = 2;
const int MORE = 3;
const int CHANNELS[] = {9, 10, 11};
int values[] = {0, 0, 0};
int channel = 0;
int lastChoose = HIGH;
int lastMore = HIGH;

void setup() {
  pinMode(CHOOSE, INPUT_PULLUP);
  pinMode(MORE, INPUT_PULLUP);
  for (int i = 0; i < 3; i++) pinMode(CHANNELS[i], OUTPUT);
}

void loop() {
  int choose = digitalRead(CHOOSE);
  if (choose == LOW && lastChoose == HIGH) {
    channel = (channel + 1) % 3;
    delay(30);
  }
  lastChoose = choose;
  int more = digitalRead(MORE);
  if (more == LOW && lastMore == HIGH) {
    values[channel] = values[channel] + 255;
    if (values[channel] > 255) values[channel] = 0;
    analogWrite(CHANNELS[channel], values[channel]);
    delay(30);
  }
  lastMore = more;
}
`,
      scenarios: [
        {
          name: 'red',
          lasts: 4,
          done: ['press S2 at 1 s'],
          seen: ['D1 is off until 0.9 s', 'D1 is red from 1.3 s'],
        },
        {
          name: 'green',
          lasts: 5,
          done: ['press S1 at 1 s', 'press S2 at 2 s'],
          seen: ['D1 is off until 1.9 s', 'D1 is green from 2.3 s'],
        },
        {
          name: 'round',
          lasts: 9,
          done: [
            'press S1 at 1 s',
            'press S1 at 2 s',
            'press S2 at 3 s',
            'press S1 at 4 s',
            'press S2 at 5 s',
            'press S2 at 7 s',
          ],
          seen: [
            'D1 is blue from 3.3 s to 4.9 s',
            'D1 is violet from 5.3 s to 6.9 s',
            'D1 is blue from 7.3 s',
          ],
        },
      ],
    },
    own: `const byte RED = 9, GREEN = 10, BLUE = 11;
const byte b1 = 2, b2 = 3;
int which = 1;
bool r = false, g = false, b = false;

void waitUp(int pin) {
  while (digitalRead(pin) == LOW) {
    delay(5);
  }
}

void setup() {
  pinMode(b1, INPUT_PULLUP);
  pinMode(b2, INPUT_PULLUP);
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(BLUE, OUTPUT);
}

void loop() {
  if (!digitalRead(b1)) {
    which++;
    if (which > 3) which = 1;
    waitUp(b1);
  }
  if (!digitalRead(b2)) {
    if (which == 1) r = !r;
    if (which == 2) g = !g;
    if (which == 3) b = !b;
    digitalWrite(RED, r);
    digitalWrite(GREEN, g);
    digitalWrite(BLUE, b);
    waitUp(b2);
  }
}
`,
  },
  {
    said: {
      id: 'cmd',
      board: 'learner-5v',
      lines: ['red LED on 5 with 330', 'green LED on 6 with 330'],
      program: `// Lamp by command: r, g switch LEDs over, x switches all off, each answer is printed
const int RED = 5;
const int GREEN = 6;
bool red = false;
bool green = false;

void setup() {
  Serial.begin(9600);
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  Serial.println("ready");
}

void loop() {
  if (Serial.available() > 0) {
    char c = Serial.read();
    if (c == 'r') {
      red = !red;
      Serial.println(red ? "red on" : "red off");
    } else if (c == 'g') {
      green = !green;
      Serial.println(green ? "green on" : "green off");
    } else if (c == 'x') {
      red = false;
      green = false;
      Serial.println("all off");
    }
    digitalWrite(RED, red);
    digitalWrite(GREEN, green);
  }
}
`,
      scenarios: [
        {
          name: 'red',
          lasts: 5,
          done: ['type "r" at 1 s', 'type "r" at 3 s'],
          seen: [
            'prints "ready"',
            'D1 is off until 0.9 s',
            'D1 is on from 1.2 s to 2.9 s',
            'D1 is off from 3.2 s',
            'prints "red on"',
            'prints "red off"',
          ],
        },
        {
          name: 'both',
          lasts: 6,
          done: ['type "g" at 1 s', 'type "r" at 2 s', 'type "x" at 4 s'],
          seen: [
            'D2 is on from 1.2 s to 3.9 s',
            'D1 is on from 2.2 s to 3.9 s',
            'D1 is off from 4.2 s',
            'D2 is off from 4.2 s',
            'prints "green on"',
            'prints "all off"',
          ],
        },
      ],
    },
    own: `int pins[2] = {5, 6};
int states[2];
String names[2] = {"red", "green"};

void answer(int which) {
  states[which] = 1 - states[which];
  digitalWrite(pins[which], states[which]);
  Serial.print(names[which]);
  if (states[which] == 1) {
    Serial.println(" on");
  } else {
    Serial.println(" off");
  }
}

void setup() {
  for (int i = 0; i < 2; i++) {
    pinMode(pins[i], OUTPUT);
    states[i] = 0;
  }
  Serial.begin(9600);
  Serial.println("ready");
}

void loop() {
  if (!Serial.available()) return;
  char command = Serial.read();
  switch (command) {
    case 'r':
      answer(0);
      break;
    case 'g':
      answer(1);
      break;
    case 'x':
      for (int i = 0; i < 2; i++) {
        states[i] = 0;
        digitalWrite(pins[i], LOW);
      }
      Serial.println("all off");
      break;
  }
}
`,
  },
];
