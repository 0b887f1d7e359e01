import fc, { type Arbitrary } from 'fast-check';
import { describe, expect, test } from 'vitest';
import { decimal, partName, positive, recordOf, sometimes } from '../testing/said';
import { definitionOf, readStimulus, stimulusDefinitions, stimulusSentence, type Stimulus } from './index';

const lasting = sometimes(positive(60));
const record = (fields: Readonly<Record<string, Arbitrary<unknown>>>): Arbitrary<Stimulus> =>
  recordOf({ at: decimal(600), ...fields });

const generated: Readonly<Record<string, Arbitrary<Stimulus>>> = {
  press: record({ press: partName, for: lasting }),
  turn: record({ turn: partName, to: decimal(1), over: lasting }),
  light: record({ light: partName, to: decimal(1), over: lasting }),
  warm: record({ warm: partName, to: decimal(90).map((celsius) => celsius - 40), over: lasting }),
  distance: record({ distance: partName, to: decimal(4), over: lasting }),
  motion: record({ motion: partName, for: lasting }),
  serial: record({
    serial: fc.oneof(
      fc.string({ maxLength: 40 }),
      fc.string({
        unit: fc.constantFrom('\\', '"', '”', "'", '\n', '\r', ' and return', 'n'),
        maxLength: 12,
      }),
    ),
  }),
  reset: record({ reset: fc.constant(true) }),
  supply: record({ supply: fc.constantFrom('on', 'off') }),
};

describe('a stimulus', () => {
  test.each(stimulusDefinitions.map(({ key }) => key))(
    'of the sort “%s” is read as it is said, whatever its values',
    (sort) => {
      fc.assert(
        fc.property(generated[sort]!, (stimulus) => {
          const sentence = stimulusSentence(stimulus);
          expect(readStimulus(sentence), sentence).toEqual({ ok: true, value: stimulus });
        }),
        { numRuns: 300 },
      );
    },
  );

  test.each(stimulusDefinitions.map(({ example, key }) => [example, key] as const))(
    'is read as its example shows it: %s',
    (example, key) => {
      const read = readStimulus(example);
      expect(read.ok && definitionOf(read.value).key).toBe(key);
    },
  );

  test.each([
    ['hold S1 from 1 s to 3 s', { at: 1, press: 'S1', for: 2 }],
    ['hold s1 from 0.1 s to 0.3 s', { at: 0.1, press: 'S1', for: 0.2 }],
    ['hold S1 from 2 s', { at: 2, press: 'S1' }],
    ['warm T1 to -3 at 1 s', { at: 1, warm: 'T1', to: -3 }],
    ['press the board’s reset at 5 s.', { at: 5, reset: true }],
    ["type 'go' at 2s", { at: 2, serial: 'go' }],
  ])('is read as people say it: %s', (line, stimulus) => {
    expect(readStimulus(line)).toEqual({ ok: true, value: stimulus });
  });

  test.each([
    ['turn P1 to 200 % at 1 s', 'from 0 to 1'],
    ['hold S1 from 3 s to 1 s', 'longer than 0 s'],
    ['light on L1 to 300 % at 1 s', '0 (dark) to 1 (bright)'],
  ])('that cannot be is told so: %s', (line, told) => {
    const read = readStimulus(line);
    expect(read.ok ? '' : read.problems[0]!.message).toContain(told);
  });

  test('that nobody understands is answered with how to write one', () => {
    const read = readStimulus('kick it');
    expect(!read.ok && read.problems[0]!.message).toContain('Write it like “press S1 at 2 s for 0.3 s”');
  });
});
