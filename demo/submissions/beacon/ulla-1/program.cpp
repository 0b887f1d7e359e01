const int LAMP = 13;

void setup() {
  pinMode(LAMP, OUTPUT);
}

void loop() {
  digitalWrite(LAMP, HIGH);
  delay(500);
  digitalWrite(LAMP, LOW);
  delay(2500);
}
