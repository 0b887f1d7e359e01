import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Span } from '../../syntax';
import type { Expression, Statement } from '../tree';
import { allParts, allStatements } from '../walk';
import type { Facts, Habit } from './habit';
import type { PinObjects } from './pins';

type Of<Node extends Expression['node']> = Extract<Expression, { node: Node }>;

/** Questions that do not ask what they seem to, and lines of which nothing comes. */
export const questionHabits: Habit = (facts) => {
  const bodies = [facts.tree.body, ...facts.tree.functions.map(({ body }) => body)];
  const statements = bodies.flatMap((body) => allStatements(body));
  return statements.flatMap((statement) => [
    ...questionsOf(statement).flatMap((question) => [
      ...objects(question, facts.pins),
      ...loneValues(question, facts.source),
    ]),
    ...(statement.node === 'expression' ? idle(statement.expression, facts) : []),
    ...(statement.node === 'assign' ? lost(statement, facts) : []),
  ]);
};

/** What a statement asks. */
const questionsOf = (statement: Statement): readonly Expression[] =>
  statement.node === 'if' || statement.node === 'while' ? [statement.condition] : [];

/** A stretch of one line of the text. */
const textAt = (source: string, { line, column, endLine, endColumn }: Span): string =>
  line === endLine ? source.split('\n')[line - 1]!.slice(column - 1, endColumn - 1) : '';

/** `if button:`: an object counts as true, whatever its pin reads. */
function objects(question: Expression, pins: PinObjects): readonly ProgramProblem[] {
  switch (question.node) {
    case 'both':
    case 'either':
      return [question.left, question.right].flatMap((side) => objects(side, pins));
    case 'unary':
      return question.operator === 'not' ? objects(question.operand, pins) : [];
    case 'compare':
      return objects(question.first, pins);
    case 'name': {
      if (!pins.has(question.name)) return [];
      const { line, column, endColumn } = question.span;
      const whole = `${question.name}.value`;
      const text = `Write ${whole} instead of ${question.name} in line ${line}.`;
      return [
        warning(
          'always-true',
          'fault',
          { line, column },
          `Line ${line}: ${question.name} is the pin itself, which always counts as true. What it reads is ${whole}.`,
          [
            `Does line ${line} ask about the pin, or about what is read at it?`,
            `${question.name} stands for the pin; ${whole} is what it reads.`,
            text,
          ],
          textRepair(text, { line, column: endColumn, length: 0, by: '.value' }),
        ),
      ];
    }
    default:
      return [];
  }
}

/** The comparison that stands last in front of a value that is compared with nothing. */
function lastComparison(expression: Expression): Of<'compare'> | undefined {
  if (expression.node === 'compare') return expression;
  if (expression.node !== 'both' && expression.node !== 'either') return undefined;
  return lastComparison(expression.right) ?? lastComparison(expression.left);
}

/** `if count == 1 or 2:`: what is not 0, and no empty text, is true. */
function loneValues(question: Expression, source: string): readonly ProgramProblem[] {
  if (question.node !== 'both' && question.node !== 'either') return [];
  const inner = [...loneValues(question.left, source), ...loneValues(question.right, source)];
  const comparison = lastComparison(question.left);
  const [operator] = comparison?.rest ?? [];
  const { right } = question;
  const isPlain = right.node === 'constant' && !['boolean', 'undefined'].includes(typeof right.value);
  if (!isPlain || right.value === null || !comparison || !operator || comparison.rest.length > 1)
    return inner;
  const value = textAt(source, right.span);
  const { first } = comparison;
  const begins = { ...comparison.span, endLine: first.span.endLine, endColumn: first.span.endColumn };
  const asked = `${textAt(source, begins)} ${operator.operator} `;
  const { line, column } = right.span;
  if (value === '' || question.left.span.endLine !== line) return inner;
  const joining = question.node === 'both' ? 'and' : 'or';
  // Of two that it must not be, it always is not the one or the other.
  const meant = operator.operator === '!=' ? 'and' : joining;
  const text = `Write ${meant} ${asked}${value} instead of ${joining} ${value} in line ${line}.`;
  const from = question.left.span.endColumn;
  return [
    ...inner,
    warning(
      'always-true',
      'fault',
      { line, column },
      `Line ${line}: ${value} is compared with nothing here, and what is not 0 or empty counts as true.`,
      [
        `What is asked of ${value} in line ${line}?`,
        `Each side of “${joining}” is a question of its own; ${value} alone is none.`,
        text,
      ],
      textRepair(text, {
        line,
        column: from,
        length: right.span.endColumn - from,
        by: ` ${meant} ${asked}${value}`,
      }),
    ),
  ];
}

