// Starts the product with demo data: npm run demo [-- --host ADDRESS --port N]
import { spawn } from 'node:child_process';
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
import { buildIfChanged } from './machine/build.mjs';

const { values } = parseArgs({
  options: { host: { type: 'string', default: '127.0.0.1' }, port: { type: 'string' } },
});
const lock = join(stateFolder, 'demo.lock');
const webPid = join(stateFolder, 'web.pid');
const running = [];
let leaving = false;
let holdsLock = false;

async function leave(code) {
  if (leaving) return;
  leaving = true;
  for (const stop of running.reverse()) await stop();
  if (holdsLock) for (const file of [webPid, lock]) rmSync(file, { force: true });
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

/** Ends the web server of a run that was killed; it would hold the port and an old database. */
function endOrphan() {
  if (!existsSync(webPid)) return;
  const pid = Number(readFileSync(webPid, 'utf8'));
  try {
    if (
      readlinkSync(`/proc/${pid}/cwd`) === root &&
      /next/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'))
    )
      process.kill(pid, 'SIGKILL');
  } catch {
    // It is gone, as it should be.
  }
  rmSync(webPid, { force: true });
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

async function portToUse() {
  const wanted = Number(values.port ?? 4170);
  const taken = await fetch(`http://127.0.0.1:${wanted}/`, { signal: AbortSignal.timeout(1500) }).then(
    () => true,
    () => false,
  );
  if (!taken) return wanted;
  if (values.port !== undefined) throw new SetupError(`Port ${wanted} is in use.`);
  return freePort();
}

async function main() {
  ensureNode();
  takeLock();
  endOrphan();
  ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
  ensureNodeModules();
  const cluster = await startCluster('postgres');
  running.push(cluster.stop);
  const environment = { DATABASE_URL: cluster.url, NODE_ENV: 'production' };
  await finish(
    start('node_modules/.bin/tsx', ['scripts/prepare-database.ts', '--demo'], environment),
    'Preparing the database',
  );
  await buildIfChanged();
  const port = await portToUse();
  const web = start('node_modules/.bin/next', ['start', '-H', values.host, '-p', String(port)], environment);
  writeFileSync(webPid, String(web.pid));
  web.stderr.on('data', (chunk) => process.stderr.write(chunk));
  web.once('exit', (code) => void leave(code ?? 1));
  for (let attempt = 0; ; attempt += 1) {
    const up = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) break;
    if (attempt > 300) throw new SetupError('The web server does not answer.');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const signIns = JSON.parse(readFileSync(join(root, 'demo/classes/people.json'), 'utf8')).shown;
  console.log(
    `\nDidaktor is ready: http://${values.host === '0.0.0.0' ? '127.0.0.1' : values.host}:${port}\n`,
  );
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
