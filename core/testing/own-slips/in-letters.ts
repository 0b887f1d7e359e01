import type { OwnSlips } from './own-slips';

export const slipsInLetters: readonly OwnSlips[] = [
  {
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
      [
        'no begin',
        'serial-not-started',
        'Add Serial.begin(9600); to setup.',
        ['  Serial.begin(9600);\n', ''],
      ],
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
  },
  {
    said: {
      id: 'shifter',
      board: 'learner-5v',
      lines: ['shift register on 8, 9, 10', '8 red LEDs on the shift register with 470'],
      program: `const int DATA = 8;
const int CLOCK = 9;
const int LATCH = 10;

void show(byte pattern) {
  digitalWrite(LATCH, LOW);
  shiftOut(DATA, CLOCK, MSBFIRST, pattern);
  digitalWrite(LATCH, HIGH);
}

void setup() {
  pinMode(DATA, OUTPUT);
  pinMode(CLOCK, OUTPUT);
  pinMode(LATCH, OUTPUT);
}

void loop() {
  for (int i = 0; i < 8; i++) {
    show(1 << i);
    delay(200);
  }
}
`,
      scenarios: [
        {
          name: 'runs',
          lasts: 4,
          done: [],
          seen: [
            'D1 is on from 0.05 s to 0.15 s',
            'D2 is on from 0.25 s to 0.35 s',
            'D8 is on from 1.45 s to 1.55 s',
            'D1 is on from 1.65 s to 1.75 s',
            'D1 is off from 0.25 s to 1.55 s',
            'D5 is on from 0.85 s to 0.95 s',
          ],
        },
      ],
    },
    own: `int dataPin = 8;
int clockPin = 9;
int latchPin = 10;
byte pattern = 1;

void setup() {
  pinMode(dataPin, OUTPUT);
  pinMode(clockPin, OUTPUT);
  pinMode(latchPin, OUTPUT);
}

void loop() {
  digitalWrite(latchPin, LOW);
  shiftOut(dataPin, clockPin, MSBFIRST, pattern);
  digitalWrite(latchPin, HIGH);
  delay(200);
  pattern = pattern << 1;
  if (pattern == 0) {
    pattern = 1;
  }
}
`,
    slips: [
      ['LSBFIRST', 'not-lit', 'Write MSBFIRST instead of LSBFIRST in line 14.', ['MSBFIRST', 'LSBFIRST']],
      [
        'no latch high',
        'not-lit',
        'Add digitalWrite(latchPin, HIGH); after line 14.',
        ['  digitalWrite(latchPin, HIGH);\n', ''],
      ],
      [
        'no latch low',
        'not-lit',
        'Add digitalWrite(latchPin, LOW); after line 12.',
        ['  digitalWrite(latchPin, LOW);\n', ''],
      ],
      [
        'pins',
        'pin-disagrees',
        'Exchange 9 in line 1 and 8 in line 2.',
        ['dataPin = 8', 'dataPin = 9'],
        ['clockPin = 9', 'clockPin = 8'],
      ],
      ['>>', 'not-lit', 'Write << instead of >> in line 17.', ['pattern << 1', 'pattern >> 1']],
      ['+ 1', 'not-lit', 'Write << instead of + in line 17.', ['pattern << 1', 'pattern + 1']],
      [
        'no wrap',
        'not-lit',
        'Add if (pattern == 0) pattern = 1; after line 17.',
        ['  if (pattern == 0) {\n    pattern = 1;\n  }\n', ''],
      ],
      ['wrap 0', 'not-lit', 'Write 1 instead of 0 in line 19.', ['    pattern = 1;\n', '    pattern = 0;\n']],
      ['int pattern', 'not-lit', 'Write byte instead of int in line 4.', ['byte pattern', 'int pattern']],
      ['pattern == 128', 'not-lit', 'Write 0 instead of 128 in line 18.', ['pattern == 0', 'pattern == 128']],
      ['= 0', 'assign-in-condition', 'Write == instead of = in line 18.', ['pattern == 0', 'pattern = 0']],
      ['start 0', 'not-lit', 'Write 1 instead of 0 in line 4.', ['byte pattern = 1', 'byte pattern = 0']],
      [
        'pattern not kept',
        'no-effect',
        'Write pattern <<= 1 instead of pattern << 1 in line 17.',
        ['pattern = pattern << 1', 'pattern << 1'],
      ],
      [
        'latch pin 11',
        'pin-disagrees',
        'Write 10 instead of 11 in line 3.',
        ['latchPin = 10', 'latchPin = 11'],
      ],
      ['delay missing', 'missing-pause', 'Add delay(200); after line 15.', ['  delay(200);\n', '']],
      ['delay 20', 'not-lit', 'Write 200 instead of 20 in line 16.', ['delay(200)', 'delay(20)']],
      ['shift by 2', 'not-lit', 'Write 1 instead of 2 in line 17.', ['pattern << 1', 'pattern << 2']],
      [
        'no shiftOut',
        'not-lit',
        'Add shiftOut(dataPin, clockPin, MSBFIRST, pattern); after line 12.',
        ['  shiftOut(dataPin, clockPin, MSBFIRST, pattern);\n', ''],
      ],
    ],
  },
  {
    said: {
      id: 'dice',
      board: 'learner-5v',
      lines: ['button on 8, pull-down', 'motor on 6', 'green LED on 3 with 330', 'red LED on 4 with 330'],
      program: `const int BUTTON = 8;
const int FAN = 6;
int speed = 0;

void setup() {
  pinMode(BUTTON, INPUT);
  pinMode(FAN, OUTPUT);
  pinMode(3, OUTPUT);
  pinMode(4, OUTPUT);
}

void loop() {
  if (digitalRead(BUTTON) == HIGH) {
    speed = speed + 1;
    if (speed > 2) {
      speed = 0;
    }
    delay(200);
    while (digitalRead(BUTTON) == HIGH) {
    }
  }
  digitalWrite(FAN, speed > 0 ? HIGH : LOW);
  digitalWrite(3, speed == 1 ? HIGH : LOW);
  digitalWrite(4, speed == 2 ? HIGH : LOW);
}
`,
      scenarios: [
        { name: 'off', lasts: 2, done: [], seen: ['M1 stands still', 'D2 is off', 'D3 is off'] },
        {
          name: 'three presses',
          lasts: 9,
          done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s'],
          seen: [
            'D2 is on from 1.4 s to 2.9 s',
            'D3 is on from 3.4 s to 4.9 s',
            'D2 is off from 3.4 s',
            'D3 is off from 5.4 s',
            'M1 turns from 2 s to 4.9 s',
            'M1 stands still from 7 s',
          ],
        },
      ],
    },
    own: `const int keyPin = 8;
const int motorPin = 6;
const int lowPin = 3;
const int highPin = 4;

int stage = 0;
int lastKey = LOW;

void update() {
  digitalWrite(motorPin, stage != 0);
  digitalWrite(lowPin, stage == 1);
  digitalWrite(highPin, stage == 2);
}

void setup() {
  pinMode(keyPin, INPUT);
  pinMode(motorPin, OUTPUT);
  pinMode(lowPin, OUTPUT);
  pinMode(highPin, OUTPUT);
  update();
}

void loop() {
  int key = digitalRead(keyPin);
  if (key == HIGH && lastKey == LOW) {
    stage = (stage + 1) % 3;
    update();
    delay(50);
  }
  lastKey = key;
}
`,
    slips: [
      ['% 2', 'not-lit', 'Write 3 instead of 2 in line 26.', ['% 3', '% 2']],
      ['% 4', 'timing-off', 'Write 3 instead of 4 in line 26.', ['% 3', '% 4']],
      ['/ 3', 'not-lit', 'Write % instead of / in line 26.', ['% 3', '/ 3']],
      [
        'no parens',
        'timing-off',
        'Put stage + 1 in line 26 in parentheses.',
        ['(stage + 1) % 3', 'stage + 1 % 3'],
      ],
      ['no update', 'not-lit', 'Move line 20 from setup to the beginning of loop.', ['    update();\n', '']],
      [
        'update;',
        'arguments',
        'Write update() instead of update in line 27.',
        ['    update();', '    update;'],
      ],
      ['stage==2 twice', 'not-lit', 'Write 1 instead of 2 in line 11.', ['stage == 1', 'stage == 2']],
      ['= in write', 'not-lit', 'Write == instead of = in line 12.', ['stage == 2)', 'stage = 2)']],
      [
        'lastKey HIGH',
        'logic-inverted',
        'Write != instead of == in line 25.',
        ['lastKey == LOW', 'lastKey == HIGH'],
      ],
      [
        'lastKey = LOW',
        'not-lit',
        'Write key instead of LOW in line 30.',
        ['lastKey = key', 'lastKey = LOW'],
      ],
      [
        'key = lastKey',
        'repeats-while-held',
        'Add lastKey = key; after line 29.',
        ['lastKey = key', 'key = lastKey'],
      ],
      ['or', 'timing-off', 'Write && instead of || in line 25.', ['&&', '||']],
      ['no lastKey', 'always-true', 'Write lastKey = key; at the end of loop.', ['  lastKey = key;\n', '']],
      [
        'lastKey inside',
        'not-lit',
        'Move the } of line 30 before line 29.',
        ['    delay(50);\n  }\n  lastKey = key;', '    delay(50);\n    lastKey = key;\n  }'],
      ],
      ['motor > 1', 'no-response', 'Write 0 instead of 1 in line 10.', ['stage != 0', 'stage > 1']],
      ['motor == 0', 'logic-inverted', 'Write != instead of == in line 10.', ['stage != 0', 'stage == 0']],
      [
        'key global',
        'missed-input',
        'Add key = digitalRead(keyPin); after line 25.',
        ['  int key = digitalRead(keyPin);\n', ''],
        ['void update', 'int key = digitalRead(keyPin);\n\nvoid update'],
      ],
      [
        'local stage',
        'name-out-of-scope',
        'Move the declaration of stage from line 23 to the top of the program.',
        ['int stage = 0;\n', ''],
        ['  int key =', '  int stage = 0;\n  int key ='],
      ],
      [
        'shadow stage',
        'state-reset',
        'Remove int from line 26.',
        ['    stage = (stage', '    int stage = (stage'],
      ],
      [
        'pinMode motor',
        'direction-unset',
        'Add pinMode(motorPin, OUTPUT); to setup.',
        ['  pinMode(motorPin, OUTPUT);\n', ''],
      ],
      [
        'analogWrite',
        'no-response',
        'Write digitalWrite instead of analogWrite in line 10.',
        ['digitalWrite(motorPin, stage != 0)', 'analogWrite(motorPin, stage != 0)'],
      ],
    ],
  },
];
