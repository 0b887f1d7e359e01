import fc, { type Arbitrary } from 'fast-check';
import { describe, expect, test } from 'vitest';
import { decimal, partName, positive, recordOf, sometimes } from '../testing/said';
import { expectationDefinitions, expectationSentence, readExpectation, type Expectation } from './index';

const light = fc
  .tuple(partName, fc.option(fc.stringMatching(/^[a-z][a-z0-9]{0,5}$/)))
  .map(([part, leg]) => (leg === null ? part : `${part}.${leg}`));
const share = decimal(1);
const text = (maxLength: number): Arbitrary<string> =>
  fc.oneof(
    fc.string({ maxLength }),
    fc.string({
      unit: fc.constantFrom('\\', '"', '”', '“', "'", '\n', ';', ')', '/', 'n', ' ', '.'),
      maxLength,
    }),
  );

const windowed = {
  from: sometimes(decimal(60)),
  to: sometimes(decimal(60)),
  after: sometimes(partName),
  tolerance: sometimes(share),
};

const record = recordOf<Expectation>;

const colour = fc.constantFrom('red', 'green', 'blue', 'yellow', 'orange', 'turquoise', 'violet', 'white');
const range = (of: Arbitrary<number>): Arbitrary<[number, number]> =>
  fc.tuple(of, of).map(([one, other]) => [Math.min(one, other), Math.max(one, other) + 1e-6]);
const switched = fc.constantFrom('on', 'off');
/** A figure, between two, or from one of the ends on. */
const figure = (
  one: Arbitrary<number>,
  [low, high]: readonly [number, number],
): Arbitrary<number | [number, number]> =>
  fc.oneof(
    one,
    fc.tuple(one, one).map(([a, b]): [number, number] => [Math.min(a, b), Math.max(a, b)]),
    one.map((least): [number, number] => [least, high]),
    one.map((most): [number, number] => [low, most]),
  );
