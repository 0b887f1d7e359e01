import type { OwnSlips } from './own-slips';

export const metronome: OwnSlips = {
  said: {
    id: 'metronome',
    board: 'learner-5v',
    lines: ['potentiometer on A2', 'blue LED on 6', 'buzzer on 3', 'slide switch on 7, pull-down'],
    program: `const int pot = A2;
const int led = 6;
const int buzzer = 3;
const int soundSwitch = 7;

void setup() {
  pinMode(led, OUTPUT);
  pinMode(buzzer, OUTPUT);
  pinMode(soundSwitch, INPUT);
}

void loop() {
  int bpm = map(analogRead(pot), 0, 1023, 60, 180);
  unsigned long beat = 60000UL / bpm;
  digitalWrite(led, HIGH);
  if (digitalRead(soundSwitch) == HIGH) {
    tone(buzzer, 1000);
  }
  delay(50);
  digitalWrite(led, LOW);
  noTone(buzzer);
  delay(beat - 50);
}
`,
    scenarios: [
      {
        name: 'slow and silent',
        lasts: 6,
        done: ['turn P1 to 0 % at 0 s'],
        seen: ['D1 blinks 0.05 s on, 0.95 s off', 'Z1 is silent'],
      },
      {
        name: 'fast and loud',
        lasts: 6,
        done: ['turn P1 to 100 % at 0 s', 'switch S1 on at 0 s'],
        seen: ['D1 blinks 0.05 s on, 0.283 s off', 'Z1 beeps 18 or 19 times'],
      },
    ],
  },
  own: `unsigned long last = 0;
void beat() {
  digitalWrite(6, HIGH);
  if (digitalRead(7)) {
    digitalWrite(3, HIGH);
  }
  delay(50);
  digitalWrite(6, LOW);
  digitalWrite(3, LOW);
}
void setup() {
  pinMode(6, OUTPUT);
  pinMode(3, OUTPUT);
  pinMode(7, INPUT);
  last = millis();
  beat();
}
void loop() {
  int bpm = 60 + analogRead(A2) / 1023.0 * 120;
  if (millis() - last >= 60000 / bpm) {
    last += 60000 / bpm;
    beat();
  }
}
`,
  slips: [
    ['no last', 'stays-on', 'Add last = millis(); after line 20.', ['    last += 60000 / bpm;\n', '']],
    ['=+', 'stays-on', 'Write += instead of =+ in line 21.', ['last += 60000', 'last =+ 60000']],
    [
      'minus',
      'stays-off',
      'Write + instead of - in line 19.',
      ['60 + analogRead(A2)', '60 - analogRead(A2)'],
    ],
    ['<=', 'logic-inverted', 'Write >= instead of <= in line 20.', ['last >= 60000', 'last <= 60000']],
    ['no delay', 'missing-pause', 'Add delay(50); after line 3.', ['  delay(50);\n', '']],
    ['500', 'not-dark', 'Write 50 instead of 500 in line 7.', ['delay(50)', 'delay(500)']],
    [
      'not',
      'logic-inverted',
      'Remove the ! before digitalRead(7) in line 4.',
      ['if (digitalRead(7))', 'if (!digitalRead(7))'],
    ],
    ['no off', 'count-wrong', 'Add digitalWrite(3, LOW); after line 18.', ['  digitalWrite(3, LOW);\n', '']],
    ['led no off', 'not-dark', 'Add digitalWrite(6, LOW); after line 18.', ['  digitalWrite(6, LOW);\n', '']],
    ['pin', 'pin-disagrees', 'Write A2 instead of A1 in line 19.', ['analogRead(A2)', 'analogRead(A1)']],
  ],
};
