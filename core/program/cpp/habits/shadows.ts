import type { Repair } from '../../../findings/finding';
import { secondVariable } from '../../habit-problems';
import { textRepair, type ProgramProblem } from '../../problem';
import type { Expression, Statement } from '../tree';
import { allExpressions, allParts, allStatements, cellOf } from '../walk';
import type { Habit } from './habit';

/**
 * A variable that is declared once more, so that there are two of one name: `int count = count + 1;` in loop, or `int limit =
 * …;` in setup for the one at the top that loop looks at.
 */
export const shadowHabits: Habit = ({ tree, source }) => {
  const lines = source.split('\n');
  const bodies = tree.functions.map((one) => ({ ...one, all: allStatements(one.body) }));
  const parts = bodies.flatMap(({ name, body }) =>
    allExpressions(body).map((part) => ({ part, within: name })),
  );
  const globals = new Map(tree.names.map((one) => [one.name, `${one.area} ${one.address}`]));
  return bodies.flatMap(({ name: within, all, body }) =>
    all.flatMap((statement): readonly ProgramProblem[] => {
      const declared = declaredIn(statement);
      if (!declared) return [];
      const { name, cell, value } = declared;
      const outer = globals.get(name);
      const isItself = allParts(value).some((part) => part.node === 'load' && cellOf(part.place) === cell);
      // Most variables of a function have a name of their own.
      if (!isItself && outer === undefined) return [];
      const { line, column } = statement.span;
      // What stands before the name in its declaration.
      const [type = ''] =
        new RegExp(`^[\\w ]+?\\s+(?=${name}\\b)`).exec((lines[line - 1] ?? '').slice(column - 1)) ?? [];
      const own = new Set(allExpressions(statement));
      const isLookedAt = allExpressions(body).some((part) => isReadOf(part, cell) && !own.has(part));
      const isWritten = parts.some(({ part }) => isWriteTo(part, outer));
      const isMissed = parts.some(({ part, within: other }) => other !== within && isReadOf(part, outer));
      const isOther = !isItself && !isLookedAt && !isWritten && isMissed;
      if (type === '' || /\b(?:static|const)\b/.test(type) || (!isItself && !isOther)) return [];
      const taken = { line, column, length: type.length, by: '' };
      const atTop = `${type.trim()} ${name} = 0;`;
      const repair: Repair =
        outer === undefined
          ? {
              text: `Write ${atTop} at the top of the program, and remove ${type.trim()} from line ${line}.`,
              edits: [{ replace: taken }, { replace: { line: 1, column: 1, length: 0, by: `${atTop}\n` } }],
            }
          : textRepair(`Remove ${type.trim()} from line ${line}.`, taken);
      return [
        secondVariable(statement.span, name, {
          isItself,
          message: isItself
            ? `Line ${line} makes a new ${name} and works it out from itself, before it has any value.${outer === undefined ? '' : ` The ${name} at the top of the program stays as it is.`}`
            : `Line ${line} makes a new ${name} that is known only inside ${within}. The ${name} at the top of the program stays as it is.`,
          makes: `With “${type.trim()}” before it, line ${line} makes a new ${name}.`,
          repair,
        }),
      ];
    }),
  );
};

/** The variable that an instruction declares, alone, with its first value. */
function declaredIn(statement: Statement) {
  if (statement.node !== 'initialize' || statement.stores.length !== 1) return undefined;
  const [store] = statement.stores;
  if (store?.node !== 'store' || store.place.area !== 'frame') return undefined;
  const cell = cellOf(store.place);
  return cell === undefined ? undefined : { name: store.place.name, cell, value: store.value };
}

const isReadOf = (part: Expression, cell: string | undefined): boolean =>
  cell !== undefined &&
  (part.node === 'load' || part.node === 'update' || part.node === 'address') &&
  cellOf(part.place) === cell;

const isWriteTo = (part: Expression, cell: string | undefined): boolean =>
  cell !== undefined &&
  (part.node === 'store' || part.node === 'update' || part.node === 'address') &&
  cellOf(part.place) === cell;
