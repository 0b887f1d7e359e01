import { afterEach, beforeEach, expect, test } from 'vitest';
import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { jobsSchema } from '../jobs';
import { signInStaff } from '../people/sign-in';
import { hashSecret } from '../people/secrets';
import { openDatabase } from './connection';
import { migrate, migrateTo } from './migrate';

let admin: Knex;
let db: Knex;
const schema = `upgrade_${randomBytes(6).toString('hex')}`;
beforeEach(async () => {
  const url = process.env['TEST_DATABASE_URL']!;
  admin = openDatabase(url);
  await admin.raw('create schema ??', [schema]);
  db = openDatabase(url, schema);
});
afterEach(async () => {
  const jobs = jobsSchema(db);
  await db.destroy();
  await admin.raw('drop schema ?? cascade', [schema]);
  await admin.raw('drop schema if exists ?? cascade', [jobs]);
  await admin.destroy();
});

/** What the state after migration 0008 could hold, as it was written then. */
async function fill(): Promise<void> {
  const hash = await hashSecret('old rope and tar');
  await db.raw(
    `insert into staff (login, name, role, password_hash) values ('ina', 'Ina', 'instructor', '${hash}');
     insert into class (name, code) values ('One', 'QUAY1');
     insert into class_staff select class.id, staff.id from class, staff;
     insert into learner (class_id, name) select id, 'Anna' from class;
     insert into course (title, owner_id) select 'Harbour', id from staff;
     insert into exercise (course_id, slug, position, draft) select id, 'beacon', 1, '{"title": "Beacon"}' from course;
     insert into revision (exercise_id, number, content, published_by) select exercise.id, 1, draft, staff.id from exercise, staff;
     insert into publication (revision_id, class_id, closes_at) select revision.id, class.id, now() + interval '1 day' from revision, class;
     insert into submission (publication_id, learner_id, client_id, attempt, wiring, program, judging_key)
       select publication.id, learner.id, 'client-0001', 1, 'ref', '', 'key-1' from publication, learner;
     insert into report (key, content, content_hash, verdict, engine) values ('key-1', '{}', 'x', 'as-drawn', '0.7.0');
     insert into audit (actor, action, subject) values ('start', 'sign-in', 'x');`,
  );
}

test('a database of the last released state goes on with everything that is in it', async () => {
  await migrateTo(db, '0008-dates');
  await fill();
  const tables = [
    'staff',
    'class',
    'learner',
    'course',
    'exercise',
    'revision',
    'publication',
    'submission',
    'report',
    'audit',
  ];
  const before = await Promise.all(tables.map((table) => db(table)));
  await migrate(db);
  for (const [index, table] of tables.entries()) expect(await db(table), table).toMatchObject(before[index]!);
  // Whoever had an account has it still.
  const place = { address: 'here', device: 'laptop' };
  expect(await signInStaff(db, { login: 'ina', password: 'old rope and tar', ...place })).toMatchObject({
    ok: true,
  });
});