const count = figure(fc.nat(500), [0, 500]);
const printedNumber = fc.oneof(
  decimal(900),
  decimal(90).map((number) => -number - 1e-6),
  range(decimal(900)),
);
const printedLine = fc.oneof(
  printedNumber,
  text(20).filter((one) => /\S/.test(one) && !/[\r\n]/.test(one)),
);
const singles: Readonly<Record<string, Arbitrary<Expectation>>> = {
  'lamp is': record({ lamp: light, is: switched, ...windowed }),
  'lamp brightness': record({
    lamp: light,
    brightness: fc.tuple(share, share).map(([a, b]) => [Math.min(a, b), Math.max(a, b)]),
    ...windowed,
  }),
  'lamp rhythm': record({
    lamp: light,
    rhythm: fc.array(positive(100), { minLength: 2, maxLength: 8 }),
    ...windowed,
  }),
  'lamp flashes': record({
    lamp: light,
    flashes: count,
    'or-more': sometimes(fc.constant(true)),
    ...windowed,
  }),
  'lamp flickers': record({ lamp: light, flickers: fc.constant(true), ...windowed }),
  'lamp rises': record({ lamp: light, rises: fc.constant(true), ...windowed }),
  'lamp falls': record({ lamp: light, falls: fc.constant(true), ...windowed }),
  'lamp colour': record({
    lamp: partName,
    colour,
    or: sometimes(fc.array(colour, { minLength: 1, maxLength: 3 })),
    ...windowed,
  }),
  responds: record({
    responds: light,
    to: partName,
    within: positive(5),
    then: fc.constantFrom('on', 'off', 'changed'),
    from: windowed.from,
  }),
  'never-together': record({
    'never-together': fc.array(light, { minLength: 2, maxLength: 5 }),
    ...windowed,
  }),
  'among lit': record({
    among: fc.array(light, { minLength: 2, maxLength: 5 }),
    lit: fc.oneof(
      fc.tuple(fc.nat(5), fc.nat(9)).map(([least, more]): [number, number] => [least, least + more]),
      fc.nat(9).map((least): [number, number] => [least, 100]),
    ),
    ...windowed,
  }),
  alike: record({ alike: fc.array(light, { minLength: 2, maxLength: 5 }), ...windowed }),
  'part signals': record({
    part: light,
    signals: fc.stringMatching(/^(?:[A-Z0-9]{1,6}(?: [A-Z0-9]{1,6}){0,2}|[.-]{1,5}(?: [.-]{1,5}){0,4})$/),
    ...windowed,
  }),
  order: record({ order: fc.array(light, { minLength: 2, maxLength: 5 }), ...windowed }),
  'buzzer tone': record({ buzzer: partName, tone: figure(positive(9000), [0, 20_000]), ...windowed }),
  'buzzer is': record({ buzzer: partName, is: switched, ...windowed }),
  'buzzer rhythm': record({
    buzzer: partName,
    rhythm: fc.array(positive(60), { minLength: 2, maxLength: 6 }),
    ...windowed,
  }),
  'buzzer chirps': record({
    buzzer: partName,
    chirps: count,
    'or-more': sometimes(fc.constant(true)),
    lasting: sometimes(range(decimal(5))),
    ...windowed,
  }),
  prints: record({
    prints: printedNumber,
    behind: sometimes(text(20).filter((one) => one !== '')),
    ...windowed,
  }),
  lines: record({
    lines: fc.array(printedLine, { minLength: 2, maxLength: 5 }),
    repeats: sometimes(fc.constant(true)),
    only: sometimes(fc.constant(true)),
    every: sometimes(positive(9)),
    ...windowed,
  }),
  line: fc.oneof(
    record({ line: printedLine, every: positive(9), ...windowed }),
    record({
      line: printedLine,
      times: count,
      'or-more': sometimes(fc.constant(true)),
      ...windowed,
    }),
  ),
  'pin is': record({
    pin: fc.constantFrom('13', 'A0', 'GP5', 'D7'),
    is: fc.constantFrom('high', 'low'),
    ...windowed,
  }),
  'part is': record({ part: partName, is: fc.constantFrom('there', 'connected') }),
  watched: record({ watched: partName, by: fc.constantFrom('interrupt', 'polling') }),
  'servo angle': record({ servo: partName, angle: figure(decimal(180), [0, 180]), ...windowed }),
  'servo sweeps': record({
    servo: partName,
    sweeps: fc
      .tuple(fc.integer({ min: 0, max: 170 }), fc.integer({ min: 10, max: 170 }))
      .map(([one, way]): [number, number] => [one, one >= way ? one - way : Math.min(180, one + way)]),
    back: sometimes(fc.constant(true)),
    takes: sometimes(positive(60)),
    ...windowed,
  }),
  'part follows': record({
    part: light,
    follows: partName,
    inversely: sometimes(fc.constant(true)),
    ...windowed,
  }),
  motor: record({
    motor: partName,
    turns: fc.constantFrom('forwards', 'backwards', 'no'),
    speed: sometimes(figure(decimal(1), [0, 2])),
    ...windowed,
  }),
  relay: record({ relay: partName, is: switched, ...windowed }),
  display: record({
    display: partName,
    text: fc.array(text(40), { minLength: 1, maxLength: 4 }),
    ...windowed,
  }),
  'digit shows': record({
    digit: partName,
    shows: fc.array(fc.constantFrom('0', '5', '9', 'A', 'D', 'H', '-', 'nothing'), {
      minLength: 1,
      maxLength: 5,
    }),
    ...windowed,
  }),
  panel: record({
    panel: partName,
    picture: fc.array(fc.stringMatching(/^[.#]{8}$/), { minLength: 8, maxLength: 8 }),
    ...windowed,
  }),
  serial: record({
    serial: fc.constantFrom('contains', 'equals', 'matches', 'lacks'),
    text: text(80),
    ...windowed,
  }),
};
const generated: typeof singles = {
  ...singles,
  'one-of': record({
    'one-of': fc.array(fc.oneof(...Object.values(singles)), { minLength: 2, maxLength: 4 }),
    variety: fc.integer({ min: 1, max: 9 }),
    over: fc.integer({ min: 1, max: 200 }),
    from: windowed.from,
  }),
};

describe('an expectation', () => {
  test.each(expectationDefinitions.map(({ keys }) => keys.join(' ')))(
    'of the sort “%s” is read as it is said, whatever its values',
    (sort) => {
      fc.assert(
        fc.property(generated[sort]!, (expectation) => {
          const sentence = expectationSentence(expectation);
          expect(readExpectation(sentence), sentence).toEqual({ ok: true, value: expectation });
        }),
        { numRuns: 300 },
      );
    },
  );

  test.each([
    ['D1 on 0.5 s, off 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['d1 flashes 0.5 s, dark 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 lit for 0.5 s then dark for 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 is lit 0.5 s, dark 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 is on for 0.5 s, then off for 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 dark 2.5 s, lit 0.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 is lit', { lamp: 'D1', is: 'on' }],
    ['D1 stays dark', { lamp: 'D1', is: 'off' }],
    ['D1 is on from 2 to 6', { lamp: 'D1', is: 'on', from: 2, to: 6 }],
    ['D1 is on, until 6 s.', { lamp: 'D1', is: 'on', to: 6 }],
    ['D1 flashes twice give or take 10 %', { lamp: 'D1', flashes: 2, tolerance: 0.1 }],
    ['D1 between 20% and 40% bright', { lamp: 'D1', brightness: [0.2, 0.4] }],
    ['D1 shows violet', { lamp: 'D1', colour: 'violet' }],
    ['D1 and D2 never together', { 'never-together': ['D1', 'D2'] }],
    ['D1, D2 and D3 never together', { 'never-together': ['D1', 'D2', 'D3'] }],
    ['D1, then D2', { order: ['D1', 'D2'] }],
    ['D1 then D2 then D1.red', { order: ['D1', 'D2', 'D1.red'] }],
    ['Z1 sounds with 440 Hz', { buzzer: 'Z1', tone: 440 }],
    ['M1 stands at 90', { servo: 'M1', angle: 90 }],
    ['M1 stands between 80 and 100°', { servo: 'M1', angle: [80, 100] }],
    ['M1 stands at 90° or more', { servo: 'M1', angle: [90, 180] }],
    ['Z1 sounds with 440 Hz', { buzzer: 'Z1', tone: 440 }],
    ['Z1 sounds at 400 Hz or less', { buzzer: 'Z1', tone: [0, 400] }],
    ['Z1 chirps at most twice', { buzzer: 'Z1', chirps: [0, 2] }],
    ['D1 flashes 5 to 7 times from 1 s', { lamp: 'D1', flashes: [5, 7], from: 1 }],
    ['M1 turns between 40 and 60 % of its speed', { motor: 'M1', turns: 'forwards', speed: [0.4, 0.6] }],
    ['M1 turns from 2 s', { motor: 'M1', turns: 'forwards', from: 2 }],
    ['M1 runs backwards at 50% of its speed', { motor: 'M1', turns: 'backwards', speed: 0.5 }],
    ['M1 stands still until 1 s', { motor: 'M1', turns: 'no', to: 1 }],
    ['K1 pulls in from 1 s to 2 s', { relay: 'K1', is: 'on', from: 1, to: 2 }],
    ['Z1 beeps 0.2 s, silent 0.8 s', { buzzer: 'Z1', rhythm: [0.2, 0.8] }],
    ['Z1 chirps twice', { buzzer: 'Z1', chirps: 2 }],
    [
      'Z1 sounds for 0.05 to 0.25 s after S1',
      { buzzer: 'Z1', chirps: 1, lasting: [0.05, 0.25], after: 'S1' },
    ],
    ['prints a number between 20 and 24 behind "T:"', { prints: [20, 24], behind: 'T:' }],
    ['prints -4 give or take 10 %', { prints: -4, tolerance: 0.1 }],
    ['pin 13 is high until 2 s', { pin: '13', is: 'high', to: 2 }],
    ['D1 is on until 2 s after S1', { lamp: 'D1', is: 'on', to: 2, after: 'S1' }],
    ['D1 flashes 3 times after S1', { lamp: 'D1', flashes: 3, after: 'S1' }],
    ['D1 is yellow or orange or white', { lamp: 'D1', colour: 'yellow', or: ['orange', 'white'] }],
    ['C1 is there', { part: 'C1', is: 'there' }],
    ['S1 is watched by polling', { watched: 'S1', by: 'polling' }],
    ['prints "tide"', { serial: 'contains', text: 'tide' }],
    ['prints "3", then "2", then "1"', { lines: ['3', '2', '1'] }],
    ['prints 3, 2, 1 and nothing else, 1 s apart', { lines: [3, 2, 1], only: true, every: 1 }],
    ['prints "a, b" then "c" and then 4', { lines: ['a, b', 'c', 4] }],
    ['prints "ebb", "flood" over and over until 9 s', { lines: ['ebb', 'flood'], repeats: true, to: 9 }],
    ['prints "tide" every 2 s', { line: 'tide', every: 2 }],
    ['prints a number between 2 and 4 every 0.5 s', { line: [2, 4], every: 0.5 }],
    ['prints "tide" twice', { line: 'tide', times: 2 }],
    ['prints 7 3 times or more from 1 s', { line: 7, times: 3, 'or-more': true, from: 1 }],
    ["prints 'it''s'", undefined],
  ])('is read as people say it: %s', (line, expectation) => {
    const read = readExpectation(line);
    expect(read.ok ? read.value : undefined).toEqual(expectation);
  });

  test.each([
    ['D1 between 40 and 120 % bright', 'at most 100 % bright'],
    ['M1 stands at 200°', 'from 0° to 180°'],
    ['D1 lit 0 s, dark 1 s', 'longer than 0 s'],
    ['X1 shows ..##', 'eight'],
    ['D1 is on, give or take 300 %', 'at most 100 %'],
  ])('that asks for what cannot be is told so: %s', (line, told) => {
    const read = readExpectation(line);
    expect(read.ok ? '' : read.problems[0]!.message).toContain(told);
  });

  test.each(['D1 lit 0.5 s, lit 2.5 s', 'D1 dark 1 s, lit 1 s, dark 1 s', 'make it nice', ''])(
    'that nobody understands is answered with how to write one: %s',
    (line) => {
      const read = readExpectation(line);
      expect(read.ok ? '' : read.problems[0]!.message).toMatch(
        /Write it like .*“D1 lit 0\.5 s, dark 2\.5 s”/,
      );
    },
  );
});
