import { doubleCount, repeatsWhileHeld } from '../../habit-problems';
import type { ProgramProblem } from '../../problem';
import type { Expression, FunctionTree, Statement } from '../tree';
import { allExpressions, allParts, allStatements, bare, cellOf, expressionsOf, statementsOf } from '../walk';
import type { Habit } from './habit';

const WORDS = { loop: 'loop', level: 'level' };

/** A press that acts again and again while it is held, and one that is counted at both of its edges. */
export const pressHabits: Habit = ({ tree }) => {
  const { functions } = tree;
  const everyTurn = runEveryTurn(functions[tree.loop]!, functions);
  const levels = new Set(everyTurn.flatMap(({ body }) => levelVariables(body)));
  const begunAnew = new Set(everyTurn.flatMap(({ body }) => directlyIn(body).flatMap(setDirectly)));
  const isPaced = everyTurn.some(({ body }) => directlyIn(body).some(isLongPause));
  const given = new Set(functions.flatMap(({ body }) => allExpressions(body).flatMap(givenIn)));
  return everyTurn.flatMap(({ body }) => inBody(body, { functions, levels, begunAnew, isPaced, given }));
};

interface Surroundings {
  readonly functions: readonly FunctionTree[];
  /** Variables that get what a digital pin reads. */
  readonly levels: ReadonlySet<string>;
  /** Variables that begin anew at every turn: they count no presses. */
  readonly begunAnew: ReadonlySet<string>;
  /** Whether every turn takes so long that most presses are over. */
  readonly isPaced: boolean;
  /** Variables that some line gives a value: the others keep their first one. */
  readonly given: ReadonlySet<string>;
}

function inBody(
  body: Statement,
  { functions, levels, begunAnew, isPaced, given }: Surroundings,
): readonly ProgramProblem[] {
  const isLevel = (expression: Expression): boolean => isRead(expression, levels);
  const isFixed = (expression: Expression): boolean => keepsItsFirst(expression, given);
  return allStatements(body).flatMap((statement): readonly ProgramProblem[] => {
    if (statement.node !== 'if') return [];
    const step = stepIn(statement.yes, functions);
    if (!step || ('place' in step && begunAnew.has(cellOf(step.place) ?? ''))) return [];
    const stepped = steppedIn(statement.yes);
    const asks = asksLevel(statement.condition, isLevel, isFixed, (one) => isBound(one, stepped));
    if (asks && !isPaced && !isInsideEdge(body, statement) && !waits(statement.yes, functions))
      return [repeatsWhileHeld(statement.span, step.span.line, WORDS)];
    const isEdge = !asks && asksForChange(statement.condition, isLevel);
    return isEdge && isDirectStep(statement.yes, step) ? [doubleCount(statement.span, step.span.line)] : [];
  });
}

/** The functions whose bodies run at every turn: `loop`, and what it calls without asking anything. */
function runEveryTurn(loop: FunctionTree, functions: readonly FunctionTree[]): readonly FunctionTree[] {
  const found = new Set([loop]);
  for (const { body } of found)
    for (const statement of directlyIn(body))
      for (const part of expressionsOf(statement).flatMap((one) => allParts(one)))
        if (part.node === 'call') found.add(functions[part.target]!);
  return [...found];
}

/** The statements of a body that run whenever it does. */
const directlyIn = (body: Statement): readonly Statement[] =>
  body.node === 'block' ? body.statements.flatMap(directlyIn) : [body];

/** Variables that get what a digital pin reads, or whether it reads this or that. */
const levelVariables = (body: Statement): readonly string[] =>
  allExpressions(body).flatMap((part) =>
    part.node === 'store' && asksLevel(part.value, (value) => isRead(value, new Set()))
      ? (cellOf(part.place) ?? [])
      : [],
  );

function isRead(expression: Expression, levels: ReadonlySet<string>): boolean {
  const inner = bare(expression);
  if (inner.node === 'builtin') return inner.name === 'digitalRead';
  const cell = inner.node === 'load' ? cellOf(inner.place) : undefined;
  return cell !== undefined && levels.has(cell);
}

type Asks = (expression: Expression) => boolean;
const NEVER: Asks = () => false;

