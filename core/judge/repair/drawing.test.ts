import { describe, expect, test } from 'vitest';
import { legName, ref } from '../../brand';
import { beacon } from '../../testing/beacon';
import { readWiring } from '../../wiring/read';
import { findPart, nameOf, type Wiring } from '../../wiring/wiring';
import { Drawing } from './drawing';
import { Target } from './target';

/** The beacon three rows farther down, with wires of other names, the first of them from its other end. */
const FARTHER_DOWN = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,half,,
D1,led,amber,anode,B1.e8
D1,led,amber,cathode,B1.e9
R1,resistor,330,1,B1.d9
R1,resistor,330,2,B1.a-9
W7,wire,yellow,1,B1.b8
W7,wire,yellow,2,U1.13
W1,wire,black,1,U1.GND
W1,wire,black,2,B1.a-4
`;

function read(table: string): Wiring {
  const wiring = readWiring(table);
  if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
  return wiring.value;
}

function drawingOn(table: string): { readonly drawing: Drawing; readonly built: Wiring } {
  const built = read(table);
  const pairs = new Map(built.parts.map((part) => [part.ref as string, part]));
  const target = new Target(beacon, beacon.reference, built, pairs);
  return { drawing: new Drawing(beacon.reference, built, target), built };
}

describe('the drawing beside a build', () => {
  const placeOf = (table: string, name: string, leg: string): string | null | undefined => {
    const { drawing, built } = drawingOn(table);
    const at = drawing.placeOf(findPart(built, ref(name))!, legName(leg));
    return at && nameOf(at);
  };
  const isInPlace = (table: string, name: string, leg: string): boolean => {
    const { drawing, built } = drawingOn(table);
    const part = findPart(built, ref(name))!;
    return drawing.hasInPlace(
      part,
      part.legs.find((known) => known.leg === legName(leg))!,
    );
  };

  test.each([
    ['D1', 'anode', 'B1.e8'],
    ['R1', '2', 'B1.a-6'],
    ['W7', '1', 'B1.a8'],
    ['W7', '2', 'U1.13'],
    ['W1', '1', 'U1.GND'],
  ])('stands as far down as most of the build does: %s.%s is at %s', (name, leg, at) => {
    expect(placeOf(FARTHER_DOWN, name, leg)).toBe(at);
  });

  test('counts a row or a rail as the place, not its hole', () => {
    for (const [name, leg] of [
      ['W7', '1'],
      ['W1', '2'],
      ['R1', '2'],
    ] as const)
      expect(isInPlace(FARTHER_DOWN, name, leg), `${name}.${leg}`).toBe(true);
  });

  test('says which end has slipped', () => {
    const slipped = FARTHER_DOWN.replace('B1.b8', 'B1.b7');
    expect(isInPlace(slipped, 'W7', '1')).toBe(false);
    expect(isInPlace(slipped, 'D1', 'anode')).toBe(true);
    const part = FARTHER_DOWN.replace('B1.e8', 'B1.e7');
    expect(isInPlace(part, 'W7', '1')).toBe(true);
    expect(isInPlace(part, 'D1', 'anode')).toBe(false);
  });

  test('has nothing for a wire that it does not have', () => {
    const more = `${FARTHER_DOWN}W9,wire,red,1,B1.a20\nW9,wire,red,2,B1.a22\n`;
    expect(placeOf(more, 'W9', '1')).toBeUndefined();
  });
});
