const int beacon = 13;

void setup() {
  pinMode(beacon, OUTPUT);
}

void loop() {
  digitalWrite(beacon, HIGH);
  delay(500);
  digitalWrite(beacon, LOW);
  delay(2500);
}
