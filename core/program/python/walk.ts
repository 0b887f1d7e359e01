import { withInner } from '../with-inner';
import type { Expression, Statement, Target } from './tree';

/** The expressions right inside an expression. */
export function partsOf(expression: Expression): readonly Expression[] {
  switch (expression.node) {
    case 'constant':
    case 'name':
      return [];
    case 'joined':
      return expression.pieces.flatMap((piece) => (typeof piece === 'string' ? [] : [piece.value]));
    case 'attribute':
      return [expression.owner];
    case 'index':
      return [expression.owner, expression.index];
    case 'slice':
      return [expression.owner, ...expression.bounds.filter((bound) => bound !== undefined)];
    case 'call':
      return [expression.callee, ...expression.values, ...expression.named.map(({ value }) => value)];
    case 'binary':
    case 'both':
    case 'either':
      return [expression.left, expression.right];
    case 'unary':
      return [expression.operand];
    case 'compare':
      return [expression.first, ...expression.rest.map(({ value }) => value)];
    case 'choose':
      return [expression.condition, expression.yes, expression.no];
    case 'list':
    case 'tuple':
    case 'set':
      return expression.items;
    case 'lambda':
      return expression.defaults.filter((value) => value !== undefined);
    case 'super':
      return [expression.base, expression.self];
    case 'named':
      return [expression.value];
    case 'dict':
      return expression.pairs.flat();
    case 'comprehension':
      return [
        ...(expression.key ? [expression.key] : []),
        expression.item,
        expression.source,
        ...(expression.condition ? [expression.condition] : []),
      ];
  }
}

/** An expression with all that are inside it, outer ones first. */
export const allParts = (expression: Expression): readonly Expression[] => withInner([expression], partsOf);

/** The expressions that stand in a statement itself, not in the statements inside it. */
export function expressionsOf(statement: Statement): readonly Expression[] {
  switch (statement.node) {
    case 'expression':
      return [statement.expression];
    case 'assign':
      return [statement.value, ...statement.targets.flatMap(inTarget)];
    case 'augment':
      return [statement.value, ...inTarget(statement.target)];
    case 'if':
    case 'while':
      return [statement.condition];
    case 'for':
      return [statement.source];
    case 'with':
      return [statement.value];
    case 'class':
      return statement.base ? [statement.base] : [];
    case 'return':
    case 'raise':
      return statement.value ? [statement.value] : [];
    case 'assert':
      return [statement.condition, ...(statement.message ? [statement.message] : [])];
    default:
      return [];
  }
}

const inTarget = (target: Target): readonly Expression[] => {
  switch (target.target) {
    case 'name':
      return [];
    case 'attribute':
      return [target.owner];
    case 'index':
      return [target.owner, target.index];
    case 'several':
      return target.targets.flatMap(inTarget);
  }
};

/** The statements right inside a statement; those of a function stand with the program. */
export function statementsOf(statement: Statement): readonly Statement[] {
  switch (statement.node) {
    case 'if':
      return [...statement.yes, ...statement.no];
    case 'while':
    case 'for':
      return [...statement.body, ...statement.otherwise];
    case 'with':
      return statement.body;
    case 'try':
      return [
        ...statement.body,
        ...statement.handlers.flatMap(({ body }) => body),
        ...statement.otherwise,
        ...statement.last,
      ];
    default:
      return [];
  }
}

/** Statements with all that are inside them, outer ones first. */
export const allStatements = (statements: readonly Statement[]): readonly Statement[] =>
  withInner(statements, statementsOf);

/** Every expression of statements and of all that are inside them. */
export const allExpressions = (statements: readonly Statement[]): readonly Expression[] =>
  withInner(allStatements(statements).flatMap(expressionsOf), partsOf);

/** What a value is put into by a statement. */
export const targetsOf = (statement: Statement): readonly Target[] =>
  statement.node === 'assign'
    ? statement.targets
    : statement.node === 'augment' || statement.node === 'for'
      ? [statement.target]
      : [];

/** A place that can be compared: `count`, `lamp.value`; `undefined` for any other. */
export function placeOf(place: Target | Expression): string | undefined {
  const isName = 'target' in place ? place.target === 'name' : place.node === 'name';
  if (isName && 'name' in place) return place.name;
  const isAttribute = 'target' in place ? place.target === 'attribute' : place.node === 'attribute';
  if (!isAttribute || !('owner' in place) || !('name' in place)) return undefined;
  const owner = placeOf(place.owner);
  return owner === undefined ? undefined : `${owner}.${place.name}`;
}
