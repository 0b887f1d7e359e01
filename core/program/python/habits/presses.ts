import { doubleCount, repeatsWhileHeld } from '../../habit-problems';
import type { ProgramProblem } from '../../problem';
import type { Expression, Statement } from '../tree';
import { numberOf } from '../values';
import { allExpressions, allStatements, placeOf, targetsOf } from '../walk';
import type { Habit } from './habit';
import { reads, type PinObjects } from './pins';
import { stepsItself } from './steps';

const WORDS = { loop: 'the loop', level: 'value' };

/** A press that acts again and again while it is held, and one that is counted at both of its edges. */
export const pressHabits: Habit = ({ loops, pins }) => loops.flatMap((body) => inLoop(body, pins));

function inLoop(body: readonly Statement[], pins: PinObjects): readonly ProgramProblem[] {
  const levels = levelNames(body, pins);
  const isLevel = (expression: Expression): boolean =>
    reads(expression, 'digital', pins) || (expression.node === 'name' && levels.has(expression.name));
  const begunAnew = new Set(
    body.flatMap((statement) =>
      statement.node === 'assign' && statement.value.node === 'constant'
        ? statement.targets.map(placeOf)
        : [],
    ),
  );
  // What begins anew at every turn counts no presses.
  const isStep = (statement: Statement): boolean =>
    stepsItself(statement) && targetsOf(statement).every((target) => !begunAnew.has(placeOf(target)));
  return body.flatMap((statement) => inStatement(statement, isLevel, isStep));
}

function inStatement(
  statement: Statement,
  isLevel: (expression: Expression) => boolean,
  isStep: (statement: Statement) => boolean,
): readonly ProgramProblem[] {
  if (statement.node !== 'if') return [];
  const direct = statement.yes.find(isStep);
  const step = direct ?? [...allStatements(statement.yes)].find(isStep);
  if (!step) return [];
  if (asksLevel(statement.condition, isLevel) && !waits(statement.yes))
    return [repeatsWhileHeld(statement.span, step.span.line, WORDS)];
  if (direct && asksForChange(statement.condition, isLevel))
    return [doubleCount(statement.span, direct.span.line)];
  return [];
}

/** Names that get what a digital pin reads. */
function levelNames(body: readonly Statement[], pins: PinObjects): ReadonlySet<string> {
  const found = new Set<string>();
  for (const statement of allStatements(body))
    if (statement.node === 'assign' && isRead(statement.value, pins))
      for (const target of targetsOf(statement)) found.add(placeOf(target) ?? '');
  return found;
}

const isRead = (value: Expression, pins: PinObjects): boolean =>
  reads(value, 'digital', pins) ||
  (value.node === 'unary' && value.operator === 'not' && reads(value.operand, 'digital', pins));

/** `not button.value`, `button.value == False`: whether it is down now, and nothing else. */
function asksLevel(condition: Expression, isLevel: (expression: Expression) => boolean): boolean {
  if (condition.node === 'unary') return condition.operator === 'not' && isLevel(condition.operand);
  if (condition.node !== 'compare') return isLevel(condition);
  const [only, more] = condition.rest;
  return !more && only?.value.node === 'constant' && isLevel(condition.first);
}

/** `level != last`. */
function asksForChange(condition: Expression, isLevel: (expression: Expression) => boolean): boolean {
  if (condition.node !== 'compare' || condition.rest.length !== 1) return false;
  const [{ operator, value }] = condition.rest as [(typeof condition.rest)[number]];
  return operator === '!=' && value.node !== 'constant' && (isLevel(condition.first) || isLevel(value));
}

/** Seconds after which most presses are over. */
const PRESS_OVER = 0.2;

/** Whether statements wait until the button is let go, or for so long that a press is over. */
const waits = (statements: readonly Statement[]): boolean =>
  [...allStatements(statements)].some(({ node }) => node === 'while') ||
  [...allExpressions(statements)].some(
    (part) =>
      part.node === 'call' &&
      (part.callee.node === 'attribute' || part.callee.node === 'name') &&
      part.callee.name === 'sleep' &&
      longEnough(part.values[0]),
  );

const longEnough = (time: Expression | undefined): boolean =>
  time?.node !== 'constant' || Number(numberOf(time.value)) >= PRESS_OVER;
