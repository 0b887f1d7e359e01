import type { OwnSlips } from './own-slips';

export const binary: OwnSlips = {
  said: {
    id: 'binary',
    board: 'learner-5v',
    lines: ['4 green LEDs on 4 to 7 with 330', 'button on 2, pull-up'],
    program: `const int BUTTON = 2;
int count = 0;
int before = HIGH;

void show(int number) {
  for (int bit = 0; bit < 4; bit++) {
    digitalWrite(4 + bit, bitRead(number, bit));
  }
}

void setup() {
  for (int pin = 4; pin <= 7; pin++) {
    pinMode(pin, OUTPUT);
  }
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  int now = digitalRead(BUTTON);
  if (now == LOW && before == HIGH) {
    count = (count + 1) % 16;
    show(count);
    delay(30);
  }
  before = now;
}
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off', 'D3 is off', 'D4 is off'] },
      {
        name: 'five presses',
        lasts: 8,
        done: ['press S1 at 1 s', 'press S1 at 2 s', 'press S1 at 3 s', 'press S1 at 4 s', 'press S1 at 5 s'],
        seen: [
          'D1 is on from 1.2 s to 1.9 s',
          'D2 is on from 2.2 s to 3.9 s',
          'D3 is on from 4.2 s',
          'D1 is on from 5.2 s',
          'D2 is off from 4.2 s',
          'D4 is off',
        ],
      },
    ],
  },
  own: `#define BTN 2
byte leds[] = {4, 5, 6, 7};
byte value = 0;
bool wasDown = false;

void setup() {
  for (byte i = 0; i < 4; i++) pinMode(leds[i], OUTPUT);
  pinMode(BTN, INPUT_PULLUP);
}

void loop() {
  bool down = !digitalRead(BTN);
  if (down && !wasDown) {
    value++;
    if (value > 15) value = 0;
    for (byte i = 0; i < 4; i++) {
      if (value & (1 << i)) {
        digitalWrite(leds[i], HIGH);
      } else {
        digitalWrite(leds[i], LOW);
      }
    }
    delay(40);
  }
  wasDown = down;
}
`,
  slips: [
    ['never remembers', 'timing-off', 'Add wasDown = down; after line 24.', ['  wasDown = down;\n', '']],
    ['logical and', 'not-dark', 'Write & instead of && in line 17.', ['value & (1', 'value && (1']],
    ['shift by wrong', 'not-lit', 'Write 1 << i instead of i << 1 in line 17.', ['(1 << i)', '(i << 1)']],
    [
      'no low',
      'not-dark',
      'Add digitalWrite(leds[i], LOW); after line 19.',
      ['        digitalWrite(leds[i], LOW);\n', ''],
    ],
    [
      'i instead of leds[i]',
      'pin-disagrees',
      'Write leds[i] instead of i in line 18.',
      ['digitalWrite(leds[i], HIGH)', 'digitalWrite(i, HIGH)'],
    ],
    [
      'count in a local',
      'state-reset',
      'Write static at the beginning of line 11, so that its variable is made once only.',
      ['byte value = 0;\n', ''],
      ['  bool down =', '  byte value = 0;\n  bool down ='],
    ],
    ['order of list', 'not-lit', 'Reverse the list in line 2: 4, 5, 6, 7.', ['{4, 5, 6, 7}', '{7, 6, 5, 4}']],
    [
      'not inverted',
      'logic-inverted',
      'Put ! before digitalRead(BTN) in line 12.',
      ['!digitalRead(BTN)', 'digitalRead(BTN)'],
    ],
    [
      'i = 1',
      'not-lit',
      'Write 0 instead of 1 in line 16.',
      ['for (byte i = 0; i < 4; i++) {', 'for (byte i = 1; i < 4; i++) {'],
    ],
    [
      'i <= 4',
      'runtime-error',
      'Write < instead of <= in line 16.',
      ['for (byte i = 0; i < 4; i++) {', 'for (byte i = 0; i <= 4; i++) {'],
    ],
    ['value+2', 'not-lit', 'Write 1 instead of 2 in line 14.', ['value++', 'value += 2']],
    [
      'value =+ 1',
      'no-effect',
      'Write value += 1 instead of value =+ 1 in line 14.',
      ['value++', 'value =+ 1'],
    ],
    [
      'no press edge',
      'timing-off',
      'Add && !wasDown in line 13, right after down.',
      ['down && !wasDown', 'down'],
    ],
    ['or', 'timing-off', 'Write && instead of || in line 13.', ['down && !wasDown', 'down || !wasDown']],
    [
      'else missing',
      'not-lit',
      'Put line 20 into an else.',
      [
        '      } else {\n        digitalWrite(leds[i], LOW);\n      }',
        '      }\n      digitalWrite(leds[i], LOW);',
      ],
    ],
    [
      'value++ value',
      'no-effect',
      'Write value++ instead of value = value++ in line 14.',
      ['value++', 'value = value++'],
    ],
    ['INPUT', 'pullup-unset', 'Write INPUT_PULLUP instead of INPUT in line 8.', ['INPUT_PULLUP', 'INPUT']],
    [
      'wasDown before',
      'not-lit',
      'Move line 13 behind line 25.',
      ['  if (down &&', '  wasDown = down;\n  if (down &&'],
      ['  wasDown = down;\n}', '}'],
    ],
    [
      'semicolon after for',
      'empty-body',
      'Remove the semicolon in line 16.',
      ['for (byte i = 0; i < 4; i++) {', 'for (byte i = 0; i < 4; i++); {'],
    ],
    [
      'missing )',
      'syntax-paren',
      'Add ) behind “)” in line 17.',
      ['if (value & (1 << i)) {', 'if (value & (1 << i) {'],
    ],
    [
      'DigitalWrite',
      'name-case',
      'Write digitalWrite instead of DigitalWrite in line 18.',
      ['digitalWrite(leds[i], HIGH)', 'DigitalWrite(leds[i], HIGH)'],
    ],
  ],
};
