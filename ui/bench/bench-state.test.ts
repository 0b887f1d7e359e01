import fc, { type Arbitrary } from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { exerciseFrom } from '@/core/formats/exercise';
import { kindOf } from '@/core/parts';
import { benchAfter, benchOf, type BenchAction, type BenchState } from './bench-state';
import { emptyDraft } from './draft';

const read = exerciseFrom(JSON.parse(readFileSync('demo/course/01-beacon.json', 'utf8')));
if (!read.ok) throw new Error(read.problems[0]?.message);
const begin = benchOf(emptyDraft(read.value.data));
const after = (...actions: readonly BenchAction[]): BenchState => actions.reduce(benchAfter, begin);
const placeOf = (state: BenchState, ref: string, leg: string): string | undefined =>
  state.draft.parts.find((part) => part.ref === ref)?.at[leg];

const anode = { ref: 'D1', leg: 'anode' };
const typed = (place: string): BenchAction => ({ type: 'type place', leg: anode, place });
const handIn = { clientId: 'a1b2c3d4', wiring: '', program: '', hintsTaken: 0 };

describe('a place on the bench', () => {
  test('is undone as one, however many letters it had', () => {
    const state = after(typed('e'), typed('e1'), typed('e12'));
    expect(placeOf(state, 'D1', 'anode')).toBe('e12');
    expect(placeOf(benchAfter(state, { type: 'undo' }), 'D1', 'anode')).toBeUndefined();
  });

  test('that is stepped to from hole to hole is undone hole by hole', () => {
    const stepped = (place: string): BenchAction => ({ type: 'step to place', leg: anode, place });
    const state = after(typed('a5'), stepped('a6'), stepped('b6'), { type: 'undo' });
    expect(placeOf(state, 'D1', 'anode')).toBe('a6');
    expect(placeOf(benchAfter(state, { type: 'undo' }), 'D1', 'anode')).toBe('a5');
  });

  test('that is typed again after another is a step of its own', () => {
    const cathode: BenchAction = { type: 'type place', leg: { ref: 'D1', leg: 'cathode' }, place: 'e6' };
    const state = after(typed('e5'), cathode, typed('e7'), { type: 'undo' });
    expect(placeOf(state, 'D1', 'anode')).toBe('e5');
    expect(placeOf(state, 'D1', 'cathode')).toBe('e6');
  });

  test('tapped on the drawing goes to the active leg, and the next leg is active then', () => {
    const state = after({ type: 'activate', leg: anode }, { type: 'tap point', point: 'B1.e5' });
    expect(placeOf(state, 'D1', 'anode')).toBe('e5');
    expect(state.active).toEqual({ ref: 'D1', leg: 'cathode' });
  });

  test('tapped while no leg is active is nobody’s', () => {
    expect(after({ type: 'tap point', point: 'B1.e5' })).toBe(begin);
  });
});

describe('a wire that is drawn', () => {
  const draw = (from: string, to: string): BenchAction => ({ type: 'draw wire', from, to });

  test('is the first of the bag that is not plugged in, and one step', () => {
    const state = after(draw('U1.13', 'B1.a5'), draw('U1.GND', 'B1.a-1'));
    expect([placeOf(state, 'W1', '1'), placeOf(state, 'W1', '2')]).toEqual(['13', 'a5']);
    expect([placeOf(state, 'W2', '1'), placeOf(state, 'W2', '2')]).toEqual(['GND', 'a-1']);
    expect(placeOf(benchAfter(state, { type: 'undo' }), 'W2', '1')).toBeUndefined();
  });

  test('is a new one when the bag is empty', () => {
    const state = after(draw('B1.a1', 'B1.a2'), draw('B1.b1', 'B1.b2'), draw('B1.c1', 'B1.c2'));
    expect(state.draft.parts.filter(({ kind }) => kind === 'wire').map(({ at }) => at['1'])).toEqual([
      'a1',
      'b1',
      'c1',
    ]);
    expect(new Set(state.draft.parts.map(({ ref }) => ref)).size).toBe(state.draft.parts.length);
  });
});