/**
 * `level`, `!level`, `level == LOW`: whether it is down now, and nothing else. A last level that no line ever changes
 * asks for nothing more: `level == LOW && last == HIGH`, `level != last`. Nor does how far it may go on.
 */
function asksLevel(condition: Expression, isLevel: Asks, isFixed = NEVER, isLimit = NEVER): boolean {
  const inner = bare(condition);
  if (inner.node === 'not') return asksLevel(inner.operand, isLevel, isFixed);
  if (inner.node === 'both') {
    const sides = [inner.left, inner.right];
    const rest = sides.filter((side) => !asksLevel(side, isLevel, isFixed, isLimit));
    return rest.length === 1 && (asksLevel(rest[0]!, isFixed) || isLimit(rest[0]!));
  }
  if (inner.node !== 'compare') return isLevel(inner);
  const [left, right] = [bare(inner.left), bare(inner.right)];
  const stands = (side: Expression): boolean => side.node === 'constant' || isFixed(side);
  return (isLevel(left) && stands(right)) || (isLevel(right) && stands(left));
}

/** Variables that outlive the turn and are stepped in a statement. */
const steppedIn = (statement: Statement): ReadonlySet<string> =>
  new Set(
    allExpressions(statement).flatMap((part) =>
      isStep(part) && (part.node === 'update' || part.node === 'store') ? (cellOf(part.place) ?? []) : [],
    ),
  );

/** `count < 9`: how far something may be stepped. */
function isBound(question: Expression, stepped: ReadonlySet<string>): boolean {
  const inner = bare(question);
  return (
    inner.node === 'compare' &&
    [inner.left, inner.right].some((side) => [...stepped].some((cell) => isLoadOf(side, cell)))
  );
}

/** Variables that an expression gives a value, or hands to others who may. */
const givenIn = (part: Expression): readonly string[] =>
  part.node === 'store' || part.node === 'update' || part.node === 'address'
    ? [cellOf(part.place) ?? '']
    : [];

/** Whether an expression is a variable that outlives the turn and that no line gives another value. */
function keepsItsFirst(expression: Expression, given: ReadonlySet<string>): boolean {
  const inner = bare(expression);
  const cell = inner.node === 'load' && inner.place.area === 'global' ? cellOf(inner.place) : undefined;
  return cell !== undefined && !given.has(cell);
}

/** `level != last`. */
function asksForChange(condition: Expression, isLevel: (expression: Expression) => boolean): boolean {
  const inner = bare(condition);
  return inner.node === 'compare' && inner.operator === '!=' && (isLevel(inner.left) || isLevel(inner.right));
}

/** What acts once too often when it runs again: in a statement, or in a function that it calls. */
function stepIn(
  statement: Statement,
  functions: readonly FunctionTree[],
  seen: ReadonlySet<number> = new Set(),
): Expression | undefined {
  for (const inner of allStatements(statement)) if (turnsOver(inner)) return expressionsOf(inner)[0];
  for (const part of allExpressions(statement)) {
    if (isStep(part)) return part;
    if (part.node !== 'call' || seen.has(part.target)) continue;
    const called = stepIn(functions[part.target]!.body, functions, new Set([...seen, part.target]));
    if (called) return part;
  }
  return undefined;
}

/** `count++`, `lit = !lit`, `lit = 1 - lit` of what outlives the turn, or a pin that is turned over. */
function isStep(part: Expression): boolean {
  if (part.node === 'builtin') return part.name === 'digitalWrite' && readsItself(part.arguments);
  if (part.node === 'update')
    return (
      part.place.area === 'global' &&
      ['+', '-', '^'].includes(part.operator) &&
      bare(part.value).node === 'constant' &&
      (bare(part.value) as { readonly value: number }).value === 1
    );
  if (part.node !== 'store' || part.place.area !== 'global') return false;
  const cell = cellOf(part.place);
  return cell !== undefined && followsFrom(part.value, cell);
}

