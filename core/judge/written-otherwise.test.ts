import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip } from '../testing/said-slips';

/** An exercise whose learners write it in their own way, so that nothing can be compared word by word. */
const call = exerciseSaid({
  id: 'call',
  board: 'learner-5v',
  lines: ['red LED on 9 with 220', 'button on 2, pull-up'],
  program: `const int LED = 9;
const int BUTTON = 2;

void setup() {
  pinMode(LED, OUTPUT);
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(BUTTON) == LOW) {
    digitalWrite(LED, HIGH);
  } else {
    digitalWrite(LED, LOW);
  }
}
`,
  scenarios: [
    {
      name: 'pressed',
      lasts: 8,
      done: ['press S1 at 2 s for 1 s'],
      seen: ['D1 is on while S1 is held', 'D1 is off until 2 s'],
    },
  ],
});
const HEAD = `int light = 9;
int key = 2;
int state = HIGH;
`;
const SETUP = `void setup() { pinMode(light, OUTPUT); pinMode(key, INPUT_PULLUP); }
`;
const own = (loop: string, functions = ''): { readonly program: () => string } => ({
  program: () => `${HEAD}${functions}${SETUP}void loop() {\n${loop}\n}\n`,
});

describe('a slip in a program that is written in another way', () => {
  test.each([
    ['right', '  digitalWrite(light, !digitalRead(key));', ''],
    ['right, in a function', '  look();', 'void look() { digitalWrite(light, digitalRead(key) == LOW); }\n'],
  ])('is none where it is %s', (_, loop, functions) => {
    expect(reportOnSlip(call, own(loop, functions)).verdict).toBe('as-drawn');
  });

  test.each([
    [
      'the number of a pin for its reading',
      'always-true',
      '  if (key == LOW) digitalWrite(light, HIGH);\n  else digitalWrite(light, LOW);',
      '',
      'Write digitalRead(key) instead of key in line 6.',
    ],
    [
      'a reading that is kept nowhere',
      'no-effect',
      '  digitalRead(key);\n  if (state == LOW) digitalWrite(light, HIGH);\n  else digitalWrite(light, LOW);',
      '',
      undefined,
    ],
    [
      'a variable of its own in a function',
      'no-effect',
      '  look();\n  digitalWrite(light, !state);',
      'void look() { int state = digitalRead(key); }\n',
      'Remove int from line 4.',
    ],
    [
      'a function that no line calls',
      'no-effect',
      '',
      'void look() { digitalWrite(light, !digitalRead(key)); }\n',
      'Write look(); in loop.',
    ],
    [
      'a function that is declared again instead of called',
      'no-effect',
      '  void look();',
      'void look() { digitalWrite(light, !digitalRead(key)); }\n',
      'Remove void from line 7.',
    ],
    [
      'braces left out',
      'braces-left-out',
      '  if (digitalRead(key) == LOW)\n    digitalWrite(light, HIGH);\n  if (digitalRead(key) == HIGH)\n    delay(5);\n    digitalWrite(light, LOW);',
      '',
      'Put braces { } round lines 9 to 10.',
    ],
  ])('is told by its form: %s', (_, code, loop, functions, repair) => {
    const [first, more] = causesIn(call, own(loop, functions));
    expect(first?.code).toBe(code);
    expect(first!.repair?.text).toBe(repair);
    expect(more).toBeUndefined();
  });
});
