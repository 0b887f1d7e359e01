// Leading lights: two lamps take turns.
const int FRONT = 12;
const int REAR = 11;

void setup() {
  pinMode(FRONT, OUTPUT);
  pinMode(REAR, OUTPUT);
}

void loop() {
  digitalWrite(FRONT, HIGH);  // front lit, rear dark
  digitalwrite(REAR, LOW);
  delay(800);
  digitalWrite(FRONT, LOW);   // front dark, rear lit
  digitalWrite(REAR, HIGH);
  delay(800);
}
