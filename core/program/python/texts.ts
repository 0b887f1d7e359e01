import { namedChildren, type SyntaxNode } from '../syntax';

const escapes: Readonly<Record<string, string>> = {
  n: '\n',
  t: '\t',
  r: '\r',
  '0': '\0',
  a: '\x07',
  b: '\b',
  '\\': '\\',
  "'": "'",
  '"': '"',
  '\n': '',
};

/** A text with its backslashes read; a sign that stands for nothing keeps its backslash. */
export const decoded = (text: string): string =>
  text.replace(/\\(x[\da-fA-F]{2}|u[\da-fA-F]{4}|[\s\S])/g, (whole, sign: string) =>
    /^[xu]./.test(sign) && sign.length > 1
      ? String.fromCharCode(Number.parseInt(sign.slice(1), 16))
      : (escapes[sign] ?? whole),
  );

/** What stands between the quotes of a text without values in it. */
export function constantText(node: SyntaxNode, isRaw: boolean): string {
  const start = namedChildren(node).find(({ type }) => type === 'string_start')!;
  const end = namedChildren(node).findLast(({ type }) => type === 'string_end');
  const text = node.text.slice(start.text.length, end ? node.text.length - end.text.length : undefined);
  return isRaw ? text : decoded(text.replace(/\r\n/g, '\n'));
}
