// Lock gate: the servo is centred first, then swings the gate between closed and open.

const int SIGNAL = 9;
const int CENTRE = 90;  // screw the horn on while the servo stands here
const int CLOSED = 20;  // both found by trying
const int OPEN = 110;

Servo gate;

void setup() {
  gate.attach(SIGNAL);
  gate.write(CENTRE);
  delay(2000);
}

void loop() {
  gate.write(OPEN);
  delay(3000);
  gate.write(CLOSED);
  delay(3000);
}
