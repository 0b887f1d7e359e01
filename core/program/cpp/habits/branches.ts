import { neverCalled } from '../../habit-problems';
import { sameForAllNumbers, type Joined } from '../../joined-limits';
import { mirrored, type Limit } from '../../limit';
import { neverReachedIn } from '../../ordered-questions';
import { warning, type ProgramProblem } from '../../problem';
import type { Expression, Statement } from '../tree';
import { allExpressions, allParts, allStatements, bare, cellOf, expressionsOf, statementsOf } from '../walk';
import type { Facts, Habit } from './habit';
import { writtenIn } from './pin-uses';

/** What never runs, or runs otherwise than its place on the page says. */
export const branchHabits: Habit = (facts) => {
  const statements = facts.tree.functions.flatMap(({ body }) => allStatements(body));
  return [
    ...chainsIn(statements).flatMap((chain) =>
      neverReachedIn(
        chain.map(({ condition, yes }) => {
          const limit = limitIn(condition, facts);
          return limit && { ...limit, branch: yes.span };
        }),
        facts.source,
      ),
    ),
    ...joinedIn(statements, facts).flatMap((joined) => sameForAllNumbers(joined, { and: '&&', or: '||' })),
    ...statements.flatMap((statement) => outsideBraces(statement, facts)),
    ...uncalled(facts),
  ];
};

type If = Extract<Statement, { node: 'if' }>;

/** The questions of each `if … else if … else`, in their order. */
function chainsIn(statements: readonly Statement[]): readonly (readonly If[])[] {
  const ifs = statements.filter((one): one is If => one.node === 'if');
  const continued = new Set(ifs.map(({ no }) => no));
  const chainOf = (one: If): readonly If[] => [one, ...(one.no?.node === 'if' ? chainOf(one.no) : [])];
  return ifs.filter((one) => !continued.has(one)).map(chainOf);
}

function limitIn(condition: Expression, { source }: Facts): Limit | undefined {
  const inner = bare(condition);
  if (inner.node !== 'compare') return undefined;
  const [left, right] = [bare(inner.left), bare(inner.right)];
  const isTurned = left.node === 'constant';
  const [subject, limit] = isTurned ? [right, left] : [left, right];
  const cell = subject.node === 'load' ? cellOf(subject.place) : undefined;
  if (cell === undefined || limit.node !== 'constant') return undefined;
  const { line, column } = inner.span;
  const text = writtenIn(source)(inner.span);
  const operator = isTurned ? mirrored(inner.operator) : inner.operator;
  return { subject: cell, operator, value: limit.value, line, column, text, span: inner.span };
}

/** Limits of variables that are joined by nothing but `&&`, or by nothing but `||`. */
function joinedIn(statements: readonly Statement[], facts: Facts): readonly Joined[] {
  const parts = statements.flatMap((one) => expressionsOf(one).flatMap((whole) => allParts(whole)));
  const lines = facts.source.split('\n');
  return parts.flatMap((whole): readonly Joined[] => {
    const { node } = whole;
    if (node !== 'both' && node !== 'either') return [];
    // What stands inside of another one of its sort belongs to that.
    if (parts.some((outer) => outer.node === node && [outer.left, outer.right].map(bare).includes(whole)))
      return [];
    const sides = sidesOf(whole, node);
    const words = sides.slice(1).flatMap(({ span: { line } }, index) => {
      const before = sides[index]!.span;
      const text = node === 'both' ? '&&' : '||';
      const column = before.endLine === line ? lines[line - 1]!.indexOf(text, before.endColumn - 1) + 1 : 0;
      return column > 0 ? [{ line, column, text }] : [];
    });
    const limits = sides.flatMap((side) => limitIn(side, facts) ?? []);
    return [{ by: node === 'both' ? 'and' : 'or', limits, words }];
  });
}

/** What is joined, from left to right. */
function sidesOf(whole: Expression, node: 'both' | 'either'): readonly Expression[] {
  const inner = bare(whole);
  return inner.node === node ? [inner.left, inner.right].flatMap((side) => sidesOf(side, node)) : [inner];
}

