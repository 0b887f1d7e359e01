import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { LAYOUT } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import type { Wiring } from '../wiring/wiring';
import { drawBench, type BenchDrawingOptions } from './bench';
import { overlap } from './labels';
import type { Box, Drawing, Shape } from './list';

function wiring(text: string): Wiring {
  const read = readWiring(text);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
}

const shapes = (drawing: Drawing): readonly Shape[] => drawing.layers.flatMap((layer) => layer.shapes);
const plates = (drawing: Drawing): readonly Box[] =>
  shapes(drawing).flatMap((shape) => (shape.type === 'rect' && shape.role === 'plate' ? [shape] : []));
const texts = (drawing: Drawing, role: string): readonly string[] =>
  shapes(drawing).flatMap((shape) => (shape.type === 'text' && shape.role === role ? [shape.text] : []));

/** Everything stays on the sheet, no name over another, none over a hole in use. */
function expectReadable(drawing: Drawing): void {
  const names = plates(drawing);
  names.forEach((one, index) =>
    names.slice(index + 1).forEach((other) => expect(overlap(one, other)).toBe(0)),
  );
  for (const shape of shapes(drawing)) {
    if (shape.type === 'circle' && shape.role === 'hole-used')
      for (const name of names)
        expect(overlap(name, { x: shape.x - 3, y: shape.y - 3, width: 6, height: 6 })).toBe(0);
    if (shape.type === 'text' || shape.type === 'circle') {
      expect(shape.x).toBeGreaterThanOrEqual(0);
      expect(shape.x).toBeLessThanOrEqual(drawing.width);
      expect(shape.y).toBeLessThanOrEqual(drawing.height);
    }
  }
}

/** Six LEDs on six pins of a board, all on one ground rail. */
const manyLeds = (board: string, pins: readonly string[]): string =>
  `ref,kind,value,leg,at\nU1,board,${board},,\nB1,breadboard,half,,\nW99,wire,black,1,U1.GND\nW99,wire,black,2,B1.a-1\n${pins
    .map((pin, index) => {
      const row = 3 + index * 3;
      return `D${index},led,red,anode,B1.e${row}\nD${index},led,red,cathode,B1.e${row + 1}\nR${index},resistor,330,1,B1.d${row + 1}\nR${index},resistor,330,2,B1.a-${row + 1}\nW${index},wire,green,1,U1.${pin}\nW${index},wire,green,2,B1.a${row}\n`;
    })
    .join('')}`;

describe('the bench drawing', () => {
  test.each<[string, string, BenchDrawingOptions]>([
    ['the beacon, cut to what is used', LAYOUT, { crop: 'used' }],
    ['the beacon, whole', LAYOUT, { crop: 'whole' }],
    ['six lamps on the learner board', manyLeds('learner-5v', ['13', '12', '11', '10', '9', '8']), {}],
    ['six lamps on the board of 54 pins', manyLeds('large-5v', ['53', '40', '31', '22', '13', '2']), {}],
    [
      'four lamps on the board of 54 pins, few rows',
      manyLeds('large-5v', ['53', '31', '22', '2']),
      { rows: [1, 14] },
    ],
  ])('leaves every name readable: %s', (_, table, options) => {
    expectReadable(drawBench(wiring(table), options));
  });

  test('leaves every name readable on each hand-in of the class', () => {
    const folder = 'demo/submissions/beacon';
    for (const entry of readdirSync(folder, { withFileTypes: true }))
      if (entry.isDirectory())
        expectReadable(
          drawBench(wiring(readFileSync(`${folder}/${entry.name}/wiring.csv`, 'utf8')), { crop: 'used' }),
        );
  });

  test('shows every used pin, and sums up those that have no room', () => {
    const drawing = drawBench(wiring(manyLeds('large-5v', ['53', '31', '22', '2'])), { rows: [1, 14] });
    expect(texts(drawing, 'pin-name-used')).toEqual(['GND', '53', '31', '22', '2']);
    expect(texts(drawing, 'note').some((note) => /^\S+ to \S+ not shown$/.test(note))).toBe(true);
    const ledger = [...texts(drawing, 'pin-name-used'), ...texts(drawing, 'pin-name')];
    expect(new Set(ledger).size).toBe(ledger.length);
  });

  test('offers every hole of the frame and every shown pin as a target', () => {
    const drawing = drawBench(wiring(LAYOUT), { rows: [1, 12], crop: 'whole' });
    expect(drawing.targets.filter((target) => target.point.startsWith('B1.'))).toHaveLength(12 * 14);
    expect(drawing.targets.some((target) => target.point === 'U1.13')).toBe(true);
  });

  test('draws parts that hang free, are clipped together, or are half plugged in', () => {
    const clipped = `ref,kind,value,leg,at\nU1,board,learner-5v,,\nD1,led,amber,anode,\nD1,led,amber,cathode,\nR1,resistor,330,1,D1.cathode\nC1,clip,red,1,U1.13\nC1,clip,red,2,D1.anode\nC2,clip,black,1,U1.GND\nC2,clip,black,2,R1.2\n`;
    const drawing = drawBench(wiring(clipped));
    expect(drawing.layers.flatMap((layer) => layer.ref ?? [])).toEqual(
      expect.arrayContaining(['D1', 'R1', 'C1', 'C2']),
    );
    expectReadable(drawing);
  });

  test('marks the parts of a finding and follows a node over all its strips', () => {
    const read = wiring(LAYOUT);
    const [led] = read.parts.filter((part) => part.ref === 'D1');
    const drawing = drawBench(read, {
      marked: ['D1'],
      threads: [{ point: led!.legs[0]!.at!, role: 'signal' }],
    });
    expect(shapes(drawing).filter((shape) => shape.role === 'mark')).toHaveLength(1);
    expect(shapes(drawing).filter((shape) => shape.role === 'trace')).toHaveLength(1);
  });

  test('says in words what it shows', () => {
    expect(drawBench(wiring(LAYOUT)).description).toContain(
      'amber LED D1: long leg in B1.e5, short leg in B1.e6',
    );
  });
});
