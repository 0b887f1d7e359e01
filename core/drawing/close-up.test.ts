import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { drawBench } from './bench';
import { aspectOf, closeUp } from './close-up';
import { drawPartAlone } from './part-card';
import { partKinds } from '../parts';

const [first] = courseExercises.values();
const whole = drawBench(first!.exercise.reference, { crop: 'used' });

describe('a drawing from near', () => {
  test('shows the part whole, and less than the drawing', () => {
    const near = closeUp(whole, new Set(['D1']))!;
    const part = whole.layers.find(({ ref }) => ref === 'D1')!;
    const { x, y, width, height } = near.window!;
    expect(x).toBeLessThan(part.box!.x);
    expect(y).toBeLessThan(part.box!.y);
    expect(x + width).toBeGreaterThan(part.box!.x + part.box!.width);
    expect(y + height).toBeGreaterThan(part.box!.y + part.box!.height);
    expect(width * height).toBeLessThan((whole.width * whole.height) / 4);
    expect(near.layers.find(({ ref }) => ref === 'D1')).toEqual(part);
    const count = (layers: typeof whole.layers): number =>
      layers.reduce((sum, { shapes }) => sum + shapes.length, 0);
    expect(count(near.layers)).toBeLessThan(count(whole.layers) / 2);
  });

  test('has the names of the rows in it where they are to be counted', () => {
    const named = closeUp(whole, new Set(['D1']), { rows: 'with their names' })!;
    const { x, y, width, height } = named.window!;
    const names = named.layers.flatMap(({ shapes }) =>
      shapes.filter(
        (shape) =>
          shape.type === 'text' &&
          /^\d+$/.test(shape.text) &&
          shape.x > x &&
          shape.x < x + width &&
          shape.y > y &&
          shape.y < y + height,
      ),
    );
    expect(names.length).toBeGreaterThan(1);
  });

  test('goes round all parts that are asked for, and is none of parts that are not there', () => {
    const both = closeUp(whole, new Set(['D1', 'R1']))!.window!;
    const one = closeUp(whole, new Set(['D1']))!.window!;
    expect(both.width * both.height).toBeGreaterThan(one.width * one.height);
    expect(closeUp(whole, new Set(['D9']))).toBeUndefined();
  });

  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    'nothing of a part or its name is cut off: %s',
    (_, { reference }) => {
      const drawing = drawBench(reference, { crop: 'used' });
      for (const { ref, box } of drawing.layers)
        if (box) {
          expect(box.x, ref).toBeGreaterThanOrEqual(0);
          expect(box.x + box.width, ref).toBeLessThanOrEqual(drawing.width);
        }
    },
  );

  test('leaves a whole drawing its own proportions', () => {
    expect(aspectOf(whole)).toBe(whole.width / whole.height);
  });

  test.each(partKinds.filter(({ conductor }) => !conductor).map(({ kind }) => kind))(
    'a card shows a %s',
    (kind) => {
      expect(drawPartAlone(kind)?.layers.some(({ ref, box }) => ref !== undefined && box)).toBe(true);
    },
  );
});
