import { describe, expect, test } from 'vitest';
import { likelyPlaces } from './likely-places';

const led = (anode: string, cathode: string) => ({
  ref: 'D1',
  kind: 'led',
  value: 'red',
  at: { anode, cathode },
});
const resistor = (one: string, other: string) => ({
  ref: 'R1',
  kind: 'resistor',
  value: '330',
  at: { '1': one, '2': other },
});
const likely = (parts: Parameters<typeof likelyPlaces>[0], ref: string, leg: string, rows = 30) =>
  likelyPlaces(parts, { ref, leg }, rows);

describe('the places that an end is likely to be in', () => {
  test('are none on an empty breadboard', () => {
    expect(likely([led('', '')], 'D1', 'anode')).toEqual([]);
  });

  test('are near the other leg of the part', () => {
    expect(likely([led('e5', '')], 'D1', 'cathode')).toEqual(['e6', 'e4', 'e7', 'e8', 'e9']);
    expect(likely([led('e30', '')], 'D1', 'cathode')).toEqual(['e29']);
  });

  test('are beside an end that waits for something to be joined to it', () => {
    expect(likely([led('e5', 'e6'), resistor('', '')], 'R1', '1').slice(0, 2)).toEqual(['d6', 'd5']);
  });

  test('are free, and not where something is joined already', () => {
    const parts = [led('e5', 'e6'), resistor('d6', '')];
    const places = likely(parts, 'R1', '2');
    expect(places).toContain('d5');
    expect(places).toContain('d7');
    for (const place of ['e5', 'e6', 'd6']) expect(places).not.toContain(place);
    expect(places.some((place) => /^[a-e]6$/.test(place))).toBe(false);
  });

  test('leave pins and rails to their own keys', () => {
    expect(likely([resistor('13', 'a-4')], 'R1', '1')).toEqual([]);
  });
});
