import type { OwnSlips } from './own-slips';

export const slipsInLists: readonly OwnSlips[] = [
  {
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
          done: [
            'press S1 at 1 s',
            'press S1 at 2 s',
            'press S1 at 3 s',
            'press S1 at 4 s',
            'press S1 at 5 s',
          ],
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
      [
        'order of list',
        'not-lit',
        'Reverse the list in line 2: 4, 5, 6, 7.',
        ['{4, 5, 6, 7}', '{7, 6, 5, 4}'],
      ],
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
        'Write 3 instead of 4 in line 16.',
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
  },
  {
    said: {
      id: 'mood',
      board: 'learner-5v',
      lines: ['RGB LED on 9, 10 and 11 with 220', 'button on 2, pull-up'],
      program: `const int BUTTON = 2;
int colour = 0;
int before = HIGH;

void show(int red, int green, int blue) {
  analogWrite(9, red);
  analogWrite(10, green);
  analogWrite(11, blue);
}

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  int now = digitalRead(BUTTON);
  if (before == HIGH && now == LOW) {
    colour = (colour + 1) % 4;
    delay(20);
  }
  before = now;
  if (colour == 0) show(0, 0, 0);
  if (colour == 1) show(255, 0, 0);
  if (colour == 2) show(0, 255, 0);
  if (colour == 3) show(0, 0, 255);
}
`,
      scenarios: [
        { name: 'dark first', lasts: 2, done: [], seen: ['D1 is off'] },
        {
          name: 'presses',
          lasts: 9,
          done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s', 'press S1 at 7 s'],
          seen: [
            'D1 is red from 1.4 s to 2.9 s',
            'D1 is green from 3.4 s to 4.9 s',
            'D1 is blue from 5.4 s to 6.9 s',
            'D1 is off from 7.4 s',
          ],
        },
      ],
    },
    own: `const byte PINS[3] = {9, 10, 11};
const byte KEY = 2;
const byte COLOURS[4][3] = {
  {0, 0, 0},
  {255, 0, 0},
  {0, 255, 0},
  {0, 0, 255}
};
byte step = 0;
bool last = HIGH;

void paint(byte which) {
  for (byte i = 0; i < 3; i++) {
    analogWrite(PINS[i], COLOURS[which][i]);
  }
}

void setup() {
  pinMode(KEY, INPUT_PULLUP);
  for (byte i = 0; i < 3; i++) {
    pinMode(PINS[i], OUTPUT);
  }
  paint(0);
}

void loop() {
  bool state = digitalRead(KEY);
  if (state != last) {
    if (state == LOW) {
      step++;
      if (step == 4) {
        step = 0;
      }
      paint(step);
    }
    delay(30);
  }
  last = state;
}
`,
    slips: [
      ['step==3', 'not-dark', 'Write 4 instead of 3 in line 31.', ['step == 4', 'step == 3']],
      ['step > 4', 'runtime-error', 'Write 3 instead of 4 in line 31.', ['step == 4', 'step > 4']],
      [
        'no wrap',
        'runtime-error',
        'Add if (step >= 4) step = 0; after line 30.',
        ['      if (step == 4) {\n        step = 0;\n      }\n', ''],
      ],
      [
        'paint before',
        'not-dark',
        'Move line 30 behind line 34.',
        ['      paint(step);\n', ''],
        ['      step++;', '      paint(step);\n      step++;'],
      ],
      [
        'paint(which)',
        'name-unknown',
        'Write step instead of which in line 34.',
        ['paint(step);', 'paint(which);'],
      ],
      [
        'index swapped',
        'runtime-error',
        'Exchange i and which in line 14.',
        ['COLOURS[which][i]', 'COLOURS[i][which]'],
      ],
      [
        'PINS pins',
        'pin-disagrees',
        'Reverse the list in line 1: 9, 10, 11.',
        ['{9, 10, 11}', '{11, 10, 9}'],
      ],
      [
        'i',
        'pin-disagrees',
        'Write PINS[i] instead of i in line 14.',
        ['analogWrite(PINS[i]', 'analogWrite(i'],
      ],
      ['no last', 'repeats-while-held', 'Add last = state; after line 28.', ['  last = state;\n', '']],
      [
        'last first',
        'colour-off',
        'Move line 28 behind line 38.',
        ['  last = state;\n', ''],
        ['  bool state = digitalRead(KEY);', '  bool state = digitalRead(KEY);\n  last = state;'],
      ],
      [
        'no inner if',
        'double-count',
        'Write state != last && state == LOW instead of state != last in line 28.',
        ['    if (state == LOW) {\n', '    {\n'],
      ],
      [
        '255 swapped',
        'colour-off',
        'Exchange {0, 255, 0} in line 5 and {255, 0, 0} in line 6.',
        ['{255, 0, 0},\n  {0, 255, 0}', '{0, 255, 0},\n  {255, 0, 0}'],
      ],
      ['inverse', 'not-dark', 'Remove 255 - from line 14.', ['COLOURS[which][i]', '255 - COLOURS[which][i]']],
      ['bool step', 'not-dark', 'Write int instead of bool in line 9.', ['byte step', 'bool step']],
      [
        'local step',
        'state-reset',
        'Write static at the beginning of line 26, so that its variable is made once only.',
        ['byte step = 0;\n', ''],
        ['  bool state =', '  byte step = 0;\n  bool state ='],
      ],
      ['step+1', 'no-effect', 'Write step++ instead of step + 1 in line 30.', ['step++;', 'step + 1;']],
      [
        'step = step++',
        'no-effect',
        'Write step++ instead of step = step++ in line 30.',
        ['step++;', 'step = step++;'],
      ],
      [
        'paint()',
        'arguments',
        'Write paint(step) instead of paint() in line 34.',
        ['paint(step);', 'paint();'],
      ],
      ['no paint', 'colour-off', 'Add paint(step); after line 27.', ['      paint(step);\n', '']],
      [
        'wrong semicolon',
        'empty-body',
        'Remove the semicolon in line 31.',
        ['if (step == 4) {', 'if (step == 4); {'],
      ],
      ['const step', 'syntax-other', 'Remove const from line 9.', ['byte step = 0', 'const byte step = 0']],
      [
        'i<2',
        'colour-off',
        'Write 3 instead of 2 in line 13.',
        [
          '  for (byte i = 0; i < 3; i++) {\n    analogWrite',
          '  for (byte i = 0; i < 2; i++) {\n    analogWrite',
        ],
      ],
      [
        'return in for',
        'colour-off',
        'Remove return; from line 15.',
        [
          '    analogWrite(PINS[i], COLOURS[which][i]);\n',
          '    analogWrite(PINS[i], COLOURS[which][i]);\n    return;\n',
        ],
      ],
      ['pin 3', 'pin-disagrees', 'Write 2 instead of 3 in line 2.', ['KEY = 2', 'KEY = 3']],
      [
        'missing comma',
        'syntax-other',
        'Write }, instead of } in line 5.',
        ['{255, 0, 0},\n', '{255, 0, 0}\n'],
      ],
    ],
  },
  {
    said: {
      id: 'digits',
      board: 'learner-5v',
      lines: ['seven-segment display on 2 to 8', 'button on 12, pull-up'],
      program: `const int SEGMENTS[] = {2, 3, 4, 5, 6, 7, 8};
const byte DIGITS[] = {
  0b0111111, 0b0000110, 0b1011011, 0b1001111, 0b1100110,
  0b1101101, 0b1111101, 0b0000111, 0b1111111, 0b1101111
};

void show(int digit) {
  for (int i = 0; i < 7; i++) {
    digitalWrite(SEGMENTS[i], bitRead(DIGITS[digit], i));
  }
}

void setup() {
  for (int i = 0; i < 7; i++) {
    pinMode(SEGMENTS[i], OUTPUT);
  }
  pinMode(12, INPUT_PULLUP);
  show(5);
}

void loop() {
  if (digitalRead(12) == LOW) {
    for (int n = 5; n >= 0; n--) {
      show(n);
      delay(500);
    }
    show(5);
  }
}
`,
      scenarios: [
        { name: 'waiting', lasts: 2, done: [], seen: ['D1 shows 5 from 0.1 s'] },
        {
          name: 'started',
          lasts: 6,
          done: ['press S1 at 1 s'],
          seen: [
            'D1 shows 4 from 1.6 s to 1.9 s',
            'D1 shows 3 from 2.1 s to 2.4 s',
            'D1 shows 1 from 3.1 s to 3.4 s',
            'D1 shows 0 from 3.6 s to 3.9 s',
            'D1 shows 5 from 4.2 s',
          ],
        },
      ],
    },
    own: `byte pins[7] = {2, 3, 4, 5, 6, 7, 8};
byte shapes[6] = {63, 6, 91, 79, 102, 109};
const byte START = 12;

void display(byte number) {
  byte shape = shapes[number];
  for (byte s = 0; s < 7; s++) {
    bool on = (shape >> s) & 1;
    digitalWrite(pins[s], on);
  }
}

void setup() {
  pinMode(START, INPUT_PULLUP);
  for (byte s = 0; s < 7; s++) pinMode(pins[s], OUTPUT);
  display(5);
}

void loop() {
  if (digitalRead(START) == LOW) {
    byte count = 5;
    while (count > 0) {
      delay(500);
      count--;
      display(count);
    }
    delay(500);
    display(5);
  }
}
`,
    slips: [
      [
        'byte underflow',
        'runtime-error',
        'Write 1 instead of 0 in line 22.',
        ['while (count > 0)', 'while (count >= 0)'],
      ],
      ['> 1', 'picture-off', 'Write 0 instead of 1 in line 22.', ['while (count > 0)', 'while (count > 1)']],
      ['no count--', 'picture-off', 'Add count--; before line 24.', ['      count--;\n', '']],
      ['count++', 'runtime-error', 'Write -- instead of ++ in line 24.', ['count--', 'count++']],
      [
        'order',
        'picture-off',
        'Move line 25 before line 24.',
        ['      count--;\n      display(count);', '      display(count);\n      count--;'],
      ],
      ['shift wrong', 'picture-off', 'Write >> instead of << in line 8.', ['shape >> s', 'shape << s']],
      ['& 7', 'picture-off', 'Write 1 instead of 7 in line 8.', ['& 1', '& 7']],
      ['&&', 'picture-off', 'Write & instead of && in line 8.', ['(shape >> s) & 1', '(shape >> s) && 1']],
      [
        'no last delay',
        'picture-off',
        'Add delay(500); after line 26.',
        ['    delay(500);\n    display(5);', '    display(5);'],
      ],
      [
        'no delay',
        'missing-pause',
        'Add delay(500); after line 22.',
        ['      delay(500);\n      count--', '      count--'],
      ],
      [
        '50',
        'picture-off',
        'Write 500 instead of 50 in line 23.',
        ['      delay(500);\n      count--', '      delay(50);\n      count--'],
      ],
      [
        'display(count) missing',
        'picture-off',
        'Add display(count); after line 24.',
        ['      display(count);\n', ''],
      ],
      [
        'display(START)',
        'runtime-error',
        'Write count instead of START in line 25.',
        ['display(count)', 'display(START)'],
      ],
      ['shapes[s]', 'picture-off', 'Write number instead of 0 in line 6.', ['shapes[number]', 'shapes[0]']],
      [
        'pins order',
        'picture-off',
        'Reverse the list in line 1: 2, 3, 4, 5, 6, 7, 8.',
        ['{2, 3, 4, 5, 6, 7, 8}', '{8, 7, 6, 5, 4, 3, 2}'],
      ],
      [
        's<6',
        'picture-off',
        'Write 7 instead of 6 in line 7.',
        ['for (byte s = 0; s < 7; s++) {', 'for (byte s = 0; s < 6; s++) {'],
      ],
      [
        'inverted',
        'logic-inverted',
        'Remove the ! before on in line 9.',
        ['digitalWrite(pins[s], on)', 'digitalWrite(pins[s], !on)'],
      ],
      [
        'display(5) missing',
        'picture-off',
        'Add display(5); at the end of setup.',
        ['  display(5);\n}\n\nvoid loop', '}\n\nvoid loop'],
      ],
      [
        'level',
        'logic-inverted',
        'Write != instead of == in line 20.',
        ['digitalRead(START) == LOW', 'digitalRead(START) == HIGH'],
      ],
      [
        'if for while',
        'picture-off',
        'Write while instead of if in line 22.',
        ['while (count > 0)', 'if (count > 0)'],
      ],
      ['bool shape', 'picture-off', 'Write int instead of bool in line 6.', ['byte shape =', 'bool shape =']],
      [
        'shape const',
        'runtime-error',
        'Write number instead of shape in line 6.',
        ['shapes[number]', 'shapes[shape]'],
      ],
      [
        'on s',
        'pin-disagrees',
        'Write pins[s] instead of s in line 9.',
        ['digitalWrite(pins[s], on)', 'digitalWrite(s, on)'],
      ],
      ['equal', 'assign-in-condition', 'Write == instead of = in line 20.', ['== LOW', '= LOW']],
    ],
  },
  {
    said: {
      id: 'crossing',
      board: 'learner-5v',
      lines: [
        'red LED on 8 with 220',
        'yellow LED on 9 with 220',
        'green LED on 10 with 220',
        'active buzzer on 5',
      ],
      program: `const int RED = 8;
const int YELLOW = 9;
const int GREEN = 10;
const int BUZZER = 5;

void setup() {
  pinMode(RED, OUTPUT);
  pinMode(YELLOW, OUTPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  digitalWrite(GREEN, HIGH);
  delay(2000);
  digitalWrite(GREEN, LOW);
  digitalWrite(YELLOW, HIGH);
  delay(500);
  digitalWrite(YELLOW, LOW);
  digitalWrite(RED, HIGH);
  for (int i = 0; i < 3; i++) {
    digitalWrite(BUZZER, HIGH);
    delay(200);
    digitalWrite(BUZZER, LOW);
    delay(300);
  }
  digitalWrite(RED, LOW);
}
`,
      scenarios: [
        {
          name: 'one round',
          lasts: 9,
          done: [],
          seen: [
            'D3 is on until 1.9 s',
            'D2 is on from 2.1 s to 2.4 s',
            'D1 is on from 2.6 s to 3.9 s',
            'D3 is off from 2.1 s to 3.9 s',
            'Z1 chirps 3 times until 4 s',
            'D3 is on from 4.1 s to 5.9 s',
            'D2 is off until 1.9 s',
            'D1 is off until 2.4 s',
          ],
        },
      ],
    },
    own: `struct Step {
  byte pin;
  int time;
};

Step steps[] = {
  {10, 2000},
  {9, 500},
  {8, 1500}
};

const int COUNT = 3;
const byte BEEPER = 5;

void beep(int times) {
  for (int i = 0; i < times; i++) {
    digitalWrite(BEEPER, HIGH);
    delay(200);
    digitalWrite(BEEPER, LOW);
    delay(300);
  }
}

void setup() {
  for (int i = 0; i < COUNT; i++) {
    pinMode(steps[i].pin, OUTPUT);
  }
  pinMode(BEEPER, OUTPUT);
}

void loop() {
  for (int i = 0; i < COUNT; i++) {
    digitalWrite(steps[i].pin, HIGH);
    if (steps[i].pin == 8) {
      beep(3);
    } else {
      delay(steps[i].time);
    }
    digitalWrite(steps[i].pin, LOW);
  }
}
`,
    slips: [
      [
        'no low',
        'not-dark',
        'Add digitalWrite(steps[i].pin, LOW); after line 38.',
        ['    digitalWrite(steps[i].pin, LOW);\n', ''],
      ],
      [
        'time as pin',
        'not-lit',
        'Write time instead of pin in line 37.',
        ['delay(steps[i].time)', 'delay(steps[i].pin)'],
      ],
      [
        'no else',
        'timing-off',
        'Put line 37 into an else.',
        [' else {\n      delay(steps[i].time);\n    }', '\n    delay(steps[i].time);'],
      ],
      ['COUNT 2', 'not-lit', 'Write 3 instead of 2 in line 12.', ['COUNT = 3', 'COUNT = 2']],
      [
        'order',
        'not-lit',
        'Exchange {9, 500} in line 7 and {10, 2000} in line 8.',
        ['{10, 2000},\n  {9, 500}', '{9, 500},\n  {10, 2000}'],
      ],
      ['beep(2)', 'timing-off', 'Write 3 instead of 2 in line 35.', ['beep(3)', 'beep(2)']],
      ['beep()', 'arguments', 'Write beep(COUNT) instead of beep() in line 35.', ['beep(3)', 'beep()']],
      ['== 9', 'timing-off', 'Write 8 instead of 9 in line 34.', ['pin == 8', 'pin == 9']],
      ['= 8', 'assign-in-condition', 'Write == instead of = in line 34.', ['pin == 8', 'pin = 8']],
      [
        'no pinMode loop',
        'direction-unset',
        'Add for (int i = 0; i < COUNT; i++) pinMode(steps[i].pin, OUTPUT); at the end of setup.',
        ['  for (int i = 0; i < COUNT; i++) {\n    pinMode(steps[i].pin, OUTPUT);\n  }\n', ''],
      ],
      ['times not used', 'timing-off', 'Write times instead of 5 in line 16.', ['i < times', 'i < 5']],
      [
        'step[i]',
        'name-unknown',
        'Write steps instead of step in line 37.',
        ['delay(steps[i].time)', 'delay(step[i].time)'],
      ],
      [
        '.Time',
        'name-case',
        'Write time instead of Time in line 37.',
        ['delay(steps[i].time)', 'delay(steps[i].Time)'],
      ],
      ['field type', 'timing-off', 'Write int instead of byte in line 3.', ['  int time;', '  byte time;']],
      [
        'missing semicolon struct',
        'syntax-semicolon',
        'Add ; behind “}” in line 4.',
        ['  int time;\n};', '  int time;\n}'],
      ],
      [
        'missing brace',
        'syntax-brace',
        'Add } behind “;” in line 35.',
        ['      beep(3);\n    } else {', '      beep(3);\n    else {'],
      ],
      [
        'swap LOW HIGH',
        'count-wrong',
        'Write LOW instead of HIGH in line 19.',
        ['    digitalWrite(BEEPER, LOW);', '    digitalWrite(BEEPER, HIGH);'],
      ],
      ['pin 11', 'pin-disagrees', 'Write 10 instead of 11 in line 7.', ['{10, 2000}', '{11, 2000}']],
      [
        'beep else',
        'logic-inverted',
        'Write != instead of == in line 34.',
        [
          '      beep(3);\n    } else {\n      delay(steps[i].time);',
          '      delay(steps[i].time);\n    } else {\n      beep(3);',
        ],
      ],
    ],
  },
];
