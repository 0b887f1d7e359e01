import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip } from '../testing/said-slips';

const scenario = {
  name: 'all the way',
  lasts: 8,
  done: ['turn P1 to 10 % at 0 s', 'turn P1 to 50 % at 2 s', 'turn P1 to 90 % at 4 s'],
};
const cpp = (asks: string): string => `const int RED = 9;
const int YELLOW = 10;
const int GREEN = 11;

void only(int pin) {
  digitalWrite(RED, pin == RED);
  digitalWrite(YELLOW, pin == YELLOW);
  digitalWrite(GREEN, pin == GREEN);
}

void setup() {
  pinMode(RED, OUTPUT);
  pinMode(YELLOW, OUTPUT);
  pinMode(GREEN, OUTPUT);
}

void loop() {
  int level = analogRead(A0);
${asks}
}
`;
const bands = exerciseSaid({
  id: 'bands',
  board: 'learner-5v',
  lines: ['red LED on 9', 'yellow LED on 10', 'green LED on 11', 'potentiometer on A0'],
  program: cpp(`  if (level < 300) only(GREEN);
  else if (level < 700) only(YELLOW);
  else only(RED);`),
  scenarios: [
    {
      ...scenario,
      seen: ['only D3 is on until 2 s', 'only D2 is on from 2.1 s to 4 s', 'only D1 is on from 4.1 s'],
    },
  ],
});

const python = (asks: string): string => `import board
import analogio
import digitalio
import time

knob = analogio.AnalogIn(board.A0)
low = digitalio.DigitalInOut(board.D9)
low.direction = digitalio.Direction.OUTPUT
high = digitalio.DigitalInOut(board.D10)
high.direction = digitalio.Direction.OUTPUT

while True:
    level = knob.value
${asks}
    time.sleep(0.05)
`;
const halves = exerciseSaid({
  id: 'halves',
  board: 'python-3v3',
  lines: ['red LED on D9', 'green LED on D10', 'potentiometer on A0'],
  program: python(`    low.value = level < 20000
    high.value = level > 45000`),
  scenarios: [
    {
      ...scenario,
      seen: [
        'only D1 is on until 2 s',
        'D1 is off from 2.1 s',
        'D2 is off from 2.1 s to 4 s',
        'only D2 is on from 4.1 s',
      ],
    },
  ],
});

const written = (source: string) => ({ program: () => source });

describe('questions that are asked one behind the other', () => {
  const cases: readonly (readonly [string, string, string])[] = [
    [
      'two of which are met at once',
      `  if (level < 300) only(GREEN);
  if (level < 700) only(YELLOW);
  if (level >= 700) only(RED);`,
      'Write else before if in line 20.',
    ],
    [
      'with an else that belongs to the last of them alone',
      `  if (level < 300) {
    only(GREEN);
  }
  if (level >= 300 && level < 500) {
    only(YELLOW);
  }
  if (level >= 500 && level < 700) {
    only(YELLOW);
  } else {
    only(RED);
  }`,
      'Write else if instead of if in lines 22 and 25.',
    ],
  ];
  test.each(cases)('%s are made one chain', (_, asks, repair) => {
    const [cause, ...others] = causesIn(bands, written(cpp(asks)));
    expect(cause?.repair?.text).toBe(repair);
    expect(cause?.message).toMatch(/even when a question before (?:it|them) was met/);
    expect(others).toEqual([]);
  });

  test('are made one chain in Python too', () => {
    const asks = `    if level < 20000:
        low.value = True
        high.value = False
    if level > 45000:
        low.value = False
        high.value = True
    else:
        low.value = False
        high.value = False`;
    const [cause] = causesIn(halves, written(python(asks)));
    expect(cause?.repair?.text).toBe('Write elif instead of if in line 17.');
  });

  test('pass as they are where no two are met at once', () => {
    const asks = `  if (level < 300) only(GREEN);
  if (level >= 300 && level < 700) only(YELLOW);
  if (level >= 700) only(RED);`;
    expect(reportOnSlip(bands, written(cpp(asks))).verdict).toBe('as-drawn');
  });
});

