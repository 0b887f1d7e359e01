import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countsUntilTurn } from './clock-turn';
import { conversionTo, integer } from './types';

const operators: Readonly<Record<string, (running: number, fixed: number) => boolean>> = {
  '<': (running, fixed) => running < fixed,
  '<=': (running, fixed) => running <= fixed,
  '>': (running, fixed) => running > fixed,
  '>=': (running, fixed) => running >= fixed,
  '==': (running, fixed) => running === fixed,
  '!=': (running, fixed) => running !== fixed,
};

describe('the moment at which a comparison with the clock turns', () => {
  test('is the one that counting finds', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(operators)),
        fc.boolean(),
        fc.integer({ min: -300, max: 300 }),
        fc.integer({ min: -300, max: 300 }),
        (name, signed, start, other) => {
          const type = integer(32, signed);
          const fit = conversionTo(type);
          const holds = operators[name]!;
          const [running, fixed] = [fit(start), fit(other)];
          const found = countsUntilTurn(running, fixed, type, holds);
          // Counting one by one, as far as is worth it.
          let counted: number | undefined;
          for (let counts = 1; counts <= 700 && counted === undefined; counts += 1)
            if (holds(fit(running + counts), fixed) !== holds(running, fixed)) counted = counts;
          if (counted === undefined) expect(found).toBeGreaterThan(700);
          else expect(found).toBe(counted);
        },
      ),
      { numRuns: 600 },
    );
  });

  test('comes at the wrap of the clock', () => {
    expect(countsUntilTurn(2 ** 32 - 3, 100, integer(32, false), operators['>=']!)).toBe(3);
    expect(countsUntilTurn(2 ** 31 - 2, 5, integer(32, true), operators['>']!)).toBe(2);
  });

  test('never comes for a comparison that always holds', () => {
    expect(countsUntilTurn(7, 0, integer(32, false), operators['>=']!)).toBe(2 ** 32);
  });
});
