import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { exerciseList, findDraft } from './drafts';
import { classesOf, findOpening, findPublication, otherPublications, publicationsFor } from './publications';
import { bringBack, closePublication, publicationsOf, publish, setDates } from './publishing';
import { studentForm } from './student-form';
import { benchDraftAfter, benchDraftOf, keepBenchDraft } from '../submissions/bench-drafts';
import { handIn } from '../submissions/hand-in';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const retitle = (title: string) =>
  harbour
    .db('exercise')
    .where({ id: harbour.exerciseId })
    .update({ draft: harbour.db.raw(`jsonb_set(draft, '{title}', to_jsonb(?::text))`, [title]) });
const publishAgain = () =>
  publish(harbour.db, harbour.guarded, harbour.teacher, harbour.exerciseId, harbour.teacher.classIds[0]!);

describe('publishing', () => {
  test('the same draft twice is one revision, a changed one is a second', async () => {
    expect(await publishAgain()).toEqual({ publicationId: harbour.publicationId });
    await retitle('Beacon two');
    expect(await publishAgain()).not.toEqual({ publicationId: harbour.publicationId });
    expect(
      await harbour
        .db('revision')
        .where({ exercise_id: harbour.exerciseId })
        .orderBy('number')
        .pluck('number'),
    ).toEqual([1, 2]);
  });

  test('a changed draft closes the earlier publication, on which work goes on in the new one', async () => {
    const { db, learner, publicationId } = harbour;
    await keepBenchDraft(db, learner, publicationId, { content: '{"at": "the bench"}', basedOn: 0 });
    await retitle('Beacon two');
    const anew = await publishAgain();
    const id = 'publicationId' in anew ? anew.publicationId : '';
    expect(await findOpening(db, learner, publicationId)).toMatchObject({
      isOpen: false,
      isPublishedAnew: true,
    });
    expect(await findOpening(db, learner, id)).toMatchObject({ isOpen: true, isPublishedAnew: false });
    expect((await publicationsFor(db, learner)).map(({ title, isOpen }) => [title, isOpen])).toEqual([
      ['Beacon two', true],
    ]);
    const earlier = (await otherPublications(db, id, learner.id)).map((other) => other.id);
    expect(earlier).toEqual([publicationId]);
    expect(await benchDraftOf(db, learner.id, id, earlier)).toEqual({
      version: 0,
      content: '{"at": "the bench"}',
    });
    expect(await handIn(db, harbour.guarded, learner, harbour.handedIn())).toMatchObject({
      status: 409,
      message: expect.stringContaining('There is a new version'),
    });
  });

  test('leaves what is open as it was when the draft changes', async () => {
    await retitle('Changed');
    const publication = await findPublication(harbour.db, harbour.learner, harbour.publicationId);
    expect(publication!.exercise.data.title).toBe('Beacon');
    expect((await findDraft(harbour.db, harbour.exerciseId))!.sheet.title).toBe('Changed');
  });

  test('opens again what was closed', async () => {
    await closePublication(harbour.db, harbour.teacher, harbour.publicationId);
    expect((await findPublication(harbour.db, harbour.learner, harbour.publicationId))!.isOpen).toBe(false);
    await publishAgain();
    expect((await findPublication(harbour.db, harbour.learner, harbour.publicationId))!.isOpen).toBe(true);
  });

  test('at the same moment by two people is one revision', async () => {
    await retitle('Beacon two');
    const results = await Promise.all([publishAgain(), publishAgain(), publishAgain()]);
    expect(new Set(results.map((result) => JSON.stringify(result))).size).toBe(1);
    expect(await harbour.db('revision').count('* as count').first()).toEqual({ count: '2' });
  });

  test('is refused for a class of somebody else, and for an exercise that is gone or damaged', async () => {
    const { db, teacher, otherTeacher, exerciseId } = harbour;
    expect(await publish(db, harbour.guarded, teacher, exerciseId, otherTeacher.classIds[0]!)).toEqual({
      message: 'This is not one of your classes.',
    });
    expect(
      await publish(
        db,
        harbour.guarded,
        teacher,
        '00000000-0000-0000-0000-000000000000',
        teacher.classIds[0]!,
      ),
    ).toMatchObject({ message: expect.stringContaining('no longer exists') });
    await db('exercise')
      .where({ id: exerciseId })
      .update({ draft: db.raw(`jsonb_set(draft, '{board}', '"raft"')`) });
    expect(await publishAgain()).toMatchObject({
      message: expect.stringContaining('“raft” is no known board'),
    });
  });

  test('is closed only by those who teach the class', async () => {
    expect(await closePublication(harbour.db, harbour.otherTeacher, harbour.publicationId)).toBe(false);
    expect(await closePublication(harbour.db, harbour.teacher, harbour.publicationId)).toBe(true);
    expect(await harbour.db('audit').where({ action: 'close-exercise' })).toHaveLength(1);
  });
});

const HOUR = 3_600_000;
const at = (hours: number): Date => new Date(Date.now() + hours * HOUR);
const WHOLE_CLASS = { opensAt: null, dueAt: null, closesAt: null, learnerIds: [] };

