import { describe, expect, test } from 'vitest';
import learner5v from './learner-5v.json' with { type: 'json' };
import { findPin, findSupply, pinByNumber, pinsInRange, readBoard, shippedBoards } from './index';
import { boardProfileSchema } from './profile';

const learner = shippedBoards.get('learner-5v')!;
const large = shippedBoards.get('large-5v')!;

/** The learner board with something changed. */
type Loose = Omit<typeof learner5v, 'supplies'> & {
  supplies: { volts?: unknown; role: string }[];
  outline?: { left: string[]; right: string[] };
};
const changed = (change: (board: Loose) => void): unknown => {
  const copy = structuredClone(learner5v) as Loose;
  change(copy);
  return copy;
};

const firstIssue = (board: unknown): { message: string; path: string } => {
  const result = boardProfileSchema.safeParse(board);
  if (result.success) throw new Error('it was taken');
  const [issue] = result.error.issues;
  return { message: issue!.message, path: issue!.path.join('.') };
};

describe('the learner board', () => {
  test('has 14 digital pins of which 6 do PWM, 6 analog ones that are digital too, and 3 grounds', () => {
    const plain = learner.pins.filter((pin) => !pin.functions.includes('analog'));
    const analog = learner.pins.filter((pin) => pin.functions.includes('analog'));
    expect(plain).toHaveLength(14);
    expect(
      plain
        .filter((pin) => pin.functions.includes('pwm'))
        .map((pin) => pin.name)
        .sort(),
    ).toEqual(['10', '11', '3', '5', '6', '9']);
    expect(analog).toHaveLength(6);
    expect(analog.every((pin) => pin.functions.includes('digital'))).toBe(true);
    expect(findSupply(learner, 'GND')?.sockets).toBe(3);
  });

  test('has the limits of its class, each with where it comes from', () => {
    expect(learner.drive).toMatchObject({
      recommendedMa: 20,
      absoluteMa: 40,
      totalMa: 200,
      portSourceMa: 150,
      portSinkMa: 100,
    });
    expect(learner.drive.source).not.toBe('');
    expect(learner.language).toMatchObject({ intBits: 16, doubleBits: 32 });
    expect(learner.clockHz).toBe(16_000_000);
  });

  test('keeps 0 and 1 for serial, and has an LED of its own at 13 that does not load the pin', () => {
    expect(
      learner.pins
        .filter((pin) => pin.reserved)
        .map((pin) => pin.name)
        .sort(),
    ).toEqual(['0', '1']);
    expect(learner.onBoard).toEqual([
      expect.objectContaining({ pin: '13', loadsPin: false, lights: 'high' }),
    ]);
  });

  test('puts every signal pin into one port group', () => {
    for (const pin of learner.pins) expect(pin.port, pin.name).toMatch(/^[BCD]$/);
  });
});

test.each([
  ['wifi-3v3', 3.3, 11, 1, 12, 32, 1023],
  ['python-3v3', 3.3, 14, 6, 10, 32, 65_535],
  ['chip-8', 5, 5, 3, 40, 16, 1023],
] as const)(
  '%s runs at %d V with %d digital and %d analog pins, stands %d mA a pin and counts in %d bits up to %d',
  (id, volts, digital, analog, absoluteMa, intBits, analogRange) => {
    const board = shippedBoards.get(id)!;
    expect(board.logicVolts).toBe(volts);
    const isBoth = id === 'chip-8';
    expect(
      board.pins.filter(
        (pin) => pin.functions.includes('digital') && (isBoth || !pin.functions.includes('analog')),
      ),
    ).toHaveLength(digital);
    expect(board.pins.filter((pin) => pin.functions.includes('analog'))).toHaveLength(analog);
    expect(board.drive.absoluteMa).toBe(absoluteMa);
    expect(board.language.intBits).toBe(intBits);
    expect(board.analog.range).toBe(analogRange);
  },
);

test.each([...shippedBoards.values()].map((board) => [board.id, board] as const))(
  '%s says where each figure comes from, what to see on the board, and how a program gets there',
  (_, board) => {
    expect(board.drive.source.length).toBeGreaterThan(10);
    for (const supply of board.supplies)
      if (supply.role !== 'ground') expect(supply.source.length).toBeGreaterThan(10);
    expect(board.landmarks.length).toBeGreaterThan(3);
    expect(board.bringUp.bySystem.map(({ system }) => system)).toEqual([
      'desktop',
      'school-laptop',
      'tablet',
    ]);
    expect(readBoard(JSON.stringify(board))).toEqual({ ok: true, value: board });
  },
);

test('a profile of a user is refused with every contradiction at its path, and a broken file with its line', () => {
  const bad = readBoard(JSON.stringify({ ...learner5v, logicVolts: 4, names: { LED: 99 } }));
  expect(bad).toMatchObject({
    ok: false,
    problems: expect.arrayContaining([
      expect.objectContaining({ path: 'logicVolts' }),
      expect.objectContaining({ path: 'names.LED' }),
    ]),
  });
  expect(readBoard('{\n"id": ,\n}')).toMatchObject({ ok: false, problems: [{ line: 2 }] });
});

