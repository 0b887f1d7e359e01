import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../../boards';
import { applyTextEdit } from '../../problem';
import { grammars } from '../../../testing/beacon';
import { hardToRead } from '../../../testing/plain-words';
import { compileProgram } from '../../index';

const board = shippedBoards.get('learner-5v')!;
const told = (source: string) =>
  compileProgram(source, board, grammars).problems.filter(
    ({ code }) => code !== 'pin-unused' && code !== 'magic-number',
  );

/** A program and the same one mended by its repair; where they differ is what an instructor would change. */
type Slip = readonly [name: string, code: string, line: number, before: string, mended: string | undefined];

const PINS = 'const int LED = 9;\nconst int BUTTON = 2;\n';
const SETUP = 'void setup() { pinMode(LED, OUTPUT); pinMode(BUTTON, INPUT_PULLUP); Serial.begin(9600); }\n';
const withLoop = (body: string, more = ''): string => `${PINS}${more}${SETUP}void loop() {\n  ${body}\n}\n`;

const slips: readonly Slip[] = [
  [
    'a pitch stands before its pin',
    'arguments',
    5,
    withLoop('tone(880, LED); if (digitalRead(BUTTON)) noTone(LED);'),
    withLoop('tone(LED, 880); if (digitalRead(BUTTON)) noTone(LED);'),
  ],
  [
    'a brightness stands before its pin',
    'arguments',
    6,
    withLoop('analogWrite(level, LED); level = level + digitalRead(BUTTON);', 'int level = 9;\n'),
    withLoop('analogWrite(LED, level); level = level + digitalRead(BUTTON);', 'int level = 9;\n'),
  ],
  [
    'the number of a pin is compared with a level',
    'always-true',
    5,
    withLoop('if (BUTTON == LOW) digitalWrite(LED, HIGH);'),
    withLoop('if (digitalRead(BUTTON) == LOW) digitalWrite(LED, HIGH);'),
  ],
  [
    'the number of a pin is asked',
    'always-true',
    5,
    withLoop('if (!BUTTON && LED) delay(5);').replace('LED)', 'millis() > 9)'),
    withLoop('if (!digitalRead(BUTTON) && millis() > 9) delay(5);'),
  ],
  [
    'the number of an analog pin is compared with a limit',
    'always-true',
    6,
    withLoop('if (KNOB > 512) digitalWrite(LED, HIGH);', 'const int KNOB = A0;\n'),
    withLoop('if (analogRead(KNOB) > 512) digitalWrite(LED, HIGH);', 'const int KNOB = A0;\n'),
  ],
  [
    'the number of an analog pin is written',
    'arguments',
    6,
    withLoop('analogWrite(LED, KNOB);', '#define KNOB A0\n'),
    withLoop('analogWrite(LED, analogRead(KNOB) / 4);', '#define KNOB A0\n'),
  ],
  [
    'the highest reading of another board is divided by',
    'out-of-range',
    5,
    withLoop('float share = analogRead(A0) * 100.0 / 4095;\n  if (share > 50) digitalWrite(LED, HIGH);'),
    withLoop('float share = analogRead(A0) * 100.0 / 1023;\n  if (share > 50) digitalWrite(LED, HIGH);'),
  ],
  [
    'the highest reading of another board is mapped from',
    'out-of-range',
    6,
    withLoop('int knob = analogRead(A0);\n  analogWrite(LED, map(knob, 0, 4095, 0, 255));'),
    withLoop('int knob = analogRead(A0);\n  analogWrite(LED, map(knob, 0, 1023, 0, 255));'),
  ],
  ['a reading that is kept nowhere', 'no-effect', 5, withLoop('digitalRead(BUTTON);'), undefined],
  [
    'a range that is kept nowhere',
    'no-effect',
    6,
    withLoop('int x = analogRead(A0) / 4;\n  constrain(x, 20, 200);\n  analogWrite(LED, x);'),
    withLoop('int x = analogRead(A0) / 4;\n  x = constrain(x, 20, 200);\n  analogWrite(LED, x);'),
  ],
  [
    'a count that is worked out from itself',
    'state-reset',
    6,
    withLoop('int count = count + 1;\n  Serial.println(count);', 'int count = 0;\n'),
    withLoop('count = count + 1;\n  Serial.println(count);', 'int count = 0;\n'),
  ],
  [
    'a count that is declared nowhere else',
    'state-reset',
    5,
    withLoop('int count = count + 1;\n  Serial.println(count);'),
    `int count = 0;\n${withLoop('count = count + 1;\n  Serial.println(count);')}`,
  ],
  [
    'a limit that setup keeps for itself',
    'no-effect',
    3,
    'int limit = 0;\nvoid setup() {\n  int limit = analogRead(A0);\n}\nvoid loop() {\n  digitalWrite(13, analogRead(A0) > limit);\n}\n',
    'int limit = 0;\nvoid setup() {\n  limit = analogRead(A0);\n}\nvoid loop() {\n  digitalWrite(13, analogRead(A0) > limit);\n}\n',
  ],
  [
    'a line that only looks as if it belonged to a loop',
    'braces-left-out',
    7,
    withLoop('for (int i = 0; i < 256; i++)\n    analogWrite(LED, i);\n    delay(10);'),
    withLoop('for (int i = 0; i < 256; i++) {\n    analogWrite(LED, i);\n    delay(10);\n  }'),
  ],
  [
    'two lines that only look as if they belonged to an if, with a remark behind it',
    'braces-left-out',
    7,
    withLoop(
      'if (digitalRead(BUTTON) == LOW)   // pressed\n    digitalWrite(LED, HIGH);\n    delay(50);\n    digitalWrite(LED, LOW);\n  delay(10);',
    ),
    withLoop(
      'if (digitalRead(BUTTON) == LOW) {   // pressed\n    digitalWrite(LED, HIGH);\n    delay(50);\n    digitalWrite(LED, LOW);\n  }\n  delay(10);',
    ),
  ],
  [
    'a line that only looks as if it belonged to an else',
    'braces-left-out',
    8,
    withLoop(
      'if (digitalRead(BUTTON) == LOW) digitalWrite(LED, HIGH);\n  else\n    digitalWrite(LED, LOW);\n    delay(50);',
    ),
    withLoop(
      'if (digitalRead(BUTTON) == LOW) digitalWrite(LED, HIGH);\n  else {\n    digitalWrite(LED, LOW);\n    delay(50);\n  }',
    ),
  ],
  [
    'a line that only looks as if it belonged to the last of several questions',
    'braces-left-out',
    9,
    withLoop(
      'if (digitalRead(BUTTON) == LOW) {\n    digitalWrite(LED, HIGH);\n  } else if (analogRead(A0) > 500)\n    digitalWrite(LED, LOW);\n    delay(50);\n  delay(5);',
    ),
    withLoop(
      'if (digitalRead(BUTTON) == LOW) {\n    digitalWrite(LED, HIGH);\n  } else if (analogRead(A0) > 500) {\n    digitalWrite(LED, LOW);\n    delay(50);\n  }\n  delay(5);',
    ),
  ],
  [
    'a limit that a smaller one has taken',
    'always-true',
    8,
    withLoop(
      'int x = analogRead(A0);\n  if (x > 100) delay(1);\n  else if (x < 50) delay(2);\n  else if (x > 500) delay(3);',
    ),
    undefined,
  ],
  [
    'the key of a digit as a number',
    'always-true',
    6,
    withLoop('char key = Serial.read();\n  if (key == 1) digitalWrite(LED, HIGH);'),
    withLoop("char key = Serial.read();\n  if (key == '1') digitalWrite(LED, HIGH);"),
  ],
  [
    'a level that is never kept',
    'always-true',
    8,
    `int last = HIGH;\nbool lit = false;\n${withLoop('int now = digitalRead(BUTTON);\n  if (last == HIGH && now == LOW) lit = !lit;\n  digitalWrite(LED, lit);')}`,
    `int last = HIGH;\nbool lit = false;\n${withLoop('int now = digitalRead(BUTTON);\n  if (last == HIGH && now == LOW) lit = !lit;\n  digitalWrite(LED, lit);\n  last = now;')}`,
  ],
  [
    'a function declared once more instead of called',
    'no-effect',
    6,
    withLoop('void blink();', 'void blink() { digitalWrite(LED, HIGH); }\n'),
    withLoop('blink();', 'void blink() { digitalWrite(LED, HIGH); }\n'),
  ],
  [
    'a function without its parentheses',
    'arguments',
    6,
    withLoop('blink;', 'void blink() { digitalWrite(LED, HIGH); }\n'),
    withLoop('blink();', 'void blink() { digitalWrite(LED, HIGH); }\n'),
  ],
  [
    'braces round the number of a value',
    'syntax-other',
    6,
    withLoop('digitalWrite(LEDS{0}, HIGH);', 'const int LEDS[] = {4, 5};\n'),
    withLoop('digitalWrite(LEDS[0], HIGH);', 'const int LEDS[] = {4, 5};\n'),
  ],
  [
    'a text in one letter',
    'arguments',
    5,
    withLoop('char name = "Anna";\n  Serial.println(name);'),
    withLoop('char name[] = "Anna";\n  Serial.println(name);'),
  ],
  [
    'a letter in double quotes',
    'arguments',
    5,
    withLoop('char name = "A";\n  Serial.println(name);'),
    withLoop("char name = 'A';\n  Serial.println(name);"),
  ],
];

