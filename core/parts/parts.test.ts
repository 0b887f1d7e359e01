import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { findKind, kindOf, lampColours, ohmsText, partKinds, readOhms } from './index';

describe('a resistance', () => {
  test.each([
    ['330', 330],
    ['330R', 330],
    ['330 Ω', 330],
    ['330 ohm', 330],
    ['330 Ohms', 330],
    ['4k7', 4700],
    ['4.7k', 4700],
    ['4.7 K', 4700],
    ['4K7', 4700],
    ['1M', 1e6],
    ['1m', 1e6],
    ['2R2', 2.2],
    ['0R5', 0.5],
    ['.5k', 500],
    ['1M5', 1.5e6],
    ['10.', 10],
    ['33 0 k', 330_000],
  ])('“%s” is read as %d Ω', (text, ohms) => {
    const read = readOhms(text);
    expect(read.ok && read.value).toBeCloseTo(ohms, 9);
  });

  test.each(['', 'k', '4k7k', '-5', '1e3', 'ten', '1,5', '4..7', 'Ω'])('“%s” is refused', (text) => {
    expect(readOhms(text)).toMatchObject({ ok: false, problems: [{ typed: text }] });
  });

  test('is read back as it is written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), fc.integer({ min: -1, max: 6 }), (digits, power) => {
        const ohms = Number((digits * 10 ** power).toPrecision(6));
        const read = readOhms(ohmsText(ohms));
        expect(read.ok && Math.abs(read.value / ohms - 1)).toBeLessThan(1e-5);
      }),
    );
  });
});

describe('every kind of part', () => {
  test.each(partKinds.map((kind) => [kind.kind, kind] as const))(
    '%s is found by all its words and names its legs once',
    (_, kind) => {
      for (const word of [kind.kind, ...kind.alsoTyped])
        expect(findKind(` ${word.toUpperCase()} `)).toBe(kind);
      const legs = kind.legs.map((leg) => leg.name);
      expect(new Set(legs).size).toBe(legs.length);
      for (const joint of kind.joints) for (const leg of joint) expect(legs).toContain(leg);
      expect(kind.prefix).toMatch(/^[A-Z]{1,2}$/);
    },
  );

  test('has words of its own', () => {
    const words = partKinds.flatMap((kind) => [kind.kind, ...kind.alsoTyped]);
    expect(new Set(words).size).toBe(words.length);
    expect(findKind('teapot')).toBeUndefined();
    expect(() => kindOf('teapot')).toThrow('unknown part kind');
  });
});

describe('a lamp', () => {
  const led = kindOf('led');

  test.each(lampColours)('of %s has a junction between its long and its short leg', (colour) => {
    const value = led.readValue(` ${colour.toUpperCase()} `);
    if (!value.ok) throw new Error(value.problems[0]?.message);
    expect(value.value.text).toBe(colour);
    expect(led.elements(value.value)).toMatchObject([
      { type: 'junction', anode: 'anode', cathode: 'cathode' },
    ]);
    expect(led.describe(value.value)).toBe(`${colour} lamp`);
  });

  test('needs a colour that is known', () => {
    expect(led.readValue('')).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('needs its colour') }],
    });
    expect(led.readValue('mauve')).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('amber'), typed: 'mauve' }],
    });
  });
});

describe('a resistor', () => {
  const resistor = kindOf('resistor');

  test('has its value between its ends, and may lie either way round', () => {
    const value = resistor.readValue('4k7');
    if (!value.ok) throw new Error();
    expect(resistor.elements(value.value)).toEqual([{ type: 'resistor', from: '1', to: '2', ohms: 4700 }]);
    expect(resistor.symmetrical).toBe(true);
    expect(value.value.text).toBe('4.7k');
  });

  test.each([
    ['', 'needs its value'],
    ['0', 'is a wire'],
    ['0R', 'is a wire'],
    ['lots', 'is not a resistance'],
  ])('of “%s” is refused', (text, words) => {
    const value = resistor.readValue(text);
    expect(value.ok ? '' : value.problems[0]!.message).toContain(words);
  });
});

test('wires and clip leads only join their ends, in any colour', () => {
  for (const name of ['wire', 'clip']) {
    const kind = kindOf(name);
    expect(kind.conductor).toBe(true);
    expect(kind.elements({ text: 'red' })).toEqual([]);
    expect(kind.joints).toEqual([['1', '2']]);
    expect(kind.reachMm).toBeUndefined();
  }
  expect(kindOf('wire').describe({ text: '' })).toBe('wire');
  expect(kindOf('clip').describe({ text: 'red' })).toBe('red clip lead');
});
