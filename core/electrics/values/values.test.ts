import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { kindOf } from '../../parts';
import { ledModels } from '../../parts/light';
import { readWiring } from '../../wiring/read';
import { Circuit } from '../../wiring/circuit';
import { prepareBench } from '../bench';
import { solveBench } from '../bench-point';
import {
  bandsIn,
  fiveBands,
  fourBands,
  misreadAs,
  misreadPairs,
  readBands,
  readEitherWay,
  type BandColour,
} from './bands';
import {
  analogCount,
  batteryHours,
  chargeSeconds,
  dividerVolts,
  mapped,
  mappedFrom,
  powerMw,
  pullStrength,
  pwmMeanVolts,
  seriesCurrentMa,
  seriesResistorOhms,
  tightestFirst,
  timeConstantSeconds,
} from './formulas';
import { ledCurrentMa, ledResistor } from './kit';
import { limitUses } from './limits';
import { nearestInSeries, neighbours, seriesNeighbours } from './series';

describe('bands', () => {
  // Value and bands as printed on any kit's lid.
  test.each<[number, string, string]>([
    [330, 'orange orange brown gold', 'orange orange black black brown'],
    [220, 'red red brown gold', 'red red black black brown'],
    [4700, 'yellow violet red gold', 'yellow violet black brown brown'],
    [10_000, 'brown black orange gold', 'brown black black red brown'],
    [1_000_000, 'brown black green gold', 'brown black black yellow brown'],
    [4.7, 'yellow violet gold gold', 'yellow violet black silver brown'],
  ])('of %d Ω are %s, or with five %s', (ohms, four, five) => {
    expect(fourBands(ohms).join(' ')).toBe(four);
    expect(fiveBands(ohms).join(' ')).toBe(five);
    for (const bands of [four, five]) {
      const read = readBands(bands.split(' ') as BandColour[]);
      expect(read.ok && read.value.ohms).toBeCloseTo(ohms, 9);
    }
  });

  test('are read back as they are written, over all values of two and three digits', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 99 }), fc.integer({ min: -1, max: 6 }), (whole, power) => {
        const ohms = Number((whole * 10 ** power).toPrecision(6));
        const [four, five] = [readBands(fourBands(ohms)), readBands(fiveBands(ohms))];
        expect(four.ok && four.value).toEqual({ ohms, tolerance: 0.05 });
        expect(five.ok && five.value).toEqual({ ohms, tolerance: 0.01 });
      }),
    );
  });

  test.each<[BandColour[], RegExp]>([
    [['red', 'red', 'brown'], /four or five/],
    [['gold', 'red', 'brown', 'gold'], /no digit/],
    [['red', 'red', 'brown', 'black'], /no tolerance/],
  ])('%j are refused', (bands, message) => {
    const read = readBands(bands);
    expect(read.ok ? '' : read.problems[0]!.message).toMatch(message);
  });

  test('of 220 and 330 Ω, and of 1 kΩ and 10 kΩ, are easily confused; of 330 Ω and 1 MΩ not', () => {
    expect(misreadAs(220, 330)).toMatchObject({ how: 'colours' });
    expect(misreadAs(1000, 10_000)).toMatchObject({ how: 'colours', mistaken: [['red', 'orange']] });
    expect(misreadAs(330, 1_000_000)).toBeUndefined();
    expect(misreadPairs([220, 330, 1000, 10_000, 1_000_000]).map(([a, b]) => [a, b])).toEqual(
      expect.arrayContaining([
        [220, 330],
        [1000, 10_000],
      ]),
    );
  });

  test('of five read from the wrong end give another value', () => {
    const backwards = readBands([...fiveBands(120)].reverse());
    expect(backwards.ok && misreadAs(120, backwards.value.ohms)?.how).toBe('from-the-wrong-end');
  });
});

describe('preferred values', () => {
  test.each([
    [155, 'E12', 150, 180],
    [330, 'E6', 330, 330],
    [7000, 'E24', 6800, 7500],
    [95, 'E12', 82, 100],
  ] as const)('next to %d in %s are %d and %d', (amount, series, below, above) => {
    expect(seriesNeighbours(amount, series)).toEqual({ below, above });
  });

  test('nearest goes by ratio, and a kit may have nothing on one side', () => {
    expect(nearestInSeries(260, 'E6')).toBe(220);
    expect(nearestInSeries(275, 'E6')).toBe(330);
    expect(neighbours(100, [220, 330])).toEqual({ below: undefined, above: 220 });
  });
});