describe('the dates of an exercise', () => {
  const seenBy = async (viewer = harbour.learner) =>
    (await publicationsFor(harbour.db, viewer)).map(({ isOpen, isComing }) => ({ isOpen, isComing }));
  const set = (dates: Partial<Parameters<typeof setDates>[3]>) =>
    setDates(harbour.db, harbour.teacher, harbour.publicationId, { ...WHOLE_CLASS, ...dates });

  test.each([
    ['before it opens', { opensAt: at(2), dueAt: at(1) }],
    ['after it closes', { closesAt: at(2), dueAt: at(3) }],
  ])('refuse that it is due %s', async (_, dates) => {
    expect(await set(dates)).toContain('It would be due when it is not open');
  });

  test.each([
    ['before it opens', { opensAt: at(1) }, { isOpen: false, isComing: true }],
    ['between the two', { opensAt: at(-1), closesAt: at(1) }, { isOpen: true, isComing: false }],
    ['after it has closed', { opensAt: at(-2), closesAt: at(-1) }, { isOpen: false, isComing: false }],
    ['without any', {}, { isOpen: true, isComing: false }],
  ])('decide by themselves whether it is open: %s', async (_, dates, expected) => {
    const { db, learner, publicationId } = harbour;
    expect(await set(dates)).toBeUndefined();
    expect(await seenBy()).toEqual([expected]);
    expect((await findOpening(db, learner, publicationId))!.isOpen).toBe(expected.isOpen);
    const answer = await handIn(db, harbour.guarded, learner, harbour.handedIn());
    expect(answer.status).toBe(expected.isOpen ? 201 : 409);
  });

  test('keep an exercise from a learner until it opens, and not from its instructor', async () => {
    const { db, learner, teacher, publicationId } = harbour;
    await set({ opensAt: at(1) });
    expect(await findPublication(db, learner, publicationId)).toBeUndefined();
    expect(await findPublication(db, teacher, publicationId)).toMatchObject({ isComing: true });
  });

  test('that cross are refused, and so is a learner of another class', async () => {
    expect(await set({ opensAt: at(2), closesAt: at(1) })).toContain('would close before it opens');
    expect(await set({ learnerIds: [harbour.stranger.id] })).toContain('no longer in the class');
    expect(await setDates(harbour.db, harbour.otherTeacher, harbour.publicationId, WHOLE_CLASS)).toContain(
      'not open in any of your classes',
    );
    expect(await seenBy()).toEqual([{ isOpen: true, isComing: false }]);
  });

  test('can be for some learners only; who has handed in goes on seeing it', async () => {
    const { db, learner, publicationId } = harbour;
    const [other] = await db('learner')
      .insert({ class_id: learner.classIds[0], name: 'Somebody else' })
      .returning<{ id: string }[]>('id');
    await set({ learnerIds: [other!.id] });
    expect(await seenBy()).toEqual([]);
    expect(await findOpening(db, learner, publicationId)).toBeUndefined();
    expect(await seenBy({ ...learner, id: other!.id })).toHaveLength(1);
    await set({});
    await handIn(db, harbour.guarded, learner, harbour.handedIn());
    await set({ learnerIds: [other!.id] });
    expect(await seenBy()).toHaveLength(1);
  });

  test('go along to a new revision, with whom it is for', async () => {
    const { db, learner, teacher, exerciseId } = harbour;
    await set({ opensAt: at(-1), closesAt: at(5), learnerIds: [learner.id] });
    await retitle('Beacon two');
    await publishAgain();
    const [now, before] = await publicationsOf(db, teacher, exerciseId);
    expect(now).toMatchObject({ revision: 2, standing: 'open', learnerIds: [learner.id] });
    expect(now!.closesAt).toEqual(before!.closesAt);
    expect(before).toMatchObject({ revision: 1, standing: 'closed' });
  });

  test('that are past are forgotten by who opens it again by hand', async () => {
    await set({ closesAt: at(-1) });
    await publishAgain();
    expect(await seenBy()).toEqual([{ isOpen: true, isComing: false }]);
  });
});

describe('an old revision', () => {
  test('is brought back in place of the new one, and work on either goes on', async () => {
    const { db, learner, teacher, publicationId } = harbour;
    await retitle('Beacon two');
    const anew = await publishAgain();
    const id = 'publicationId' in anew ? anew.publicationId : '';
    await keepBenchDraft(db, learner, id, { content: '{"at": "the new one"}', basedOn: 0 });
    expect(await bringBack(db, teacher, publicationId)).toEqual({ publicationId });
    expect((await publicationsFor(db, learner)).map(({ title, isOpen }) => [title, isOpen])).toEqual([
      ['Beacon', true],
    ]);
    const others = (await otherPublications(db, publicationId, learner.id)).map((other) => other.id);
    expect(others).toEqual([id]);
    expect(await benchDraftOf(db, learner.id, publicationId, others)).toEqual({
      version: 0,
      content: '{"at": "the new one"}',
    });
    // What was changed last goes on, whichever revision it was on.
    await keepBenchDraft(db, learner, publicationId, { content: '{"at": "the old one"}', basedOn: 0 });
    expect(await benchDraftOf(db, learner.id, id, [publicationId])).toEqual({
      version: 1,
      content: '{"at": "the old one"}',
    });
    expect(await findOpening(db, learner, id)).toMatchObject({ isOpen: false, isPublishedAnew: true });
  });

  test('of another’s class is nobody else’s to bring back', async () => {
    const { db, otherTeacher, publicationId } = harbour;
    expect(await bringBack(db, otherTeacher, publicationId)).toHaveProperty('message');
  });
});

