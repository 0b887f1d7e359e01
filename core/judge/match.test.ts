import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref, type Ref } from '../brand';
import { within } from '../effort';
import { randomFrom } from '../random';
import { beacon, LAYOUT } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { trialExercises } from '../testing/trials/exercises';
import { Circuit } from '../wiring/circuit';
import { readWiring } from '../wiring/read';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { matchCircuits, pairPins, reduced, type Match } from './match';

const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';

function wiring(table: string): Wiring {
  const read = readWiring(table);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
}

const side = (table: string) => reduced(new Circuit(wiring(table)));
const match = (
  reference: string,
  built: string,
  free: ReadonlyMap<string, readonly string[]> = new Map(),
): Match => matchCircuits(side(reference), side(built), beacon.board, free);

const wire = (name: string, from: string, to: string): string =>
  `${name},wire,red,1,${from}\n${name},wire,red,2,${to}\n`;
const led = (name: string, anode: string, cathode: string, colour = 'red'): string =>
  `${name},led,${colour},anode,${anode}\n${name},led,${colour},cathode,${cathode}\n`;
const resistor = (name: string, one: string, other: string, ohms = '330'): string =>
  `${name},resistor,${ohms},1,${one}\n${name},resistor,${ohms},2,${other}\n`;

/** LEDs with a resistor each, in rows of their own, from pins to the ground rail. */
const rows = (
  leds: readonly {
    readonly pin: string;
    readonly row: number;
    readonly name: string;
    readonly colour?: string;
  }[],
): string =>
  HEAD +
  wire('W99', 'U1.GND', 'B1.a-1') +
  leds
    .map(
      ({ pin, row, name, colour }) =>
        led(`D${name}`, `B1.e${row}`, `B1.e${row + 1}`, colour) +
        resistor(`R${name}`, `B1.d${row + 1}`, `B1.a-${row + 1}`) +
        wire(`W${name}`, `U1.${pin}`, `B1.a${row}`),
    )
    .join('');

describe('two circuits are the same', () => {
  test('whatever rows, columns, names and order of lines', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray([2, 5, 8, 11, 14, 17, 20, 23], { minLength: 3, maxLength: 3 }),
        fc.shuffledSubarray(['1', '2', '3', '4', '5'], { minLength: 3, maxLength: 3 }),
        fc.shuffledSubarray([0, 1, 2], { minLength: 3 }),
        (places, names, order) => {
          const pins = ['13', '12', '11'];
          const reference = rows(
            pins.map((pin, index) => ({ pin, row: 3 + index * 3, name: String(index + 1) })),
          );
          const built = rows(
            order.map((index) => ({ pin: pins[index]!, row: places[index]!, name: names[index]! })),
          );
          const found = match(reference, built);
          expect(found.same).toBe(true);
          pins.forEach((_, index) => expect(found.parts.get(ref(`D${index + 1}`))).toBe(`D${names[index]}`));
        },
      ),
      { numRuns: 60 },
    );
  });

  test('when the parts of a series stand in another order', () => {
    const swapped =
      HEAD +
      resistor('R1', 'B1.a5', 'B1.a9') +
      led('D1', 'B1.b9', 'B1.a-9', 'amber') +
      wire('W1', 'U1.13', 'B1.c5') +
      wire('W2', 'U1.GND', 'B1.a-1');
    expect(match(LAYOUT, swapped).same).toBe(true);
  });

  test('with wires and clip leads by other ways, and with a wire that leads nowhere', () => {
    const detour =
      LAYOUT.replace('W1,wire,yellow,2,B1.a5', 'W1,wire,yellow,2,B1.a20') +
      wire('W3', 'B1.b20', 'B1.b5') +
      wire('W4', 'B1.c20', 'B1.c25');
    expect(match(LAYOUT, detour).same).toBe(true);
  });

  test('on another pin only where the exercise leaves it free', () => {
    const other = LAYOUT.replace('U1.13', 'U1.7');
    expect(match(LAYOUT, other).same).toBe(false);
    const free = match(LAYOUT, other, new Map([['13', ['7', '8', '13']]]));
    expect(free.same).toBe(true);
    expect(free.pins.get('13')).toBe('7');
  });
});

