int lamp = 13;
void setup(){
  pinMode(lamp, OUTPUT);
}
void loop(){
  digitalWrite(lamp, LOW);
  delay(2500);
  digitalWrite(lamp, HIGH);
  delay(500);
}
