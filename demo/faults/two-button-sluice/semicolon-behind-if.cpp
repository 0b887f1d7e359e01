// Two-button sluice: one button opens, the other closes; the lamp shows that it is open.
const int OPEN_BUTTON = 2;
const int CLOSE_BUTTON = 3;
const int LAMP = 12;

bool isOpen = false;  // keeps its value from one turn of loop to the next

void setup() {
  pinMode(OPEN_BUTTON, INPUT_PULLUP);
  pinMode(CLOSE_BUTTON, INPUT_PULLUP);
  pinMode(LAMP, OUTPUT);
}

void loop() {
  if (digitalRead(OPEN_BUTTON) == LOW) {
    isOpen = true;
  }
  if (digitalRead(CLOSE_BUTTON) == LOW); {
    isOpen = false;  // closing wins when both are held
  }
  digitalWrite(LAMP, isOpen);
}
