// Starts the product with demo data and keeps it running: npm run demo [-- --host ADDRESS --port N --workers N]
import { readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { root, stateFolder } from './machine/folders.mjs';
import { runProduct } from './machine/running.mjs';

const { values } = parseArgs({
  options: {
    host: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string' },
    workers: { type: 'string', default: String(Math.max(1, availableParallelism())) },
  },
});
/** Off loopback the demo’s people get secrets of their own: those of the files are known to everybody. */
const isOpen = !['127.0.0.1', 'localhost', '::1'].includes(values.host);
const secretsFile = join(stateFolder, 'demo-secrets.json');

await runProduct({
  cluster: 'postgres',
  host: values.host,
  port: Number(values.port ?? 4170),
  isPortAWish: values.port === undefined,
  databaseUrl: undefined,
  workers: Number(values.workers),
  prepare: ['--demo', ...(isOpen ? ['--random-secrets', secretsFile] : [])],
  ready: () => {
    const signIns = isOpen
      ? JSON.parse(readFileSync(secretsFile, 'utf8'))
      : JSON.parse(readFileSync(join(root, 'demo/classes/people.json'), 'utf8')).shown;
    rmSync(secretsFile, { force: true });
    return signIns;
  },
});
