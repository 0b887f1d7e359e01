import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { readWiring } from '../wiring/read';
import { Circuit } from '../wiring/circuit';
import type { Wiring } from '../wiring/wiring';
import { prepareBench, type PinDrives, type Spread } from './bench';
import { solveBench } from './bench-point';
import { worstCase } from './worst-case';

function read(rows: string): Wiring {
  const wiring = readWiring(`ref,kind,value,leg,at\nU1,board,learner-5v,,\n${rows}`);
  if (!wiring.ok) throw new Error(wiring.problems[0]?.message);
  return wiring.value;
}

const DIVIDER = read(
  'R1,resistor,10k,1,U1.5V\nR1,resistor,10k,2,U1.A0\nR2,resistor,10k,1,R1.2\nR2,resistor,10k,2,U1.GND\n',
);
const LED = read(
  'R1,resistor,330,1,U1.13\nR1,resistor,330,2,\nD1,led,amber,anode,R1.2\nD1,led,amber,cathode,U1.GND\n',
);
const HIGH: PinDrives = new Map([['13', { mode: 'high' }]]);

describe('the worst case', () => {
  test('of a divider of 5 % resistors at 5 V ± 5 % lies 5 % and 0.25 V around its middle', () => {
    const circuit = new Circuit(DIVIDER);
    const node = circuit.nodeOfPin('A0')!.id;
    const [low, high] = worstCase(circuit, new Map()).volts[node]!;
    // By hand: each resistor moves the middle by 2.5 V · 5 % / 2, the supply by 2.5 V · 5 %.
    expect(high - 2.5).toBeCloseTo(0.0625 + 0.0625 + 0.125, 1);
    expect(2.5 - low).toBeCloseTo(0.0625 + 0.0625 + 0.125, 1);
  });

  test('of an LED encloses every combination of its resistor, its supply and its own spread', () => {
    const circuit = new Circuit(LED);
    const worst = worstCase(circuit, HIGH);
    const [low, high] = worst.leds.get('D1')!;
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (resistor, supply, led) => {
          const spread: readonly Spread[] = [
            { owner: ref('R1'), factor: 1 + 0.05 * resistor, forwardVolts: 0 },
            { owner: 'supplies', factor: 1 + 0.05 * supply, forwardVolts: 0 },
            { owner: ref('D1'), factor: 1, forwardVolts: 0.2 * led },
          ];
          const currentMa = solveBench(prepareBench(circuit, { spread }), HIGH).leds.get('D1')!;
          // To first order: the product of three spreads is left out.
          expect(currentMa).toBeGreaterThan(low * 0.98);
          expect(currentMa).toBeLessThan(high * 1.02);
        },
      ),
      { numRuns: 60 },
    );
    expect(worst.pins.get('13')![1]).toBeCloseTo(high, 3);
    expect(worst.parts.get(ref('R1'))![0]).toBeCloseTo(low, 3);
  });

  test('of a node that floats has no interval', () => {
    const wiring = read('R1,resistor,330,1,\nR1,resistor,330,2,\n');
    expect(worstCase(new Circuit(wiring), new Map()).volts).toEqual([null, null]);
  });
});
