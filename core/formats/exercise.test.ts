import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { netlistOf } from '../wiring/netlist';
import { beacon, beaconFile } from '../testing/beacon';
import { exerciseFrom, formOf, isComplete, languageOf, readExercise, type ExerciseData } from './exercise';

type Change = (exercise: Record<string, unknown> & ExerciseData) => void;

const changed = (change: Change): unknown => {
  const copy = JSON.parse(beaconFile) as Parameters<Change>[0];
  change(copy);
  return copy;
};

const problem = (data: unknown): { message: string; path?: string } => {
  const read = exerciseFrom(data);
  if (read.ok) throw new Error('it was taken');
  return read.problems[0]!;
};

describe('an exercise file', () => {
  test('is read with its board, its accepted values and its free pins', () => {
    expect(beacon.board.id).toBe('learner-5v');
    expect(beacon.accepted.get(ref('R1'))).toEqual([220, 560]);
    expect(beacon.pinFreedom.get('13')).toHaveLength(12);
    expect(beacon.reference.parts.map((part) => part.ref)).toEqual(['D1', 'R1', 'W1', 'W2']);
  });

  test('keeps fields that a later version may add', () => {
    const read = exerciseFrom(changed((exercise) => void (exercise['later'] = { any: 'thing' })));
    expect(read.ok && (read.value.data as Record<string, unknown>)['later']).toEqual({ any: 'thing' });
  });

  test('without a layout stands for its nets', () => {
    const read = exerciseFrom(changed((exercise) => void delete exercise.layout));
    if (!read.ok) throw new Error(read.problems[0]?.message);
    const signals = (wiring: typeof beacon.reference) =>
      netlistOf(wiring)
        .nodes.filter((node) => node.terminals.length > 0)
        .map((node) =>
          [...node.pins, ...node.terminals.map(({ ref: part, leg }) => `${part}.${leg}`)].sort().join(' '),
        )
        .sort();
    expect(signals(read.value.reference)).toEqual(signals(beacon.reference));
  });

  test('with a byte-order mark is read all the same', () => {
    expect(readExercise(`\uFEFF${beaconFile}`).ok).toBe(true);
  });
});

describe('a damaged exercise is refused with its place', () => {
  test.each<[what: string, data: unknown, path: string, message: RegExp]>([
    [
      'another format',
      changed((exercise) => void (exercise.format = 'didaktor/exercise@9' as never)),
      'format',
      /./,
    ],
    ['an id with capitals', changed((exercise) => void (exercise.id = 'Beacon')), 'id', /lower-case/],
    ['no title', changed((exercise) => void (exercise.title = '')), 'title', /./],
    [
      'an unknown board',
      changed((exercise) => void (exercise.board = 'raft')),
      'board',
      /“raft” is no known board; known are learner-5v/,
    ],
    [
      'an odd part name',
      changed((exercise) => void (exercise.parts[2]!.ref = 'lamp one')),
      'parts[2].ref',
      /D1/,
    ],
    [
      'an unknown kind',
      changed((exercise) => void (exercise.parts[2]!.kind = 'sponge')),
      'parts[2].kind',
      /sponge/,
    ],
    [
      'a value that is none',
      changed((exercise) => void (exercise.parts[3]!.value = 'much')),
      'parts[3].value',
      /not a resistance/,
    ],
    [
      'an accepted value that is none',
      changed((exercise) => void (exercise.parts[3]!.accept = { from: 'low', to: 'high' })),
      'parts[3].accept',
      /./,
    ],
    [
      'a layout that is no table',
      changed((exercise) => void (exercise.layout = 'hello')),
      'layout',
      /columns/,
    ],
    [
      'a layout with a broken hole',
      changed((exercise) => void (exercise.layout = exercise.layout!.replace('B1.a5', 'B1.a99'))),
      'layout',
      /rows 1 to 30/,
    ],
    [
      'a layout that leaves a net open',
      changed((exercise) => void (exercise.layout = exercise.layout!.replace('B1.a5', 'B1.a9'))),
      'nets[0]',
      /does not join U1\.13, D1\.anode/,
    ],
    [
      'a layout that joins two nets',
      changed(
        (exercise) =>
          void (exercise.layout = exercise
            .layout!.replace('cathode,B1.e6', 'cathode,B1.c5')
            .replace('1,B1.d6', '1,B1.d5')),
      ),
      'nets[1]',
      /joins the nets signal and lamp/,
    ],
    [
      'a net with a point that is nowhere',
      changed((exercise) => void exercise.nets[0]!.points.push('D9.anode')),
      'nets[0]',
      /nothing at D9\.anode/,
    ],
    [
      'a scenario without a button of that name',
      changed((exercise) => void (exercise.scenarios[0]!.stimuli = [{ at: 1, press: 'S7' }])),
      'scenarios[0].stimuli',
      /S7 is not among the parts/,
    ],
    [
      'a scenario without a lamp of that name',
      changed((exercise) => void (exercise.scenarios[0]!.expect = [{ lamp: 'D7', is: 'on' }])),
      'scenarios[0].expect',
      /D7 is not among the parts/,
    ],
    [
      'a scenario of no length',
      changed((exercise) => void (exercise.scenarios[0]!.for = 0)),
      'scenarios[0].for',
      /./,
    ],
    [
      'an expectation that is unknown',
      changed((exercise) => void (exercise.scenarios[0]!.expect = [{ lamp: 'D1', sings: true } as never])),
      'scenarios[0].expect[0]',
      /./,
    ],
  ])('%s', (_, data, path, message) => {
    const found = problem(data);
    expect(found.path).toBe(path);
    expect(found.message).toMatch(message);
  });

  test.each(['', '[]', '{"format":', 'null', '"text"', '{}'])('%s', (text) => {
    expect(readExercise(text).ok).toBe(false);
  });

  test('names the line where its JSON breaks', () => {
    const broken = beaconFile.replace('"title": "Beacon",', '"title": "Beacon"');
    const read = readExercise(broken);
    expect(read.ok ? undefined : read.problems[0]!.message).toContain('not JSON');
  });
});

describe('judging', () => {
  const beacon = (change: object) => {
    const read = exerciseFrom({ ...JSON.parse(beaconFile), ...change });
    if (!read.ok) throw new Error(read.problems[0]?.message);
    return read.value;
  };

  test('takes the language of the exercise, else that of its board', () => {
    expect(languageOf(beacon({}))).toBe('cpp');
    expect(languageOf(beacon({ language: 'python' }))).toBe('python');
  });

  test('needs a scenario; some circuits live without a program', () => {
    expect(isComplete(beacon({}))).toBe(true);
    expect(isComplete(beacon({ program: ' ' }))).toBe(true);
    expect(isComplete(beacon({ scenarios: [] }))).toBe(false);
  });
});

test('a form takes the place of what it has differently; an unknown one is refused by name', () => {
  const data = {
    ...JSON.parse(beaconFile),
    forms: [
      {
        name: 'red',
        parts: [
          ...JSON.parse(beaconFile).parts.filter((part: { ref: string }) => part.ref !== 'R1'),
          { ref: 'R1', kind: 'resistor', value: '470' },
        ],
        layout: '',
      },
    ],
  };
  const read = exerciseFrom(data);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const form = formOf(read.value.data, 'red');
  expect(form.ok && form.value.data.parts.at(-1)!.value).toBe('470');
  expect(formOf(read.value.data, 'blue')).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('red') }],
  });
});
