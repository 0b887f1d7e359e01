import { refusal, textRepair } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';

/** `return` with no function round it. */
export function reportOutside(node: SyntaxNode, context: Context): void {
  const span = spanOf(node);
  context.report(
    refusal('syntax-other', span, `Line ${span.line}: return is outside every function.`, [
      `Which function does line ${span.line} belong to?`,
      `Line ${span.line} returns something, but it is not in a function.`,
      `Move line ${span.line} into a function, or remove it.`,
    ]),
  );
}

/** `match`, which larger boards than these know. */
export function reportMatch(node: SyntaxNode, context: Context): void {
  const { line, column } = spanOf(node);
  context.report(
    refusal('syntax-other', { line, column }, `Line ${line}: the Python of this board has no match.`, [
      `Which words ask questions in the examples for this board?`,
      `match and case came to Python later than the Python of these boards.`,
      `Write if, elif and else instead of match and case, from line ${line} on.`,
    ]),
  );
}

/** `print "hello"`, as an older version of the language had it. */
export function reportPrint(node: SyntaxNode, context: Context): void {
  const { line, column } = spanOf(node);
  const shown = node.text.slice('print'.length).trim();
  context.report(
    refusal(
      'syntax-paren',
      { line, column: column + 'print'.length },
      `Line ${line}: what print shows goes in parentheses.`,
      [
        `How does print know what to show?`,
        `In line ${line} there are no parentheses after print.`,
        `Write print(${shown.slice(0, 30)}) in line ${line}.`,
      ],
      textRepair(`Write print(${shown.slice(0, 30)}) in line ${line}.`, {
        line,
        column,
        length: node.text.length,
        by: `print(${shown})`,
      }),
    ),
  );
}
