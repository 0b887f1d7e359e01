import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import { ofAverages } from './averages';
import { membersMended, ofCppClasses } from './cpp-classes';
import { formOf } from './form';
import { ofFormulaParts } from './formula-parts';
import type { Guess, Rule } from './guess';
import { ofIdleNames } from './idle-names';
import { limitsAndMaps, ofLimits } from './limits';
import { ofNeverSwitched } from './never-switched';
import { ofNextOnes } from './next-ones';
import { ofReturns } from './returns';

const guessed = (rules: readonly Rule[], source: string, asked = ''): readonly Guess[] => {
  const form = formOf(source, 'cpp');
  return rules.flatMap((rule) => rule(form, formOf(asked, 'cpp'), { unset: [], milliseconds: [] }));
};
/** What programs become by guesses, each with its spaces made one. */
const made = (source: string, guesses: readonly Guess[]): readonly string[] =>
  guesses.map(({ edits }) => plain(edits.reduce(applyTextEdit, source)));
const plain = (source: string): string => source.replace(/\s+/g, ' ').trim();

type Case = readonly [name: string, rules: readonly Rule[], before: string, after: string, asked?: string];

const LOOP = (body: string): string => `void loop() {\n${body}\n}\n`;
const LIFT = 'const int LOW_END = 0;\nconst int HIGH_END = 180;\nint angle = 0;\n';
const BUTTON = (constructor: string): string =>
  `class Button {\n  public:\n    ${constructor}\n    void begin() {\n      pinMode(pin, INPUT);\n    }\n    int pin;\n};\n`;

const cases: readonly Case[] = [
  [
    'what constrain gives is kept',
    ofLimits,
    LOOP('  constrain(angle + 2, 0, 180);'),
    LOOP('  angle = constrain(angle + 2, 0, 180);'),
  ],
  [
    'it begins from what it was',
    ofLimits,
    LOOP('  angle = constrain(step(), 0, 180);'),
    LOOP('  angle = constrain(angle + step(), 0, 180);'),
  ],
  [
    'the lower limit comes first',
    ofLimits,
    `${LIFT}${LOOP('  angle = constrain(angle + 2, HIGH_END, LOW_END);')}`,
    `${LIFT}${LOOP('  angle = constrain(angle + 2, LOW_END, HIGH_END);')}`,
  ],
  [
    'nothing is beyond a limit',
    ofLimits,
    LOOP('  angle = constrain(angle + 2, 0, 180);\n  lit = angle > 180;'),
    LOOP('  angle = constrain(angle + 2, 0, 180);\n  lit = angle >= 180;'),
  ],
  [
    'limits that limit nothing',
    ofLimits,
    `${LIFT}${LOOP('  angle = angle + step();')}`,
    `${LIFT}${LOOP('  angle = constrain(angle + step(), LOW_END, HIGH_END);')}`,
  ],
  [
    'bytes for entries',
    ofLimits,
    'const int N = sizeof(song);\n',
    'const int N = sizeof(song) / sizeof(song[0]);\n',
  ],
  [
    'one past the end',
    ofLimits,
    `int N = sizeof(song) / sizeof(song[0]);\n${LOOP('  if (at + 1 <= N) at++;')}`,
    `int N = sizeof(song) / sizeof(song[0]);\n${LOOP('  if (at + 1 < N) at++;')}`,
  ],
  [
    'the ends of map say which is which',
    ofLimits,
    LOOP('  v = map(x, 0, 1023, MAX_V, MIN_V);'),
    LOOP('  v = map(x, 0, 1023, MIN_V, MAX_V);'),
  ],
  [
    'the next one is asked for',
    ofNextOnes,
    LOOP('  if (at < N) {\n    play(at + 1);\n  }'),
    LOOP('  if (at + 1 < N) {\n    play(at + 1);\n  }'),
  ],
  [
    'the next one is taken',
    ofNextOnes,
    LOOP('  if (at + 1 < N) {\n    play(at);\n  }'),
    LOOP('  if (at + 1 < N) {\n    play(at + 1);\n  }'),
  ],
  [
    'a comma in a number',
    ofFormulaParts,
    LOOP('  c = (volts - 0,5) * 100;'),
    LOOP('  c = (volts - 0.5) * 100;'),
  ],
  [
    'a summand of the asked program',
    ofFormulaParts,
    'float c() {\n  return volts * 100;\n}\n',
    'float c() {\n  return (volts - 0.5) * 100;\n}\n',
    'float t = (v - 0.5) * 100;',
  ],
  [
    'the ranges of map exchanged',
    ofLimits,
    LOOP('  v = map(x, 10, 40, 0, 1023);'),
    LOOP('  v = map(x, 0, 1023, 10, 40);'),
  ],
  [
    'only the last reading',
    ofAverages,
    'int f() {\n  int sum = 0;\n  for (int i = 0; i < N; i++) {\n    sum = analogRead(A0);\n  }\n  return sum / N;\n}\n',
    'int f() {\n  int sum = 0;\n  for (int i = 0; i < N; i++) {\n    sum += analogRead(A0);\n  }\n  return sum / N;\n}\n',
  ],
  [
    'a sum for a mean',
    ofAverages,
    'int f() {\n  int sum = 0;\n  for (int i = 0; i < N; i++) {\n    sum += analogRead(A0);\n  }\n  return sum;\n}\n',
    'int f() {\n  int sum = 0;\n  for (int i = 0; i < N; i++) {\n    sum += analogRead(A0);\n  }\n  return sum / N;\n}\n',
  ],
  [
    'what was just kept',
    ofReturns,
    'bool f() {\n  stable = now;\n  return !stable;\n}\n',
    'bool f() {\n  stable = now;\n  return stable;\n}\n',
  ],
  [
    'what is worked out last',
    ofReturns,
    'float c() {\n  float v = 3;\n  (v - 1) * 2;\n}\n',
    'float c() {\n  float v = 3;\n  return (v - 1) * 2;\n}\n',
  ],
  [
    'a new object keeps its pin',
    ofCppClasses,
    BUTTON('Button(int p) {}'),
    BUTTON('Button(int p) : pin(p) {}'),
  ],
  [
    'a field and what is given',
    ofCppClasses,
    BUTTON('Button(int pin) { pin = pin; }'),
    BUTTON('Button(int pin) { this->pin = pin; }'),
  ],
  [
    'a reading brought to two ends that nobody uses',
    ofIdleNames,
    `const int MIN_V = 10;\nconst int MAX_V = 40;\nint v() {\n  return analogRead(A1);\n}\n`,
    `const int MIN_V = 10;\nconst int MAX_V = 40;\nint v() {\n  return map(analogRead(A1), 0, 1023, MIN_V, MAX_V);\n}\n`,
  ],
  [
    'a pin that is only made ready',
    ofIdleNames,
    `const byte UP = 2;\nconst byte DOWN = 3;\nvoid setup() { pinMode(UP, INPUT); pinMode(DOWN, INPUT); }\n${LOOP('  if (isOn(UP)) go(1);\n  if (isOn(UP)) go(2);')}`,
    `const byte UP = 2;\nconst byte DOWN = 3;\nvoid setup() { pinMode(UP, INPUT); pinMode(DOWN, INPUT); }\n${LOOP('  if (isOn(UP)) go(1);\n  if (isOn(DOWN)) go(2);')}`,
  ],
  [
    'pins of a loop',
    ofIdleNames,
    `${LOOP('  for (int i = 0; i < 3; i++) {\n    pinMode(FIRST + i, OUTPUT);\n  }\n  for (int i = 0; i < 3; i++) {\n    digitalWrite(FIRST, HIGH);\n  }')}`,
    `${LOOP('  for (int i = 0; i < 3; i++) {\n    pinMode(FIRST + i, OUTPUT);\n  }\n  for (int i = 0; i < 3; i++) {\n    digitalWrite(FIRST + i, HIGH);\n  }')}`,
  ],
  [
    'a level that is never taken back',
    ofNeverSwitched,
    `${LOOP('  if (isOn()) {\n    digitalWrite(LED, HIGH);\n  } else {\n    go();\n  }')}`,
    `${LOOP('  if (isOn()) {\n    digitalWrite(LED, HIGH);\n  } else {\n    go();\n    digitalWrite(LED, LOW);\n  }')}`,
  ],
  [
    'a count that only grows',
    ofNeverSwitched,
    `int n = 0;\n${LOOP('  if (isOn()) {\n    n++;\n  }\n  if (isOff()) {\n    show(n);\n  }')}`,
    `int n = 0;\n${LOOP('  if (isOn()) {\n    n++;\n  }\n  if (isOff()) { n = 0;\n    show(n);\n  }')}`,
  ],
];

