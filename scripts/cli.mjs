// The command line: npm run -s didaktor -- COMMAND. It is bundled once for each state of its sources, and what V8 made
// of the bundle is kept beside it: a check of one build starts in half the time from there.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { basename, join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { Script } from 'node:vm';
import { root, stateFolder } from './machine/folders.mjs';

const sources = [
  'cli',
  'core',
  'engines',
  'grammars',
  'print',
  'package-lock.json',
  'scripts/cli.mjs',
  'tsconfig.json',
];

/** Names, sizes and times of all sources: what differs in none of them is not read again. */
function stateOf() {
  const hash = createHash('sha256');
  const look = (path) => {
    const full = join(root, path);
    const info = statSync(full, { throwIfNoEntry: false });
    if (!info || path.includes('.test.')) return;
    if (info.isDirectory()) for (const name of readdirSync(full).sort()) look(`${path}/${name}`);
    else hash.update(`${path} ${info.size} ${info.mtimeMs}\n`);
  };
  sources.forEach(look);
  return hash.digest('hex').slice(0, 24);
}

/** The folder of the bundle for this state of the sources, made when it is not there; `undefined` when it cannot be. */
function bundle() {
  const folder = join(stateFolder, 'cli', stateOf());
  if (existsSync(folder)) return folder;
  const draft = `${folder}.${process.pid}`;
  try {
    mkdirSync(join(stateFolder, 'cli'), { recursive: true });
    const { status } = spawnSync(
      join(root, 'node_modules/.bin/esbuild'),
      [
        'cli/main.ts',
        '--bundle',
        '--platform=node',
        '--format=cjs',
        '--target=node20',
        '--minify-syntax',
        '--minify-whitespace',
        ...['web-tree-sitter', 'pdfkit', 'fontkit', 'qrcode', 'elkjs'].map((name) => `--external:${name}`),
        '--define:import.meta.url=hereUrl',
        "--banner:js=const hereUrl = require('node:url').pathToFileURL(__filename).href;",
        `--outfile=${join(draft, 'main.cjs')}`,
        '--log-level=silent',
      ],
      { cwd: root },
    );
    if (status !== 0) return undefined;
    for (const old of readdirSync(join(stateFolder, 'cli')))
      if (!old.includes('.') && old !== basename(folder))
        rmSync(join(stateFolder, 'cli', old), { recursive: true, force: true });
    renameSync(draft, folder);
    return folder;
  } catch {
    // Another one has made the same meanwhile, or nothing can be written here.
    return existsSync(folder) ? folder : undefined;
  } finally {
    rmSync(draft, { recursive: true, force: true });
  }
}

/**
 * Runs the bundle in this process with what V8 made of it when this command was first given, which is written down when
 * the command ends. A cache that V8 refuses, or that cannot be written, only costs its time.
 */
function start(folder) {
  const file = join(folder, 'main.cjs');
  const command = process.argv[2] ?? '';
  const cache = /^[a-z]+$/.test(command) ? join(folder, `${command}.cache`) : undefined;
  const cachedData = cache !== undefined && existsSync(cache) ? readFileSync(cache) : undefined;
  const text = `(function (require, __filename) {${readFileSync(file, 'utf8')}\n})`;
  const script = new Script(text, { filename: file, cachedData });
  if (cache !== undefined && (cachedData === undefined || script.cachedDataRejected))
    process.once('exit', (status) => {
      if (status > 1) return;
      try {
        writeFileSync(`${cache}.${process.pid}`, script.createCachedData());
        renameSync(`${cache}.${process.pid}`, cache);
      } catch {
        // Nothing can be written here.
      }
    });
  script.runInThisContext()(createRequire(file), file);
}

// The parsers are translated once and quickly: to optimise them takes longer than to check a build.
setFlagsFromString('--liftoff-only');
const folder = bundle();
if (folder) start(folder);
else {
  const { tsImport } = await import('tsx/esm/api');
  await tsImport('../cli/main.ts', import.meta.url);
}
