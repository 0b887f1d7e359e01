import { describe, expect, test } from 'vitest';
import { emptyExercise } from '@/core/course/new-exercise';
import type { Change } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { changed, heard, notSent, sent, settledClash, startOf, steppedBack } from './sync';

const sheet: Sheet = {
  ...emptyExercise('test', 'Test', 'learner-5v'),
  lines: [
    { id: 'a', text: 'red lamp on 12', refs: [] },
    { id: 'b', text: 'knob on A0', refs: [] },
  ],
};
const write = (id: string, was: string | null, is: string | null): Change => ({
  type: 'line',
  id,
  was,
  is,
  after: null,
});
const texts = (state: { sheet: Sheet }): readonly string[] => state.sheet.lines.map(({ text }) => text);

describe('what one writes', () => {
  test('waits as one change and is undone as one, however many letters it had', () => {
    let state = startOf(sheet, 3);
    for (const is of ['r', 're', 'red']) state = changed(state, [write('c', null, is)], 'joins');
    expect(state.unsent).toEqual([write('c', null, 'red')]);
    const back = steppedBack(state, 'undo');
    expect(texts(back)).toEqual(['red lamp on 12', 'knob on A0']);
    expect(texts(steppedBack(back, 'redo'))).toEqual(['red', 'red lamp on 12', 'knob on A0']);
  });

  test('is sent once; what comes while it is on its way waits behind it', () => {
    let state = sent(changed(startOf(sheet, 3), [write('a', 'red lamp on 12', 'red lamp on 1')], 'joins'));
    state = changed(state, [write('a', 'red lamp on 1', 'red lamp on 11')], 'joins');
    expect(state.unsent).toHaveLength(2);
    const done = heard(state, { version: 4, edits: [], overtaken: [] });
    expect(done.unsent).toEqual([write('a', 'red lamp on 1', 'red lamp on 11')]);
    expect(notSent(state).unsent).toHaveLength(2);
  });
});

describe('what others write', () => {
  const theirs = (change: Change) => ({
    version: 4,
    edits: [{ version: 4, author: 'Teun', authorId: 't', at: '', changes: [change] }],
  });

  test('comes in beside one’s own', () => {
    const state = changed(startOf(sheet, 3), [write('a', 'red lamp on 12', 'red lamp on 11')], 'joins');
    const both = heard(state, theirs(write('b', 'knob on A0', 'knob on A1')));
    expect(texts(both)).toEqual(['red lamp on 11', 'knob on A1']);
    expect(both.lastOther?.author).toBe('Teun');
    expect(texts(heard(both, theirs(write('b', 'knob on A0', 'knob on A5'))))).toEqual(texts(both));
  });

  test('at the same place shows, and one’s own text is kept to be put in after all', () => {
    const own = write('a', 'red lamp on 12', 'red lamp on 11');
    const state = sent(changed(startOf(sheet, 3), [own], 'joins'));
    const clashed = heard(state, {
      ...theirs(write('a', 'red lamp on 12', 'red lamp on 10')),
      overtaken: [{ change: own, present: 'red lamp on 10', by: 'Teun' }],
    });
    expect(texts(clashed)[0]).toBe('red lamp on 10');
    expect(clashed.clashes).toHaveLength(1);
    const mine = settledClash(clashed, clashed.clashes[0]!, 'mine');
    expect(texts(mine)[0]).toBe('red lamp on 11');
    expect(mine.unsent).toEqual([write('a', 'red lamp on 10', 'red lamp on 11')]);
    expect(texts(settledClash(clashed, clashed.clashes[0]!, 'theirs'))[0]).toBe('red lamp on 10');
  });
});
