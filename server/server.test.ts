import { readFile } from 'node:fs/promises';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { canonicalReport } from '@/core/formats/report';
import { closePublication, findPublication, publicationsFor, publish } from './exercises/publications';
import { studentForm } from './exercises/student-form';
import { eraseLearner } from './people/erase';
import { hashSecret, textHash } from './people/secrets';
import { closeSession, viewerOf } from './people/sessions';
import { joinClass, rosterOf, signInStaff } from './people/sign-in';
import type { Viewer } from './permissions';
import { handIn, handInSchema, type HandIn } from './submissions/hand-in';
import { attemptsOf, findSubmission, submissionsOf } from './submissions/reports';
import { freshDatabase, type TestDatabase } from './testing/schema';

let world: TestDatabase;
let teacher: Viewer;
let otherTeacher: Viewer;
let learner: Viewer & { role: 'student' };
let stranger: Viewer & { role: 'student' };
let exerciseId: string;
let publicationId: string;

const address = 'room';
const program =
  'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(2500); }\n';
let wiring: string;

const handedIn = (more: Partial<HandIn> = {}): HandIn => ({
  clientId: 'client-0001',
  publicationId,
  wiring,
  program,
  hintsTaken: 0,
  ...more,
});

beforeAll(async () => {
  world = await freshDatabase();
  const { db } = world;
  const draft: unknown = JSON.parse(await readFile('demo/course/01-beacon.json', 'utf8'));
  wiring = (draft as { layout: string }).layout;
  const insert = async (table: string, row: Record<string, unknown>): Promise<string> => {
    const [made] = await db(table).insert(row).returning<{ id: string }[]>('id');
    return made!.id;
  };
  const one = await insert('class', { name: 'One', code: 'QUAY1' });
  const two = await insert('class', { name: 'Two', code: 'QUAY2' });
  const password_hash = await hashSecret('old rope');
  const first = await insert('staff', { login: 'ina', name: 'Ina', role: 'instructor', password_hash });
  const second = await insert('staff', { login: 'olaf', name: 'Olaf', role: 'instructor', password_hash });
  await db('class_staff').insert([
    { class_id: one, staff_id: first },
    { class_id: two, staff_id: second },
  ]);
  const a = await insert('learner', { class_id: one, name: 'Anna' });
  const b = await insert('learner', { class_id: two, name: 'Bodo' });
  teacher = { role: 'instructor', id: first, name: 'Ina', classIds: [one] };
  otherTeacher = { role: 'instructor', id: second, name: 'Olaf', classIds: [two] };
  learner = { role: 'student', id: a, name: 'Anna', classIds: [one], className: 'One' };
  stranger = { role: 'student', id: b, name: 'Bodo', classIds: [two], className: 'Two' };
  const course = await insert('course', { title: 'Harbour', owner_id: first });
  exerciseId = await insert('exercise', {
    course_id: course,
    slug: 'beacon',
    position: 1,
    draft: JSON.stringify(draft),
  });
  const published = await publish(db, teacher, exerciseId, one);
  if ('message' in published) throw new Error(published.message);
  publicationId = published.publicationId;
});

afterAll(() => world.drop());

describe('publishing', () => {
  test('the same draft twice is one revision, a changed one is a second', async () => {
    const again = await publish(world.db, teacher, exerciseId, teacher.classIds[0]!);
    expect(again).toEqual({ publicationId });
    await world
      .db('exercise')
      .where({ id: exerciseId })
      .update({ draft: world.db.raw(`jsonb_set(draft, '{title}', '"Beacon two"')`) });
    const changed = await publish(world.db, teacher, exerciseId, teacher.classIds[0]!);
    expect(changed).not.toEqual({ publicationId });
    expect(await world.db('revision').where({ exercise_id: exerciseId }).pluck('number')).toEqual([1, 2]);
  });

  test('is refused for a class of somebody else', async () => {
    expect(await publish(world.db, teacher, exerciseId, otherTeacher.classIds[0]!)).toEqual({
      message: 'This is not one of your classes.',
    });
  });

  test('a revision cannot be changed or deleted', async () => {
    await expect(world.db('revision').update({ number: 9 })).rejects.toThrow('append-only');
    await expect(world.db('revision').delete()).rejects.toThrow();
  });

  test('the student form has neither the program nor the author’s notes', async () => {
    const publication = await findPublication(world.db, learner, publicationId);
    const text = JSON.stringify(studentForm(publication!.exercise));
    expect(text).not.toContain('delay(2500)');
    expect(text).not.toContain('a wiring fault shows at once');
    expect(text).toContain('light character');
  });
});

