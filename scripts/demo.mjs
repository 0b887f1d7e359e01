// Starts the product with demo data and keeps it running: npm run demo [-- --host ADDRESS --port N --workers N]
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { availableParallelism, networkInterfaces } from 'node:os';
import { existsSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { freePort, startCluster } from './machine/cluster.mjs';
import { root, stateFolder } from './machine/folders.mjs';
import {
  ensureDebian,
  ensureNode,
  ensureNodeModules,
  postgresPrograms,
  SetupError,
} from './machine/packages.mjs';
import { buildGuard, buildIfChanged } from './machine/build.mjs';

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
const running = [];
let leaving = false;
let holdsLock = false;

async function leave(code) {
  if (leaving) return;
  leaving = true;
  for (const stop of running.reverse()) await stop();
  if (holdsLock) for (const file of [pids, lock]) rmSync(file, { force: true });
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

function start(program, words, environment) {
  const child = spawn(program, words, {
    cwd: root,
    env: { ...process.env, ...environment },
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  running.push(
    () =>
      new Promise((resolve) => {
        if (child.exitCode !== null || child.signalCode !== null) return resolve();
        child.once('exit', resolve);
        child.kill('SIGTERM');
        setTimeout(() => child.kill('SIGKILL'), 5000).unref();
      }),
  );
  return child;
}

function finish(child, what) {
  let text = '';
  child.stderr.on('data', (chunk) => (text = (text + chunk).slice(-3000)));
  child.stdout.on('data', (chunk) => process.stdout.write(chunk));
  return new Promise((resolve, reject) => {
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new SetupError(`${what} failed:\n${text}`)),
    );
  });
}

/** The port to listen on: tried before anything is built. */
async function portToUse() {
  const wanted = Number(values.port ?? 4170);
  const trouble = await new Promise((resolve) => {
    const server = createServer();
    server.once('error', resolve);
    server.listen(wanted, values.host, () => server.close(() => resolve(undefined)));
  });
  if (!trouble) return wanted;
  if (trouble.code !== 'EADDRINUSE')
    throw new SetupError(`This machine cannot listen on ${values.host}: ${trouble.message}`);
  if (values.port !== undefined) throw new SetupError(`Port ${wanted} is in use.`);
  return freePort();
}

const alive = new Map();
const notePids = () => writeFileSync(pids, [...alive.values()].map((child) => child.pid).join('\n'));
const say = (text) => console.log(`${new Date().toTimeString().slice(0, 8)} ${text}`);

/** Seconds to wait before a process that dies again and again is started once more, at most. */
const LONGEST_REST = 20;

/** Starts a process, shows what it prints, and starts it again whenever it ends by itself. */
function keepRunning(name, program, words, environment) {
  let deaths = 0;
  const begin = () => {
    if (leaving) return;
    const began = Date.now();
    const child = start(program, words, environment);
    alive.set(name, child);
    notePids();
    // Read, so that it never waits for a full pipe.
    child.stdout.on('data', (chunk) => process.stdout.write(chunk));
    child.stderr.on('data', (chunk) => process.stderr.write(chunk));
    child.once('exit', (code, signal) => {
      if (leaving) return;
      deaths = Date.now() - began > 60_000 ? 1 : deaths + 1;
      const rest = Math.min(LONGEST_REST, 2 ** (deaths - 1) / 2);
      say(`${name} ended (${signal ?? code}); it is started again in ${rest} s.`);
      setTimeout(begin, rest * 1000);
    });
  };
  begin();
}

/** Starts the database, and again on the same port whenever it ends by itself. */
async function keepDatabase() {
  let cluster = await startCluster('postgres');
  const { url, port } = cluster;
  running.push(() => cluster.stop());
  const watch = () =>
    void cluster.died.then(async () => {
      if (leaving) return;
      say('The database ended; it is started again.');
      try {
        cluster = await startCluster('postgres', { port });
        say('The database is back.');
        watch();
      } catch (error) {
        console.error(error.message);
        await leave(1);
      }
    });
  watch();
  return url;
}

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
  const port = await portToUse();
  ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
  ensureNodeModules();
  const url = await keepDatabase();
  const environment = { DATABASE_URL: url, NODE_ENV: 'production' };
  const secretsFile = join(stateFolder, 'demo-secrets.json');
  await finish(
    start(
      'node_modules/.bin/tsx',
      ['scripts/prepare-database.ts', '--demo', ...(isOpen ? ['--random-secrets', secretsFile] : [])],
      environment,
    ),
    'Preparing the database',
  );
  buildGuard();
  buildIfChanged();
  keepRunning(
    'The web process',
    process.execPath,
    ['scripts/web.mjs', '--host', values.host, '--port', String(port)],
    environment,
  );
  for (let number = 1; number <= Number(values.workers); number += 1)
    keepRunning(`Worker ${number}`, 'node_modules/.bin/tsx', ['workers/jobs/main.ts'], environment);
  const local = values.host === '0.0.0.0' || values.host === '::' ? '127.0.0.1' : values.host;
  for (let attempt = 0; ; attempt += 1) {
    const up = await fetch(`http://${local}:${port}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) break;
    if (attempt > 300) throw new SetupError('The web process does not answer.');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const reachable = local === values.host ? [local] : [local, ...ownAddresses()];
  console.log(`\nDidaktor is ready: ${reachable.map((address) => `http://${address}:${port}`).join('  ')}\n`);
  const signIns = isOpen
    ? JSON.parse(readFileSync(secretsFile, 'utf8'))
    : JSON.parse(readFileSync(join(root, 'demo/classes/people.json'), 'utf8')).shown;
  for (const line of signIns) console.log(`  ${line}`);
  if (isOpen) rmSync(secretsFile, { force: true });
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
