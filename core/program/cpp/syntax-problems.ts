import { refusal, textRepair, type ProgramProblem } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import { cutOffBody, emptyBodyThatStops } from './empty-body';
import { typeWords } from './types';
import { missing, quoteProblems, strayProblems, surplus } from '../syntax-wording';
import { bareCall, commaMissing, elseInOne, nameInTwo, oneSlash, splitName } from './slips';
import type { TokenList } from './tokens';
import type { Token } from '../token';

const headerWords: ReadonlySet<string> = new Set(['if', 'for', 'while', 'switch']);
const typeHeads: ReadonlySet<string> = new Set(['struct', 'enum', 'class', 'union']);
const qualifiers: ReadonlySet<string> = new Set(['const', 'static', 'volatile', 'constexpr', 'extern']);
const openers: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };

/**
 * Says where a program that the grammar refused went wrong: at the place where the writer made the
 * mistake, which the grammar often notices lines later. Looks at tokens, brackets and indentation
 * first, and falls back to the grammar's own first error. Problems come in the order of the text.
 */
export function syntaxProblems(list: TokenList, root: SyntaxNode): readonly ProgramProblem[] {
  const quotes = quoteProblems(list.quotes);
  if (quotes.length > 0) return quotes;
  if (list.strays.length > 0) return strayProblems(list.strays);
  const joined = elseInOne(list.tokens);
  if (joined.length > 0) return joined;
  const scan = new Scan(list.tokens);
  const found = [...scan.brackets(), ...scan.statements(), ...scan.cutOffElse(), ...scan.openTypes()].sort(
    (a, b) => a.line - b.line || a.column - b.column,
  );
  return found.length > 0 ? found : [grammarProblem(root, list.tokens)];
}

interface Header {
  readonly index: number;
  /** Index of the token behind the closing parenthesis. */
  readonly bodyIndex: number;
  readonly indent: number;
}

class Scan {
  /** Column of the first token of each token's line. */
  private readonly indents: readonly number[];
  /** Where the brace or parenthesis opens that each closing one closes; -1 where none does. */
  private readonly opens: readonly number[];
  /** Whether what stands before each token is nearer to the first values of something than to a statement's end. */
  private readonly inInitializer: readonly boolean[];
  private readonly braceBalance: number;

  constructor(private readonly tokens: readonly Token[]) {
    this.opens = openersOf(tokens);
    let isInside = false;
    this.inInitializer = tokens.map(({ text }) => {
      const before = isInside;
      if (text === '=' || text === ']') isInside = true;
      else if (text === ';' || text === ')') isInside = false;
      return before;
    });
    this.braceBalance = tokens.reduce((sum, { text }) => sum + (text === '{' ? 1 : text === '}' ? -1 : 0), 0);
    let indent = 1;
    this.indents = tokens.map((token) => {
      if (token.startsLine) indent = token.column;
      return indent;
    });
  }

  /** Braces that do not pair, and functions and conditions without their opening ones. */
  brackets(): readonly ProgramProblem[] {
    const unopened = this.headersWithoutParenthesis();
    if (unopened.length > 0) return unopened;
    const functions = this.functionHeaders();
    const bare = functions.find(
      ({ bodyIndex }) => !['{', ';', ',', '='].includes(this.tokens[bodyIndex]?.text ?? ''),
    );
    if (bare)
      return [
        missing(
          'syntax-brace',
          this.tokens[bare.bodyIndex - 1]!,
          '{',
          'The body of a function goes between braces.',
        ),
      ];
    const cutOff = functions.find(
      ({ bodyIndex }) => this.tokens[bodyIndex]?.text === ';' && this.tokens[bodyIndex + 1]?.text === '{',
    );
    if (cutOff) return [cutOffBody(this.tokens[cutOff.bodyIndex]!)];
    const starts = new Map(functions.map((header) => [header.index, header]));
    const open: { readonly index: number; readonly indent: number }[] = [];
    for (let index = 0; index < this.tokens.length; index += 1) {
      const token = this.tokens[index]!;
      const header = starts.get(index);
      if (header && open.length > 0 && this.tokens[header.bodyIndex]?.text === '{' && token.startsLine)
        return [this.unclosed(open, index)];
      if (token.text === '{') open.push({ index, indent: this.indents[index]! });
      if (token.text !== '}') continue;
      const top = open.at(-1);
      if (!top) return [this.unopenedBrace(index)];
      const opensTooMany = this.braceBalance > 0;
      if (
        opensTooMany &&
        token.startsLine &&
        top.indent > token.column &&
        open.some((other) => other.indent === token.column)
      )
        return [this.unclosed(open, index)];
      open.pop();
    }
    return open.length > 0 ? [this.unclosed(open, this.tokens.length)] : [];
  }

