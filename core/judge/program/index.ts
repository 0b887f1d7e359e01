import type { Observation } from '../../finding';
import type { ProgramProblem } from '../../program';

export { missedInput, pullupUnset } from './inputs';
export { interruptTrouble } from './interrupts';
export { directionUnset, missingPause, negativePause } from './outputs';
export { runtimeTrouble } from './runtime';
export { wordingOf } from './wording';

/** The observation in a program problem, without what only the compiler needs. */
export function problemObservation(problem: ProgramProblem): Observation {
  return {
    code: problem.code,
    severity: problem.severity,
    line: problem.line,
    column: problem.column,
    message: problem.message,
    hints: problem.hints,
    ...(problem.repair ? { repair: problem.repair } : {}),
  };
}
