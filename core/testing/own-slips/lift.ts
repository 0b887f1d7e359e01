import type { OwnSlips } from './own-slips';

export const lift: OwnSlips = {
  said: {
    id: 'lift',
    board: 'learner-5v',
    lines: ['button on 2, pull-up', 'button on 3, pull-up', 'servo on 9', 'red LED on 12 with 330'],
    program: `#include <Servo.h>
Servo lift;
int angle = 0;
void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
  pinMode(12, OUTPUT);
  lift.attach(9);
  lift.write(0);
}
void loop() {
  if (digitalRead(2) == LOW && angle < 180) angle += 2;
  if (digitalRead(3) == LOW && angle > 0) angle -= 2;
  lift.write(angle);
  digitalWrite(12, angle == 180);
  delay(20);
}
`,
    scenarios: [
      { name: 'nobody', lasts: 2, done: [], seen: ['M1 stands at 0 from 0.5 s', 'D1 is off'] },
      {
        name: 'up',
        lasts: 5,
        done: ['hold S1 from 0.5 s to 3.5 s'],
        seen: ['M1 stands at 180 from 3 s', 'D1 is off until 1.8 s', 'D1 is on from 3 s'],
      },
      {
        name: 'up and down',
        lasts: 8,
        done: ['hold S1 from 0.5 s to 3.5 s', 'hold S2 from 4.5 s to 7.5 s'],
        seen: ['M1 stands at 180 from 3 s to 4.4 s', 'M1 stands at 0 from 7.2 s', 'D1 is off from 5 s'],
      },
      { name: 'a bit up', lasts: 4, done: ['hold S1 from 0.5 s to 1 s'], seen: ['D1 is off'] },
    ],
  },
  own: `#include <Servo.h>

const byte UP = 2;
const byte DOWN = 3;
const byte MOTOR = 9;
const byte TOP_LAMP = 12;

const int STEP = 2;
const int LOWEST = 0;
const int HIGHEST = 180;
const unsigned long PERIOD = 20;

Servo cabin;
int height = LOWEST;
unsigned long lastMove = 0;

bool isPressed(byte pin) {
  return digitalRead(pin) == LOW;
}

int wish() {
  if (isPressed(UP)) return STEP;
  if (isPressed(DOWN)) return -STEP;
  return 0;
}

void setup() {
  pinMode(UP, INPUT_PULLUP);
  pinMode(DOWN, INPUT_PULLUP);
  pinMode(TOP_LAMP, OUTPUT);
  cabin.attach(MOTOR);
  cabin.write(height);
}

void loop() {
  if (millis() - lastMove >= PERIOD) {
    lastMove += PERIOD;
    height = constrain(height + wish(), LOWEST, HIGHEST);
    cabin.write(height);
  }
  digitalWrite(TOP_LAMP, height >= HIGHEST);
}
`,
  slips: [
    ['PERIOD 200', 'not-lit', 'Write 20 instead of 200 in line 11.', ['PERIOD = 20', 'PERIOD = 200']],
    ['HIGHEST 18', 'timing-off', 'Write 180 instead of 18 in line 10.', ['HIGHEST = 180', 'HIGHEST = 18']],
    ['STEP both', 'not-dark', 'Write -STEP instead of STEP in line 23.', ['return -STEP', 'return STEP']],
    [
      '-STEP both',
      'not-lit',
      'Write STEP instead of -STEP in line 22.',
      ['return STEP;\n  if', 'return -STEP;\n  if'],
    ],
    [
      'UP twice',
      'pin-disagrees',
      'Write DOWN instead of UP in line 23.',
      ['isPressed(DOWN)', 'isPressed(UP)'],
    ],
    [
      'digitalRead UP',
      'not-dark',
      'Write pin instead of UP in line 18.',
      ['digitalRead(pin)', 'digitalRead(UP)'],
    ],
    [
      'analogRead',
      'not-dark',
      'Write digitalRead instead of analogRead in line 18.',
      ['digitalRead(pin)', 'analogRead(pin)'],
    ],
    [
      'no return in isPressed',
      'not-lit',
      'Write return at the beginning of line 18.',
      ['  return digitalRead(pin) == LOW;', '  digitalRead(pin) == LOW;'],
    ],
    [
      '= in isPressed',
      'assign-in-condition',
      'Write == instead of = in line 18.',
      ['digitalRead(pin) == LOW', 'digitalRead(pin) = LOW'],
    ],
    [
      'no height =',
      'no-effect',
      'Write height = at the beginning of line 38.',
      ['height = constrain', 'constrain'],
    ],
    [
      'wish without ()',
      'arguments',
      'Write wish() instead of wish in line 38.',
      ['height + wish()', 'height + wish'],
    ],
    [
      'constrain swapped',
      'arguments',
      'Write LOWEST, HIGHEST instead of HIGHEST, LOWEST in line 38.',
      ['LOWEST, HIGHEST)', 'HIGHEST, LOWEST)'],
    ],
    [
      'constrain of wish',
      'not-lit',
      'Write height + before wish in line 38.',
      ['constrain(height + wish(), LOWEST, HIGHEST)', 'constrain(wish(), LOWEST, HIGHEST)'],
    ],
    [
      'no write in loop',
      'angle-off',
      'Move line 32 from setup to the beginning of loop.',
      ['    cabin.write(height);\n', ''],
    ],
    ['attach UP', 'pin-disagrees', 'Write MOTOR instead of UP in line 31.', ['attach(MOTOR)', 'attach(UP)']],
    ['MOTOR 10', 'pin-disagrees', 'Write 9 instead of 10 in line 5.', ['MOTOR = 9', 'MOTOR = 10']],
    [
      'lamp > HIGHEST',
      'not-lit',
      'Write >= instead of > in line 41.',
      ['height >= HIGHEST', 'height > HIGHEST'],
    ],
    [
      'lamp <=',
      'logic-inverted',
      'Write >= instead of <= in line 41.',
      ['height >= HIGHEST', 'height <= HIGHEST'],
    ],
    [
      'lamp = HIGHEST',
      'not-dark',
      'Write == instead of = in line 41.',
      ['height >= HIGHEST', 'height = HIGHEST'],
    ],
    [
      'no lastMove',
      'timing-off',
      'Add lastMove = millis(); after line 36.',
      ['    lastMove += PERIOD;\n', ''],
    ],
    [
      'lastMove = PERIOD',
      'timing-off',
      'Write millis() instead of PERIOD in line 37.',
      ['lastMove += PERIOD', 'lastMove = PERIOD'],
    ],
    [
      'lastMove in loop',
      'state-reset',
      'Write static before line 35, so that lastMove is made once only.',
      ['unsigned long lastMove = 0;\n', ''],
      ['void loop() {\n', 'void loop() {\n  unsigned long lastMove = 0;\n'],
    ],
    [
      'height in loop',
      'name-out-of-scope',
      'Declare height at the top of the program, and write only height = LOWEST; in line 35.',
      ['int height = LOWEST;\n', ''],
      ['void loop() {\n', 'void loop() {\n  int height = LOWEST;\n'],
    ],
    [
      'no pullup DOWN',
      'pullup-unset',
      'Write INPUT_PULLUP instead of INPUT in line 29.',
      ['pinMode(DOWN, INPUT_PULLUP)', 'pinMode(DOWN, INPUT)'],
    ],
    ['servo name', 'name-case', 'Write Servo instead of servo in line 13.', ['Servo cabin', 'servo cabin']],
    [
      'no include',
      'name-unknown',
      'Write #include <Servo.h> as the first line.',
      ['#include <Servo.h>\n', ''],
    ],
    [
      'cabin.Write',
      'name-case',
      'Write write instead of Write in line 39.',
      ['    cabin.write(height)', '    cabin.Write(height)'],
    ],
    [
      'map instead of constrain',
      'arguments',
      'Write constrain instead of map in line 38.',
      ['constrain(height', 'map(height'],
    ],
  ],
};
