import { plainFor, type QuoteProblem, type StrayCharacter, type Token } from '../token';

export interface TokenList {
  readonly tokens: readonly Token[];
  readonly quotes: readonly QuoteProblem[];
  readonly strays: readonly StrayCharacter[];
  /** Deepest nesting of brackets. */
  readonly depth: number;
}

const punctuation =
  /^(?:<<=|>>=|\+\+|--|&&|\|\||==|!=|<=|>=|\+=|-=|\*=|\/=|%=|&=|\|=|\^=|<<|>>|->|::|[^\s\w])/;

/**
 * Splits C++ into tokens line by line, without comments and preprocessor lines. It never fails: the
 * diagnosis of broken programs starts from it, where the grammar gives up.
 */
export function tokenize(source: string): TokenList {
  const tokens: Token[] = [];
  const quotes: QuoteProblem[] = [];
  const strays: StrayCharacter[] = [];
  let inComment = false;
  let inDirective = false;
  let depth = 0;
  let deepest = 0;
  source.split('\n').forEach((rawLine, index) => {
    const text = rawLine.replace(/\r$/, '');
    const line = index + 1;
    if (!inComment && (inDirective || /^\s*#/.test(text))) {
      inDirective = text.endsWith('\\');
      return;
    }
    let at = 0;
    let startsLine = true;
    while (at < text.length) {
      const rest = text.slice(at);
      if (inComment) {
        const end = rest.indexOf('*/');
        if (end < 0) return;
        at += end + 2;
        inComment = false;
        continue;
      }
      const space = /^[ \t\f\v]+/.exec(rest);
      if (space) {
        at += space[0].length;
        continue;
      }
      if (rest.startsWith('//')) return;
      if (rest.startsWith('/*')) {
        inComment = true;
        at += 2;
        continue;
      }
      const push = (kind: Token['kind'], length: number): void => {
        tokens.push({
          kind,
          text: rest.slice(0, length),
          line,
          column: at + 1,
          endColumn: at + 1 + length,
          startsLine,
        });
        startsLine = false;
        at += length;
      };
      const first = rest[0]!;
      const word = /^[A-Za-z_]\w*/.exec(rest);
      const number = /^(?:0[xXbB][\da-fA-F]+|\d+\.?\d*(?:[eE][+-]?\d+)?|\.\d+)[uUlLfF]*/.exec(rest);
      if (word) push('word', word[0].length);
      else if (number) push('number', number[0].length);
      else if (first === '"' || first === "'") {
        const closed = first === '"' ? /^"(?:[^"\\]|\\.)*"/.exec(rest) : /^'(?:[^'\\]|\\.)*'/.exec(rest);
        if (closed) push('text', closed[0].length);
        else {
          // A single quote holds one letter; a text goes on to what must be the program's again.
          const meant =
            (first === "'" ? /^'(?:\\.|[^'\\])/.exec(rest)?.[0].length : undefined) ??
            rest.replace(/[\s);,{]*$/, '').length;
          quotes.push({
            kind: 'open',
            quote: first,
            line,
            column: at + 1,
            closeColumn: at + 1 + Math.max(meant, 1),
          });
          push('text', Math.max(meant, 1));
        }
      } else if ('“”„‘’«»'.includes(first)) {
        quotes.push({ kind: 'curly', quote: first, line, column: at + 1, closeColumn: at + 2 });
        push('punctuation', 1);
      } else if (first > '~') {
        strays.push({ character: first, plain: plainFor(first), line, column: at + 1 });
        at += 1;
      } else {
        const sign = punctuation.exec(rest)?.[0] ?? first;
        if ('([{'.includes(sign)) deepest = Math.max(deepest, (depth += 1));
        if (')]}'.includes(sign)) depth -= 1;
        push('punctuation', sign.length);
      }
    }
  });
  return { tokens, quotes, strays, depth: deepest };
}