/** Whether a value is the next one of a variable’s: its opposite, one more, one less, the next of so many. */
function followsFrom(value: Expression, cell: string): boolean {
  const inner = bare(value);
  const isItself = (one: Expression): boolean => isLoadOf(one, cell);
  switch (inner.node) {
    case 'not':
      return isItself(inner.operand);
    case 'choose':
      return mentions(inner.condition, cell);
    case 'compare':
      return isItself(inner.left) || isItself(inner.right);
    case 'binary': {
      const [left, right] = [bare(inner.left), bare(inner.right)];
      if (inner.operator === '%') return followsFrom(left, cell);
      if (left.node === 'constant') return isItself(right) && ['-', '+', '^'].includes(inner.operator);
      return (
        isItself(left) &&
        ['+', '-', '^'].includes(inner.operator) &&
        right.node === 'constant' &&
        right.value === 1
      );
    }
    default:
      return false;
  }
}

/** `if (lit) lit = false; else lit = true;` in whatever words: what is asked is set anew on both ways. */
function turnsOver(statement: Statement): boolean {
  if (statement.node !== 'if' || !statement.no) return false;
  const [yes, no] = [statement.yes, statement.no].map(setToConstants);
  return [...yes!].some((cell) => no!.has(cell) && mentions(statement.condition, cell));
}

/** Variables that outlive the turn and that a statement sets to numbers. */
const setToConstants = (statement: Statement): ReadonlySet<string> =>
  new Set(
    allExpressions(statement).flatMap((part) =>
      part.node === 'store' && part.place.area === 'global' && bare(part.value).node === 'constant'
        ? (cellOf(part.place) ?? [])
        : [],
    ),
  );

const isLoadOf = (expression: Expression, cell: string): boolean => {
  const inner = bare(expression);
  return inner.node === 'load' && cellOf(inner.place) === cell;
};

/** The variable that a statement as such sets to a number. */
const setDirectly = (statement: Statement): readonly string[] =>
  statement.node === 'expression' ? [...setToConstants(statement)] : [];

const mentions = (expression: Expression, cell: string): boolean =>
  allParts(expression).some((part) => isLoadOf(part, cell));

/** `digitalWrite(13, !digitalRead(13))`. */
function readsItself([pin, level]: readonly Expression[]): boolean {
  if (!pin || !level) return false;
  return allParts(level).some(
    (part) => part.node === 'builtin' && part.name === 'digitalRead' && isSamePin(part.arguments[0], pin),
  );
}

function isSamePin(one: Expression | undefined, other: Expression): boolean {
  const [left, right] = [one && bare(one), bare(other)];
  if (left?.node === 'constant') return right.node === 'constant' && left.value === right.value;
  const cell = left?.node === 'load' ? cellOf(left.place) : undefined;
  return cell !== undefined && isLoadOf(right, cell);
}

/** Whether the step stands in the body itself, and not behind another question. */
const isDirectStep = (body: Statement, step: Expression): boolean =>
  directlyIn(body).some(
    (statement) => statement.node === 'expression' && allParts(statement.expression).includes(step),
  );

/** Whether a body waits until the button is let go, or for so long that a press is over: itself, or in a function that it calls. */
function waits(
  body: Statement,
  functions: readonly FunctionTree[],
  seen: ReadonlySet<number> = new Set(),
): boolean {
  // A loop in a function may be one that lights LED after LED.
  const isWait = (statement: Statement): boolean =>
    statement.node === 'loop' && (seen.size === 0 || looksAtPin(statement));
  return (
    allStatements(body).some((statement) => isWait(statement) || isLongPause(statement)) ||
    allExpressions(body).some(
      (part) =>
        part.node === 'call' &&
        !seen.has(part.target) &&
        waits(functions[part.target]!.body, functions, new Set([...seen, part.target])),
    )
  );
}

/** Whether what a loop asks is what a pin reads. */
const looksAtPin = (loop: Statement): boolean =>
  expressionsOf(loop).some((expression) =>
    allParts(expression).some((part) => part.node === 'builtin' && part.name === 'digitalRead'),
  );

/** Milliseconds after which most presses are over. */
const PRESS_OVER = 200;

const isLongPause = (statement: Statement): boolean =>
  expressionsOf(statement).some((expression) =>
    allParts(expression).some((part) => {
      if (part.node !== 'builtin' || part.name !== 'delay') return false;
      const time = part.arguments[0] && bare(part.arguments[0]);
      return time?.node !== 'constant' || time.value >= PRESS_OVER;
    }),
  );

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
