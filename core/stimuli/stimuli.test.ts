import fc, { type Arbitrary } from 'fast-check';
import { describe, expect, test } from 'vitest';
import { definitionOf, readStimulus, stimulusDefinitions, stimulusSentence, type Stimulus } from './index';

const name = fc.stringMatching(/^[A-Z]{1,4}\d{0,4}$/);
/** Decimal numbers as people write them, with up to six digits behind the point. */
const decimal = (most: number): Arbitrary<number> =>
  fc.integer({ min: 0, max: most * 1e6 }).map((micros) => micros / 1e6);
const lasting = fc.option(
  decimal(60).map((amount) => amount + 1e-6),
  { nil: undefined },
);

const record = (fields: Readonly<Record<string, Arbitrary<unknown>>>): Arbitrary<Stimulus> =>
  fc
    .record({ at: decimal(600), ...fields })
    .map(
      (all) =>
        Object.fromEntries(
          Object.entries(all).filter(([, value]) => value !== undefined),
        ) as unknown as Stimulus,
    );

const generated: Readonly<Record<string, Arbitrary<Stimulus>>> = {
  press: record({ press: name, for: lasting }),
  turn: record({ turn: name, to: decimal(1), over: lasting }),
  light: record({ light: name, to: decimal(1), over: lasting }),
  warm: record({ warm: name, to: decimal(90).map((celsius) => celsius - 40), over: lasting }),
  distance: record({ distance: name, to: decimal(4), over: lasting }),
  motion: record({ motion: name, for: lasting }),
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
    ['turn P1 to 2 at 1 s', 'from 0 to 1'],
    ['hold S1 from 3 s to 1 s', 'longer than 0 s'],
    ['light on L1 to 3 at 1 s', '0 (dark) to 1 (bright)'],
  ])('that cannot be is told so: %s', (line, told) => {
    const read = readStimulus(line);
    expect(read.ok ? '' : read.problems[0]!.message).toContain(told);
  });

  test('that nobody understands is answered with how to write one', () => {
    const read = readStimulus('kick it');
    expect(!read.ok && read.problems[0]!.message).toContain('Write it like “press S1 at 2 s for 0.3 s”');
  });
});
