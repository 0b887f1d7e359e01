// Fog lamp: the knob sets how bright the lamp is.
const int LAMP = 9;   // a pin with PWM
const int KNOB = A0;

void setup() {
  pinMode(LAMP, OUTPUT);
}

void loop() {
  int position = analogRead(KNOB);                    // 0 to 1023
  analogWrite(LAMP, position);
}
