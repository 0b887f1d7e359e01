import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import type { Language } from '../../../program';
import { guessesAt, spokenForAt, type Guess } from '.';
import { formOf } from './form';
import { statementsMissing } from './missing';

const CPP = `int state = 0;

void show(int level) {
  digitalWrite(8, level);
}

void loop() {
  if (digitalRead(2) == LOW) {
    state = 1 - state;
    show(state);
    delay(20);
  } else {
  }
}
`;
const PYTHON = `state = False
while True:
    if not button.value:
        state = not state
        led.value = state
    else:
        pass
    time.sleep(0.02)
`;
const NOTHING = { unset: [], milliseconds: [] };
const all = (source: string, language: Language): readonly Guess[] => [
  ...spokenForAt(source, language, 'delay(50);', NOTHING),
  ...guessesAt(source, language, 'delay(50);', NOTHING),
];
const made = (source: string, { edits }: Guess): string => edits.reduce(applyTextEdit, source);
const textsOf = (guesses: readonly Guess[]): readonly string[] => guesses.map(({ text }) => text);

describe('the form of a program', () => {
  test('in C++ is its blocks, with the statements that stand alone in them', () => {
    const { blocks } = formOf(CPP, 'cpp');
    expect(blocks.map(({ head, isEmpty, statements }) => [head, isEmpty, statements.length])).toEqual([
      ['function', false, 1],
      ['function', false, 0],
      ['if', false, 3],
      ['else', true, 0],
    ]);
  });

  test('in Python is the same, by what is indented', () => {
    const { blocks } = formOf(PYTHON, 'python');
    expect(blocks.map(({ head, isEmpty, statements }) => [head, isEmpty, statements.length])).toEqual([
      ['none', false, 1],
      ['loop', false, 1],
      ['if', false, 2],
      ['else', true, 0],
    ]);
  });

  test.each([
    ['', 'cpp'],
    ['void loop() {', 'cpp'],
    ['}}} else ) {', 'cpp'],
    ['if x:', 'python'],
    ['    else:\nelse', 'python'],
  ] as const)('of the piece “%s” is taken as it comes', (source, language) => {
    expect(() => all(source, language)).not.toThrow();
  });
});

describe('guesses', () => {
  test('put once more what stands several times, behind the last of them', () => {
    const source = 'void loop() {\n  dot();\n  dot();\n  dash();\n}\n';
    expect(textsOf(all(source, 'cpp'))[0]).toBe('Add dot(); after line 3.');
  });

  test('switch the other way what is switched one way only', () => {
    const source = 'void loop() {\n  digitalWrite(9, HIGH);\n  delay(200);\n}\n';
    expect(textsOf(statementsMissing(formOf(source, 'cpp'), NOTHING))).toEqual([
      'Add digitalWrite(9, LOW); after line 1.',
      'Add digitalWrite(9, LOW); after line 2.',
      'Add digitalWrite(9, LOW); after line 3.',
    ]);
    expect(
      statementsMissing(formOf(`${source}void off() {\n  digitalWrite(9, LOW);\n}\n`, 'cpp'), NOTHING),
    ).toEqual([]);
  });

  test.each([
    ['cpp', CPP],
    ['python', PYTHON],
  ] as const)('in %s each change something, say where, and none is another', (language, source) => {
    const guesses = all(source, language);
    const results = guesses.map((guess) => made(source, guess));
    expect(guesses.length).toBeGreaterThan(30);
    for (const [index, { text, cost }] of guesses.entries()) {
      expect(results[index], text).not.toBe(source);
      expect(text).toMatch(/line \d+.*\.$/);
      expect(cost).toBeGreaterThan(0);
    }
  });

  test('of a function are none of what every object has', () => {
    const source = 'int toString(int a) {\n  return constructor(a) + valueOf(a);\n}\n';
    for (const guess of all(source, 'cpp')) expect(made(source, guess)).not.toContain('native');
  });

  test('are none in a program that is too long to be guessed at', () => {
    const long = `void loop() {\n${'  digitalWrite(8, HIGH);\n'.repeat(800)}}\n`;
    expect(all(long, 'cpp')).toEqual([]);
  });

  test('begin with the likeliest', () => {
    const costs = guessesAt(CPP, 'cpp', '', NOTHING).map(({ cost }) => cost);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  test.each([
    ['Write analogRead instead of digitalRead in line 8.'],
    ['Write + instead of - in line 9.'],
    ['Write 50 instead of 20 in line 11.'],
    ['Write 2 instead of 20 in line 11.'],
    ['Move line 10 before line 9.'],
    ['Remove show(state); from line 10.'],
    ['Exchange 8 and level in line 4.'],
  ])('in C++ have “%s”', (text) => {
    expect(textsOf(all(CPP, 'cpp'))).toContain(text);
  });

  test.each([
    ['Move line 5 before line 4.'],
    ['Remove state = not state from line 4.'],
    ['Write 0.2 instead of 0.02 in line 8.'],
  ])('in Python have “%s”', (text) => {
    expect(textsOf(all(PYTHON, 'python'))).toContain(text);
  });
});

describe('statements that are missing', () => {
  const missing = (source: string, language: Language = 'cpp', unset: readonly string[] = []) =>
    textsOf(statementsMissing(formOf(source, language), { unset, milliseconds: [] }));

  test('of an empty block', () => {
    expect(missing(CPP)).toContain('Add delay(20); after line 12.');
  });

  test('of the pins of a list that a loop was to make outputs', () => {
    const source = 'int pins[3] = { 8, 9, 10 };\nvoid setup() {\n  for (int i = 0; i < 3; i++) {\n  }\n}\n';
    expect(missing(source)).toContain('Add pinMode(pins[i], OUTPUT); after line 3.');
  });

  test('of a value that a function is given and does nothing with', () => {
    const found = missing('void wait(int time) {\n  digitalWrite(8, LOW);\n}\n');
    expect(found).toContain('Add delay(time); after line 2.');
  });

  test('of a list that nothing looks into', () => {
    const source =
      'int times[] = { 1, 2 };\nvoid loop() {\n  for (int i = 0; i < 2; i++) {\n    blink();\n  }\n}\n';
    expect(missing(source)).toContain('Add delay(times[i]); after line 4.');
  });

  test('of an object that was never told its pin, and of one that is never moved', () => {
    const source = 'Servo arm;\nvoid setup() {\n  begin();\n}\nvoid loop() {\n  int angle = 5;\n}\n';
    expect(missing(source, 'cpp', ['9'])).toEqual(
      expect.arrayContaining(['Add arm.attach(9); after line 2.', 'Add arm.write(angle); after line 6.']),
    );
  });

  test('are none of a program that lacks nothing', () => {
    expect(
      missing(
        'void loop() {\n  digitalWrite(8, HIGH);\n  delay(20);\n  digitalWrite(8, LOW);\n  delay(30);\n}\n',
      ),
    ).toEqual([]);
  });
});