describe('what is likely not meant so in C++', () => {
  test.each(slips)('%s', (_, code, line, before, mended) => {
    const first = told(before).find((problem) => problem.code === code);
    expect(
      first?.line,
      told(before)
        .map((problem) => problem.code)
        .join(),
    ).toBe(line);
    expect(hardToRead(first!)).toEqual([]);
    if (mended === undefined) return;
    const edits = first!.repair!.edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
    expect(edits.reduce(applyTextEdit, before)).toBe(mended);
    expect(told(mended).filter(({ severity }) => severity === 'fault')).toEqual([]);
  });

  test.each([
    [
      'a pin that a function is given',
      'show(LED); show(BUTTON);',
      'void show(int pin) { if (pin > 5) delay(1); if (pin == 1) delay(1); digitalWrite(pin, LOW); }\n',
    ],
    [
      'a function of its own with the name of one of the library',
      'constrain(LED); delay(5);',
      'void constrain(int pin) { digitalWrite(pin, HIGH); }\n',
    ],
    [
      'a pin that is read in a loop over pins',
      'for (int pin = LED; pin <= 12; pin++) digitalWrite(pin, LOW);',
    ],
    ['a pin that is printed', 'Serial.println(BUTTON); delay(digitalRead(BUTTON) + 100);'],
    ['a pin that is another one', 'int other = LED; digitalWrite(other, HIGH);'],
    ['a first look at an analog pin', 'analogRead(A0); delay(5); analogWrite(LED, analogRead(A0) / 4);'],
    ['what is worked out and used', 'analogWrite(LED, constrain(analogRead(A0), 0, 255));'],
    ['one instruction on the line of its if', 'if (digitalRead(BUTTON) == LOW) delay(5); delay(10);'],
    ['a next line at the margin', 'if (digitalRead(BUTTON) == LOW)\n    delay(5);\n  delay(10);'],
    [
      'limits that go down',
      'int x = analogRead(A0); if (x > 500) delay(1); else if (x > 100) delay(2); else if (x > 10) delay(3);',
    ],
    [
      'limits of two things',
      'int x = analogRead(A0); int y = analogRead(A1); if (x > 5) delay(1); else if (y > 10) delay(2);',
    ],
    [
      'a byte that is compared with a code',
      "int key = Serial.read(); if (key == 10 || key == '1') delay(1);",
    ],
    [
      'a level that a program is set up with',
      'int now = digitalRead(BUTTON); if (now == LED) delay(1); delay(1);',
    ],
    ['a local that is looked at', 'int LIMIT = 5; Serial.println(LIMIT); delay(100);'],
  ])('is not told of %s', (_, body, more = '') => {
    expect(told(withLoop(body, more)).map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
  });

  test('a function that no line calls is worth a word, and no more', () => {
    const [first, more] = told(withLoop('delay(5);', 'void blink() { digitalWrite(LED, HIGH); }\n'));
    expect(first).toMatchObject({ code: 'no-effect', severity: 'advice', line: 3 });
    expect(more).toBeUndefined();
  });
});
