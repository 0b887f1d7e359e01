import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { ownForms } from '../testing/own-forms';
import { replaced, reportOnSlip, type SaidSlip } from '../testing/said-slips';

/** A call for help by a light, with the same program as among those of one's own form. */
const help = exerciseSaid(ownForms.find(({ said }) => said.id === 'help')!.said);

/** Two lights of a level crossing, of which one is always lit. */
const crossing = exerciseSaid({
  id: 'crossing',
  board: 'learner-5v',
  lines: ['red LED on 8', 'red LED on 9'],
  program: `bool left = true;

void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  digitalWrite(8, left);
  digitalWrite(9, !left);
  delay(400);
  left = !left;
}
`,
  scenarios: [
    {
      name: 'in turn',
      lasts: 8,
      done: [],
      seen: ['exactly one of D1 and D2 is on from 0.1 s', 'D1 lit 0.4 s, dark 0.4 s'],
    },
  ],
});

/** Two players, of whom the first to press is shown. */
const race = exerciseSaid({
  id: 'race',
  board: 'learner-5v',
  lines: ['red LED on 8', 'green LED on 9', 'button on 2', 'button on 3'],
  program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
}

void loop() {
  while (true) {
    if (digitalRead(2) == LOW) {
      digitalWrite(8, HIGH);
      break;
    }
    if (digitalRead(3) == LOW) {
      digitalWrite(9, HIGH);
      break;
    }
  }
  delay(5000);
}
`,
  scenarios: [
    {
      name: 'red',
      lasts: 6,
      done: ['press S1 at 1 s for 0.3 s', 'press S2 at 1.6 s for 0.3 s'],
      seen: ['D1 is on from 1.1 s', 'D2 is off'],
    },
    {
      name: 'green',
      lasts: 6,
      done: ['press S2 at 1 s for 0.3 s', 'press S1 at 1.6 s for 0.3 s'],
      seen: ['D2 is on from 1.1 s', 'at most one of D1 and D2 is on'],
    },
  ],
});

const first = (exercise: typeof help, program: SaidSlip['program']) => {
  const { findings, verdict } = reportOnSlip(exercise, { program });
  const cause = findings.find((finding) => finding.cause);
  return { verdict, message: cause?.message, repair: cause?.repair?.text };
};

describe('signals', () => {
  test.each([
    ['at another pace', replaced(['DOT = 200', 'DOT = 120'])],
    ['without pauses between letters', replaced(['delay(2 * DOT);\n', ''])],
    [
      'from a list',
      () =>
        'int t[] = {150, 150, 150, 450, 450, 450, 150, 150, 150};\nvoid setup() { pinMode(9, OUTPUT); }\nvoid loop() { for (int i = 0; i < 9; i++) { digitalWrite(9, HIGH); delay(t[i]); digitalWrite(9, LOW); delay(150); } delay(1500); }\n',
    ],
  ])('pass %s', (_, program) => {
    expect(hasPassed(first(help, program).verdict)).toBe(true);
  });

  test.each([
    [
      'a signal too few',
      replaced(['3; i++) signal(3', '2; i++) signal(3']),
      'Write 3 instead of 2 in line 15.',
    ],
    ['long as short ones', replaced(['3 * DOT', 'DOT']), 'Add 3 * in line 15, right after “signal(”.'],
    [
      'never dark',
      replaced(['  digitalWrite(LIGHT, LOW);\n', '']),
      'Add digitalWrite(LIGHT, LOW); after line 8.',
    ],
    ['another length', replaced(['delay(length)', 'delay(DOT)']), 'Write length instead of DOT in line 8.'],
  ])('of %s are mended', (_, program, repair) => {
    expect(first(help, program)).toMatchObject({ verdict: 'does-not-work', repair });
  });

  test('are told as they were seen', () => {
    expect(first(help, replaced(['3; i++) signal(3', '2; i++) signal(3'])).message).toContain(
      'signals “... -- ...',
    );
  });
});

describe('of two lights always one', () => {
  test.each([
    [replaced(['!left);', 'left);']), /^Line (?:9|10) gives its pin the wrong level/],
    [replaced(['left = !left', 'left = left']), /^Line 12 gives “left” the value that it has already/],
  ])('a level that is not turned is told as one', (program, message) => {
    const told = first(crossing, program);
    expect(told.message).toMatch(message);
    expect(told.repair).toContain('!');
  });

  test('a pair that changes too fast for the eye is no pair in turn', () => {
    const fast = replaced(['digitalWrite(9, !left);\n  delay(400);', 'digitalWrite(9, left);\n  delay(10);']);
    expect(hasPassed(first(crossing, fast).verdict)).toBe(false);
  });
});

test('a loop that is not left is told of the loop, and not of a case', () => {
  const told = first(race, replaced(['HIGH);\n      break;', 'HIGH);']));
  expect(told.message).toMatch(/After line 11 the loop goes on, though it should be over there\.$/);
  expect(told.repair).toBe('Add break; after line 11.');
});
