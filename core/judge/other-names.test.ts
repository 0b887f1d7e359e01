import { describe, expect, test } from 'vitest';
import type { Edit, Observation } from '../findings/finding';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';
import { ofMissingStep } from './repair/counting-steps';
import { fitsItsCall, nameOfPin } from './repair/pins-in-programs';
import { listEnds } from './repair/list-ends';
import { ofMoment } from './repair/moments-kept';
import { tokensOf } from './repair/token-places';

const scenario = {
  name: 'one after the other',
  lasts: 6,
  done: ['press S1 at 1 s for 1 s', 'press S2 at 3 s for 1 s'],
  seen: [
    'D1 is on from 1.2 s to 1.8 s',
    'D1 is off from 2.2 s',
    'D2 is on from 3.2 s to 3.8 s',
    'D2 is off until 2.9 s',
    'D2 is off from 4.2 s',
  ],
};
const inCpp = exerciseSaid({
  id: 'two',
  board: 'learner-5v',
  lines: ['red LED on 8', 'green LED on 9', 'button on 2, pull-up', 'button on 3, pull-up'],
  program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
}
void loop() {
  digitalWrite(8, !digitalRead(2));
  digitalWrite(9, !digitalRead(3));
}
`,
  scenarios: [scenario],
});
const OWN = `const int RED = 8;
const int GREEN = 9;
const int LEFT = 2, RIGHT = 3;

void show(int led, int level) {
  digitalWrite(led, level == LOW);
}

void setup() {
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  pinMode(LEFT, INPUT_PULLUP);
  pinMode(RIGHT, INPUT_PULLUP);
}

void loop() {
  int l = digitalRead(LEFT);
  int r = digitalRead(RIGHT);
  show(RED, l);
  show(GREEN, r);
}
`;
const inPython = exerciseSaid({
  id: 'two-python',
  board: 'python-3v3',
  lines: ['red LED on D5', 'green LED on D6', 'button on D9, pull-up', 'button on D10, pull-up'],
  program: `import board
import digitalio
red = digitalio.DigitalInOut(board.D5)
red.direction = digitalio.Direction.OUTPUT
green = digitalio.DigitalInOut(board.D6)
green.direction = digitalio.Direction.OUTPUT
left = digitalio.DigitalInOut(board.D9)
left.pull = digitalio.Pull.UP
right = digitalio.DigitalInOut(board.D10)
right.pull = digitalio.Pull.UP
while True:
    red.value = not left.value
    green.value = not right.value
`,
  scenarios: [scenario],
});
const OWN_IN_PYTHON = inPython.data.program.replace(
  /while True:[^]*/,
  `def show(led, level):
    led.value = not level

while True:
    a = left.value
    b = right.value
    show(red, a)
    show(green, b)
`,
);

describe('a name that stands in another’s place, in a program of one’s own form', () => {
  test('the programs pass without it', () => {
    expect(reportOnSlip(inCpp, { program: () => OWN }).verdict).toBe('as-drawn');
    expect(reportOnSlip(inPython, { program: () => OWN_IN_PYTHON }).verdict).toBe('as-drawn');
  });

  test.each([
    ['show(RED, l)', 'show(RED, r)', 'Write l instead of r in line 19.'],
    ['show(GREEN, r)', 'show(GREEN, l)', 'Write r instead of l in line 20.'],
    ['show(GREEN, r)', 'show(RED, r)', 'Write GREEN instead of RED in line 20.'],
    ['digitalRead(RIGHT)', 'digitalRead(LEFT)', 'Write RIGHT instead of LEFT in line 18.'],
  ])('%s, with %s', (from, to, repair) => {
    const [cause] = causesIn(inCpp, { program: () => replaced([from, to])(OWN) });
    expect(cause?.repair?.text).toBe(repair);
    expect(cause?.message).toMatch(
      / Line \d+ says “\w+” where “\w+” belongs\.$|^Line \d+ uses \w+ \(pin \d\), but on this wiring it has to be /,
    );
  });

  test.each([
    ['show(red, a)', 'show(red, b)', 'Write a instead of b in line 17.'],
    ['show(green, b)', 'show(red, b)', 'Write green instead of red in line 18.'],
    ['b = right', 'b = left', 'Write right instead of left in line 16.'],
  ])('in Python, %s, with %s', (from, to, repair) => {
    const [cause] = causesIn(inPython, { program: () => replaced([from, to])(OWN_IN_PYTHON) });
    expect(cause?.repair?.text).toBe(repair);
  });

  test('is not told where a direction was left out by it', () => {
    const [cause] = causesIn(inCpp, {
      program: () => replaced(['pinMode(GREEN', 'pinMode(RED'])(OWN),
    });
    expect(cause).toMatchObject({ code: 'direction-unset' });
  });
});

const signal = exerciseSaid({
  id: 'signal',
  board: 'learner-5v',
  lines: ['white LED on 13'],
  program: `void setup() {
  pinMode(13, OUTPUT);
}
void loop() {
  digitalWrite(13, HIGH); delay(200); digitalWrite(13, LOW); delay(200);
  digitalWrite(13, HIGH); delay(600); digitalWrite(13, LOW); delay(200);
  digitalWrite(13, HIGH); delay(300); digitalWrite(13, LOW); delay(1000);
}
`,
  scenarios: [
    {
      name: 'calls',
      lasts: 9,
      done: [],
      seen: ['D1 is lit 0.2 s, dark 0.2 s, lit 0.6 s, dark 0.2 s, lit 0.3 s, dark 1 s'],
    },
  ],
});

test('what is put in elsewhere is not told as a moment that is not kept, or a loop without its step', () => {
  const seen: Observation = {
    code: 'not-lit',
    severity: 'fault',
    message: 'It is dark.',
    hints: ['', '', ''],
  };
  const source = `int next(int i) {
  return i;
}
void loop() {
  last = millis();
  if (down) {
    count = 0;
  }
}
`;
  const putIn = (line: number, column: number, by: string): readonly Edit[] => [
    { replace: { line, column, length: 0, by } },
  ];
  expect(ofMoment(seen, putIn(2, 11, ' + 500'), source)).toBeUndefined();
  expect(ofMoment(seen, putIn(5, 18, ' + 500'), source)?.message).toContain('keeps the time as it is now');
  expect(ofMissingStep(seen, putIn(7, 15, ' count++;'), source)).toBeUndefined();
});

describe('a loop that leaves out a part of its list', () => {
  const form = (head: string, before = ''): string => `int times[] = { 200, 600, 300 };
${before}
void setup() {
  pinMode(13, OUTPUT);
}
void loop() {
  for (${head}) {
    digitalWrite(13, HIGH);
    delay(times[i]);
    digitalWrite(13, LOW);
    delay(200);
  }
  delay(800);
}
`;
  test.each([
    ['int i = 0; i < 2; i++', '', 'Write 3 instead of 2 in line 7.'],
    ['int i = 1; i < 3; i++', '', 'Write 0 instead of 1 in line 7.'],
    ['int i = 0; i <= 1; i++', '', 'Write 2 instead of 1 in line 7.'],
    ['int i = 0; i < COUNT; i++', 'const int COUNT = 2;', 'Write 3 instead of 2 in line 2.'],
  ])('%s', (head, before, repair) => {
    const [cause] = causesIn(signal, { program: () => form(head, before) });
    expect(cause?.repair?.text).toBe(repair);
  });
});

test('in Python the ends of a range are those of its list', () => {
  const source = 'times = [1, 2, 3]\nfor i in range(1, 2):\n    time.sleep(times[i])\n';
  expect(listEnds(source, 'python').map(({ token, by }) => [token.text, by])).toEqual([
    ['2', '3'],
    ['1', '0'],
  ]);
});

test('a counter is no name of a pin, and what is set is no pin that is read', () => {
  expect(nameOfPin('for (int pin = 8; pin < 10; pin++) {}', 8)).toBe('8');
  expect(nameOfPin('int pin = 8;', 8)).toBe('pin');
  const tokens = tokensOf('digitalWrite(7, HIGH); digitalRead(2);', 'cpp');
  const at = (text: string): number => tokens.findIndex((token) => token.text === text);
  expect([7, 2].map((pin) => fitsItsCall(tokens, at('7'), pin, [7]))).toEqual([true, false]);
  expect([7, 2].map((pin) => fitsItsCall(tokens, at('2'), pin, [7]))).toEqual([false, true]);
});
