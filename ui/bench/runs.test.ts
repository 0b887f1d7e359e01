import { describe, expect, test } from 'vitest';
import type { Draft } from '@/core/messages/bench-draft';
import { withRun } from './runs';

const wire = (number: number, at: Record<string, string> = {}) => ({
  ref: `W${number}`,
  kind: 'wire',
  value: 'blue',
  at,
});
const draft: Draft = {
  version: 1,
  parts: [
    wire(1, { '1': 'GND', '2': 'a-1' }),
    ...Array.from({ length: 10 }, (_, index) => wire(index + 2)),
    { ref: 'R1', kind: 'resistor', value: '330', at: {} },
    { ref: 'R2', kind: 'resistor', value: '330', at: {} },
    { ref: 'S1', kind: 'button', value: '', at: {} },
  ],
  program: '',
  hintsTaken: 0,
};
const placed = (text: string): Readonly<Record<string, string>> => {
  const made = withRun(draft, text);
  if (!made.ok) throw new Error(made.problems[0]!.message);
  return Object.fromEntries(made.value.parts.map(({ ref, at }) => [ref, Object.values(at).join(' ')]));
};
const told = (text: string): string => {
  const made = withRun(draft, text);
  return made.ok ? '' : made.problems[0]!.message;
};

describe('a run of wires', () => {
  test('goes from pins to holes one after another, with the wires that are in nowhere yet', () => {
    const ends = placed('11-2 to a2-a11');
    expect(ends['W1']).toBe('GND a-1');
    expect(ends['W2']).toBe('11 a2');
    expect(ends['W11']).toBe('2 a11');
  });

  test.each([
    ['A0-A2 to b5-b7', 'A0 b5', 'A2 b7'],
    ['11, 9, 6 to a2, a4, a6', '11 a2', '6 a6'],
    ['e9..e11 -> a-9..a-11', 'e9 a-9', 'e11 a-11'],
    ['e9 – e11 to a+9 – a+11', 'e9 a+9', 'e11 a+11'],
    ['13 to a-4', '13 a-4', ''],
  ])('is written as people write it: %s', (text, first, third) => {
    const ends = placed(text);
    expect([ends['W2'], ends['W4']]).toEqual([first, third]);
  });

  test('places other parts by their names', () => {
    const ends = placed('R1-R2 b2-b3 to e2-e3');
    expect([ends['R1'], ends['R2'], ends['W2']]).toEqual(['b2 e2', 'b3 e3', '']);
  });

  test.each([
    ['11-2 to a2-a10', '10 places on one side, 9 on the other'],
    ['1-12 to a1-a12', 'Only 10 wires are in nowhere yet, and the run has 12'],
    ['R1-R3 b2-b4 to e2-e4', 'There is no R3'],
    ['S1 b2 to e2', 'S1 has more than two ends'],
    ['R1-R2 b2 to e2', '2 parts and 1 pair of places'],
    ['1-9999 to a1-a9999', 'Write it like'],
    ['somewhere', 'Write it like'],
    ['', 'Write it like'],
  ])('that does not fit is told: %s', (text, message) => {
    expect(told(text)).toContain(message);
  });
});
