import { expect, test } from 'vitest';
import { toldInWords } from './told';

const finding = {
  code: 'polarity-reversed',
  message: 'The red LED D1 is the wrong way round.',
  hints: ['Which leg of the LED is longer?', 'Look at D1.', 'Turn the LED round.'],
  evidence: { reverseVolts: { amount: 5, unit: 'V' } },
  repair: { text: 'Turn the red LED D1 round.', edits: [{ flip: 'D1' }] },
};

test('sentences are told in plain words, and nothing else is touched', () => {
  const report = { title: 'LED', program: 'int LED = 13;', findings: [finding], at: new Map([['LED', 1]]) };
  expect(toldInWords(report, 'plain')).toEqual({
    ...report,
    findings: [
      {
        ...finding,
        message: 'The red lamp D1 is the wrong way round.',
        hints: ['Which leg of the lamp is longer?', 'Look at D1.', 'Turn the lamp round.'],
        repair: { ...finding.repair, text: 'Turn the red lamp D1 round.' },
      },
    ],
  });
  expect(toldInWords(report, 'technical')).toBe(report);
});
