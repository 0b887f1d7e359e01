import type { SyntaxNode } from '../syntax';

/** Signs that may be written as words. */
const asSigns: Readonly<Record<string, string>> = {
  and: '&&',
  or: '||',
  not: '!',
  not_eq: '!=',
  bitand: '&',
  bitor: '|',
  xor: '^',
  compl: '~',
};

/** The sign of an expression, however it is written. */
export const signOf = (node: SyntaxNode): string => {
  const written = node.childForFieldName('operator')?.text ?? '';
  return asSigns[written] ?? written;
};