  private unclosed(open: readonly { readonly index: number }[], before: number): ProgramProblem {
    const { index } = open.at(-1)!;
    const opener = this.tokens[index]!;
    return missing(
      'syntax-brace',
      this.tokens[this.endOfBody(index, before) - 1]!,
      '}',
      `The brace opened in line ${opener.line} is not closed.`,
    );
  }

  /** Where the lines that belong to an open brace end: at the first one that is not set in deeper than it. */
  private endOfBody(opener: number, before: number): number {
    const indent = this.indents[opener]!;
    const first = this.tokens[opener + 1];
    // Where nothing is set in, the lines tell nothing.
    if (!first?.startsLine || first.column <= indent) return before;
    for (let at = opener + 2; at < before; at += 1)
      if (this.tokens[at]!.startsLine && this.tokens[at]!.column <= indent) return at;
    return before;
  }

  /** A closing brace without partner: either one too many, or a condition lacks its opening one. */
  private unopenedBrace(index: number): ProgramProblem {
    const closers = this.tokens.filter((token, at) => at <= index && token.text === '}' && token.startsLine);
    const header = this.conditionHeaders().find(
      ({ index: at, bodyIndex, indent }) =>
        this.tokens[bodyIndex]?.text !== '{' &&
        closers.some((closer) => closer.column === indent && closer.line > this.tokens[at]!.line) &&
        this.tokens[bodyIndex]!.line > this.tokens[bodyIndex - 1]!.line,
    );
    if (header)
      return missing(
        'syntax-brace',
        this.tokens[header.bodyIndex - 1]!,
        '{',
        'What belongs to it goes between braces.',
      );
    return surplus('syntax-brace', this.tokens[index]!, 'No brace is open there.');
  }

  /** `if x == 1)` and `void setup {`. */
  private headersWithoutParenthesis(): readonly ProgramProblem[] {
    for (let index = 0; index < this.tokens.length - 1; index += 1) {
      const token = this.tokens[index]!;
      const next = this.tokens[index + 1]!;
      if (headerWords.has(token.text) && next.text !== '(')
        return [missing('syntax-paren', token, '(', `After ${token.text} comes a condition in parentheses.`)];
      if (token.text === 'void' && next.kind === 'word' && this.tokens[index + 2]?.text === '{') {
        const found = missing(
          'syntax-paren',
          next,
          '()',
          'A function has parentheses after its name, even when nothing is in them.',
        );
        return [found];
      }
    }
    return [];
  }

  private functionHeaders(): readonly Header[] {
    const found: Header[] = [];
    for (let index = 0; index < this.tokens.length - 2; index += 1) {
      const [type, name, paren] = [this.tokens[index]!, this.tokens[index + 1]!, this.tokens[index + 2]!];
      if (!type.startsLine || !typeWords.has(type.text) || name.kind !== 'word' || paren.text !== '(')
        continue;
      const close = this.partner(index + 2);
      if (close !== undefined) found.push({ index, bodyIndex: close + 1, indent: this.indents[index]! });
    }
    return found;
  }

  private conditionHeaders(): readonly Header[] {
    const found: Header[] = [];
    this.tokens.forEach((token, index) => {
      if (!headerWords.has(token.text)) return;
      const close = this.partner(index + 1);
      if (close !== undefined && this.tokens[close + 1])
        found.push({ index, bodyIndex: close + 1, indent: this.indents[index]! });
    });
    return found;
  }

