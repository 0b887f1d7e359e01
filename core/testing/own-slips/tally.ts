import type { OwnSlips } from './own-slips';

export const tally: OwnSlips = {
  said: {
    id: 'tally',
    board: 'learner-5v',
    lines: [
      'button on 2, pull-up',
      'button on 3, pull-up',
      'red LED on 8 with 330',
      'yellow LED on 9 with 330',
      'green LED on 10 with 330',
    ],
    program: `const int ADD = 2;
const int RESET = 3;
const int leds[] = {8, 9, 10};
int count = 0;
bool wasDown = false;
void setup() {
  pinMode(ADD, INPUT_PULLUP);
  pinMode(RESET, INPUT_PULLUP);
  for (int i = 0; i < 3; i++) pinMode(leds[i], OUTPUT);
}
void loop() {
  bool isDown = digitalRead(ADD) == LOW;
  if (isDown && !wasDown && count < 3) count++;
  wasDown = isDown;
  if (digitalRead(RESET) == LOW) count = 0;
  for (int i = 0; i < 3; i++) digitalWrite(leds[i], i < count);
  delay(20);
}
`,
    scenarios: [
      { name: 'nobody', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off', 'D3 is off'] },
      {
        name: 'three presses',
        lasts: 5,
        done: ['press S1 at 0.5 s', 'press S1 at 1.5 s', 'press S1 at 2.5 s'],
        seen: [
          'D1 is on from 0.7 s',
          'D2 is off until 1.4 s',
          'D2 is on from 1.7 s',
          'D3 is off until 2.4 s',
          'D3 is on from 2.7 s',
        ],
      },
      {
        name: 'reset',
        lasts: 5,
        done: ['press S1 at 0.5 s', 'press S1 at 1.5 s', 'press S2 at 2.5 s', 'press S1 at 3.5 s'],
        seen: [
          'D2 is on from 1.7 s to 2.4 s',
          'D1 is off from 2.7 s to 3.4 s',
          'D2 is off from 2.7 s',
          'D1 is on from 3.7 s',
        ],
      },
      {
        name: 'five presses',
        lasts: 6,
        done: [
          'press S1 at 0.5 s',
          'press S1 at 1.5 s',
          'press S1 at 2.5 s',
          'press S1 at 3.5 s',
          'press S1 at 4.5 s',
        ],
        seen: ['D1 is on from 4.7 s', 'D3 is on from 4.7 s'],
      },
    ],
  },
  own: `const int addPin = 2;
const int resetPin = 3;
const int firstLed = 8;
const int ledCount = 3;
const unsigned long SETTLE = 30;

class Button {
  public:
    Button(int pin) : pin(pin) {}

    void begin() {
      pinMode(pin, INPUT_PULLUP);
    }

    bool clicked() {
      bool reading = digitalRead(pin) == LOW;
      if (reading != last) {
        changed = millis();
        last = reading;
      }
      if (millis() - changed > SETTLE && reading != stable) {
        stable = reading;
        return stable;
      }
      return false;
    }

  private:
    int pin;
    bool last = false;
    bool stable = false;
    unsigned long changed = 0;
};

Button add(addPin);
Button reset(resetPin);
int total = 0;

void show(int number) {
  for (int i = 0; i < ledCount; i++) {
    digitalWrite(firstLed + i, number > i ? HIGH : LOW);
  }
}

void setup() {
  add.begin();
  reset.begin();
  for (int i = 0; i < ledCount; i++) {
    pinMode(firstLed + i, OUTPUT);
  }
}

void loop() {
  if (add.clicked()) {
    total = min(total + 1, ledCount);
    show(total);
  }
  if (reset.clicked()) {
    total = 0;
    show(total);
  }
}
`,
  slips: [
    ['max', 'timing-off', 'Write min instead of max in line 55.', ['min(total + 1', 'max(total + 1']],
    ['total', 'not-lit', 'Write total + 1 instead of total in line 55.', ['min(total + 1', 'min(total']],
    ['total + 2', 'timing-off', 'Write 1 instead of 2 in line 55.', ['total + 1', 'total + 2']],
    ['total = 1', 'not-dark', 'Write 0 instead of 1 in line 59.', ['    total = 0;', '    total = 1;']],
    ['no total = 0', 'not-dark', 'Add total = 0; after line 58.', ['    total = 0;\n', '']],
    [
      'total == 0',
      'no-effect',
      'Write total = 0 instead of total == 0 in line 59.',
      ['    total = 0;', '    total == 0;'],
    ],
    [
      'no show after add',
      'not-lit',
      'Add show(total); after line 55.',
      ['ledCount);\n    show(total);', 'ledCount);'],
    ],
    [
      'no show after reset',
      'not-dark',
      'Add show(total); after line 59.',
      ['total = 0;\n    show(total);', 'total = 0;'],
    ],
    [
      'show(0) after add',
      'not-lit',
      'Write total instead of 0 in line 56.',
      ['ledCount);\n    show(total);', 'ledCount);\n    show(0);'],
    ],
    ['number < i', 'logic-inverted', 'Write > instead of < in line 41.', ['number > i', 'number < i']],
    ['number >= i', 'not-dark', 'Write > instead of >= in line 41.', ['number > i', 'number >= i']],
    ['number == i', 'not-lit', 'Write > instead of == in line 41.', ['number > i', 'number == i']],
    ['HIGH LOW', 'not-lit', 'Exchange LOW and HIGH in line 41.', ['HIGH : LOW', 'LOW : HIGH']],
    [
      'firstLed only',
      'not-lit',
      'Write firstLed + i instead of firstLed in line 41.',
      ['digitalWrite(firstLed + i', 'digitalWrite(firstLed'],
    ],
    [
      'firstLed - i',
      'not-lit',
      'Write firstLed + i instead of firstLed - i in line 41.',
      ['digitalWrite(firstLed + i', 'digitalWrite(firstLed - i'],
    ],
    [
      'i only',
      'not-lit',
      'Write firstLed + i instead of i in line 41.',
      ['digitalWrite(firstLed + i', 'digitalWrite(i'],
    ],
    ['firstLed 9', 'pin-disagrees', 'Write 8 instead of 9 in line 3.', ['firstLed = 8', 'firstLed = 9']],
    ['ledCount 2', 'not-lit', 'Write 3 instead of 2 in line 4.', ['ledCount = 3', 'ledCount = 2']],
    [
      'i = 1',
      'not-lit',
      'Write 0 instead of 1 in line 40.',
      [
        'int i = 0; i < ledCount; i++) {\n    digitalWrite',
        'int i = 1; i < ledCount; i++) {\n    digitalWrite',
      ],
    ],
    ['no add.begin', 'not-lit', 'Add add.begin(); after line 46.', ['  add.begin();\n', '']],
    [
      'add.begin twice',
      'not-dark',
      'Write reset instead of add in line 47.',
      ['  reset.begin();', '  add.begin();'],
    ],
    [
      'reset on addPin',
      'pin-disagrees',
      'Write resetPin instead of addPin in line 36.',
      ['reset(resetPin)', 'reset(addPin)'],
    ],
    [
      'clicked add twice',
      'not-lit',
      'Write reset instead of add in line 58.',
      ['reset.clicked()', 'add.clicked()'],
    ],
    [
      'begin INPUT',
      'pullup-unset',
      'Write INPUT_PULLUP instead of INPUT in line 12.',
      ['INPUT_PULLUP', 'INPUT'],
    ],
    [
      'return true',
      'timing-off',
      'Write stable instead of true in line 23.',
      ['return stable;', 'return true;'],
    ],
    [
      'return !stable',
      'logic-inverted',
      'Write stable without ! in line 23.',
      ['return stable;', 'return !stable;'],
    ],
    ['no stable =', 'not-lit', 'Add stable = reading; after line 21.', ['        stable = reading;\n', '']],
    ['no last =', 'not-lit', 'Add last = reading; after line 18.', ['        last = reading;\n', '']],
    [
      'reading == last',
      'logic-inverted',
      'Write != instead of == in line 17.',
      ['reading != last', 'reading == last'],
    ],
    [
      'reading == stable',
      'logic-inverted',
      'Write != instead of == in line 21.',
      ['reading != stable', 'reading == stable'],
    ],
    [
      'bool stable local',
      'timing-off',
      'Move line 16 out of its function, to the end of the class.',
      ['    bool stable = false;\n', ''],
      ['bool reading = digitalRead', 'bool stable = false;\n      bool reading = digitalRead'],
    ],
    [
      'clicked without parens',
      'arguments',
      'Write clicked() instead of clicked in line 54.',
      ['if (add.clicked())', 'if (add.clicked)'],
    ],
    [
      'class without semicolon',
      'syntax-semicolon',
      'Add ; behind “}” in line 33.',
      ['changed = 0;\n};', 'changed = 0;\n}'],
    ],
    [
      'private begin',
      'syntax-other',
      'Add public: after line 7, at the beginning of Button.',
      ['  public:\n', ''],
    ],
    [
      'constructor no init',
      'not-lit',
      'Add : pin(pin) in line 9, right after the parentheses.',
      ['Button(int pin) : pin(pin) {}', 'Button(int pin) {}'],
    ],
    [
      'constructor pin = pin',
      'not-lit',
      'Write this->pin instead of the first pin in line 9.',
      ['Button(int pin) : pin(pin) {}', 'Button(int pin) { pin = pin; }'],
    ],
    ['Button add()', 'arguments', 'Write add(addPin) in line 35.', ['Button add(addPin)', 'Button add()']],
    ['Button add no arg', 'arguments', 'Write add(addPin) in line 35.', ['Button add(addPin)', 'Button add']],
  ],
};
