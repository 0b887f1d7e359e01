#define LAMP 13

void setup() {
  pinMode(LAMP, OUTPUT);
}

void flash(int on, int off) {
  digitalWrite(LAMP, HIGH);
  delay(on);
  digitalWrite(LAMP, LOW);
  delay(off);
}

void loop() {
  flash(500, 2500);
}
