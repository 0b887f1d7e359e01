import type { OwnSlips } from './own-slips';

export const speed: OwnSlips = {
  said: {
    id: 'speed',
    board: 'learner-5v',
    lines: ['potentiometer on A0', 'red LED on 3 with 220', 'green LED on 5 with 220'],
    program: `void setup() {
  pinMode(3, OUTPUT);
  pinMode(5, OUTPUT);
}

void loop() {
  int pause = map(analogRead(A0), 0, 1023, 100, 600);
  digitalWrite(3, HIGH);
  digitalWrite(5, LOW);
  delay(pause);
  digitalWrite(3, LOW);
  digitalWrite(5, HIGH);
  delay(pause);
}
`,
    scenarios: [
      {
        name: 'slow',
        lasts: 6,
        done: ['P1 is at 100 %'],
        seen: ['D1 lit 0.6 s, dark 0.6 s', 'D1 and D2 never together'],
      },
      {
        name: 'fast',
        lasts: 4,
        done: ['P1 is at 0 %'],
        seen: ['D1 lit 0.1 s, dark 0.1 s', 'D2 lit 0.1 s, dark 0.1 s'],
      },
    ],
  },
  own: `#define KNOB A0
#define LED_A 3
#define LED_B 5

unsigned long lastChange = 0;
bool flip = true;

void setup() {
  pinMode(LED_A, OUTPUT);
  pinMode(LED_B, OUTPUT);
  digitalWrite(LED_A, HIGH);
}

void loop() {
  int value = analogRead(KNOB);
  unsigned long interval = map(value, 0, 1023, 100, 600);
  if (millis() - lastChange >= interval) {
    lastChange = millis();
    flip = !flip;
    digitalWrite(LED_A, flip);
    digitalWrite(LED_B, !flip);
  }
}
`,
  slips: [
    [
      'map swapped',
      'timing-off',
      'Write map(value, 0, 1023, 100, 600) instead of map(value, 0, 1023, 600, 100) in line 16.',
      ['100, 600', '600, 100'],
    ],
    ['1023 to 255', 'out-of-range', 'Write 1023 instead of 255 in line 16.', ['0, 1023', '0, 255']],
    [
      'no lastChange',
      'not-dark',
      'Add lastChange = millis(); after line 17.',
      ['    lastChange = millis();\n', ''],
    ],
    [
      'lastChange += value',
      'not-dark',
      'Add lastChange = millis(); after line 18.',
      ['lastChange = millis()', 'lastChange += value'],
    ],
    ['no flip', 'not-lit', 'Add flip = !flip; before line 19.', ['    flip = !flip;\n', '']],
    ['flip = true', 'not-lit', 'Write !flip instead of true in line 19.', ['flip = !flip', 'flip = true']],
    [
      'same',
      'logic-inverted',
      'Put ! before flip in line 21.',
      ['digitalWrite(LED_B, !flip)', 'digitalWrite(LED_B, flip)'],
    ],
    [
      'interval const',
      'timing-off',
      'Write map(value, 0, 1023, 100, 600) instead of 100 in line 16.',
      ['unsigned long interval = map(value, 0, 1023, 100, 600)', 'unsigned long interval = 100'],
    ],
    [
      'interval = value',
      'not-dark',
      'Write map(value, 0, 1023, 100, 600) instead of value in line 16.',
      ['map(value, 0, 1023, 100, 600)', 'value'],
    ],
    [
      'map args',
      'arguments',
      'Write map(value, 0, 1023, 100, 600) instead of map(value, 100, 600) in line 16.',
      ['map(value, 0, 1023, 100, 600)', 'map(value, 100, 600)'],
    ],
    [
      'map order',
      'not-lit',
      'Write 0, 1023, 100, 600 instead of 100, 600, 0, 1023 in line 16.',
      ['map(value, 0, 1023, 100, 600)', 'map(value, 100, 600, 0, 1023)'],
    ],
    ['<', 'logic-inverted', 'Write >= instead of <= in line 17.', ['>= interval', '<= interval']],
    [
      'micros',
      'not-dark',
      'Write millis instead of micros in line 17.',
      ['millis() - lastChange', 'micros() - lastChange'],
    ],
    [
      'byte interval',
      'number-overflow',
      'Write int instead of byte in line 16.',
      ['unsigned long interval', 'byte interval'],
    ],
    ['A1', 'pin-disagrees', 'Write A0 instead of A1 in line 1.', ['KNOB A0', 'KNOB A1']],
    [
      'read KNOB digital',
      'timing-off',
      'Write analogRead instead of digitalRead in line 15.',
      ['analogRead', 'digitalRead'],
    ],
    [
      'local last',
      'state-reset',
      'Write static before line 14, so that lastChange is made once only.',
      ['unsigned long lastChange = 0;\n', ''],
      ['  int value', '  unsigned long lastChange = 0;\n  int value'],
    ],
    [
      'interval missing',
      'not-dark',
      'Write interval instead of value in line 17.',
      ['>= interval', '>= value'],
    ],
    [
      'LED_A twice',
      'pin-disagrees',
      'Write LED_B instead of LED_A in line 21.',
      ['digitalWrite(LED_B, !flip)', 'digitalWrite(LED_A, !flip)'],
    ],
    [
      '!flip twice',
      'logic-inverted',
      'Remove the ! before flip in line 20.',
      ['digitalWrite(LED_A, flip)', 'digitalWrite(LED_A, !flip)'],
    ],
  ],
};
