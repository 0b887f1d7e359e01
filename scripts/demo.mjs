// Starts the product with demo data and keeps it running: npm run demo [-- --host ADDRESS --port N --workers N]
import { existsSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { buildGuard, buildIfChanged } from './machine/build.mjs';
import { databaseFile, root, stateFolder } from './machine/folders.mjs';
import {
  ensureDebian,
  ensureNode,
  ensureNodeModules,
  postgresPrograms,
  SetupError,
} from './machine/packages.mjs';
import { portToUse, Product } from './machine/product.mjs';

const { values } = parseArgs({
  options: {
    host: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string' },
    workers: { type: 'string', default: String(Math.max(1, availableParallelism())) },
  },
});
const isOpen = !['127.0.0.1', 'localhost', '::1'].includes(values.host);
const lock = join(stateFolder, 'demo.lock');
const pids = join(stateFolder, 'demo.pids');
let product;
let leaving = false;
let holdsLock = false;

async function leave(code) {
  if (leaving) return;
  leaving = true;
  await product?.end();
  if (holdsLock) for (const file of [pids, lock, databaseFile]) rmSync(file, { force: true });
  process.exit(code);
}

/** Keeps two starts of one checkout apart; the lock of a run that was killed is stale. */
function takeLock() {
  mkdirSync(stateFolder, { recursive: true });
  const holder = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0;
  if (holder > 0 && holder !== process.pid && isDemo(holder))
    throw new SetupError(
      `The demo already runs from this folder, as process ${holder}. Stop it there with Ctrl-C.`,
    );
  writeFileSync(lock, String(process.pid));
  holdsLock = true;
}

/** Ends the processes of a run that was killed; they would hold the port and an old database. */
function endOrphans() {
  if (!existsSync(pids)) return;
  for (const pid of readFileSync(pids, 'utf8').split('\n').map(Number).filter(Boolean))
    try {
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      if (readlinkSync(`/proc/${pid}/cwd`) === root && /web\.mjs|workers\/jobs/.test(command))
        process.kill(pid, 'SIGKILL');
    } catch {
      // It is gone, as it should be.
    }
  rmSync(pids, { force: true });
}

function isDemo(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('demo.mjs');
  } catch {
    return false;
  }
}

const say = (text) => console.log(`${new Date().toTimeString().slice(0, 8)} ${text}`);

/** Addresses under which other machines reach this one. */
const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

async function main() {
  ensureNode();
  takeLock();
  endOrphans();
  const port = await portToUse(values.host, Number(values.port ?? 4170), values.port === undefined);
  ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
  ensureNodeModules();
  product = new Product({
    cluster: 'postgres',
    host: values.host,
    port,
    say,
    onChange: () => writeFileSync(pids, [...product.alive.values()].map(({ pid }) => pid).join('\n')),
    onLoss: (error) => {
      console.error(error.message);
      void leave(1);
    },
  });
  const url = await product.startDatabase();
  // For the commands that look after people and backups while it runs.
  writeFileSync(databaseFile, url, { mode: 0o600 });
  const secretsFile = join(stateFolder, 'demo-secrets.json');
  await product.runOnce('Preparing the database', process.execPath, [
    '--import',
    'tsx',
    'scripts/prepare-database.ts',
    '--demo',
    ...(isOpen ? ['--random-secrets', secretsFile] : []),
  ]);
  buildGuard();
  buildIfChanged();
  product.startWeb();
  product.startWorkers(Number(values.workers));
  await product.isUp();
  const others = ['0.0.0.0', '::'].includes(values.host) ? ownAddresses() : [];
  const addresses = [product.base, ...others.map((address) => `http://${address}:${port}`)];
  console.log(`\nDidaktor is ready: ${addresses.join('  ')}\n`);
  const signIns = isOpen
    ? JSON.parse(readFileSync(secretsFile, 'utf8'))
    : JSON.parse(readFileSync(join(root, 'demo/classes/people.json'), 'utf8')).shown;
  rmSync(secretsFile, { force: true });
  for (const line of signIns) console.log(`  ${line}`);
  console.log('\nCtrl-C stops everything.');
}

process.on('SIGINT', () => void leave(0));
process.on('SIGTERM', () => void leave(0));
process.on('SIGHUP', () => void leave(0));
try {
  await main();
} catch (error) {
  console.error(error instanceof SetupError ? `\n${error.message}` : error);
  await leave(1);
}
