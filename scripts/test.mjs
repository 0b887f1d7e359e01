// Runs every check there is: npm test. Installs what is missing, needs no network afterwards and no monitor.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildGuard, buildIfChanged } from './machine/build.mjs';
import { startCluster } from './machine/cluster.mjs';
import { root, stateFolder } from './machine/folders.mjs';
import {
  chromiumProgram,
  ensureDebian,
  ensureNode,
  ensureNodeModules,
  postgresPrograms,
  SetupError,
} from './machine/packages.mjs';

const counts = { passed: 0, failed: 0 };

/** Runs a program; its output is shown when it fails. */
function run(name, words, environment = {}) {
  const begin = Date.now();
  const [program, ...rest] = words;
  const result = spawnSync(join(root, 'node_modules/.bin', program), rest, {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 27,
    env: { ...process.env, ...environment },
  });
  const ok = result.status === 0;
  if (!ok) console.log(`${result.stdout}\n${result.stderr}`);
  console.log(`${ok ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - begin) / 1000).toFixed(0)} s)`);
  return { ok, output: result.stdout };
}

/** One check that counts as one. */
function check(name, words, isRight = () => true) {
  const { ok, output } = run(name, words);
  const right = ok && isRight(output);
  if (ok && !right) console.log(`FAILED ${name}: it looked at nothing`);
  counts[right ? 'passed' : 'failed'] += 1;
}

/** A test suite, counted test by test. */
function suite(name, project, environment) {
  const file = join(stateFolder, `tests-${project}.json`);
  rmSync(file, { force: true });
  const { ok } = run(
    name,
    [
      'vitest',
      'run',
      '--project',
      project,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${file}`,
    ],
    environment,
  );
  if (!existsSync(file)) {
    counts.failed += 1;
    return;
  }
  const result = JSON.parse(readFileSync(file, 'utf8'));
  counts.passed += result.numPassedTests;
  counts.failed += result.numFailedTests;
  // A suite that could not be loaded has no failed test, and has failed all the same.
  if (!ok && result.numFailedTests === 0) counts.failed += 1;
}

async function main() {
  ensureNode();
  mkdirSync(stateFolder, { recursive: true });
  ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
  ensureDebian(['chromium'], () => chromiumProgram() !== undefined);
  ensureNodeModules();
  check('formatting', ['prettier', '--check', '--log-level', 'warn', '.']);
  check('lint', ['eslint', '.', '--max-warnings', '0']);
  check(
    'imports point one way',
    [
      'depcruise',
      'core',
      'cli',
      'grammars',
      'engines',
      'server',
      'ui',
      'workers',
      'app',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'json',
    ],
    (output) => JSON.parse(output).summary.totalCruised > 100,
  );
  check('types', ['tsc', '--noEmit', '-p', '.']);
  buildGuard();
  suite('unit tests', 'unit', {});
  const cluster = await startCluster('test-postgres', { quick: true });
  try {
    const environment = { TEST_DATABASE_URL: cluster.url };
    suite('database tests', 'database', environment);
    buildIfChanged();
    counts.passed += 1;
    suite('browser tests', 'browser', environment);
  } finally {
    await cluster.stop();
  }
}

try {
  await main();
} catch (error) {
  counts.failed += 1;
  console.error(error instanceof SetupError ? error.message : error);
}
console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exitCode = counts.failed > 0 ? 1 : 0;