test('the Wi-Fi board has an LED of its own that low lights, and pins that decide how it starts', () => {
  const board = shippedBoards.get('wifi-3v3')!;
  expect(board.onBoard[0]).toMatchObject({ lights: 'low' });
  expect(board.pins.filter((pin) => pin.reserved === 'start-up').map((pin) => pin.startLevel)).toEqual([
    'high',
    'high',
    'low',
  ]);
});

test('the large board has 54 digital and 16 analog pins', () => {
  expect(large.pins.filter((pin) => !pin.functions.includes('analog'))).toHaveLength(54);
  expect(large.pins.filter((pin) => pin.functions.includes('analog'))).toHaveLength(16);
});

describe('looking pins up', () => {
  test.each([
    ['13', '13'],
    ['a0', 'A0'],
    ['A5', 'A5'],
  ])('%s is pin %s', (typed, name) => {
    expect(findPin(learner, typed)?.name).toBe(name);
  });

  test.each(['14', 'GND', '', 'A6', '-1'])('“%s” is no signal pin', (typed) => {
    expect(findPin(learner, typed)).toBeUndefined();
  });

  test('a number is the pin that a program means by it', () => {
    expect(pinByNumber(learner, 14)?.name).toBe('A0');
    expect(pinByNumber(large, 54)?.name).toBe('A0');
    expect(pinByNumber(learner, 99)).toBeUndefined();
  });

  test.each([
    ['2-13', 12],
    ['0-99', 14],
    ['2,4,7-9', 5],
    ['A0, A1', 2],
    ['nonsense', 0],
    ['', 0],
  ])('the range “%s” holds %d pins', (range, count) => {
    expect(pinsInRange(learner, range)).toHaveLength(count);
  });
});

describe('a profile is refused with its place', () => {
  test.each<[what: string, board: unknown, message: RegExp, path: string]>([
    [
      'a name given twice',
      changed((board) => void (board.pins[0]!.name = 'A0')),
      /A0 is given to two sockets/,
      'pins.14.name',
    ],
    [
      'no ground',
      changed((board) => void (board.supplies = board.supplies.filter((supply) => supply.role !== 'ground'))),
      /no ground/,
      'supplies',
    ],
    [
      'a supply without voltage',
      changed((board) => void delete board.supplies[1]!.volts),
      /needs its volts/,
      'supplies.1.volts',
    ],
    [
      'a low threshold above the high one',
      changed((board) => void (board.input.lowBelowVolts = 4)),
      /low threshold/,
      'input.lowBelowVolts',
    ],
    [
      'two pins of one number',
      changed((board) => void (board.pins[1]!.number = 13)),
      /13 and 12 have the same number 13/,
      'pins.1.number',
    ],
    [
      'a logic voltage that no supply has',
      changed((board) => void (board.logicVolts = 4)),
      /no supply has the logic voltage of 4 V/,
      'logicVolts',
    ],
    [
      'a class-room range beyond the recommended one',
      changed(
        (board) =>
          void (board.supplies[3]!.volts = { recommended: [7, 12], absolute: [6, 20], classRoom: [5, 9] }),
      ),
      /class-room range of VIN/,
      'supplies.3.volts.classRoom',
    ],
    [
      'more recommended than a pin stands',
      changed((board) => void (board.drive.recommendedMa = 50)),
      /more current than it stands/,
      'drive.recommendedMa',
    ],
    [
      'a pull-up outside its range',
      changed((board) => void (board.input.pullUpOhms = 1000)),
      /outside its own range/,
      'input.pullUpOhms',
    ],
    [
      'a lamp on a pin that is not there',
      changed((board) => void (board.onBoard[0]!.pin = '99')),
      /no pin 99/,
      'onBoard.0.pin',
    ],
    [
      'an outline with a socket that is not there',
      changed((board) => void (board.outline = { left: ['99'], right: [] })),
      /no socket 99/,
      'outline.left.0',
    ],
    ['a name for no pin', changed((board) => void (board.names.A5 = 77)), /A5 stands for no pin/, 'names.A5'],
    ['a limit without its source', changed((board) => void (board.drive.source = '')), /./, 'drive.source'],
    ['a negative limit', changed((board) => void (board.drive.absoluteMa = -1)), /./, 'drive.absoluteMa'],
    ['an id with spaces', changed((board) => void (board.id = 'my board')), /./, 'id'],
    ['no pins', changed((board) => void (board.pins = [])), /./, 'pins'],
    ['an odd width of int', changed((board) => void (board.language.intBits = 24)), /./, 'language.intBits'],
  ])('%s', (_, board, message, path) => {
    const issue = firstIssue(board);
    expect(issue.message).toMatch(message);
    expect(issue.path).toBe(path);
  });
});
