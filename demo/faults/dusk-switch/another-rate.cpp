// Dusk switch: when it gets dark the lamp goes on; the light is printed.
const int SENSOR = A0;
const int LAMP = 9;
const int DARK = 300;    // below: it is dark
const int BRIGHT = 400;  // above: it is bright again

bool isDark = false;

void setup() {
  pinMode(LAMP, OUTPUT);
  Serial.begin(115200);
}

void loop() {
  int light = analogRead(SENSOR);
  if (light < DARK) {
    isDark = true;
  }
  if (light > BRIGHT) {
    isDark = false;  // between the two nothing changes, so the lamp does not flutter
  }
  digitalWrite(LAMP, isDark);
  Serial.print("light ");
  Serial.println(light);
  delay(100);
}
