import { describe, expect, test } from 'vitest';
import { kindOf, partKinds } from '@/core/parts';
import type { DraftPart } from '@/core/messages/bench-draft';
import { courseExercises } from '@/core/testing/course';
import { waysOfBlock } from './blocks';

const part = (kind: string, at: Readonly<Record<string, string>>): DraftPart => ({
  ref: 'X1',
  kind,
  value: '',
  at,
});

describe('a part with stiff legs', () => {
  test('has its other legs where the first one says', () => {
    expect(waysOfBlock(part('button', { '1': 'e5' }), 30).map(({ at }) => at)).toEqual([
      { '1': 'e5', '2': 'f5', '3': 'e7', '4': 'f7' },
    ]);
    expect(waysOfBlock(part('potentiometer', { '1': 'c5' }), 30).map(({ rest }) => rest)).toEqual([
      'c6 and c7',
      'c4 and c3',
    ]);
    expect(waysOfBlock(part('potentiometer', { '1': 'c5', wiper: 'c6' }), 30)).toHaveLength(1);
  });

  test('stands within the breadboard, and only as it can', () => {
    expect(waysOfBlock(part('potentiometer', { '1': 'c1' }), 30).map(({ rest }) => rest)).toEqual([
      'c2 and c3',
    ]);
    expect(waysOfBlock(part('potentiometer', { '1': 'c1', wiper: 'd7' }), 30)).toEqual([]);
    expect(waysOfBlock(part('button', { '1': 'e5', '2': 'f6' }), 30)).toEqual([]);
  });

  test('offers nothing without a leg in a hole, nor when all are said', () => {
    expect(waysOfBlock(part('button', {}), 30)).toEqual([]);
    expect(waysOfBlock(part('button', { '1': '13' }), 30)).toEqual([]);
    expect(waysOfBlock(part('button', { '1': 'e5', '2': 'f5', '3': 'e7', '4': 'f7' }), 30)).toEqual([]);
    expect(waysOfBlock(part('led', { anode: 'e5' }), 30)).toEqual([]);
  });

  const placed = courseExercises.flatMap(({ name, exercise }) =>
    exercise.reference.parts
      .filter(
        ({ kind, legs }) =>
          kindOf(kind).footprint.type === 'block' && legs.every(({ at }) => at?.type === 'hole'),
      )
      .map((built) => [name, built.ref as string, built] as const),
  );

  test.each(placed)('of %s, %s is found whole from any of its legs', (_, __, built) => {
    const places = Object.fromEntries(
      built.legs.map(({ leg, at }) => [leg as string, at?.type === 'hole' ? `${at.column}${at.row}` : '']),
    );
    for (const [leg, place] of Object.entries(places))
      expect(waysOfBlock(part(built.kind, { [leg]: place }), 63).map(({ at }) => at)).toContainEqual(places);
  });

  test('is every kind with a fixed pattern', () => {
    const kinds = [...partKinds.values()].filter(({ footprint }) => footprint.type === 'block');
    expect(kinds.length).toBeGreaterThan(4);
    expect(new Set(placed.map(([, , { kind }]) => kind)).size).toBeGreaterThan(2);
  });
});