describe('a hand-in', () => {
  test('is checked, kept once however often it comes, and given back as it was', async () => {
    const first = await handIn(world.db, learner, handedIn());
    const second = await handIn(world.db, learner, handedIn());
    expect([first.status, second.status]).toEqual([201, 200]);
    expect(
      'submissionId' in first && 'submissionId' in second && first.submissionId === second.submissionId,
    ).toBe(true);
    expect('report' in first && first.report.verdict).toBe('as-drawn');
    expect(await attemptsOf(world.db, publicationId, learner.id)).toHaveLength(1);
  });

  test('sent twice at the same moment is one', async () => {
    const results = await Promise.all(
      [1, 2, 3].map(() => handIn(world.db, learner, handedIn({ clientId: 'client-same' }))),
    );
    expect(new Set(results.map((result) => ('submissionId' in result ? result.submissionId : ''))).size).toBe(
      1,
    );
    expect((await attemptsOf(world.db, publicationId, learner.id)).map((attempt) => attempt.attempt)).toEqual(
      [1, 2],
    );
  });

  test('keeps its report as canonical text with its hash', async () => {
    const row = await world
      .db('report')
      .first<{ content: string; content_hash: string }>('content', 'content_hash');
    expect(row.content_hash).toBe(textHash(row.content));
    expect(canonicalReport(JSON.parse(row.content))).toBe(row.content);
  });

  test('cannot be changed afterwards', async () => {
    await expect(world.db('submission').update({ program: '' })).rejects.toThrow('append-only');
    await expect(world.db('report').delete()).rejects.toThrow('append-only');
  });

  test('to another class’s exercise is refused as if there were none', async () => {
    expect(await handIn(world.db, stranger, handedIn({ clientId: 'client-stranger' }))).toMatchObject({
      status: 404,
    });
  });

  test('to an exercise that was never published is refused', async () => {
    expect(
      await handIn(world.db, learner, handedIn({ clientId: 'client-nowhere', publicationId: exerciseId })),
    ).toMatchObject({ status: 404 });
    expect(
      await handIn(world.db, learner, handedIn({ clientId: 'client-nonsense', publicationId: "x' or 1=1" })),
    ).toMatchObject({ status: 404 });
  });

  test('with a wiring that cannot be read is refused with the line', async () => {
    const result = await handIn(
      world.db,
      learner,
      handedIn({
        clientId: 'client-broken',
        wiring: 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nW1,wire,red,1,U1.99\n',
      }),
    );
    expect(result).toMatchObject({ status: 422 });
    expect('message' in result && result.message).toContain('line 3');
  });

  test('with a NUL character or of too large a size is refused at the door', () => {
    expect(handInSchema.safeParse(handedIn({ program: 'a\0b' })).success).toBe(false);
    expect(handInSchema.safeParse(handedIn({ program: 'x'.repeat(200_001) })).success).toBe(false);
    expect(handInSchema.safeParse(handedIn({ clientId: 'short' })).success).toBe(false);
  });

  test('of a program that prints without end is judged within its budget', async () => {
    const result = await handIn(
      world.db,
      learner,
      handedIn({
        clientId: 'client-endless',
        program: 'void setup() { Serial.begin(115200); }\nvoid loop() { Serial.println(1); }\n',
      }),
    );
    expect('report' in result && result.report.verdict).toBe('does-not-work');
  });

  test('to a closed exercise is refused, and taken again once it is open', async () => {
    expect(await closePublication(world.db, otherTeacher, publicationId)).toBe(false);
    expect(await closePublication(world.db, teacher, publicationId)).toBe(true);
    expect(await handIn(world.db, learner, handedIn({ clientId: 'client-late' }))).toMatchObject({
      status: 409,
    });
    await world.db('publication').where({ id: publicationId }).update({ closed_at: null });
    expect(await handIn(world.db, learner, handedIn({ clientId: 'client-late' }))).toMatchObject({
      status: 201,
    });
  });
});

