import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { keepBoard, knownBoards, removeBoard } from './courses/boards';
import { courseList } from './courses/courses';
import { exerciseList, saveChanges } from './exercises/drafts';
import { publish } from './exercises/publishing';
import { mayWith, mayWithExercise, share, sharingOf } from './sharing';
import { buildHarbour, type Harbour } from './testing/harbour';
import { courseOfExercise } from './sharing';

let harbour: Harbour;
let courseId: string;
beforeEach(async () => {
  harbour = await buildHarbour();
  courseId = (await courseOfExercise(harbour.db, harbour.exerciseId))!;
});
afterEach(() => harbour.drop());

const may = (viewer = harbour.otherTeacher) => mayWith(harbour.db, 'course', viewer, courseId);
const change = (given: Parameters<typeof share>[4], viewer = harbour.teacher) =>
  share(harbour.db, 'course', viewer, courseId, given);
const retitle = () =>
  saveChanges(harbour.db, harbour.guarded, harbour.otherTeacher, harbour.exerciseId, {
    base: 0,
    changes: [{ type: 'field', field: 'title', was: 'Beacon', is: 'Mine' }],
  });

describe('a course', () => {
  test('is its owner’s; the others look, until the owner says otherwise', async () => {
    expect([await may(harbour.teacher), await may()]).toEqual(['own', 'look']);
    expect(await retitle()).toMatchObject({ status: 403 });
    expect(await change({ visibleTo: 'shared' })).toBe(true);
    expect(await may()).toBeUndefined();
    expect(await retitle()).toMatchObject({ status: 404 });
    expect(await courseList(harbour.db, harbour.otherTeacher)).toEqual([]);
    expect(await exerciseList(harbour.db, harbour.otherTeacher)).toEqual([]);
    expect(
      await publish(
        harbour.db,
        harbour.guarded,
        harbour.otherTeacher,
        harbour.exerciseId,
        harbour.otherTeacher.classIds[0]!,
      ),
    ).toMatchObject({ message: expect.stringContaining('no longer exists') });
    expect(await exerciseList(harbour.db, harbour.teacher)).toHaveLength(1);
  });

  test('is changed by whom it is shared with for that, and by nobody any more when it is taken back', async () => {
    await change({ staffId: harbour.otherTeacher.id, may: 'edit' });
    expect(await may()).toBe('edit');
    expect(await retitle()).toMatchObject({ version: 1 });
    await change({ staffId: harbour.otherTeacher.id, may: 'look' });
    expect(await may()).toBe('look');
    await change({ staffId: harbour.otherTeacher.id, may: null });
    expect(await mayWithExercise(harbour.db, harbour.otherTeacher, harbour.exerciseId, 'edit')).toBe(false);
    expect(await harbour.db('audit').where({ action: 'share-course' })).toHaveLength(3);
  });

  test('is shared by its owner only, and its sharing is shown to nobody else', async () => {
    await change({ staffId: harbour.otherTeacher.id, may: 'edit' });
    expect(await change({ visibleTo: 'shared' }, harbour.otherTeacher)).toBe(false);
    expect(await sharingOf(harbour.db, 'course', harbour.otherTeacher, courseId)).toBeUndefined();
    expect(await sharingOf(harbour.db, 'course', harbour.teacher, courseId)).toMatchObject({
      visibleTo: 'all',
      people: [{ name: 'olaf', may: 'edit' }],
    });
  });

  test('is no business of a learner', async () => {
    expect(await may(harbour.learner)).toBeUndefined();
  });
});

describe('a board', () => {
  test('is changed and taken away by its owner, and used by whom the owner lets', async () => {
    const { db, teacher, otherTeacher } = harbour;
    const [shipped] = await knownBoards(db, teacher);
    const text = (short: string) => JSON.stringify({ ...shipped!.profile, id: 'mine', short });
    await keepBoard(db, teacher, text('mine'));
    const seen = async (viewer = otherTeacher) =>
      (await knownBoards(db, viewer)).find(({ profile }) => profile.id === 'mine')?.made;
    expect(await seen()).toMatchObject({ may: 'look' });
    expect(await keepBoard(db, otherTeacher, text('theirs'))).toMatchObject({ problems: [{ path: 'id' }] });
    expect(await removeBoard(db, otherTeacher, 'mine')).toBe(false);
    const { id } = (await seen(teacher))!;
    await share(db, 'board', teacher, id, { staffId: otherTeacher.id, may: 'edit' });
    expect(await keepBoard(db, otherTeacher, text('ours'))).toEqual({ id: 'mine' });
    expect(await removeBoard(db, otherTeacher, 'mine')).toBe(false);
    await share(db, 'board', teacher, id, { staffId: otherTeacher.id, may: null });
    await share(db, 'board', teacher, id, { visibleTo: 'shared' });
    expect(await seen()).toBeUndefined();
    expect(await removeBoard(db, teacher, 'mine')).toBe(true);
  });
});
