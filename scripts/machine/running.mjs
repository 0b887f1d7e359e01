// A product that runs from this checkout until it is told to stop: one at a time, whatever ends is started again.
import { existsSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { buildProcesses, buildIfChanged } from './build.mjs';
import { databaseFile, root, stateFolder } from './folders.mjs';
import { ensureDebian, ensureNode, ensureNodeModules, postgresPrograms, SetupError } from './packages.mjs';
import { portToUse, Product } from './product.mjs';

const say = (text) => console.log(`${new Date().toTimeString().slice(0, 8)} ${text}`);

/** Whether a process is one of this kind, started from here. */
function isRunning(pid) {
  try {
    return /scripts\/(demo|start)\.mjs/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'));
  } catch {
    return false;
  }
}

/** Keeps two starts of one database apart; the lock of a run that was killed is stale. */
function takeLock(lock) {
  mkdirSync(stateFolder, { recursive: true });
  const holder = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0;
  if (holder > 0 && holder !== process.pid && isRunning(holder))
    throw new SetupError(
      `Didaktor already runs from this folder, as process ${holder}. Stop it there with Ctrl-C.`,
    );
  writeFileSync(lock, String(process.pid));
}

/** Ends the processes of a run that was killed; they would hold the port and an old database. */
function endOrphans(pids) {
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

/** Addresses under which other machines reach this one. */
const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/**
 * Starts a product and keeps it running: its database (the cluster of this name, unless it is told of another), what
 * `prepare` says to `scripts/prepare-database.ts`, a build, the web process and the workers. `ready` gets the addresses
 * under which it is reached once it answers, and returns the lines to show.
 */
export async function runProduct({ cluster, host, port, isPortAWish, databaseUrl, workers, prepare, ready }) {
  // One run for each database: its own cluster, or another one by the port that it is served on.
  const name = databaseUrl === undefined ? cluster : `port-${port}`;
  const [lock, pids] = [join(stateFolder, `${name}.lock`), join(stateFolder, `${name}.pids`)];
  let product;
  let leaving = false;
  let holdsLock = false;
  const leave = async (code) => {
    if (leaving) return;
    leaving = true;
    await product?.end();
    if (holdsLock)
      for (const file of [pids, lock, ...(databaseUrl === undefined ? [databaseFile] : [])])
        rmSync(file, { force: true });
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void leave(0));
  try {
    ensureNode();
    takeLock(lock);
    holdsLock = true;
    endOrphans(pids);
    const free = await portToUse(host, port, isPortAWish);
    if (databaseUrl === undefined) ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
    ensureNodeModules();
    product = new Product({
      cluster,
      host,
      port: free,
      say,
      onChange: () => writeFileSync(pids, [...product.alive.values()].map(({ pid }) => pid).join('\n')),
      onLoss: (error) => {
        console.error(error.message);
        void leave(1);
      },
    });
    if (databaseUrl === undefined) await product.startDatabase();
    else product.use(databaseUrl);
    // For the commands that look after people and backups while it runs.
    if (databaseUrl === undefined)
      writeFileSync(databaseFile, product.environment.DATABASE_URL, { mode: 0o600 });
    await product.runOnce('Preparing the database', process.execPath, [
      '--import',
      'tsx',
      'scripts/prepare-database.ts',
      ...prepare,
    ]);
    buildProcesses();
    buildIfChanged();
    product.startWeb();
    product.startWorkers(workers);
    await product.isUp();
    const others = ['0.0.0.0', '::'].includes(host) ? ownAddresses() : [];
    const addresses = [product.base, ...others.map((address) => `http://${address}:${free}`)];
    console.log(`\nDidaktor is ready: ${addresses.join('  ')}\n`);
    for (const line of ready(addresses)) console.log(`  ${line}`);
    console.log('\nCtrl-C stops everything.');
  } catch (error) {
    console.error(error instanceof SetupError ? `\n${error.message}` : error);
    await leave(1);
  }
}
