import { describe, expect, test } from 'vitest';
import { exerciseFrom } from '../formats/exercise';
import { beacon, checkBeacon, grammars, LAYOUT, PROGRAM } from '../testing/beacon';
import { check } from './check';
import { programFor } from './build';
import { readWiring } from '../wiring/read';

const [usual] = beacon.data.scenarios;

/** The beacon with scenarios that are worth these points; the second asks for what it never does. */
function marksOf(points: readonly (number | undefined)[]) {
  const read = exerciseFrom({
    ...beacon.data,
    scenarios: points.map((worth, index) => ({
      ...usual,
      name: `number ${index + 1}`,
      ...(index === 1 ? { expect: [{ lamp: 'D1', is: 'on' }] } : {}),
      ...(worth === undefined ? {} : { points: worth }),
    })),
  });
  const wiring = readWiring(LAYOUT);
  if (!read.ok || !wiring.ok) throw new Error('this cannot be read');
  const program = programFor(read.value, PROGRAM, grammars);
  return check(read.value, { wiring: wiring.value, program }, grammars).marks;
}

describe('marks', () => {
  test('count every scenario once where nothing is said', () => {
    expect(marksOf([undefined, undefined])).toMatchObject({ earned: 1, of: 2 });
  });

  test('are what the scenarios that hold are worth', () => {
    expect(marksOf([2.5, 4])).toMatchObject({ earned: 2.5, of: 6.5 });
    expect(marksOf([0, 4])).toMatchObject({ earned: 0, of: 4 });
  });

  test('are not earned by what a program that does nothing meets as well', () => {
    const read = exerciseFrom({
      ...beacon.data,
      scenarios: [usual, { ...usual, name: 'dark', for: 1, expect: [{ lamp: 'D1', is: 'off', from: 0.6 }] }],
    });
    const wiring = readWiring(LAYOUT);
    if (!read.ok || !wiring.ok) throw new Error('this cannot be read');
    const marks = (source: string) =>
      check(read.value, { wiring: wiring.value, program: programFor(read.value, source, grammars) }, grammars)
        .marks;
    expect(marks('void setup() {}\nvoid loop() {}\n')).toMatchObject({ earned: 0, of: 2 });
    expect(marks(PROGRAM)).toMatchObject({ earned: 2, of: 2 });
  });

  test('are all earned by a build that passes', () => {
    expect(checkBeacon(LAYOUT).marks).toMatchObject({ earned: 1, of: 1 });
    expect(marksOf([3])).toMatchObject({ earned: 3, of: 3 });
  });

  test('say what they are made of', () => {
    expect(marksOf([2.5, 4]).items).toEqual([
      { for: 'number 1', earned: 2.5, of: 2.5 },
      { for: 'number 2', earned: 0, of: 4 },
    ]);
  });

  describe('of rules', () => {
    const ruled = exerciseFrom({
      ...beacon.data,
      rubric: { rules: [{ without: 'wire-colour', points: 2 }] },
    });
    const marks = (layout: string, source: string) => {
      const wiring = readWiring(layout);
      if (!ruled.ok || !wiring.ok) throw new Error('this cannot be read');
      const program = programFor(ruled.value, source, grammars);
      return check(ruled.value, { wiring: wiring.value, program }, grammars).marks;
    };
    const inRed = LAYOUT.replaceAll('wire,black', 'wire,red');

    test('are earned by a build that keeps them', () => {
      expect(marks(LAYOUT, PROGRAM)).toMatchObject({ earned: 3, of: 3 });
    });

    test('are lost by one that works and does not', () => {
      expect(inRed).not.toBe(LAYOUT);
      expect(marks(inRed, PROGRAM)).toMatchObject({ earned: 1, of: 3 });
    });

    test('are not earned by doing nothing, which breaks none', () => {
      expect(marks(LAYOUT, 'void setup() {}\nvoid loop() {}\n')).toMatchObject({ earned: 0, of: 3 });
    });
  });
});
