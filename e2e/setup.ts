import { randomBytes } from 'node:crypto';
import type { TestProject } from 'vitest/node';
import { openDatabase } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo } from '@/server/demo/load';
import { startBrowser } from '@/scripts/browser.mjs';

declare module 'vitest' {
  interface ProvidedContext {
    /** Where the browser of all tests listens. */
    readonly browserEndpoint: string;
    /** A database with the demo world, to be copied by each file of tests. */
    readonly demoDatabase: string;
  }
}

/** Makes what every file of tests begins with: the demo world in a database, and one browser. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run npm test');
  const admin = openDatabase(url);
  const name = `e2e_demo_${randomBytes(5).toString('hex')}`;
  await admin.raw('create database ??', [name]);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const db = openDatabase(own.href);
  await migrate(db);
  await loadDemo(db, 'demo', new Date());
  await addTestClass(db);
  // What is copied must have nobody in it.
  await db.destroy();
  const browser = await startBrowser();
  project.provide('browserEndpoint', browser.endpoint);
  project.provide('demoDatabase', name);
  return async () => {
    await browser.end();
    await admin.raw('drop database ?? with (force)', [name]);
    await admin.destroy();
  };
}

/** A second class whose learners have not joined yet, with the beacon open. */
async function addTestClass(db: ReturnType<typeof openDatabase>): Promise<void> {
  const [group] = await db('class')
    .insert({ name: 'Friday morning', code: 'LANTERN', joining_until: db.raw("now() + interval '1 day'") })
    .returning<{ id: string }[]>('id');
  const staff = await db('staff').where({ login: 'marit' }).first<{ id: string }>('id');
  await db('class_staff').insert({ class_id: group!.id, staff_id: staff.id });
  await db('learner').insert(
    ['Yrsa', 'Zeno', 'Ebba', 'Finn', 'Gaia'].map((learner) => ({ class_id: group!.id, name: learner })),
  );
  const revision = await db('revision').first<{ id: string }>('id');
  await db('publication').insert({ revision_id: revision.id, class_id: group!.id });
}