  /** Index of the token that closes the parenthesis at `index`; a statement's end gives up. */
  private partner(index: number): number | undefined {
    let depth = 0;
    for (let at = index; at < this.tokens.length; at += 1) {
      const { text } = this.tokens[at]!;
      if (text === '(') depth += 1;
      if (text === ')' && (depth -= 1) === 0) return at;
      if (text === '{' || text === '}') return undefined;
    }
    return undefined;
  }

  /** Parentheses and semicolons inside statements. */
  statements(): readonly ProgramProblem[] {
    const open: {
      readonly text: string;
      readonly index: number;
      readonly isFor: boolean;
      semicolons: number;
    }[] = [];
    for (let index = 0; index < this.tokens.length; index += 1) {
      const token = this.tokens[index]!;
      const before = this.tokens[index - 1];
      const inside = open.at(-1);
      const comment = this.halfComment(index);
      if (comment) return [comment];
      if (before && this.juxtaposed(index)) {
        const problem = this.betweenOperands(index, inside);
        if (problem) return [problem];
      }
      if (token.text === '(' || token.text === '[')
        open.push({ text: token.text, index, isFor: this.tokens[index - 1]?.text === 'for', semicolons: 0 });
      else if (token.text === ')' || token.text === ']') {
        if (!inside) return [this.unopenedParenthesis(index)];
        if (inside.isFor && inside.semicolons < 2) return [this.forHeader(inside.index, index)];
        open.pop();
      } else if (token.text === ';' && inside) {
        if (!inside.isFor) return [this.unclosedParenthesis(inside.text, index)];
        inside.semicolons += 1;
        if (inside.semicolons > 2) return [this.unclosedParenthesis(inside.text, index)];
      } else if ((token.text === '{' || token.text === '}') && inside && !this.inInitializer[index])
        return [this.unclosedParenthesis(inside.text, index)];
    }
    return [];
  }

  /** `if (…); { … } else`: the semicolon has ended the condition, and its else is alone. */
  cutOffElse(): readonly ProgramProblem[] {
    return this.tokens.flatMap((token, index): readonly ProgramProblem[] => {
      if (token.text !== 'else' || this.tokens[index - 1]?.text !== '}') return [];
      const opener = this.opens[index - 1]!;
      const [close, semicolon] = [this.tokens[opener - 2], this.tokens[opener - 1]];
      if (semicolon?.text !== ';' || close?.text !== ')') return [];
      const head = this.tokens[this.opens[opener - 2]! - 1];
      return head?.text === 'if' ? [emptyBodyThatStops(semicolon, 'if')] : [];
    });
  }

  /** `struct Signal { … }` without the semicolon behind it. */
  openTypes(): readonly ProgramProblem[] {
    return this.tokens.flatMap((token, index): readonly ProgramProblem[] => {
      const opener = token.text === '}' ? this.opens[index]! : -1;
      const isType = [opener - 1, opener - 2].some((at) => typeHeads.has(this.tokens[at]?.text ?? ''));
      const next = this.tokens[index + 1];
      return opener > 0 && isType && next?.startsLine && next.text !== ';'
        ? [missing('syntax-semicolon', token, ';', 'What a struct or an enum lists ends with one.')]
        : [];
    });
  }

  private unclosedParenthesis(opener: string, index: number): ProgramProblem {
    return missing(
      'syntax-paren',
      this.tokens[index - 1]!,
      openers[opener]!,
      `The ${opener} before it is still open.`,
    );
  }

  private unopenedParenthesis(index: number): ProgramProblem {
    const start = this.statementStart(index);
    const [name, argument] = [this.tokens[start], this.tokens[start + 1]];
    if (
      name?.kind === 'word' &&
      !typeWords.has(name.text) &&
      argument &&
      argument.text !== '(' &&
      (argument.kind === 'number' || argument.kind === 'word')
    )
      return missing('syntax-paren', name, '(', 'What a function is given goes in parentheses.');
    return surplus('syntax-paren', this.tokens[index]!, 'No parenthesis is open there.');
  }

  private statementStart(index: number): number {
    let at = index;
    while (at > 0 && !';{}'.includes(this.tokens[at - 1]!.text)) at -= 1;
    return at;
  }

