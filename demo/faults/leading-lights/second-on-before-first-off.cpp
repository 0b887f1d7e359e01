// Leading lights: two lamps take turns.
const int FRONT = 12;
const int REAR = 11;

void setup() {
  pinMode(FRONT, OUTPUT);
  pinMode(REAR, OUTPUT);
}

void loop() {
  digitalWrite(FRONT, HIGH);  // front lit, rear dark
  digitalWrite(REAR, LOW);
  delay(800);
  digitalWrite(REAR, HIGH);
  delay(300);
  digitalWrite(FRONT, LOW);
  delay(800);
}
