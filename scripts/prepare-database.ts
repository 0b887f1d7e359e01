// Brings the database at DATABASE_URL up to date. With --demo also loads the demo world when it is empty, and with
// --random-secrets FILE gives its people new passwords and words, and writes what to show of them to the file. With
// --owner-link FILE writes the token of a link for the first account, when nobody keeps the server yet.
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { database } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo, setDemoSecrets } from '@/server/demo/load';
import { firstOwnerLink } from '@/server/people/links';

const { values } = parseArgs({
  options: {
    demo: { type: 'boolean' },
    'random-secrets': { type: 'string' },
    'owner-link': { type: 'string' },
  },
});
const secretsFile = values['random-secrets'];
const linkFile = values['owner-link'];
const db = database();

/** What keeps a database from being used, in words; anything else is a bug and is thrown. */
function obstacle(error: unknown): string {
  const { host } = new URL(process.env['DATABASE_URL']!);
  const { code } = error as { readonly code?: string };
  switch (code) {
    case 'ECONNREFUSED':
    case 'ENOTFOUND':
    case 'EAI_AGAIN':
    case 'ETIMEDOUT':
    case 'EHOSTUNREACH':
      return `No database answers at ${host}. Is it running, and is DATABASE_URL right?`;
    case '28P01':
    case '28000':
      return `The database at ${host} refuses the user or the password of DATABASE_URL.`;
    case '3D000':
      return `The server at ${host} has no database of the name in DATABASE_URL. Make it with createdb.`;
    case '42501':
      return `The user of DATABASE_URL may not make tables there: ${(error as Error).message}.`;
    default:
      throw error;
  }
}

try {
  await migrate(db);
  if (values.demo) {
    await loadDemo(db, 'demo', new Date());
    const shown = await setDemoSecrets(db, 'demo', secretsFile === undefined ? 'public' : 'random');
    if (secretsFile !== undefined) writeFileSync(secretsFile, JSON.stringify(shown), { mode: 0o600 });
  }
  const token = linkFile === undefined ? undefined : await firstOwnerLink(db);
  if (linkFile !== undefined && token !== undefined) writeFileSync(linkFile, token, { mode: 0o600 });
} catch (error) {
  console.error(obstacle(error));
  process.exitCode = 1;
} finally {
  await db.destroy();
}
