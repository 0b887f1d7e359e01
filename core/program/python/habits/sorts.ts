import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Span } from '../../syntax';
import type { Expression, Statement, Target } from '../tree';
import { PyFloat } from '../values';
import { allExpressions, allStatements, targetsOf } from '../walk';
import type { Habit } from './habit';
import { reads, type PinObjects } from './pins';

/** What a value is, as far as it shows: a text, a number, or true or false. */
type Sort = 'text' | 'number' | 'truth';

/** Built-in functions and what they give. */
const GIVES: Readonly<Record<string, Sort>> = { len: 'number', int: 'number', float: 'number', str: 'text' };

/** `if button.value == "0"`: a text and what is none are never the same. */
export const sortHabits: Habit = ({ tree, source, pins }) => {
  const bodies = [tree.body, ...tree.functions.map(({ body }) => body)];
  const statements = bodies.flatMap((body) => allStatements(body));
  const sorts = new Sorts(statements, pins);
  const lines = source.split('\n');
  return allExpressions(bodies.flat()).flatMap((expression) => {
    if (expression.node !== 'compare' || expression.rest.length > 1) return [];
    const [{ operator, value }] = expression.rest as [(typeof expression.rest)[number]];
    if (operator !== '==' && operator !== '!=') return [];
    const sides = [expression.first, value] as const;
    const text = sides.find((side) => side.node === 'constant' && typeof side.value === 'string');
    const other = sides.find((side) => side !== text);
    const sort = other && sorts.of(other);
    if (text?.node !== 'constant' || !other || !sort || sort === 'text') return [];
    return [unlike(text.span, String(text.value), { sort, operator }, lines)];
  });
};

function unlike(
  { line, column, endLine, endColumn }: Span,
  written: string,
  { sort, operator }: { readonly sort: Sort; readonly operator: '==' | '!=' },
  lines: readonly string[],
): ProgramProblem {
  const shown = lines[line - 1]?.slice(column - 1, endColumn - 1) ?? '';
  const plain = plainly(written, sort);
  const isMended = plain !== undefined && line === endLine && shown.length > written.length;
  const what = sort === 'truth' ? 'True or False' : 'a number';
  const always = operator === '==' ? 'never the same' : 'always different';
  const remedy = isMended
    ? `Write ${plain} instead of ${shown} in line ${line}.`
    : `Compare it with ${sort === 'truth' ? 'True or False' : 'a number'}, without quotes.`;
  return warning(
    'always-true',
    'fault',
    { line, column },
    `Line ${line} compares ${what} with ${shown}, which is text because of its quotes. The two are ${always}.`,
    [
      `What is on each side of ${operator} in line ${line}?`,
      `What stands in quotes is text, and no text is the same as ${what}.`,
      remedy,
    ],
    isMended ? textRepair(remedy, { line, column, length: endColumn - column, by: plain }) : undefined,
  );
}

/** What was meant by a text that is compared with what is none. */
function plainly(written: string, sort: Sort): string | undefined {
  if (/^(?:0|1|true|false)$/i.test(written) && sort === 'truth')
    return /^(?:1|true)$/i.test(written) ? 'True' : 'False';
  return sort === 'number' && /^-?\d+(?:\.\d+)?$/.test(written) ? written : undefined;
}

/** What names stand for, wherever they get a value. */
class Sorts {
  private readonly given = new Map<string, Expression[]>();
  private readonly unclear = new Set<string>();
  private readonly known = new Map<string, Sort | undefined>();

  constructor(
    statements: readonly Statement[],
    private readonly pins: PinObjects,
  ) {
    for (const statement of statements) {
      for (const target of targetsOf(statement)) this.note(target, statement);
      if (statement.node === 'with' && statement.target) this.blur(statement.target);
    }
    for (const expression of allExpressions(statements))
      if (expression.node === 'named') this.blur(expression.target);
  }

  private note(target: Target, statement: Statement): void {
    if (target.target === 'several') for (const each of target.targets) this.blur(each);
    else if (target.target !== 'name') return;
    else if (statement.node === 'assign' || statement.node === 'augment')
      this.given.set(target.name, [...(this.given.get(target.name) ?? []), statement.value]);
    else this.blur(target);
  }

  private blur(target: Target): void {
    if (target.target === 'name') this.unclear.add(target.name);
    if (target.target === 'several') for (const each of target.targets) this.blur(each);
  }

  /** What an expression is; `undefined` where it may be this or that. */
  of(expression: Expression): Sort | undefined {
    switch (expression.node) {
      case 'constant':
        return sortOf(expression.value);
      case 'joined':
        return 'text';
      case 'compare':
        return 'truth';
      case 'unary':
        return expression.operator === 'not' ? 'truth' : this.of(expression.operand);
      case 'binary':
        return this.of(expression.left) === 'number' && this.of(expression.right) === 'number'
          ? 'number'
          : undefined;
      case 'attribute':
        if (reads(expression, 'digital', this.pins)) return 'truth';
        return reads(expression, 'analog', this.pins) ? 'number' : undefined;
      case 'call':
        return expression.callee.node === 'name' && expression.callee.slot.area === 'library'
          ? GIVES[expression.callee.name]
          : undefined;
      case 'name':
        return expression.slot.area === 'global' ? this.ofName(expression.name) : undefined;
      default:
        return undefined;
    }
  }

  private ofName(name: string): Sort | undefined {
    if (this.known.has(name)) return this.known.get(name);
    // What refers to itself, as in count = count + 1, is what its other values are.
    this.known.set(name, undefined);
    const values = this.unclear.has(name) ? [] : (this.given.get(name) ?? []);
    const own = values.filter((value) => !mentions(value, name));
    const [first, ...rest] = own.map((value) => this.of(value));
    const sort = first && rest.every((other) => other === first) ? first : undefined;
    this.known.set(name, sort);
    return sort;
  }
}

const mentions = (expression: Expression, name: string): boolean =>
  expression.node === 'binary' &&
  [expression.left, expression.right].some(
    (side) => (side.node === 'name' && side.name === name) || mentions(side, name),
  );

function sortOf(value: unknown): Sort | undefined {
  if (typeof value === 'string') return 'text';
  if (typeof value === 'boolean') return 'truth';
  return typeof value === 'number' || typeof value === 'bigint' || value instanceof PyFloat
    ? 'number'
    : undefined;
}
