import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip, replaced } from '../testing/said-slips';
import { ledBands } from './led-bands';

/** A lamp on a battery that a potentiometer dims. */
const dimmer = exerciseSaid({
  id: 'cabin-dimmer',
  board: 'none',
  lines: [
    '9V battery',
    'potentiometer 10k: 1 to G1.minus, wiper to R1.1, 2 to G1.plus',
    '470 resistor between P1 wiper and D1 anode',
    'red LED: cathode to G1.minus',
  ],
  program: '',
  scenarios: [
    {
      name: 'turned up',
      lasts: 4,
      done: ['turn P1 to 0 % at 0 s', 'turn P1 to 100 % at 1 s'],
      seen: ['D1 is off until 0.9 s', 'D1 is on from 1.2 s'],
    },
  ],
});

/** A lamp with a second path of current that a button closes. */
const brighter = exerciseSaid({
  id: 'brighter-lamp',
  board: 'none',
  lines: [
    '9V battery',
    'button: 1 to G1.plus, 3 to R1.1',
    '470 resistor between S1.3 and D1 anode',
    '4k7 resistor between G1.plus and D1 anode',
    'red LED: cathode to G1.minus',
  ],
  program: '',
  scenarios: [{ name: 'pressed', lasts: 3, done: ['press S1 at 1 s for 1 s'], seen: ['D1 is on'] }],
});

const codesOf = (...given: Parameters<typeof reportOnSlip>): readonly string[] =>
  reportOnSlip(...given).findings.map(({ code }) => code);

describe('the band of currents of an LED', () => {
  test('reaches from one end of a potentiometer to the other', () => {
    const [[, [lowest, highest]]] = [...ledBands(dimmer)] as [[string, readonly [number, number]]];
    expect(lowest).toBeLessThan(0.01);
    expect(highest).toBeGreaterThan(10);
    expect(reportOnSlip(dimmer, {}).verdict).toBe('as-drawn');
    expect(codesOf(dimmer, {})).toEqual([]);
  });

  test('holds what flows while a button is pressed', () => {
    const [[, [lowest, highest]]] = [...ledBands(brighter)] as [[string, readonly [number, number]]];
    expect(lowest).toBeGreaterThan(1);
    expect(highest).toBeGreaterThan(10);
    expect(codesOf(brighter, {})).not.toContain('too-bright');
  });

  test('is left by a resistor that is too small, which is told without a pin where there is none', () => {
    const [cause] = reportOnSlip(dimmer, { rows: replaced(['470', '47'], ['470', '47']) }).findings;
    expect(cause).toMatchObject({ code: 'resistor-value', cause: true });
    expect(cause!.message).toMatch(/too much for the LED\./);
  });
});
