import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '@/core/boards';
import type { DraftPart } from '@/core/messages/bench-draft';
import { courseExercises } from '@/core/testing/course';
import { shortNameOf } from '@/core/wiring/wiring';
import { waysOfBlock } from './blocks';
import { seriesFrom } from './series';

const board = shippedBoards.get('learner-5v')!;
const room = { board, rows: 30 };

const resistor = (ref: string, one = '', other = ''): DraftPart => ({
  ref,
  kind: 'resistor',
  value: '330',
  at: { '1': one, '2': other },
});
const wire = (ref: string, value: string, from = '', to = ''): DraftPart => ({
  ref,
  kind: 'wire',
  value,
  at: { '1': from, '2': to },
});

describe('equal parts', () => {
  test('go on as the two before them began, each leg by its own step', () => {
    const parts = [resistor('R1', 'a1', 'a-1'), resistor('R2', 'a3', 'a-3'), resistor('R3'), resistor('R4')];
    const [series] = seriesFrom(parts, 'R3', room);
    expect(series?.first).toBe('a5 and a-5');
    expect(series?.last).toBe('a7 and a-7');
    expect(series?.parts.map(({ at }) => at['1'])).toEqual(['a5', 'a7']);
  });

  test('are wires of one colour, through wires of other colours between them, and pins count down too', () => {
    const parts = [
      wire('W1', 'yellow', '11', 'a2'),
      wire('W2', 'red', 'a+1', 'a3'),
      wire('W3', 'yellow', '10', 'a5'),
      wire('W4', 'red', 'a+4', 'a6'),
      wire('W5', 'yellow'),
      wire('W6', 'red'),
    ];
    expect(seriesFrom(parts, 'W5', room)[0]?.first).toBe('pin 9 and a8');
    expect(seriesFrom(parts, 'W6', room)[0]?.first).toBe('a+7 and a9');
  });

  test('are wires of many colours from pin to pin, and to one module after another', () => {
    const parts = [
      wire('W1', 'white', '3', 'M1.signal'),
      wire('W2', 'green', '4', 'M2.signal'),
      wire('W3', 'violet'),
      wire('W4', 'grey'),
      ...['M1', 'M2', 'M3'].map((ref) => ({ ref, kind: 'servo', value: '', at: {} })),
    ];
    const [series] = seriesFrom(parts, 'W3', room);
    expect(series?.first).toBe('pin 5 and M3.signal');
    expect(series?.parts).toHaveLength(1);
  });

  test.each([
    ['only one is said', [resistor('R1', 'a1', 'e1'), resistor('R2')], 'R2'],
    [
      'it has an end already',
      [resistor('R1', 'a1', 'e1'), resistor('R2', 'a2', 'e2'), resistor('R3', 'a3')],
      'R3',
    ],
    [
      'the columns are other ones',
      [resistor('R1', 'a1', 'e1'), resistor('R2', 'b2', 'e2'), resistor('R3')],
      'R3',
    ],
    [
      'the board ends there',
      [wire('W1', 'blue', '12', 'a1'), wire('W2', 'blue', '13', 'a2'), wire('W3', 'blue')],
      'W3',
    ],
    [
      'the breadboard ends there',
      [resistor('R1', 'a29', 'e29'), resistor('R2', 'a30', 'e30'), resistor('R3')],
      'R3',
    ],
    [
      'something is there',
      [resistor('R1', 'a1', 'e1'), resistor('R2', 'a2', 'e2'), resistor('R3'), wire('W1', 'red', 'e3', '5V')],
      'R3',
    ],
    ['nothing is said', [resistor('R1'), resistor('R2'), resistor('R3')], 'R3'],
  ])('are not gone on with where %s', (_, parts, ref) => {
    expect(seriesFrom(parts, ref, room)).toEqual([]);
  });

  test('never stand in a hole that is taken, nor outside, and each as far from the last as the second from the first', () => {
    const row = fc.integer({ min: 1, max: 30 });
    fc.assert(
      fc.property(row, row, row, row, fc.integer({ min: 1, max: 12 }), (a, b, c, d, more) => {
        const parts = [
          resistor('R1', `a${a}`, `h${b}`),
          resistor('R2', `a${c}`, `h${d}`),
          ...Array.from({ length: more }, (_, index) => resistor(`R${index + 3}`)),
        ];
        const made = seriesFrom(parts, 'R3', room)[0]?.parts ?? [];
        const rows = [parts[0]!, parts[1]!, ...made].map(({ at }) =>
          Object.values(at).map((place) => Number(place.slice(1))),
        );
        expect(rows.flat().every((number) => number >= 1 && number <= 30)).toBe(true);
        rows.slice(2).forEach(([one, other], index) => {
          expect(one! - rows[index + 1]![0]!).toBe(c - a);
          expect(other! - rows[index + 1]![1]!).toBe(d - b);
        });
        const places = [parts[0]!, parts[1]!, ...made].flatMap(({ at }) => Object.values(at));
        if (made.length > 0) expect(new Set(places).size).toBe(places.length);
      }),
    );
  });
});

