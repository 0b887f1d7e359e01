import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Expression } from '../tree';
import { allExpressions, allParts, allStatements, bare, cellOf, expressionsOf, statementsOf } from '../walk';
import type { Facts, Habit } from './habit';
import { writtenIn } from './pin-uses';

/** `before == HIGH`, where no line ever gives `before` another level than its first. */
export const unchangedHabits: Habit = (facts) => {
  const { tree, source } = facts;
  const written = writtenIn(source);
  const parts = tree.functions.flatMap(({ body }) => allExpressions(body));
  const given = new Set(
    parts.flatMap((part) =>
      part.node === 'store' || part.node === 'update' || part.node === 'address' ? [cellOf(part.place)] : [],
    ),
  );
  return tree.functions
    .flatMap(({ body }) => allStatements(body))
    .flatMap((statement) => expressionsOf(statement))
    .flatMap((condition) =>
      comparisonsIn(condition).flatMap((comparison): readonly ProgramProblem[] => {
        const left = bare(comparison.left);
        if (left.node !== 'load' || left.place.area !== 'global' || given.has(cellOf(left.place))) return [];
        if (cellOf(left.place) === undefined || !/^(?:HIGH|LOW)$/.test(written(bare(comparison.right).span)))
          return [];
        const { name } = left.place;
        const { line, column } = left.span;
        const now = readBeside(condition, comparison, facts);
        const repair =
          readForNothing(name, facts) ?? (now === undefined ? undefined : keptAtTheEnd(name, now, facts));
        return [
          warning(
            'always-true',
            'fault',
            { line, column },
            `Line ${line}: no line gives ${name} another value than its first, so this question always has the same answer.`,
            [
              `Which line changes ${name}?`,
              `${name} gets its first value where it is declared, and keeps it.`,
              repair?.text ?? `Give ${name} what is read, in a line that runs every time round loop.`,
            ],
            repair,
          ),
        ];
      }),
    );
};

type Comparison = Extract<Expression, { node: 'compare' }>;

const comparisonsIn = (condition: Expression): readonly Comparison[] =>
  allParts(condition).filter(
    (part): part is Comparison =>
      part.node === 'compare' && (part.operator === '==' || part.operator === '!='),
  );

/** The variable with what is read at a pin that the same condition asks, where it is still known at the end of loop. */
function readBeside(condition: Expression, comparison: Comparison, { tree }: Facts): string | undefined {
  const { body } = tree.functions[tree.loop]!;
  const beside = comparisonsIn(condition).find((other) => {
    const left = bare(other.left);
    return (
      other !== comparison &&
      left.node === 'load' &&
      statementsOf(body).some(
        (statement) =>
          statement.node === 'initialize' &&
          statement.stores.some(
            (store) =>
              store.node === 'store' &&
              cellOf(store.place) === cellOf(left.place) &&
              allParts(store.value).some((part) => part.node === 'builtin' && part.name === 'digitalRead'),
          ),
      )
    );
  });
  const left = beside && bare(beside.left);
  return left?.node === 'load' ? left.place.name : undefined;
}

/** `digitalRead(BUTTON);` as a line of its own, with the variable in front of it that nothing is put into. */
function readForNothing(name: string, { tree, source }: Facts) {
  const alone = tree.functions
    .flatMap(({ body }) => allStatements(body))
    .flatMap((one) => (one.node === 'expression' ? [bare(one.expression)] : []))
    .find((expression) => expression.node === 'builtin' && expression.name === 'digitalRead');
  if (!alone) return undefined;
  const { line, column } = alone.span;
  const there = writtenIn(source)(alone.span);
  const text = `Write ${name} = ${there} instead of ${there} in line ${line}.`;
  return textRepair(text, { line, column, length: 0, by: `${name} = ` });
}

/** `before = now;` as the last line of loop. */
function keptAtTheEnd(name: string, now: string, { tree, source }: Facts) {
  const { endLine, endColumn } = tree.functions[tree.loop]!.body.span;
  const before = (source.split('\n')[endLine - 1] ?? '').slice(0, endColumn - 2);
  const by = `${name} = ${now};`;
  const text = `Write ${by} at the end of loop.`;
  return textRepair(text, {
    line: endLine,
    column: endColumn - 1,
    length: 0,
    by: before.trim() === '' ? `  ${by}\n${before}` : `${by} `,
  });
}
