import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { ref } from '../../brand';
import { breadboards } from '../../breadboards';
import { AT_REST, partKinds, type PartKind } from '../../parts';
import { place, taskFrom } from '../../plan/placement';
import type { Wiring } from '../../wiring/wiring';
import { drawBench } from '../bench';
import { lightColours } from '../colours';
import type { Drawing, Shape } from '../list';
import { signOf } from '../schematic/signs';

const values = ['', '330', 'red', 'common-cathode', 'common-anode', 'active', 'passive', '100n', '9V', '5V'];
const kinds = partKinds.filter((kind) => !kind.conductor);

/** A wiring of one part, each leg on a net of its own with a pin. */
function alone(kind: PartKind, value: string): Wiring {
  const board = { ref: ref('U1'), profile: shippedBoards.get('large-5v')! };
  const name = `${kind.prefix}1`;
  const joined = new Set(kind.joints.map(([, second]) => second));
  const task = taskFrom(
    {
      parts: [{ ref: name, kind: kind.kind, value }],
      nets: kind.legs
        .filter((leg) => !joined.has(leg.name))
        .map((leg, index) => ({ name: leg.name, points: [`${name}.${leg.name}`, `U1.${22 + index}`] })),
    },
    board,
    [{ ref: ref('B1'), model: breadboards.get('full')! }],
  );
  if (!task.ok) throw new Error(task.problems[0]?.message);
  const placed = place(task.value);
  if (!placed.ok) throw new Error(placed.problems[0]?.message);
  return placed.value.wiring;
}

const cases = kinds.flatMap((kind) =>
  values
    .filter((text) => kind.readValue(text).ok)
    .slice(0, 2)
    .map((value) => [kind.kind, value, kind] as const),
);

const layerOf = (drawing: Drawing, name: string): readonly Shape[] =>
  drawing.layers.filter((layer) => layer.ref === name).flatMap((layer) => layer.shapes);

describe('the lights of every kind', () => {
  test.each(cases)('%s “%s” shine from where they are drawn, each by its name', (_, value, kind) => {
    const drawing = drawBench(alone(kind, value));
    const layer = drawing.layers.find(({ ref: name, seat }) => name === `${kind.prefix}1` && seat)!;
    const read = kind.readValue(value);
    const named = read.ok
      ? kind
          .elements(read.value, AT_REST)
          .flatMap((element) => (element.type === 'junction' && element.led !== undefined ? element.led : []))
      : [];
    expect((layer.lights ?? []).map(({ name }) => name).toSorted()).toEqual(named.toSorted());
    for (const { path, colour } of layer.lights ?? []) {
      expect(path).toMatch(/^M[-\d. ]+.*Z$/);
      expect(lightColours).toHaveProperty(colour);
    }
    const { x, y, width, height } = layer.seat!;
    expect(Math.min(width, height)).toBeGreaterThan(5);
    expect(x + width).toBeLessThan(drawing.width);
    expect(y).toBeGreaterThanOrEqual(0);
  });
});

describe('the drawn body of every kind', () => {
  test.each(cases)(
    '%s “%s” has a foot at each leg, a body, its name, and stays on the sheet',
    (_, value, kind) => {
      const wiring = alone(kind, value);
      const drawing = drawBench(wiring);
      const shapes = layerOf(drawing, `${kind.prefix}1`);
      const feet = shapes.filter((shape) => shape.type === 'circle' && shape.role === 'hole-used');
      expect(feet.length).toBe(kind.legs.length);
      expect(shapes.some((shape) => shape.role === 'body' || shape.role === 'outline')).toBe(true);
      expect(shapes.some((shape) => shape.type === 'text' && shape.text === `${kind.prefix}1`)).toBe(true);
      for (const shape of shapes) {
        if (shape.type === 'path') {
          expect(shape.path, shape.role).not.toContain('NaN');
          continue;
        }
        expect(shape.x).toBeGreaterThanOrEqual(0);
        expect(shape.x + (shape.type === 'rect' ? shape.width : 0)).toBeLessThanOrEqual(drawing.width);
        expect(shape.y + (shape.type === 'rect' ? shape.height : 0)).toBeLessThanOrEqual(drawing.height);
      }
    },
  );

  test.each(['led', 'electrolytic', 'buzzer', 'battery', 'supply', 'motor', 'led-bar'])(
    '%s shows which side is plus',
    (name) => {
      const kind = kinds.find((candidate) => candidate.kind === name)!;
      const value = values.find((text) => kind.readValue(text).ok)!;
      const signs = layerOf(drawBench(alone(kind, value)), `${kind.prefix}1`).filter(
        (shape) =>
          shape.type === 'path' &&
          shape.role === 'sign' &&
          / v\d/.test(shape.path.replace(/M\S+ \S+ v/, ' v')),
      );
      expect(signs.length).toBeGreaterThanOrEqual(1);
    },
  );

  test.each([
    'servo',
    'led-matrix',
    'shift-register',
    'distance-sensor',
    'transistor-npn',
    'temperature-sensor',
    'potentiometer',
    'rgb-led',
  ])('%s names its legs on the body', (name) => {
    const kind = kinds.find((candidate) => candidate.kind === name)!;
    const value = values.find((text) => kind.readValue(text).ok)!;
    const marks = layerOf(drawBench(alone(kind, value)), `${kind.prefix}1`).filter(
      (shape) => shape.type === 'text' && shape.role === 'leg-mark',
    );
    expect(marks.length).toBe(kind.legs.length);
  });
});

describe('the schematic sign of every kind', () => {
  test.each(cases)(
    '%s “%s” has a port for each leg on its edge, and room for name and value',
    (_, value, kind) => {
      const part = alone(kind, value).parts[0]!;
      const sign = signOf(part);
      expect([...sign.ports.keys()].sort()).toEqual(kind.legs.map((leg) => leg.name).sort());
      for (const { x, y, side } of sign.ports.values()) {
        expect(x).toBe(side === 'WEST' ? 0 : sign.width);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(sign.height);
      }
      expect(sign.name.y).toBeLessThan(sign.value.y);
      for (const shape of sign.shapes(10, 20))
        if (shape.type === 'path') expect(shape.path).not.toContain('NaN');
    },
  );
});
