import { mirrored, neverReachedIn, type Limit } from '../../ordered-questions';
import type { Statement } from '../tree';
import { numberOf } from '../values';
import { allStatements, placeOf } from '../walk';
import type { Habit } from './habit';

/** `if t > 10: … elif t > 100:`: questions that are never reached with a yes. */
export const branchHabits: Habit = ({ tree, source }) => {
  const bodies = [tree.body, ...tree.functions.map(({ body }) => body)];
  const ifs = bodies
    .flatMap((body) => [...allStatements(body)])
    .filter((one): one is If => one.node === 'if');
  const continued = new Set(ifs.flatMap((one) => continuationOf(one) ?? []));
  const chainOf = (one: If): readonly If[] => {
    const next = continuationOf(one);
    return [one, ...(next ? chainOf(next) : [])];
  };
  const lines = source.split('\n');
  return ifs
    .filter((one) => !continued.has(one))
    .flatMap((one) =>
      neverReachedIn(
        chainOf(one).map((link) => limitIn(link, lines)),
        source,
      ),
    );
};

type If = Extract<Statement, { node: 'if' }>;

/** The question that is asked where the answer to this one is no. */
function continuationOf({ no }: If): If | undefined {
  const [only, more] = no;
  return only?.node === 'if' && !more ? only : undefined;
}

function limitIn({ condition: question, yes }: If, lines: readonly string[]): Limit | undefined {
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
    branch: { ...yes.at(-1)!.span, line: yes[0]!.span.line, column: yes[0]!.span.column },
  };
}
