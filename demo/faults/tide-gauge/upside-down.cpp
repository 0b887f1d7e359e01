// Tide gauge: the knob is the float, ten lamps show how high the water stands.
const int KNOB = A0;
const int LAMPS = 10;
const int PINS[LAMPS] = {2, 3, 4, 5, 6, 7, 8, 9, 10, 11};  // the lowest lamp first

void setup() {
  for (int i = 0; i < LAMPS; i++) {
    pinMode(PINS[i], OUTPUT);
  }
}

void loop() {
  int level = analogRead(KNOB) * 11L / 1024;  // eleven steps: 0 to 10
  for (int i = 0; i < LAMPS; i++) {
    if (i < level) {
      digitalWrite(PINS[i], HIGH);
    } else {
      digitalWrite(PINS[i], LOW);
    }
  }
}
