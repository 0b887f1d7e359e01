import { describe, expect, test } from 'vitest';
import { shippedBoards } from '@/core/boards';
import { pointName } from '@/core/brand';
import { DEFAULT_HOUSE_RULES } from '@/core/course/house-rules';
import { courseExercises } from '@/core/testing/course';
import { readWiring } from '@/core/wiring/read';
import { readOutAtOnce } from '@/core/worksheet/read-out';
import { readOut } from '@/core/worksheet/read-out-in-full';
import { sheetOf, type Sheet } from '@/core/worksheet/sheet';
import { NO_PROOF } from '@/core/worksheet/prove';
import { sourceOf } from './derived';
import { createWorksheet } from './useWorksheet';
import { worksheetAfter, worksheetOf, type WorksheetAction, type WorksheetState } from './worksheet-state';

const given = {
  exerciseId: 'x',
  courseRules: DEFAULT_HOUSE_RULES,
  boards: [...shippedBoards.values()],
  mayEdit: true,
  isPublished: false,
};

function sheetNamed(id: string): Sheet {
  const { exercise } = courseExercises.find(({ name }) => name === id)!;
  const sheet = sheetOf(exercise.data, DEFAULT_HOUSE_RULES);
  if (!sheet.ok) throw new Error(sheet.problems[0]!.message);
  return sheet.value;
}

function worksheet(id: string, other: Partial<typeof given> = {}): WorksheetState {
  const sheet = sheetNamed(id);
  const first = readOut(sheet, DEFAULT_HOUSE_RULES);
  if (!first.ok) throw new Error(first.problems[0]!.message);
  return worksheetOf({
    given: { ...given, ...other },
    sheet: first.value.sheet,
    version: 1,
    readOut: first.value,
    proof: NO_PROOF,
  });
}

const after = (state: WorksheetState, ...actions: readonly WorksheetAction[]): WorksheetState =>
  actions.reduce(worksheetAfter, state);

/** The answer that the Worksheet's worker gives to what is written. */
function workedOut(state: WorksheetState): WorksheetState {
  const answer = readOutAtOnce(state.sync.sheet, DEFAULT_HOUSE_RULES);
  if (answer) return after(state, { type: 'worked out', depth: 'while typing', ...answer });
  const full = readOut(state.sync.sheet, DEFAULT_HOUSE_RULES);
  if (!full.ok) throw new Error(full.problems[0]!.message);
  return after(state, { type: 'worked out', depth: 'in full', readOut: full.value, circuit: undefined });
}

const rewritten = (state: WorksheetState, index: number, is: string): WorksheetAction => {
  const line = state.sync.sheet.lines[index]!;
  return { type: 'write', changes: [{ type: 'line', id: line.id, was: line.text, is, after: null }] };
};

describe('a Worksheet', () => {
  test.each(courseExercises.filter(({ name }) => !name.includes(',')).map(({ name }) => name))(
    'of %s shows what is written from the beginning',
    (id) => {
      const { derived, readOut: shown } = worksheet(id);
      expect(derived.isShown).toBe(true);
      expect(derived.context).toBeDefined();
      expect(derived.wiring === undefined).toBe(shown.sheet.layout === undefined);
      expect(derived.source).toBe(sourceOf(shown.sheet));
    },
  );

  test('shows what is written again when it has been worked out', () => {
    const written = after(worksheet('beacon'), rewritten(worksheet('beacon'), 0, 'red LED on 9 with 470'));
    expect(written.derived.isShown).toBe(false);
    const now = workedOut(written);
    expect(now.derived.isShown).toBe(true);
    expect(now.derived.taken().get('9')).toBeDefined();
    expect(now.answers).toBe(1);
  });

  test('takes over what nothing has changed, so that who shows it need not be drawn again', () => {
    const before = worksheet('night-bell');
    const titled = after(before, { type: 'set', fields: { title: 'Another bell' } });
    for (const key of ['context', 'circuit', 'taken', 'wiring', 'atRest'] as const)
      expect(titled.derived[key], key).toBe(before.derived[key]);
    expect(after(before, { type: 'point at', refs: ['D1'] }).derived).toBe(before.derived);
  });

  test('of somebody who only looks is not changed by anything that changes it', () => {
    const before = worksheet('beacon', { mayEdit: false });
    const chosen = after(before, { type: 'next part', by: 1 });
    const tries: readonly WorksheetAction[] = [
      rewritten(before, 0, 'red LED on 9'),
      { type: 'set', fields: { title: 'Mine' } },
      { type: 'hold' },
      { type: 'nudge', by: { rows: 1, columns: 0 } },
      { type: 'move pin', from: '13', to: '9' },
      { type: 'undo' },
    ];
    for (const action of tries) expect(after(chosen, action).sync, action.type).toBe(before.sync);
  });
});

