import { plainFor, type QuoteProblem, type StrayCharacter, type Token } from '../token';

/** A line as the language counts them: one statement, or its head, also where it runs over several lines of text. */
export interface LogicalLine {
  /** Columns of space before it; a tab goes to the next multiple of eight, as the language has it. */
  readonly indent: number;
  /** The space before it as it is written. */
  readonly space: string;
  readonly tokens: readonly Token[];
}

/** A bracket without a partner. */
export interface OpenBracket {
  readonly opener: Token;
  readonly before: Token;
}

export interface PythonLines {
  readonly lines: readonly LogicalLine[];
  readonly quotes: readonly QuoteProblem[];
  readonly strays: readonly StrayCharacter[];
  /** Brackets that are never closed, each with the token that its partner should stand behind. */
  readonly open: readonly OpenBracket[];
  /** Brackets that close nothing. */
  readonly unopened: readonly Token[];
  /** Deepest nesting of brackets and of indentation together. */
  readonly depth: number;
}

const punctuation =
  /^(?:\*\*=|\/\/=|>>=|<<=|\*\*|\/\/|==|!=|<=|>=|->|:=|\+=|-=|\*=|\/=|%=|&=|\|=|\^=|<<|>>|&&|\|\||\+\+|--|[^\s\w])/;
const pairs: Readonly<Record<string, string>> = { ')': '(', ']': '[', '}': '{' };

/**
 * Splits a Python program into logical lines of tokens, without comments. It never fails: the diagnosis of
 * broken programs starts from it, where the grammar gives up.
 */
export function pythonLines(source: string): PythonLines {
  const lines: LogicalLine[] = [];
  const quotes: QuoteProblem[] = [];
  const strays: StrayCharacter[] = [];
  const open: Token[] = [];
  const unclosed: OpenBracket[] = [];
  const unopened: Token[] = [];
  let tokens: Token[] = [];
  let head = { indent: 0, space: '' };
  let depth = 0;
  let triple: string | undefined;
  const finish = (): void => {
    if (tokens.length > 0) lines.push({ ...head, tokens });
    tokens = [];
  };
  source.split('\n').forEach((rawLine, index) => {
    const text = rawLine.replace(/\r$/, '');
    const line = index + 1;
    let at = 0;
    let startsLine = true;
    if (triple === undefined && open.length === 0 && tokens.length === 0) {
      const space = /^[ \t\f]*/.exec(text)![0];
      head = { indent: widthOf(space), space };
    } else if (
      triple === undefined &&
      open.length > 0 &&
      (beginsStatement(text) || isNewLine(text, tokens.at(-1), head.indent))
    ) {
      // A new statement stands here, so the bracket that is open was forgotten in the line before.
      const forgotten = open[0]!;
      const isDeeper = widthOf(/^[ \t]*/.exec(text)![0]) > head.indent;
      if (!isDeeper || forgotten.line < line - 1 || NEVER_IN_BRACKETS.test(text)) {
        finish();
        const space = /^[ \t\f]*/.exec(text)![0];
        head = { indent: widthOf(space), space };
      }
    }
    while (at < text.length) {
      const rest = text.slice(at);
      const push = (kind: Token['kind'], length: number): Token => {
        const token = {
          kind,
          text: rest.slice(0, length),
          line,
          column: at + 1,
          endColumn: at + 1 + length,
          startsLine,
        };
        tokens.push(token);
        startsLine = false;
        at += length;
        return token;
      };
      if (triple !== undefined) {
        const end = rest.indexOf(triple);
        if (end < 0) return;
        push('text', end + 3);
        triple = undefined;
        continue;
      }
      const space = /^[ \t\f\v]+/.exec(rest);
      if (space) {
        at += space[0].length;
        continue;
      }
      if (rest.startsWith('#')) break;
      const first = rest[0]!;
      const prefix = /^(?:[fFrRbBuU]{1,2})?(?=["'])/.exec(rest)?.[0].length ?? 0;
      const quote = rest[prefix];
      if (quote === '"' || quote === "'") {
        const opener = rest.slice(prefix, prefix + 3);
        if (opener === quote.repeat(3)) {
          const end = rest.indexOf(opener, prefix + 3);
          if (end < 0) {
            push('text', rest.length);
            triple = opener;
          } else push('text', end + 3);
          continue;
        }
        const closed = (quote === '"' ? /^"(?:[^"\\]|\\.)*"/ : /^'(?:[^'\\]|\\.)*'/).exec(rest.slice(prefix));
        if (closed) push('text', prefix + closed[0].length);
        else {
          const meant = Math.max(rest.replace(/[\s):,\]]*$/, '').length, prefix + 1);
          quotes.push({ kind: 'open', quote, line, column: at + 1 + prefix, closeColumn: at + 1 + meant });
          push('text', meant);
        }
        continue;
      }
      const word = /^[A-Za-z_]\w*/.exec(rest);
      const number = /^(?:0[xXbBoO][\da-fA-F_]+|\d[\d_]*\.?\d*(?:[eE][+-]?\d+)?|\.\d+)/.exec(rest);
      if (word) push('word', word[0].length);
      else if (number) push('number', number[0].length);
      else if ('“”„‘’«»'.includes(first)) {
        quotes.push({ kind: 'curly', quote: first, line, column: at + 1, closeColumn: at + 2 });
        push('punctuation', 1);
      } else if (first > '~') {
        strays.push({ character: first, plain: plainFor(first), line, column: at + 1 });
        at += 1;
      } else if (first === '\\' && rest.trim() === '\\') return;
      else {
        const token = push('punctuation', (punctuation.exec(rest)?.[0] ?? first).length);
        if ('([{'.includes(token.text)) open.push(token);
        else if (token.text in pairs) {
          const partner = open.findLastIndex(({ text: opener }) => opener === pairs[token.text]);
          if (partner < 0) unopened.push(token);
          // What is still open inside of the two was forgotten before this one.
          else
            for (const left of open.splice(partner).slice(1))
              unclosed.push({ opener: left, before: tokens.at(-2)! });
        }
        depth = Math.max(depth, open.length + head.indent / 4);
      }
    }
    if (open.length === 0) finish();
  });
  finish();
  // Of thousands nobody needs more than the first few.
  for (const opener of open.slice(0, 20)) {
    const line = lines.find((candidate) => candidate.tokens.includes(opener));
    unclosed.push({ opener, before: line?.tokens.at(-1) ?? opener });
  }
  return { lines, quotes, strays, open: unclosed, unopened, depth: Math.floor(depth) };
}

