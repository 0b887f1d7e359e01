// The command line: npm run -s didaktor -- COMMAND. It is bundled once for each state of its sources, and starts three
// times as fast from there.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import { pathToFileURL } from 'node:url';
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
        '--splitting',
        '--platform=node',
        '--format=esm',
        '--target=node20',
        '--external:web-tree-sitter',
        '--external:pdfkit',
        '--external:fontkit',
        '--external:qrcode',
        "--banner:js=import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
        `--outdir=${draft}`,
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

const folder = bundle();
if (folder) await import(pathToFileURL(join(folder, 'main.js')).href);
else {
  const { tsImport } = await import('tsx/esm/api');
  await tsImport('../cli/main.ts', import.meta.url);
}
