import { describe, expect, test } from 'vitest';
import { circuitOf, DEFAULT_STATEMENT_RULES, sayCircuit, USUAL_KIT, type StatementContext } from '.';
import { noBoard } from '../boards';
import { ref } from '../brand';

const context: StatementContext = { board: noBoard, rules: DEFAULT_STATEMENT_RULES, kit: USUAL_KIT };
const stated = (...lines: readonly string[]) =>
  circuitOf(
    lines.map((text) => ({ text, refs: [] })),
    context,
  );
const netsOf = ({ nets }: { readonly nets: readonly { readonly points: readonly string[] }[] }) =>
  nets.map(({ points }) => [...points].sort().join(' ')).sort();

describe('without a board, all takes its current through what leads it', () => {
  test.each([
    [
      ['9V battery', 'switch', 'white LED with 470'],
      ['G1.plus S1.common', 'D1.anode S1.2', 'G1.minus R1.2'],
    ],
    [['red LED with 470', '9V battery', 'switch'], ['D1.anode S1.2']],
    [
      ['4x1.5V battery', 'button', 'motor'],
      ['M1.plus S1.3', 'G1.minus M1.minus'],
    ],
    [['9V battery', 'button', '2 LEDs red green with 470'], ['D1.anode D2.anode S1.3']],
    [['4x1.5V battery', 'switch', 'motor', 'diode across M1'], ['D1.cathode M1.plus S1.2']],
    [
      ['9V battery', 'potentiometer', 'red LED with 470'],
      ['G1.plus P1.2', 'D1.anode P1.wiper', 'G1.minus R1.2'],
    ],
    [
      ['red LED with 470', 'light sensor', 'switch', '9V battery'],
      ['G1.plus S1.common', 'L1.1 S1.2', 'D1.anode L1.2'],
    ],
    [
      ['4xAA battery', 'button', 'thermistor', 'motor'],
      ['S1.3 T1.1', 'M1.plus T1.2'],
    ],
  ])('%j', (lines, nets) => {
    expect(netsOf(stated(...lines))).toEqual(expect.arrayContaining(nets));
  });

  test('that is told, with the words that would say it', () => {
    const [, , led] = stated('9V battery', 'switch', 'red LED').lines;
    expect(led!.assumptions).toContainEqual({
      slot: 'option',
      says: 'from S1',
      because: 'the current is led through it',
      words: 'from S1',
    });
  });

  test('by the name that its line gave it, or will give it', () => {
    expect(netsOf(stated('red LED', 'switch as S7', '9V battery'))).toContain('D1.anode S7.2');
    const kept = circuitOf(
      [
        { text: 'red LED', refs: [] },
        { text: 'switch', refs: [ref('S4')] },
        { text: '9V battery', refs: [] },
      ],
      context,
    );
    expect(netsOf(kept)).toContain('D1.anode S4.2');
  });
});

describe('a line that says from where is followed, and so are the others then', () => {
  test.each([
    [
      ['9V battery', 'switch', 'red LED from S1', 'green LED'],
      ['D1.anode S1.2', 'D2.anode G1.plus S1.common'],
    ],
    [['9V battery', 'switch', 'red LED from G1'], ['D1.anode G1.plus S1.common']],
    [['9V battery', 'switch', 'button', 'red LED from S2', 'green LED'], ['D1.anode S2.3']],
    [['9V battery', 'red LED'], ['D1.anode G1.plus']],
    [
      ['9V battery', 'switch', 'potentiometer', 'red LED from P1', 'green LED'],
      ['G1.plus S1.common', 'D2.anode P1.2 S1.2', 'D1.anode P1.wiper'],
    ],
    [['9V battery', 'two potentiometers', 'red LED'], ['D1.anode G1.plus P1.2 P2.2']],
  ])('%j', (lines, nets) => {
    expect(netsOf(stated(...lines))).toEqual(expect.arrayContaining(nets));
  });
});

test.each([
  ['9V battery', 'switch', 'white LED with 470'],
  ['9V battery', 'switch', 'red LED from G1'],
  ['9V battery', 'switch', 'red LED from S1', 'green LED'],
  ['9V battery', 'switch', 'red LED from S1', 'motor'],
  ['9V battery', 'button', 'buzzer', 'motor'],
  ['9V battery', 'button', 'switch', 'buzzer', 'motor from S2'],
  ['9V battery', 'switch', 'buzzer from G1'],
  ['9V battery', 'potentiometer', 'red LED with 470'],
  ['9V battery', 'switch', 'light sensor', 'red LED with 470', 'motor from S1'],
  ['9V battery', 'switch', 'potentiometer from G1', 'red LED'],
  ['9V battery', 'switch', '3 LEDs red green amber in series with 100'],
  ['9V battery', '2 red LEDs in series, resistor first', 'white LED'],
])('said and read back: %s, %s, %s …', (...lines) => {
  const made = stated(...lines);
  expect(netsOf(circuitOf(sayCircuit(made, context), context))).toEqual(netsOf(made));
});
