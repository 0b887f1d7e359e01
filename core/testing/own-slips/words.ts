import type { OwnSlips } from './own-slips';

export const words: OwnSlips = {
  said: {
    id: 'words',
    board: 'learner-5v',
    lines: ['red LED on 6 with 220', 'green LED on 7 with 220'],
    program: `void setup() {
  Serial.begin(9600);
  pinMode(6, OUTPUT);
  pinMode(7, OUTPUT);
}

void loop() {
  if (Serial.available() > 0) {
    char letter = Serial.read();
    if (letter == 'r') {
      digitalWrite(6, HIGH);
      digitalWrite(7, LOW);
      Serial.println("red");
    }
    if (letter == 'g') {
      digitalWrite(6, LOW);
      digitalWrite(7, HIGH);
      Serial.println("green");
    }
    if (letter == 'x') {
      digitalWrite(6, LOW);
      digitalWrite(7, LOW);
      Serial.println("off");
    }
  }
}
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off'] },
      {
        name: 'red, green, off',
        lasts: 8,
        done: ['type "r" at 1 s', 'type "g" at 3 s', 'type "x" at 5 s'],
        seen: [
          'D1 is on from 1.2 s to 2.9 s',
          'D2 is on from 3.2 s to 4.9 s',
          'D1 is off from 3.2 s',
          'D2 is off from 5.2 s',
          'D2 is off until 2.9 s',
          'prints "red", then "green", then "off"',
        ],
      },
    ],
  },
  own: `const int RED_PIN = 6;
const int GREEN_PIN = 7;

void setLights(bool red, bool green) {
  digitalWrite(RED_PIN, red ? HIGH : LOW);
  digitalWrite(GREEN_PIN, green ? HIGH : LOW);
}

void setup() {
  pinMode(RED_PIN, OUTPUT);
  pinMode(GREEN_PIN, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  if (Serial.available()) {
    char command = Serial.read();
    switch (command) {
      case 'r':
        setLights(true, false);
        Serial.println("red");
        break;
      case 'g':
        setLights(false, true);
        Serial.println("green");
        break;
      case 'x':
        setLights(false, false);
        Serial.println("off");
        break;
    }
  }
}
`,
  slips: [
    ['double quotes', 'arguments', 'Write \'r\' instead of "r" in line 19.', ["case 'r'", 'case "r"']],
    ['no quotes', 'name-unknown', "Write 'r' instead of r in line 19.", ["case 'r'", 'case r']],
    ['capital', 'not-lit', "Write 'r' instead of 'R' in line 19.", ["case 'r'", "case 'R'"]],
    [
      'no break',
      'not-lit',
      'Add break; at the end of line 21.',
      ['        Serial.println("red");\n        break;\n', '        Serial.println("red");\n'],
    ],
    [
      'print',
      'text-off',
      'Write println instead of print in line 21.',
      ['Serial.println("red")', 'Serial.print("red")'],
    ],
    ['text', 'text-off', 'Write "green" instead of "Green" in line 25.', ['"green"', '"Green"']],
    [
      'true true',
      'timing-off',
      'Write false instead of true in line 20.',
      ['setLights(true, false)', 'setLights(true, true)'],
    ],
    [
      'args swapped',
      'not-lit',
      'Exchange false and true in line 20.',
      ['setLights(true, false)', 'setLights(false, true)'],
    ],
    [
      'not available',
      'logic-inverted',
      'Remove the ! before Serial.available() in line 16.',
      ['if (Serial.available())', 'if (!Serial.available())'],
    ],
    [
      'read twice',
      'not-lit',
      'Write command instead of Serial.read() in line 18.',
      ['switch (command)', 'switch (Serial.read())'],
    ],
    ['no begin', 'serial-not-started', 'Add Serial.begin(9600); to setup.', ['  Serial.begin(9600);\n', '']],
    ['baud', 'serial-rate', 'Write 9600 instead of 115200 in line 12.', ['9600', '115200']],
    ['levels', 'not-lit', 'Exchange LOW and HIGH in line 5.', ['red ? HIGH : LOW', 'red ? LOW : HIGH']],
    [
      'red in green',
      'not-lit',
      'Write green instead of red in line 6.',
      ['green ? HIGH : LOW', 'red ? HIGH : LOW'],
    ],
    ['pin', 'pin-disagrees', 'Write 7 instead of 6 in line 2.', ['GREEN_PIN = 7', 'GREEN_PIN = 6']],
    ['colon', 'syntax-other', "Add : behind “'g'” in line 23.", ["case 'g':", "case 'g';"]],
    [
      'available()>1',
      'not-lit',
      'Write 0 instead of 1 in line 16.',
      ['Serial.available()', 'Serial.available() > 1'],
    ],
    [
      'no light call',
      'not-lit',
      'Add setLights(false, true); after line 23.',
      ['        setLights(false, true);\n', ''],
    ],
    [
      'serial.',
      'name-case',
      'Write Serial instead of serial in line 29.',
      ['Serial.println("off")', 'serial.println("off")'],
    ],
  ],
};
