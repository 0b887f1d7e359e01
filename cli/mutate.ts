import type { RehearsedFault } from '@/core/faults/outcome';
import { FaultRehearsal, faultsOf } from '@/core/faults/rehearsal';
import { nodeGrammars } from '@/grammars/node';
import type { Command } from './command';
import { solvedByAuthor } from '@/core/formats/exercise';
import { loadExercise, options, required } from './input';

/** `mutate`: makes every slip in an exercise's own build, and prints what the check says of each. */
export const mutate: Command = async (words, { out, error, folder }) => {
  const given = options(words, { exercise: { type: 'string' }, json: { type: 'boolean' } });
  const path = required(given.exercise, 'exercise');
  const exercise = solvedByAuthor(await loadExercise(path, folder));
  const rehearsal = new FaultRehearsal(exercise, await nodeGrammars());
  const hindrance = rehearsal.hindrance();
  if (hindrance !== undefined) {
    error(`${path}: ${hindrance}\n`);
    return 1;
  }
  const mutants = [];
  for (const fault of faultsOf(exercise)) {
    const mutant = printed(rehearsal.rehearse(fault));
    mutants.push(mutant);
    if (!given.json) out(`${lineOf(mutant)}\n`);
  }
  const counts: Record<string, number> = {};
  for (const { outcome } of mutants) counts[outcome] = (counts[outcome] ?? 0) + 1;
  const summary = Object.entries(counts).map(([outcome, count]) => `${count} ${outcome}`);
  if (given.json) out(`${JSON.stringify({ exercise: exercise.data.id, mutants, counts }, null, 2)}\n`);
  else out(`${mutants.length} mutants: ${summary.join(', ') || 'none'}\n`);
  return 0;
};

interface Printed {
  readonly mutant: string;
  readonly sort: string;
  readonly refs: readonly string[];
  readonly line?: number;
  /** The finding that names it best, and all that name it well. */
  readonly expected: string;
  readonly accepted: readonly string[];
  readonly outcome: RehearsedFault['outcome'];
  readonly verdict: string;
  readonly said: string | null;
  readonly message: string | null;
  readonly repair: string | null;
  /** A scenario that catches what slips through; of one that is there already, what it has to expect besides. */
  readonly caughtBy?: NonNullable<RehearsedFault['caughtBy']>['scenario'];
}

const printed = ({
  sort,
  what,
  refs,
  line,
  codes,
  outcome,
  verdict,
  told,
  caughtBy,
}: RehearsedFault): Printed => ({
  mutant: `${sort}: ${what}`,
  sort,
  refs,
  ...(line === undefined ? {} : { line }),
  expected: codes[0]!,
  accepted: codes,
  outcome,
  verdict,
  said: told?.code ?? null,
  message: told?.message ?? null,
  repair: told?.repair ?? null,
  ...(caughtBy ? { caughtBy: caughtBy.scenario } : {}),
});

const lineOf = ({ mutant, expected, outcome, said, caughtBy }: Printed): string =>
  `${outcome}  ${mutant}  expected ${expected}, said ${said ?? 'nothing'}${caughtBy ? `; “${caughtBy.name}” would catch it` : ''}`;