  private forHeader(from: number, to: number): ProgramProblem {
    let comma: Token | undefined;
    for (let at = from; at < to; at += 1) if (this.tokens[at]!.text === ',') comma ??= this.tokens[at];
    const why = 'The three parts of a for are divided by semicolons.';
    if (!comma) return missing('syntax-semicolon', this.tokens[to - 1]!, ';', why);
    return refusal(
      'syntax-semicolon',
      comma,
      `Line ${comma.line}: there should be a semicolon where the comma is. ${why}`,
      [
        `What separates the three parts of the for in line ${comma.line}?`,
        `Look at the comma at column ${comma.column} of line ${comma.line}.`,
        `Write ; instead of the comma in line ${comma.line}.`,
      ],
      textRepair(`Write ; instead of the comma in line ${comma.line}.`, {
        line: comma.line,
        column: comma.column,
        length: 1,
        by: ';',
      }),
    );
  }

  /** Whether two things stand side by side that a separator or operator must part. */
  private juxtaposed(index: number): boolean {
    const before = this.tokens[index - 1]!;
    const token = this.tokens[index]!;
    if (token.kind === 'punctuation' && !(token.text === '}' && this.closesBlock(index))) return false;
    if (!this.endsOperand(index - 1)) return false;
    if (before.kind === 'text' && token.kind === 'text') return false;
    if (before.kind === 'word' && token.kind === 'word' && this.declares(index - 1)) return false;
    if (token.text === 'else' || token.text === 'while') return before.text !== '}' || token.text === 'while';
    return true;
  }

  private endsOperand(last: number): boolean {
    let index = last;
    while (index > 0 && ['++', '--'].includes(this.tokens[index]!.text)) index -= 1;
    const token = this.tokens[index]!;
    if (token.kind === 'number' || token.kind === 'text') return true;
    if (token.text === ']') return true;
    if (token.text === ')') return !this.closesHeader(index);
    if (token.text === '}') return this.isInitializerEnd(index);
    if (token.kind !== 'word') return false;
    return !typeWords.has(token.text) && !leadingWords.has(token.text);
  }

  /** Whether the closing parenthesis belongs to `if (…)` and the like, or to a function's header. */
  private closesHeader(index: number): boolean {
    const at = this.opens[index]!;
    if (at < 0) return false;
    const word = this.tokens[at - 1];
    if (word && headerWords.has(word.text))
      return !(word.text === 'while' && this.tokens[at - 2]?.text === '}' && this.closesDo(at - 2));
    const inner = this.tokens.slice(at + 1, Math.min(index, at + 4));
    return inner.length > 0 && inner.length < 3 && inner.every((token) => typeWords.has(token.text)); // a cast
  }

  private closesDo(brace: number): boolean {
    return this.tokens[this.opens[brace]! - 1]?.text === 'do';
  }

  private isInitializerEnd(index: number): boolean {
    return this.tokens[this.opens[index]! - 1]?.text === '=';
  }

  private closesBlock(index: number): boolean {
    const at = this.opens[index]!;
    if (at < 0) return true;
    return !['=', ',', ']'].includes(this.tokens[at - 1]?.text ?? '') && !this.inInitializer[at];
  }

  /** `Lamp front;`: an unknown word before a name at the start of a statement reads as a type. */
  private declares(index: number): boolean {
    let start = this.statementStart(index);
    while (qualifiers.has(this.tokens[start]!.text) && start < index) start += 1;
    const behind = this.tokens[index + 2];
    // The name of a class begins with a capital; its object's line may lack the semicolon.
    const isObject = /^[A-Z][a-z]/.test(this.tokens[index]!.text) && behind?.startsLine === true;
    return (
      start === index &&
      this.tokens[index + 1]!.line === this.tokens[index]!.line &&
      (['=', ';', '(', '[', ','].includes(behind?.text ?? '') || isObject)
    );
  }