/** Ends that are said one by one, and taps, of somebody who records a build as drawn and takes every offer that is right. */
function actionsFor(name: string): { readonly ends: number; readonly said: number; readonly taps: number } {
  const { exercise } = courseExercises.find((one) => one.name === name)!;
  const { reference } = exercise;
  const rows = reference.breadboards[0]!.model.rows;
  const wanted: readonly DraftPart[] = reference.parts.map(({ ref, kind, value, legs }) => ({
    ref,
    kind,
    value: value.text,
    at: Object.fromEntries(legs.flatMap(({ leg, at }) => (at ? [[leg, shortNameOf(at)]] : []))),
  }));
  const placesOf = (part: DraftPart): string => JSON.stringify(Object.entries(part.at).sort());
  const isRight = (part: DraftPart): boolean =>
    placesOf(part) === placesOf(wanted.find(({ ref }) => ref === part.ref)!);
  let parts = wanted.map((part) => ({ ...part, at: {} }) as DraftPart);
  let [said, taps] = [0, 0];
  const place = (placed: readonly DraftPart[]): void => {
    parts = parts.map((one) => placed.find(({ ref }) => ref === one.ref) ?? one);
  };
  for (const { ref } of wanted) {
    const part = (): DraftPart => parts.find((one) => one.ref === ref)!;
    if (isRight(part())) continue;
    const offered = seriesFrom(parts, ref, { board: exercise.board, rows }).map((series) => series.parts);
    const good =
      offered.find((all) => all.every(isRight)) ??
      offered.find(([first]) => first && isRight(first))?.slice(0, 1);
    if (good) {
      taps += 1;
      place(good);
      continue;
    }
    for (const [leg, at] of Object.entries(wanted.find((one) => one.ref === ref)!.at)) {
      if (part().at[leg] !== undefined) continue;
      said += 1;
      const next = { ...part(), at: { ...part().at, [leg]: at } };
      place([next]);
      const way = waysOfBlock(next, rows).find(({ at }) => isRight({ ...next, at }));
      if (way && way.rest !== '') {
        taps += 1;
        place([{ ...next, at: way.at }]);
      }
    }
  }
  expect(parts.every(isRight)).toBe(true);
  return { ends: wanted.flatMap(({ at }) => Object.values(at)).length, said, taps };
}

describe('recorded as drawn, with every offer that is right', () => {
  test.each([
    ['tide-gauge', 71, 22],
    ['signal-mast', 78, 51],
  ])('%s, with %i ends, takes at most %i actions', (name, ends, most) => {
    const counted = actionsFor(name);
    expect(counted.ends).toBe(ends);
    expect(counted.said + counted.taps).toBeLessThanOrEqual(most);
  });
});
