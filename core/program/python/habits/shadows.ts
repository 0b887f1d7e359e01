import { secondVariable } from '../../habit-problems';
import { textRepair, type ProgramProblem } from '../../problem';
import type { Expression, FunctionTree, Statement } from '../tree';
import { allExpressions, allParts, allStatements, expressionsOf, targetsOf } from '../walk';
import type { Habit } from './habit';

/**
 * A function that gives a value to a name of the program without `global`: it has another variable of that name, and the
 * one of the program stays as it is.
 */
export const shadowHabits: Habit = ({ tree, source }) => {
  const bodies = [{ locals: [] as readonly string[], body: tree.body }, ...tree.functions];
  const isReadElsewhere = (name: string, within: FunctionTree): boolean =>
    bodies.some(
      (one) =>
        one.body !== within.body &&
        !one.locals.includes(name) &&
        allExpressions(one.body).some((part) => part.node === 'name' && part.name === name),
    );
  return tree.functions.flatMap((own) =>
    own.locals.flatMap((name): readonly ProgramProblem[] => {
      if (own.parameters.includes(name) || !tree.globals.includes(name)) return [];
      const all = allStatements(own.body);
      const first = all.find((statement) => isGiven(statement, name));
      const read = all.find((statement) => isReadIn(statement, name));
      // What counts a loop may have the name of another counter.
      if (!first || first.node === 'for' || !isReadElsewhere(name, own)) return [];
      const isItself = read !== undefined && all.indexOf(read) <= all.indexOf(first);
      // What is also looked at in the function may be a variable of its own on purpose.
      if (!isItself && read) return [];
      const { line } = first.span;
      const begins = own.body[0]!.span;
      const indent = (source.split('\n')[begins.line - 1] ?? '').slice(0, begins.column - 1);
      if (indent.trim() !== '') return [];
      const text = `Write global ${name} as the first line of ${own.name}.`;
      return [
        secondVariable(first.span, name, {
          isItself,
          message: isItself
            ? `Line ${line} gives ${name} a value, so ${own.name} has a ${name} of its own, and that one has no value yet. The ${name} at the top stays as it is.`
            : `Line ${line} makes a new ${name} that is known only inside ${own.name}. The ${name} at the top stays as it is.`,
          makes: `A function that gives ${name} a value has its own ${name}, unless it says “global ${name}”.`,
          repair: textRepair(text, {
            line: begins.line,
            column: 1,
            length: 0,
            by: `${indent}global ${name}\n`,
          }),
        }),
      ];
    }),
  );
};

const isGiven = (statement: Statement, name: string): boolean =>
  targetsOf(statement).some((target) => target.target === 'name' && target.name === name);

function isReadIn(statement: Statement, name: string): boolean {
  const isIt = (part: Expression): boolean => part.node === 'name' && part.name === name;
  if (statement.node === 'augment' && statement.target.target === 'name' && statement.target.name === name)
    return true;
  return expressionsOf(statement).some((expression) => allParts(expression).some(isIt));
}
