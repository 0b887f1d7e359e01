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
      'always-true',
      '  digitalRead(key);\n  if (state == LOW) digitalWrite(light, HIGH);\n  else digitalWrite(light, LOW);',
      '',
      'Write state = digitalRead(key) instead of digitalRead(key) in line 6.',
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

  test('is mended in the words of the program: the name of the pin that was forgotten', () => {
    const program = () =>
      `${HEAD}int other = 12;\nvoid setup() { pinMode(other, OUTPUT); pinMode(key, INPUT_PULLUP); }\nvoid loop() { digitalWrite(other, LOW); digitalWrite(light, !digitalRead(key)); }\n`;
    const [first] = causesIn(call, { program });
    expect(first).toMatchObject({
      code: 'direction-unset',
      repair: { text: 'Add pinMode(light, OUTPUT); to setup.' },
    });
  });

  test('is mended in the words of the program: a time in seconds that delay takes for milliseconds', () => {
    const [scenario] = call.data.scenarios;
    const blinking = {
      ...call,
      data: {
        ...call.data,
        scenarios: [
          {
            ...scenario!,
            stimuli: [],
            expect: [{ lamp: 'D1', rhythm: [2, 1] as [number, number] }],
            for: 12,
          },
        ],
      },
    };
    const [first] = causesIn(
      blinking,
      own(
        '  show(HIGH, 2);\n  show(LOW, 1);',
        'void show(int level, int seconds) { digitalWrite(light, level); delay(seconds); }\n',
      ),
    );
    expect(first).toMatchObject({
      code: 'timing-off',
      message: 'Line 4: delay counts in milliseconds, and what is in seconds looks like seconds.',
      repair: { text: 'Write seconds * 1000 instead of seconds in line 4.' },
    });
  });
});
