import { readFile } from 'node:fs/promises';
import { publishAsItIs } from '../exercises/publishing';
import { hashSecret } from '../people/secrets';
import type { Viewer } from '../permissions';
import { GuardedProcesses } from '../guard/processes';
import { judge } from '../submissions/judging';
import type { HandIn } from '@/core/messages/hand-in';
import { freshDatabase, type TestDatabase } from './schema';

/** A right program for the beacon. */
export const PROGRAM = `void setup() { pinMode(13, OUTPUT); }
void loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(2500); }
`;

/** Password of both instructors. */
export const PASSWORD = 'old rope';
const passwordHash = hashSecret(PASSWORD);

/** Two classes with an instructor and a learner each; the beacon is open for the first. */
export interface Harbour extends TestDatabase {
  readonly teacher: Viewer;
  readonly otherTeacher: Viewer;
  readonly learner: Viewer & { readonly role: 'student' };
  readonly stranger: Viewer & { readonly role: 'student' };
  readonly exerciseId: string;
  readonly publicationId: string;
  readonly guarded: GuardedProcesses;
  /** Judges all that waits, as the workers do. */
  readonly judgeAll: () => Promise<void>;
  /** A right hand-in, with something different where wanted. */
  readonly handedIn: (more?: Partial<HandIn>) => HandIn;
}

/** Begun once for all tests: a process takes half a second to start. */
const guarded = new GuardedProcesses(1);

/** Builds the small world of the server's tests, fresh for each test. */
export async function buildHarbour(): Promise<Harbour> {
  const world = await freshDatabase();
  const { db } = world;
  const draft = JSON.parse(await readFile('demo/course/01-beacon.json', 'utf8')) as { layout: string };
  const insert = async (table: string, row: Record<string, unknown>): Promise<string> => {
    const [made] = await db(table).insert(row).returning<{ id: string }[]>('id');
    return made!.id;
  };
  const group = async (name: string, code: string, login: string, learnerName: string) => {
    const classId = await insert('class', { name, code, joining_until: db.raw("now() + interval '1 hour'") });
    const staffId = await insert('staff', {
      login,
      name: login,
      role: 'instructor',
      password_hash: await passwordHash,
    });
    await db('class_staff').insert({ class_id: classId, staff_id: staffId });
    const learnerId = await insert('learner', { class_id: classId, name: learnerName });
    const teacher: Viewer = { role: 'instructor', id: staffId, name: login, classIds: [classId] };
    const learner: Harbour['learner'] = {
      role: 'student',
      id: learnerId,
      name: learnerName,
      classIds: [classId],
      className: name,
    };
    return { teacher, learner };
  };
  const one = await group('One', 'QUAY1', 'ina', 'Anna');
  const two = await group('Two', 'QUAY2', 'olaf', 'Bodo');
  const course = await insert('course', { title: 'Harbour', owner_id: one.teacher.id });
  const exerciseId = await insert('exercise', {
    course_id: course,
    slug: 'beacon',
    position: 1,
    draft: JSON.stringify(draft),
  });
  const published = await publishAsItIs(db, one.teacher, exerciseId, one.teacher.classIds[0]!);
  if ('message' in published) throw new Error(published.message);
  const { publicationId } = published;
  return {
    ...world,
    guarded,
    judgeAll: async () => {
      for (const key of await db('judging').pluck<string[]>('key')) await judge(db, guarded, key);
    },
    teacher: one.teacher,
    otherTeacher: two.teacher,
    learner: one.learner,
    stranger: two.learner,
    exerciseId,
    publicationId,
    handedIn: (more = {}) => ({
      clientId: 'client-0001',
      publicationId,
      wiring: draft.layout,
      program: PROGRAM,
      hintsTaken: 0,
      ...more,
    }),
  };
}
