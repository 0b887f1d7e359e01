import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Assembly, Calibration } from './assembly';
import { assembliesText, calibrationsText, readAssemblies, readCalibrations } from './assembly-text';

const word = fc.constantFrom('gate', 'upper arm', 'base plate', 'Horn', 'closed angle', 'zero');
const ref = fc.constantFrom('M1', 'M2', 'D1', 'X3');

it('reads pieces as it writes them', () => {
  const piece: fc.Arbitrary<Assembly> = fc.record({
    name: word,
    refs: fc.uniqueArray(ref, { maxLength: 3 }),
    steps: fc.array(fc.constantFrom('Screw the horn on.', 'Turn it by hand once.', '3 turns to the left.'), {
      maxLength: 3,
    }),
    fasteners: fc.array(
      fc.record({ what: fc.constantFrom('M2 × 8 screw', 'M2 nut'), count: fc.integer({ min: 1, max: 99 }) }),
      { maxLength: 2 },
    ),
  });
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 5 }), (pieces) => {
      expect(readAssemblies(assembliesText(pieces))).toEqual({ ok: true, value: pieces });
    }),
  );
});

it('reads values as it writes them', () => {
  const value: fc.Arbitrary<Calibration> = fc
    .record({
      name: word,
      unit: fc.constantFrom('', '°', 'µs', 'counts'),
      ref: fc.option(ref, { nil: undefined }),
      range: fc.option(fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: 91, max: 2000 })), {
        nil: undefined,
      }),
    })
    .map(({ name, unit, ref: of, range }) => ({
      name,
      unit,
      ...(of === undefined ? {} : { ref: of }),
      ...(range === undefined ? {} : { from: range[0], to: range[1] }),
    }));
  fc.assert(
    fc.property(fc.uniqueArray(value, { selector: ({ name }) => name, maxLength: 5 }), (values) => {
      expect(readCalibrations(calibrationsText(values))).toEqual({ ok: true, value: values });
    }),
  );
});

it('says where something cannot be read', () => {
  expect(readAssemblies('  2 × screw\nGate')).toMatchObject({ ok: false, problems: [{ line: 1 }] });
  expect(readAssemblies('Gate\n  0 × screw').ok).toBe(false);
  expect(readCalibrations('zero: 1 to 2 °\nzero: 3 to 4 °')).toMatchObject({
    ok: false,
    problems: [{ line: 2 }],
  });
  expect(readCalibrations(': 3')).toMatchObject({ ok: false, problems: [{ line: 1 }] });
});
