import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, withoutParts } from '../testing/said-slips';

const colours = exerciseSaid({
  id: 'colours',
  board: 'learner-5v',
  lines: ['RGB LED on 11, 10, 9'],
  program: `void show(int r, int g, int b) {
  analogWrite(11, r);
  analogWrite(10, g);
  analogWrite(9, b);
}

void setup() {
  show(0, 0, 0);
  delay(1000);
  show(255, 0, 0);
  delay(1000);
  show(0, 0, 0);
  delay(1000);
  show(0, 0, 255);
  delay(1000);
  show(0, 0, 0);
}

void loop() {}
`,
  scenarios: [
    {
      name: 'two flashes',
      lasts: 6,
      done: [],
      seen: [
        'D1 is dark until 0.9 s',
        'D1 is on from 1.1 s to 1.9 s',
        'D1 flashes 2 times',
        'the RGB LED is off from 4.2 s',
      ],
    },
  ],
});

describe('an LED with several lights', () => {
  test('is lit while any of them is, and dark while none is', () => {
    const report = reportOnSlip(colours, {});
    expect(report.verdict).toBe('as-drawn');
    expect(report.scenarios[0]!.expectations.every(({ passed }) => passed)).toBe(true);
  });

  test('that stays lit is told by its name, with its line', () => {
    const [cause] = causesIn(colours, {
      program: replaced(['delay(1000);\n  show(0, 0, 0);\n}', 'delay(1000);\n}']),
    });
    expect(cause?.message).toContain('The RGB LED D1');
    expect(cause?.repair?.text).toBe('Add show(0, 0, 0); after line 15.');
  });

  test('is told of the light that is missing in it', () => {
    const [cause] = causesIn(colours, { rows: withoutParts('R3') });
    expect(cause?.code).toBe('part-missing');
  });
});