describe('two circuits differ', () => {
  test.each<[what: string, built: string]>([
    [
      'by a turned lamp',
      LAYOUT.replace('anode,B1.e5', 'anode,B1.x')
        .replace('cathode,B1.e6', 'cathode,B1.e5')
        .replace('B1.x', 'B1.e6'),
    ],
    ['by an open end', LAYOUT.replace('B1.a5', 'B1.a9')],
    [
      'by a missing part',
      LAYOUT.split('\n')
        .filter((line) => !line.startsWith('R1'))
        .join('\n'),
    ],
    ['by a further part', LAYOUT + resistor('R2', 'B1.b6', 'B1.a-9')],
    ['by a bridge', LAYOUT + wire('W3', 'B1.b5', 'B1.b6')],
    ['by a second pin on the node', LAYOUT + wire('W3', 'U1.12', 'B1.b5')],
    ['by supply for ground', LAYOUT.replace('U1.GND', 'U1.5V')],
    ['by two pins joined', LAYOUT + wire('W3', 'U1.7', 'U1.8')],
  ])('%s', (_, built) => {
    const found = match(LAYOUT, built);
    expect(found.same).toBe(false);
    expect(found.distance).toBeGreaterThan(0);
  });

  test('and the parts that still correspond are paired', () => {
    const reference = rows([
      { pin: '13', row: 3, name: '1', colour: 'red' },
      { pin: '12', row: 6, name: '2', colour: 'green' },
    ]);
    const built = rows([
      { pin: '13', row: 9, name: '7', colour: 'red' },
      { pin: '11', row: 12, name: '8', colour: 'green' },
    ]);
    const found = match(reference, built);
    expect(found.parts.get(ref('D1'))).toBe('D7');
    expect(found.distance).toBe(2);
  });

  test('and equal LEDs are paired by colour', () => {
    const two = (first: string, second: string): string =>
      rows([
        { pin: '13', row: 3, name: '1', colour: first },
        { pin: '12', row: 6, name: '2', colour: second },
      ]);
    const free = new Map([
      ['13', ['12', '13']],
      ['12', ['12', '13']],
    ]);
    expect(match(two('red', 'green'), two('green', 'red'), free).parts.get(ref('D1'))).toBe('D2');
  });

  test('and many equal parts end the search in time', () => {
    const many = (count: number): string =>
      HEAD +
      wire('W99', 'U1.GND', 'B1.a-1') +
      wire('W98', 'U1.5V', 'B1.a+1') +
      Array.from({ length: count }, (_, index) =>
        resistor(`R${index}`, `B1.a+${index + 2}`, `B1.a-${index + 2}`),
      ).join('');
    expect(match(many(20), many(20)).same).toBe(true);
    expect(match(many(20), many(19)).distance).toBeGreaterThan(0);
  });

  test('and a tangle of equal parts too, whatever it is compared with', () => {
    const tangle = (seed: number): string => {
      const random = randomFrom(seed);
      const left = Array.from(
        { length: 40 },
        (_, index) => `B1.${'abcde'[index % 5]}${1 + Math.floor(index / 5)}`,
      );
      const hole = (): string => left.splice(Math.floor(random() * left.length), 1)[0]!;
      const parts = Array.from({ length: 18 }, (_, index) => resistor(`R${index}`, hole(), hole()));
      return HEAD + wire('W99', 'U1.GND', 'B1.f9') + parts.join('');
    };
    for (let seed = 0; seed < 4; seed += 1)
      expect(within(1e9, () => match(tangle(seed), tangle(seed + 50))).ended).toBe(true);
  });
});

describe('names of parts', () => {
  const exercises = [...trialExercises, ...courseExercises].map(
    ({ name, exercise }) => [name, exercise] as const,
  );

  test.each(exercises)('are free among equal parts of %s', (_, { reference, board, pinFreedom }) => {
    const asked = reduced(new Circuit(reference, board));
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), (seed) => {
        const built = reduced(new Circuit(renamed(reference, randomFrom(seed)), board));
        expect(matchCircuits(asked, built, board, pinFreedom).same).toBe(true);
      }),
      { numRuns: 8 },
    );
  });

  /** The same wiring with the names of parts of a kind and value given out anew. */
  function renamed({ parts, ...rest }: Wiring, random: () => number): Wiring {
    const sortOf = ({ kind, value }: PlacedPart): string => `${kind} ${value.text}`;
    const names = new Map<string, Ref[]>();
    for (const part of parts) names.set(sortOf(part), [...(names.get(sortOf(part)) ?? []), part.ref]);
    return {
      ...rest,
      parts: parts.map((part) => {
        const left = names.get(sortOf(part))!;
        const [name] = left.splice(Math.floor(random() * left.length), 1);
        return { ...part, ref: name! };
      }),
    };
  }
});

describe('pairing the sockets of two nodes', () => {
  test.each<[readonly string[], readonly string[], number | undefined]>([
    [[], [], 0],
    [['GND'], ['GND'], 1],
    [['13'], ['12'], undefined],
    [['7'], ['5'], 1],
    [['7'], ['9'], undefined],
    [['GND', '7'], ['6', 'GND'], 2],
    [['7'], ['7', '6'], undefined],
  ])('%j with %j', (reference, built, count) => {
    expect(pairPins(reference, built, beacon.board, new Map([['7', ['5', '6', '7']]]))?.length).toBe(count);
  });
});

describe('the graph of a circuit', () => {
  test('makes one chain of a series, and none of wires', () => {
    const { chains } = side(LAYOUT).graph;
    expect(chains).toHaveLength(1);
    expect([...chains[0]!.parts].sort()).toEqual(['D1', 'R1']);
  });

  test('parts a chain at a node where something branches off', () => {
    expect(side(LAYOUT + resistor('R2', 'B1.b6', 'B1.a-9')).graph.chains).toHaveLength(3);
  });

  test('keeps a part whose legs are joined as a loop', () => {
    const loop = side(LAYOUT.replace('B1.a-6', 'B1.b6')).graph.chains.find((chain) =>
      chain.parts.includes(ref('R1')),
    )!;
    expect(loop.head).toBe(loop.tail);
  });
});
