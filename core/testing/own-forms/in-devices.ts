import type { OwnForm } from './own-form';

/** Programs that go by states, places of lists, distances, letters and functions of their own. */
export const formsInDevices: readonly OwnForm[] = [
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
      id: 'park',
      board: 'learner-5v',
      lines: [
        'distance sensor trig 12 echo 11',
        'green LED on 3 with 330',
        'yellow LED on 4 with 330',
        'red LED on 5 with 330',
        'passive buzzer on 8 with 100',
      ],
      program: `// Parking help: three LEDs by distance, the buzzer beeps when it is near
const int TRIG = 12;
const int ECHO = 11;
const int LEDS[] = {3, 4, 5};
const int BUZZER = 8;

long centimetres() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  return pulseIn(ECHO, HIGH) / 58;
}

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  for (int i = 0; i < 3; i++) pinMode(LEDS[i], OUTPUT);
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  long far = centimetres();
  digitalWrite(LEDS[0], far >= 60);
  digitalWrite(LEDS[1], far >= 20 && far < 60);
  digitalWrite(LEDS[2], far < 20);
  if (far < 20) tone(BUZZER, 1000);
  else noTone(BUZZER);
  delay(50);
}
`,
      scenarios: [
        {
          name: 'far',
          lasts: 3,
          done: ['something 1 m before X1 at 0 s'],
          seen: [
            'D1 is on from 0.5 s',
            'D2 is off from 0.5 s',
            'D3 is off from 0.5 s',
            'Z1 is silent from 0.5 s',
          ],
        },
        {
          name: 'coming',
          lasts: 8,
          done: ['something 0.4 m before X1 at 0 s', 'something 0.1 m before X1 at 4 s'],
          seen: [
            'D2 is on from 0.5 s to 3.9 s',
            'D1 is off from 0.5 s to 3.9 s',
            'D3 is on from 4.5 s',
            'D2 is off from 4.5 s',
            'Z1 sounds from 4.5 s',
          ],
        },
      ],
    },
    own: `int trig = 12, echo = 11;
int green = 3, yellow = 4, red = 5;
float d;

void allOff() {
  digitalWrite(green, 0);
  digitalWrite(yellow, 0);
  digitalWrite(red, 0);
}

void light(int pin) {
  allOff();
  digitalWrite(pin, 1);
}

void setup() {
  Serial.begin(9600);
  pinMode(trig, OUTPUT);
  pinMode(green, OUTPUT);
  pinMode(yellow, OUTPUT);
  pinMode(red, OUTPUT);
  pinMode(8, OUTPUT);
}

void loop() {
  digitalWrite(trig, HIGH);
  delayMicroseconds(10);
  digitalWrite(trig, LOW);
  unsigned long t = pulseIn(echo, HIGH);
  d = t * 0.0343 / 2;
  Serial.println(d);
  if (d < 20) {
    light(red);
    tone(8, 1000);
  } else {
    noTone(8);
    if (d < 60) light(yellow);
    else light(green);
  }
  delay(60);
}
`,
  },
  {
    said: {
      id: 'egg',
      board: 'python-3v3',
      lines: ['button on 4', 'green LED on 5 with 220', 'active buzzer on 6 through a transistor'],
      program: `# Egg timer: each press adds two seconds, the LED is on while it runs, then three beeps
import board
import digitalio
import time

button = digitalio.DigitalInOut(board.D4)
button.switch_to_input(pull=digitalio.Pull.UP)
led = digitalio.DigitalInOut(board.D5)
led.switch_to_output()
buzzer = digitalio.DigitalInOut(board.D6)
buzzer.switch_to_output()
end = 0
running = False
before = True

while True:
    now = button.value
    if not now and before:
        if running:
            end = end + 2
        else:
            end = time.monotonic() + 2
            running = True
    before = now
    if running and time.monotonic() >= end:
        running = False
        led.value = False
        for i in range(3):
            buzzer.value = True
            time.sleep(0.2)
            buzzer.value = False
            time.sleep(0.2)
    led.value = running
    time.sleep(0.02)
`,
      scenarios: [
        {
          name: 'one',
          lasts: 7,
          done: ['press S1 at 1 s'],
          seen: [
            'D1 is off until 0.9 s',
            'D1 is on from 1.2 s to 2.8 s',
            'D1 is off from 3.4 s',
            'Z1 chirps 3 times',
          ],
        },
        {
          name: 'two',
          lasts: 10,
          done: ['press S1 at 1 s', 'press S1 at 2 s'],
          seen: [
            'D1 is on from 1.2 s to 4.7 s',
            'D1 is off from 5.6 s',
            'Z1 is silent until 4.7 s',
            'Z1 chirps 3 times',
          ],
        },
        { name: 'none', lasts: 3, done: [], seen: ['D1 is off', 'Z1 is silent'] },
      ],
    },
    own: `import time, board
from digitalio import DigitalInOut, Direction, Pull

key = DigitalInOut(board.D4)
key.direction = Direction.INPUT
key.pull = Pull.UP
lamp = DigitalInOut(board.D5)
lamp.direction = Direction.OUTPUT
beeper = DigitalInOut(board.D6)
beeper.direction = Direction.OUTPUT
rest = 0
last = True

def beep(times):
    for n in range(times):
        beeper.value = True
        time.sleep(0.2)
        beeper.value = False
        time.sleep(0.2)

while True:
    state = key.value
    if state != last:
        last = state
        if state == False:
            rest = rest + 2
    if rest > 0:
        lamp.value = True
        rest = rest - 0.01
        if rest <= 0:
            lamp.value = False
            beep(3)
            rest = 0
    time.sleep(0.01)
`,
  },
  {
    said: {
      id: 'bank',
      board: 'learner-5v',
      lines: ['potentiometer on A0', '4 green LEDs on 4, 5, 6, 7 with 330'],
      program: `// Water tank: four LEDs show the level, below a quarter the last one blinks
const int SENSOR = A0;
const int LEDS[4] = {4, 5, 6, 7};

void setup() {
  for (int i = 0; i < 4; i++) {
    pinMode(LEDS[i], OUTPUT);
  }
  Serial.begin(9600);
}

void loop() {
  int level = analogRead(SENSOR);
  int count = map(level, 0, 1023, 0, 5);
  if (count > 4) count = 4;
  Serial.println(count);
  if (count == 0) {
    for (int i = 1; i < 4; i++) digitalWrite(LEDS[i], LOW);
    digitalWrite(LEDS[0], HIGH);
    delay(250);
    digitalWrite(LEDS[0], LOW);
    delay(250);
  } else {
    for (int i = 0; i < 4; i++) {
      digitalWrite(LEDS[i], i < count);
    }
    delay(50);
  }
}
`,
      scenarios: [
        {
          name: 'empty',
          lasts: 4,
          done: ['turn P1 to 5 % at 0 s'],
          seen: ['D1 lit 0.25 s, dark 0.25 s', 'D2 is off', 'D4 is off', 'prints "0"'],
        },
        {
          name: 'half',
          lasts: 3,
          done: ['turn P1 to 50 % at 0 s'],
          seen: ['D1 is on from 0.2 s', 'D2 is on from 0.2 s', 'D3 is off', 'D4 is off', 'prints "2"'],
        },
        {
          name: 'full',
          lasts: 3,
          done: ['turn P1 to 100 % at 0 s'],
          seen: ['D1 is on from 0.2 s', 'D4 is on from 0.2 s', 'prints "4"'],
        },
      ],
    },
    own: `int leds[] = {4, 5, 6, 7};
int n = 4;
float percent;

void showLevel(int howMany) {
  for (int k = 0; k < n; k++) {
    if (k < howMany) {
      digitalWrite(leds[k], HIGH);
    } else {
      digitalWrite(leds[k], LOW);
    }
  }
}

void warn() {
  showLevel(1);
  delay(250);
  showLevel(0);
  delay(250);
}

void setup() {
  Serial.begin(9600);
  for (int k = 0; k < n; k++) {
    pinMode(leds[k], OUTPUT);
  }
}

void loop() {
  percent = analogRead(A0) * 100.0 / 1023;
  int bars = percent / 20;
  if (bars >= n) {
    bars = n;
  }
  Serial.println(bars);
  if (bars < 1) {
    warn();
  } else {
    showLevel(bars);
    delay(30);
  }
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
