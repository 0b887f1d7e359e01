// Makes slips in right builds, lets them be judged, does what is said, and counts how often that was right:
// npm run trials [-- --of EXERCISE --sort WORDS --show --write]. The table goes to docs/trials.md.
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { format } from 'prettier';
import type { Exercise } from '@/core/formats/exercise';
import { hasPassed } from '@/core/formats/report';
import { courseExercises } from '@/core/testing/course';
import { exerciseSaid } from '@/core/testing/exercise-said';
import { mutantsOf, ownForms, type OwnForm, withRepairs } from '@/core/testing/own-forms';
import { reportOnSlip } from '@/core/testing/said-slips';
import { doublesOf } from '@/core/testing/trials/doubles';
import { trialExercises } from '@/core/testing/trials/exercises';
import type { Fault } from '@/core/faults/fault';
import { programFaults } from '@/core/faults/program';
import { isHarmful, triedOn } from '@/core/testing/trials/trial';
import { wiringFaults } from '@/core/faults/wiring';

const { values } = parseArgs({
  options: {
    of: { type: 'string', default: '' },
    sort: { type: 'string', default: '' },
    show: { type: 'boolean', default: false },
    write: { type: 'boolean', default: false },
  },
});

/** Pairs of slips of each sort that are made in an exercise. */
const DOUBLES = 30;
/** Processor seconds above which a check counts as long. */
const LONG = 2;

interface Score {
  builds: number;
  passed: number;
  named: number;
  placed: number;
  mended: number;
  asAsked: number;
  readonly seconds: number[];
}

const scores = new Map<string, Score>();

function judge(
  exercise: Exercise,
  sort: string,
  build: Pick<Fault, 'wiring' | 'program'>,
  slips: readonly Fault[],
): void {
  const score = scores.get(sort) ?? {
    builds: 0,
    passed: 0,
    named: 0,
    placed: 0,
    mended: 0,
    asAsked: 0,
    seconds: [],
  };
  scores.set(sort, score);
  const begin = process.cpuUsage();
  const trial = triedOn(exercise, build, slips);
  const { user, system } = process.cpuUsage(begin);
  score.seconds.push((user + system) / 1e6);
  score.builds += 1;
  const passes = hasPassed(trial.report.verdict);
  const results = {
    named: trial.isNamed,
    placed: trial.isPlaced,
    mended: trial.isMended,
    asAsked: trial.isAsAsked,
  };
  if (passes) score.passed += 1;
  else for (const [key, is] of Object.entries(results)) if (is) score[key as keyof typeof results] += 1;
  const misses = Object.entries(results).flatMap(([key, is]) => (is ? [] : [key]));
  if (!values.show || (!passes && misses.length === 0)) return;
  console.log(`${exercise.data.id}: ${slips.map(({ sort: one, what }) => `${one}: ${what}`).join('; ')}`);
  console.log(`  ${passes ? trial.report.verdict : `not ${misses.join(', ')}`}`);
  for (const { code, message, repair } of trial.causes)
    console.log(`  ${code}: ${message} → ${repair?.text ?? '-'}`);
}

for (const { name, exercise } of [...trialExercises, ...courseExercises]) {
  if (!name.includes(values.of)) continue;
  const isWanted = ({ sort }: { readonly sort: string }): boolean => sort.includes(values.sort);
  const [wirings, programs] = [[...wiringFaults(exercise)], [...programFaults(exercise)]];
  for (const one of [...wirings, ...programs].filter(isWanted)) judge(exercise, one.sort, one, [one]);
  // Of each, those that a build does not work with: with two slips both have to be told.
  const harmful = (faults: readonly Fault[]): readonly Fault[] =>
    faults.filter((_, index) => index % 3 === 0).filter((fault) => isHarmful(exercise, fault));
  const doubles =
    values.sort === '' || values.sort.includes('in the')
      ? doublesOf(harmful(wirings), harmful(programs), DOUBLES)
      : [];
  for (const double of doubles.filter(isWanted)) judge(exercise, double.sort, double, double.slips);
}

