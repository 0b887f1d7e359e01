import type { Knex } from 'knex';
import * as people from './migrations/0001-people';
import * as exercises from './migrations/0002-exercises';
import * as submissions from './migrations/0003-submissions';
import * as rateLimits from './migrations/0004-rate-limits';
import * as courses from './migrations/0005-courses';
import * as judging from './migrations/0006-judging';
import * as doors from './migrations/0007-doors';
import * as dates from './migrations/0008-dates';
import * as ownClasses from './migrations/0009-own-classes';
import * as decisions from './migrations/0010-decisions';
import * as room from './migrations/0011-room';
import * as rechecks from './migrations/0012-rechecks';
import * as terms from './migrations/0013-terms';
import * as lessons from './migrations/0014-lessons';
import * as bringUp from './migrations/0015-bring-up';
import * as roomsForBoards from './migrations/0016-rooms-for-boards';
import { migrateJobs } from '../jobs';

/** The migrations in order, named explicitly so that a build carries them. */
const migrations: Readonly<Record<string, Knex.Migration>> = {
  '0001-people': people,
  '0002-exercises': exercises,
  '0003-submissions': submissions,
  '0004-rate-limits': rateLimits,
  '0005-courses': courses,
  '0006-judging': judging,
  '0007-doors': doors,
  '0008-dates': dates,
  '0009-own-classes': ownClasses,
  '0010-decisions': decisions,
  '0011-room': room,
  '0012-rechecks': rechecks,
  '0013-terms': terms,
  '0014-lessons': lessons,
  '0015-bring-up': bringUp,
  '0016-rooms-for-boards': roomsForBoards,
};

const source: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(migrations)),
  getMigrationName: (name) => name,
  getMigration: (name) => Promise.resolve(migrations[name]!),
};

/** Brings an empty database to the state after a migration, as a released version left it. */
export async function migrateTo(db: Knex, last: string): Promise<void> {
  for (const name of Object.keys(migrations)) {
    await db.migrate.up({ migrationSource: source, name });
    if (name === last) return;
  }
  throw new Error(`there is no migration ${last}`);
}

/** Brings the database up to date; safe to call at every start and from several processes. */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest({ migrationSource: source });
  await migrateJobs(db);
}
