import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readBegun } from './begun';
import { proposedSentences } from './proposed';

const KINDS: readonly (readonly [prefix: string, kind: string, value?: string])[] = [
  ['D', 'led', 'red'],
  ['D', 'led', 'green'],
  ['D', 'led', 'yellow'],
  ['D', 'rgb-led', 'common-cathode'],
  ['D', 'seven-segment', 'common-cathode'],
  ['S', 'button'],
  ['S', 'switch'],
  ['P', 'potentiometer', '10k'],
  ['L', 'light-sensor', '20k'],
  ['T', 'temperature-sensor'],
  ['X', 'distance-sensor'],
  ['X', 'motion-sensor'],
  ['X', 'text-display'],
  ['Z', 'buzzer', 'passive'],
  ['M', 'servo'],
  ['M', 'motor', '5V'],
  ['R', 'resistor', '330'],
];
const circuits = fc
  .array(fc.constantFrom(...KINDS), { minLength: 1, maxLength: 8 })
  .map((kinds) =>
    kinds.map(([prefix, kind, value], index) => ({ ref: `${prefix}${index + 1}`, kind, value: value ?? '' })),
  );

test('what is proposed of any circuit is understood', () => {
  fc.assert(
    fc.property(circuits, (parts) => {
      for (const sentence of proposedSentences(parts)) {
        const read = readBegun(sentence, parts);
        expect(read.ok ? '' : read.problems[0]!.message, sentence).toBe('');
      }
    }),
    { numRuns: 500 },
  );
});

test.each([
  [
    ['S1 button', 'D1 led'],
    ['pressing S1 lights D1', 'D1 lit 0.5 s, dark 0.5 s'],
  ],
  [
    ['D1 led', 'D2 led', 'D3 led'],
    ['D1, then D2, then D3, over and over', 'D1 lit 0.5 s, dark 0.5 s'],
  ],
  [
    ['P1 potentiometer', 'M1 servo'],
    ['M1 follows P1', 'M1 sweeps from 0° to 180° and back'],
  ],
  [
    ['S1 button', 'Z1 buzzer'],
    ['pressing S1 starts Z1', 'Z1 beeps twice'],
  ],
  [['L1 light-sensor', 'K1 relay'], []],
  [['R1 resistor'], []],
])('of %s', (said, sentences) => {
  const parts = said.map((part) => {
    const [ref = '', kind = ''] = part.split(' ');
    return { ref, kind };
  });
  expect(proposedSentences(parts)).toEqual(sentences);
});
