import { sameForAllNumbers, type Joined } from '../../joined-limits';
import { mirrored, type Limit } from '../../limit';
import { neverReachedIn } from '../../ordered-questions';
import type { Expression, Statement } from '../tree';
import { numberOf } from '../values';
import { allExpressions, allStatements, placeOf } from '../walk';
import type { Habit } from './habit';

/** `if t > 10: … elif t > 100:`: questions that are never reached with a yes, and those with one answer for all numbers. */
export const branchHabits: Habit = ({ tree, source }) => {
  const bodies = [tree.body, ...tree.functions.map(({ body }) => body)];
  const ifs = bodies.flatMap((body) => allStatements(body)).filter((one): one is If => one.node === 'if');
  const continued = new Set(ifs.flatMap((one) => continuationOf(one) ?? []));
  const chainOf = (one: If): readonly If[] => {
    const next = continuationOf(one);
    return [one, ...(next ? chainOf(next) : [])];
  };
  const lines = source.split('\n');
  const unreached = ifs
    .filter((one) => !continued.has(one))
    .flatMap((one) =>
      neverReachedIn(
        chainOf(one).map(({ condition, yes }) => {
          const limit = limitIn(condition, lines);
          const { line, column } = yes[0]!.span;
          return limit && { ...limit, branch: { ...yes.at(-1)!.span, line, column } };
        }),
        source,
      ),
    );
  const joined = bodies.flatMap((body) => joinedIn(allExpressions(body), lines));
  return [...unreached, ...joined.flatMap((one) => sameForAllNumbers(one, { and: 'and', or: 'or' }))];
};

type If = Extract<Statement, { node: 'if' }>;

/** The question that is asked where the answer to this one is no. */
function continuationOf({ no }: If): If | undefined {
  const [only, more] = no;
  return only?.node === 'if' && !more ? only : undefined;
}

function limitIn(question: Expression, lines: readonly string[]): Limit | undefined {
  if (question.node !== 'compare' || question.rest.length !== 1) return undefined;
  const [{ operator, value }] = question.rest as [(typeof question.rest)[number]];
  const isTurned = question.first.node === 'constant';
  const [asked, limit] = isTurned ? [value, question.first] : [question.first, value];
  const subject = asked.node === 'name' ? placeOf(asked) : undefined;
  const amount = limit.node === 'constant' ? numberOf(limit.value) : undefined;
  const { line, column, endLine, endColumn } = question.span;
  if (subject === undefined || typeof amount !== 'number' || endLine !== line) return undefined;
  return {
    subject,
    operator: isTurned ? mirrored(operator) : operator,
    value: amount,
    line,
    column,
    text: lines[line - 1]!.slice(column - 1, endColumn - 1),
    span: question.span,
  };
}

/** Limits of variables that are joined by nothing but `and`, or by nothing but `or`. */
function joinedIn(parts: readonly Expression[], lines: readonly string[]): readonly Joined[] {
  return parts.flatMap((whole): readonly Joined[] => {
    const { node } = whole;
    if (node !== 'both' && node !== 'either') return [];
    // What stands inside of another one of its sort belongs to that.
    if (parts.some((outer) => outer.node === node && [outer.left, outer.right].includes(whole))) return [];
    const sides = sidesOf(whole, node);
    const text = node === 'both' ? 'and' : 'or';
    const words = sides.slice(1).flatMap(({ span: { line } }, index) => {
      const before = sides[index]!.span;
      const column = before.endLine === line ? lines[line - 1]!.indexOf(text, before.endColumn - 1) + 1 : 0;
      return column > 0 ? [{ line, column, text }] : [];
    });
    return [{ by: text, limits: sides.flatMap((side) => limitIn(side, lines) ?? []), words }];
  });
}

/** What is joined, from left to right. */
const sidesOf = (whole: Expression, node: 'both' | 'either'): readonly Expression[] =>
  whole.node === node ? [whole.left, whole.right].flatMap((side) => sidesOf(side, node)) : [whole];