/** What stands last of an `if` or a loop, with the word that it belongs to. */
interface LastBranch {
  readonly kind: string;
  readonly body: Statement;
}

function lastBranchOf(head: Statement): LastBranch | undefined {
  if (head.node === 'loop') return { kind: head.kind, body: head.body };
  if (head.node !== 'if') return undefined;
  if (!head.no) return { kind: 'if', body: head.yes };
  return head.no.node === 'if' ? lastBranchOf(head.no) : { kind: 'else', body: head.no };
}

/** A line that is indented like the one that belongs to an `if`, an `else` or a loop without braces, and does not belong to it. */
function outsideBraces(statement: Statement, { source }: Facts): readonly ProgramProblem[] {
  if (statement.node !== 'block') return [];
  const inner = statementsOf(statement);
  return inner.flatMap((head, index): readonly ProgramProblem[] => {
    const { kind, body } = lastBranchOf(head) ?? {};
    const next = inner[index + 1];
    if (!body || !next || body.node === 'block' || body.node === 'empty') return [];
    const lines = source.split('\n');
    const [at, begins] = [body.span, next.span];
    const isAlike = begins.column === at.column && at.column > head.span.column;
    const isByItself = at.line > head.span.line && begins.line > at.endLine;
    const isFirst = (lines[at.line - 1] ?? '').slice(0, at.column - 1).trim() === '';
    if (!isAlike || !isByItself || !isFirst) return [];
    const alike = inner.slice(index + 1);
    const end = alike.findIndex(({ span }) => span.column !== at.column);
    const last = alike[(end < 0 ? alike.length : end) - 1]!;
    const headLine = lines[at.line - 2] ?? '';
    const headEnd = headLine.replace(/\s*(?:\/\/.*)?$/, '').length;
    const of = head.node === 'if' && head.no ? at.line - 1 : head.span.line;
    const text = `Put braces { } round lines ${at.line} to ${last.span.endLine}.`;
    const indent = (lines[head.span.line - 1] ?? '').slice(0, head.span.column - 1);
    return [
      warning(
        'braces-left-out',
        'fault',
        { line: begins.line, column: begins.column },
        `Line ${begins.line} looks as if it belonged to the ${kind} in line ${of}. Without braces only line ${at.line} does.`,
        [
          `Which lines belong to the ${kind} in line ${of}?`,
          `Without braces, the ${kind} takes only the one instruction behind it.`,
          text,
        ],
        {
          text,
          edits: [
            // From the end, so that the place before stays what it is.
            {
              replace: {
                line: last.span.endLine,
                column: (lines[last.span.endLine - 1] ?? '').length + 1,
                length: 0,
                by: `\n${indent}}`,
              },
            },
            { replace: { line: at.line - 1, column: headEnd + 1, length: 0, by: ' {' } },
          ],
        },
      ),
    ];
  });
}

/** Functions that run by themselves, some of them without being asked for. */
const BY_THEMSELVES: ReadonlySet<string> = new Set(['setup', 'loop', 'serialEvent', 'yield']);

/** A function that no line calls. */
function uncalled({ tree, source, routines }: Facts): readonly ProgramProblem[] {
  const called = new Set(
    tree.functions.flatMap(({ body }) =>
      allExpressions(body).flatMap((part) => (part.node === 'call' ? [part.target] : [])),
    ),
  );
  return tree.functions.flatMap(({ name, span }, index): readonly ProgramProblem[] => {
    // What belongs to a class may be there for whoever uses it.
    if (!/^\w+$/.test(name) || called.has(index) || routines.has(index) || BY_THEMSELVES.has(name)) return [];
    if ([...source.matchAll(new RegExp(`\\b${name}\\b`, 'g'))].length > 1) return [];
    return [neverCalled(span, name, { call: `${name}();`, alone: 'Only setup and loop run by themselves.' })];
  });
}
