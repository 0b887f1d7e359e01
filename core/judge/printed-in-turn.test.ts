import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip } from '../testing/said-slips';

const cpp = (counts: string): string => `void setup() {
  Serial.begin(9600);
${counts}
  Serial.println("Lift-off!");
}

void loop() {
}
`;
const scenario = {
  name: 'count',
  lasts: 5,
  done: [],
  seen: ['counts down from 3 to 1 every second', 'prints "Lift-off!" once'],
};
const countdown = exerciseSaid({
  id: 'countdown',
  board: 'learner-5v',
  lines: ['red LED on 8'],
  program: cpp(`  for (int n = 3; n >= 1; n--) {
    Serial.println(n);
    delay(1000);
  }`),
  scenarios: [scenario],
});
const python = (counts: string): string => `import time

${counts}
print("Lift-off!")
while True:
    time.sleep(1)
`;
const pythonCountdown = exerciseSaid({
  id: 'python-countdown',
  board: 'python-3v3',
  lines: ['red LED on D8'],
  program: python(`for n in range(3, 0, -1):
    print(n)
    time.sleep(1)`),
  scenarios: [scenario],
});

const written = (source: string) => ({ program: (): string => source });
const inCpp = (counts: string) => causesIn(countdown, written(cpp(counts)));
const inPython = (counts: string) => causesIn(pythonCountdown, written(python(counts)));

describe('a countdown in one’s own way', () => {
  const whileLoop = (body: string): string => `  int n = 3;
  while (n > 0) {
${body}
  }`;

  test.each([
    ['a while', whileLoop('    Serial.println(n);\n    delay(1000);\n    n--;')],
    [
      'line by line',
      '  Serial.println(3); delay(1000);\n  Serial.println("2"); delay(1000);\n  Serial.println(1);',
    ],
    ['with words', '  for (int n = 3; n; n--) { Serial.print("T minus "); Serial.println(n); delay(1000); }'],
  ])('passes: %s', (_, counts) => {
    expect(reportOnSlip(countdown, written(cpp(counts))).verdict).toBe('as-drawn');
  });

  test.each([
    ['without its step', whileLoop('    Serial.println(n);\n    delay(1000);'), 'Add n--; after line 6.'],
    [
      'with its step too early',
      whileLoop('    n--;\n    Serial.println(n);\n    delay(1000);'),
      'Move line 5 behind line 7.',
    ],
    [
      'with one line left out',
      '  Serial.println("3");\n  delay(1000);\n  Serial.println("1");\n  delay(1000);',
      'Add Serial.println("2"); delay(1000); after line 4.',
    ],
    [
      'with two lines exchanged',
      '  Serial.println("3");\n  delay(1000);\n  Serial.println("1");\n  delay(1000);\n  Serial.println("2");\n  delay(1000);',
      'Exchange "1" in line 5 and "2" in line 7.',
    ],
    [
      'with one pause left out',
      '  Serial.println("3");\n  Serial.println("2");\n  delay(1000);\n  Serial.println("1");',
      'Add delay(1000); after line 3.',
    ],
  ])('is mended: %s', (_, counts, text) => {
    const [cause, ...others] = inCpp(counts);
    expect(cause?.repair?.text).toBe(text);
    expect(others).toEqual([]);
  });

  test.each([
    ['without its step', 'n = 3\nwhile n > 0:\n    print(n)\n    time.sleep(1)', 'Add n -= 1 after line 6.'],
    [
      'with its step too early',
      'n = 3\nwhile n > 0:\n    n -= 1\n    print(n)\n    time.sleep(1)',
      'Move line 5 behind line 7.',
    ],
    [
      'with one line left out',
      'print("3")\ntime.sleep(1)\nprint("1")\ntime.sleep(1)',
      'Add print("2") and time.sleep(1) after line 4.',
    ],
    [
      'with two lines exchanged',
      'print("3")\ntime.sleep(1)\nprint("1")\ntime.sleep(1)\nprint("2")',
      'Exchange "1" in line 5 and "2" in line 7.',
    ],
    [
      'with one pause left out',
      'print(3)\nprint(2)\ntime.sleep(1)\nprint(1)',
      'Add time.sleep(1) after line 3.',
    ],
  ])('is mended in Python: %s', (_, counts, text) => {
    const [cause, ...others] = inPython(counts);
    expect(cause?.repair?.text).toBe(text);
    expect(others).toEqual([]);
  });

  test('is told as one slip where two texts are in each other’s places', () => {
    const hail = (first: string, second: string): string => `void setup() {
  Serial.begin(9600);
}

void loop() {
  Serial.println("${first}");
  delay(500);
  Serial.println("${second}");
  delay(900);
}
`;
    const exercise = exerciseSaid({
      id: 'hail',
      board: 'learner-5v',
      lines: ['red LED on 8'],
      program: hail('ahoy', 'over'),
      scenarios: [{ ...scenario, seen: ['prints "ahoy", then "over"'] }],
    });
    const [cause, ...others] = causesIn(exercise, written(hail('over', 'ahoy')));
    expect(cause?.repair?.text).toBe('Exchange "over" in line 6 and "ahoy" in line 8.');
    expect(others).toEqual([]);
  });

  test('says that a loop never ends, and why', () => {
    expect(inCpp(whileLoop('    Serial.println(n);\n    delay(1000);'))[0]?.message).toContain(
      'Nothing in the loop that ends in line 6 changes n, so the loop never ends.',
    );
  });

  test('gets its step where the exercise has another kind of loop in its place', () => {
    const source = `int n = 3;\n${cpp('  while (n > 0) {\n    Serial.println(n);\n    delay(1000);\n  }')}`;
    const [cause, ...others] = causesIn(countdown, written(source));
    expect(cause?.repair?.text).toBe('Add n--; after line 6.');
    expect(others).toEqual([]);
  });

  test('says so in Python too', () => {
    expect(inPython('n = 3\nwhile n > 0:\n    print(n)\n    time.sleep(1)')[0]?.message).toContain(
      'Nothing in the loop that ends in line 6 changes n, so the loop never ends.',
    );
  });

  test('is told where it leaves the order', () => {
    const messageOf = (counts: string): string | undefined => inCpp(counts)[0]?.message;
    const loop = (head: string): string => `  for (${head}) {\n    Serial.println(n);\n    delay(1000);\n  }`;
    expect(messageOf(loop('int n = 4; n >= 1; n--'))).toContain('prints “4” first; it should print 3 there');
    expect(messageOf(loop('int n = 3; n >= 1; n -= 2'))).toContain(
      'prints “1” after “3”; it should print 2 there',
    );
    expect(messageOf(loop('int n = 3; n > 1; n--'))).toContain(
      'nothing more after “2”; it should print 1 next',
    );
  });
});