describe('what a viewer sees', () => {
  test('ends at their own classes and their own work', async () => {
    const [submission] = await submissionsOf(world.db, publicationId);
    expect(await findSubmission(world.db, learner, submission!.id)).toBeDefined();
    expect(await findSubmission(world.db, teacher, submission!.id)).toBeDefined();
    expect(await findSubmission(world.db, stranger, submission!.id)).toBeUndefined();
    expect(await findSubmission(world.db, otherTeacher, submission!.id)).toBeUndefined();
    expect(await findSubmission(world.db, teacher, 'not-an-id')).toBeUndefined();
    expect(await publicationsFor(world.db, stranger)).toEqual([]);
    expect(await findPublication(world.db, otherTeacher, publicationId)).toBeUndefined();
  });
});

describe('signing in', () => {
  test('staff need login and password, and get a session that ends with sign-out', async () => {
    expect(await signInStaff(world.db, { login: 'ina', password: 'new rope', address })).toMatchObject({
      ok: false,
    });
    expect(await signInStaff(world.db, { login: 'nobody', password: 'old rope', address })).toMatchObject({
      ok: false,
    });
    const result = await signInStaff(world.db, { login: ' INA ', password: 'old rope', address });
    if (!result.ok) throw new Error(result.message);
    expect(await viewerOf(world.db, result.token)).toMatchObject({ role: 'instructor', name: 'Ina' });
    expect(await world.db('session').where({ token_hash: result.token }).first()).toBeUndefined();
    await closeSession(world.db, result.token);
    expect(await viewerOf(world.db, result.token)).toBeUndefined();
  });

  test('a learner chooses a private word once and needs it ever after', async () => {
    const roster = await rosterOf(world.db, ' quay1 ', address);
    expect(roster).toMatchObject({ className: 'One', learners: [{ name: 'Anna', hasWord: false }] });
    const join = (word: string) =>
      joinClass(world.db, { code: 'quay1', learnerId: learner.id, word, address });
    expect(await join('abc')).toMatchObject({ ok: false });
    expect(await join('anchor')).toMatchObject({ ok: true });
    expect(await join('rudder')).toMatchObject({ ok: false });
    expect(await join('anchor')).toMatchObject({ ok: true });
  });

  test('a name of another class does not open this one', async () => {
    expect(
      await joinClass(world.db, { code: 'QUAY2', learnerId: learner.id, word: 'anchor', address }),
    ).toMatchObject({ ok: false });
    expect(await rosterOf(world.db, 'NOWHERE', address)).toMatchObject({
      message: expect.stringContaining('NOWHERE'),
    });
  });

  test('is slowed down per login after a few tries, while the room’s address goes on', async () => {
    for (let index = 0; index < 8; index += 1)
      await signInStaff(world.db, { login: 'olaf', password: `wrong ${index}`, address });
    const blocked = await signInStaff(world.db, { login: 'olaf', password: 'old rope', address });
    expect(blocked).toMatchObject({ ok: false, message: expect.stringContaining('Too many tries') });
    expect(await signInStaff(world.db, { login: 'ina', password: 'old rope', address })).toMatchObject({
      ok: true,
    });
  });
});

describe('erasing a learner', () => {
  test('takes all their work along, is kept in the audit trail, and is open to their teacher only', async () => {
    expect(await eraseLearner(world.db, otherTeacher, learner.id)).toBe(false);
    expect(await eraseLearner(world.db, learner, learner.id)).toBe(false);
    expect(await eraseLearner(world.db, teacher, learner.id)).toBe(true);
    expect(await submissionsOf(world.db, publicationId)).toEqual([]);
    expect(await world.db('audit').where({ action: 'erase-learner', subject: learner.id })).toHaveLength(1);
  });
});
