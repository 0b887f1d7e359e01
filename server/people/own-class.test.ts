import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Knex } from 'knex';
import { NO_ROOM } from '@/core/course/bring-up';
import { otherPublications } from '../exercises/publications';
import { publishAsItIs } from '../exercises/publishing';
import { handIn } from '../submissions/hand-in';
import { findSubmission } from '../submissions/reports';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { tidyUp } from '../tidy';
import type { Viewer } from '../permissions';
import { Refused } from './accounts';
import {
  addMeetings,
  changeClass,
  keptClass,
  keptClasses,
  makeOwnClass,
  removeMeeting,
  renewCode,
  roomForBoards,
  setClassStaff,
} from './class-register';
import { addToRoster, moveLearner, renameLearner, rosterFor } from './roster';
import { openSession, viewerOf } from './sessions';
import { joinClass, rosterOf } from './sign-in';

let harbour: Harbour;
let db: Knex;
let teacher: Viewer;
let classId: string;
beforeEach(async () => {
  harbour = await buildHarbour();
  ({ db, teacher } = harbour);
  classId = teacher.classIds[0]!;
});
afterEach(() => harbour.drop());

const place = { address: 'here', device: 'tablet' };

describe('a class of one’s own', () => {
  test('is made with a code, is its maker’s, and nobody else’s to change', async () => {
    const id = await makeOwnClass(db, teacher, { name: 'Thursday', term: 'Spring' });
    const maker = (await viewerOf(db, (await openSession(db, { staffId: teacher.id })).token))!;
    const made = await keptClass(db, maker, id);
    expect(made).toMatchObject({ name: 'Thursday', term: 'Spring', state: 'open', learners: 0 });
    expect(made!.code).toMatch(/^[A-Z0-9]{6}$/);
    expect(await keptClass(db, harbour.otherTeacher, id)).toBeUndefined();
    expect(await changeClass(db, harbour.otherTeacher, id, { name: 'Mine' })).toBe(false);
    expect(await renewCode(db, harbour.otherTeacher, id)).toBeUndefined();
    expect(await addToRoster(db, harbour.otherTeacher, id, 'Eve')).toBeUndefined();
    expect(await keptClasses(db, maker)).toHaveLength(2);
  });

  test('has what boards need in its room, told to whoever gets one ready there', async () => {
    expect(await roomForBoards(db, classId)).toEqual(NO_ROOM);
    await changeClass(db, teacher, classId, { network: 'Quay boards' });
    await changeClass(db, teacher, classId, { password: 'Low tide 7' });
    expect(await changeClass(db, harbour.otherTeacher, classId, { network: 'Mine' })).toBe(false);
    const room = { packagesFrom: '', network: 'Quay boards', password: 'Low tide 7' };
    expect(await roomForBoards(db, classId)).toEqual(room);
    expect((await keptClass(db, teacher, classId))!.forBoards).toEqual(room);
    // Who did what says that it was changed, not to what.
    expect(JSON.stringify(await db('audit').select())).not.toContain('Low tide');
  });

  test('is for an assistant to see, not to change', async () => {
    const assistant: Viewer = { ...teacher, role: 'assistant' } as Viewer;
    expect(await keptClass(db, assistant, classId)).toBeDefined();
    expect(await changeClass(db, assistant, classId, { term: 'x' })).toBe(false);
    expect(await addToRoster(db, assistant, classId, 'Eve')).toBeUndefined();
  });

  test('with another code lets nobody in with the old one', async () => {
    const code = await renewCode(db, teacher, classId);
    expect(await rosterOf(db, 'QUAY1', 'here')).toMatchObject({ message: expect.stringContaining('QUAY1') });
    expect(await rosterOf(db, code!, 'here')).toMatchObject({ className: 'One' });
  });

  test.each(['closed', 'archived'] as const)(
    'that is %s signs its learners out and lets none in',
    async (state) => {
      const { learner } = harbour;
      const { token } = await openSession(db, { learnerId: learner.id });
      await changeClass(db, teacher, classId, { state });
      expect(await viewerOf(db, token)).toBeUndefined();
      expect(await rosterOf(db, 'QUAY1', 'here')).toEqual({ message: 'One is closed. Ask your instructor.' });
      const join = () => joinClass(db, { code: 'QUAY1', learnerId: learner.id, word: 'rudder', ...place });
      expect(await join()).toMatchObject({ ok: false });
      await changeClass(db, teacher, classId, { state: 'open' });
      await db('class')
        .where({ id: classId })
        .update({ joining_until: db.raw("now() + interval '1 hour'") });
      expect(await join()).toMatchObject({ ok: true });
    },
  );

  test('has meetings, and a learner’s session ends soon after the one that is on', async () => {
    const minutes = (count: number) => new Date(Date.now() + count * 60_000).toISOString();
    const on = { startsAt: minutes(-30), endsAt: minutes(30) };
    expect(
      await addMeetings(db, teacher, classId, [on, { startsAt: minutes(9000), endsAt: minutes(9060) }]),
    ).toBe(true);
    // The same again is there already.
    await addMeetings(db, teacher, classId, [on]);
    const { meetings } = (await keptClass(db, teacher, classId))!;
    expect(meetings.map(({ startsAt, endsAt }) => ({ startsAt, endsAt }))[0]).toEqual(on);
    expect(meetings).toHaveLength(2);
    const { expires } = await openSession(db, { learnerId: harbour.learner.id });
    expect(Math.abs(expires.getTime() - Date.parse(minutes(45)))).toBeLessThan(60_000);
    await removeMeeting(db, teacher, classId, meetings[0]!.id);
    const later = await openSession(db, { learnerId: harbour.learner.id });
    expect(later.expires.getTime()).toBeGreaterThan(Date.parse(minutes(300)));
  });

  test('keeps somebody who keeps it', async () => {
    const { otherTeacher } = harbour;
    await expect(setClassStaff(db, teacher, classId, teacher.id, 'no')).rejects.toThrow(Refused);
    await setClassStaff(db, teacher, classId, otherTeacher.id, 'yes');
    await setClassStaff(db, teacher, classId, teacher.id, 'no');
    expect(await db('class_staff').where({ class_id: classId }).pluck('staff_id')).toEqual([otherTeacher.id]);
  });
});