describe('a bench', () => {
  test('begins with the task, and goes on with the wiring where something is recorded', () => {
    const built = { draft: after(typed('e5')).draft };
    expect(after({ type: 'load' }).panel).toBe('task');
    expect(after({ type: 'load', here: begin }).panel).toBe('task');
    expect(after({ type: 'load', here: built }).panel).toBe('wiring');
    expect(after({ type: 'load', there: { version: 1, ...built } }).panel).toBe('wiring');
    expect(after({ type: 'open', panel: 'program' }, { type: 'load', here: built }).panel).toBe('program');
  });

  test('takes many ends placed at once as one step', () => {
    const parts = begin.draft.parts.map((part) => ({ ...part, at: { '1': 'a1' } }));
    const many = after({ type: 'place many', parts });
    expect(placeOf(many, 'W1', '1')).toBe('a1');
    expect(placeOf(benchAfter(many, { type: 'undo' }), 'W1', '1')).toBeUndefined();
  });

  test('that is begun afresh keeps its parts and its program, and undo brings every end back', () => {
    const built = after(typed('e5'), { type: 'write program', program: 'void setup() {}' });
    const afresh = benchAfter(built, { type: 'start afresh' });
    expect(afresh.draft.parts.map(({ ref }) => ref)).toEqual(built.draft.parts.map(({ ref }) => ref));
    expect(afresh.draft.parts.every(({ at }) => Object.keys(at).length === 0)).toBe(true);
    expect(afresh.draft.program).toBe('void setup() {}');
    expect(placeOf(benchAfter(afresh, { type: 'undo' }), 'D1', 'anode')).toBe('e5');
  });
});

describe('the active leg', () => {
  test('goes through all legs in the order of the list, and rests behind the last', () => {
    const legs = begin.draft.parts.flatMap(({ ref, kind }) =>
      kindOf(kind).legs.map((leg) => ({ ref, leg: leg.name as string })),
    );
    let state = after({ type: 'activate', leg: legs[0] });
    const seen = legs.map(() => {
      const { active } = state;
      state = benchAfter(state, { type: 'next leg' });
      return active;
    });
    expect(seen).toEqual(legs);
    expect(state.active).toBeUndefined();
  });
});

describe('undo on the bench', () => {
  test('leaves the program, the hints taken and the hand-in alone', () => {
    const state = after(
      typed('e5'),
      { type: 'write program', program: 'void setup() {}' },
      { type: 'take hint' },
      { type: 'hand in', handIn },
      { type: 'undo' },
    );
    expect(placeOf(state, 'D1', 'anode')).toBeUndefined();
    expect(state.draft).toMatchObject({ program: 'void setup() {}', hintsTaken: 1, pending: handIn });
    expect(benchAfter(state, { type: 'redo' }).draft.program).toBe('void setup() {}');
  });

  const refs = begin.draft.parts.map(({ ref }) => ref);
  const action: Arbitrary<BenchAction> = fc.oneof(
    fc.record({
      type: fc.constant('type place' as const),
      leg: fc.constantFrom(anode, { ref: 'R1', leg: '1' }, { ref: 'W1', leg: '2' }),
      place: fc.constantFrom('e5', 'a7', '13', 'nowhere', ''),
    }),
    fc.record({
      type: fc.constant('tap point' as const),
      point: fc.constantFrom('B1.e5', 'U1.13', 'B1.a-3'),
    }),
    fc.record({
      type: fc.constant('add part' as const),
      kind: fc.constantFrom('wire', 'led'),
      value: fc.constantFrom('red', 'green'),
    }),
    fc.constantFrom(...refs).map((ref): BenchAction => ({ type: 'edit', edits: [{ flip: ref }] })),
    fc.constantFrom(...refs).map((ref): BenchAction => ({ type: 'edit', edits: [{ remove: ref }] })),
    fc.constantFrom('right' as const, 'dark' as const).map((sighting): BenchAction => ({
      type: 'say what was seen',
      sighting,
    })),
    fc.string().map((program): BenchAction => ({ type: 'write program', program })),
    fc.constantFrom<BenchAction>(
      { type: 'activate', leg: anode },
      { type: 'next leg' },
      { type: 'undo' },
      { type: 'redo' },
    ),
  );

  test('all the way is where it began, and all the way forth is where it was, whatever was done', () => {
    fc.assert(
      fc.property(fc.array(action, { maxLength: 40 }), (actions) => {
        const end = actions.reduce(benchAfter, begin);
        const forth = { ...end, undo: end.undo };
        let back: BenchState = end;
        while (back.undo.done.length > 0) back = benchAfter(back, { type: 'undo' });
        expect(back.draft.parts).toEqual(begin.draft.parts);
        expect(back.draft.sighting).toBeUndefined();
        expect(back.draft.program).toBe(end.draft.program);
        const count = forth.undo.done.length;
        for (let step = 0; step < count; step += 1) back = benchAfter(back, { type: 'redo' });
        expect(back.draft).toEqual(end.draft);
      }),
    );
  });
});

