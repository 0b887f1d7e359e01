import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { Circuit } from './circuit';
import { readWiring } from './read';
import { shapeOf } from './shape';

const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';
const shape = (rows: string): string => {
  const read = readWiring(HEAD + rows);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return shapeOf(new Circuit(read.value));
};
const lamp = (ref: string, row: number, pin: string, kind = 'red') =>
  `D${ref},led,${kind},anode,B1.e${row}\nD${ref},led,${kind},cathode,B1.e${row + 1}\nR${ref},resistor,330,1,B1.d${row + 1}\nR${ref},resistor,330,2,B1.a-${row + 1}\nW${ref},wire,red,1,B1.a${row}\nW${ref},wire,red,2,U1.${pin}\n`;
const ground = 'W9,wire,black,1,B1.a-1\nW9,wire,black,2,U1.GND\n';

describe('the shape of a circuit', () => {
  test('is the same in other holes, by other names, in another order', () => {
    const here = shape(lamp('1', 5, '13') + lamp('2', 10, '12') + ground);
    expect(shape(ground + lamp('4', 20, '12') + lamp('3', 15, '13'))).toBe(here);
    // A resistor has no right way round.
    const turned = lamp('1', 5, '13')
      .replace('R1,resistor,330,1,', 'R1,resistor,330,x,')
      .replace('R1,resistor,330,2,', 'R1,resistor,330,1,')
      .replace('R1,resistor,330,x,', 'R1,resistor,330,2,');
    expect(shape(turned + lamp('2', 10, '12') + ground)).toBe(here);
  });

  test.each([
    ['on another pin', lamp('1', 5, '11') + ground],
    ['of another colour', lamp('1', 5, '13', 'green') + ground],
    [
      'turned round',
      lamp('1', 5, '13').replace('anode', 'x').replace('cathode', 'anode').replace('x,', 'cathode,') + ground,
    ],
    ['without the way back', lamp('1', 5, '13')],
    ['with another beside it', lamp('1', 5, '13') + lamp('2', 10, '12') + ground],
  ])('is another for an LED %s', (_, rows) => {
    expect(shape(rows)).not.toBe(shape(lamp('1', 5, '13') + ground));
  });

  test('is the same for every exercise of the course whose rows stand in any order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...courseExercises),
        fc.infiniteStream(fc.double({ min: 0, max: 1 })),
        ({ exercise }, chance) => {
          const { reference } = exercise;
          const keys = new Map(reference.parts.map((part) => [part, chance.next().value as number]));
          const shuffled = [...reference.parts].sort((one, other) => keys.get(one)! - keys.get(other)!);
          expect(shapeOf(new Circuit({ ...reference, parts: shuffled }))).toBe(
            shapeOf(new Circuit(reference)),
          );
        },
      ),
    );
  });
});
