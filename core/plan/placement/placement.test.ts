import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { legName, ref } from '../../brand';
import { breadboards } from '../../breadboards';
import { randomTask } from '../../testing/random-netlist';
import { sampled, samples } from '../../testing/samples';
import { circuitOf, DEFAULT_STATEMENT_RULES, USUAL_KIT } from '../../statements';
import { overreachOf, readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import { findPart, nameOf, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { bodyBox, holesBelow } from './bodies';
import { overlaps } from './body-box';
import {
  DEFAULT_RULES,
  firstDifference,
  moves,
  place,
  taskFrom,
  type NamedPoints,
  type PlacementRules,
} from './index';

interface Given {
  readonly parts: readonly { readonly ref: string; readonly kind: string; readonly value: string }[];
  readonly nets: readonly NamedPoints[];
}

const learner = { ref: ref('U1'), profile: shippedBoards.get('learner-5v')! };

function task(given: Given, breadboard = 'half', rules: PlacementRules = DEFAULT_RULES) {
  const read = taskFrom(given, learner, [{ ref: ref('B1'), model: breadboards.get(breadboard)! }], rules);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}

function laidOut(given: Given, breadboard?: string, rules?: PlacementRules): Wiring {
  const placed = place(task(given, breadboard, rules));
  if (!placed.ok) throw new Error(placed.problems[0]!.message);
  return placed.value.wiring;
}

/** LEDs with a resistor each, on pins that count up from `first`. */
const leds = (count: number, first = 2): Given => {
  const numbers = Array.from({ length: count }, (_, index) => index + 1);
  return {
    parts: numbers.flatMap((number) => [
      { ref: `D${number}`, kind: 'led', value: 'red' },
      { ref: `R${number}`, kind: 'resistor', value: '330' },
    ]),
    nets: [
      ...numbers.flatMap((number) => [
        { name: `signal ${number}`, points: [`U1.${first + number - 1}`, `D${number}.anode`] },
        { name: `lamp ${number}`, points: [`D${number}.cathode`, `R${number}.1`] },
      ]),
      { name: 'ground', points: ['U1.GND', ...numbers.map((number) => `R${number}.2`)] },
    ],
  };
};

const bar: Given = {
  parts: [
    { ref: 'D1', kind: 'led-bar', value: 'red' },
    ...Array.from({ length: 10 }, (_, index) => ({ ref: `R${index + 1}`, kind: 'resistor', value: '330' })),
  ],
  nets: [
    ...Array.from({ length: 10 }, (_, index) => [
      { name: `level ${index + 1}`, points: [`U1.${11 - index}`, `D1.a${index + 1}`] },
      { name: `lamp ${index + 1}`, points: [`D1.k${index + 1}`, `R${index + 1}.1`] },
    ]).flat(),
    { name: 'ground', points: ['U1.GND', ...Array.from({ length: 10 }, (_, index) => `R${index + 1}.2`)] },
  ],
};

const at = (wiring: Wiring, part: string, leg: string): string => {
  const point = findPart(wiring, ref(part))!.legs.find((placed) => placed.leg === legName(leg))!.at;
  return point ? nameOf(point) : '';
};
const rowOf = (wiring: Wiring, part: string, leg: string): number =>
  Number(/\d+$/.exec(at(wiring, part, leg))![0]);
const wires = (wiring: Wiring) => wiring.parts.filter((part) => part.kind === 'wire');

test('random circuits are laid out so that extracting them gives their nets, or refused with how much fits', () => {
  const [count, most] = [samples(600), samples(30)];
  let refused = 0;
  for (let seed = 0; seed < count; seed += 1) {
    const given = randomTask(seed);
    const placed = place(given);
    if (!placed.ok) {
      refused += 1;
      expect(placed.problems[0]!.message, `seed ${seed}`).toMatch(/does not fit on .* can be placed/);
      continue;
    }
    const { wiring } = placed.value;
    expect(firstDifference(given, wiring), `seed ${seed}`).toBeUndefined();
    for (const part of wiring.parts) expect(overreachOf(part), `seed ${seed}`).toBeUndefined();
    // Reading the table back proves that no hole or socket is used twice.
    expect(readWiring(writeTable(wiring)).ok, `seed ${seed}`).toBe(true);
  }
  expect(refused).toBeLessThan(most);
});

describe('a single LED', () => {
  const wiring = laidOut(leds(1, 13));

  test('has its legs in rows of their own, its resistor from the short one to the ground rail, and two wires', () => {
    expect(at(wiring, 'D1', 'anode')).toBe('B1.e2');
    expect(at(wiring, 'D1', 'cathode')).toBe('B1.e3');
    expect(at(wiring, 'R1', '1')).toBe('B1.d3');
    expect(at(wiring, 'R1', '2')).toBe('B1.a-3');
    expect(wires(wiring)).toHaveLength(2);
  });

  test('has a black wire to ground and a coloured one to its pin', () => {
    const colours = wires(wiring).map((wire) => [
      wire.value.text,
      wire.legs.map((leg) => nameOf(leg.at!)).find((name) => name.startsWith('U1')),
    ]);
    expect(colours).toEqual([
      ['black', 'U1.GND'],
      ['yellow', 'U1.13'],
    ]);
  });
});

describe('ten LEDs', () => {
  const wiring = laidOut(leds(10));

  test('stand at equal spacing, in the order of the board’s pins, each built alike', () => {
    const rows = Array.from({ length: 10 }, (_, index) => rowOf(wiring, `D${index + 1}`, 'anode'));
    const steps = rows.slice(1).map((row, index) => row - rows[index]!);
    expect(new Set(steps).size).toBe(1);
    for (let index = 1; index <= 10; index += 1) {
      expect(rowOf(wiring, `D${index}`, 'cathode')).toBe(rowOf(wiring, `D${index}`, 'anode') + 1);
      expect(rowOf(wiring, `R${index}`, '2')).toBe(rowOf(wiring, `D${index}`, 'cathode'));
    }
  });

  test('take one wire each and one for ground', () => {
    expect(wires(wiring)).toHaveLength(11);
  });

  test('have wires that do not cross: pins from top to bottom lead to rows from top to bottom', () => {
    const ledger = learner.profile.pins.map((pin) => pin.name);
    const rows = wires(wiring)
      .map((wire) => wire.legs.map((leg) => leg.at!))
      .flatMap((ends) => {
        const pin = ends.find((end) => end.type === 'pin');
        const hole = ends.find((end) => end.type === 'hole');
        return pin?.type === 'pin' && hole?.type === 'hole'
          ? [[ledger.indexOf(pin.pin), hole.row] as const]
          : [];
      })
      .sort(([one], [other]) => one - other)
      .map(([, row]) => row);
    expect(rows).toEqual([...rows].sort((a, b) => a - b));
  });
});

test('a ten-LED bar stands across the trough with its resistors straight to a rail', () => {
  const wiring = laidOut(bar);
  for (let index = 1; index <= 10; index += 1) {
    expect(rowOf(wiring, 'D1', `a${index}`)).toBe(rowOf(wiring, 'D1', `k${index}`));
    expect(rowOf(wiring, `R${index}`, '1')).toBe(rowOf(wiring, 'D1', `k${index}`));
    expect(at(wiring, `R${index}`, '2')).toMatch(/-\d+$/);
  }
  expect(wires(wiring)).toHaveLength(11);
});

test('a button stands across the trough, and ground is led over the rail', () => {
  const wiring = laidOut({
    parts: [{ ref: 'S1', kind: 'button', value: '' }],
    nets: [
      { name: 'press', points: ['U1.2', 'S1.1'] },
      { name: 'ground', points: ['U1.GND', 'S1.3'] },
    ],
  });
  expect(at(wiring, 'S1', '1')).toMatch(/e\d+$/);
  expect(at(wiring, 'S1', '2')).toMatch(/f\d+$/);
  expect(rowOf(wiring, 'S1', '3') - rowOf(wiring, 'S1', '1')).toBe(2);
});

describe('house rules', () => {
  test('the compact form puts a short leg straight into the ground rail', () => {
    const given: Given = {
      parts: leds(1).parts,
      nets: [
        { name: 'signal', points: ['U1.2', 'R1.1'] },
        { name: 'lamp', points: ['R1.2', 'D1.anode'] },
        { name: 'ground', points: ['D1.cathode', 'U1.GND'] },
      ],
    };
    expect(at(laidOut(given, 'half', { ...DEFAULT_RULES, cathode: 'into-rail' }), 'D1', 'cathode')).toMatch(
      /-\d+$/,
    );
    expect(at(laidOut(given), 'D1', 'cathode')).toMatch(/^B1\.[a-j]\d+$/);
  });

  test('where rails are only for shared nodes, a single LED needs none', () => {
    const wiring = laidOut(leds(1), 'half', { ...DEFAULT_RULES, groundRail: 'shared' });
    expect(writeTable(wiring)).not.toMatch(/B1\.[aj][+-]/);
  });

  test('colours that the kit has run out of are replaced by the next, never by red', () => {
    const given = task(leds(3));
    const stock = new Map([
      ['black', 0],
      ['yellow', 1],
      ['green', 0],
      ['brown', 1],
      ['blue', 2],
      ['red', 9],
    ]);
    const placed = place({ ...given, stock });
    const colours = placed.ok ? wires(placed.value.wiring).map((wire) => wire.value.text) : [];
    expect([...colours].sort()).toEqual(['blue', 'blue', 'brown', 'yellow']);
  });
});

describe('an earlier layout', () => {
  test('is kept leg by leg when an LED is added', () => {
    const earlier = laidOut(leds(2));
    const placed = place({ ...task(leds(3)), earlier });
    if (!placed.ok) throw new Error(placed.problems[0]!.message);
    expect(moves(earlier, placed.value.wiring)).toBe(0);
    expect(firstDifference(task(leds(3)), placed.value.wiring)).toBeUndefined();
  });

  test('keeps the colour of a wire that stays', () => {
    const first = laidOut(leds(2));
    const earlier = {
      ...first,
      parts: first.parts.map((part) =>
        part.value.text === 'yellow' ? { ...part, value: { text: 'violet' } } : part,
      ),
    };
    const placed = place({ ...task(leds(3)), earlier });
    const colours = placed.ok ? wires(placed.value.wiring).map((wire) => wire.value.text) : [];
    expect(colours).toContain('violet');
  });

  test('gives way only where it cannot stay', () => {
    const earlier = laidOut(leds(2));
    const crossed: Given = {
      ...leds(2),
      nets: leds(2).nets.map((net) =>
        net.name === 'lamp 1'
          ? { ...net, points: ['D1.cathode', 'R2.1'] }
          : net.name === 'lamp 2'
            ? { ...net, points: ['D2.cathode', 'R1.1'] }
            : net,
      ),
    };
    const placed = place({ ...task(crossed), earlier });
    if (!placed.ok) throw new Error(placed.problems[0]!.message);
    expect(moves(earlier, placed.value.wiring)).toBeLessThanOrEqual(4);
    expect(firstDifference(task(crossed), placed.value.wiring)).toBeUndefined();
  });
});

describe('several breadboards', () => {
  const two = (one: string, other: string) => {
    const read = taskFrom(leds(10), learner, [
      { ref: ref('B1'), model: breadboards.get(one)! },
      { ref: ref('B2'), model: breadboards.get(other)! },
    ]);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    const placed = place(read.value);
    if (!placed.ok) throw new Error(placed.problems[0]?.message);
    return { task: read.value, wiring: placed.value.wiring };
  };
  const used = (wiring: Wiring) =>
    new Set(
      wiring.parts.flatMap((part) =>
        part.legs.flatMap(({ at: point }) => (point?.type === 'hole' ? [point.ref] : [])),
      ),
    );

  test('are both used when the first is too small, and joined by wires', () => {
    const { task: given, wiring } = two('mini', 'mini');
    expect([...used(wiring)].sort()).toEqual(['B1', 'B2']);
    expect(firstDifference(given, wiring)).toBeUndefined();
  });

  test('leave the second empty when the first has room', () => {
    expect([...used(two('half', 'half').wiring)]).toEqual(['B1']);
  });
});

test('on split rails both halves that are used get their ground', () => {
  const wiring = laidOut(leds(12), 'full-split');
  expect(firstDifference(task(leds(12), 'full-split'), wiring)).toBeUndefined();
});

/** The parts whose bodies would have to be in one place, pair by pair. */
function overlapping(wiring: Wiring): readonly string[] {
  const bodies = wiring.parts.flatMap((part) => {
    const holes = part.legs.flatMap(({ leg, at: point }) =>
      point?.type === 'hole' || point?.type === 'rail' ? [[leg, point] as const] : [],
    );
    const box = part.kind === 'wire' || holes.length === 0 ? undefined : bodyBox(part.kind, new Map(holes));
    return box ? [{ part, box }] : [];
  });
  return bodies.flatMap((one, index) =>
    bodies
      .slice(index + 1)
      .filter((other) => overlaps(one.box, other.box))
      .map((other) => `${one.part.ref} and ${other.part.ref}`),
  );
}

test('no two bodies of the ten LEDs and their resistors stand in one place', () => {
  expect(overlapping(laidOut(leds(10)))).toEqual([]);
});

/** Ends that would have to be plugged in below a body that sits on the breadboard. */
function belowBodies(wiring: Wiring): readonly string[] {
  const holesOf = (part: PlacedPart) =>
    part.legs.flatMap(({ leg, at: point }) =>
      point?.type === 'hole' || point?.type === 'rail' ? [[leg, point] as const] : [],
    );
  return wiring.parts.flatMap((body) => {
    const below = new Set(holesBelow(body.kind, new Map(holesOf(body))).map(nameOf));
    return wiring.parts.flatMap((part) =>
      holesOf(part).flatMap(([leg, hole]) =>
        below.has(nameOf(hole)) ? [`${part.ref}.${leg} below ${body.ref}`] : [],
      ),
    );
  });
}

test('of any three part lines no two bodies stand in one place, and nothing is plugged in below one', () => {
  const lines = [
    'red LED on 3 with 220',
    'button on 2',
    'potentiometer on A0',
    'light sensor on A1 with 10k',
    'piezo on 8',
    'distance sensor trig 9 echo 10',
    'LCD on I2C',
    'RGB LED on 5, 6, 11',
    'temperature sensor on A2',
    'slide switch on 7',
    'thermistor on A3 with 10k',
  ];
  const context = { board: learner.profile, rules: DEFAULT_STATEMENT_RULES, kit: USUAL_KIT };
  const some = sampled(
    lines.flatMap((one, index) =>
      lines
        .slice(index + 1)
        .flatMap((other, further) =>
          lines.slice(index + further + 2).map((last) => [one, other, last] as const),
        ),
    ),
  );
  for (const three of some) {
    const { parts, nets } = circuitOf(
      three.map((text) => ({ text, refs: [] })),
      context,
    );
    const wiring = laidOut({ parts, nets });
    expect([...overlapping(wiring), ...belowBodies(wiring)], three.join('; ')).toEqual([]);
  }
});

test('what does not fit is refused with how much does, and what to do', () => {
  const many = Array.from({ length: 30 }, (_, index) => index + 1);
  const given: Given = {
    parts: leds(30).parts,
    nets: [
      ...many.map((number) => ({ name: `lamp ${number}`, points: [`D${number}.cathode`, `R${number}.1`] })),
      { name: 'supply', points: ['U1.5V', ...many.map((number) => `D${number}.anode`)] },
      { name: 'ground', points: ['U1.GND', ...many.map((number) => `R${number}.2`)] },
    ],
  };
  const placed = place(task(given, 'mini'));
  expect(placed.ok ? '' : placed.problems[0]!.message).toMatch(
    /does not fit on a mini breadboard: \d+ of its 30 LEDs can be placed .*; take a (half|full) breadboard/,
  );
});

test('nets that name what is not there are refused at their place', () => {
  const read = (points: readonly string[]) =>
    taskFrom({ parts: leds(1).parts, nets: [{ name: 'x', points }] }, learner, []);
  expect(read(['U1.99'])).toMatchObject({
    problems: [{ message: expect.stringContaining('no pin 99'), path: 'nets[0]' }],
  });
  expect(read(['D7.anode'])).toMatchObject({ problems: [{ message: expect.stringContaining('D7') }] });
  expect(read(['D1.wiper'])).toMatchObject({
    problems: [{ message: expect.stringContaining('no leg wiper') }],
  });
});
