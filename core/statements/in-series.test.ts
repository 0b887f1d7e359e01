import { describe, expect, test } from 'vitest';
import { circuitOf, DEFAULT_STATEMENT_RULES, sayCircuit, USUAL_KIT, type StatementContext } from '.';
import { noBoard, shippedBoards } from '../boards';

const rules = { rules: DEFAULT_STATEMENT_RULES, kit: USUAL_KIT };
const onBoard: StatementContext = { board: shippedBoards.get('learner-5v')!, ...rules };
const onBattery: StatementContext = { board: noBoard, ...rules };
const stated = (context: StatementContext, ...lines: readonly string[]) =>
  circuitOf(
    lines.map((text) => ({ text, refs: [] })),
    context,
  );
const netsOf = ({ nets }: ReturnType<typeof stated>): readonly string[] =>
  nets.map(({ points }) => [...points].sort().join(' ')).sort();

describe('LEDs in series are one path', () => {
  test.each([
    [
      'two red LEDs in series on 9 with 100',
      ['D1.anode U1.9', 'D1.cathode D2.anode', 'D2.cathode R1.1', 'R1.2 U1.GND'],
    ],
    [
      '2 LEDs on pin 9 in series, resistor first',
      ['D1.anode R1.2', 'D1.cathode D2.anode', 'D2.cathode U1.GND', 'R1.1 U1.9'],
    ],
    [
      '2 red LEDs in series on 9, lit by low',
      ['D1.anode U1.5V', 'D1.cathode D2.anode', 'D2.cathode R1.1', 'R1.2 U1.9'],
    ],
    [
      'LEDs in series on 9 as D3 and D4, without resistor',
      ['D3.anode U1.9', 'D3.cathode D4.anode', 'D4.cathode U1.GND'],
    ],
  ])('%s', (line, nets) => {
    const circuit = stated(onBoard, line);
    expect(circuit.lines[0]!.troubles).toEqual([]);
    expect(netsOf(circuit)).toEqual(nets);
  });

  test('on a battery, each in its colour', () => {
    const circuit = stated(onBattery, '9V battery', '3 LEDs red amber green in series');
    expect(circuit.parts.map(({ kind, value }) => `${kind} ${value}`)).toEqual([
      'battery 9V block',
      'led red',
      'led amber',
      'led green',
      'resistor 330',
    ]);
    expect(netsOf(circuit)).toContain('D1.anode G1.plus');
    expect(
      stated(onBattery, '9V battery', 'red and green LED in a chain').parts.map(({ value }) => value),
    ).toEqual(['9V block', 'red', 'green', '680']);
  });

  test('share the volts, so that the resistor is a smaller one', () => {
    const ohms = (line: string): number =>
      Number(stated(onBoard, line).parts.find(({ kind }) => kind === 'resistor')!.value);
    expect(ohms('2 red LEDs in series on 9')).toBeLessThan(ohms('red LED on 9') / 2);
  });

  test('hang on one pin, and one alone is in series with its resistor only', () => {
    const [line] = stated(onBoard, '2 LEDs in series on 9 and 10').lines;
    expect(line!.troubles.map(({ message }) => message)).toEqual(['In series all 2 LEDs hang on one pin.']);
    expect(netsOf(stated(onBoard, 'LED on 9 in series with 220'))).toEqual([
      'D1.anode U1.9',
      'D1.cathode R1.1',
      'R1.2 U1.GND',
    ]);
  });

  test.each([
    '2 red LEDs in series on 9 with 100',
    '3 red green amber LEDs in series on 9 with 100',
    '2 white LEDs in series on 9 without resistor',
    '2 red LEDs in series on 5V with 100, resistor first',
  ])('are said as they are read: %s', (line) => {
    const circuit = stated(onBoard, line);
    expect(sayCircuit(circuit, onBoard).map(({ text }) => text)).toEqual([line]);
  });
});
