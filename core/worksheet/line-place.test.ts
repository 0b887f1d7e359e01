import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { readWiring } from '../wiring/read';
import { linePlaceOf } from './line-place';

const table = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,half,,
D1,led,amber,anode,a5
D1,led,amber,cathode,a6
R1,resistor,330,1,c6
R1,resistor,330,2,
R2,resistor,330,1,d6
R2,resistor,330,2,a-6
W1,wire,yellow,1,U1.13
W1,wire,yellow,2,e5
W2,wire,black,1,U1.GND
W2,wire,black,2,b20
W3,wire,black,1,U1.GND
W3,wire,black,2,a-1
W4,wire,black,1,a-9
W4,wire,black,2,a9
`;

const wiring = (() => {
  const read = readWiring(table);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
})();

describe('where the parts of a line are', () => {
  const place = linePlaceOf(wiring, [ref('D1'), ref('R1')]);

  test('each leg has its hole and what it meets', () => {
    const [led, resistor] = place.parts;
    expect(led!.legs).toEqual([
      { title: 'long leg', at: 'a5', meets: ['13'] },
      { title: 'short leg', at: 'a6', meets: ['R1', 'R2'] },
    ]);
    // Its legs are alike and have no names; one hangs free.
    expect(resistor!.legs).toEqual([
      { title: '', at: 'c6', meets: ['D1', 'R2'] },
      { title: '', at: undefined, meets: [] },
    ]);
  });

  test('wires that lead to them are told, others are not', () => {
    expect(place.wires).toEqual([{ ref: 'W1', colour: 'yellow', from: '13', to: 'e5' }]);
  });

  test('of the wires on a rail only the one that feeds it is told', () => {
    expect(linePlaceOf(wiring, [ref('R2')]).wires.map((wire) => wire.ref)).toEqual(['W3']);
  });

  test('a part that is not placed is left out', () => {
    expect(linePlaceOf(wiring, [ref('D7')])).toEqual({ parts: [], wires: [] });
  });
});
