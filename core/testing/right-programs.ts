import { courseExercises } from './course';
import { asksForProgram, languageOf } from '../formats/exercise';
import type { Language } from '../program';

/** A program that is right, in one of the many styles that people write. */
export interface RightProgram {
  readonly name: string;
  readonly language: Language;
  readonly board: string;
  readonly source: string;
}

const cpp: Readonly<Record<string, string>> = {
  'plain numbers': `void setup() { pinMode(13, OUTPUT); }
void loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(2500); }`,
  'defines for pins': `#define LAMP 13
#define PAUSE 500
void setup() {
  pinMode(LAMP, OUTPUT);
}
void loop() {
  digitalWrite(LAMP, HIGH);
  delay(PAUSE);
  digitalWrite(LAMP, LOW);
  delay(PAUSE * 5);
}`,
  'a level that is turned': `const byte lampPin = 13;
bool lit = false;
void setup() { pinMode(lampPin, OUTPUT); }
void loop() { lit = !lit; digitalWrite(lampPin, lit ? HIGH : LOW); delay(300); }`,
  'the pin read back': `int led_pin = 13;
void setup(){pinMode(led_pin,OUTPUT);}
void loop(){digitalWrite(led_pin,!digitalRead(led_pin));delay(250);}`,
  'the clock instead of pauses': `const int LAMP = 9;
const unsigned long EVERY = 700;
unsigned long last = 0;
bool on = false;
void setup() { pinMode(LAMP, OUTPUT); }
void loop() {
  if (millis() - last >= EVERY) { last = millis(); on = !on; digitalWrite(LAMP, on); }
}`,
  'a static clock': `void setup() { pinMode(7, OUTPUT); }
void loop() {
  static unsigned long next = 0;
  static bool state = false;
  unsigned long now = millis();
  if (now >= next) { next = now + 400; state = !state; digitalWrite(7, state); }
}`,
  'a button that lights a lamp': `const int BUTTON = 2, LAMP = 13;
void setup() { pinMode(BUTTON, INPUT_PULLUP); pinMode(LAMP, OUTPUT); }
void loop() { digitalWrite(LAMP, digitalRead(BUTTON) == LOW); }`,
  'a press counted at its edge': `const int BUTTON = 2;
int presses = 0; int last = HIGH;
void setup() { pinMode(BUTTON, INPUT_PULLUP); Serial.begin(9600); }
void loop() {
  int now = digitalRead(BUTTON);
  if (now == LOW && last == HIGH) { presses++; Serial.println(presses); delay(20); }
  last = now;
}`,
  'a press that waits for its end': `int count = 0;
void setup() { pinMode(2, INPUT_PULLUP); Serial.begin(9600); }
void loop() {
  if (digitalRead(2) == LOW) {
    count++;
    Serial.println(count);
    while (digitalRead(2) == LOW) { delay(10); }
  }
}`,
  'a press with the usual waiting out': `const int buttonPin = 2; const int ledPin = 13;
int ledState = HIGH; int buttonState; int lastButtonState = LOW;
unsigned long lastDebounceTime = 0; unsigned long debounceDelay = 50;
void setup() { pinMode(buttonPin, INPUT); pinMode(ledPin, OUTPUT); digitalWrite(ledPin, ledState); }
void loop() {
  int reading = digitalRead(buttonPin);
  if (reading != lastButtonState) { lastDebounceTime = millis(); }
  if ((millis() - lastDebounceTime) > debounceDelay) {
    if (reading != buttonState) { buttonState = reading; if (buttonState == HIGH) { ledState = !ledState; } }
  }
  digitalWrite(ledPin, ledState);
  lastButtonState = reading;
}`,
  'a fade up and down': `int brightness = 0; int step = 5;
void setup() { pinMode(9, OUTPUT); }
void loop() {
  analogWrite(9, brightness);
  brightness = brightness + step;
  if (brightness <= 0 || brightness >= 255) { step = -step; }
  delay(30);
}`,
  'a fade in two loops': `void setup() { }
void loop() {
  for (int i = 0; i <= 255; i += 5) { analogWrite(9, i); delay(20); }
  for (int i = 255; i >= 0; i -= 5) { analogWrite(9, i); delay(20); }
}`,
  'a knob divided': `void setup() { pinMode(9, OUTPUT); }
void loop() { analogWrite(9, analogRead(A0) / 4); }`,
  'a knob mapped': `const int knob = A0;
int value;
void setup() { Serial.begin(9600); }
void loop() { value = analogRead(knob); value = map(value, 0, 1023, 0, 180); Serial.println(value); delay(15); }`,
  'volts worked out': `void setup() { Serial.begin(9600); }
void loop() { float volts = analogRead(A0) * (5.0 / 1023.0); Serial.println(volts); delay(1); }`,
  'a threshold with two sides': `const int LOW_MARK = 300, HIGH_MARK = 400;
bool dark = false;
void setup() { pinMode(8, OUTPUT); }
void loop() {
  int light = analogRead(A1);
  if (light < LOW_MARK) dark = true;
  else if (light > HIGH_MARK) dark = false;
  digitalWrite(8, dark);
  delay(50);
}`,
  'lamps in an array': `const int pins[] = {2, 3, 4, 5, 6};
const int count = sizeof(pins) / sizeof(pins[0]);
void setup() { for (int i = 0; i < count; i++) pinMode(pins[i], OUTPUT); }
void loop() { for (int i = 0; i < count; i++) { digitalWrite(pins[i], HIGH); delay(100); digitalWrite(pins[i], LOW); } }`,
  'functions of its own': `const int RED = 10, GREEN = 11;
void show(int pin, int time) { digitalWrite(pin, HIGH); delay(time); digitalWrite(pin, LOW); }
void setup() { pinMode(RED, OUTPUT); pinMode(GREEN, OUTPUT); }
void loop() { show(RED, 300); show(GREEN, 600); }`,
  'a switch over phases': `int phase = 0;
void setup() { pinMode(4, OUTPUT); pinMode(5, OUTPUT); }
void loop() {
  switch (phase) {
    case 0: digitalWrite(4, HIGH); digitalWrite(5, LOW); break;
    case 1: digitalWrite(4, LOW); digitalWrite(5, HIGH); break;
    default: digitalWrite(4, LOW); digitalWrite(5, LOW);
  }
  phase = (phase + 1) % 3;
  delay(500);
}`,
  'an enumeration of states': `enum State { CLOSED, OPENING, OPEN };
State state = CLOSED;
void setup() { pinMode(6, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() {
  if (state == CLOSED && digitalRead(2) == LOW) { state = OPENING; }
  if (state == OPENING) { delay(1000); state = OPEN; }
  digitalWrite(6, state == OPEN);
}`,
  'a struct for each lamp': `struct Lamp { byte pin; unsigned int time; };
Lamp lamps[2] = {{3, 200}, {5, 400}};
void setup() { for (byte i = 0; i < 2; i++) { pinMode(lamps[i].pin, OUTPUT); } }
void loop() { for (byte i = 0; i < 2; i++) { digitalWrite(lamps[i].pin, HIGH); delay(lamps[i].time); digitalWrite(lamps[i].pin, LOW); } }`,
  'a tune': `int notes[] = {262, 330, 392};
void setup() { for (int i = 0; i < 3; i++) { tone(8, notes[i], 200); delay(260); } noTone(8); }
void loop() { }`,
  'commands from the computer': `void setup() { Serial.begin(115200); pinMode(13, OUTPUT); }
void loop() {
  if (Serial.available() > 0) {
    char c = Serial.read();
    if (c == '1') { digitalWrite(13, HIGH); }
    else if (c == '0') { digitalWrite(13, LOW); }
  }
}`,
  'a line from the computer': `String line;
void setup() { Serial.begin(9600); }
void loop() {
  while (Serial.available()) {
    char c = (char)Serial.read();
    if (c == '\\n') { Serial.println(line); line = ""; }
    else line += c;
  }
}`,
  'an interrupt that notes a press': `volatile bool pressed = false;
void note() { pressed = true; }
void setup() { pinMode(2, INPUT_PULLUP); pinMode(13, OUTPUT); attachInterrupt(digitalPinToInterrupt(2), note, FALLING); }
void loop() { if (pressed) { pressed = false; digitalWrite(13, HIGH); delay(200); digitalWrite(13, LOW); } }`,
  'a distance measured': `const int TRIG = 7, ECHO = 6;
long measure() {
  digitalWrite(TRIG, LOW); delayMicroseconds(2);
  digitalWrite(TRIG, HIGH); delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  return pulseIn(ECHO, HIGH, 30000) / 58;
}
void setup() { pinMode(TRIG, OUTPUT); pinMode(ECHO, INPUT); Serial.begin(9600); }
void loop() { Serial.println(measure()); delay(200); }`,
  'eight lamps through a register': `const int DATA = 11, CLOCK = 12, LATCH = 8;
byte pattern = 1;
void setup() { pinMode(DATA, OUTPUT); pinMode(CLOCK, OUTPUT); pinMode(LATCH, OUTPUT); }
void loop() {
  digitalWrite(LATCH, LOW);
  shiftOut(DATA, CLOCK, MSBFIRST, pattern);
  digitalWrite(LATCH, HIGH);
  pattern = (pattern << 1) | (pattern >> 7);
  delay(150);
}`,
  'a servo that sweeps': `#include <Servo.h>
Servo gate;
int angle = 0;
void setup() { gate.attach(9); }
void loop() {
  for (angle = 0; angle <= 180; angle += 1) { gate.write(angle); delay(15); }
  for (angle = 180; angle >= 0; angle -= 1) { gate.write(angle); delay(15); }
}`,
  'a display of two lines': `#include <Wire.h>
#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2);
void setup() { lcd.init(); lcd.backlight(); lcd.setCursor(0, 0); lcd.print("Tide"); }
void loop() { lcd.setCursor(0, 1); lcd.print(analogRead(A0)); lcd.print("    "); delay(500); }`,
  'a mean of several readings': `const int N = 10;
int readings[N]; int at = 0; long total = 0;
void setup() { Serial.begin(9600); for (int i = 0; i < N; i++) readings[i] = 0; }
void loop() {
  total -= readings[at];
  readings[at] = analogRead(A0);
  total += readings[at];
  at = (at + 1) % N;
  Serial.println(total / N);
  delay(1);
}`,
  'chance with a seed': `void setup() { randomSeed(analogRead(A5)); for (int p = 2; p < 8; p++) pinMode(p, OUTPUT); }
void loop() { int p = random(2, 8); digitalWrite(p, HIGH); delay(200); digitalWrite(p, LOW); }`,
  'a wait for the button': `void setup() { pinMode(2, INPUT_PULLUP); pinMode(13, OUTPUT); while (digitalRead(2) == HIGH); digitalWrite(13, HIGH); }
void loop() { }`,
  'a pointer through a text': `const char *word = "SOS";
void setup() { Serial.begin(9600); for (const char *p = word; *p; p++) { Serial.print(*p); } }
void loop() { }`,
  'comments everywhere': `/* a beacon
   of two lamps */
int a = 3; // left
int b = 4; // right
void setup() // once
{
  pinMode(a, OUTPUT); /* left */
  pinMode(b, OUTPUT);
}
void loop() // for ever
{
  digitalWrite(a, 1); digitalWrite(b, 0); delay(400);
  digitalWrite(a, 0); digitalWrite(b, 1); delay(400);
}`,
};

