import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { unreadable, type Context } from './context';
import { severalInSingle } from './quote-slips';
import type { Expression } from './tree';
import { conversionTo, FLOAT, integer, type ScalarType } from './types';

/** A value that is known before the program runs. */
export const constant = (node: SyntaxNode, value: number, type: ScalarType): Expression => ({
  node: 'constant',
  value,
  type,
  span: spanOf(node),
  clock: 'fixed',
});

/** A number literal has the first type that holds it (C++ [lex.icon]). */
export function readNumber(node: SyntaxNode, context: Context): Expression {
  const text = node.text.replace(/'/g, '');
  const suffix = /[uUlL]+$/.exec(text)?.[0].toLowerCase() ?? '';
  if (/^0[xX]/.test(text) ? false : /[.eE]|[fF]$/.test(text))
    return constant(node, Math.fround(Number.parseFloat(text)), FLOAT);
  const digits = text.replace(/[uUlL]+$/, '');
  const value = /^0[bB]/.test(digits)
    ? Number.parseInt(digits.slice(2), 2)
    : /^0\d/.test(digits)
      ? Number.parseInt(digits, 8)
      : Number(digits);
  if (!Number.isFinite(value)) {
    context.unsupported(`the number ${node.text}`, node);
    return unreadable(node);
  }
  const int = context.widths.intBits;
  const long = suffix.includes('l');
  if (suffix.includes('u'))
    return constant(node, value, integer(long || value >= 2 ** int ? 32 : int, false));
  if (!long && value < 2 ** (int - 1)) return constant(node, value, integer(int, true));
  return constant(node, conversionTo(integer(32, value < 2 ** 31))(value), integer(32, value < 2 ** 31));
}

const escapes: Readonly<Record<string, string>> = {
  n: '\n',
  t: '\t',
  r: '\r',
  '0': '\0',
  '\\': '\\',
  "'": "'",
  '"': '"',
};

const unescape = (text: string): string =>
  text.replace(/\\(.)/g, (_, letter: string) => escapes[letter] ?? letter);

export function readCharacter(node: SyntaxNode, context: Context): Expression {
  const inner = unescape(node.text.slice(1, -1));
  if (inner.length !== 1) {
    context.report(
      severalInSingle({ inner: node.text.slice(1, -1), written: node.text, span: spanOf(node) }, (name) =>
        context.constants.has(name),
      ),
    );
    return unreadable(node);
  }
  return constant(node, inner.charCodeAt(0), integer(8, context.widths.charSigned));
}

/** What stands between the quotes of a text, or of several in a row. */
export function textOf(node: SyntaxNode): string {
  if (node.type === 'concatenated_string') return namedChildren(node).map(textOf).join('');
  return unescape(node.text.slice(1, -1));
}
