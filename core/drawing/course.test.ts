import { describe, expect, test } from 'vitest';
import { layoutSchematic } from '@/engines/schematic-here';
import { courseExercises } from '../testing/course';
import { kindOf } from '../parts';
import { circuitParts } from '../wiring/netlist';
import { drawBench } from './bench';
import { overlap } from './labels';
import { crossingsOf, legibilityOf, segmentsOf } from './legibility';
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

describe('the wires of every exercise', () => {
  test.each(cases)('%s can be followed: few cross, and no name lies on another wire', (_, wiring) => {
    const { mostOfOne, namesOnWires } = legibilityOf(drawBench(wiring));
    expect(mostOfOne).toBeLessThanOrEqual(4);
    expect(namesOnWires).toBe(0);
  });

  test.each(cases)('%s shows both ends of every wire, whole or apart', (_, wiring) => {
    const drawing = drawBench(wiring);
    for (const { ref, kind, legs } of wiring.parts) {
      if (!kindOf(kind).conductor) continue;
      const ends = drawing.layers
        .filter((layer) => layer.ref === ref)
        .flatMap((layer) => layer.shapes.filter(({ type, role }) => type === 'circle' && role === 'outline'));
      expect(ends, ref).toHaveLength(legs.length);
    }
  });

  test('of the signal mast that only fetch supply and ground end at their rail, and say where they lead', () => {
    const mast = cases.find(([name]) => name === 'signal-mast')![1];
    const texts = shapes(drawBench(mast)).flatMap((shape) =>
      shape.type === 'text' && shape.role === 'wire-name' ? [shape.text] : [],
    );
    const feed = mast.parts.find(
      ({ kind, legs }) =>
        kind === 'wire' &&
        legs.some(({ at }) => at?.type === 'leg') &&
        legs.some(({ at }) => at?.type === 'rail'),
    )!;
    const rail = feed.legs.map(({ at }) => at).find((at) => at?.type === 'rail');
    expect(texts).toContain(feed.ref);
    expect(texts).toContain(`${feed.ref} to ${rail?.type === 'rail' ? `${rail.rail}${rail.row}` : ''}`);
  });
});

describe('the measure of a drawing', () => {
  const line = (path: string) => segmentsOf(path);

  test('counts where lines cross, and where one runs over another', () => {
    expect(crossingsOf(line('M0 0 L10 10'), line('M0 10 L10 0'))).toBe(1);
    expect(crossingsOf(line('M0 0 L10 0'), line('M5 0 L20 0'))).toBe(1);
    expect(crossingsOf(line('M0 0 L10 0'), line('M0 5 L10 5'))).toBe(0);
    expect(crossingsOf(line('M0 0 L10 0'), line('M10 0 L10 10'))).toBe(0);
    expect(crossingsOf(line('M0 0 L10 0 L10 10 L0 10'), line('M5 -5 L5 20'))).toBe(2);
  });

  test('reads paths with rounded corners', () => {
    expect(line('M0 0 L10 0 Q18 0 18 8 L18 20')).toHaveLength(3);
  });
});
