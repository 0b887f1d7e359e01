import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeGrammars } from '@/grammars/node';
import { exerciseFrom } from '../formats/exercise';
import type { Grammars } from '../program';
import { partKinds } from '../parts';
import { courseExercises } from '../testing/course';
import { classNeeds, keyOf, needsOf, needsOfAll, readItem, titleOf, usualLoss, type KitItem } from '.';
import { needsCsv, readKit, stockCsv } from './kit-csv';
import { freeStock, pickList, shoppingList, supplyFor, type Reservation, type StockLine } from './stock';
import { substitutesFor } from './substitutes';

const exercises = courseExercises
  .filter(({ name, exercise }) => name === exercise.data.id)
  .map(({ exercise }) => exercise);
const named = (id: string) => exercises.find(({ data }) => data.id === id)!;
const item = (kind: string, value: string, length = ''): KitItem => {
  const read = readItem({ kind, value, length });
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};
const line = (of: KitItem, count: number, drawer = ''): StockLine => ({ item: of, count, drawer });

describe('what a bench needs', () => {
  it('is every part, wire, board and breadboard of the reference, once each', () => {
    for (const exercise of exercises) {
      const { reference } = exercise;
      const count = needsOf(exercise)
        .filter(({ item: { kind } }) => kind !== 'fastener')
        .reduce((sum, need) => sum + need.count, 0);
      const boards = reference.board ? 1 : 0;
      const sheets = Math.max(
        reference.breadboards.length,
        exercise.data.parts.filter(({ kind }) => kind === 'breadboard').length,
      );
      expect(count, exercise.data.id).toBe(reference.parts.length + boards + sheets);
    }
  });

  it('has wires by colour and a length of the usual bag', () => {
    const wires = needsOf(named('night-bell')).filter(({ item: { kind } }) => kind === 'wire');
    expect(wires.length).toBeGreaterThan(1);
    for (const { item: wire } of wires)
      expect(titleOf(wire)).toMatch(/^\w+ wire, (25|50|75|100|150|200|300) mm$/);
  });

  it('is there without a layout and without a program', () => {
    const read = exerciseFrom({ ...named('beacon').data, layout: undefined, program: '' });
    expect(read.ok && needsOf(read.value).map(({ item: { kind } }) => kind)).toEqual(
      expect.arrayContaining(['board', 'breadboard', 'led', 'resistor']),
    );
  });

  it('counts fasteners of what is put together', () => {
    const read = exerciseFrom({
      ...named('lock-gate').data,
      assemblies: [
        { name: 'Gate', fasteners: [{ what: 'M2 × 8 screw', count: 4 }] },
        { name: 'Post', fasteners: [{ what: 'M2 × 8 screw', count: 2 }] },
      ],
    });
    const found = read.ok ? needsOf(read.value).find(({ item: { kind } }) => kind === 'fastener') : undefined;
    expect(found).toMatchObject({ count: 6, item: { value: 'M2 × 8 screw' } });
  });

  it('is for several exercises of a meeting the most that one of them needs', () => {
    const both = ['beacon', 'leading-lights'].map((id) => needsOf(named(id)));
    const leds = needsOfAll(both).filter(({ item: { kind } }) => kind === 'led');
    expect(leds.reduce((sum, { count }) => sum + count, 0)).toBeLessThan(
      both.flat().filter(({ item: { kind } }) => kind === 'led').length + 1,
    );
  });

  it('has whole spares by how much breaks, and none for a class of nobody', () => {
    const needs = needsOf(named('night-bell'));
    for (const need of classNeeds(needs, 0)) expect(need).toMatchObject({ total: 0, spares: 0 });
    for (const { total, spares, perBench, item: of } of classNeeds(needs, 200)) {
      expect(spares).toBe(Math.ceil(200 * perBench * usualLoss(of.kind)));
      expect(total).toBe(200 * perBench + spares);
    }
    const key = keyOf(item('led', 'amber'));
    const counted = classNeeds(needs, 20, new Map([[key, 0.5]]));
    expect(counted.find(({ item: of }) => keyOf(of) === key)).toMatchObject({ spares: 10 });
  });
});

