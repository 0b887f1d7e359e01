import type { ProgramRule } from '../subject';

export { missedInput, pullupUnset, readOnce } from './inputs';
export { beyondPins } from './beyond-pins';
export { interruptTrouble } from './interrupts';
export { directionUnset, missingPause, negativePause } from './outputs';
export { runtimeTrouble } from './runtime';
export { wordingOf } from './wording';

/** What is wrong with a program as it is written, without what only the compiler needs. */
export const programProblems: ProgramRule = ({ problems }) =>
  problems.map(({ code, severity, line, column, message, hints, repair }) => ({
    code,
    severity,
    line,
    column,
    message,
    hints,
    ...(repair ? { repair } : {}),
  }));
