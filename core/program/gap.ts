import { refusal, type ProgramProblem } from './problem';
import type { Token } from './token';

/** What stands where a learner is to write something. */
export const GAP = '____';

const isGap = ({ kind, text }: Token): boolean => kind === 'word' && /^_{3,}$/.test(text);

/** Gaps that nobody has filled in yet; whatever else is wrong with the text may come from them. */
export const gapProblems = (tokens: readonly Token[]): readonly ProgramProblem[] =>
  tokens
    .filter(isGap)
    .map(({ line, column }) =>
      refusal('name-unknown', { line, column }, `Line ${line} has a gap that is not filled in yet.`, [
        `Look for ${GAP} in line ${line}. What does the line need there?`,
        `The board can’t read ${GAP}: it only keeps the place.`,
        `Write what is missing in line ${line} in place of ${GAP}.`,
      ]),
    );
