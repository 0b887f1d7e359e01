// Red for the boats that wait, then green for those that may go.
const int RED = 9;
const int GREEN = 8;

void setup() {
  pinMode(RED, OUTPUT);
}

void loop() {
  digitalWrite(RED, HIGH);
  delay(2000);
  digitalWrite(RED, LOW);
  delay(1000);
  digitalWrite(GREEN, HIGH);
  delay(1000);
  digitalWrite(GREEN, LOW);
  delay(1000);
}
