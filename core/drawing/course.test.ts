import { describe, expect, test } from 'vitest';
import { layoutSchematic } from '@/engines/schematic-here';
import { courseExercises } from '../testing/course';
import { circuitParts } from '../wiring/netlist';
import { drawBench } from './bench';
import { overlap } from './labels';
import type { Box, Drawing, Shape } from './list';
import { drawSchematic } from './schematic';
import { writeSvg } from './svg';

const shapes = (drawing: Drawing): readonly Shape[] => drawing.layers.flatMap((layer) => layer.shapes);
const cases = courseExercises.map(({ name, exercise }) => [name, exercise.reference] as const);

/** Names of wires and parts, which stand on plates on the bench and bare in a schematic. */
const plates = (drawing: Drawing): readonly Box[] =>
  shapes(drawing).flatMap((shape) => (shape.type === 'rect' && shape.role === 'plate' ? [shape] : []));
const names = (drawing: Drawing): readonly Box[] =>
  shapes(drawing).flatMap((shape) =>
    shape.type === 'text' && shape.role === 'part-name'
      ? [{ x: shape.x - shape.text.length * 4, y: shape.y - 10, width: shape.text.length * 8, height: 11 }]
      : [],
  );

function overlaps(boxes: readonly Box[]): number {
  let count = 0;
  boxes.forEach((one, index) =>
    boxes.slice(index + 1).forEach((other) => {
      if (overlap(one, other) > 0) count += 1;
    }),
  );
  return count;
}

describe('the bench drawing of every exercise', () => {
  test.each(cases)('%s has each part once and no name over another', (_, wiring) => {
    const drawing = drawBench(wiring);
    for (const part of circuitParts(wiring))
      expect(
        drawing.layers.some((layer) => layer.ref === part.ref),
        part.ref,
      ).toBe(true);
    expect(overlaps(plates(drawing))).toBe(0);
  });
});

describe('the schematic of every exercise', () => {
  test.each(cases)(
    '%s has each part once, no name over another, and lines that end at its parts',
    async (_, wiring) => {
      const drawing = await drawSchematic(wiring, layoutSchematic);
      for (const part of circuitParts(wiring))
        expect(
          drawing.layers.filter((layer) => layer.ref === part.ref),
          part.ref,
        ).toHaveLength(1);
      expect(overlaps(names(drawing))).toBe(0);
      expect(
        drawing.layers[0]!.shapes.every((shape) => shape.type === 'path' && /^M.+ L/.test(shape.path)),
      ).toBe(true);
    },
  );
});

test('an SVG file is one well-formed element with a title and a description', () => {
  const [, beacon] = cases[0]!;
  const svg = writeSvg(drawBench(beacon), 'Beacon & <co>');
  expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  expect(svg).toContain('<title>Beacon &amp; &lt;co&gt;</title>');
  for (const [element] of svg.matchAll(/<(rect|circle|path|text)[^>]*>/g)) {
    const attributes = [...element.matchAll(/ ([\w-]+)="/g)].map((match) => match[1]);
    expect(new Set(attributes).size, element).toBe(attributes.length);
  }
});