describe('a roster', () => {
  test('takes a list whole or not at all, and gives each a slip to join with', async () => {
    await expect(addToRoster(db, teacher, classId, 'Eve\n???')).rejects.toThrow('line 2');
    expect(await rosterFor(db, teacher, classId)).toHaveLength(1);
    const added = await addToRoster(db, teacher, classId, 'Name,Mail\nEve,e@x.example\nAnna,a@x.example');
    expect(added!.slips.map(({ name }) => name)).toEqual(['Eve']);
    expect(added!.notes).toEqual([
      'Only names are kept; left out: Mail.',
      'In the class already, and left as they are: Anna.',
    ]);
    await db('class').update({ joining_until: null });
    const eve = (await rosterFor(db, teacher, classId)).find(({ name }) => name === 'Eve')!;
    const slip = added!.slips[0]!.slip.toUpperCase().replace(' ', '-');
    expect(
      await joinClass(db, { code: 'QUAY1', learnerId: eve.id, word: 'rudder', slip, ...place }),
    ).toMatchObject({ ok: true });
    expect((await rosterFor(db, teacher, classId)).map(({ name, hasJoined }) => [name, hasJoined])).toEqual([
      ['Anna', false],
      ['Eve', true],
    ]);
  });

  test('read by two at once has nobody twice', async () => {
    await Promise.all(['Eve\nFay', 'Fay\nEve'].map((list) => addToRoster(db, teacher, classId, list)));
    expect((await rosterFor(db, teacher, classId)).map(({ name }) => name)).toEqual(['Anna', 'Eve', 'Fay']);
  });

  test('has no two of one name after a change, and takes no name that is none', async () => {
    await addToRoster(db, teacher, classId, 'Eve');
    const eve = (await rosterFor(db, teacher, classId)).find(({ name }) => name === 'Eve')!;
    await expect(renameLearner(db, teacher, eve.id, ' ANNA ')).rejects.toThrow('Somebody in the class');
    await expect(renameLearner(db, teacher, eve.id, 'x'.repeat(300))).rejects.toThrow('300');
    await expect(renameLearner(db, harbour.otherTeacher, eve.id, 'Eva')).rejects.toThrow(Refused);
    await renameLearner(db, teacher, eve.id, '\u202eEva');
    expect((await rosterFor(db, teacher, classId)).map(({ name }) => name)).toEqual(['Anna', 'Eva']);
  });

  test('gives a learner up to another class with all their work', async () => {
    const { learner, guarded } = harbour;
    const { submissionId } = (await handIn(db, guarded, learner, harbour.handedIn())) as {
      submissionId: string;
    };
    const second = await makeOwnClass(db, teacher, { name: 'Second', term: '' });
    const both = { ...teacher, classIds: [classId, second] } as Viewer;
    await expect(moveLearner(db, teacher, learner.id, second)).rejects.toThrow('not one of yours');
    await moveLearner(db, both, learner.id, second);
    const moved = (await viewerOf(db, (await openSession(db, { learnerId: learner.id })).token))!;
    expect(moved).toMatchObject({ classIds: [second], className: 'Second' });
    expect(await findSubmission(db, moved, submissionId)).toBeDefined();
    expect(await findSubmission(db, both, submissionId)).toBeDefined();
    // What was begun in the class before goes on in the new one.
    const published = await publishAsItIs(db, both, harbour.exerciseId, second);
    const { publicationId } = published as { publicationId: string };
    expect((await otherPublications(db, publicationId, learner.id)).map(({ id }) => id)).toEqual([
      harbour.publicationId,
    ]);
    expect(await otherPublications(db, publicationId, harbour.stranger.id)).toEqual([]);
  });
});

