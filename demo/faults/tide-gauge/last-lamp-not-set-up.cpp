// Tide gauge: the knob is the float, ten lamps show how high the water stands.
const int KNOB = A0;
const int LAMPS = 10;
const int PINS[LAMPS] = {11, 10, 9, 8, 7, 6, 5, 4, 3, 2};  // the lowest lamp first

void setup() {
  for (int i = 0; i < LAMPS - 1; i++) {
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
