import { describe, expect, test } from 'vitest';
import { goldenCircuits } from './circuits';
import { deviations, isWithin } from './deviation';
import golden from './voltages.json' with { type: 'json' };

const voltages: Readonly<Record<string, Readonly<Record<string, number>>>> = golden.voltages;

describe('the solver agrees with the reference simulator within 0.5 % or 2 mV', () => {
  test.each(goldenCircuits.map((circuit) => [circuit.name, circuit] as const))('%s', (name, circuit) => {
    const found = deviations(circuit, voltages[name]!);
    expect(found.length).toBeGreaterThan(0);
    expect(found.filter((deviation) => !isWithin(deviation))).toEqual([]);
  });

  test('in at least 60 circuits, each with a name of its own', () => {
    expect(new Set(goldenCircuits.map((circuit) => circuit.name)).size).toBe(goldenCircuits.length);
    expect(goldenCircuits.length).toBeGreaterThanOrEqual(60);
  });
});

test('a voltage that is 1 % off is not within', () => {
  expect(isWithin({ point: 'R1.1', golden: 2.5, solved: 2.525, volts: 0.025 })).toBe(false);
});