function row(sort: string, all: readonly Score[]): string {
  const sum = (of: (score: Score) => number): number => all.reduce((total, score) => total + of(score), 0);
  const seconds = all.flatMap((score) => score.seconds).sort((a, b) => a - b);
  const wrong = sum(({ builds, passed }) => builds - passed);
  const share = (count: number): string => (wrong === 0 ? '' : `${((100 * count) / wrong).toFixed(1)} %`);
  const cells = [
    sum(({ builds }) => builds),
    sum(({ passed }) => passed),
    share(sum(({ named }) => named)),
    share(sum(({ placed }) => placed)),
    share(sum(({ mended }) => mended)),
    share(sum(({ asAsked }) => asAsked)),
    (seconds[Math.floor(seconds.length / 2)] ?? 0).toFixed(2),
    (seconds.at(-1) ?? 0).toFixed(2),
    seconds.filter((one) => one > LONG).length,
  ];
  return `| ${sort} | ${cells.join(' | ')} |`;
}

/** What is said of each program of one's own form with one thing of it otherwise. */
function ownFormRow({ said, own }: OwnForm): string {
  const exercise = exerciseSaid(said);
  const counts = { mutants: 0, passed: 0, mended: 0, undone: 0 };
  const seconds: number[] = [];
  for (const { name, source } of mutantsOf(own, exercise.data.language ?? 'cpp')) {
    const begin = process.cpuUsage();
    const { verdict, findings } = reportOnSlip(exercise, { program: () => source });
    const { user, system } = process.cpuUsage(begin);
    seconds.push((user + system) / 1e6);
    counts.mutants += 1;
    const causes = findings.filter(({ cause }) => cause);
    if (hasPassed(verdict)) counts.passed += 1;
    else if (causes.length > 0 && causes.every(({ repair }) => repair)) {
      counts.mended += 1;
      if (withRepairs(source, causes).replace(/\s/g, '') === own.replace(/\s/g, '')) counts.undone += 1;
    } else if (values.show) console.log(`${said.id}: ${name} has no repair`);
  }
  const wrong = counts.mutants - counts.passed;
  const share = (count: number): string => (wrong === 0 ? '' : `${((100 * count) / wrong).toFixed(1)} %`);
  seconds.sort((a, b) => a - b);
  const times = [seconds[Math.floor(seconds.length / 2)] ?? 0, seconds.at(-1) ?? 0];
  return `| ${[said.id, counts.mutants, counts.passed, share(counts.mended), share(counts.undone), ...times.map((one) => one.toFixed(2))].join(' | ')} |`;
}

const isDouble = (sort: string): boolean => sort.includes('in the wiring');
const [singles, doubles] = [false, true].map((is) => [...scores].filter(([sort]) => isDouble(sort) === is));
const table = `| slip | builds | works all the same | named | at its place | mended | as asked | median s | longest s | over ${LONG} s |
| --- | --: | --: | --: | --: | --: | --: | --: | --: | --: |
${[...singles!, ...doubles!].map(([sort, score]) => row(sort, [score])).join('\n')}
${row(
  '**one slip**',
  singles!.map(([, score]) => score),
)}
${row(
  '**two slips**',
  doubles!.map(([, score]) => score),
)}
`;
const ownTable = `| exercise | programs | work all the same | mended | slip undone | median s | longest s |
| --- | --: | --: | --: | --: | --: | --: |
${
  values.sort === ''
    ? ownForms
        .filter(({ said }) => said.id.includes(values.of))
        .map(ownFormRow)
        .join('\n')
    : ''
}
`;
console.log(table);
console.log(ownTable);
if (values.write)
  writeFileSync(
    'docs/trials.md',
    await format(
      `# Slips, and what is said of them

Written by \`npm run trials -- --write\`; do not edit by hand.

Slips of the hand and of the keyboard (\`core/faults\`) are made in the right builds of the course's exercises and of
${trialExercises.length} more, with other parts, boards and programs (\`core/testing/trials\`). Each build is judged, and what its causes say is done. Counted
is, of the builds that do not work:

- **named**: the first cause has a code by which an expert would call the slip; with two slips, each has one;
- **at its place**: the cause, or its repair, is about the part or the line that the slip was made in;
- **mended**: the build passes when all its repairs are made;
- **as asked**: it is then the very build of the exercise, and there were no more causes than slips.

A slip after which the build works all the same is one between two ends that are joined anyhow, or of a part that no
scenario watches. Times are of the processor, the making of the repaired build included.

${table}
## Programs of one's own form

Programs that do what an exercise asks for in another way than its own (\`core/testing/own-forms\`), each with every word, sign and
number of it otherwise, and with every line left out or one too early. **Mended**: each cause that is told has a repair, with
which the program passes; **slip undone**: the program is the one from before then.

${ownTable}`,
      { parser: 'markdown', printWidth: 110 },
    ),
  );
