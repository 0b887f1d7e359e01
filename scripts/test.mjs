// Runs the checks: npm test, or some of them: npm test -- static unit database browser. With “thorough” tests of
// made-up inputs try five times as many. Installs what is missing, needs no network afterwards and no monitor.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { buildProcesses, buildIfChanged } from './machine/build.mjs';
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

const PARTS = ['static', 'unit', 'database', 'browser'];
const THOROUGH = 'thorough';
/** Milliseconds between two lines that say how far it is. */
const SAYS_EVERY = 8000;

const counts = { passed: 0, failed: 0 };
/** What failed and why, a line each: said again at the end, where whoever reads only that finds it. */
const failures = [];

/** Runs a program and says now and then how far it is; its output is shown when it fails. */
function run(name, words, { environment = {}, doneIn = () => undefined } = {}) {
  const begin = Date.now();
  const seconds = () => ((Date.now() - begin) / 1000).toFixed(0);
  const [program, ...rest] = words;
  const child = spawn(join(root, 'node_modules/.bin', program), rest, {
    cwd: root,
    env: { ...process.env, ...environment },
  });
  let output = '';
  let all = '';
  child.stdout.on('data', (text) => ((output += text), (all += text)));
  child.stderr.on('data', (text) => (all += text));
  const ticker = setInterval(() => {
    const done = doneIn(output);
    console.log(`…      ${name}, ${seconds()} s${done === undefined ? '' : `, ${done}`}`);
  }, SAYS_EVERY);
  return new Promise((resolve) => {
    child.once('close', (status) => {
      clearInterval(ticker);
      const ok = status === 0;
      if (!ok) console.log(all);
      console.log(`${ok ? 'ok    ' : 'FAILED'} ${name} (${seconds()} s)`);
      resolve({ ok, output });
    });
  });
}

/** One check that counts as one. */
async function check(name, words, isRight = () => true) {
  const { ok, output } = await run(name, words);
  const right = ok && isRight(output);
  if (ok && !right) console.log(`FAILED ${name}: it looked at nothing, or at something that is wrong`);
  counts[right ? 'passed' : 'failed'] += 1;
  if (!right) failures.push(name);
}

/** The failures in a report of tests, with the first lines of their reasons. */
function* failuresIn({ testResults }) {
  const isTelling = (line) => line.trim() !== '' && !/node_modules|node:/.test(line);
  const reason = (text) => text.split('\n').filter(isTelling).slice(0, 4).join(' | ').slice(0, 400);
  for (const { name, message, assertionResults } of testResults) {
    const file = relative(root, name);
    // A file that could not begin, or not end, has a message of its own.
    if (message) yield `${file}: ${reason(message)}`;
    for (const { status, fullName, failureMessages } of assertionResults)
      if (status === 'failed') yield `${file}: ${fullName}: ${reason(failureMessages.join('\n'))}`;
  }
}

/** How many tests a reporter has called done: it says so file by file. */
function testsIn(output) {
  // eslint-disable-next-line no-control-regex
  const plain = output.replace(/\u001b\[[0-9;]*m/g, '');
  const files = [...plain.matchAll(/^ [✓❯] .*\((\d+) tests?/gm)];
  return `${files.reduce((sum, [, count]) => sum + Number(count), 0)} tests in ${files.length} files`;
}

/** A test suite, counted test by test. */
async function suite(name, project, environment) {
  const file = join(stateFolder, `tests-${project}.json`);
  rmSync(file, { force: true });
  const { ok } = await run(
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
    { environment, doneIn: testsIn },
  );
  if (!existsSync(file)) {
    counts.failed += 1;
    failures.push(`${name}: ended without a report`);
    return;
  }
  const result = JSON.parse(readFileSync(file, 'utf8'));
  counts.passed += result.numPassedTests;
  counts.failed += result.numFailedTests;
  failures.push(...failuresIn(result));
  // A suite that could not be loaded has no failed test, and has failed all the same.
  if (!ok && result.numFailedTests === 0) counts.failed += 1;
}

/** What reads the sources only; each keeps one core busy, so that two go at a time. */
async function staticChecks() {
  const cruised = ['core', 'cli', 'grammars', 'engines', 'print', 'server', 'ui', 'workers', 'app'];
  await Promise.all([
    check('lint', ['eslint', '.', '--max-warnings', '0']),
    (async () => {
      await check('formatting', [
        'prettier',
        ...['--check', '--log-level', 'warn'],
        // What is right stays right until it is changed.
        ...['--cache', '--cache-strategy', 'content', '--cache-location', join(stateFolder, 'prettier.json')],
        '.',
      ]);
      await check(
        'imports point one way',
        ['depcruise', ...cruised, '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
        // This form of its output leaves it to whoever reads it to fail.
        (output) => {
          const { totalCruised, error, violations } = JSON.parse(output).summary;
          for (const { rule, from, to } of violations) console.log(`${rule.name}: ${from} → ${to}`);
          return totalCruised > 100 && error === 0;
        },
      );
      await check('types', [
        'tsc',
        ...['--noEmit', '-p', '.'],
        ...['--incremental', '--tsBuildInfoFile', join(stateFolder, 'types.tsbuildinfo')],
      ]);
    })(),
  ]);
}

async function main() {
  const words = process.argv.slice(2);
  const wanted = words.filter((word) => word !== THOROUGH);
  if (words.includes(THOROUGH)) process.env.DIDAKTOR_TESTS = THOROUGH;
  const unknown = wanted.filter((part) => !PARTS.includes(part));
  if (unknown.length > 0)
    throw new SetupError(
      `There is no part “${unknown.join(' ')}”. The parts are ${PARTS.join(', ')}; “${THOROUGH}” goes with any.`,
    );
  const isWanted = (part) => wanted.length === 0 || wanted.includes(part);
  ensureNode();
  mkdirSync(stateFolder, { recursive: true });
  ensureDebian(['postgresql'], () => postgresPrograms() !== undefined);
  ensureDebian(['chromium-headless-shell'], () => chromiumProgram() !== undefined);
  ensureNodeModules();
  if (isWanted('static')) await staticChecks();
  buildProcesses();
  if (isWanted('unit')) await suite('unit tests', 'unit', {});
  if (!isWanted('database') && !isWanted('browser')) return;
  const cluster = await startCluster('test-postgres', { quick: true });
  try {
    const environment = { TEST_DATABASE_URL: cluster.url };
    if (isWanted('database')) await suite('database tests', 'database', environment);
    if (!isWanted('browser')) return;
    buildIfChanged();
    counts.passed += 1;
    await suite('browser tests', 'browser', environment);
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
// eslint-disable-next-line no-control-regex
for (const failure of failures) console.log(`FAILED ${failure.replace(/\u001b\[[0-9;]*m/g, '')}`);
console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exitCode = counts.failed > 0 ? 1 : 0;
