import { describe, expect, test } from 'vitest';
import { prepareBench, type PinDrive, type PinDrives } from '../../electrics/bench';
import { solveBench } from '../../electrics/bench-point';
import type { FindingCode, Observation } from '../../findings/finding';
import { beacon } from '../../testing/beacon';
import { Circuit } from '../../wiring/circuit';
import { readWiring } from '../../wiring/read';
import { observationsOn } from './index';

const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';
const wire = (name: string, from: string, to: string): string =>
  `${name},wire,blue,1,${from}\n${name},wire,blue,2,${to}\n`;
const led = (name: string, anode: string, cathode: string): string =>
  `${name},led,red,anode,${anode}\n${name},led,red,cathode,${cathode}\n`;
const resistor = (name: string, one: string, other: string, ohms = '330'): string =>
  `${name},resistor,${ohms},1,${one}\n${name},resistor,${ohms},2,${other}\n`;
const GROUND = wire('W9', 'U1.GND', 'B1.a-1');

/** What the rules see in a wiring with these pins high. */
function seen(rows: string, high: readonly string[] = ['13'], usesSerial = false): readonly Observation[] {
  const read = readWiring(HEAD + rows);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const circuit = new Circuit(read.value, beacon.board);
  const bench = prepareBench(circuit);
  const drives: PinDrives = new Map(high.map((pin): [string, PinDrive] => [pin, { mode: 'high' }]));
  const states = [{ drives, parts: new Map(), point: solveBench(bench, drives) }];
  return observationsOn({
    built: { circuit, bench, board: beacon.board, states, floatingPins: undefined, usesSerial },
  });
}

const codes = (observations: readonly Observation[]): readonly FindingCode[] =>
  [...new Set(observations.map(({ code }) => code))].sort();
const right = led('D1', 'e5', 'e6') + resistor('R1', 'd6', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND;

describe('the rules on a wiring', () => {
  test('see nothing in a right one', () => {
    expect(seen(right)).toEqual([]);
  });

  test.each<[what: string, rows: string, expected: readonly FindingCode[]]>([
    [
      'a lamp the wrong way round',
      led('D1', 'e6', 'e5') + resistor('R1', 'd6', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['polarity-reversed'],
    ],
    [
      'a lamp straight to ground',
      led('D1', 'e5', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['no-series-resistor', 'pin-overcurrent'],
    ],
    [
      'two lamps in a row without resistor',
      led('D1', 'e5', 'e6') + led('D2', 'd6', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['no-series-resistor', 'pin-overcurrent'],
    ],
    ['a resistor that is too small', right.replace(/,330,/g, ',47,'), ['pin-overcurrent']],
    [
      'a resistor in one row',
      led('D1', 'e5', 'e6') +
        resistor('R1', 'd6', 'b6') +
        wire('W1', 'U1.13', 'a5') +
        wire('W8', 'c6', 'a-6') +
        GROUND,
      ['no-series-resistor', 'part-bypassed', 'pin-overcurrent'],
    ],
    [
      'a resistor joined round by a wire',
      right + wire('W8', 'b6', 'a-8'),
      ['no-series-resistor', 'part-bypassed', 'pin-overcurrent'],
    ],
    [
      'a leg in a free row',
      led('D1', 'e5', 'e9') + resistor('R1', 'd6', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['leg-open', 'no-return'],
    ],
    [
      'a leg in the air',
      led('D1', 'e5', '') + resistor('R1', 'd6', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['leg-open', 'no-return'],
    ],
    [
      'no way back to ground',
      led('D1', 'e5', 'e6') + resistor('R1', 'd6', 'd9') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['leg-open', 'no-return'],
    ],
    [
      'a rail that nothing feeds',
      led('D1', 'e5', 'e6') + resistor('R1', 'd6', 'a+6') + wire('W1', 'U1.13', 'a5') + GROUND,
      ['leg-open', 'no-return', 'rail-unpowered'],
    ],
    ['supply and ground joined', right + wire('W8', 'U1.5V', 'a-9'), ['supply-short']],
    [
      'supply and ground joined over three wires',
      right + wire('W6', 'U1.5V', 'a20') + wire('W7', 'b20', 'a25') + wire('W8', 'b25', 'a-9'),
      ['supply-short'],
    ],
    ['a pin joined to ground', right + wire('W8', 'b5', 'a-9'), ['pin-short']],
    ['a lamp on the serial pin', right.replace('U1.13', 'U1.1'), ['pin-reserved']],
  ])('see %s', (_, rows, expected) => {
    expect(codes(seen(rows, rows.includes('U1.1\n') ? ['1'] : ['13']))).toEqual(expected);
  });

  test('see two pins that drive against each other', () => {
    const read = readWiring(HEAD + wire('W1', 'U1.7', 'U1.8'));
    if (!read.ok) throw new Error();
    const circuit = new Circuit(read.value);
    const bench = prepareBench(circuit);
    const drives: PinDrives = new Map<string, PinDrive>([
      ['7', { mode: 'high' }],
      ['8', { mode: 'low' }],
    ]);
    const built = {
      circuit,
      bench,
      board: beacon.board,
      states: [{ drives, parts: new Map(), point: solveBench(bench, drives) }],
      usesSerial: false,
      floatingPins: undefined,
    };
    const [short] = observationsOn({ built }).filter(({ code }) => code === 'pin-short');
    expect(short!.evidence!['currentMa']!.amount).toBeCloseTo(5000 / 50.3, 0);
  });

  test('do not call an LED reversed that is lit in some state', () => {
    expect(codes(seen(right, ['13']))).not.toContain('polarity-reversed');
  });

  test('do not call a resistor missing where the current stays small', () => {
    expect(codes(seen(led('D1', 'e5', 'a-6') + wire('W1', 'U1.13', 'a5') + GROUND, []))).not.toContain(
      'no-series-resistor',
    );
  });

  test('make a fault of the serial pins where the program prints', () => {
    const [reserved] = seen(right.replace('U1.13', 'U1.1'), ['1'], true).filter(
      ({ code }) => code === 'pin-reserved',
    );
    expect(reserved!.severity).toBe('fault');
    expect(
      seen(right.replace('U1.13', 'U1.1'), ['1']).find(({ code }) => code === 'pin-reserved')!.severity,
    ).toBe('advice');
  });

  test('name the place, and numbers that belong to it', () => {
    const [bypassed] = seen(
      led('D1', 'e5', 'e6') +
        resistor('R1', 'd6', 'b6') +
        wire('W1', 'U1.13', 'a5') +
        wire('W8', 'c6', 'a-6') +
        GROUND,
    ).filter(({ code }) => code === 'part-bypassed');
    expect(bypassed).toMatchObject({ refs: ['R1'], at: ['B1.d6', 'B1.b6'] });
    expect(bypassed!.message).toContain('row 6, a to e');
    expect(bypassed!.message).toMatch(/The LED then carries \d+(\.\d)? mA/);
  });
});
