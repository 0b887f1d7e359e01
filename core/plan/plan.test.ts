import { describe, expect, test } from 'vitest';
import type { FindingCode } from '../findings/finding';
import { causeCodes, type Verdict } from '../formats/report';
import { courseExercises } from '../testing/course';
import { beacon, checkBeacon, LAYOUT, PROGRAM } from '../testing/beacon';
import { countVerdicts, groupByTrouble, latestOf, waitsForReview, type ReviewItem } from './review';
import { exerciseSaid } from '../testing/exercise-said';
import { worksheetFigures } from './worksheet';

const item = (learnerName: string, attempt: number, table = LAYOUT, program = PROGRAM): ReviewItem => {
  const report = checkBeacon(table, program);
  return {
    id: `${learnerName}-${attempt}`,
    learnerId: learnerName,
    learnerName,
    attempt,
    verdict: report.verdict,
    causes: causeCodes(report),
    shape: null,
  };
};

const rowOff = LAYOUT.replace('B1.a5', 'B1.a4');
const items = [
  item('Ada', 1, rowOff),
  item('Ada', 2),
  item('Ben', 1, rowOff),
  item('Cleo', 1, LAYOUT.replace('B1.a5', 'B1.b4')),
  item('Dora', 1, LAYOUT, PROGRAM.replace('500);', '500)')),
  item('Emil', 1, LAYOUT.replace(/,330,/g, ',33,')),
  item('Fritz', 1),
];

describe('hand-ins by what is wrong', () => {
  test('that work differently are together by their circuit', () => {
    const works = (learnerName: string, shape: string | null): ReviewItem => ({
      ...item(learnerName, 1),
      verdict: 'works-differently',
      causes: [],
      shape,
    });
    const groups = groupByTrouble([
      works('Ada', 'x'),
      works('Ben', 'y'),
      works('Cleo', 'x'),
      works('Dora', null),
    ]);
    expect(groups.map(({ items: members }) => members.map(({ learnerName }) => learnerName))).toEqual([
      ['Ada', 'Cleo'],
      ['Ben'],
      ['Dora'],
    ]);
  });

  test.each([
    ['does not work', 'does-not-work', null, true],
    ['is the circuit of the exercise', 'as-drawn', 'x', false],
    ['works in another way', 'works-differently', 'y', true],
    ['works in another way that is accepted', 'works-differently', 'x', false],
    ['is being checked', null, null, false],
  ] as const)('wait for a reviewer or not: one that %s', (_, verdict, shape, waits) => {
    expect(waitsForReview({ verdict, shape }, false, new Set(['x']))).toBe(waits);
    expect(waitsForReview({ verdict, shape }, true, new Set())).toBe(false);
  });

  test('count each learner’s last try', () => {
    expect(latestOf(items).map(({ id }) => id)).toEqual([
      'Ada-2',
      'Ben-1',
      'Cleo-1',
      'Dora-1',
      'Emil-1',
      'Fritz-1',
    ]);
    expect(countVerdicts(latestOf(items))).toEqual({
      'as-drawn': 2,
      'does-not-work': 3,
      'works-at-risk': 1,
    } satisfies Partial<Record<Verdict, number>>);
  });

  test('come most urgent first, then by size, with their people by name', () => {
    const groups = groupByTrouble(latestOf(items)).map(({ title, items: members }) => [
      title,
      members.map((member) => member.learnerName),
    ]);
    expect(groups).toEqual([
      ['In the wrong row', ['Ben', 'Cleo']],
      ['Semicolon missing', ['Dora']],
      ['Wrong resistor value', ['Emil']],
      ['The circuit of the exercise', ['Ada', 'Fritz']],
    ]);
  });

  test('with a danger come first, however many there are of others, and equally many by how grave they are', () => {
    const group = (learnerName: string, cause: FindingCode): ReviewItem => ({
      ...item(learnerName, 1),
      verdict: 'does-not-work',
      causes: [cause],
    });
    const codes = groupByTrouble([
      group('Ada', 'timing-off'),
      group('Ben', 'wrong-pin'),
      group('Cleo', 'wrong-pin'),
      group('Dora', 'supply-short'),
      group('Emil', 'part-missing'),
      group('Fritz', 'syntax-semicolon'),
    ]).map((one) => one.codes[0]);
    expect(codes).toEqual(['supply-short', 'wrong-pin', 'part-missing', 'syntax-semicolon', 'timing-off']);
  });

  test('of which two causes come together carry both names', () => {
    const [group] = groupByTrouble([item('Gil', 1, rowOff, PROGRAM.replace('2500', '250'))]);
    expect(group!.title).toBe('In the wrong row, and timing is off');
  });

  test('are none for nobody', () => {
    expect(groupByTrouble([])).toEqual([]);
    expect(groupByTrouble([{ ...item('Hal', 1), verdict: null, causes: [] }])).toEqual([]);
    expect(countVerdicts([])).toEqual({});
  });
});

describe('the figures of a worksheet', () => {
  const figures = worksheetFigures(beacon);

  test('give the LED’s current, its worst case, its pin and its brightness', () => {
    expect(figures.leds).toHaveLength(1);
    const [led] = figures.leds;
    expect(led).toMatchObject({ ref: 'D1', title: 'amber LED', pin: '13' });
    expect(led!.worstMa![0]).toBeLessThan(led!.currentMa);
    expect(led!.worstMa![1]).toBeGreaterThan(led!.currentMa);
    expect(led!.brightness).toBeGreaterThan(0.5);
  });

  test.each(
    courseExercises
      .filter(({ exercise }) => exercise.board.id !== 'none')
      .map(({ name, exercise }) => [name, exercise] as const),
  )('give every LED of %s the current that it is lit with, also where a low pin lights it', (_, exercise) => {
    for (const { ref, currentMa, brightness } of worksheetFigures(exercise).leds) {
      expect(currentMa, ref).toBeGreaterThan(0.5);
      expect(brightness, ref).toBeGreaterThan(0.05);
    }
  });

  test('give LEDs on the outputs of a chip the current that they have while these are on', () => {
    const running = exerciseSaid({
      id: 'running-light',
      board: 'learner-5v',
      lines: ['shift register on 11, 12, 8', '3 red LEDs on X1.q0-q2 with 330'],
      program: 'void setup() { } void loop() { }',
      scenarios: [],
    });
    const { leds } = worksheetFigures(running);
    expect(leds.map(({ ref }) => ref)).toEqual(['D1', 'D2', 'D3']);
    for (const { currentMa } of leds) expect(currentMa).toBeCloseTo(8.2, 1);
  });

  test('give the power that warms the resistor: its current squared times its ohms', () => {
    const [resistor] = figures.resistors;
    expect(resistor!.powerMw).toBeCloseTo((figures.leds[0]!.currentMa / 1e3) ** 2 * 330 * 1e3, 3);
  });

  test('list the connections with their role, their ends and their wires', () => {
    expect(
      figures.connections.map(({ name, role, wires }) => [name, role, wires.map((wire) => wire.ref)]),
    ).toEqual([
      ['signal', 'signal', ['W1']],
      ['lamp', 'sense', []],
      ['ground', 'ground', ['W2']],
    ]);
    expect(figures.connections[0]!.ends).toMatchObject([
      { text: '13', isPin: true },
      { text: 'D1 long leg e5', isPin: false },
    ]);
  });

  test('count the ends and the last row in use', () => {
    expect(figures).toMatchObject({ legCount: 8, lastRow: 6 });
  });
});
