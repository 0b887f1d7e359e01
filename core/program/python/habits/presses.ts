import { doubleCount, repeatsWhileHeld } from '../../habit-problems';
import type { ProgramProblem } from '../../problem';
import type { Expression, FunctionTree, PythonTree, Statement } from '../tree';
import { numberOf } from '../values';
import { allExpressions, allParts, allStatements, expressionsOf, placeOf, targetsOf } from '../walk';
import type { Habit } from './habit';
import { reads, type PinObjects } from './pins';
import { stepsItself } from './steps';

const WORDS = { loop: 'the loop', level: 'value' };

type Body = readonly Statement[];

/** A press that acts again and again while it is held, and one that is counted at both of its edges. */
export const pressHabits: Habit = ({ tree, loops, pins }) =>
  loops.flatMap((loop) => {
    const everyTurn = runEveryTurn(loop, tree);
    const levels = new Set(everyTurn.flatMap((body) => levelNames(body, pins)));
    const given = namesGiven(tree);
    const surroundings: Surroundings = {
      tree,
      begunAnew: new Set(everyTurn.flatMap(setToConstants)),
      isPaced: everyTurn.some((body) => body.some(isLongPause)),
      isLevel: (expression) =>
        reads(expression, 'digital', pins) || (expression.node === 'name' && levels.has(expression.name)),
      isFixed: (expression) => expression.node === 'name' && given.get(expression.name) === 1,
    };
    return everyTurn.flatMap((body) => body.flatMap((statement) => inStatement(statement, surroundings)));
  });

interface Surroundings {
  readonly tree: PythonTree;
  readonly isLevel: (expression: Expression) => boolean;
  /** Whether it is a name that gets one value only, and keeps that. */
  readonly isFixed: (expression: Expression) => boolean;
  /** Names that get a number at every turn: they count no presses. */
  readonly begunAnew: ReadonlySet<string>;
  /** Whether every turn takes so long that most presses are over. */
  readonly isPaced: boolean;
}

function inStatement(
  statement: Statement,
  { tree, isLevel, isFixed, begunAnew, isPaced }: Surroundings,
): readonly ProgramProblem[] {
  if (statement.node !== 'if') return [];
  const isStep = (one: Statement): boolean =>
    actsAgain(one) && targetsOf(one).every((target) => !begunAnew.has(placeOf(target) ?? ''));
  const direct = statement.yes.find(isStep);
  const step = direct ?? stepIn(statement.yes, isStep, tree);
  if (!step) return [];
  const stepped = allStatements(statement.yes).filter(isStep).flatMap(targetsOf);
  const places = new Set(stepped.flatMap((target) => placeOf(target) ?? []));
  const asks = asksLevel(statement.condition, isLevel, isFixed, (one) => isBound(one, places));
  if (asks && !isPaced && !waits(statement.yes, tree))
    return [repeatsWhileHeld(statement.span, step.span.line, WORDS)];
  if (direct && !asks && asksForChange(statement.condition, isLevel))
    return [doubleCount(statement.span, direct.span.line)];
  return [];
}

/** A loop's body, and the bodies of the functions that it calls without asking anything. */
function runEveryTurn(loop: Body, tree: PythonTree): readonly Body[] {
  const found = new Set([loop]);
  for (const body of found)
    for (const statement of body) for (const called of calledIn(statement, tree)) found.add(called.body);
  return [...found];
}

/** The program's own functions that a statement itself calls by their names. */
const calledIn = (statement: Statement, { functions }: PythonTree): readonly FunctionTree[] =>
  expressionsOf(statement)
    .flatMap((expression) => allParts(expression))
    .flatMap((part) => {
      const name = part.node === 'call' && part.callee.node === 'name' ? part.callee.name : undefined;
      return functions.find((one) => one.name === name) ?? [];
    });

/** What acts once too often when it runs again: in statements, or in a function that they call. */
function stepIn(
  statements: Body,
  isStep: (statement: Statement) => boolean,
  tree: PythonTree,
  seen: ReadonlySet<FunctionTree> = new Set(),
): Statement | undefined {
  for (const statement of allStatements(statements)) {
    if (isStep(statement)) return statement;
    for (const called of calledIn(statement, tree))
      if (!seen.has(called) && stepIn(called.body, isStep, tree, new Set([...seen, called])))
        return statement;
  }
  return undefined;
}

/** Whether a statement steps what it puts its value into, in whatever words. */
function actsAgain(statement: Statement): boolean {
  if (stepsItself(statement) || turnsOver(statement)) return true;
  if (statement.node === 'augment') return statement.operator === '^' && statement.value.node === 'constant';
  if (statement.node !== 'assign' || statement.targets.length !== 1) return false;
  const place = placeOf(statement.targets[0]!);
  return place !== undefined && followsFrom(statement.value, place);
}

