import { readdir } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { type Exercise } from '@/core/formats/exercise';
import { hasPassed, type Report } from '@/core/formats/report';
import { sightingSchema, type Sighting } from '@/core/formats/sighting';
import { check as judge } from '@/core/judge/check';
import { type Grammars } from '@/core/program';
import { nodeGrammars } from '@/grammars/node';
import { loadExercise, loadProgram, loadWiring, options, required, Unusable } from './input';
import type { Command } from './command';
import { buildFor } from '@/core/judge/build';

const sightings: readonly string[] = sightingSchema.options;

/** `check`: one build, or a folder of builds, against an exercise. */
export const check: Command = async (words, { out, folder }) => {
  const given = options(words, {
    exercise: { type: 'string' },
    wiring: { type: 'string' },
    code: { type: 'string' },
    submissions: { type: 'string' },
    seen: { type: 'string' },
    json: { type: 'boolean' },
  });
  const exercise = await loadExercise(required(given.exercise, 'exercise'), folder);
  const grammars = await nodeGrammars();
  if (given.submissions !== undefined)
    return checkFolder(exercise, given.submissions, grammars, folder, given.json === true, out);
  if (given.seen !== undefined && !sightings.includes(given.seen))
    throw new Unusable(`--seen takes ${sightings.join(', ')}`);
  const wiring = required(given.wiring, 'wiring');
  // An exercise without a program is one of the wiring alone.
  const code = exercise.data.program === '' ? given.code : required(given.code, 'code');
  const report = await checkFiles(
    exercise,
    wiring,
    code,
    grammars,
    folder,
    given.seen as Sighting | undefined,
  );
  out(given.json ? `${JSON.stringify(report, null, 2)}\n` : reportText(report));
  return hasPassed(report.verdict) ? 0 : 1;
};

async function checkFiles(
  exercise: Exercise,
  wiring: string,
  code: string | undefined,
  grammars: Grammars,
  folder: string,
  sighting?: Sighting,
): Promise<Report> {
  const source = code === undefined ? '' : await loadProgram(code, folder);
  const build = buildFor(exercise, await loadWiring(wiring, folder, exercise), source, grammars);
  return judge(exercise, build, grammars, sighting ? { sighting } : {});
}

async function checkFolder(
  exercise: Exercise,
  path: string,
  grammars: Grammars,
  folder: string,
  asJson: boolean,
  out: (text: string) => void,
): Promise<0 | 1> {
  const entries = await readdir(resolve(folder, path), { withFileTypes: true }).catch(() => {
    throw new Unusable(`${path}: the folder cannot be opened`);
  });
  const counts = new Map<string, number>();
  const names = entries
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort();
  const all: ({ readonly name: string } & ({ readonly report: Report } | { readonly unusable: string }))[] =
    [];
  for (const name of names) {
    let line: string;
    try {
      const files = await readdir(resolve(folder, path, name));
      const program = files.find((file) => file.startsWith('program.'));
      if (program === undefined && exercise.data.program !== '')
        throw new Unusable('there is no program file');
      const report = await checkFiles(
        exercise,
        join(path, name, 'wiring.csv'),
        program === undefined ? undefined : join(path, name, program),
        grammars,
        folder,
      );
      all.push({ name, report });
      const causes = report.findings.filter((finding) => finding.cause).map((finding) => finding.code);
      counts.set(report.verdict, (counts.get(report.verdict) ?? 0) + 1);
      line = [report.verdict, ...causes].join(' ');
    } catch (error) {
      if (!(error instanceof Unusable)) throw error;
      all.push({ name, unusable: error.message });
      counts.set('unusable', (counts.get('unusable') ?? 0) + 1);
      line = `unusable ${error.message}`;
    }
    if (!asJson) out(`${name}: ${line}\n`);
  }
  if (asJson) out(`${JSON.stringify({ submissions: all, counts: Object.fromEntries(counts) }, null, 2)}\n`);
  else
    out(
      `${names.length} submissions: ${[...counts].map(([verdict, count]) => `${count} ${verdict}`).join(', ') || 'none'}\n`,
    );
  const passed = (counts.get('as-drawn') ?? 0) + (counts.get('works-differently') ?? 0);
  return passed === names.length ? 0 : 1;
}

/** The report for a person at a terminal. */
function reportText(report: Report): string {
  const lines: string[] = [report.verdict];
  for (const finding of report.findings) {
    const place =
      finding.line === undefined ? finding.at.join(' ') : `line ${finding.line}, column ${finding.column}`;
    lines.push(
      `${finding.cause ? 'cause' : '     '} ${finding.severity} ${finding.code}${place === '' ? '' : ` (${place})`}: ${finding.message}`,
    );
    if (finding.repair) lines.push(`      repair: ${finding.repair.text}`);
  }
  for (const scenario of report.scenarios)
    for (const { expected, observed, passed } of scenario.expectations)
      lines.push(`${passed ? 'passed' : 'failed'} ${scenario.name}: wanted ${expected}; seen ${observed}`);
  return `${lines.join('\n')}\n`;
}
