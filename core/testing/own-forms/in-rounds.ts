import type { OwnForm } from './own-form';

/** Programs that count and keep time round by round. */
export const formsInRounds: readonly OwnForm[] = [
  {
    said: {
      id: 'rates',
      board: 'python-3v3',
      lines: ['button on 4', 'blue LED on 7'],
      program: `import time
import board
import digitalio
PERIODS = [0.8, 0.4, 0.2]
button = digitalio.DigitalInOut(board.D4)
button.switch_to_input(pull=digitalio.Pull.UP)
led = digitalio.DigitalInOut(board.D7)
led.direction = digitalio.Direction.OUTPUT
step = 0
was_pressed = False
last_change = time.monotonic()
while True:
    pressed = not button.value
    if pressed and not was_pressed:
        step = (step + 1) % len(PERIODS)
        print("period", PERIODS[step])
    was_pressed = pressed
    now = time.monotonic()
    if now - last_change >= PERIODS[step]:
        led.value = not led.value
        last_change = now
    time.sleep(0.01)
`,
      scenarios: [
        {
          name: 'all rates',
          lasts: 16,
          done: ['press S1 at 5 s', 'press S1 at 9 s', 'press S1 at 12 s'],
          seen: [
            'D1 lit 0.8 s, dark 0.8 s until 4.9 s',
            'D1 lit 0.4 s, dark 0.4 s from 5.1 s to 8.9 s',
            'D1 lit 0.2 s, dark 0.2 s from 9.1 s to 11.9 s',
            'D1 lit 0.8 s, dark 0.8 s from 12.1 s',
            'prints "period 0.4", then "period 0.2", then "period 0.8"',
          ],
        },
      ],
    },
    own: `import time
import board
from digitalio import DigitalInOut, Direction, Pull

key = DigitalInOut(board.D4)
key.direction = Direction.INPUT
key.pull = Pull.UP
lamp = DigitalInOut(board.D7)
lamp.direction = Direction.OUTPUT

mode = 1
before = True
count = 0

while True:
    state = key.value
    if before and not state:
        mode += 1
        if mode > 3:
            mode = 1
        if mode == 1:
            print("period 0.8")
        elif mode == 2:
            print("period 0.4")
        else:
            print("period 0.2")
    before = state
    count += 1
    if mode == 1:
        limit = 80
    elif mode == 2:
        limit = 40
    else:
        limit = 20
    if count >= limit:
        lamp.value = not lamp.value
        count = 0
    time.sleep(0.01)
`,
  },
  {
    said: {
      id: 'laps',
      board: 'learner-5v',
      lines: ['LCD on I2C', 'button on 5', 'button on 6', 'green LED on 13'],
      program: `#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2);
const int START_STOP = 5;
const int RESET = 6;
const int RUNNING = 13;
bool running = false;
unsigned long started = 0;
unsigned long elapsed = 0;
long shown = -1;
bool wasStart = false;
bool wasReset = false;
void setup() {
  pinMode(START_STOP, INPUT_PULLUP);
  pinMode(RESET, INPUT_PULLUP);
  pinMode(RUNNING, OUTPUT);
  lcd.init();
  lcd.backlight();
}
void loop() {
  bool start = digitalRead(START_STOP) == LOW;
  bool reset = digitalRead(RESET) == LOW;
  if (start && !wasStart) {
    if (running) {
      elapsed += millis() - started;
      running = false;
    } else {
      started = millis();
      running = true;
    }
  }
  if (reset && !wasReset && !running) elapsed = 0;
  wasStart = start;
  wasReset = reset;
  digitalWrite(RUNNING, running);
  unsigned long total = elapsed;
  if (running) total += millis() - started;
  long seconds = total / 1000;
  if (seconds != shown) {
    lcd.setCursor(0, 0);
    lcd.print("Time ");
    lcd.print(seconds);
    lcd.print(" s  ");
    shown = seconds;
  }
  delay(10);
}
`,
      scenarios: [
        {
          name: 'once',
          lasts: 12,
          done: ['press S1 at 1 s', 'press S1 at 4.5 s', 'press S2 at 7 s'],
          seen: [
            'X1 reads "Time 0 s" until 1.5 s',
            'X1 reads "Time 3 s" from 5 s to 6.9 s',
            'X1 reads "Time 0 s" from 7.5 s',
            'D1 is on from 1.2 s to 4.4 s',
            'D1 is off from 4.7 s',
          ],
        },
        {
          name: 'goes on',
          lasts: 12,
          done: [
            'press S1 at 1 s',
            'press S1 at 3.5 s',
            'press S1 at 6 s',
            'press S2 at 7 s',
            'press S1 at 8.2 s',
          ],
          seen: ['X1 reads "Time 2 s" from 4 s to 6 s', 'X1 reads "Time 4 s" from 8.5 s'],
        },
      ],
    },
    own: `#include <Wire.h>
#include <LiquidCrystal_I2C.h>

LiquidCrystal_I2C display(0x27, 16, 2);

#define BTN_A 5
#define BTN_B 6
#define LED 13

int tenths = 0;
bool isRunning = false;
int lastA = HIGH;
unsigned long lastTick = 0;

void showTime() {
  display.setCursor(0, 0);
  display.print("Time ");
  display.print(tenths / 10);
  display.print(" s   ");
}

void setup() {
  pinMode(BTN_A, INPUT_PULLUP);
  pinMode(BTN_B, INPUT_PULLUP);
  pinMode(LED, OUTPUT);
  display.init();
  display.backlight();
  showTime();
}

void loop() {
  int a = digitalRead(BTN_A);
  if (a == LOW && lastA == HIGH) {
    isRunning = !isRunning;
    lastTick = millis();
    if (isRunning) {
      digitalWrite(LED, HIGH);
    } else {
      digitalWrite(LED, LOW);
    }
    delay(30);
  }
  lastA = a;

  if (digitalRead(BTN_B) == LOW && !isRunning) {
    tenths = 0;
    showTime();
  }

  if (isRunning && millis() - lastTick >= 100) {
    lastTick = lastTick + 100;
    tenths++;
    showTime();
  }
  delay(15);
}
`,
  },
  {
    said: {
      id: 'vent',
      board: 'learner-5v',
      lines: ['motor on 3', 'button on 7', 'temperature sensor on A2'],
      program: `const int FAN = 3;
const int BUTTON = 7;
const int SENSOR = A2;
bool fanOn = false;
unsigned long manualUntil = 0;
float readCelsius() {
  long sum = 0;
  for (int i = 0; i < 8; i++) {
    sum += analogRead(SENSOR);
    delay(2);
  }
  return (sum / 8.0 * 5.0 / 1024.0 - 0.5) * 100.0;
}
void setup() {
  pinMode(FAN, OUTPUT);
  pinMode(BUTTON, INPUT_PULLUP);
}
void loop() {
  float celsius = readCelsius();
  if (celsius >= 30.0) {
    fanOn = true;
  } else if (celsius < 26.0) {
    fanOn = false;
  }
  if (digitalRead(BUTTON) == LOW) {
    manualUntil = millis() + 3000;
  }
  digitalWrite(FAN, fanOn || millis() < manualUntil ? HIGH : LOW);
}
`,
      scenarios: [
        {
          name: 'warm and cool',
          lasts: 12,
          done: [
            'warm T1 to 24 °C at 0 s',
            'warm T1 to 33 °C at 2 s',
            'warm T1 to 28 °C at 5 s',
            'warm T1 to 22 °C at 8 s',
          ],
          seen: ['M1 stands still until 1.9 s', 'M1 turns from 2.5 s to 7.9 s', 'M1 stands still from 8.5 s'],
        },
        {
          name: 'by hand',
          lasts: 8,
          done: ['warm T1 to 28 °C at 0 s', 'press S1 at 2 s'],
          seen: ['M1 stands still until 1.9 s', 'M1 turns from 2.3 s to 5.1 s', 'M1 stands still from 5.6 s'],
        },
      ],
    },
    own: `int fanPin = 3;
int buttonPin = 7;
int sensorPin = A2;

int reading;
float volts;
float warmth;
boolean warm = false;
unsigned long since = 0;
boolean manual = false;

void setup() {
  Serial.begin(9600);
  pinMode(fanPin, OUTPUT);
  pinMode(buttonPin, INPUT_PULLUP);
}

void loop() {
  reading = analogRead(sensorPin);
  volts = reading * 5.0 / 1023;
  warmth = (volts - 0.5) * 100;

  if (digitalRead(buttonPin) == 0) {
    manual = true;
    since = millis();
  }
  if (manual == true && millis() - since > 3000) {
    manual = false;
  }

  if (warmth > 30) {
    warm = true;
  }
  if (warmth < 26) {
    warm = false;
  }

  if (warm || manual) {
    digitalWrite(fanPin, HIGH);
  }
  else {
    digitalWrite(fanPin, LOW);
  }
  delay(20);
}
`,
  },
];