describe('a pin that is moved', () => {
  test('is moved in the lines, and says why when nothing is on it', () => {
    const moved = after(worksheet('beacon'), { type: 'move pin', from: '13', to: '9' });
    expect(moved.sync.sheet.lines.some(({ text }) => /\b9\b/.test(text))).toBe(true);
    const refused = after(moved, { type: 'move pin', from: '13', to: '8' });
    expect(refused.refusal).toEqual({ at: 'connections', message: 'no line puts anything on 13' });
    expect(after(refused, { type: 'move pin', from: '9', to: '8' }).refusal).toBeUndefined();
  });

  test('and a leg that is joined elsewhere at once, before the first has been worked out, are both kept', () => {
    const state = after(
      worksheet('beacon'),
      { type: 'move pin', from: '13', to: '9' },
      { type: 'join leg', leg: pointName('D1.cathode'), target: null },
    );
    expect(state.refusal).toBeUndefined();
    const { nets } = workedOut(state).sync.sheet;
    const netOf = (point: string) => nets.find(({ points }) => points.some((one) => one === point));
    expect(netOf('D1.cathode')).toBeUndefined();
    expect(netOf('U1.9')).toBeDefined();
    expect(netOf('U1.13')).toBeUndefined();
  });
});

describe('a part on the drawing', () => {
  const chosen = after(worksheet('beacon'), { type: 'choose', chosen: { ref: 'D1', leg: null } });

  test('is moved and held by a step, and both are undone as one', () => {
    const moved = after(chosen, { type: 'nudge', by: { rows: 1, columns: 0 } });
    expect(moved.sync.sheet.layout).not.toBe(chosen.sync.sheet.layout);
    expect(moved.sync.sheet.held).toEqual(['D1']);
    const back = after(moved, { type: 'undo' });
    expect(back.sync.sheet.layout).toBe(chosen.sync.sheet.layout);
    expect(back.sync.sheet.held ?? []).toEqual([]);
  });

  test('that cannot go further says so there, until something else is done', () => {
    const far = Array.from({ length: 80 }, (): WorksheetAction => ({
      type: 'nudge',
      by: { rows: -1, columns: 0 },
    }));
    const refused = after(chosen, ...far);
    expect(refused.refusal?.at).toBe('drawing');
    expect(after(refused, { type: 'next part', by: 1 }).refusal).toBeUndefined();
  });

  test('is held, and let go again', () => {
    const held = after(chosen, { type: 'hold' });
    expect(held.sync.sheet.held).toEqual(['D1']);
    expect(after(held, { type: 'hold' }).sync.sheet.held).toEqual([]);
  });
});

describe('a line that is finished', () => {
  const other = (state: WorksheetState) =>
    workedOut(after(state, rewritten(state, 0, 'red LED on 9 with 470')));

  test('has the circuit laid out afresh when it has changed, once', () => {
    const state = other(worksheet('beacon'));
    const finished = after(state, { type: 'finish line' });
    expect(finished.layoutsAnew).toBe(1);
    expect(after(finished, { type: 'finish line' }).layoutsAnew).toBe(1);
  });

  test('leaves a layout alone that somebody has put a hand in, or a class has seen', () => {
    const seen = other(worksheet('beacon', { isPublished: true }));
    expect(after(seen, { type: 'finish line' }).layoutsAnew).toBe(0);
    const held = other(after(worksheet('beacon'), { type: 'set', fields: { held: ['D1'] } }));
    expect(after(held, { type: 'finish line' }).layoutsAnew).toBe(0);
  });
});