describe('what is printed at each press', () => {
  const press = {
    name: 'two presses',
    lasts: 5,
    done: ['press S1 at 1 s for 0.5 s', 'press S1 at 3 s for 0.5 s'],
    seen: ['prints "ding" twice'],
  };
  const inEach = (acts: string): string => `void setup() {
  Serial.begin(9600);
  pinMode(2, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(2) == LOW) {
${acts}
  }
}
`;
  const bell = exerciseSaid({
    id: 'bell',
    board: 'learner-5v',
    lines: ['button on 2, pull-up'],
    program: inEach(
      '    Serial.println("ding");\n    delay(20);\n    while (digitalRead(2) == LOW) {}\n    delay(20);',
    ),
    scenarios: [press],
  });

  test('is told to be printed for as long as the button is held', () => {
    const [cause, ...others] = causesIn(bell, written(inEach('    Serial.println("ding");\n    delay(20);')));
    expect(cause).toMatchObject({
      code: 'repeats-while-held',
      line: 7,
      repair: { text: 'Add while (digitalRead(2) == LOW) {} delay(20); after line 9.' },
    });
    expect(others).toEqual([]);
  });

  test('is told so in Python too', () => {
    const loop = (acts: string): string => `import board
import digitalio
import time

button = digitalio.DigitalInOut(board.D2)
button.switch_to_input(pull=digitalio.Pull.UP)

while True:
    if not button.value:
${acts}
`;
    const exercise = exerciseSaid({
      id: 'python-bell',
      board: 'python-3v3',
      lines: ['button on D2, pull-up'],
      program: loop(
        '        print("ding")\n        time.sleep(0.02)\n        while not button.value:\n            pass\n        time.sleep(0.02)',
      ),
      scenarios: [press],
    });
    const [cause] = causesIn(exercise, written(loop('        print("ding")\n        time.sleep(0.02)')));
    expect(cause).toMatchObject({ code: 'repeats-while-held', line: 9 });
    expect(cause?.repair?.text).toContain('while not button.value:');
  });
});
