import { namedChildren, type SyntaxNode } from '../syntax';

/** Whether a node is a function without a name that takes nothing, not even from the place where it is written. */
export function isPlainLambda(node: SyntaxNode): boolean {
  if (node.type !== 'lambda_expression') return false;
  const captures = node.childForFieldName('captures');
  const parameters = node.childForFieldName('declarator')?.childForFieldName('parameters');
  const isEmpty = (list: SyntaxNode | null | undefined): boolean =>
    !list || namedChildren(list).every(({ text }) => text === 'void');
  return captures?.text.replace(/\s/g, '') === '[]' && isEmpty(parameters);
}

/** The name under which a function without one is kept; none that a program can say. */
export const nameOfLambda = (node: SyntaxNode): string =>
  `[] at ${node.startPosition.row}:${node.startPosition.column}`;
