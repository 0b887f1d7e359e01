import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Change } from '@/core/worksheet/change';
import {
  addExercise,
  addLesson,
  arrange,
  findCourse,
  removeExercise,
  renameByPattern,
  revisionsOf,
  setRule,
} from '../courses/courses';
import { keepBoard, knownBoards } from '../courses/boards';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { share } from '../sharing';
import { draftsOf, editsSince, findDraft, saveChanges } from './drafts';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const title = (was: string, is: string): Change => ({ type: 'field', field: 'title', was, is });

async function save(changes: readonly Change[], base = 0, viewer = harbour.teacher) {
  return saveChanges(harbour.db, harbour.guarded, viewer, harbour.exerciseId, {
    base,
    changes: [...changes],
  });
}
const courseId = async (): Promise<string> => (await findDraft(harbour.db, harbour.exerciseId))!.courseId;

describe('a draft', () => {
  test('takes changes, counts its version, and settles its circuit', async () => {
    const draft = (await findDraft(harbour.db, harbour.exerciseId))!;
    expect(draft.sheet.lines.map(({ text }) => text)).toEqual(['amber LED on 13 (2-13) with 330']);
    const { id, text } = draft.sheet.lines[0]!;
    const saved = await save([{ type: 'line', id, was: text, is: 'amber lamp on 12 with 330', after: null }]);
    expect(saved).toMatchObject({ version: 1, edits: [], overtaken: [] });
    const after = (await findDraft(harbour.db, harbour.exerciseId))!;
    expect(after.sheet.nets.flatMap(({ points }) => points)).toContain('U1.12');
    expect(after.sheet.layout).toContain('U1.12');
    expect(after.sheet.lines[0]!.refs).toEqual(['D1', 'R1']);
  });

  test('leaves what someone else has changed meanwhile, and returns both texts', async () => {
    const { otherTeacher } = harbour;
    await share(harbour.db, 'course', harbour.teacher, await courseId(), {
      staffId: otherTeacher.id,
      may: 'edit',
    });
    await save([title('Beacon', 'Harbour beacon')]);
    const saved = await save(
      [title('Beacon', 'My beacon'), { type: 'field', field: 'aim', was: undefined, is: 'x' }],
      0,
      harbour.otherTeacher,
    );
    expect(saved).toMatchObject({ edits: [{ version: 1, author: 'ina' }] });
    expect('overtaken' in saved && saved.overtaken!.map(({ present, by }) => [present, by])).toContainEqual([
      'Harbour beacon',
      'ina',
    ]);
    expect((await findDraft(harbour.db, harbour.exerciseId))!.sheet.title).toBe('Harbour beacon');
    expect(await editsSince(harbour.db, harbour.exerciseId, 0)).not.toHaveLength(0);
  });

  test('refuses what cannot be an exercise, with its place, and stays as it was', async () => {
    expect(await save([title('Beacon', '')])).toMatchObject({
      status: 422,
      message: expect.stringContaining('title') as string,
    });
    expect(
      await save([{ type: 'field', field: 'board', was: 'learner-5v', is: 'no-such-board' }]),
    ).toMatchObject({ status: 422 });
    expect((await findDraft(harbour.db, harbour.exerciseId))!.version).toBe(0);
  });

  test('may lack what its scenarios name; it is kept, and only publishing waits', async () => {
    const draft = (await findDraft(harbour.db, harbour.exerciseId))!;
    const { id, text } = draft.sheet.lines[0]!;
    await save([{ type: 'line', id, was: text, is: null, after: null }]);
    expect((await findDraft(harbour.db, harbour.exerciseId))!.sheet.lines).toEqual([]);
  });

  test('is not found by an id that is none', async () => {
    expect(await findDraft(harbour.db, 'x')).toBeUndefined();
    expect(
      await saveChanges(harbour.db, harbour.guarded, harbour.teacher, 'x', {
        base: 0,
        changes: [title('a', 'b')],
      }),
    ).toMatchObject({ status: 404 });
  });
});