/** Whether a value is the next one of a place’s: its opposite, one more, one less, the next of so many. */
function followsFrom(value: Expression, place: string): boolean {
  const isItself = (one: Expression): boolean => placeOf(one) === place;
  switch (value.node) {
    case 'unary':
      return value.operator === 'not' && isItself(value.operand);
    case 'choose':
      return mentions(value.condition, place);
    case 'compare':
      return isItself(value.first);
    case 'binary': {
      const { operator, left, right } = value;
      if (operator === '%') return followsFrom(left, place);
      if (left.node === 'constant') return isItself(right) && ['-', '+', '^'].includes(operator);
      return isItself(left) && ['-', '+', '^'].includes(operator) && isOne(right);
    }
    default:
      return false;
  }
}

const isOne = (value: Expression): boolean =>
  value.node === 'constant' && Number(numberOf(value.value)) === 1;

const mentions = (expression: Expression, place: string): boolean =>
  allParts(expression).some((part) => placeOf(part) === place);

/** `if lit: lit = False` and `else: lit = True`: what is asked is set anew on both ways. */
function turnsOver(statement: Statement): boolean {
  if (statement.node !== 'if') return false;
  const no = new Set(setToConstants(allStatements(statement.no)));
  return setToConstants(allStatements(statement.yes)).some(
    (place) => no.has(place) && mentions(statement.condition, place),
  );
}

/** Places that statements themselves give a number. */
const setToConstants = (statements: Body): readonly string[] =>
  statements.flatMap((statement) =>
    statement.node === 'assign' && statement.value.node === 'constant'
      ? statement.targets.flatMap((target) => placeOf(target) ?? [])
      : [],
  );

/** Names that get what a digital pin reads. */
const levelNames = (body: Body, pins: PinObjects): readonly string[] =>
  allStatements(body).flatMap((statement) =>
    statement.node === 'assign' && isRead(statement.value, pins)
      ? targetsOf(statement).map((target) => placeOf(target) ?? '')
      : [],
  );

const isRead = (value: Expression, pins: PinObjects): boolean =>
  asksLevel(value, (expression) => reads(expression, 'digital', pins));

type Asks = (expression: Expression) => boolean;
const NEVER: Asks = () => false;

/**
 * `not button.value`, `button.value == False`: whether it is down now, and nothing else. A last value that no line ever
 * changes asks for nothing more: `pressed and not was_pressed`, `level != last`. Nor does how far it may go on.
 */
function asksLevel(condition: Expression, isLevel: Asks, isFixed = NEVER, isLimit = NEVER): boolean {
  if (condition.node === 'unary')
    return condition.operator === 'not' && asksLevel(condition.operand, isLevel, isFixed);
  if (condition.node === 'both') {
    const sides = [condition.left, condition.right];
    const rest = sides.filter((side) => !asksLevel(side, isLevel, isFixed, isLimit));
    return rest.length === 1 && (asksLevel(rest[0]!, isFixed) || isLimit(rest[0]!));
  }
  if (condition.node !== 'compare') return isLevel(condition);
  const [only, more] = condition.rest;
  if (more || !only) return false;
  const stands = (side: Expression): boolean => side.node === 'constant' || isFixed(side);
  return (
    (isLevel(condition.first) && stands(only.value)) || (isLevel(only.value) && isFixed(condition.first))
  );
}

/** `count < 9`: how far something may be stepped. */
const isBound = (question: Expression, places: ReadonlySet<string>): boolean =>
  question.node === 'compare' &&
  [question.first, ...question.rest.map(({ value }) => value)].some((side) =>
    places.has(placeOf(side) ?? ''),
  );

/** How often a program gives each name a value, wherever that is. */
function namesGiven({ body, functions }: PythonTree): ReadonlyMap<string, number> {
  const given = new Map<string, number>();
  for (const statement of [body, ...functions.map((one) => one.body)].flatMap((all) => [
    ...allStatements(all),
  ]))
    for (const name of targetsOf(statement).flatMap((target) => placeOf(target) ?? []))
      given.set(name, (given.get(name) ?? 0) + 1);
  return given;
}

/** `level != last`. */
function asksForChange(condition: Expression, isLevel: (expression: Expression) => boolean): boolean {
  if (condition.node !== 'compare' || condition.rest.length !== 1) return false;
  const [{ operator, value }] = condition.rest as [(typeof condition.rest)[number]];
  return operator === '!=' && value.node !== 'constant' && (isLevel(condition.first) || isLevel(value));
}

/** Seconds after which most presses are over. */
const PRESS_OVER = 0.2;

/** Whether statements wait until the button is let go, or for so long that a press is over: themselves, or in what they call. */
const waits = (statements: Body, tree: PythonTree, seen: ReadonlySet<FunctionTree> = new Set()): boolean =>
  allStatements(statements).some(
    (statement) =>
      statement.node === 'while' ||
      isLongPause(statement) ||
      calledIn(statement, tree).some(
        (called) => !seen.has(called) && waits(called.body, tree, new Set([...seen, called])),
      ),
  );

const isLongPause = (statement: Statement): boolean =>
  allExpressions(statement.node === 'if' ? [] : [statement]).some(
    (part) =>
      part.node === 'call' &&
      (part.callee.node === 'attribute' || part.callee.node === 'name') &&
      part.callee.name === 'sleep' &&
      longEnough(part.values[0]),
  );

const longEnough = (time: Expression | undefined): boolean =>
  time?.node !== 'constant' || Number(numberOf(time.value)) >= PRESS_OVER;