describe('what is switched on and never off', () => {
  const never = 'no line switches any of them off';

  test('is switched off wherever another one is switched on', () => {
    const asks = `  if (level < 300) digitalWrite(GREEN, HIGH);
  else if (level < 700) digitalWrite(YELLOW, HIGH);
  else digitalWrite(RED, HIGH);`;
    const source = cpp(asks).replace(/void only[\s\S]*?\n\}\n\n/, '');
    const [cause, ...others] = causesIn(bands, written(source));
    expect(cause?.repair?.text).toBe(
      'Switch the others off wherever one is switched on: in lines 13, 14 and 15.',
    );
    expect(cause?.message).toContain(never);
    expect(others).toEqual([]);
  });

  test('is so in Python too', () => {
    const asks = `    if level < 20000:
        low.value = True
    if level > 45000:
        high.value = True`;
    const twoEnds = {
      ...halves,
      data: {
        ...halves.data,
        scenarios: halves.data.scenarios.map((one) => ({
          ...one,
          expect: one.expect.filter((expectation) => !('from' in expectation && expectation.from === 2.1)),
        })),
      },
    };
    const [cause] = causesIn(twoEnds, written(python(asks)));
    expect(cause?.repair?.text).toBe(
      'Switch the others off wherever one is switched on: in lines 15 and 17.',
    );
    expect(cause?.message).toContain(never);
  });
});

describe('a side of a question', () => {
  test('that lacks its negation is turned round, told by its place among its like', () => {
    const program = cpp(`  bool isLow = level < 300;
  bool isHigh = level >= 700;
  if (isLow) only(GREEN);
  if (isHigh && isLow) only(YELLOW);
  if (!isHigh && !isLow) only(YELLOW);
  if (!isHigh && !isLow && isHigh) only(GREEN);
  if (!isHigh) return;
  only(RED);`);
    expect(reportOnSlip(bands, written(program)).verdict).toBe('as-drawn');
    const [cause, ...others] = causesIn(
      bands,
      written(program.replace('!isHigh && !isLow) ', '!isHigh && isLow) ')),
    );
    expect(cause?.repair?.text).toBe('Put ! before isLow in line 23.');
    expect(cause?.code).toBe('logic-inverted');
    expect(others).toEqual([]);
  });
});

const turned = exerciseSaid({
  id: 'turned',
  board: 'learner-5v',
  lines: ['red LED on 9', 'potentiometer on A0'],
  program: `void setup() {
  pinMode(9, OUTPUT);
}

void loop() {
  int level = analogRead(A0);
  digitalWrite(9, level > 600);
}
`,
  scenarios: [{ ...scenario, seen: ['D1 is off until 3.9 s', 'D1 is on from 4.2 s'] }],
});

describe('what is read once and should be read again and again', () => {
  const loop = `void loop() {
  if (turned > 600) digitalWrite(led, HIGH);
  else digitalWrite(led, LOW);
}
`;
  const setup = (more: string): string => `void setup() {
  pinMode(led, OUTPUT);
${more}}
`;
  const cases: readonly (readonly [string, string, string])[] = [
    [
      'in setup is moved',
      `int led = 9;\nint turned;\n${setup('  turned = analogRead(A0);\n')}${loop}`,
      'Move line 5 into the loop, behind line 7.',
    ],
    [
      'before all functions is read there again',
      `int led = 9;\nint turned = analogRead(A0);\n${setup('')}${loop}`,
      'Add turned = analogRead(A0); after line 6.',
    ],
    [
      'into a constant frees that',
      `int led = 9;\nconst int turned = analogRead(A0);\n${setup('')}${loop}`,
      'Add turned = analogRead(A0); after line 6, and remove const from line 2.',
    ],
    [
      'by a function is asked of it again',
      `int led = 9;\nint turned;\nvoid look() { turned = analogRead(A0); }\n${setup('  look();\n')}${loop}`,
      'Move line 6 into the loop, behind line 8.',
    ],
    [
      'under a name of setup is moved to where the name is asked for',
      `int led = 9;\n${setup('  int turned = analogRead(A0);\n')}${loop}`,
      'Move line 4 into the loop, behind line 6.',
    ],
  ];
  test.each(cases)('%s', (_, source, repair) => {
    const causes = causesIn(turned, written(source));
    expect(causes.map((cause) => cause.repair?.text)).toEqual([repair]);
  });

  test('before the loop of Python is moved into it', () => {
    const source = python('')
      .replace('    level = knob.value\n\n', '')
      .replace(
        'while True:',
        `seen = knob.value
while True:
    if seen < 20000:
        low.value = True
    else:
        low.value = False
    if seen > 45000:
        high.value = True
    else:
        high.value = False`,
      );
    const [cause] = causesIn(halves, written(source));
    expect(cause?.repair?.text).toBe('Move line 12 into the loop, behind line 13.');
  });
});