const anyItem = fc
  .constantFrom(...partKinds.filter(({ conductor }) => !conductor))
  .chain(({ kind, usualValues }) =>
    fc.constantFrom(...(usualValues.length ? usualValues : [''])).map((value) => ({ kind, value })),
  )
  .filter(({ kind, value }) => readItem({ kind, value }).ok)
  .map(({ kind, value }) => item(kind, value));
const anyLine = fc.oneof(
  fc.record({
    item: fc.oneof(
      anyItem,
      fc
        .tuple(fc.constantFrom('red', 'black', 'yellow'), fc.constantFrom('50', '100', '150'))
        .map(([colour, length]) => item('wire', colour, length)),
    ),
    count: fc.nat(500),
    drawer: fc.constantFrom('', 'A1', 'top shelf', '=SUM(A1)'),
  }),
);

describe('a list of stock', () => {
  it('reads back as it was written', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyLine, { selector: (one) => keyOf(one.item) }), (stock) => {
        fc.pre(stock.length > 0);
        const read = readKit(stockCsv(stock));
        expect(read.ok && read.value).toEqual({ lines: stock, aside: [] });
      }),
    );
  });

  it('keeps aside what it does not understand, with line and reason', () => {
    const read = readKit(
      [
        'Kind;Value;Length;Quantity;Box;Remark',
        'resistor;330R;;40;A1;',
        'resistor;330 Ω;;2;;the same sort',
        'LED;Amber;;-3;;',
        'led;amber;;2.5;;',
        'led;amber;;many;;',
        'flux capacitor;1;;2;;',
        'wire;red;long;4;;',
        'led;red;100;4;;',
        '',
        'fastener;M2 × 8 screw;;200;B;',
      ].join('\n'),
    );
    if (!read.ok) throw new Error(read.problems[0]!.message);
    expect(read.value.lines.map(({ item: of, count, drawer }) => [titleOf(of), count, drawer])).toEqual([
      ['330 Ω resistor', 42, 'A1'],
      ['M2 × 8 screw', 200, 'B'],
    ]);
    expect(read.value.aside.map(({ line: at, why }) => [at, why])).toEqual([
      [4, expect.stringContaining('fewer than none')],
      [5, expect.stringContaining('whole number')],
      [6, expect.stringContaining('no number')],
      [7, expect.stringContaining('no known kind')],
      [8, expect.stringContaining('no length')],
      [9, expect.stringContaining('only wires')],
    ]);
  });

  it('refuses what is no list, and says what is missing', () => {
    for (const text of ['', 'a,b,c\n1,2,3', '\0', 'kind,value\nled,red'])
      expect(readKit(text)).toMatchObject({ ok: false });
  });

  it('reads what a class needs as a list of stock', () => {
    const needs = classNeeds(needsOf(named('signal-mast')), 12);
    const read = readKit(needsCsv(needs));
    expect(read.ok && read.value.aside).toEqual([]);
    expect(read.ok && read.value.lines.map(({ count }) => count)).toEqual(needs.map(({ total }) => total));
  });
});

