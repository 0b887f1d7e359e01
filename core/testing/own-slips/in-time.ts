import type { OwnSlips } from './own-slips';

export const slipsInTime: readonly OwnSlips[] = [
  {
    said: {
      id: 'chime',
      board: 'learner-5v',
      lines: ['piezo on 8', 'button on 3, pull-down'],
      program: `const int PIEZO = 8;
const int BUTTON = 3;
int notes[] = {523, 659, 784};

void setup() {
  pinMode(BUTTON, INPUT);
}

void loop() {
  if (digitalRead(BUTTON) == HIGH) {
    for (int i = 0; i < 3; i++) {
      tone(PIEZO, notes[i]);
      delay(300);
      noTone(PIEZO);
      delay(100);
    }
    while (digitalRead(BUTTON) == HIGH) {
    }
  }
}
`,
      scenarios: [
        { name: 'silence', lasts: 2, done: [], seen: ['Z1 is silent'] },
        {
          name: 'rung',
          lasts: 5,
          done: ['press S1 at 1 s'],
          seen: [
            'Z1 plays 523 Hz from 1.1 s to 1.25 s',
            'Z1 plays 659 Hz from 1.5 s to 1.65 s',
            'Z1 plays 784 Hz from 1.9 s to 2.05 s',
            'Z1 is silent from 2.3 s',
          ],
        },
      ],
    },
    own: `#define SPEAKER 8
#define BELL 3

int melody[3] = {523, 659, 784};
int length = 300;
bool rung = false;

void play(int note) {
  tone(SPEAKER, note, length);
  delay(length + 100);
}

void setup() {
  pinMode(BELL, INPUT);
  pinMode(SPEAKER, OUTPUT);
}

void loop() {
  if (digitalRead(BELL) && !rung) {
    rung = true;
    for (int n = 0; n < 3; n++) {
      play(melody[n]);
    }
  }
  if (!digitalRead(BELL)) {
    rung = false;
  }
}
`,
    slips: [
      ['n<2', 'tone-off', 'Write 3 instead of 2 in line 21.', ['n < 3', 'n < 2']],
      ['n<=3', 'runtime-error', 'Write 2 instead of 3 in line 21.', ['n < 3', 'n <= 3']],
      ['n', 'tone-off', 'Write melody[n] instead of n in line 22.', ['play(melody[n])', 'play(n)']],
      [
        'melody',
        'arguments',
        'Write melody[n] instead of melody in line 22.',
        ['play(melody[n])', 'play(melody)'],
      ],
      ['no wait', 'tone-off', 'Add delay(400); after line 9.', ['  delay(length + 100);\n', '']],
      [
        'no length',
        'timing-off',
        'Add noTone(SPEAKER); after line 10.',
        ['tone(SPEAKER, note, length)', 'tone(SPEAKER, note)'],
      ],
      [
        'swapped args',
        'runtime-error',
        'Exchange note and SPEAKER in line 9.',
        ['tone(SPEAKER, note, length)', 'tone(note, SPEAKER, length)'],
      ],
      ['wrong note', 'tone-off', 'Write 659 instead of 569 in line 4.', ['659', '569']],
      [
        'order',
        'tone-off',
        'Reverse the list in line 4: 523, 659, 784.',
        ['{523, 659, 784}', '{784, 659, 523}'],
      ],
      [
        'LOW',
        'logic-inverted',
        'Remove the ! before digitalRead(BELL) in line 19.',
        ['if (digitalRead(BELL) && !rung)', 'if (!digitalRead(BELL) && !rung)'],
      ],
      ['length 3', 'tone-off', 'Write 300 instead of 3 in line 5.', ['length = 300', 'length = 3']],
      ['n--', 'runtime-error', 'Write ++ instead of -- in line 21.', ['n++', 'n--']],
      [
        'n missing step',
        'timing-off',
        'Add n++ at the end of the head of the loop in line 21.',
        ['n < 3; n++', 'n < 3;'],
      ],
      ['pin 9', 'pin-disagrees', 'Write 8 instead of 9 in line 1.', ['SPEAKER 8', 'SPEAKER 9']],
      [
        'define with =',
        'syntax-other',
        'Remove the = in line 1.',
        ['#define SPEAKER 8', '#define SPEAKER = 8'],
      ],
      [
        'define with ;',
        'syntax-semicolon',
        'Remove the semicolon in line 2.',
        ['#define BELL 3', '#define BELL 3;'],
      ],
      [
        'brackets',
        'syntax-other',
        'Write {523, 659, 784} instead of (523, 659, 784) in line 4.',
        ['{523, 659, 784}', '(523, 659, 784)'],
      ],
      ['list size', 'syntax-other', 'Write 3 instead of 2 in line 4.', ['melody[3] =', 'melody[2] =']],
      [
        'quotes',
        'arguments',
        'Write BELL instead of "BELL" in line 19.',
        ['digitalRead(BELL) && !rung', 'digitalRead("BELL") && !rung'],
      ],
      [
        'play not called with ()',
        'arguments',
        'Write play(melody[n]) instead of play in line 22.',
        ['      play(melody[n]);', '      play;'],
      ],
      [
        'return early',
        'tone-off',
        'Remove return; from line 21.',
        ['    rung = true;\n', '    rung = true;\n    return;\n'],
      ],
      [
        'break',
        'tone-off',
        'Remove break; from line 23.',
        ['      play(melody[n]);\n', '      play(melody[n]);\n      break;\n'],
      ],
      ['melody index 0', 'tone-off', 'Write n instead of 0 in line 22.', ['melody[n]', 'melody[0]']],
    ],
  },
  {
    said: {
      id: 'score',
      board: 'learner-5v',
      lines: ['LCD on I2C', 'button on 2, pull-up', 'button on 3, pull-up'],
      program: `#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2);
int score = 0;

void show() {
  lcd.clear();
  lcd.setCursor(0, 0);
  lcd.print("Score ");
  lcd.print(score);
}

void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
  lcd.init();
  lcd.backlight();
  show();
}

void loop() {
  if (digitalRead(2) == LOW) {
    score = score + 1;
    show();
    while (digitalRead(2) == LOW) {
    }
    delay(30);
  }
  if (digitalRead(3) == LOW) {
    score = score - 1;
    show();
    while (digitalRead(3) == LOW) {
    }
    delay(30);
  }
}
`,
      scenarios: [
        { name: 'start', lasts: 2, done: [], seen: ['X1 reads "Score 0" from 0.5 s'] },
        {
          name: 'up twice, down once',
          lasts: 8,
          done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S2 at 5 s'],
          seen: [
            'X1 reads "Score 1" from 1.5 s to 2.9 s',
            'X1 reads "Score 2" from 3.5 s to 4.9 s',
            'X1 reads "Score 1" from 5.5 s',
          ],
        },
      ],
    },
    own: `#include <LiquidCrystal_I2C.h>
#define UP 2
#define DOWN 3
LiquidCrystal_I2C display(0x27, 16, 2);

int points = 0;
int upBefore = HIGH;
int downBefore = HIGH;

void draw(int number) {
  display.setCursor(0, 0);
  display.print("Score ");
  display.print(number);
  display.print("  ");
}

void setup() {
  display.init();
  display.backlight();
  pinMode(UP, INPUT_PULLUP);
  pinMode(DOWN, INPUT_PULLUP);
  draw(points);
}

void loop() {
  int up = digitalRead(UP);
  int down = digitalRead(DOWN);
  if (up == LOW && upBefore == HIGH) {
    points++;
    draw(points);
  }
  if (down == LOW && downBefore == HIGH) {
    points--;
    draw(points);
  }
  upBefore = up;
  downBefore = down;
  delay(25);
}
`,
    slips: [
      [
        'up for down',
        'text-off',
        'Write down instead of up in line 37.',
        ['  downBefore = down;', '  downBefore = up;'],
      ],
      ['points--', 'text-off', 'Write -- instead of ++ in line 33.', ['points--', 'points++']],
      ['no init', 'text-off', 'Add display.init(); after line 17.', ['  display.init();\n', '']],
      [
        'cursor swapped',
        'text-off',
        'Write setCursor(0, 0) instead of setCursor(0, 1) in line 11.',
        ['setCursor(0, 0)', 'setCursor(0, 1)'],
      ],
      [
        'no cursor',
        'text-off',
        'Add display.setCursor(0, 0); before line 11.',
        ['  display.setCursor(0, 0);\n', ''],
      ],
      ['text', 'text-off', 'Write "Score " instead of "score " in line 12.', ['"Score "', '"score "']],
      ['no space', 'text-off', 'Write "Score " instead of "Score" in line 12.', ['"Score "', '"Score"']],
      [
        'draw only once',
        'text-off',
        'Add draw(points); after line 33.',
        ['    points--;\n    draw(points);', '    points--;'],
      ],
      [
        'both LOW',
        'logic-inverted',
        'Write != instead of == in line 28.',
        ['upBefore == HIGH', 'upBefore == LOW'],
      ],
      [
        'or',
        'text-off',
        'Write && instead of || in line 28.',
        ['up == LOW && upBefore', 'up == LOW || upBefore'],
      ],
      ['pin', 'pin-disagrees', 'Write 3 instead of 2 in line 3.', ['#define DOWN 3', '#define DOWN 2']],
      [
        'pins exchanged',
        'pin-disagrees',
        'Exchange 3 in line 2 and 2 in line 3.',
        ['#define UP 2', '#define UP 3'],
        ['#define DOWN 3', '#define DOWN 2'],
      ],
      [
        'reads up twice',
        'pin-disagrees',
        'Write DOWN instead of UP in line 27.',
        ['digitalRead(DOWN)', 'digitalRead(UP)'],
      ],
      [
        'INPUT',
        'pullup-unset',
        'Write INPUT_PULLUP instead of INPUT in line 21.',
        ['pinMode(DOWN, INPUT_PULLUP)', 'pinMode(DOWN, INPUT)'],
      ],
      [
        'draw(0)',
        'text-off',
        'Write points instead of 0 in line 30.',
        ['    points++;\n    draw(points)', '    points++;\n    draw(0)'],
      ],
      [
        'println',
        'text-off',
        'Write display instead of Serial in line 12.',
        ['display.print("Score ")', 'Serial.print("Score ")'],
      ],
      [
        'number in quotes',
        'text-off',
        'Write number instead of "number" in line 13.',
        ['display.print(number)', 'display.print("number")'],
      ],
      [
        'order',
        'text-off',
        'Move line 30 before line 29.',
        ['    points++;\n    draw(points);', '    draw(points);\n    points++;'],
      ],
      ['points = 1', 'text-off', 'Write points + 1 instead of 1 in line 29.', ['points++;', 'points = 1;']],
      [
        'points + 1',
        'no-effect',
        'Write points++ instead of points + 1 in line 29.',
        ['points++;', 'points + 1;'],
      ],
      [
        'local',
        'state-reset',
        'Write static at the beginning of line 26, so that its variable is made once only.',
        ['  int up = digital', '  int points = 0;\n  int up = digital'],
      ],
      [
        'missing quote',
        'syntax-quote',
        'Write "Score " instead of "Score" in line 12.',
        ['"Score "', '"Score '],
      ],
      [
        'nested',
        'text-off',
        'Move the } of line 35 before line 31.',
        [
          '    draw(points);\n  }\n  if (down == LOW && downBefore == HIGH) {\n    points--;\n    draw(points);\n  }',
          '    draw(points);\n  if (down == LOW && downBefore == HIGH) {\n    points--;\n    draw(points);\n  }\n  }',
        ],
      ],
      [
        'before at top',
        'text-off',
        'Move lines 28 and 29 behind line 38.',
        ['  upBefore = up;\n  downBefore = down;\n', ''],
        [
          '  int down = digitalRead(DOWN);\n',
          '  int down = digitalRead(DOWN);\n  upBefore = up;\n  downBefore = down;\n',
        ],
      ],
      [
        'bool not',
        'logic-inverted',
        'Remove the ! before digitalRead(UP) in line 26.',
        ['int up = digitalRead(UP)', 'int up = !digitalRead(UP)'],
      ],
      ['delay 2500', 'missed-input', 'Write 30 instead of 2500 in line 38.', ['delay(25)', 'delay(2500)']],
    ],
  },
  {
    said: {
      id: 'porch',
      board: 'learner-5v',
      lines: ['motion sensor on 4', 'white LED on 9 with 220', 'red LED on 10 with 330'],
      program: `const int MOTION = 4;
const int LIGHT = 9;
const int READY = 10;
unsigned long last = 0;
bool lit = false;

void setup() {
  pinMode(MOTION, INPUT);
  pinMode(LIGHT, OUTPUT);
  pinMode(READY, OUTPUT);
}

void loop() {
  if (digitalRead(MOTION) == HIGH) {
    last = millis();
    lit = true;
  }
  if (lit && millis() - last > 2000) {
    lit = false;
  }
  digitalWrite(LIGHT, lit);
  digitalWrite(READY, !lit);
}
`,
      scenarios: [
        { name: 'nobody', lasts: 3, done: [], seen: ['D1 is off', 'D2 is on from 0.1 s'] },
        {
          name: 'somebody',
          lasts: 8,
          done: ['something moves from 1 s to 2 s'],
          seen: [
            'D1 is on from 1.2 s to 3.8 s',
            'D1 is off from 4.6 s',
            'D2 is off from 1.2 s to 3.8 s',
            'D2 is on from 4.6 s',
          ],
        },
      ],
    },
    own: `const byte SENSOR = 4;
const byte LAMP = 9;
const byte WAITING = 10;
const unsigned long HOLD = 2000;

enum Mode { IDLE, ACTIVE };
Mode mode = IDLE;
unsigned long since = 0;

void enter(Mode next) {
  mode = next;
  since = millis();
  digitalWrite(LAMP, next == ACTIVE ? HIGH : LOW);
  digitalWrite(WAITING, next == IDLE ? HIGH : LOW);
}

void setup() {
  pinMode(SENSOR, INPUT);
  pinMode(LAMP, OUTPUT);
  pinMode(WAITING, OUTPUT);
  enter(IDLE);
}

void loop() {
  bool motion = digitalRead(SENSOR);
  switch (mode) {
    case IDLE:
      if (motion) {
        enter(ACTIVE);
      }
      break;
    case ACTIVE:
      if (motion) {
        since = millis();
      } else if (millis() - since >= HOLD) {
        enter(IDLE);
      }
      break;
  }
}
`,
    slips: [
      [
        'not motion',
        'logic-inverted',
        'Remove the ! before motion in line 28.',
        ['case IDLE:\n      if (motion)', 'case IDLE:\n      if (!motion)'],
      ],
      [
        'no enter(IDLE) in setup',
        'not-lit',
        'Add enter(IDLE); at the end of setup.',
        ['  enter(IDLE);\n}', '}'],
      ],
      [
        'enter swapped',
        'not-lit',
        'Write ACTIVE instead of IDLE in line 29.',
        ['        enter(ACTIVE);', '        enter(IDLE);'],
      ],
      [
        'never back',
        'not-lit',
        'Write IDLE instead of ACTIVE in line 36.',
        ['        enter(IDLE);\n      }\n      break', '        enter(ACTIVE);\n      }\n      break'],
      ],
      [
        'no refresh',
        'timing-off',
        'Add since = millis(); after line 33.',
        ['        since = millis();\n      } else', '      } else'],
      ],
      ['HOLD 200', 'timing-off', 'Write 2000 instead of 200 in line 4.', ['HOLD = 2000', 'HOLD = 200']],
      ['HOLD 2', 'timing-off', 'Write 2000 instead of 2 in line 4.', ['HOLD = 2000', 'HOLD = 2']],
      [
        'since - millis',
        'timing-off',
        'Write millis() - since instead of since - millis() in line 35.',
        ['millis() - since', 'since - millis()'],
      ],
      ['<', 'logic-inverted', 'Write >= instead of <= in line 35.', ['since >= HOLD', 'since <= HOLD']],
      ['mode not set', 'not-lit', 'Add mode = next; after line 10.', ['  mode = next;\n', '']],
      [
        'next == IDLE both',
        'logic-inverted',
        'Write != instead of == in line 13.',
        ['next == ACTIVE', 'next == IDLE'],
      ],
      ['= ', 'not-lit', 'Write == instead of = in line 13.', ['next == ACTIVE', 'next = ACTIVE']],
      [
        'levels',
        'logic-inverted',
        'Write != instead of == in line 13.',
        ['next == ACTIVE ? HIGH : LOW', 'next == ACTIVE ? LOW : HIGH'],
      ],
      [
        'pins',
        'pin-disagrees',
        'Exchange 10 in line 2 and 9 in line 3.',
        ['LAMP = 9', 'LAMP = 10'],
        ['WAITING = 10', 'WAITING = 9'],
      ],
      [
        'case dup',
        'name-redeclared',
        'Write ACTIVE instead of IDLE in line 32.',
        ['case ACTIVE:', 'case IDLE:'],
      ],
      [
        'switch next',
        'not-lit',
        'Write mode instead of motion in line 26.',
        ['switch (mode)', 'switch (motion)'],
      ],
      [
        'no parens',
        'arguments',
        'Write millis() instead of millis in line 35.',
        ['millis() - since', 'millis - since'],
      ],
      [
        'OUTPUT',
        'not-lit',
        'Write INPUT instead of OUTPUT in line 18.',
        ['pinMode(SENSOR, INPUT)', 'pinMode(SENSOR, OUTPUT)'],
      ],
      [
        'analogRead',
        'not-lit',
        'Write digitalRead instead of analogRead in line 25.',
        ['digitalRead(SENSOR)', 'analogRead(SENSOR)'],
      ],
      [
        'motion once',
        'missed-input',
        'Add motion = digitalRead(SENSOR); after line 26.',
        ['  bool motion = digitalRead(SENSOR);\n', ''],
        ['void setup', 'bool motion = digitalRead(SENSOR);\n\nvoid setup'],
      ],
      [
        'enum typo',
        'name-unknown',
        'Write ACTIVE instead of ACTIV in line 29.',
        ['enter(ACTIVE)', 'enter(ACTIV)'],
      ],
      [
        'Mode next missing',
        'name-unknown',
        'Write Mode next between the parentheses of enter in line 10.',
        ['void enter(Mode next)', 'void enter()'],
      ],
      [
        'while',
        'not-lit',
        'Write if instead of while in line 28.',
        ['case IDLE:\n      if (motion)', 'case IDLE:\n      while (motion)'],
      ],
    ],
  },
  {
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
        'Write map(value, 0, 1023, 100, 600) instead of map(value, 100, 600, 0, 1023) in line 16.',
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
  },
];