const python: Readonly<Record<string, string>> = {
  'a beacon': `import board
import digitalio
import time
led = digitalio.DigitalInOut(board.D13)
led.direction = digitalio.Direction.OUTPUT
while True:
    led.value = True
    time.sleep(0.5)
    led.value = False
    time.sleep(0.5)
`,
  'a level that is turned': `from time import sleep
from board import D5
from digitalio import DigitalInOut
lamp = DigitalInOut(D5)
lamp.switch_to_output(value=True)
while True:
    lamp.value = not lamp.value
    sleep(0.3)
`,
  'a button': `import board, digitalio
button = digitalio.DigitalInOut(board.D2)
button.switch_to_input(pull=digitalio.Pull.UP)
led = digitalio.DigitalInOut(board.LED)
led.switch_to_output()
while True:
    led.value = not button.value
`,
  'a press at its edge': `import board
import digitalio
import time

button = digitalio.DigitalInOut(board.D2)
button.direction = digitalio.Direction.INPUT
button.pull = digitalio.Pull.UP
count = 0
last = True

while True:
    now = button.value
    if last and not now:
        count += 1
        print("boats:", count)
        time.sleep(0.02)
    last = now
`,
  'a knob and PWM': `import board
import analogio
import pwmio
knob = analogio.AnalogIn(board.A0)
lamp = pwmio.PWMOut(board.D9, frequency=1000, duty_cycle=0)
while True:
    lamp.duty_cycle = knob.value
`,
  'functions and lists': `import board
import digitalio
import time

def output(pin):
    made = digitalio.DigitalInOut(pin)
    made.direction = digitalio.Direction.OUTPUT
    return made

lamps = [output(pin) for pin in (board.D5, board.D6, board.D9)]

def flash(lamp, seconds=0.1):
    """Lights a lamp for a while."""
    lamp.value = True
    time.sleep(seconds)
    lamp.value = False

while True:
    for lamp in lamps:
        flash(lamp)
    for i in range(len(lamps)):
        flash(lamps[i], 0.2)
`,
  'the clock': `import time
last = time.monotonic()
ticks = 0
while ticks < 5:
    if time.monotonic() - last > 0.2:
        last = time.monotonic()
        ticks += 1
        print(f"tick {ticks}")
`,
  'chance and a dictionary': `import random
import time
words = {1: "ebb", 2: "flow", 3: "slack"}
while True:
    number = random.randint(1, 3)
    print(words[number], "-" * number)
    time.sleep(1)
`,
  'errors caught': `import time
def volts(text):
    try:
        return float(text)
    except ValueError:
        return None
for text in ["1.5", "x", "3"]:
    v = volts(text)
    if v is None:
        print("no number")
    else:
        print("{:.1f} V".format(v))
time.sleep(1)
`,
  'tabs for indentation':
    'import time\nn = 0\nwhile n < 3:\n\tn += 1\n\tif n == 2:\n\t\tprint("two")\n\ttime.sleep(0.1)\n',
};

/** More than forty right programs: those of the course, and others in as many styles as people have. */
export const rightPrograms: readonly RightProgram[] = [
  ...Object.entries(cpp).map(([name, source]) => ({
    name,
    language: 'cpp' as const,
    board: 'learner-5v',
    source,
  })),
  ...Object.entries(python).map(([name, source]) => ({
    name,
    language: 'python' as const,
    board: 'python-3v3',
    source,
  })),
  ...courseExercises
    .filter(({ exercise }) => asksForProgram(exercise))
    .map(({ name, exercise }) => ({
      name: `course: ${name}`,
      language: languageOf(exercise),
      board: exercise.data.board,
      source: exercise.data.program,
    })),
];
