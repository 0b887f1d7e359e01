void setup() {
  pinMode(13, OUTPUT);
}
void loop() {
  for (int i = 0; i < 6; i++) {
    digitalWrite(13, i == 0);
    delay(500);
  }
}
