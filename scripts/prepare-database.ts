// Brings the database at DATABASE_URL up to date; with --demo also loads the demo world when it is empty, and with
// --random-secrets FILE gives its people new passwords and words, and writes what to show of them to the file.
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { database } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo, setDemoSecrets } from '@/server/demo';

const { values } = parseArgs({
  options: { demo: { type: 'boolean' }, 'random-secrets': { type: 'string' } },
});
const file = values['random-secrets'];
const db = database();
try {
  await migrate(db);
  if (values.demo) {
    await loadDemo(db, 'demo', new Date());
    const shown = await setDemoSecrets(db, 'demo', file === undefined ? 'public' : 'random');
    if (file !== undefined) writeFileSync(file, JSON.stringify(shown), { mode: 0o600 });
  }
} finally {
  await db.destroy();
}