describe('a check', () => {
  test('begins with no hints, and shows the wiring when it cannot be read', () => {
    const hinted = after(
      { type: 'open', panel: 'program' },
      { type: 'take hint' },
      { type: 'follow', step: 2 },
    );
    const checked = benchAfter(hinted, { type: 'check', what: 'this', record: 'readable' });
    expect(checked).toMatchObject({ hintLevel: 0, followed: undefined, checked: 'this', panel: 'program' });
    expect(benchAfter(hinted, { type: 'check', what: 'this', record: 'unreadable' }).panel).toBe('wiring');
    // Hints that were taken count, however often it is checked.
    expect(checked.draft.hintsTaken).toBe(1);
  });

  test('keeps what was said beforehand, whatever is said afterwards', () => {
    const state = after(
      { type: 'predict', prediction: ' it flashes twice ' },
      { type: 'check', what: 'this', record: 'readable' },
      { type: 'predict', prediction: 'it stays dark' },
    );
    expect(state.foretold).toBe('it flashes twice');
    expect(state.draft.prediction).toBe('it stays dark');
  });

  test('is followed by its repair in the record, which can be taken back', () => {
    const state = after(typed('e5'), {
      type: 'take repair',
      edits: [{ move: 'D1.anode', from: 'B1.e5', to: 'B1.e9' }],
    });
    expect(placeOf(state, 'D1', 'anode')).toBe('e9');
    expect(placeOf(benchAfter(state, { type: 'undo' }), 'D1', 'anode')).toBe('e5');
  });
});

describe('a hand-in', () => {
  test('waits until it is settled', () => {
    const waiting = after({ type: 'hand in', handIn });
    expect(waiting.draft.pending).toEqual(handIn);
    expect(benchAfter(waiting, { type: 'hand-in settled' }).draft.pending).toBeUndefined();
  });
});

describe('a stage that is tried on the way', () => {
  const trying: BenchAction = { type: 'try stage', stage: 'the button alone' };

  test('leaves the record as it is, and what was checked before behind', () => {
    const before = after(
      typed('e5'),
      { type: 'check', what: 'x', record: 'readable' },
      { type: 'take hint' },
    );
    const state = benchAfter(before, trying);
    expect(state.draft).toBe(before.draft);
    expect(state).toMatchObject({ stage: 'the button alone', checked: undefined, hintLevel: 0 });
    expect(benchAfter(state, { type: 'try stage', stage: undefined }).stage).toBeUndefined();
  });

  test('is ticked off once, and undo leaves the tick', () => {
    const works: BenchAction = { type: 'stage works', stage: 'the button alone' };
    const state = after(typed('e5'), trying, works, works, { type: 'undo' });
    expect(state.draft.stagesDone).toEqual(['the button alone']);
  });
});

describe('what was kept', () => {
  test('takes the place of an empty bench, and cannot be undone', () => {
    const draft = after(typed('e5')).draft;
    const state = after({ type: 'load', here: { draft } });
    expect(state.isLoaded).toBe(true);
    expect(benchAfter(state, { type: 'undo' }).draft).toEqual(draft);
  });

  test('of nothing leaves what is there', () => {
    expect(after(typed('e5'), { type: 'load' }).draft).toEqual(after(typed('e5')).draft);
  });
});
