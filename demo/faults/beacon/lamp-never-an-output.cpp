// Beacon: flash 0.5 s, dark 2.5 s.
const int LAMP = 13;

void setup() {
}

void loop() {
  digitalWrite(LAMP, HIGH);  // the lamp is lit
  delay(500);
  digitalWrite(LAMP, LOW);   // the lamp is dark
  delay(2500);
}