const CALCULATES: ReadonlySet<string> = new Set(['+', '-', '*', '/', '//', '%']);

/** `count + 1`, `led.value == True` as a line of its own. */
function idle(expression: Expression, { source, pins }: Facts): readonly ProgramProblem[] {
  const [first, value, sign] =
    expression.node === 'compare' && expression.rest[0]?.operator === '=='
      ? [expression.first, expression.rest[0].value, '==']
      : expression.node === 'binary' && CALCULATES.has(expression.operator)
        ? [expression.left, expression.right, expression.operator]
        : [];
  const isTarget = first?.node === 'name' || first?.node === 'attribute';
  if (!first || !value || !isTarget || allParts(value).some(({ node }) => node === 'call')) return [];
  // The place of a member is that of its name; what it belongs to stands before it.
  const begins = { ...expression.span, endLine: first.span.endLine, endColumn: first.span.endColumn };
  const [target, given, whole] = [begins, value.span, expression.span].map((span) => textAt(source, span));
  if (!target || !given || !whole) return [];
  const isComparison = sign === '==';
  // A pin is switched by what belongs to it.
  const member = isComparison && pins.has(target) ? '.value' : '';
  const by = isComparison ? `${target}${member} = ${given}` : `${target} ${sign}= ${given}`;
  const { line, column } = expression.span;
  const text = `Write ${by} instead of ${whole} in line ${line}.`;
  return [
    warning(
      'no-effect',
      'fault',
      { line, column },
      isComparison
        ? `Line ${line}: two equals signs compare, and nothing is done with the answer. ${target} stays as it is.`
        : `Line ${line}: ${whole} is worked out and thrown away. ${target} stays as it is.`,
      [
        `Does line ${line} change ${target}?`,
        isComparison
          ? `Line ${line} asks whether ${target} is ${given}; giving it that value takes one =.`
          : `Line ${line} works out ${whole} but keeps it nowhere.`,
        text,
      ],
      textRepair(text, { line, column, length: whole.length, by }),
    ),
  ];
}

/** `led = True`, where led is a pin; `count =+ 1`: a value that takes the place of another one. */
function lost(
  { targets, value, span }: Extract<Statement, { node: 'assign' }>,
  { source, pins }: Facts,
): readonly ProgramProblem[] {
  const [target] = targets;
  if (target?.target !== 'name' || targets.length > 1) return [];
  const { name } = target;
  const whole = textAt(source, span);
  const { line, column } = span;
  const written = whole.trim();
  const tell = (by: string, says: string, question: string, pointer: string): readonly ProgramProblem[] => {
    const text = `Write ${by} instead of ${written} in line ${line}.`;
    return [
      warning(
        'no-effect',
        'fault',
        { line, column },
        `Line ${line}: ${says}`,
        [question, pointer, text],
        textRepair(text, { line, column, length: written.length, by }),
      ),
    ];
  };
  const [, sign, amount] = /^\w+\s*=(\+\s*|-\s+)(\w+)$/.exec(written) ?? [];
  if (sign !== undefined)
    return tell(
      `${name} ${sign.trim()}= ${amount}`,
      `“${written}” gives ${name} the same value each time; nothing is ${sign.startsWith('+') ? 'added' : 'taken away'}.`,
      `Which value has ${name} after line ${line}, the first time and the second time?`,
      `In line ${line} the = stands before the ${sign.trim()}.`,
    );
  const level = pins.get(name) === 'digital' ? levelIn(value, name, whole) : undefined;
  if (level === undefined) return [];
  const isPlain = /^\w+$/.test(level);
  return tell(
    `${name}.value = ${level}`,
    `${name} is the pin itself. This line gives its name to ${isPlain ? level : 'a level'}, and the pin stays as it is.`,
    `What does ${name} stand for: the pin, or what it gives?`,
    `After line ${line}, ${name} is no pin any more. What a pin gives is its value.`,
  );
}

/** The level that a pin is to have which an assignment gives to its name instead: `True`, `1`, `not led`; `undefined` for anything else. */
function levelIn(value: Expression, name: string, whole: string): string | undefined {
  if (value.node === 'constant' && typeof value.value === 'boolean') return value.value ? 'True' : 'False';
  const written = /=\s*(.+?)\s*$/.exec(whole)?.[1];
  if (written === undefined) return undefined;
  if (/^[01]$/.test(written)) return written === '1' ? 'True' : 'False';
  const isTurned = value.node === 'unary' && value.operator === 'not';
  // What is the pin in it stands for its level too.
  return isTurned || value.node === 'compare'
    ? written.replace(new RegExp(`\\b${name}\\b(?!\\s*\\.)`, 'g'), `${name}.value`)
    : undefined;
}
