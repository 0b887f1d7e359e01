import { theremin } from '../wired-slips/theremin';
import type { OwnSlips } from './own-slips';

export const pitch: OwnSlips = {
  said: { ...theremin.said, id: 'pitch' },
  own: `const byte RGB[] = {3, 5, 6};
void setup() {
  for (byte i = 0; i < 3; i++) {
    pinMode(RGB[i], OUTPUT);
  }
  pinMode(10, OUTPUT);
}
void loop() {
  if (!digitalRead(4)) {
    noTone(10);
    for (byte i = 0; i < 3; i++) {
      digitalWrite(RGB[i], LOW);
    }
    return;
  }
  int p = map(analogRead(A1), 100, 900, 200, 2000);
  if (p < 200) {
    p = 200;
  }
  if (p > 2000) {
    p = 2000;
  }
  tone(10, p);
  digitalWrite(3, p < 800);
  digitalWrite(5, p >= 800 && p < 1500);
  digitalWrite(6, p >= 1500);
  delay(10);
}
`,
  slips: [
    [
      'not',
      'logic-inverted',
      'Put ! before digitalRead(4) in line 9.',
      ['if (!digitalRead(4))', 'if (digitalRead(4))'],
    ],
    ['no return', 'not-dark', 'Add return; before the } in line 14.', ['    return;\n', '']],
    ['no noTone', 'timing-off', 'Add noTone(10); after line 8.', ['    noTone(10);\n', '']],
    [
      'HIGH',
      'not-dark',
      'Write LOW instead of HIGH in line 12.',
      ['digitalWrite(RGB[i], LOW)', 'digitalWrite(RGB[i], HIGH)'],
    ],
    ['upper', 'tone-off', 'Write 2000 instead of 200 in line 21.', ['p = 2000', 'p = 200']],
    ['>', 'logic-inverted', 'Write < instead of > in line 17.', ['if (p < 200)', 'if (p > 200)']],
    [
      '>800',
      'logic-inverted',
      'Write < instead of > in line 24.',
      ['digitalWrite(3, p < 800)', 'digitalWrite(3, p > 800)'],
    ],
    [
      '150',
      'colour-off',
      'Write 1500 instead of 15000 in line 26.',
      ['digitalWrite(6, p >= 1500)', 'digitalWrite(6, p >= 15000)'],
    ],
    ['A0', 'pin-disagrees', 'Write A1 instead of A0 in line 16.', ['analogRead(A1)', 'analogRead(A0)']],
    ['delay', 'missed-input', 'Write 30 instead of 1000 in line 27.', ['delay(10)', 'delay(1000)']],
    ['tone 4', 'pin-disagrees', 'Write 10 instead of 4 in line 23.', ['tone(10, p)', 'tone(4, p)']],
  ],
};
