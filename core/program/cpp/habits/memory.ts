import { textRepair, warning, type ProgramProblem } from '../../problem';
import { allStatements, bare, cellOf, expressionsOf, allParts, statementsOf } from '../walk';
import type { Expression, Statement } from '../tree';
import type { Habit } from './habit';

/**
 * A variable that begins anew at every turn of the repeating function, and is stepped once in it, or first read and then
 * written: it can never count, and never know what was.
 */
export const memoryHabits: Habit = ({ tree }) => {
  const { body } = tree.functions[tree.loop]!;
  const all = allStatements(body);
  const inLoops = new Set(
    all
      .filter(({ node }) => node === 'loop')
      .flatMap((loop) => statementsOf(loop).flatMap((one) => allStatements(one))),
  );
  return statementsOf(body).flatMap((statement): readonly ProgramProblem[] => {
    if (statement.node !== 'initialize' || statement.stores.length !== 1) return [];
    const [store] = statement.stores;
    if (store?.node !== 'store' || store.place.area !== 'frame' || store.value.node !== 'constant') return [];
    const cell = cellOf(store.place);
    const writes = all.flatMap((one) =>
      one === statement
        ? []
        : expressionsOf(one)
            .flatMap((expression) => allParts(expression))
            .filter((part) => writesTo(part, cell))
            .map((part) => ({ part, statement: one })),
    );
    const [only] = writes;
    if (!only || writes.some((write) => inLoops.has(write.statement) || isLoopHead(write.statement)))
      return [];
    const isStepped = writes.length === 1 && stepsItself(only.part, cell);
    // Setting it back to what it is at the beginning of every turn only makes sense if it could be something else.
    const first = store.value.value;
    const isSetBack =
      writes.length > 1 &&
      writes.every(({ part }) => constantOf(part) !== undefined) &&
      writes.some(({ part }) => constantOf(part) === first);
    const read = isStepped || isSetBack ? undefined : readBefore(only.part, all, statement, cell);
    if (!isStepped && !isSetBack && (!read || inLoops.has(read.statement) || isLoopHead(read.statement)))
      return [];
    const { name } = store.place;
    const { line, column } = statement.span;
    return [
      warning(
        'state-reset',
        'fault',
        { line, column },
        `Line ${line} sets ${name} back to ${store.value.value} every time round loop, so ${read ? `line ${read.part.span.line} never sees what line ${only.part.span.line} puts there` : `what line ${only.part.span.line} does to it is lost`}.`,
        [
          `What value does ${name} have when loop starts again?`,
          `${name} is declared inside loop in line ${line}, so it starts afresh every time.`,
          `Move line ${line} to the top of the program, above setup.`,
        ],
        textRepair(`Write static before line ${line}, so that ${name} is made once only.`, {
          line,
          column,
          length: 0,
          by: 'static ',
        }),
      ),
    ];
  });
};

/** Where a variable is read for itself before it is written, so that nothing but its first value is found there. */
function readBefore(
  written: Expression,
  all: readonly Statement[],
  declared: Statement,
  cell: string | undefined,
): { readonly part: Expression; readonly statement: Statement } | undefined {
  for (const statement of all) {
    if (statement === declared) continue;
    for (const expression of expressionsOf(statement)) {
      const parts = allParts(expression);
      // What is read only to be written anew is a sum in the making.
      if (parts.some((part) => writesTo(part, cell))) return undefined;
      const part = parts.find((one) => one.node === 'load' && cellOf(one.place) === cell);
      if (part) return isBefore(part, written) ? { part, statement } : undefined;
    }
  }
  return undefined;
}

const isBefore = ({ span: one }: Expression, { span: other }: Expression): boolean =>
  one.line < other.line || (one.line === other.line && one.column < other.column);

/** The constant that a store puts in. */
function constantOf(part: Expression): number | undefined {
  const value = part.node === 'store' ? bare(part.value) : undefined;
  return value?.node === 'constant' ? value.value : undefined;
}

const isLoopHead = (statement: Statement): boolean => statement.node === 'loop';

const writesTo = (part: Expression, cell: string | undefined): boolean =>
  (part.node === 'store' || part.node === 'update' || part.node === 'address') && cellOf(part.place) === cell;

/** `x++`, `x--`, `x = !x`, `x = x + 1`. */
function stepsItself(part: Expression, cell: string | undefined): boolean {
  if (part.node === 'update') return part.value.node === 'constant' && part.value.value === 1;
  if (part.node !== 'store') return false;
  const value = bare(part.value);
  const isSelf = (one: Expression): boolean => {
    const inner = bare(one);
    return inner.node === 'load' && cellOf(inner.place) === cell;
  };
  if (value.node === 'not') return isSelf(value.operand);
  if (value.node === 'compare' && value.operator === '==') return isSelf(value.left);
  return (
    value.node === 'binary' &&
    (value.operator === '+' || value.operator === '-') &&
    isSelf(value.left) &&
    bare(value.right).node === 'constant'
  );
}