  private betweenOperands(
    index: number,
    inside: { readonly text: string; readonly isFor: boolean } | undefined,
  ): ProgramProblem | undefined {
    const before = this.tokens[index - 1]!;
    const token = this.tokens[index]!;
    if (inside?.isFor)
      return missing('syntax-semicolon', before, ';', 'The three parts of a for are divided by semicolons.');
    const split = splitName(before, token);
    if (split) return split;
    if (!inside) {
      const start = this.statementStart(index - 1);
      const called = this.tokens[start];
      const own = nameInTwo(this.tokens, start, index) ?? bareCall(this.tokens, start, index);
      if (own) return own;
      if (this.inInitializer[index] && this.standsInList(index)) return commaMissing(before, token, 'braces');
      if (start === index - 1 && called?.kind === 'word' && !token.startsLine && this.laterUnopened(index))
        return missing('syntax-paren', called, '(', 'What a function is given goes in parentheses.');
      return missing('syntax-semicolon', before, ';', 'Every instruction ends with one.');
    }
    if (token.startsLine || token.text === '}') return this.unclosedParenthesis(inside.text, index);
    return commaMissing(before, token, 'parentheses');
  }

  /** Whether a token stands between the braces of a list of first values, with a value before it. */
  private standsInList(index: number): boolean {
    if (this.tokens[index]!.kind === 'punctuation') return false;
    for (let at = index - 1, depth = 0; at >= 0; at -= 1) {
      const { text } = this.tokens[at]!;
      if (text === '}') depth += 1;
      else if (text === '{') {
        if (depth === 0) return ['=', ']', '{', ','].includes(this.tokens[at - 1]?.text ?? '');
        depth -= 1;
      } else if (text === ';') return false;
    }
    return false;
  }

  /** `/ the lamp`: a comment that begins with one slash. */
  private halfComment(index: number): ProgramProblem | undefined {
    const token = this.tokens[index]!;
    const before = this.tokens[index - 1]?.text ?? ';';
    const next = this.tokens[index + 1];
    const begins = token.text === '/' && token.startsLine && [';', '{', '}'].includes(before);
    return begins && next?.line === token.line ? oneSlash(token) : undefined;
  }

  private laterUnopened(index: number): boolean {
    let depth = 0;
    for (let at = index; at < this.tokens.length; at += 1) {
      const { text } = this.tokens[at]!;
      if (text === ';' || text === '{' || text === '}') return false;
      if (text === '(') depth += 1;
      if (text === ')' && (depth -= 1) < 0) return true;
    }
    return false;
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

/** Words after which an operand or a statement follows without anything between. */
const leadingWords: ReadonlySet<string> = new Set([
  'return',
  'else',
  'do',
  'case',
  'default',
  'goto',
  'new',
  'delete',
  'sizeof',
  'struct',
  'enum',
  'class',
  'typedef',
]);

/** The grammar's own first error, for what the scan does not know. */
function grammarProblem(root: SyntaxNode, tokens: readonly Token[]): ProgramProblem {
  const node = firstError(root) ?? root;
  const place = spanOf(node);
  if (node.isMissing) {
    const before = tokens
      .filter(
        (token) => token.line < place.line || (token.line === place.line && token.endColumn <= place.column),
      )
      .at(-1);
    const code =
      node.type === ';'
        ? 'syntax-semicolon'
        : node.type === ')' || node.type === '('
          ? 'syntax-paren'
          : node.type === '}' || node.type === '{'
            ? 'syntax-brace'
            : undefined;
    if (before && code) return missing(code, before, node.type, 'Without it the line cannot be read.');
  }
  const shown = node.text.split('\n')[0]!.slice(0, 40);
  return refusal('syntax-other', place, `Line ${place.line} cannot be read from “${shown}” on.`, [
    `Compare line ${place.line} with one that works. What is different?`,
    `The trouble starts at column ${place.column} of line ${place.line}, at “${shown}”.`,
    `Write line ${place.line} again from “${shown}” on, letter by letter from the example.`,
  ]);
}

function firstError(root: SyntaxNode): SyntaxNode | undefined {
  const open: SyntaxNode[] = [root];
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.isError || node.isMissing) return node;
    if (!node.hasError) continue;
    for (let index = node.children.length - 1; index >= 0; index -= 1) {
      const child = node.children[index];
      if (child) open.push(child);
    }
  }
  return undefined;
}
