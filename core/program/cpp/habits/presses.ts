import { doubleCount, repeatsWhileHeld } from '../../habit-problems';
import type { ProgramProblem } from '../../problem';
import { allExpressions, allParts, allStatements, bare, cellOf, statementsOf } from '../walk';
import type { Expression, Statement } from '../tree';
import type { Habit } from './habit';

const WORDS = { loop: 'loop', level: 'level' };

/** A press that acts again and again while it is held, and one that is counted at both of its edges. */
export const pressHabits: Habit = ({ tree }) => {
  const { body } = tree.functions[tree.loop]!;
  const levels = levelVariables(body);
  const isLevel = (expression: Expression): boolean => {
    const inner = bare(expression);
    if (inner.node === 'builtin') return inner.name === 'digitalRead';
    const cell = inner.node === 'load' ? cellOf(inner.place) : undefined;
    return cell !== undefined && levels.has(cell);
  };
  return [...allStatements(body)].flatMap((statement): readonly ProgramProblem[] => {
    if (statement.node !== 'if') return [];
    const step = stepIn(statement.yes);
    if (!step) return [];
    const condition = bare(statement.condition);
    if (condition.node !== 'compare') return [];
    const [left, right] = [condition.left, condition.right];
    const isConstant = bare(right).node === 'constant' || bare(left).node === 'constant';
    const asksLevel = (isLevel(left) || isLevel(right)) && isConstant;
    if (asksLevel && !isInsideEdge(body, statement) && !waits(statement.yes))
      return [repeatsWhileHeld(statement.span, step.span.line, WORDS)];
    const isEdge = condition.operator === '!=' && !isConstant && (isLevel(left) || isLevel(right));
    if (isEdge && isDirectStep(statement.yes, step)) return [doubleCount(statement.span, step.span.line)];
    return [];
  });
};

/** Variables that get what a digital pin reads. */
function levelVariables(body: Statement): ReadonlySet<string> {
  const found = new Set<string>();
  for (const part of allExpressions(body))
    if (part.node === 'store') {
      const value = bare(part.value);
      const cell = cellOf(part.place);
      if (value.node === 'builtin' && value.name === 'digitalRead' && cell !== undefined) found.add(cell);
    }
  return found;
}

/** `count++` or `lit = !lit` of a variable that outlives the turn, anywhere in a statement. */
function stepIn(statement: Statement): Expression | undefined {
  for (const part of allExpressions(statement)) if (isStep(part)) return part;
  return undefined;
}

function isStep(part: Expression): boolean {
  if (part.node === 'update')
    return part.place.area === 'global' && part.value.node === 'constant' && part.value.value === 1;
  if (part.node !== 'store' || part.place.area !== 'global') return false;
  const value = bare(part.value);
  if (value.node !== 'not') return false;
  const inner = bare(value.operand);
  return inner.node === 'load' && cellOf(inner.place) === cellOf(part.place);
}

/** Whether the step stands in the body itself, and not behind another question. */
const isDirectStep = (body: Statement, step: Expression): boolean =>
  (body.node === 'block' ? statementsOf(body) : [body]).some(
    (statement) => statement.node === 'expression' && [...allParts(statement.expression)].includes(step),
  );

/** Whether a body waits until the button is let go, or for so long that a press is over. */
const waits = (body: Statement): boolean =>
  [...allStatements(body)].some(({ node }) => node === 'loop') ||
  [...allExpressions(body)].some(
    (part) => part.node === 'builtin' && part.name === 'delay' && longEnough(part.arguments[0]),
  );

/** Milliseconds after which most presses are over. */
const PRESS_OVER = 200;
function longEnough(time: Expression | undefined): boolean {
  const value = time && bare(time);
  return value?.node !== 'constant' || value.value >= PRESS_OVER;
}

/** Whether a statement stands inside a question for a change, or for the time since the last one. */
function isInsideEdge(root: Statement, wanted: Statement): boolean {
  const path: Statement[] = [];
  const look = (statement: Statement): boolean => {
    if (statement === wanted) return true;
    path.push(statement);
    if (statementsOf(statement).some(look)) return true;
    path.pop();
    return false;
  };
  look(root);
  return path.some(({ node }) => node === 'if' || node === 'loop');
}
