import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../expectations';
import { proposedScenarios } from '../generated/proposals';
import { grammars } from '../testing/beacon';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, type SaidSlip } from '../testing/said-slips';

/** A timer that counts down in figures once its button is pressed. */
const timer = exerciseSaid({
  id: 'count-down',
  board: 'learner-5v',
  lines: ['seven-segment display on 2-8 with 220', 'button on 9, pull-up'],
  program: `const int SEGMENTS[] = {2, 3, 4, 5, 6, 7, 8};
const int BUTTON = 9;
const byte FIGURES[] = {
  B0111111, B0000110, B1011011, B1001111, B1100110, B1101101
};

void show(int figure) {
  for (int i = 0; i < 7; i++) {
    digitalWrite(SEGMENTS[i], bitRead(FIGURES[figure], i));
  }
}

void blank() {
  for (int i = 0; i < 7; i++) digitalWrite(SEGMENTS[i], LOW);
}

void setup() {
  for (int i = 0; i < 7; i++) pinMode(SEGMENTS[i], OUTPUT);
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(BUTTON) == LOW) {
    for (int left = 5; left >= 0; left--) {
      show(left);
      delay(500);
    }
    blank();
  }
}
`,
  scenarios: [
    {
      name: 'from five',
      lasts: 5,
      done: ['press S1 at 0.3 s for 0.2 s'],
      seen: ['D1 is blank until 0.25 s', 'D1 shows 5, 4, 3, 2, 1, 0', 'D1 is dark from 3.5 s'],
    },
  ],
});

const slips: readonly (SaidSlip & { readonly says?: string })[] = [
  {
    name: 'a segment left out of a figure',
    program: replaced(['B1001111', 'B1001110']),
    code: 'picture-off',
    says: 'with segments b, c, d and g lit after 4, from 1.3 s to 1.8 s; it should show 3 next: segment a should be lit.',
    repair: 'Write B1001111 instead of B1001110 in line 4.',
  },
  {
    name: 'figures in each other’s places',
    program: replaced(['B1011011, B1001111', 'B1001111, B1011011']),
    code: 'picture-off',
    says: 'shows 2 after 4',
  },
  {
    name: 'a figure too few',
    program: replaced(['left >= 0', 'left > 0']),
    code: 'picture-off',
    says: 'shows nothing after 1',
    repair: 'Write >= instead of > in line 24.',
  },
  {
    name: 'a segment too few',
    program: replaced(['i < 7; i++) {\n    digitalWrite', 'i < 6; i++) {\n    digitalWrite']),
    code: 'picture-off',
    says: 'and never 5; it should show 5, then 4, then 3',
    repair: 'Write 7 instead of 6 in line 8.',
  },
  {
    name: 'every segment the other way round',
    program: replaced(['bitRead(FIGURES[figure], i)', '!bitRead(FIGURES[figure], i)']),
    code: 'logic-inverted',
    repair: 'Remove ! in line 9.',
  },
  {
    name: 'no outputs: a whole loop left out, before a line that begins like its body',
    program: replaced(['  for (int i = 0; i < 7; i++) pinMode(SEGMENTS[i], OUTPUT);\n', '']),
    code: 'direction-unset',
    repair: 'Add for (int i = 0; i < 7; i++) pinMode(SEGMENTS[i], OUTPUT); after line 17.',
  },
  {
    name: 'not cleared at the end',
    program: replaced(['    blank();\n', '']),
    code: 'no-effect',
  },
  {
    name: 'wires of two segments swapped',
    rows: replaced(['U1.4', 'U1.99'], ['U1.5', 'U1.4'], ['U1.99', 'U1.5']),
    code: 'wrong-pin',
  },
  {
    name: 'the other sort of display',
    rows: (table) => table.replaceAll('common-cathode', 'common-anode'),
    code: 'wrong-part',
  },
];

describe('figures on a seven-segment display', () => {
  test('are seen of the exercise’s own build', () => {
    expect(reportOnSlip(timer, {})).toMatchObject({ verdict: 'as-drawn' });
  });

  test.each(slips)('$name', ({ code, says, repair, ...slip }) => {
    const causes = causesIn(timer, slip);
    expect(causes.map((cause) => cause.code)).toEqual([code]);
    if (says !== undefined) expect(causes[0]!.message).toContain(says);
    expect(causes[0]!.repair).toBeDefined();
    if (repair !== undefined) expect(causes[0]!.repair!.text).toBe(repair);
  });

  test('are what is proposed to be seen, not each segment by itself', () => {
    const said = proposedScenarios(timer, grammars).flatMap(({ scenario }) =>
      scenario.expect.map(expectationSentence),
    );
    expect(said.some((sentence) => sentence.startsWith('D1 shows 5 from '))).toBe(true);
    expect(said.filter((sentence) => sentence.includes('D1.'))).toEqual([]);
  });
});
