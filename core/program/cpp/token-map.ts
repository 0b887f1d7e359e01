import type { Token } from '../token';

const typeHeads: ReadonlySet<string> = new Set(['struct', 'enum', 'class', 'union']);
/** Words that stand for a sign between two operands. */
const wordOperators: ReadonlySet<string> = new Set([
  'and',
  'or',
  'not',
  'xor',
  'bitand',
  'bitor',
  'compl',
  'not_eq',
  'and_eq',
  'or_eq',
  'xor_eq',
]);

/** What a brace opens the body of, where that is no block of instructions. */
export type TypeBody = 'enum' | 'class';

/** The tokens of a program that the grammar refused, with what brackets and lines tell of each. */
export class TokenMap {
  readonly tokens: readonly Token[];
  /** Column of the first token of each token's line. */
  readonly indents: readonly number[];
  /** Where the brace or parenthesis opens that each closing one closes; -1 where none does. */
  readonly opens: readonly number[];
  /** Whether what stands before each token is nearer to the first values of something than to a statement's end. */
  readonly inInitializer: readonly boolean[];
  /** Opening braces less closing ones. */
  readonly braceBalance: number;
  /** Names that the program gives to types of its own. */
  readonly ownTypes: ReadonlySet<string>;

  constructor(tokens: readonly Token[]) {
    this.tokens = tokens.map((token) =>
      token.kind === 'word' && wordOperators.has(token.text) ? { ...token, kind: 'punctuation' } : token,
    );
    this.opens = openersOf(tokens);
    let isInside = false;
    this.inInitializer = tokens.map(({ text }, index) => {
      const before = isInside;
      if (text === '=' || (text === ']' && ['=', '{'].includes(tokens[index + 1]?.text ?? '')))
        isInside = true;
      else if (text === ';' || text === ')') isInside = false;
      return before;
    });
    this.braceBalance = tokens.reduce((sum, { text }) => sum + (text === '{' ? 1 : text === '}' ? -1 : 0), 0);
    let indent = 1;
    this.indents = tokens.map((token) => {
      if (token.startsLine) indent = token.column;
      return indent;
    });
    this.ownTypes = new Set(
      tokens.flatMap(({ kind, text }, index) => {
        const before = tokens[index - 1]?.text ?? '';
        const isNamed = kind === 'word' && !typeHeads.has(text);
        return isNamed && (typeHeads.has(before) || before === 'using') ? [text] : [];
      }),
    );
  }

  /** Index of the first token of the statement that a token stands in. */
  statementStart(index: number): number {
    let at = index;
    while (at > 0 && !';{}'.includes(this.tokens[at - 1]!.text)) at -= 1;
    return at;
  }

  /** What an opening brace opens; `undefined` for a block of instructions or a list of values. */
  typeBody(brace: number): TypeBody | undefined {
    for (let at = this.statementStart(brace); at < brace; at += 1) {
      const { text } = this.tokens[at]!;
      if (text === '(' || text === '=') return undefined;
      if (typeHeads.has(text)) return text === 'enum' ? 'enum' : 'class';
    }
    return undefined;
  }

  /** Index of the token that closes the parenthesis at `index`; a brace gives up. */
  partner(index: number): number | undefined {
    let depth = 0;
    for (let at = index; at < this.tokens.length; at += 1) {
      const { text } = this.tokens[at]!;
      if (text === '(') depth += 1;
      if (text === ')' && (depth -= 1) === 0) return at;
      if (text === '{' || text === '}') return undefined;
    }
    return undefined;
  }
}

/** For each closing brace or parenthesis the index of its opening one; braces and parentheses count apart. */
function openersOf(tokens: readonly Token[]): readonly number[] {
  const open: Record<string, number[]> = { '}': [], ')': [] };
  return tokens.map(({ text }, index) => {
    if (text === '{') open['}']!.push(index);
    if (text === '(') open[')']!.push(index);
    return open[text]?.pop() ?? -1;
  });
}
