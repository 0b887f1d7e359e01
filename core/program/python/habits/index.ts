import type { ProgramProblem } from '../../problem';
import type { PythonTree } from '../tree';
import { allStatements } from '../walk';
import type { Facts, Habit } from './habit';
import { branchHabits } from './branches';
import { callHabits } from './calls';
import { memoryHabits } from './memory';
import { numberHabits } from './numbers';
import { pinObjects } from './pins';
import { pressHabits } from './presses';
import { questionHabits } from './questions';
import { shadowHabits } from './shadows';
import { sortHabits } from './sorts';

const habits: readonly Habit[] = [
  memoryHabits,
  numberHabits,
  pressHabits,
  questionHabits,
  callHabits,
  branchHabits,
  shadowHabits,
  sortHabits,
];

/** What is likely not meant so in a program that the board takes, in no order. */
export function habitsOf(tree: PythonTree, source: string): readonly ProgramProblem[] {
  const bodies = [tree.body, ...tree.functions.map(({ body }) => body)];
  const loops = bodies.flatMap((body) =>
    allStatements(body).flatMap((statement) =>
      statement.node === 'while' &&
      statement.condition.node === 'constant' &&
      (statement.condition.value === true || statement.condition.value === 1)
        ? [statement.body]
        : [],
    ),
  );
  const facts: Facts = { tree, source, loops, pins: pinObjects(bodies.flat()) };
  return habits.flatMap((habit) => habit(facts));
}
