import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { pointName } from '../brand';
import { columns, rails } from '../breadboards';
import { netlistOf } from './netlist';
import { readWiring } from './read';
import { writeTable } from './table';
import type { Wiring } from './wiring';

const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';

function wiring(rows: string): Wiring {
  const read = readWiring(HEAD + rows);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
}

function refusal(text: string) {
  const read = readWiring(text);
  if (read.ok) throw new Error('it was not refused');
  return read.problems[0]!;
}

describe('a wiring table', () => {
  test('is read with commas, semicolons or tabs, in any case, with or without the name of the breadboard', () => {
    const comma = wiring('D1,led,amber,anode,B1.e5\nR1,resistor,4k7,1,d6\n');
    const semicolon = readWiring(
      'REF;Kind;value;LEG;at\nu1;BOARD;learner-5v;;\nb1;breadboard;half;;\nd1;LED;Amber;Anode; E5\nr1;resistor;4,7k;1;B1.d6\n',
    );
    const tab = readWiring(`${HEAD}D1,led,amber,anode,e5\nR1,resistor,4700 Ω,1,d6\n`.replace(/,/g, '\t'));
    expect(semicolon.ok && writeTable(semicolon.value)).toBe(writeTable(comma));
    expect(tab.ok && writeTable(tab.value)).toBe(writeTable(comma));
  });

  test('writes what it reads', () => {
    const text = `${HEAD}D1,led,amber,anode,B1.e5\nD1,led,amber,cathode,B1.a-6\nW1,wire,black,1,U1.GND\nW1,wire,black,2,\n`;
    const read = readWiring(text);
    expect(read.ok && writeTable(read.value)).toBe(text);
  });

  test.each([
    ['an unknown pin', `${HEAD}W1,wire,red,1,U1.14\n`, 4, 'no pin 14'],
    ['an unknown hole', `${HEAD}W1,wire,red,1,B1.e31\n`, 4, 'rows 1 to 30'],
    ['an unknown column', `${HEAD}W1,wire,red,1,B1.k3\n`, 4, 'columns are a to e and f to j'],
    ['an unknown rail', `${HEAD}W1,wire,red,1,B1.b-3\n`, 4, 'rails are'],
    ['an unknown kind', `${HEAD}X1,teapot,red,1,B1.e3\n`, 4, '“teapot” is no known kind'],
    ['an unknown leg', `${HEAD}D1,led,amber,nose,B1.e3\n`, 4, '“nose” is no leg'],
    ['an unknown colour', `${HEAD}D1,led,plaid,anode,B1.e3\n`, 4, '“plaid” is not an LED colour'],
    ['a value that is none', `${HEAD}R1,resistor,lots,1,B1.e3\n`, 4, '“lots” is not a resistance'],
    [
      'two ends in one hole',
      `${HEAD}W1,wire,red,1,B1.e3\nW2,wire,red,1,B1.e3\n`,
      5,
      'hole e3 already holds W1.1',
    ],
    [
      'two wires in one socket',
      `${HEAD}W1,wire,red,1,U1.13\nW2,wire,red,1,U1.13\n`,
      5,
      'socket 13 already holds W1.1',
    ],
    [
      'a fourth wire in three grounds',
      `${HEAD}W1,wire,red,1,U1.GND\nW2,wire,red,1,U1.GND\nW3,wire,red,1,U1.GND\nW4,wire,red,1,U1.GND\n`,
      7,
      'already holds',
    ],
    ['a leg placed twice', `${HEAD}W1,wire,red,1,B1.e3\nW1,wire,red,1,B1.e4\n`, 5, 'W1.1 is placed twice'],
    [
      'a resistor beyond its reach',
      `${HEAD}R1,resistor,330,1,B1.a1\nR1,resistor,330,2,B1.a22\n`,
      5,
      'spans at most 50 mm',
    ],
    [
      'a lamp beyond its reach',
      `${HEAD}D1,led,red,anode,B1.a1\nD1,led,red,cathode,B1.a14\n`,
      5,
      'spans at most 30 mm',
    ],
    ['a column too many', 'ref,kind,value,leg,at,note\n', 1, '“note” is a column too many'],
    ['a missing column', 'ref,kind,value,leg\n', 1, 'at is missing'],
    ['a cell too many', `${HEAD}W1,wire,red,1,B1.e3,hello\n`, 4, '“hello” is one too many'],
    ['a missing cell', `${HEAD}W1,wire,red,1\n`, 4, 'five are wanted'],
    ['a kind that changes', `${HEAD}W1,wire,red,1,B1.e3\nW1,led,red,anode,B1.e4\n`, 5, 'was a wire before'],
    ['a second board', `${HEAD}U2,board,learner-5v,,\n`, 4, 'second board'],
    ['a NUL character', `${HEAD}W1,wire,r\0ed,1,B1.e3\n`, 4, 'NUL'],
    ['a part that is not there', `${HEAD}C1,clip,red,1,D9.anode\n`, 4, 'D9, which is not in the table'],
  ])('refuses %s and says where', (_, text, line, words) => {
    const problem = refusal(text);
    expect(problem.line).toBe(line);
    expect(problem.message).toContain(words);
  });

  test('repeats a refused cell as it was typed', () => {
    expect(refusal(`${HEAD}W1,wire,red,1, b1.E99 \n`).message).toContain('“b1.E99”');
  });

  test('refuses two megabytes', () => {
    expect(refusal(`${HEAD}${'W1,wire,red,1,B1.e3\n'.repeat(100_000)}`).message).toContain('too long');
  });

  test('never throws, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary', maxLength: 300 }),
        (text) => typeof readWiring(HEAD + text).ok === 'boolean',
      ),
    );
  });
});

