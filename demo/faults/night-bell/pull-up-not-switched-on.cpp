// Night bell: while the button is held, the buzzer sounds and the lamp is lit.
const int BUTTON = 2;
const int BUZZER = 8;
const int LAMP = 13;

void setup() {
  pinMode(BUTTON, INPUT);  // LOW while the button is held
  pinMode(BUZZER, OUTPUT);
  pinMode(LAMP, OUTPUT);
}

void loop() {
  if (digitalRead(BUTTON) == LOW) {
    digitalWrite(BUZZER, HIGH);
    digitalWrite(LAMP, HIGH);
  } else {
    digitalWrite(BUZZER, LOW);
    digitalWrite(LAMP, LOW);
  }
}
