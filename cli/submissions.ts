import { fork, type ChildProcess } from 'node:child_process';
import { readdir } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { join, resolve } from 'node:path';
import { asksForProgram, type Exercise } from '@/core/formats/exercise';
import type { Report } from '@/core/formats/report';
import { buildFor } from '@/core/judge/build';
import { check } from '@/core/judge/check';
import { statedExercise } from '@/core/judge/stated';
import type { Grammars } from '@/core/program';
import { nodeGrammars } from '@/grammars/node';
import { HELPS } from './command';
import { loadExercise, loadProgram, loadStated, loadWiring, Unusable } from './input';

/** A folder of builds, and the exercise that they are of, as paths from where the command was given. */
export interface Submissions {
  readonly exercise: string;
  readonly path: string;
  readonly folder: string;
}

/** What came of one build: its report, or why it cannot be read. */
export type Outcome = { readonly report: Report } | { readonly unusable: string };

/** Builds up to which one process is done before others have begun. */
const FEW = 8;

/** The file of a build in which its learner says what theirs does. */
const STATED = 'stated.txt';

/** Names of the builds in a folder, in order. */
export async function namesIn({ path, folder }: Submissions): Promise<readonly string[]> {
  const entries = await readdir(resolve(folder, path), { withFileTypes: true }).catch(() => {
    throw new Unusable(`${path}: the folder cannot be opened`);
  });
  return entries
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort();
}

/** Judges one build of a folder. */
async function judged(
  exercise: Exercise,
  { path, folder }: Submissions,
  name: string,
  grammars: Grammars,
): Promise<Outcome> {
  try {
    const files = await readdir(resolve(folder, path, name));
    const program = files.find((file) => file.startsWith('program.'));
    if (program === undefined && asksForProgram(exercise)) throw new Unusable('there is no program file');
    const source = program === undefined ? '' : await loadProgram(join(path, name, program), folder);
    const wiring = await loadWiring(join(path, name, 'wiring.csv'), folder, exercise);
    const said = files.includes(STATED) ? await loadStated(join(path, name, STATED), folder, exercise) : [];
    const asked = statedExercise(exercise, said, grammars);
    if (!asked.ok) throw new Unusable(asked.problems[0]!.message);
    return { report: check(asked.value, buildFor(asked.value, wiring, source, grammars), grammars) };
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    return { unusable: error.message };
  }
}

/**
 * What comes of each of these builds, in their order. `program`: what to start again to judge on the other cores;
 * without it, and for few builds, all are judged here.
 */
export async function* outcomesOf(
  exercise: Exercise,
  of: Submissions,
  names: readonly string[],
  program: string | undefined,
): AsyncGenerator<Outcome> {
  if (program === undefined || names.length <= FEW || availableParallelism() < 2) {
    const grammars = await nodeGrammars();
    for (const name of names) yield judged(exercise, of, name, grammars);
    return;
  }
  const helpers = Array.from({ length: availableParallelism() }, () => new Helper(program, of));
  const waiting = [...names];
  const outcomes = new Map<string, Promise<Outcome>>();
  const settle = new Map<string, (outcome: Outcome | Promise<never>) => void>();
  for (const name of names)
    outcomes.set(name, new Promise((resolveOutcome) => settle.set(name, resolveOutcome)));
  const work = helpers.map(async (helper) => {
    for (let name = waiting.shift(); name !== undefined; name = waiting.shift())
      settle.get(name)!(await helper.judge(name));
  });
  // Whoever waits for a build of a helper that is gone is told so.
  for (const one of work)
    one.catch((error: unknown) => {
      for (const tell of settle.values()) tell(Promise.reject(error as Error));
    });
  try {
    for (const name of names) yield outcomes.get(name)!;
  } finally {
    for (const helper of helpers) helper.end();
  }
}

/** This program once more, judging one build after another. */
class Helper {
  private readonly child: ChildProcess;

  constructor(program: string, of: Submissions) {
    this.child = fork(program, [HELPS, JSON.stringify(of)], { execArgv: process.execArgv });
  }

  judge(name: string): Promise<Outcome> {
    return new Promise((tell, fail) => {
      const gone = (code: number | null): void =>
        fail(new Error(`a helper ended with code ${code ?? 'none'}`));
      this.child.once('exit', gone);
      this.child.once('message', (outcome: Outcome) => {
        this.child.off('exit', gone);
        tell(outcome);
      });
      this.child.send(name);
    });
  }

  end(): void {
    this.child.removeAllListeners();
    this.child.kill();
  }
}

/** Judges builds for another process, each by its name, until that one is gone. */
export async function judgeForAnother(told: string): Promise<void> {
  const of = JSON.parse(told) as Submissions;
  const [exercise, grammars] = await Promise.all([loadExercise(of.exercise, of.folder), nodeGrammars()]);
  process.on('disconnect', () => process.exit(0));
  process.on('message', (name: string) => {
    void judged(exercise, of, name, grammars).then((outcome) => process.send!(outcome));
  });
}
