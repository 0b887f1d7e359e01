import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { Circuit } from '../wiring/circuit';
import { readWiring } from '../wiring/read';
import { fourBands } from './values/bands';
import { prepareBench, type PinDrive } from './bench';
import { solveBench } from './bench-point';
import { worstCase } from './worst-case';
import { brightnessAt, glowAt } from './brightness';
import type { Network, Element } from '../solver/network';
import { fitJunction, junctionAt } from '../solver/junction';
import { operatingPoint } from '../solver/operating-point';
import { currentPath } from './paths';

const resistor = (from: number, to: number, ohms: number): Element => ({ type: 'resistor', from, to, ohms });
const source = (from: number, volts: number, ohms = 0): Element => ({
  type: 'source',
  from,
  to: 0,
  volts,
  ohms,
});
const amber = fitJunction(1.8, 2.1);
const led = (from: number, to: number): Element => ({ type: 'junction', from, to, model: amber });
const solve = (nodeCount: number, ...elements: readonly Element[]) => operatingPoint({ nodeCount, elements });

describe('the operating point', () => {
  test('of a divider is the ratio of its resistors', () => {
    expect(solve(3, source(1, 5), resistor(1, 2, 1000), resistor(2, 0, 4000)).volts[2]).toBeCloseTo(4, 6);
  });

  test('of an unbalanced bridge agrees with the star-delta calculation', () => {
    // 10 V; arms 100, 200 over 300, 100; bridge 50. Solved by hand with mesh currents:
    // nodes from (v2-10)/100 + v2/300 + (v2-v3)/50 = 0 and (v3-10)/200 + v3/100 + (v3-v2)/50 = 0.
    const { volts } = solve(
      4,
      source(1, 10),
      resistor(1, 2, 100),
      resistor(2, 0, 300),
      resistor(1, 3, 200),
      resistor(3, 0, 100),
      resistor(2, 3, 50),
    );
    const determinant = (1 / 100 + 1 / 300 + 1 / 50) * (1 / 200 + 1 / 100 + 1 / 50) - (1 / 50) ** 2;
    const v2 = (0.1 * (1 / 200 + 1 / 100 + 1 / 50) + 0.05 / 50) / determinant;
    expect(volts[2]).toBeCloseTo(v2, 6);
  });

  test('of an LED satisfies the junction equation', () => {
    const { volts, amps } = solve(3, source(1, 5), resistor(1, 2, 330), led(2, 0));
    const inner = volts[2]! - amps[2]! * amber.seriesOhms;
    expect(amps[2]).toBeCloseTo(amber.saturationA * Math.expm1(inner / amber.slopeVolts), 8);
    expect(amps[1]).toBeCloseTo(amps[2]!, 9);
  });

  test('of two LEDs in parallel shares the current equally, and in series doubles the voltage', () => {
    const parallel = solve(3, source(1, 5), resistor(1, 2, 330), led(2, 0), led(2, 0));
    expect(parallel.amps[2]).toBeCloseTo(parallel.amps[3]!, 12);
    expect(parallel.amps[1]).toBeCloseTo(2 * parallel.amps[2]!, 9);
    const series = solve(4, source(1, 9), resistor(1, 2, 330), led(2, 3), led(3, 0));
    expect(series.volts[2]).toBeCloseTo(2 * series.volts[3]!, 6);
  });

  test('of a short is limited by the source alone', () => {
    expect(solve(2, source(1, 5, 0.3), resistor(1, 0, 1e-3)).amps[1]).toBeCloseTo(5 / 0.301, 3);
  });

  test('of an LED straight on a stiff source settles', () => {
    const { trouble, amps } = solve(2, source(1, 5), led(1, 0));
    expect(trouble).toBeNull();
    expect(amps[1]).toBeGreaterThan(0.2);
  });

  test('names ideal sources that contradict each other', () => {
    expect(solve(2, source(1, 5), source(1, 3)).trouble).toBe('contradiction');
  });

  test('marks nodes that nothing but leakage joins to ground as floating', () => {
    const leak: Element = { type: 'resistor', from: 3, to: 0, ohms: 1e8, leak: true };
    expect(solve(4, source(1, 5), resistor(2, 3, 100), leak).floating).toEqual([false, false, true, true]);
  });

  test('keeps to Kirchhoff’s current law on random circuits of resistors, sources and LEDs', () => {
    const node = fc.integer({ min: 0, max: 6 });
    const element: fc.Arbitrary<Element> = fc.oneof(
      fc
        .tuple(node, node, fc.double({ min: 1, max: 1e6, noNaN: true }))
        .map(([from, to, ohms]) => resistor(from, to, ohms)),
      fc.tuple(node, node).map(([from, to]) => led(from, to)),
      fc
        .tuple(node, node, fc.double({ min: -12, max: 12, noNaN: true }))
        .map(([from, to, volts]): Element => ({ type: 'source', from, to, volts, ohms: 1 })),
    );
    fc.assert(
      fc.property(fc.array(element, { minLength: 1, maxLength: 14 }), (elements) => {
        const circuit: Network = { nodeCount: 7, elements };
        const { amps, trouble } = operatingPoint(circuit);
        if (trouble) return;
        for (let at = 1; at < 7; at += 1) {
          const sum = elements.reduce(
            (total, { from, to }, index) =>
              total + (from === at ? amps[index]! : 0) - (to === at ? amps[index]! : 0),
            0,
          );
          expect(Math.abs(sum)).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 500, seed: 7 },
    );
  });
});

describe('a junction', () => {
  test('has the forward voltages it was fitted to', () => {
    for (const [low, high] of [
      [1.8, 2.1],
      [2.65, 3.2],
      [1.7, 2.0],
    ] as const) {
      const model = fitJunction(low, high);
      expect(junctionAt(model, low).amps).toBeCloseTo(1e-3, 6);
      expect(junctionAt(model, high).amps).toBeCloseTo(20e-3, 5);
    }
  });

  test('has the slope that its current has', () => {
    const step = 1e-6;
    for (const volts of [-2, 0.5, 1.7, 2.1, 5, 12]) {
      const slope =
        (junctionAt(amber, volts + step).amps - junctionAt(amber, volts - step).amps) / (2 * step);
      expect(junctionAt(amber, volts).siemens).toBeCloseTo(slope, 6);
    }
  });
});

const BEACON = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,half,,
D1,led,amber,anode,B1.e5
D1,led,amber,cathode,B1.e6
R1,resistor,330,1,B1.d6
R1,resistor,330,2,B1.a-6
W1,wire,yellow,1,U1.13
W1,wire,yellow,2,B1.a5
W2,wire,black,1,U1.GND
W2,wire,black,2,B1.a-1
`;

describe('an impossible circuit', () => {
  const source = (from: number, to: number, volts: number) =>
    ({ type: 'source', from, to, volts, ohms: 0 }) as const;

  test('of two ideal sources side by side is named a contradiction', () => {
    expect(operatingPoint({ nodeCount: 2, elements: [source(1, 0, 5), source(1, 0, 9)] }).trouble).toBe(
      'contradiction',
    );
  });

  test('of a ring of ideal sources is named a contradiction', () => {
    const elements = [source(1, 0, 5), source(2, 1, 5), source(2, 0, 9)];
    expect(operatingPoint({ nodeCount: 3, elements }).trouble).toBe('contradiction');
  });

  test('of nothing at all has its reference and nothing else', () => {
    expect(operatingPoint({ nodeCount: 1, elements: [] })).toMatchObject({
      trouble: null,
      floating: [false],
    });
  });

  test('of 500 parts is solved', () => {
    const rows = Array.from({ length: 250 }, (_, index) => [
      `R${index},resistor,330,1,${index === 0 ? 'U1.13' : `R${index - 1}.2`}`,
      `R${index},resistor,330,2,`,
      `D${index},led,red,anode,R${index}.2`,
      `D${index},led,red,cathode,${index === 0 ? 'U1.GND' : 'D0.cathode'}`,
    ]).flat();
    const { point } = bench(`ref,kind,value,leg,at\nU1,board,learner-5v,,\n${rows.join('\n')}\n`, {
      13: { mode: 'high' },
    });
    expect(point.trouble).toBeNull();
    expect(point.parts.size).toBe(500);
    expect(point.parts.get(ref('D0'))!.currentMa).toBeGreaterThan(1);
  });
});

describe('a battery', () => {
  test('of its own island is not joined to the board: no current flows between them', () => {
    const { point } = bench(
      `${BEACON}G1,battery,9V,plus,j+1\nG1,battery,9V,minus,j-1\nR9,resistor,1k,1,j+2\nR9,resistor,1k,2,j-2\n`,
      { 13: { mode: 'high' } },
    );
    expect(point.parts.get(ref('R9'))!.currentMa).toBeCloseTo(9 / 1.0015, 2);
    expect(point.parts.get(ref('G1'))!.powerMw).toBeCloseTo(9 * 8.9865, 0);
    expect(point.parts.get(ref('D1'))!.currentMa).toBeCloseTo(8.5, 0);
  });

  test('gives less than its volts to a load of its inner resistance', () => {
    const { point } = bench(
      'ref,kind,value,leg,at\nG1,battery,coin,plus,\nG1,battery,coin,minus,\nR1,resistor,15,1,G1.plus\nR1,resistor,15,2,G1.minus\n',
      {},
    );
    expect(point.parts.get(ref('R1'))!.currentMa).toBeCloseTo(100, 6);
  });
});

test('a relay pulls in when its pin goes high, and joins its other contact', () => {
  const table = `ref,kind,value,leg,at
U1,board,learner-5v,,
K1,relay,,vcc,U1.5V
K1,relay,,gnd,U1.GND
K1,relay,,in,U1.7
K1,relay,,com,U1.3V3
R1,resistor,330,1,K1.no
R1,resistor,330,2,K1.gnd
`;
  const current = (mode: 'high' | 'low') =>
    bench(table, { 7: { mode } }).point.parts.get(ref('R1'))!.currentMa;
  expect(current('low')).toBeCloseTo(0, 3);
  expect(current('high')).toBeCloseTo(3300 / 330.85, 1);
});

test('a module without supply comes half alive through its signal pins', () => {
  const { point, netlist } = bench(
    'ref,kind,value,leg,at\nU1,board,learner-5v,,\nX1,led-matrix,,gnd,U1.GND\nX1,led-matrix,,din,U1.11\n',
    { 11: { mode: 'high' } },
  );
  const supply = point.volts[netlist.nodeAt.get('X1.vcc' as never)!]!;
  expect(supply).toBeGreaterThan(1);
  expect(supply).toBeLessThan(4.5);
});

function bench(text: string, drives: Readonly<Record<string, PinDrive>>) {
  const read = readWiring(text);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const circuit = new Circuit(read.value);
  return {
    circuit,
    netlist: circuit.netlist,
    point: solveBench(prepareBench(circuit), new Map(Object.entries(drives))),
  };
}

describe('a bench', () => {
  test('lights the beacon’s LED with the current that supply, driver, resistor and LED leave', () => {
    const { point } = bench(BEACON, { 13: { mode: 'high' } });
    const { currentMa } = point.parts.get(ref('D1'))!;
    // The loop: 5 V behind 0.3 Ω, a driver of 25 Ω, 330 Ω, and the junction at that current.
    const ledVolts = point.volts[0]! - point.volts[1]!;
    expect(currentMa).toBeCloseTo((1e3 * (5 - ledVolts)) / (0.3 + 25 + 330), 3);
    expect(point.pins.get('13')!.currentMa).toBeCloseTo(currentMa, 6);
    expect(currentMa).toBeGreaterThan(8);
    expect(currentMa).toBeLessThan(9);
  });

  test('gives 84 mA from a pin whose LED has no resistor', () => {
    const { point } = bench(
      BEACON.replace('B1.a-6', 'B1.c6').replace('W2,wire,black,2,B1.a-1', 'W2,wire,black,2,B1.b6'),
      { 13: { mode: 'high' } },
    );
    expect(point.parts.get(ref('D1'))!.currentMa).toBeCloseTo(88, -1);
  });

  test('averages a pulsed pin over its period', () => {
    const steady = bench(BEACON, { 13: { mode: 'high' } }).point.parts.get(ref('D1'))!.currentMa;
    const pulsed = bench(BEACON, { 13: { mode: 'pwm', duty: 0.25 } }).point.parts.get(ref('D1'))!.currentMa;
    expect(pulsed).toBeCloseTo(steady / 4, 4);
  });

  test('gives an interval around the nominal current in the worst case', () => {
    const { circuit, point } = bench(BEACON, { 13: { mode: 'high' } });
    const [low, high] = worstCase(circuit, new Map([['13', { mode: 'high' as const }]])).parts.get(
      ref('D1'),
    )!;
    const { currentMa } = point.parts.get(ref('D1'))!;
    expect(low).toBeLessThan(currentMa * 0.9);
    expect(high).toBeGreaterThan(currentMa * 1.1);
  });

  test('leaves a row that nothing feeds floating', () => {
    const { point, netlist } = bench(BEACON.replace('B1.e5', 'B1.e9'), { 13: { mode: 'high' } });
    const anode = [...netlist.nodeAt].find(([name]) => name === 'D1.anode')![1];
    expect(point.volts[anode]).not.toBeNull();
    const cut = bench(`${BEACON}R2,resistor,330,1,B1.a20\nR2,resistor,330,2,B1.a25\n`, {});
    expect(cut.point.volts[cut.netlist.nodeAt.get('R2.1' as never)!]).toBeNull();
  });

  test('follows the current hole by hole from the pin to ground', () => {
    const { circuit } = bench(BEACON, {});
    const path = currentPath(circuit, { type: 'pin', ref: ref('U1'), pin: '13' })!;
    expect(path.isComplete).toBe(true);
    expect(path.steps.map((step) => step.type)).toEqual([
      'start',
      'wire',
      'strip',
      'part',
      'strip',
      'part',
      'strip',
      'wire',
      'arrives',
    ]);
  });

  test('says where a broken way stops', () => {
    const reversed = bench(
      BEACON.replace('anode,B1.e5', 'anode,B1.x')
        .replace('cathode,B1.e6', 'cathode,B1.e5')
        .replace('B1.x', 'B1.e6'),
      {},
    );
    const path = currentPath(reversed.circuit, { type: 'pin', ref: ref('U1'), pin: '13' })!;
    expect(path.isComplete).toBe(false);
    expect(path.steps.at(-1)).toMatchObject({ type: 'stops', because: { blockedBy: 'D1' } });
  });
});

describe('brightness', () => {
  test('has the limits of a standard LED', () => {
    expect([0, 0.009, 0.01, 0.4, 0.5, 8].map(glowAt)).toEqual([
      'dark',
      'dark',
      'faint',
      'faint',
      'lit',
      'lit',
    ]);
    expect(brightnessAt(20)).toBeCloseTo(1, 6);
    expect(brightnessAt(0)).toBe(0);
    // A quarter of the light looks more than half as bright (CIE 1976: L* of 0.25 is 57.1).
    expect(brightnessAt(5)).toBeCloseTo(0.571, 3);
  });
});

describe('colour bands', () => {
  test.each([
    [330, 'orange orange brown'],
    [4700, 'yellow violet red'],
    [1e6, 'brown black green'],
    [33, 'orange orange black'],
    [2.2, 'red red gold'],
    [10_000, 'brown black orange'],
  ])('of %d Ω are %s', (ohms, bands) => {
    expect(fourBands(ohms).slice(0, 3).join(' ')).toBe(bands);
  });
});
