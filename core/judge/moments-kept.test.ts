import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip } from '../testing/said-slips';

const scenario = { name: 'left alone', lasts: 6, done: [], seen: ['D1 lit 0.5 s, dark 0.5 s'] };
const lines = ['green LED on 9'];
const blinker = exerciseSaid({
  id: 'blinker',
  board: 'learner-5v',
  lines,
  program: `void setup() {
  pinMode(9, OUTPUT);
}

void loop() {
  digitalWrite(9, HIGH);
  delay(500);
  digitalWrite(9, LOW);
  delay(500);
}
`,
  scenarios: [scenario],
});
const own = (body: readonly string[], before = 'unsigned long last = 0;'): string =>
  `${before}
bool on = false;

void setup() {
  pinMode(9, OUTPUT);
}

void loop() {
${body.map((line) => `  ${line}`).join('\n')}
}
`;
const inCpp = (source: string) => causesIn(blinker, { program: () => source });

const [asks, keeps, turns, writes] = [
  'if (millis() - last >= 500) {',
  '  last = millis();',
  '  on = !on;',
  '  digitalWrite(9, on);',
];

describe('a blinker by the clock, for one with pauses', () => {
  test('passes, though it begins with the dark', () => {
    const source = own([asks, keeps, turns, writes, '}']);
    expect(reportOnSlip(blinker, { program: () => source }).verdict).toBe('as-drawn');
  });

  test.each([
    ['keeps no moment', own([asks, turns, writes, '}']), 'Add last = millis(); after line 9.'],
    [
      'keeps it all the time',
      own([asks, turns, writes, '}', 'last = millis();']),
      'Move line 13 behind line 9.',
    ],
    [
      'keeps a moment that is over',
      own(['if (millis() >= due) {', '  due = millis();', turns, writes, '}'], 'unsigned long due = 0;'),
      'Add + 500 to millis() in line 10.',
    ],
    [
      'keeps none to come',
      own(['if (millis() >= due) {', turns, writes, '}'], 'unsigned long due = 0;'),
      'Add due = millis() + 500; after line 9.',
    ],
    [
      'takes the difference the wrong way round',
      own(['if (last - millis() >= 500) {', keeps, turns, writes, '}']),
      'Write millis() - last instead of last - millis() in line 9.',
    ],
    [
      'asks for less time',
      own(['if (millis() - last <= 500) {', keeps, turns, writes, '}']),
      'Write >= instead of <= in line 9.',
    ],
    [
      'reads the clock once',
      own(
        ['if (now - last >= 500) {', '  last = now;', turns, writes, '}'],
        'unsigned long last = 0;\nunsigned long now = millis();',
      ),
      'Add now = millis(); after line 9.',
    ],
    ['turns nothing', own([asks, keeps, writes, '}']), 'Add on = !on; before line 11.'],
  ])('is mended where it %s', (_, source, text) => {
    const [cause, ...others] = inCpp(source);
    expect(cause?.repair?.text).toBe(text);
    expect(others).toEqual([]);
  });

  test('is told what becomes of the check', () => {
    expect(inCpp(own([asks, turns, writes, '}']))[0]?.message).toContain(
      'Line 9 checks the clock against last, but its block never sets last again, so from then on the check is true every time.',
    );
    expect(inCpp(own([asks, turns, writes, '}', 'last = millis();']))[0]?.message).toContain(
      'Line 13 sets last every time round, so the check in line 9 is never true.',
    );
  });
});

const python = (body: readonly string[], before = 'last = time.monotonic()'): string => `import board
import digitalio
import time

led = digitalio.DigitalInOut(board.D9)
led.direction = digitalio.Direction.OUTPUT
${before}
on = False
while True:
${body.map((line) => `    ${line}`).join('\n')}
`;
const pythonBlinker = exerciseSaid({
  id: 'python-blinker',
  board: 'python-3v3',
  lines: ['green LED on D9'],
  program: python(['led.value = True', 'time.sleep(0.5)', 'led.value = False', 'time.sleep(0.5)']),
  scenarios: [scenario],
});
const inPython = (source: string) => causesIn(pythonBlinker, { program: () => source });

describe('a blinker by the clock in Python', () => {
  const [reads, check, kept, other, put] = [
    'now = time.monotonic()',
    'if now - last >= 0.5:',
    '    last = now',
    '    on = not on',
    '    led.value = on',
  ];

  test('passes', () => {
    const source = python([reads, check, kept, other, put]);
    expect(reportOnSlip(pythonBlinker, { program: () => source }).verdict).toBe('as-drawn');
  });

  test.each([
    ['keeps no moment', python([reads, check, other, put]), 'Add last = now after line 11.'],
    [
      'keeps it all the time',
      python([reads, check, other, put, 'last = now']),
      'Move line 14 behind line 11.',
    ],
    [
      'keeps none to come',
      python(['if time.monotonic() >= due:', other, put], 'due = 0'),
      'Add due = time.monotonic() + 0.5 after line 10.',
    ],
    [
      'takes the difference the wrong way round',
      python([reads, 'if last - now >= 0.5:', kept, other, put]),
      'Write now - last instead of last - now in line 11.',
    ],
    [
      'reads the clock once',
      python([check, kept, other, put], 'last = time.monotonic()\nnow = time.monotonic()'),
      'Add now = time.monotonic() after line 10.',
    ],
    ['turns nothing', python([reads, check, kept, put]), 'Add on = not on before line 13.'],
  ])('is mended where it %s', (_, source, text) => {
    const [cause, ...others] = inPython(source);
    expect(cause?.repair?.text).toBe(text);
    expect(others).toEqual([]);
  });
});
