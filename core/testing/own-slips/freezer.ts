import type { OwnSlips } from './own-slips';

export const freezer: OwnSlips = {
  said: {
    id: 'freezer',
    board: 'wifi-3v3',
    lines: ['thermistor on A0', 'red LED on D5', 'buzzer on D6', 'button on D7, pull-up'],
    program: `const int SENSOR = A0;
const int LAMP = D5;
const int HORN = D6;
const int QUIET = D7;
unsigned long quietUntil = 0;
int limit = 600;

void setup() {
  pinMode(LAMP, OUTPUT);
  pinMode(HORN, OUTPUT);
  pinMode(QUIET, INPUT_PULLUP);
}

void loop() {
  int reading = analogRead(SENSOR);
  bool warm = reading > limit;
  if (digitalRead(QUIET) == LOW) {
    quietUntil = millis() + 4000;
  }
  digitalWrite(LAMP, warm ? HIGH : LOW);
  if (warm && millis() >= quietUntil) {
    tone(HORN, 880);
  } else {
    noTone(HORN);
  }
  delay(20);
}
`,
    scenarios: [
      { name: 'cold', lasts: 4, done: ['5 °C at 0 s'], seen: ['D1 is off', 'Z1 is silent'] },
      {
        name: 'warm',
        lasts: 10,
        done: ['45 °C at 0 s', 'press S1 at 3 s'],
        seen: [
          'D1 is on from 0.2 s',
          'Z1 sounds from 0.2 s to 2.9 s',
          'Z1 is silent from 3.3 s to 7 s',
          'Z1 sounds from 7.5 s',
        ],
      },
    ],
  },
  own: `unsigned long silenced = 0;
bool isSilenced = false;
void setup() {
  pinMode(D5, OUTPUT);
  pinMode(D6, OUTPUT);
  pinMode(D7, INPUT_PULLUP);
}
void loop() {
  if (!digitalRead(D7)) {
    silenced = millis();
    isSilenced = true;
  }
  if (isSilenced && millis() - silenced > 4000) {
    isSilenced = false;
  }
  if (analogRead(A0) > 600) {
    digitalWrite(D5, HIGH);
    if (isSilenced) {
      noTone(D6);
    } else {
      tone(D6, 1000);
    }
  } else {
    digitalWrite(D5, LOW);
    noTone(D6);
  }
}
`,
  slips: [
    [
      'not turned',
      'logic-inverted',
      'Put ! before digitalRead(D7) in line 9.',
      ['!digitalRead(D7)', 'digitalRead(D7)'],
    ],
    ['never set', 'timing-off', 'Add isSilenced = true; after line 9.', ['    isSilenced = true;\n', '']],
    ['no time', 'timing-off', 'Add silenced = millis(); after line 10.', ['    silenced = millis();\n', '']],
    ['seconds', 'timing-off', 'Write 4000 instead of 4 in line 13.', ['> 4000', '> 4']],
    ['less', 'logic-inverted', 'Write > instead of < in line 13.', ['silenced > 4000', 'silenced < 4000']],
    ['limit', 'not-dark', 'Write 600 instead of 60 in line 16.', ['> 600', '> 60']],
    [
      'levels',
      'not-lit',
      'Write HIGH instead of LOW in line 17.',
      ['digitalWrite(D5, HIGH)', 'digitalWrite(D5, LOW)'],
    ],
    [
      'branches',
      'logic-inverted',
      'Put ! before isSilenced in line 18.',
      [
        '      noTone(D6);\n    } else {\n      tone(D6, 1000);',
        '      tone(D6, 1000);\n    } else {\n      noTone(D6);',
      ],
    ],
    [
      'int',
      'timing-off',
      'Write int instead of byte in line 1.',
      ['unsigned long silenced', 'byte silenced'],
    ],
    [
      'mode',
      'pullup-unset',
      'Write INPUT_PULLUP instead of OUTPUT in line 6.',
      ['D7, INPUT_PULLUP', 'D7, OUTPUT'],
    ],
    ['pin', 'pin-lacks-function', 'Write A0 instead of D5 in line 16.', ['analogRead(A0)', 'analogRead(D5)']],
    [
      'true',
      'tone-off',
      'Write false instead of true in line 14.',
      ['isSilenced = false;\n  }', 'isSilenced = true;\n  }'],
    ],
  ],
};
