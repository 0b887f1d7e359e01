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

describe('without a board, all takes its current through the one contact', () => {
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
  ])('%j', (lines, nets) => {
    expect(netsOf(stated(...lines))).toEqual(expect.arrayContaining(nets));
  });

  test('that is told, with the words that would say it', () => {
    const [, , led] = stated('9V battery', 'switch', 'red LED').lines;
    expect(led!.assumptions).toContainEqual({
      slot: 'option',
      says: 'from S1',
      because: 'what is switched is switched by it',
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
])('said and read back: %s, %s, %s …', (...lines) => {
  const made = stated(...lines);
  expect(netsOf(circuitOf(sayCircuit(made, context), context))).toEqual(netsOf(made));
});
