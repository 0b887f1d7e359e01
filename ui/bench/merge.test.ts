import fc, { type Arbitrary } from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Draft, DraftPart } from '@/core/messages/bench-draft';
import { benchAfter, benchOf, type BenchAction, type BenchState } from './bench-state';
import { mergedDrafts, nextFreeName, sameDraft, unbegun } from './merge';

const wire = (ref: string, one = '', other = '', value = 'red'): DraftPart => ({
  ref,
  kind: 'wire',
  value,
  at: { '1': one, '2': other },
});
const draft = (parts: readonly DraftPart[], more: Partial<Draft> = {}): Draft => ({
  version: 1,
  parts,
  program: 'given',
  hintsTaken: 0,
  ...more,
});
const base = draft([wire('W1'), wire('W2'), { ref: 'D1', kind: 'led', value: 'red', at: {} }]);

describe('two drafts of one bench', () => {
  test('are joined leg by leg, also within one part', () => {
    const mine = draft([wire('W1', '13'), wire('W2'), base.parts[2]!]);
    const theirs = draft([wire('W1', '', 'a5'), wire('W2', 'GND', 'a-1'), base.parts[2]!]);
    const merged = mergedDrafts(base, mine, theirs);
    expect(merged.draft.parts.slice(0, 2)).toEqual([wire('W1', '13', 'a5'), wire('W2', 'GND', 'a-1')]);
    expect(merged.taken).toEqual(['W1', 'W2']);
    expect(merged.differences).toEqual([]);
  });

  test('that differ in one end keep the end that is here, and tell both', () => {
    const led = (place: string): DraftPart => ({
      ref: 'D1',
      kind: 'led',
      value: 'red',
      at: { anode: place },
    });
    const merged = mergedDrafts(base, draft([led('e5')]), draft([led('e6')]));
    expect(merged.draft.parts.find(({ ref }) => ref === 'D1')!.at['anode']).toBe('e5');
    expect(merged.differences).toEqual([{ what: 'long leg of D1', here: 'e5', there: 'e6' }]);
  });

  test('keep a part that one took out while the other went on with it', () => {
    const merged = mergedDrafts(base, draft([wire('W1', '13')]), draft([wire('W2', 'GND')]));
    expect(merged.draft.parts).toEqual([wire('W1', '13'), wire('W2', 'GND')]);
  });

  test('have both wires where each added one by the same name', () => {
    const mine = draft([...base.parts, wire('W3', 'a1', 'a2')]);
    const theirs = draft([...base.parts, wire('W3', 'b1', 'b2')]);
    const merged = mergedDrafts(base, mine, theirs).draft.parts;
    expect(merged.filter(({ kind }) => kind === 'wire').map(({ at }) => at['1'])).toEqual([
      '',
      '',
      'b1',
      'a1',
    ]);
    expect(new Set(merged.map(({ ref }) => ref)).size).toBe(merged.length);
  });

  test('never lose a program: the one here stays, the other is put aside', () => {
    const merged = mergedDrafts(base, draft([], { program: 'mine' }), draft([], { program: 'theirs' }));
    expect(merged.draft).toMatchObject({ program: 'mine', aside: 'theirs' });
    expect(mergedDrafts(base, draft([]), draft([], { program: 'theirs' })).draft).toMatchObject({
      program: 'theirs',
      aside: undefined,
    });
  });

  test('of which nothing in common is known are joined from an empty bench', () => {
    const mine = draft([wire('W1', '13'), wire('W2')]);
    const theirs = draft([wire('W1', '', 'a5'), wire('W2', 'GND')], { program: 'theirs' });
    const merged = mergedDrafts(unbegun(theirs), mine, theirs).draft;
    expect(merged.parts).toEqual([wire('W1', '13', 'a5'), wire('W2', 'GND')]);
    expect(merged).toMatchObject({ program: 'given', aside: 'theirs' });
  });

  test('have tried what either has tried', () => {
    const [one, other] = [draft([], { stagesDone: ['a'] }), draft([], { stagesDone: ['b'] })];
    expect(mergedDrafts(base, one, other).draft.stagesDone).toEqual(['a', 'b']);
    expect(sameDraft(mergedDrafts(base, one, other).draft, mergedDrafts(base, other, one).draft)).toBe(true);
    expect(mergedDrafts(base, draft([]), draft([])).draft.stagesDone).toBeUndefined();
  });

  test('count the hints of both', () => {
    const [one, other] = [draft([], { hintsTaken: 2 }), draft([], { hintsTaken: 1 })];
    expect(mergedDrafts(base, one, other).draft.hintsTaken).toBe(3);
  });
});

const refs = ['W1', 'W2', 'D1'];
const action: Arbitrary<BenchAction> = fc.oneof(
  fc.record({
    type: fc.constant('type place' as const),
    leg: fc.constantFrom(
      { ref: 'W1', leg: '1' },
      { ref: 'W1', leg: '2' },
      { ref: 'D1', leg: 'anode' },
      { ref: 'W3', leg: '1' },
    ),
    place: fc.constantFrom('e5', 'a7', '13', ''),
  }),
  fc.constantFrom(...refs).map((ref): BenchAction => ({ type: 'edit', edits: [{ remove: ref }] })),
  fc.constantFrom('red', 'green').map((value): BenchAction => ({ type: 'add part', kind: 'wire', value })),
  fc.string({ maxLength: 3 }).map((program): BenchAction => ({ type: 'write program', program })),
  fc.constantFrom<BenchAction>({ type: 'undo' }, { type: 'redo' }, { type: 'take hint' }),
);

