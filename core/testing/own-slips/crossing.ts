import type { OwnSlips } from './own-slips';

export const crossing: OwnSlips = {
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
};
