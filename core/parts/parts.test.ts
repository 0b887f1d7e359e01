import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  AT_REST,
  batterySort,
  faradsText,
  findKind,
  kindOf,
  ledColours,
  ohmsText,
  partKinds,
  readFarads,
  readOhms,
  type PartElement,
  type PartKind,
} from './index';
import { lightSensorOhms } from './light-sensor';
import { sensorVolts } from './temperature-sensor';
import { thermistorOhms } from './thermistor';

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

/** Values that people write for the kinds of part; what a kind refuses is left out. */
const typedValues = [
  ...['', '330', '4k7', '10k', 'red', 'white', 'common-anode', 'cc', 'signal', 'active', 'piezo'],
  ...[
    '100n',
    '0.1uF',
    '470 µF',
    '5V',
    '3',
    '9V block',
    '4x1.5V',
    '2 × 1.5',
    'coin',
    'pack',
    '6V',
    'continuous',
  ],
];
const valuesOf = (kind: PartKind) =>
  typedValues.flatMap((text) => {
    const read = kind.readValue(text);
    return read.ok ? [read.value] : [];
  });

const legsOf = (element: PartElement): readonly string[] =>
  Object.entries(element)
    .filter(([key]) =>
      ['from', 'to', 'anode', 'cathode', 'base', 'collector', 'emitter', 'plus', 'minus', 'out'].includes(
        key,
      ),
    )
    .map(([, leg]) => leg as string);

describe('a value', () => {
  test.each([
    ['100n', 100e-9],
    ['0.1uF', 100e-9],
    ['4n7', 4.7e-9],
    ['470 µF', 470e-6],
    ['22p', 22e-12],
    ['1m', 1e-3],
  ])('“%s” is read as %d F', (text, farads) => {
    const read = readFarads(text);
    expect(read.ok && read.value / farads).toBeCloseTo(1, 9);
    expect(read.ok && readFarads(faradsText(read.value))).toEqual(read);
  });

  test.each(['', '100', 'n', '4n7n', '-1u'])('“%s” is no capacitance', (text) => {
    expect(readFarads(text)).toMatchObject({ ok: false, problems: [{ typed: text }] });
  });

  test.each([
    ['9', '9V block', 9],
    ['9V', '9V block', 9],
    ['3V coin', '3V coin', 3],
    ['coin', '3V coin', 3],
    ['4 × 1.5 V', '4x1.5V', 6],
    ['6', '4x1.5V', 6],
    ['4.5V', '3x1.5V', 4.5],
    ['1.5', '1x1.5V', 1.5],
    ['7.4', '7.4V pack', 7.4],
  ])('a battery of “%s” is the %s', (typed, text, volts) => {
    const read = kindOf('battery').readValue(typed);
    expect(read).toEqual({ ok: true, value: { text, amount: volts } });
    expect(read.ok && batterySort(read.value).volts).toBe(volts);
  });

  test.each([
    ['battery', '', 'needs its value'],
    ['battery', '5V', 'no known battery'],
    ['rgb-led', '', 'common-cathode or common-anode'],
    ['rgb-led', 'common', 'no kind of RGB LED'],
    ['seven-segment', '', 'needs its value'],
    ['buzzer', '', 'active or passive'],
    ['motor', '230V', 'no motor voltage'],
    ['supply', '', 'needs its volts'],
    ['supply', '230V', 'class room'],
    ['capacitor', '', 'needs its value'],
    ['electrolytic', '100', 'not a capacitance'],
    ['potentiometer', '2', 'too small'],
    ['light-sensor', '0', 'too small'],
    ['thermistor', 'warm', 'not a resistance'],
    ['led-bar', 'mauve', 'mauve'],
    ['diode', 'zener', 'zener'],
  ])('a %s of “%s” is refused in words', (kind, text, words) => {
    const read = kindOf(kind).readValue(text);
    expect(read.ok ? '' : read.problems[0]!.message).toContain(words);
  });
});

