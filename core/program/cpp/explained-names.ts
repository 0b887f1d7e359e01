import { inOrder, notSupported, type ProgramProblem } from '../problem';
import { spanOf } from '../syntax';
import type { Context } from './context';
import { emptyBodyThatStops } from './empty-body';

/**
 * Names that are not known in a program with a header that is not known may come from there: then it is
 * the header that is not supported, and nobody's spelling that is wrong.
 */
export function strangeIn(problems: readonly ProgramProblem[], context: Context): readonly ProgramProblem[] {
  const [header] = context.strangeHeaders;
  if (!header || !problems.some(({ code }) => code === 'name-unknown')) return problems;
  const path = header.childForFieldName('path')?.text ?? '';
  return inOrder([
    notSupported(`the library ${path}`, spanOf(header)),
    ...problems.filter(({ code }) => code !== 'name-unknown'),
  ]);
}

/**
 * Names that are not known in a block are known to the loop before it, which a semicolon has cut off from it: then it
 * is the semicolon that no compiler gets over.
 */
export function cutOffIn(
  problems: readonly ProgramProblem[],
  { cutOff }: Context,
): readonly ProgramProblem[] {
  return cutOff.reduce((all, { semicolon, block }) => {
    const isLost = ({ code, line }: ProgramProblem): boolean =>
      code.startsWith('name-') && line >= block.line && line <= block.endLine;
    if (!all.some(isLost)) return all;
    const isSemicolon = ({ code, line }: ProgramProblem): boolean =>
      code === 'empty-body' && line === semicolon.line;
    return [
      ...all.filter((problem) => !isLost(problem) && !isSemicolon(problem)),
      emptyBodyThatStops(semicolon, 'for'),
    ];
  }, problems);
}
