import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { byCause } from './order';
import { findingCodes, findingTable, rowOf, type Family, type FindingCode } from './table';

const order = (...codes: FindingCode[]): readonly FindingCode[] =>
  byCause(codes.map((code) => ({ code, severity: 'fault', message: code, hints: ['a', 'b', 'c'] }))).map(
    ({ code }) => code,
  );
const someCodes = fc.uniqueArray(fc.constantFrom(...findingCodes), { maxLength: 12 });

describe('the table', () => {
  test('has no two rows of one place in a family, and no place left out', () => {
    const places = new Map<Family, number[]>();
    for (const { families } of Object.values<(typeof findingTable)[FindingCode] & { families?: object }>(
      findingTable,
    ))
      for (const [family, place] of Object.entries(families ?? {}) as [Family, number][])
        places.set(family, [...(places.get(family) ?? []), place]);
    for (const [family, taken] of places)
      expect(
        taken.sort((a, b) => a - b),
        family,
      ).toEqual(taken.map((_, index) => index + 1));
  });

  test('has a title for every row, and no title twice', () => {
    const titles = findingCodes.map((code) => rowOf(code).title);
    expect(new Set(titles).size).toBe(titles.length);
    for (const title of titles) expect(title).toMatch(/^\S.{4,50}\S$/);
  });
});

describe('the order of causes', () => {
  test('keeps every observation, whatever order they came in', () => {
    fc.assert(
      fc.property(someCodes, (codes) => {
        expect([...order(...codes)].sort()).toEqual([...codes].sort());
        expect(order(...[...codes].reverse())).toEqual(order(...codes));
      }),
    );
  });

  test('never puts what another explains before it', () => {
    fc.assert(
      fc.property(someCodes, (codes) => {
        const [first] = order(...codes);
        if (!first) return;
        for (const [family, place] of Object.entries(rowOf(first).families ?? {}))
          for (const code of codes)
            expect(rowOf(code).families?.[family as Family] ?? place).toBeGreaterThanOrEqual(place);
      }),
    );
  });

  test('puts the first of a family before the others, and hazards before the rest', () => {
    expect(order('leg-open', 'no-return', 'off-by-one')[0]).toBe('off-by-one');
    expect(order('too-bright', 'no-series-resistor', 'part-bypassed')[0]).toBe('part-bypassed');
    expect(order('off-by-one', 'supply-short', 'not-lit')[0]).toBe('supply-short');
    expect(order('not-lit', 'missing-pause', 'leg-open')).toEqual(['leg-open', 'missing-pause', 'not-lit']);
  });
});