describe('a netlist', () => {
  test('joins the five holes of a half row and not the ten', () => {
    const { nodeAt } = netlistOf(wiring('W1,wire,red,1,a5\nW2,wire,red,1,e5\nW3,wire,red,1,f5\n'));
    expect(nodeAt.get(pointName('B1.a5'))).toBe(nodeAt.get(pointName('B1.e5')));
    expect(nodeAt.get(pointName('B1.a5'))).not.toBe(nodeAt.get(pointName('B1.f5')));
  });

  test('joins a rail over its whole length, wires, clip leads, and all grounds of the board', () => {
    const { nodeAt } = netlistOf(
      wiring(
        'W1,wire,black,1,U1.GND\nW1,wire,black,2,a-1\nW2,wire,black,1,a-30\nW2,wire,black,2,c9\nW3,wire,black,1,U1.GND\nD1,led,red,cathode,e9\nC1,clip,red,1,D1.cathode\nC1,clip,red,2,U1.7\n',
      ),
    );
    const ground = nodeAt.get(pointName('U1.GND'));
    for (const point of ['B1.a-1', 'B1.a-30', 'B1.c9', 'D1.cathode', 'W3.2', 'U1.7'])
      expect(nodeAt.get(pointName(point)), point).toBe(ground);
    expect(nodeAt.get(pointName('D1.anode'))).not.toBe(ground);
  });

  test('agrees with a naive joining of points on random wirings', () => {
    const hole = fc.oneof(
      fc
        .tuple(fc.constantFrom(...columns), fc.integer({ min: 1, max: 6 }))
        .map(([column, row]) => `${column}${row}`),
      fc
        .tuple(fc.constantFrom(...rails), fc.integer({ min: 1, max: 6 }))
        .map(([rail, row]) => `${rail}${row}`),
    );
    fc.assert(
      fc.property(fc.uniqueArray(hole, { minLength: 2, maxLength: 16 }), (holes) => {
        const pairs = holes.slice(0, holes.length - (holes.length % 2));
        const rows = pairs
          .map((at, index) => `W${Math.floor(index / 2) + 1},wire,red,${(index % 2) + 1},${at}`)
          .join('\n');
        const { nodeAt } = netlistOf(wiring(`${rows}\n`));
        const naive = naiveNodes(pairs);
        for (const one of pairs)
          for (const other of pairs)
            expect(nodeAt.get(pointName(`B1.${one}`)) === nodeAt.get(pointName(`B1.${other}`))).toBe(
              naive.get(one) === naive.get(other),
            );
      }),
      { numRuns: 200 },
    );
  });
});

/** Labels every hole and relabels until nothing changes: slow, and plainly right. */
function naiveNodes(pairs: readonly string[]): ReadonlyMap<string, number> {
  const strip = (hole: string): string =>
    /[+-]/.test(hole) ? hole.slice(0, 2) : `${hole[0]! <= 'e' ? 'left' : 'right'}${hole.slice(1)}`;
  const label = new Map(pairs.map((hole, index) => [hole, index]));
  for (let changed = true; changed;) {
    changed = false;
    pairs.forEach((one, i) =>
      pairs.forEach((other, j) => {
        const joined = strip(one) === strip(other) || Math.floor(i / 2) === Math.floor(j / 2);
        const least = Math.min(label.get(one)!, label.get(other)!);
        if (!joined || label.get(one) === label.get(other)) return;
        label.set(one, least);
        label.set(other, least);
        changed = true;
      }),
    );
  }
  return label;
}
