// Builds the web application when something that goes into it has changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, stateFolder } from './folders.mjs';
import { SetupError } from './packages.mjs';

const sources = [
  'app',
  'ui',
  'core',
  'engines',
  'print',
  'server',
  'workers',
  'grammars',
  'proxy.ts',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package-lock.json',
];

function hashInto(hash, path) {
  const full = join(root, path);
  if (!existsSync(full)) return;
  let entries;
  try {
    entries = readdirSync(full, { withFileTypes: true });
  } catch {
    hash.update(path).update(readFileSync(full));
    return;
  }
  for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1)))
    if (!entry.name.includes('.test.')) hashInto(hash, `${path}/${entry.name}`);
}

/** Packages that look for files of their own, and stay where they are. */
const LEFT_OUT = [
  ...['web-tree-sitter', 'pdfkit', 'fontkit', 'qrcode'],
  ...['knex', 'graphile-worker', 'pino', '@node-rs/argon2'],
];

/** Bundles a program of Node.js into one file: it starts faster than its sources, and runs faster. */
function bundle(program, entry, file) {
  const result = spawnSync(
    'node_modules/.bin/esbuild',
    [
      entry,
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      ...LEFT_OUT.map((name) => `--external:${name}`),
      `--outfile=${file}`,
      '--log-level=warning',
    ],
    { cwd: root, encoding: 'utf8' },
  );
  if (result.status !== 0) throw new SetupError(`${program} could not be built:\n${result.stderr}`);
}

/** Bundles the processes beside the web one: the worker, and what does the core’s work under guard. */
export function buildProcesses() {
  bundle('The guarded process', 'server/guard/process.ts', '.didaktor/guard/process.mjs');
  bundle('The worker', 'workers/jobs/main.ts', '.didaktor/worker/main.mjs');
}

/** Bundles what keeps pages for when there is no connection; browsers want it as one file at the root. */
function buildOffline() {
  const result = spawnSync(
    'node_modules/.bin/esbuild',
    [
      'workers/offline/offline.ts',
      '--bundle',
      '--format=iife',
      '--target=es2022',
      '--minify',
      '--define:process.env.NODE_ENV="production"',
      '--outfile=public/offline.js',
      '--log-level=warning',
    ],
    { cwd: root, encoding: 'utf8' },
  );
  if (result.status !== 0) throw new SetupError(`What keeps pages could not be built:\n${result.stderr}`);
}

/** Returns once `.next` holds a build of what is in the checkout. */
export function buildIfChanged() {
  const hash = createHash('sha256');
  for (const source of sources) hashInto(hash, source);
  const wanted = hash.digest('hex');
  const mark = join(stateFolder, 'built.txt');
  const isBuilt =
    existsSync(join(root, '.next', 'BUILD_ID')) && existsSync(mark) && readFileSync(mark, 'utf8') === wanted;
  if (isBuilt) return;
  console.log('Building the application …');
  buildOffline();
  const result = spawnSync('node_modules/.bin/next', ['build'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (result.status !== 0) throw new SetupError(`The build failed:\n${result.stdout}\n${result.stderr}`);
  writeFileSync(mark, wanted);
}
