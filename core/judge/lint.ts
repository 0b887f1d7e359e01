import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import { toFinding, type Finding } from '../findings/finding';
import { byCause } from '../findings/order';
import { compileProgram, type Grammars, type Language } from '../program';
import { rehearse } from '../rehearsal/rehearse';
import { wordingOf } from './program';
import { observationsOn } from './rules';

/** Virtual seconds that a program runs on a bare board to see what it does to it. */
const LINT_SECONDS = 10;

/**
 * What is wrong with a program without any circuit: what a compiler refuses and, when it compiles,
 * what shows when it runs on the bare board.
 */
export function lintProgram(
  source: string,
  board: BoardProfile,
  grammars: Grammars,
  written: Language = board.language.default,
): readonly Finding[] {
  const { problems, compiled, language } = compileProgram(source, board, grammars, written);
  const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
  const runs = compiled
    ? [
        {
          trace: rehearse(compiled, bare, board, { seconds: LINT_SECONDS, steps: 1_000_000 }),
          stimuli: [],
          isMissedAnyway: () => false,
          isReadAgain: () => false,
        },
      ]
    : [];
  const found = observationsOn({ ran: { problems, runs, board, wording: wordingOf(language) } });
  if (compiled) return byCause(found).map(toFinding);
  const refused = problems.find((problem) => problem.stopsCompiler);
  return found.map((one) => ({
    ...toFinding(one),
    cause: one.message === refused?.message && one.line === refused.line,
  }));
}
