import type { OwnSlips } from './own-slips';

export const score: OwnSlips = {
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
};