describe('a bench that is kept', () => {
  const keep = (content: string, basedOn: number) =>
    keepBenchDraft(harbour.db, harbour.learner, harbour.publicationId, { content, basedOn });

  test('counts its versions, and tells who is overtaken what is there', async () => {
    expect(await keep('one', 0)).toEqual({ version: 1 });
    expect(await keep('two', 1)).toEqual({ version: 2 });
    expect(await keep('other', 1)).toEqual({ version: 2, content: 'two' });
    expect(await keep('from nothing', 0)).toEqual({ version: 2, content: 'two' });
    const { db, learner, publicationId } = harbour;
    expect(await benchDraftAfter(db, learner, publicationId, 2)).toEqual({ version: 2 });
    expect(await benchDraftAfter(db, learner, publicationId, 1)).toEqual({ version: 2, content: 'two' });
    expect(await benchDraftAfter(db, harbour.stranger, publicationId, 1)).toBeUndefined();
  });

  test('is taken once from two tablets at the same moment', async () => {
    const answers = await Promise.all(['one', 'two', 'three'].map((content) => keep(content, 0)));
    expect(answers.filter((answer) => answer?.content === undefined)).toHaveLength(1);
  });
});

describe('a revision', () => {
  test('cannot be changed or deleted', async () => {
    await expect(harbour.db('revision').update({ number: 9 })).rejects.toThrow('append-only');
    await expect(harbour.db('revision').delete()).rejects.toThrow('append-only');
  });
});

describe('what is published', () => {
  test('is seen by its own class and its teachers, in the order of the course', async () => {
    const { db, learner, teacher, stranger, otherTeacher, publicationId } = harbour;
    for (const viewer of [learner, teacher])
      expect((await publicationsFor(db, viewer)).map(({ id }) => id)).toEqual([publicationId]);
    for (const viewer of [stranger, otherTeacher]) {
      expect(await publicationsFor(db, viewer)).toEqual([]);
      expect(await findPublication(db, viewer, publicationId)).toBeUndefined();
    }
  });

  test.each(['', 'x', "x' or '1'='1", '00000000-0000-0000-0000-000000000000'])(
    'is not found by the address “%s”',
    async (id) => {
      expect(await findPublication(harbour.db, harbour.teacher, id)).toBeUndefined();
      expect(await findDraft(harbour.db, id)).toBeUndefined();
    },
  );

  test('is listed with the classes and exercises it belongs to', async () => {
    expect(await classesOf(harbour.db, harbour.teacher)).toMatchObject([{ name: 'One', code: 'QUAY1' }]);
    expect(await exerciseList(harbour.db, harbour.teacher)).toMatchObject([{ title: 'Beacon', position: 1 }]);
  });
});

describe('the student form', () => {
  test('has neither the program nor the author’s notes, nor a field that nobody decided about', async () => {
    await harbour.db('exercise').update({ draft: harbour.db.raw(`draft || '{"secret": "the answer"}'`) });
    const published = await publishAgain();
    const publication = await findPublication(
      harbour.db,
      harbour.learner,
      'publicationId' in published ? published.publicationId : '',
    );
    const text = JSON.stringify(studentForm(publication!.exercise, 'shown'));
    for (const hidden of ['delay(2500)', 'a wiring fault shows at once', 'the answer'])
      expect(text).not.toContain(hidden);
    for (const shown of ['light character', 'The first light of the harbour']) expect(text).toContain(shown);
  });

  test('without the solution has the parts and wires of the bag, and nothing of where they go', async () => {
    const publication = (await findPublication(harbour.db, harbour.learner, harbour.publicationId))!;
    expect(publication.rules.solution).toBe('hidden');
    const form = studentForm(publication.exercise, 'hidden');
    expect([form.nets, form.scenarios, form.free]).toEqual([[], [], {}]);
    const text = JSON.stringify(form);
    for (const hidden of ['B1.', 'U1.13', 'accept', 'rhythm', 'delay(2500)'])
      expect(text).not.toContain(hidden);
    for (const shown of ['D1', 'R1', 'W1', 'yellow', 'a light character']) expect(text).toContain(shown);
  });

  test('has the solution where the course says so, or the exercise for itself', async () => {
    const { db, learner, publicationId } = harbour;
    const rule = async () => (await findPublication(db, learner, publicationId))!.rules.solution;
    await db('course').update({ rules: JSON.stringify({ solution: 'shown' }) });
    expect(await rule()).toBe('shown');
    await db('course').update({ rules: JSON.stringify({ solution: 'nonsense' }) });
    expect(await rule()).toBe('hidden');
  });
});
