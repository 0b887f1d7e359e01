// Signal lantern: red for wait, green for enter, violet for a closed harbour.
const int RED = 11;
const int GREEN = 10;
const int BLUE = 9;

void setup() {
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(BLUE, OUTPUT);
}

void loop() {
  show(255, 0, 0);    // red
  delay(2000);
  show(0, 0, 255);    // green
  delay(2000);
  show(200, 0, 255);  // violet
  delay(2000);
}

void show(int red, int green, int blue) {
  analogWrite(RED, red);
  analogWrite(GREEN, green);
  analogWrite(BLUE, blue);
}