/** Tablets and the server between them, which takes a draft only from who knows its version. */
function meeting(steps: readonly { readonly who: 0 | 1; readonly act: BenchAction | 'look' }[]): {
  readonly tablets: readonly [BenchState, BenchState];
  readonly written: ReadonlySet<string>;
} {
  let server = { version: 0, draft: base };
  const tablets: [BenchState, BenchState] = [benchOf(base), benchOf(base)];
  const written = new Set<string>();
  const look = (who: 0 | 1): void => {
    const state = tablets[who];
    const known = state.agreed?.version ?? 0;
    if (known < server.version) tablets[who] = benchAfter(state, { type: 'join', there: server });
    else if (!sameDraft(state.draft, state.agreed?.draft ?? base)) {
      server = { version: known + 1, draft: state.draft };
      tablets[who] = benchAfter(state, { type: 'agree', agreed: server });
    }
  };
  for (const { who, act } of steps) {
    if (act === 'look') look(who);
    else tablets[who] = benchAfter(tablets[who], act);
    if (act !== 'look' && act.type === 'write program') written.add(act.program);
  }
  for (let round = 0; round < 8; round += 1) ([0, 1] as const).forEach(look);
  return { tablets, written };
}

describe('two tablets of one learner', () => {
  const step = fc.record({
    who: fc.constantFrom(0 as const, 1 as const),
    act: fc.oneof({ weight: 3, arbitrary: action }, { weight: 1, arbitrary: fc.constant('look' as const) }),
  });

  test('come to the same bench, whatever is done on them in whatever order', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const [one, other] = meeting(steps).tablets;
        expect(sameDraft(one.draft, other.draft)).toBe(true);
        const names = one.draft.parts.map(({ ref }) => ref);
        expect(new Set(names).size).toBe(names.length);
      }),
    );
  });

  test('lose nothing that one of them did alone', () => {
    const typed = (who: 0 | 1, ref: string, place: string) => ({
      who,
      act: { type: 'type place', leg: { ref, leg: '1' }, place } as BenchAction,
    });
    fc.assert(
      fc.property(
        fc.array(step, { maxLength: 12 }).map((steps) => steps.filter(({ act }) => act === 'look')),
        (looks) => {
          const [one, other] = meeting([
            typed(0, 'W1', 'a1'),
            ...looks,
            typed(1, 'W2', 'b2'),
            ...looks,
            { who: 0, act: { type: 'write program', program: 'mine' } },
          ]).tablets;
          for (const { draft: joined } of [one, other]) {
            expect(joined.parts.map(({ at }) => at['1'])).toEqual(expect.arrayContaining(['a1', 'b2']));
            expect(joined.program).toBe('mine');
          }
        },
      ),
    );
  });

  test('say what came in until it is read, however often more comes in', () => {
    const place = (ref: string, at: string): BenchAction => ({
      type: 'type place',
      leg: { ref, leg: '1' },
      place: at,
    });
    const typed = (...places: readonly (readonly [string, string])[]) =>
      places.reduce((bench, [ref, at]) => benchAfter(bench, place(ref, at)), benchOf(base)).draft;
    const mine = benchAfter(benchOf(base), place('W1', 'a1'));
    const first = benchAfter(mine, { type: 'join', there: { version: 1, draft: typed(['W1', 'b9']) } });
    const second = benchAfter(first, {
      type: 'join',
      there: { version: 2, draft: typed(['W1', 'b9'], ['W2', 'b2']) },
    });
    expect(second.joined?.taken).toEqual(['W2']);
    expect(second.joined?.differences).toMatchObject([{ here: 'a1', there: 'b9' }]);
    const read = benchAfter(second, { type: 'read what joined' });
    expect(read.joined).toBeUndefined();
  });

  test('take back their own steps only', () => {
    const typed = (ref: string, place: string): BenchAction => ({
      type: 'type place',
      leg: { ref, leg: '1' },
      place,
    });
    const mine = benchAfter(benchOf(base), typed('W1', 'a1'));
    const theirs = benchAfter(benchOf(base), typed('W2', 'b2')).draft;
    const joined = benchAfter(mine, { type: 'join', there: { version: 1, draft: theirs } });
    const back = benchAfter(joined, { type: 'undo' });
    expect(back.draft.parts.map(({ at }) => at['1'] ?? '')).toEqual(['', 'b2', '']);
    expect(benchAfter(back, { type: 'redo' }).draft.parts.map(({ at }) => at['1'] ?? '')).toEqual([
      'a1',
      'b2',
      '',
    ]);
  });
});

test('the next free name of a kind is the lowest that no part has', () => {
  expect(nextFreeName([wire('W1'), wire('W3')], 'wire')).toBe('W2');
});
