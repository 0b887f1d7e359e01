import type { OwnForm } from './own-form';

/** Programs that measure and show how much it is, with functions of their own. */
export const formsInMeasures: readonly OwnForm[] = [
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
];
