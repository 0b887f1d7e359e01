// the light of the entrance
const int lampPin = 13;
unsigned long lastChange = 0;
bool lit = false;

void setup() {
  pinMode(lampPin, OUTPUT);
}

void loop() {
  unsigned long now = millis();
  unsigned long wait = lit ? 500 : 2500;
  if (now - lastChange >= wait) {
    lastChange = now;
    lit = !lit;
    digitalWrite(lampPin, lit);
  }
}
