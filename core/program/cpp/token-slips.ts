import type { ProgramProblem } from '../problem';
import { callSlips } from './call-slips';
import { declarationSlips } from './declaration-slips';
import { foreignSigns } from './foreign-signs';
import { headSlips } from './head-slips';
import { signSlips } from './sign-slips';
import type { TokenMap } from './token-map';

const detectors = [...foreignSigns, ...headSlips, ...declarationSlips, ...callSlips, ...signSlips];

/**
 * What is written as no compiler takes it, in the order of the text, one problem at most for each token: told with what
 * is meant. For programs that are refused; what lines of them are right is told of nowhere.
 */
export const tokenSlips = (map: TokenMap): readonly ProgramProblem[] =>
  map.tokens.flatMap((_, index) => {
    for (const detect of detectors) {
      const found = detect(map, index);
      if (found) return [found];
    }
    return [];
  });
