import { withInner } from '../with-inner';
import type { Expression, Place, Statement } from './tree';

/** The expressions right inside an expression. */
export function partsOf(expression: Expression): readonly Expression[] {
  switch (expression.node) {
    case 'constant':
    case 'text':
      return [];
    case 'load':
    case 'address':
      return inPlace(expression.place);
    case 'store':
    case 'update':
      return [...inPlace(expression.place), expression.value];
    case 'copy':
      return [expression.from, ...inPlace(expression.to)];
    case 'negate':
    case 'complement':
    case 'not':
      return [expression.operand];
    case 'binary':
    case 'compare':
    case 'both':
    case 'either':
      return [expression.left, expression.right];
    case 'choose':
      return [expression.condition, expression.yes, expression.no];
    case 'convert':
      return [expression.value];
    case 'call':
    case 'builtin':
      return expression.arguments;
    case 'sequence':
      return [expression.first, expression.second];
  }
}

const inPlace = ({ through, steps }: Place): readonly Expression[] => [
  ...(through ? [through] : []),
  ...steps.map(({ index }) => index),
];

/** The expressions that stand in a statement itself, not in the statements inside it. */
export function expressionsOf(statement: Statement): readonly Expression[] {
  switch (statement.node) {
    case 'expression':
      return [statement.expression];
    case 'initialize':
    case 'once':
      return statement.stores;
    case 'if':
      return [statement.condition];
    case 'loop':
      return [statement.condition, statement.step].filter((one) => one !== undefined);
    case 'switch':
      return [statement.subject];
    case 'return':
      return statement.value ? [statement.value] : [];
    default:
      return [];
  }
}

/** The statements right inside a statement. */
export function statementsOf(statement: Statement): readonly Statement[] {
  switch (statement.node) {
    case 'block':
      return statement.statements;
    case 'if':
      return [statement.yes, ...(statement.no ? [statement.no] : [])];
    case 'loop':
      return [...(statement.start ? [statement.start] : []), statement.body];
    case 'switch':
      return statement.cases.flatMap(({ statements }) => statements);
    default:
      return [];
  }
}

/** A statement with all that are inside it, outer ones first. */
export const allStatements = (statement: Statement): readonly Statement[] =>
  withInner([statement], statementsOf);

/** An expression with all that are inside it, outer ones first. */
export const allParts = (expression: Expression): readonly Expression[] => withInner([expression], partsOf);

/** Every expression of a statement and of all that are inside it. */
export function allExpressions(statement: Statement): readonly Expression[] {
  let all = expressionsIn.get(statement);
  if (!all) {
    all = withInner(allStatements(statement).flatMap(expressionsOf), partsOf);
    expressionsIn.set(statement, all);
  }
  return all;
}

/** What was found in a statement already: a dozen habits look through the same ones. */
const expressionsIn = new WeakMap<Statement, readonly Expression[]>();

/** An expression without the conversions round it. */
export function bare(expression: Expression): Expression {
  return expression.node === 'convert' ? bare(expression.value) : expression;
}

/** Where a simple variable lies, as a text that is the same for the same one within a function. */
export const cellOf = (place: Place): string | undefined =>
  place.through || place.steps.length > 0 ? undefined : `${place.area} ${place.address}`;
