import { describe, expect, test } from 'vitest';
import learner5v from './learner-5v.json' with { type: 'json' };
import { findPin, findSupply, pinByNumber, pinsInRange, shippedBoards } from './index';
import { boardProfileSchema } from './profile';

const learner = shippedBoards.get('learner-5v')!;
const large = shippedBoards.get('large-5v')!;

/** The learner board with something changed. */
const changed = (change: (board: typeof learner5v) => void): unknown => {
  const copy = structuredClone(learner5v);
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

  test('keeps 0 and 1 for serial, and has a lamp of its own at 13 that does not load the pin', () => {
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
      'pins',
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
      /5V has no voltage/,
      'supplies',
    ],
    [
      'a low threshold above the high one',
      changed((board) => void (board.input.lowBelowVolts = 4)),
      /low threshold/,
      'input.lowBelowVolts',
    ],
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
