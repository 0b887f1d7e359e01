import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { signOf } from './signs';

/** An assignment where something is asked. */
export interface Assigned {
  readonly node: SyntaxNode;
  /** What is reckoned with what is set, as in `now - t = 500`. */
  readonly before: string;
  /** What it would be compared with. */
  readonly right: string;
  /** Whether there is something that can be set, so that a compiler takes it: a variable, and not what a function returns. */
  readonly isSettable: boolean;
}

const SETTABLE: ReadonlySet<string> = new Set([
  'identifier',
  'subscript_expression',
  'field_expression',
  'pointer_expression',
]);
const RECKONING: ReadonlySet<string> = new Set(['+', '-', '*', '/', '%']);

const assigned = (node: SyntaxNode, before = '', right = node.childForFieldName('right')!): Assigned => ({
  node,
  before,
  right: right.text,
  isSettable: before === '' && SETTABLE.has(node.childForFieldName('left')!.type),
});

const isAssignment = (node: SyntaxNode): boolean =>
  node.type === 'assignment_expression' && signOf(node) === '=';

/** Assignments that stand where something is asked. */
export function assignmentsIn(node: SyntaxNode): readonly Assigned[] {
  const operator = signOf(node);
  if (isAssignment(node)) return [assigned(node)];
  if (node.type === 'binary_expression' && RECKONING.has(operator)) {
    // The grammar takes it for a difference of which a part is set; no compiler does.
    const right = node.childForFieldName('right')!;
    return isAssignment(right)
      ? [assigned(right, `${node.childForFieldName('left')!.text} ${operator} `)]
      : [];
  }
  const isAsked =
    node.type === 'condition_clause' ||
    node.type === 'parenthesized_expression' ||
    (node.type === 'binary_expression' && (operator === '&&' || operator === '||')) ||
    (node.type === 'unary_expression' && operator === '!');
  return isAsked ? namedChildren(node).flatMap(assignmentsIn) : [];
}

/**
 * What is wrong with an assignment that asks: of what a function returns, `digitalRead(2) = LOW`; of a variable whose answer
 * is always the same, `x = 1 ? HIGH : LOW`. `isConstant`: whether a condition never changes.
 */
export function askedByAssignment(
  node: SyntaxNode,
  isConstant: (condition: SyntaxNode) => boolean,
): ProgramProblem | undefined {
  if (!isAssignment(node)) return undefined;
  if (node.childForFieldName('left')!.type === 'call_expression') return singleEquals(assigned(node));
  const right = node.childForFieldName('right')!;
  const condition =
    right.type === 'conditional_expression' ? right.childForFieldName('condition')! : undefined;
  return condition && isConstant(condition) ? singleEquals(assigned(node, '', condition)) : undefined;
}

/** One = where two are meant; `!=` the wrong way round. */
export function singleEquals({ node, before, right, isSettable }: Assigned): ProgramProblem {
  const { line, column } = spanOf(node.childForFieldName('operator')!);
  const left = `${before}${node.childForFieldName('left')!.text}`;
  // “Not equal” the wrong way round.
  const isTurned = /^[^=]*=!/.test(node.text);
  const [written, meant] = isTurned ? ['=!', '!='] : ['=', '=='];
  const other = right.replace(/^! ?/, isTurned ? '' : '!');
  return {
    ...refusal(
      'assign-in-condition',
      { line, column },
      isTurned
        ? `Line ${line}: “=!” sets ${left} instead of asking whether it differs from ${other}. “Not equal” is !=.`
        : isSettable || before !== ''
          ? `Line ${line}: one = sets ${left} to ${right} instead of comparing them, so the condition asks nothing.`
          : `Line ${line}: one = would set ${left} to ${right}, and only a variable can be set. Comparing takes two.`,
      [
        `Does line ${line} compare something, or does it set something?`,
        isTurned
          ? `At column ${column} of line ${line} the exclamation mark stands behind the =.`
          : `At column ${column} of line ${line} there is one =; comparing takes two.`,
        `Write ${left} ${meant} ${other} in line ${line}.`,
      ],
      textRepair(`Write ${meant} instead of ${written} in line ${line}.`, {
        line,
        column,
        length: written.length,
        by: meant,
      }),
    ),
    stopsCompiler: !isSettable,
  };
}

/** A line that gives what a function returns a value: `analogRead(A0) = 5;`. */
export function callSet(node: SyntaxNode): ProgramProblem | undefined {
  const left = node.type === 'assignment_expression' ? node.childForFieldName('left')! : undefined;
  if (left?.type !== 'call_expression') return undefined;
  const { line, column } = spanOf(left);
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line} gives ${left.text} a value, but only a variable can be given one.`,
    [
      `What shall line ${line} change?`,
      `${left.text} calls a function. What it gives back can be used, and not changed.`,
      `Write on the left of the = what is to be changed.`,
    ],
  );
}