describe('what the text of a program in C++ speaks for', () => {
  const all = cases.map(([name, rules, before, after, asked = '']) => ({
    name,
    rules,
    before,
    after,
    asked,
  }));

  test.each(all)('$name', ({ rules, before, after, asked }) => {
    expect(made(before, guessed(rules, before, asked))).toContain(plain(after));
  });

  test.each(all)('$name: nothing more is said of it then', ({ rules, before, after, asked }) => {
    const again = guessed(rules, after, asked).map(({ text }) => text);
    const said = guessed(rules, before, asked).map(({ text }) => text);
    expect(again.filter((text) => said.includes(text))).toEqual([]);
  });

  test('a step in one direction only is turned in one of its cases', () => {
    const source = 'int step() {\n  if (up()) return STEP;\n  if (down()) return STEP;\n  return 0;\n}\n';
    expect(guessed(ofReturns, source).map(({ text }) => text)).toEqual(
      expect.arrayContaining([
        'Write -STEP instead of STEP in line 2.',
        'Write -STEP instead of STEP in line 3.',
      ]),
    );
  });
});

describe('where no compiler takes it', () => {
  test('what is used from outside is public', () => {
    const source = BUTTON('Button(int p) : pin(p) {}').replace('  public:\n', '');
    expect(membersMended(formOf(source, 'cpp')).map(({ text }) => text)).toEqual([
      'Add public: after line 1, at the beginning of Button.',
    ]);
  });

  test.each(['Button add;', 'Button add();'])('%s is given the pin that nobody uses', (made) => {
    const source = `const int addPin = 2;\n${BUTTON('Button(int p) : pin(p) {}')}${made}\n`;
    expect(membersMended(formOf(source, 'cpp')).map(({ text }) => text)).toEqual([
      'Write add(addPin) in line 10.',
    ]);
  });

  test('map has five values and constrain three, unless the exercise has the very call', () => {
    const form = formOf('void loop() { a = map(x, 0, 9); b = constrain(x, 0, 1023, 0, 9); }', 'cpp');
    const texts = (asked: string) => limitsAndMaps(form, formOf(asked, 'cpp')).map(({ text }) => text);
    expect(texts('')).toEqual([
      'Write constrain instead of map in line 1.',
      'Write map instead of constrain in line 1.',
    ]);
    expect(texts('v = map(x, 0, 1023, 0, 9);')).toEqual(['Write map instead of constrain in line 1.']);
  });
});