describe('formulas', () => {
  test.each<[string, number, number]>([
    ['a red lamp at 5 V and 10 mA needs 300 Ω', seriesResistorOhms(5, 2, 10), 300],
    ['330 Ω give it 9.09 mA', seriesCurrentMa(5, 2, 330), 9.0909],
    ['a lamp above the supply gets nothing', seriesCurrentMa(3, 3.2, 330), 0],
    ['10 kΩ over 10 kΩ halve 5 V', dividerVolts(5, 1e4, 1e4), 2.5],
    ['10 kΩ and 100 µF have 1 s', timeConstantSeconds(1e4, 1e-4), 1],
    ['and are at 63 % after it', chargeSeconds(1e4, 1e-4, 1 - Math.exp(-1)), 1],
    ['128 of 255 mean 2.51 V', pwmMeanVolts(128, 255, 5), 2.5098],
    ['2.5 V count 512', analogCount(2.5, 1023, 5), 512],
    ['5 V and more count 1023', analogCount(9, 1023, 5), 1023],
    ['1023 map to 255', mapped(1023, [0, 1023], [0, 255]), 255],
    ['backwards 0 maps to 255', mapped(0, [0, 1023], [255, 0]), 255],
    ['10 mA in 330 Ω are 33 mW', powerMw(10, 330), 33],
    ['2000 mAh at 8 mA last 250 h', batteryHours(2000, 8), 250],
    ['nothing drawn lasts for ever', batteryHours(2000, 0), Infinity],
  ])('%s', (_, given, wanted) => {
    if (Number.isFinite(wanted)) expect(given).toBeCloseTo(wanted, 3);
    else expect(given).toBe(wanted);
  });

  test('a count that is mapped comes from a span that maps back to it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1023 }), (count) => {
        const value = mapped(count, [0, 1023], [0, 9]);
        const [from, to] = mappedFrom(value, [0, 1023], [0, 9])!;
        expect(count).toBeGreaterThanOrEqual(from);
        expect(count).toBeLessThanOrEqual(to);
      }),
    );
    expect(mappedFrom(12, [0, 1023], [0, 9])).toBeUndefined();
  });

  test('10 kΩ pull firmly and cost half a milliamp; 10 MΩ do not hold a leaking input', () => {
    expect(pullStrength(5, 1e4, 1e8)).toMatchObject({ pressedMa: 0.5, isFirm: true });
    expect(pullStrength(5, 1e7, 2e7).isFirm).toBe(false);
  });

  test('the tightest limit stands first', () => {
    const [first] = tightestFirst([
      { what: 'pin', currentMa: 10, limitMa: 20 },
      { what: 'all', currentMa: 150, limitMa: 200 },
    ]);
    expect(first).toMatchObject({ what: 'all', share: 0.75 });
  });
});

describe('the resistor of an LED', () => {
  const amber = ledModels.get('amber')!;

  test('is exact, of the series, and of the kit with the current each gives', () => {
    const found = ledResistor(amber, 5, 8, [220, 330, 470, 1000]);
    expect(found.exactOhms).toBeCloseTo(377, -1);
    expect(found.seriesOhms).toBe(390);
    expect(found.smaller?.ohms).toBe(330);
    expect(found.larger?.ohms).toBe(470);
    expect(found.smaller!.currentMa).toBeGreaterThan(8);
    expect(found.larger!.currentMa).toBeLessThan(8);
  });

  test('agrees with the solver', () => {
    const table =
      'ref,kind,value,leg,at\nG1,supply,5V,plus,\nR1,resistor,330,1,G1.plus\nR1,resistor,330,2,\nD1,led,amber,anode,R1.2\nD1,led,amber,cathode,G1.minus\nG1,supply,5V,minus,\n';
    const read = readWiring(table);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    const point = solveBench(prepareBench(new Circuit(read.value)), new Map());
    expect(point.leds.get('D1')).toBeCloseTo(ledCurrentMa(amber, 5, 330.05), 4);
    expect(kindOf('led').title).toBe('LED');
  });
});

test('the uses of a board’s limits name pins, ports, the total and supplies', () => {
  const rows = ['2', '3', '4']
    .map(
      (pin, index) =>
        `R${index},resistor,220,1,U1.${pin}\nR${index},resistor,220,2,${index === 0 ? 'U1.GND' : 'R0.2'}\n`,
    )
    .join('');
  const read = readWiring(`ref,kind,value,leg,at\nU1,board,learner-5v,,\n${rows}`);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const drives = new Map(['2', '3', '4'].map((pin) => [pin, { mode: 'high' as const }]));
  const point = solveBench(prepareBench(new Circuit(read.value)), drives);
  const uses = limitUses(shippedBoards.get('learner-5v')!, point);
  expect(uses[0]!.what).toMatch(/^pin [234]$/);
  expect(uses.map(({ what }) => what)).toEqual(
    expect.arrayContaining(['port D, given', 'all pins', 'supply 5V']),
  );
  expect(uses.find(({ what }) => what === 'all pins')!.currentMa).toBeCloseTo(
    ['2', '3', '4'].reduce((sum, pin) => sum + point.pins.get(pin)!.currentMa, 0),
    9,
  );
});

describe('bands as somebody sees them', () => {
  test('are read from words, in any spelling that is common', () => {
    expect(bandsIn('Orange, orange brown-GOLD')).toEqual(['orange', 'orange', 'brown', 'gold']);
    expect(bandsIn('gray purple red')).toEqual(['grey', 'violet', 'red']);
    expect(bandsIn('orange pink')).toBeUndefined();
    expect(bandsIn('')).toEqual([]);
  });

  test('are told when they were begun at the wrong end', () => {
    const { ahead, behind } = readEitherWay(['gold', 'brown', 'orange', 'orange']);
    expect(ahead.ok).toBe(false);
    expect(behind).toEqual({ ohms: 330, tolerance: 0.05 });
  });

  test('say another value from the other end where five of them can', () => {
    const { ahead, behind } = readEitherWay(fiveBands(120));
    expect(ahead.ok && ahead.value.ohms).toBe(120);
    expect(behind?.ohms).toBeGreaterThan(0);
    expect(behind?.ohms).not.toBe(120);
  });

  test('of three have a tolerance of 20 %', () => {
    expect(readEitherWay(['brown', 'black', 'red']).ahead).toEqual({
      ok: true,
      value: { ohms: 1000, tolerance: 0.2 },
    });
  });
});
