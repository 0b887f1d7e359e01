import type { OwnSlips } from './own-slips';

export const piano: OwnSlips = {
  said: {
    id: 'piano',
    board: 'large-5v',
    lines: [
      'button on 22, pull-up',
      'button on 24, pull-up',
      'button on 26, pull-up',
      'passive buzzer on 8',
      'yellow LED on 13',
    ],
    program: `const int KEYS = 3;
int keys[KEYS] = {22, 24, 26};
int notes[KEYS] = {262, 330, 392};

void setup() {
  for (int i = 0; i < KEYS; i++) {
    pinMode(keys[i], INPUT_PULLUP);
  }
  pinMode(8, OUTPUT);
  pinMode(13, OUTPUT);
}

void loop() {
  int note = 0;
  for (int i = 0; i < KEYS; i++) {
    if (digitalRead(keys[i]) == LOW) {
      note = notes[i];
    }
  }
  if (note > 0) {
    tone(8, note);
    digitalWrite(13, HIGH);
  } else {
    noTone(8);
    digitalWrite(13, LOW);
  }
}
`,
    scenarios: [
      { name: 'quiet', lasts: 2, done: [], seen: ['Z1 is silent', 'D1 is off'] },
      {
        name: 'scale',
        lasts: 8,
        done: ['hold S1 from 1 s to 2 s', 'hold S2 from 3 s to 4 s', 'hold S3 from 5 s to 6 s'],
        seen: [
          'Z1 sounds at 262 Hz from 1.1 s to 1.9 s',
          'Z1 sounds at 330 Hz from 3.1 s to 3.9 s',
          'Z1 sounds at 392 Hz from 5.1 s to 5.9 s',
          'Z1 is silent from 6.2 s',
          'D1 is on from 3.1 s to 3.9 s',
          'D1 is off from 6.2 s',
        ],
      },
    ],
  },
  own: `struct Key {
  int pin;
  int note;
};
Key keys[] = {{22, 262}, {24, 330}, {26, 392}};
void setup() {
  for (Key &key : keys) {
    pinMode(key.pin, INPUT_PULLUP);
  }
  pinMode(13, OUTPUT);
}
void loop() {
  bool any = false;
  for (Key key : keys) {
    if (digitalRead(key.pin) == LOW) {
      any = true;
      tone(8, key.note);
    }
  }
  digitalWrite(13, any);
  if (!any) {
    noTone(8);
  }
  delay(5);
}
`,
  slips: [
    [
      'two notes',
      'tone-off',
      'Exchange 392 and 330 in line 5.',
      ['{24, 330}, {26, 392}', '{24, 392}, {26, 330}'],
    ],
    ['pin', 'pin-disagrees', 'Write 24 instead of 25 in line 5.', ['{24, 330}', '{25, 330}']],
    ['pin and note exchanged', 'tone-off', 'Exchange 262 and 22 in line 5.', ['{22, 262}', '{262, 22}']],
    [
      'note as pin',
      'runtime-error',
      'Write pin instead of note in line 15.',
      ['digitalRead(key.pin)', 'digitalRead(key.note)'],
    ],
    [
      'pin as note',
      'tone-off',
      'Write note instead of pin in line 17.',
      ['tone(8, key.note)', 'tone(8, key.pin)'],
    ],
    ['never any', 'not-lit', 'Add any = true; after line 15.', ['      any = true;\n', '']],
    ['HIGH', 'logic-inverted', 'Write != instead of == in line 15.', ['== LOW', '== HIGH']],
    ['tone 13', 'pin-disagrees', 'Write 8 instead of 13 in line 17.', ['tone(8,', 'tone(13,']],
    ['OUTPUT', 'pullup-unset', 'Write INPUT_PULLUP instead of INPUT in line 8.', ['INPUT_PULLUP', 'INPUT']],
    ['delay', 'missed-input', 'Write 50 instead of 500 in line 24.', ['delay(5)', 'delay(500)']],
  ],
};
