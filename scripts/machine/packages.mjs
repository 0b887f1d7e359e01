// Makes sure that Debian's and npm's packages are there, and says what to do when they cannot be had.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './folders.mjs';

/** A set-up step that cannot be done here, with what a person can do about it. */
export class SetupError extends Error {}

const isRoot = () => process.getuid?.() === 0;

/** Folder of the newest installed PostgreSQL server programs; undefined when there is none. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return undefined;
  const versions = readdirSync(base).filter((name) => existsSync(join(base, name, 'bin', 'initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest && join(base, newest, 'bin');
}

/**
 * Path of Debian's Chromium; undefined when it is not installed. The one without windows does the same work in two
 * thirds of the time, as nothing is drawn round the pages.
 */
export function chromiumProgram() {
  return ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
    existsSync,
  );
}

/** Installs Debian packages that `isThere` does not find. */
export function ensureDebian(names, isThere) {
  if (isThere()) return;
  console.log(`Installing ${names.join(' and ')} …`);
  if (!existsSync('/usr/bin/apt-get'))
    throw new SetupError(
      `${names.join(' and ')} must be installed, and this system has no apt-get. Install it by hand, then start again.`,
    );
  const as = isRoot() ? [] : ['sudo', '-n'];
  if (!isRoot() && spawnSync('sudo', ['-n', 'true']).status !== 0)
    throw new SetupError(
      `${names.join(' and ')} must be installed. Run: sudo apt-get install ${names.join(' ')}`,
    );
  if (names.includes('postgresql')) keepMainClusterAway(as);
  const run = (...words) => {
    const [program, ...rest] = [...as, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...words];
    return spawnSync(program, rest, { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' });
  };
  run('update', '-qq');
  const result = run('install', '-y', '-qq', '--no-install-recommends', ...names);
  if (!isThere())
    throw new SetupError(
      `${names.join(' and ')} could not be installed: ${(result.stderr ?? '').trim().split('\n').at(-1) ?? 'apt-get failed'}\n` +
        `Is there a network? Run: sudo apt-get install ${names.join(' ')}`,
    );
}

// Debian's package would otherwise make and start a server of its own.
function keepMainClusterAway(as) {
  const file = '/etc/postgresql-common/createcluster.conf';
  if (existsSync(file)) return;
  const [program, ...rest] = [
    ...as,
    'sh',
    '-c',
    `mkdir -p /etc/postgresql-common && echo 'create_main_cluster = false' > ${file}`,
  ];
  spawnSync(program, rest);
}

/** The packages that a lock file of npm lists, by where they lie. */
const packagesIn = (file) => Object.entries(JSON.parse(readFileSync(file, 'utf8')).packages);

/** Whether the packages lie there as the lock file wants them; npm keeps a list of what it has put there. */
function areInstalled() {
  const list = join(root, 'node_modules', '.package-lock.json');
  if (!existsSync(list)) return false;
  const installed = new Map(packagesIn(list));
  const wanted = packagesIn(join(root, 'package-lock.json')).filter(([path]) => path !== '');
  return wanted.every(([path, { version, integrity, optional }]) => {
    const there = installed.get(path);
    return there ? there.version === version && there.integrity === integrity : optional === true;
  });
}

/** Installs the npm packages of the lock file when they are missing or others than it wants. */
export function ensureNodeModules() {
  if (areInstalled()) return;
  console.log('Installing npm packages …');
  const result = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'pipe'],
    encoding: 'utf8',
  });
  if (result.status !== 0)
    throw new SetupError(
      `The npm packages could not be installed: ${(result.stderr ?? '').trim().split('\n')[0] ?? ''}\nIs there a network? Run: npm ci`,
    );
}

/** Refuses to go on under a Node that the packages do not run on. */
export function ensureNode() {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) throw new SetupError(`Node 20 is needed; this is Node ${process.versions.node}.`);
}