describe('a sensor', () => {
  test('of light is 900 kΩ in the dark, 20 kΩ in a room and 444 Ω in bright light', () => {
    expect(lightSensorOhms(20_000, 0)).toBeCloseTo(900_000, 0);
    expect(lightSensorOhms(20_000, 0.5)).toBe(20_000);
    expect(lightSensorOhms(20_000, 1)).toBeCloseTo(444.4, 1);
  });

  // Published table of a 10 kΩ bead with B 25/50 = 3950 K.
  test.each([
    [0, 33_620],
    [25, 10_000],
    [50, 3588],
  ])('of 10 kΩ that falls with warmth has, at %d °C, %d Ω', (celsius, ohms) => {
    expect(thermistorOhms(10_000, celsius) / ohms).toBeCloseTo(1, 1);
  });

  test('of temperature gives 0.75 V at 25 °C and 10 mV more for each degree', () => {
    expect(sensorVolts(25)).toBeCloseTo(0.75, 9);
    expect(sensorVolts(26) - sensorVolts(25)).toBeCloseTo(0.01, 9);
  });
});

test('a potentiometer at its end still has the contact of its track', () => {
  const potentiometer = kindOf('potentiometer');
  const value = { text: '10k', amount: 10_000 };
  const ohms = (position: number) =>
    potentiometer
      .elements(value, { ...AT_REST, position })
      .map((element) => (element.type === 'resistor' ? element.ohms : Number.NaN));
  expect(ohms(0)).toEqual([1, 10_000]);
  expect(ohms(0.25)).toEqual([2500, 7500]);
  expect(ohms(1)).toEqual([10_000, 1]);
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

  test.each(partKinds.map((kind) => [kind.kind, kind] as const))(
    '%s names only its own legs in footprint, turns and elements, in every state',
    (_, kind) => {
      const legs = kind.legs.map((leg) => leg.name as string);
      if (kind.footprint.type === 'block') {
        const placed = [...kind.footprint.one, ...kind.footprint.other].filter((leg) => leg !== null);
        expect([...placed].sort()).toEqual([...legs].sort());
      }
      for (const turn of kind.turns) expect([...turn].sort()).toEqual([...legs].sort());
      if (kind.supplyLegs) expect(legs).toEqual(expect.arrayContaining(Object.values(kind.supplyLegs)));
      for (const value of valuesOf(kind))
        for (const state of [
          AT_REST,
          { ...AT_REST, pressed: true, position: 0, light: 0, pulled: true, starting: true },
        ])
          for (const element of kind.elements(value, state))
            for (const leg of legsOf(element)) expect(legs).toContain(leg);
    },
  );

  test.each(partKinds.map((kind) => [kind.kind, kind] as const))(
    '%s writes its value so that it reads back the same',
    (_, kind) => {
      const values = valuesOf(kind);
      expect(values.length).toBeGreaterThan(0);
      for (const value of values) {
        expect(kind.readValue(value.text)).toEqual({ ok: true, value });
        expect(kind.describe(value)).not.toBe('');
      }
    },
  );

  test('has words of its own', () => {
    const words = partKinds.flatMap((kind) => [kind.kind, ...kind.alsoTyped]);
    expect(new Set(words).size).toBe(words.length);
    expect(findKind('teapot')).toBeUndefined();
    expect(() => kindOf('teapot')).toThrow('unknown part kind');
  });
});

describe('an LED', () => {
  const led = kindOf('led');

  test.each(ledColours)('of %s has a junction between its long and its short leg', (colour) => {
    const value = led.readValue(` ${colour.toUpperCase()} `);
    if (!value.ok) throw new Error(value.problems[0]?.message);
    expect(value.value.text).toBe(colour);
    expect(led.elements(value.value, AT_REST)).toMatchObject([
      { type: 'junction', anode: 'anode', cathode: 'cathode' },
    ]);
    expect(led.describe(value.value)).toBe(`${colour} LED`);
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
    expect(resistor.elements(value.value, AT_REST)).toEqual([
      { type: 'resistor', from: '1', to: '2', ohms: 4700, hasTolerance: true },
    ]);
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
    expect(kind.elements({ text: 'red' }, AT_REST)).toEqual([]);
    expect(kind.joints).toEqual([['1', '2']]);
    expect(kind.footprint).toEqual({ type: 'leads', rows: 1 });
  }
  expect(kindOf('wire').describe({ text: '' })).toBe('wire');
  expect(kindOf('clip').describe({ text: 'red' })).toBe('red clip lead');
});
