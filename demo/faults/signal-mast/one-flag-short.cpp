// Signal mast: a key typed on the computer sets eight flags and two lamp panels.
#include <Servo.h>
#include <LedControl.h>

const int FLAGS = 8;
const int FIRST_SERVO = 2;
const int DOWN = 10;   // degrees, found flag by flag
const int UP = 100;

struct Signal {
  char key;
  byte flags;         // one bit for each flag, the lowest for the first servo
  byte left[8];       // rows of the panels
  byte right[8];
};

const Signal SIGNALS[] = {
  {'p', B00000101,    // a pilot is wanted
   {B00011000, B00111100, B01111110, B11111111, B00011000, B00011000, B00011000, B00011000},
   {B11111000, B10001000, B10001000, B11111000, B10000000, B10000000, B10000000, B10000000}},
  {'s', B11110000,    // stop
   {B11111111, B10000001, B10000001, B10000001, B10000001, B10000001, B10000001, B11111111},
   {B01111110, B01000000, B01000000, B01111110, B00000010, B00000010, B00000010, B01111110}},
};
const int COUNT = 2;

Servo flags[FLAGS];
LedControl panels = LedControl(51, 52, 53, 2);  // data, clock, select, two panels

void setup() {
  Serial.begin(9600);
  for (int i = 0; i < FLAGS; i++) {
    flags[i].attach(FIRST_SERVO + i);
    flags[i].write(DOWN);
  }
  for (int i = 0; i < 2; i++) {
    panels.shutdown(i, false);
    panels.setIntensity(i, 8);
    panels.clearDisplay(i);
  }
}

void loop() {
  if (Serial.available() > 0) {
    char key = Serial.read();
    for (int i = 0; i < COUNT; i++) {
      if (SIGNALS[i].key == key) {
        show(i);
      }
    }
  }
}

void show(int number) {
  for (int i = 0; i < FLAGS - 1; i++) {
    if (bitRead(SIGNALS[number].flags, i) == 1) {
      flags[i].write(UP);
    } else {
      flags[i].write(DOWN);
    }
  }
  for (int row = 0; row < 8; row++) {
    panels.setRow(0, row, SIGNALS[number].left[row]);
    panels.setRow(1, row, SIGNALS[number].right[row]);
  }
  Serial.print("signal ");
  Serial.println(SIGNALS[number].key);
}