describe('a course', () => {
  test('takes new exercises: empty, as a copy, and on the wiring of another', async () => {
    const id = await courseId();
    const empty = await addExercise(harbour.db, id, 'Beacon', { from: 'nothing', board: 'learner-5v' });
    const copy = await addExercise(harbour.db, id, 'Second beacon', {
      from: 'copy',
      exerciseId: harbour.exerciseId,
    });
    const next = await addExercise(harbour.db, id, 'Next', {
      from: 'hookup',
      exerciseId: harbour.exerciseId,
    });
    const [first, second, third] = await Promise.all(
      [empty, copy, next].map((one) => findDraft(harbour.db, one!)),
    );
    expect(first!.sheet).toMatchObject({ id: 'beacon-2', lines: [] });
    expect(second!.sheet.program).not.toBe('');
    expect(third!.sheet).toMatchObject({ program: '', basedOn: { title: 'Beacon' } });
    expect(third!.sheet.concepts.uses).toContain('output-pin');
    expect(await addExercise(harbour.db, id, 'x', { from: 'copy', exerciseId: id })).toBeUndefined();
  });

  test('is put in order, renamed, and lets go only of what was never published', async () => {
    const id = await courseId();
    const other = (await addExercise(harbour.db, id, 'Other', { from: 'nothing', board: 'learner-5v' }))!;
    await arrange(harbour.db, id, [{ exerciseId: other, lessonId: null }]);
    expect((await draftsOf(harbour.db, id)).map(({ sheet }) => sheet.title)).toEqual(['Other', 'Beacon']);
    expect(await renameByPattern(harbour.db, id, '{n}. {title}')).toBe(2);
    expect((await draftsOf(harbour.db, id)).map(({ sheet }) => sheet.title)).toEqual([
      '1. Other',
      '2. Beacon',
    ]);
    expect(await removeExercise(harbour.db, harbour.teacher, id, harbour.exerciseId)).toContain(
      'has been published',
    );
    expect(await removeExercise(harbour.db, harbour.teacher, id, other)).toBeUndefined();
    expect(await draftsOf(harbour.db, id)).toHaveLength(1);
  });

  test('has house rules that drafts follow where their lines leave them open', async () => {
    const id = await courseId();
    const bell = (await addExercise(harbour.db, id, 'Bell', { from: 'nothing', board: 'learner-5v' }))!;
    await saveChanges(harbour.db, harbour.guarded, harbour.teacher, bell, {
      base: 0,
      changes: [{ type: 'line', id: 'a', was: null, is: 'button on 2', after: null }],
    });
    expect(
      await setRule(harbour.db, harbour.guarded, harbour.teacher, id, 'buttonInput', 'pull-down'),
    ).toBeUndefined();
    expect((await findCourse(harbour.db, id))!.rules.buttonInput).toBe('pull-down');
    expect((await findDraft(harbour.db, bell))!.sheet.parts.map(({ ref }) => ref)).toContain('R1');
    expect((await findDraft(harbour.db, bell))!.sheet.lines[0]!.text).toBe('button on 2');
    expect(await setRule(harbour.db, harbour.guarded, harbour.teacher, id, 'buttonInput', 'glue')).toContain(
      'no such house rule',
    );
    await setRule(harbour.db, harbour.guarded, harbour.teacher, id, 'buttonInput', null);
    expect((await findDraft(harbour.db, bell))!.sheet.parts.map(({ ref }) => ref)).not.toContain('R1');
  });

  test('of which one draft is damaged has all the others', async () => {
    const id = await courseId();
    await addExercise(harbour.db, id, 'Other', { from: 'nothing', board: 'learner-5v' });
    await harbour.db('exercise').where({ id: harbour.exerciseId }).update({ draft: '{"format": "none"}' });
    expect((await draftsOf(harbour.db, id)).map(({ sheet }) => sheet.title)).toEqual(['Other']);
  });

  test('takes lessons and exercises from two at once, each in its own place', async () => {
    const id = await courseId();
    const titles = ['a', 'b', 'c', 'd'];
    await Promise.all(titles.map((title) => addLesson(harbour.db, id, title)));
    await Promise.all(
      titles.map((title) => addExercise(harbour.db, id, title, { from: 'nothing', board: 'learner-5v' })),
    );
    for (const table of ['lesson', 'exercise']) {
      const positions = await harbour.db(table).where({ course_id: id }).pluck<number[]>('position');
      expect(new Set(positions).size, table).toBe(positions.length);
    }
  });

  test('lists what was published, and for whom', async () => {
    expect(await revisionsOf(harbour.db, harbour.exerciseId)).toMatchObject([
      { number: 1, by: 'ina', classes: ['One'] },
    ]);
  });
});

describe('boards', () => {
  test('that users make are checked, kept beside those that ship, and never in their place', async () => {
    const [shipped] = await knownBoards(harbour.db, harbour.teacher);
    const copy = { ...shipped!.profile, id: 'mine', short: 'mine' };
    expect(await keepBoard(harbour.db, harbour.teacher, JSON.stringify(copy))).toEqual({ id: 'mine' });
    expect(
      (await knownBoards(harbour.db, harbour.teacher)).map(({ profile, isOwn }) => `${profile.id} ${isOwn}`),
    ).toContain('mine true');
    const wrong = await keepBoard(harbour.db, harbour.teacher, JSON.stringify({ ...copy, pins: [] }));
    expect('problems' in wrong && wrong.problems[0]!.path).toContain('pins');
    expect(await keepBoard(harbour.db, harbour.teacher, JSON.stringify(shipped!.profile))).toMatchObject({
      problems: [{ path: 'id' }],
    });
  });
});