/** Width of the space before a line, in columns. */
export function widthOf(space: string): number {
  let width = 0;
  for (const character of space) width = character === '\t' ? (Math.floor(width / 8) + 1) * 8 : width + 1;
  return width;
}

/** Whether a line that is not set in goes on with nothing of the one before, whose last token nothing has to follow. */
const isNewLine = (text: string, last: Token | undefined, indent: number): boolean =>
  last !== undefined &&
  (last.kind !== 'punctuation' || /^[)\]}]$/.test(last.text)) &&
  /^[ \t]*(?!(?:and|or|not|in|is|if|else|for)\b)[A-Za-z_]/.test(text) &&
  widthOf(/^[ \t]*/.exec(text)![0]) <= indent;

/** Whether a line of text can only be the beginning of a statement. */
/** Lines that stand in no bracket, however far they are set in. */
const NEVER_IN_BRACKETS =
  /^[ \t]*(?:(?:try|finally|while|def|class|return|import|break|continue|pass|global|raise)\b|(?:if|elif|else|for|with|except)\b.*:[ \t]*(?:#.*)?$)/;

const beginsStatement = (text: string): boolean =>
  /^[ \t]*(?:(?:if|elif|else|while|def|try|except|finally|class|with|return|import|from|break|continue|pass|global|print)\b|for\b.*\bin\b.*:\s*(?:#.*)?$|[A-Za-z_][\w.]*\s*(?:=(?!=)|\+=|-=)|[A-Za-z_][\w.]*\([^()]*\)\s*(?:#.*)?$)/.test(
    text,
  );
