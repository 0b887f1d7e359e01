import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Variable } from '../scope';
import { allExpressions, allParts, allStatements, cellOf } from '../walk';
import type { FunctionTree, ProgramTree } from '../tree';
import type { Facts, Habit } from './habit';

/** Library functions that wait, or take so long that everything else waits. */
const slow: ReadonlySet<string> = new Set([
  'delay',
  'pulseIn',
  'Serial.print',
  'Serial.println',
  'Serial.readString',
  'Serial.readStringUntil',
  'Serial.parseInt',
  'Serial.parseFloat',
  'LiquidCrystal_I2C.print',
  'LiquidCrystal_I2C.clear',
]);

/** Waiting in an interrupt routine, and variables that it shares without saying so. */
export const interruptHabits: Habit = (facts) =>
  [...facts.routines].flatMap((index) => {
    const reached = reachedFrom(index, facts.tree);
    return [...waits(facts.tree.functions[index]!, reached), ...shared(index, reached, facts)];
  });

/** A function with all that it calls. */
function reachedFrom(index: number, tree: ProgramTree): readonly FunctionTree[] {
  const seen = new Set<number>([index]);
  for (const next of seen)
    for (const part of allExpressions(tree.functions[next]!.body))
      if (part.node === 'call') seen.add(part.target);
  return [...seen].map((one) => tree.functions[one]!);
}

function waits(routine: FunctionTree, reached: readonly FunctionTree[]): readonly ProgramProblem[] {
  for (const { body } of reached)
    for (const part of allExpressions(body)) {
      if (part.node !== 'builtin' || !slow.has(part.name)) continue;
      const { line, column } = part.span;
      const isPause = part.name === 'delay';
      return [
        warning(
          'wait-in-interrupt',
          'fault',
          { line, column },
          isPause
            ? `Line ${line} waits inside the interrupt routine ${routine.name}. The clock does not run there, so the wait never ends.`
            : `Line ${line} does something slow inside the interrupt routine ${routine.name}: everything else stops meanwhile.`,
          [
            `What should an interrupt routine do, and what should it leave to loop?`,
            `${part.name} in line ${line} runs inside ${routine.name}, which an interrupt calls.`,
            `Set a variable in ${routine.name} only, and do the rest in loop.`,
          ],
        ),
      ];
    }
  return [];
}

function shared(
  index: number,
  reached: readonly FunctionTree[],
  { tree, variables }: Facts,
): readonly ProgramProblem[] {
  const written = new Set(
    reached.flatMap(({ body }) =>
      allExpressions(body).flatMap((part) =>
        part.node === 'store' || part.node === 'update' ? (cellOf(part.place) ?? []) : [],
      ),
    ),
  );
  const others = tree.functions.filter((fn, at) => at !== index && !reached.includes(fn));
  return variables.flatMap((variable): readonly ProgramProblem[] => {
    const cell = cellOf(variable.place);
    if (cell === undefined || variable.isVolatile || variable.place.area !== 'global' || !written.has(cell))
      return [];
    const isRead = others.some(({ body }) =>
      allExpressions(body).some((part) => part.node === 'load' && cellOf(part.place) === cell),
    );
    if (!isRead) return [];
    return [
      notVolatile(
        variable,
        tree.functions[index]!.name,
        others.some((fn) => waitsFor(fn, cell)),
      ),
    ];
  });
}

/**
 * Whether a loop goes round for nothing but a variable to change. One that calls a function looks at its variables
 * anew afterwards, and one that changes what it asks for ends by itself.
 */
const waitsFor = ({ body }: FunctionTree, cell: string): boolean =>
  allStatements(body).some((statement) => {
    if (statement.node !== 'loop' || !statement.condition) return false;
    const asked = allParts(statement.condition).flatMap((part) =>
      part.node === 'load' ? (cellOf(part.place) ?? []) : [],
    );
    if (!asked.includes(cell)) return false;
    return !allExpressions(statement).some(
      (part) =>
        part.node === 'call' ||
        part.node === 'builtin' ||
        ((part.node === 'store' || part.node === 'update') && asked.includes(cellOf(part.place) ?? '')),
    );
  });

function notVolatile({ name, span }: Variable, routine: string, isWaitedFor: boolean): ProgramProblem {
  const { line, column } = span;
  return warning(
    'shared-not-volatile',
    isWaitedFor ? 'fault' : 'advice',
    { line, column },
    isWaitedFor
      ? `${name} is changed by the interrupt routine ${routine}, and a loop waits for it. Without volatile the loop may never see the change.`
      : `${name} is changed by the interrupt routine ${routine} and used elsewhere. Without volatile an old value may be used.`,
    [
      `Which function changes ${name}, and which one reads it?`,
      `${name} is declared in line ${line} without the word volatile, but an interrupt changes it.`,
      `Write volatile before the type of ${name} in line ${line}.`,
    ],
    textRepair(`Write volatile at the beginning of line ${line}.`, {
      line,
      column: 1,
      length: 0,
      by: 'volatile ',
    }),
  );
}
