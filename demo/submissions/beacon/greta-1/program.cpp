#define LAMP LED_BUILTIN
#define FLASH 500
#define DARK 2500
void setup() { pinMode(LAMP, OUTPUT); }
void loop() {
  digitalWrite(LAMP, HIGH); delay(FLASH);
  digitalWrite(LAMP, LOW);  delay(DARK);
}
