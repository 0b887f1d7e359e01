import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import { toFinding, type Finding } from '../finding';
import { compileProgram, type Grammars } from '../program';
import { rehearse } from '../rehearsal/rehearse';
import { byCause } from './order';
import {
  directionUnset,
  interruptTrouble,
  negativePause,
  problemObservation,
  runtimeTrouble,
  wordingOf,
} from './program';

/** Virtual seconds that a program runs on a bare board to see what it does to it. */
const LINT_SECONDS = 10;

/**
 * What is wrong with a program without any circuit: what a compiler refuses and, when it compiles,
 * what shows when it runs on the bare board.
 */
export function lintProgram(source: string, board: BoardProfile, grammars: Grammars): readonly Finding[] {
  const program = compileProgram(source, board, grammars);
  const problems = program.problems.map(problemObservation);
  const first = program.problems.findIndex((problem) => problem.stopsCompiler);
  if (!program.compiled)
    return problems.map((problem, index) => ({ ...toFinding(problem), cause: index === first }));
  const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
  const trace = rehearse(program.compiled, bare, board, { seconds: LINT_SECONDS, steps: 1_000_000 });
  const wording = wordingOf(program.language);
  return byCause([
    ...problems,
    ...directionUnset(trace, () => undefined, wording),
    ...runtimeTrouble(trace, board, wording),
    ...negativePause(trace),
    ...interruptTrouble(trace, board),
  ]).map(toFinding);
}