describe('what the server says', () => {
  test('of changes that were sent makes them kept, and of others’ leaves those that wait', () => {
    const written = after(worksheet('beacon'), { type: 'set', fields: { title: 'Mine' } }, { type: 'sent' });
    expect(written.keeping).toEqual({ state: 'saving' });
    const kept = after(written, { type: 'heard', news: { version: 2, edits: [], overtaken: [] } });
    expect(kept.keeping).toEqual({ state: 'saved' });
    expect(kept.sync.unsent).toEqual([]);
    const more = after(kept, { type: 'set', fields: { aim: 'To see it.' } });
    const news = after(more, { type: 'heard', news: { version: 3, edits: [] } });
    expect(news.sync.unsent).toHaveLength(1);
  });

  test('when it refuses keeps what was written, with the reason', () => {
    const refused = after(
      worksheet('beacon'),
      { type: 'set', fields: { title: 'Mine' } },
      { type: 'sent' },
      { type: 'not sent', keeping: { state: 'refused', message: 'No.' } },
    );
    expect(refused.sync.sheet.title).toBe('Mine');
    expect(refused.sync.sending).toBe(0);
    expect(refused.keeping).toEqual({ state: 'refused', message: 'No.' });
  });
});

describe('a wiring table that is taken in', () => {
  test('becomes lines, and undo brings the old ones back', () => {
    const before = worksheet('beacon');
    const read = readWiring(worksheet('leading-lights').sync.sheet.layout!);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const taken = after(before, { type: 'take table', wiring: read.value });
    expect(taken.refusal).toBeUndefined();
    expect(taken.sync.sheet.lines.length).toBeGreaterThan(before.sync.sheet.lines.length);
    expect(after(taken, { type: 'undo' }).sync.sheet.lines.map(({ text }) => text)).toEqual(
      before.sync.sheet.lines.map(({ text }) => text),
    );
  });
});

describe('a proposal', () => {
  const scenario = { name: 'S1 held', for: 5, stimuli: [], expect: [{ lamp: 'D1', is: 'on' as const }] };

  test('that is right becomes a scenario; any other mark is kept, changed and taken away', () => {
    const before = worksheet('night-bell');
    const wrong = after(before, { type: 'mark', scenario, mark: 'wrong' });
    expect(wrong.sync.sheet.considered).toEqual([{ mark: 'wrong', scenario }]);
    const right = after(wrong, { type: 'mark', scenario, mark: 'right' });
    expect(right.sync.sheet.considered).toEqual([]);
    expect(right.sync.sheet.scenarios.at(-1)).toEqual(scenario);
    expect(after(wrong, { type: 'mark', scenario, mark: undefined }).sync.sheet.considered).toEqual([]);
  });
});

describe('an open Worksheet', () => {
  test('tells its views once of a letter and of what was worked out of it', () => {
    const begun = worksheet('beacon');
    const store = createWorksheet({
      given,
      sheet: begun.sync.sheet,
      version: 1,
      readOut: begun.readOut,
      proof: NO_PROOF,
    });
    store.answerBy(({ sync, derived }) => {
      const answer = derived.isShown ? undefined : readOutAtOnce(sync.sheet, DEFAULT_HOUSE_RULES);
      return answer && { type: 'worked out', depth: 'while typing', ...answer };
    });
    const told: boolean[] = [];
    store.subscribe(({ derived }) => told.push(derived.isShown));
    const line = begun.sync.sheet.lines.findIndex(({ text }) => /LED/.test(text));
    const { text } = begun.sync.sheet.lines[line]!;
    store.dispatch(rewritten(begun, line, text.replace('330', '470')));
    expect(store.getState().sync.sheet.lines[line]!.text).not.toBe(text);
    expect(told).toEqual([true]);
    store.answerBy(undefined);
    store.dispatch(rewritten(store.getState(), line, text));
    expect(told).toEqual([true, false]);
  });
});

describe('a node', () => {
  test('is traced from any point on it, and no longer when it is traced again', () => {
    const before = worksheet('beacon');
    const point = before.readOut.figures!.connections.find((one) => one.point)!.point!;
    const traced = after(before, { type: 'trace', point });
    expect(traced.followed).toBeDefined();
    expect(after(traced, { type: 'trace', point }).followed).toBeUndefined();
    expect(after(traced, { type: 'let go' }).followed).toBeUndefined();
  });
});