describe('the store and its meetings', () => {
  const led = item('led', 'amber');
  const at = (hour: number): Date => new Date(Date.UTC(2027, 0, 12, hour));
  const meeting = (id: string, from: number, to: number, benches: number): Reservation => ({
    meetingId: id,
    from: at(from),
    to: at(to),
    needs: classNeeds([{ item: led, count: 2, refs: ['D1', 'D2'] }], benches, new Map([[keyOf(led), 0.1]])),
  });

  it('is short of what benches need before it is short of spares', () => {
    const one = meeting('a', 17, 19, 10);
    for (const [have, short, sparesShort] of [
      [25, 0, 0],
      [22, 0, 0],
      [21, 0, 1],
      [20, 0, 2],
      [15, 5, 2],
      [0, 20, 2],
    ])
      expect(supplyFor(one, [one], [line(led, have!)])[0]).toMatchObject({ short, sparesShort });
  });

  it('counts twice what two meetings need at the same time, and once what they need after each other', () => {
    const [one, same, later] = [meeting('a', 17, 19, 10), meeting('b', 18, 20, 5), meeting('c', 19, 21, 10)];
    const all = [one, same, later];
    expect(supplyFor(one, all, [line(led, 22)])[0]).toMatchObject({ elsewhere: 0, short: 0 });
    expect(supplyFor(same, all, [line(led, 22)])[0]).toMatchObject({ elsewhere: 22, short: 10 });
    expect(supplyFor(later, [one, later], [line(led, 22)])[0]).toMatchObject({ elsewhere: 0, short: 0 });
  });

  it('is free for something else only as far as nobody has it then', () => {
    const [one, same] = [meeting('a', 17, 19, 10), meeting('b', 18, 20, 5)];
    const free = (of: Reservation) => freeStock(of, [one, same], [line(led, 40)])[0]!.count;
    expect(free(one)).toBe(40 - 20);
    expect(free(same)).toBe(40 - 22 - 10);
  });

  it('buys what is needed at once with what breaks on the way, less what there is', () => {
    const all = [meeting('a', 9, 10, 10), meeting('b', 11, 12, 10), meeting('c', 11, 12, 4)];
    expect(shoppingList(all, [line(led, 5)])).toEqual([
      { item: led, count: 28 + 5 - 5, atOnce: 28, losses: 5, inStock: 5 },
    ]);
    expect(shoppingList(all, [line(led, 100)])).toEqual([]);
  });

  it('picks along the drawers, what has none last, and never more than there is', () => {
    const exercise = named('night-bell');
    const needs = classNeeds(needsOf(exercise), 10);
    const stock = needs.map(({ item: of }, index) => line(of, index * 5, ['B10', 'B2', ''][index % 3]));
    const one: Reservation = { meetingId: 'a', from: at(1), to: at(2), needs };
    const picks = pickList(supplyFor(one, [one], stock));
    expect(picks.map(({ drawer }) => drawer)).toEqual(['B2', 'B10', '']);
    for (const { item: of, count, short } of picks.flatMap(({ lines }) => lines)) {
      const known = stock.find((each) => keyOf(each.item) === keyOf(of))!;
      const need = needs.find((each) => keyOf(each.item) === keyOf(of))!;
      expect(count).toBeLessThanOrEqual(known.count);
      expect(count + short).toBe(need.total);
    }
  });
});

describe('what stands in for what is short', () => {
  let grammars: Grammars;
  beforeAll(async () => void (grammars = await nodeGrammars()));

  it('passes the check of the exercise, nearest first, with the light as it becomes', () => {
    const exercise = named('beacon');
    const stock = ['220', '470', '10k', '1M', '47'].map((value) => line(item('resistor', value), 40));
    const { found, refused } = substitutesFor(exercise, item('resistor', '330'), stock, 24, grammars);
    expect(found.map(({ item: of }) => of.value)).toEqual(['470', '220']);
    const [dimmer, brighter] = found.map(({ lights }) => lights[0]!);
    expect(dimmer!.currentMa[1]).toBeLessThan(dimmer!.currentMa[0]);
    expect(brighter!.brightness[1]).toBeGreaterThan(brighter!.brightness[0]);
    expect(found[0]!.print.join(' ')).toContain('yellow, violet, brown, gold');
    expect(refused.map(({ item: of }) => of.value)).toContain('10k');
    for (const { why } of refused) expect(why).not.toBe('');
  });

  it('is a wire that reaches, of the same colour first', () => {
    const exercise = named('beacon');
    const wire = needsOf(exercise).find(({ item: { kind } }) => kind === 'wire')!.item;
    const of = (value: string, lengthMm: number) => item('wire', value, String(lengthMm));
    const stock = [
      of('green', wire.lengthMm! + 50),
      of(wire.value, wire.lengthMm! + 100),
      of(wire.value, 10),
    ].map((one) => line(one, 99));
    const { found } = substitutesFor(exercise, wire, stock, 24, grammars);
    expect(found.map(({ item: one }) => one.value)).toEqual([wire.value, 'green']);
  });

  it('is nothing where the store has nothing of the kind, or not enough', () => {
    const none = substitutesFor(
      named('beacon'),
      item('resistor', '330'),
      [line(item('resistor', '220'), 3)],
      24,
      grammars,
    );
    expect(none).toEqual({ found: [], refused: [] });
  });
});
