// Passing-boat counter: each press is one boat; after a rest the lamp flashes the count.
const int BUTTON = 2;
const int LAMP = 13;
const unsigned long REST = 1500;  // milliseconds without a press

int boats = 0;
int lastLevel = HIGH;
unsigned long lastPress = 0;

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(LAMP, OUTPUT);
}

void loop() {
  int level = digitalRead(BUTTON);
  if (level != lastLevel) {
    lastLevel = level;
    if (level == LOW) {
      boats++;
      lastPress = millis();
    }
    delay(20);  // the contact bounces: look again when it has come to rest
  }
  if (boats > 0 && level == HIGH && millis() - lastPress > REST) {
    flash(boats);
    boats = 0;
  }
}

void flash(int times) {
  for (int i = 0; i <= times; i++) {
    digitalWrite(LAMP, HIGH);
    delay(200);
    digitalWrite(LAMP, LOW);
    delay(300);
  }
}
