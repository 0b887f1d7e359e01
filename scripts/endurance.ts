// Judges hostile programs and mutated builds of every exercise as the workers do, in guarded processes, and says what
// they took: npm run endurance [-- --builds N --write]. The table goes to docs/endurance.md.
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { hostilePrograms } from '@/core/testing/hostile-programs';
import { mutatedBuilds } from '@/core/testing/mutated-builds';
import { writeTable } from '@/core/wiring/table';
import { CHECK_LIMITS, GuardedProcesses } from '@/server/guard/processes';
import type { CheckInput } from '@/server/guard/tasks';
import { buildProcesses } from './machine/build.mjs';

const { values } = parseArgs({
  options: { builds: { type: 'string', default: '5000' }, write: { type: 'boolean', default: false } },
});

interface Trial {
  readonly what: string;
  readonly input: CheckInput;
}

const exercises = new Map(
  readdirSync('demo/course').map((file) => {
    const data = JSON.parse(readFileSync(join('demo/course', file), 'utf8')) as {
      id: string;
      layout: string;
    };
    return [data.id, data];
  }),
);

const hostile: readonly Trial[] = hostilePrograms.map(({ name, language, source }) => {
  const exercise = exercises.get(language === 'cpp' ? 'night-bell' : 'beacon-python')!;
  return { what: `${language}: ${name}`, input: { exercise, wiring: exercise.layout, program: source } };
});
const mutated: readonly Trial[] = mutatedBuilds(20_261_127, Number(values.builds)).map(
  ({ what, exercise, wiring, source }) => ({
    what,
    input: { exercise: exercise.data, wiring: writeTable(wiring), program: source },
  }),
);

/** Builds that a process has to have judged until its own compiler has seen most of the checker. */
const COLD = 120;
/** Processor seconds above which a check counts as long. */
const LONG = 2;

async function judged(title: string, trials: readonly Trial[], guarded: GuardedProcesses): Promise<string> {
  const seconds: number[] = [];
  const long: string[] = [];
  const ended: string[] = [];
  const verdicts = new Map<string, number>();
  let next = 0;
  const work = async (): Promise<void> => {
    for (let trial = trials[next++]; trial; trial = trials[next++]) {
      const outcome = await guarded.run('check', trial.input);
      if (!outcome.ended) {
        ended.push(`${trial.what} (${outcome.obstacle})`);
        continue;
      }
      seconds.push(outcome.seconds);
      if (outcome.seconds > LONG) long.push(`${trial.what} (${outcome.seconds.toFixed(1)} s)`);
      const { verdict, failure } = outcome.value;
      verdicts.set(verdict, (verdicts.get(verdict) ?? 0) + 1);
      if (failure !== undefined) ended.push(`${trial.what} (${failure.split('\n')[0]})`);
    }
  };
  await Promise.all([work(), work()]);
  seconds.sort((a, b) => a - b);
  const at = (share: number): string => (seconds[Math.floor(seconds.length * share)] ?? 0).toFixed(2);
  for (const line of [...long, ...ended]) console.log(`  ${line}`);
  return `| ${title} | ${trials.length} | ${at(0.5)} s | ${at(0.95)} s | ${(seconds.at(-1) ?? 0).toFixed(2)} s | ${long.length} | ${ended.length} | ${[...verdicts].map(([verdict, count]) => `${count} ${verdict}`).join(', ')} |`;
}

buildProcesses();
const guarded = new GuardedProcesses(2, CHECK_LIMITS);
const rows = [
  await judged('mutated builds, in processes just begun', mutated.slice(0, COLD), guarded),
  await judged('hostile programs', hostile, guarded),
  await judged('mutated builds', mutated, guarded),
];
guarded.close();
const table = `| what | how many | median | 95 % | longest | over ${LONG} s | ended by a limit, or failed | verdicts |
| --- | --: | --: | --: | --: | --: | --: | --- |
${rows.join('\n')}
`;
console.log(table);
if (values.write)
  writeFileSync(
    'docs/endurance.md',
    `# What hostile programs and accidents take

Each is judged as the workers do it, in a process that is ended at ${CHECK_LIMITS.processorSeconds} s of processor time or ${CHECK_LIMITS.megabytes} MB of
values. The first task of a process is charged with its start, about 0.4 s, and the first hundred with what the
engine's own compiler does meanwhile. Times are of the machine's processor, all threads together. Written by \`npm run endurance -- --write\`.

${table}`,
  );
process.exit(0);
