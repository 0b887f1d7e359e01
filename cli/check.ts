import { asksForProgram, type Exercise } from '@/core/formats/exercise';
import { causeCodes, hasPassed, type Report } from '@/core/formats/report';
import { sightingSchema, type Sighting } from '@/core/formats/sighting';
import { buildFor } from '@/core/judge/build';
import { check as judge } from '@/core/judge/check';
import { statedExercise } from '@/core/judge/stated';
import { nodeGrammars } from '@/grammars/node';
import type { Command, Terminal } from './command';
import { loadExercise, loadProgram, loadStated, loadWiring, options, required, Unusable } from './input';
import { namesIn, outcomesOf, type Outcome, type Submissions } from './submissions';

const sightings: readonly string[] = sightingSchema.options;

/** `check`: one build, or a folder of builds, against an exercise. */
export const check: Command = async (words, terminal) => {
  const { out, folder } = terminal;
  const given = options(words, {
    exercise: { type: 'string' },
    wiring: { type: 'string' },
    code: { type: 'string' },
    submissions: { type: 'string' },
    seen: { type: 'string' },
    stated: { type: 'string' },
    json: { type: 'boolean' },
  });
  const file = required(given.exercise, 'exercise');
  const exercise = await loadExercise(file, folder);
  if (given.submissions !== undefined)
    return checkFolder(
      exercise,
      { exercise: file, path: given.submissions, folder },
      given.json === true,
      terminal,
    );
  if (given.seen !== undefined && !sightings.includes(given.seen))
    throw new Unusable(`--seen takes ${sightings.join(', ')}`);
  const wiring = required(given.wiring, 'wiring');
  // An exercise without a program is one of the wiring alone.
  const code = !asksForProgram(exercise) ? given.code : required(given.code, 'code');
  const source = code === undefined ? '' : await loadProgram(code, folder);
  const grammars = await nodeGrammars();
  const said = given.stated === undefined ? [] : await loadStated(given.stated, folder, exercise);
  const asked = statedExercise(exercise, said, grammars);
  if (!asked.ok)
    throw new Unusable(`${given.stated ?? '--stated is missing'}: ${asked.problems[0]!.message}`);
  const build = buildFor(asked.value, await loadWiring(wiring, folder, exercise), source, grammars);
  const sighting = given.seen as Sighting | undefined;
  const report = judge(asked.value, build, grammars, sighting ? { sighting } : {});
  out(given.json ? `${JSON.stringify(report, null, 2)}\n` : reportText(report));
  return hasPassed(report.verdict) ? 0 : 1;
};

async function checkFolder(
  exercise: Exercise,
  of: Submissions,
  asJson: boolean,
  { out, program }: Terminal,
): Promise<0 | 1> {
  const names = await namesIn(of);
  const counts = new Map<string, number>();
  const all: ({ readonly name: string } & Outcome)[] = [];
  for await (const outcome of outcomesOf(exercise, of, names, program)) {
    const name = names[all.length]!;
    all.push({ name, ...outcome });
    const verdict = 'report' in outcome ? outcome.report.verdict : 'unusable';
    counts.set(verdict, (counts.get(verdict) ?? 0) + 1);
    const said = 'report' in outcome ? causeCodes(outcome.report) : [outcome.unusable];
    if (!asJson) out(`${name}: ${[verdict, ...said].join(' ')}\n`);
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
  const lines: string[] = [report.verdict, ...report.right.map((text) => `right already: ${text}`)];
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
