import type { Language } from '../../../program';
import { tokenize } from '../../../program/cpp/tokens';
import { pythonLines } from '../../../program/python/lines';
import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { holdingsOf, type Holdings } from '../what-names-hold';

/** A statement that stands alone on its line and opens no block. */
export interface Statement {
  /** As it is written, in C++ with its semicolon. */
  readonly text: string;
  readonly first: Token;
  readonly last: Token;
}

/** The lines that belong to a head: to a question, a loop, a function, or to nothing. */
export interface Block {
  readonly head: 'if' | 'else' | 'loop' | 'function' | 'none';
  /** The tokens of its head, without what opens it. */
  readonly headTokens: readonly Token[];
  /** The brace or colon that it begins with; `undefined` for a program as a whole. */
  readonly opens: Token | undefined;
  /** The last token of its body, or the brace that closes it. */
  readonly closes: Token | undefined;
  readonly isEmpty: boolean;
  /** The space before its lines. */
  readonly space: string;
  readonly statements: readonly Statement[];
}

/** What a program is made of, as far as lines can be put in, taken out and exchanged. */
export interface Form {
  readonly language: Language;
  readonly source: string;
  readonly tokens: readonly Token[];
  readonly blocks: readonly Block[];
  readonly holdings: Holdings;
}

/** Whether a block is the body of a function of that name. */
export const isBodyOf = (name: string, { head, headTokens }: Block): boolean =>
  head === 'function' && headTokens[0]?.text === name;

/** The body of `setup` or `loop`, in C++. */
export const bodyOf = (name: 'setup' | 'loop', { blocks }: Form): Block | undefined =>
  blocks.find((block) => isBodyOf(name, block));

/** Whether a loop goes round for ever: `while (true)`, `for (;;)`. */
export const isEndless = ({ headTokens }: Block): boolean =>
  headTokens.some(({ text }) => /^(?:true|True|1)$/.test(text)) ||
  headTokens.filter(({ text }) => text === ';').length > 2;

/** Whether a line stands in what a block opens and closes. */
export const isInside = (line: number, { opens, closes }: Block): boolean =>
  opens !== undefined && closes !== undefined && line > opens.line && line <= closes.line;

/** The block that a block stands in; `undefined` for one that stands in no other. */
export const outerOf = (block: Block, { blocks }: Pick<Form, 'blocks'>): Block | undefined =>
  blocks
    .filter((other) => other !== block && block.opens && other.opens && isInside(block.opens.line, other))
    .toSorted((one, other) => other.opens!.line - one.opens!.line)[0];

/** Words that begin what is no plain statement, or one after which nothing comes. */
const NO_STATEMENT =
  /^(?:return|break|continue|pass|case|default|if|elif|else|for|while|do|switch|def|class|import|from|global|using|struct|enum|typedef)$/;

/** What the word says that a block's head begins with. */
const HEADS: ReadonlyMap<string, Block['head']> = new Map([
  ['if', 'if'],
  ['elif', 'if'],
  ['else', 'else'],
  ['for', 'loop'],
  ['while', 'loop'],
  ['def', 'function'],
]);

/** The blocks of a program and the statements in them; what is not understood is left out. */
export const formOf = (source: string, language: Language): Form =>
  language === 'python' ? inPython(source) : inCpp(source);

type Growing = { -readonly [Key in keyof Block]: Block[Key] } & { statements: Statement[] };

function inCpp(source: string): Form {
  const { tokens } = tokenize(source);
  const blocks: Growing[] = [];
  const open: (Growing | undefined)[] = [];
  tokens.forEach((token, index) => {
    if (token.text === '{') open.push(blockAt(tokens, index, source, blocks));
    const block = open.at(-1);
    if (token.text === '}') {
      if (block) block.closes = token;
      open.pop();
      return;
    }
    const isFirst = token.startsLine && /^[;{}]$/.test(tokens[index - 1]?.text ?? '');
    if (!block || !isFirst || token.kind !== 'word' || NO_STATEMENT.test(token.text)) return;
    const end = tokens.findIndex(({ text }, at) => at >= index && text === ';');
    const last = tokens[end];
    if (last?.line !== token.line || tokens[end + 1]?.line === token.line) return;
    block.statements.push({ text: textBetween(source, token, last), first: token, last });
  });
  return {
    language: 'cpp',
    source,
    tokens,
    blocks: blocks.filter(({ closes }) => closes),
    holdings: holdingsOf(tokens, 'cpp'),
  };
}

/** The block that a brace opens; `undefined` for a list or the body of a type. */
function blockAt(
  tokens: readonly Token[],
  index: number,
  source: string,
  blocks: Growing[],
): Growing | undefined {
  const before = tokens[index - 1];
  const start = before?.text === ')' ? opening(tokens, index - 1) : index;
  const word = before?.text === 'else' ? before : tokens[start - 1];
  if (before?.text !== ')' && before?.text !== 'else') return undefined;
  const hasType = word?.kind === 'word' && tokens[start - 2]?.kind === 'word';
  const head = HEADS.get(word?.text ?? '') ?? (hasType ? 'function' : 'none');
  const next = tokens[index + 1];
  const lineSpace = /^\s*/.exec(source.split('\n')[tokens[index]!.line - 1] ?? '')![0];
  const block: Growing = {
    head,
    headTokens: tokens.slice(Math.max(0, start - 1), index),
    opens: tokens[index]!,
    closes: undefined,
    isEmpty: next?.text === '}',
    space: next && next.startsLine && next.text !== '}' ? ' '.repeat(next.column - 1) : `${lineSpace}  `,
    statements: [],
  };
  blocks.push(block);
  return block;
}

/** Where the bracket is opened that is closed at an index. */
function opening(tokens: readonly Token[], close: number): number {
  for (let at = close - 1; at >= 0; at -= 1)
    if (tokens[at]!.text === '(' && closing(tokens, at, '(', ')') === close) return at;
  return close;
}

function inPython(source: string): Form {
  const { lines } = pythonLines(source);
  const whole: Growing = {
    head: 'none',
    headTokens: [],
    opens: undefined,
    closes: undefined,
    isEmpty: false,
    space: '',
    statements: [],
  };
  const blocks: Growing[] = [whole];
  const open: { block: Growing; indent: number }[] = [{ block: whole, indent: 0 }];
  for (const { tokens, indent } of lines) {
    const [first] = tokens;
    const last = tokens.at(-1);
    if (!first || !last) continue;
    while (open.length > 1 && indent < open.at(-1)!.indent) open.pop();
    for (const { block } of open) block.closes = last;
    if (last.text === ':') {
      const next = lines[lines.findIndex((line) => line.tokens === tokens) + 1];
      if (!next || next.indent <= indent) continue;
      const block: Growing = {
        head: HEADS.get(first.text) ?? 'none',
        headTokens: tokens.slice(0, -1),
        opens: last,
        closes: last,
        isEmpty: next.tokens[0]?.text === 'pass',
        space: next.space,
        statements: [],
      };
      blocks.push(block);
      open.push({ block, indent: next.indent });
    } else if (first.line === last.line && !NO_STATEMENT.test(first.text))
      open.at(-1)!.block.statements.push({ text: textBetween(source, first, last), first, last });
  }
  const tokens = lines.flatMap((line) => line.tokens);
  return { language: 'python', source, tokens, blocks, holdings: holdingsOf(tokens, 'python') };
}

const textBetween = (source: string, first: Token, last: Token): string =>
  (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
