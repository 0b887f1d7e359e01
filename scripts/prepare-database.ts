// Brings the database at DATABASE_URL up to date; with --demo also loads the demo world when it is empty.
import { database } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo } from '@/server/demo';

const db = database();
try {
  await migrate(db);
  if (process.argv.includes('--demo')) await loadDemo(db, 'demo', new Date());
} finally {
  await db.destroy();
}