describe('what is over', () => {
  test('is erased when the class says so, its figures kept without a name', async () => {
    const { learner, guarded, publicationId } = harbour;
    await publishAsItIs(db, teacher, harbour.exerciseId, classId);
    await handIn(db, guarded, learner, harbour.handedIn());
    await harbour.judgeAll();
    const endedDaysAgo = (days: number) =>
      db('class')
        .where({ id: classId })
        .update({ ends_on: db.raw('current_date - ?::int', [days]) });
    await changeClass(db, teacher, classId, { keepDays: 30 });
    // A day long gone, mistyped perhaps: nothing goes before a week has passed.
    await endedDaysAgo(5000);
    await tidyUp(db);
    expect(await db('learner').where({ id: learner.id })).toHaveLength(1);
    const inAWeek = new Date(Date.now() + 7 * 86_400_000).toISOString().slice(0, 10);
    expect(await keptClass(db, teacher, classId)).toMatchObject({ keptUntil: inAWeek });
    await db('class').update({ rule_set_at: db.raw("now() - interval '60 days'") });
    await endedDaysAgo(30);
    await tidyUp(db);
    expect(await db('learner').where({ id: learner.id })).toHaveLength(1);
    await endedDaysAgo(31);
    await tidyUp(db);
    expect(await db('learner').where({ class_id: classId })).toEqual([]);
    expect(await db('submission')).toEqual([]);
    expect(await db('past_try')).toMatchObject([
      { publication_id: publicationId, attempt: 1, verdict: 'as-drawn' },
    ]);
    const [line] = await db('audit').where({ action: 'erase-learner' });
    expect(line).toMatchObject({ actor: 'retention rule', subject: learner.id });
  });

  test('of a class without a rule is nothing', async () => {
    await db('class').update({ ends_on: '2001-01-01' });
    await tidyUp(db);
    expect(await db('learner')).toHaveLength(2);
  });
});
