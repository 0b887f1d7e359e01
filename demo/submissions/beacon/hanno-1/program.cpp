const int LAMP = 8;
// the pin takes the current in: LOW lights the lamp
void setup() {
  pinMode(LAMP, OUTPUT);
  digitalWrite(LAMP, HIGH);
}
void loop() {
  digitalWrite(LAMP, LOW);
  delay(500);
  digitalWrite(LAMP, HIGH);
  delay(2500);
}
