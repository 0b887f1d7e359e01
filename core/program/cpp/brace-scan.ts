import type { ProgramProblem } from '../problem';
import { missing, surplus } from '../syntax-wording';
import { cutOffBody, emptyBodyThatStops } from './empty-body';
import { withoutIf } from './slips';
import type { TokenMap } from './token-map';
import { typeWords } from './types';

/** Words that are followed by something in parentheses and a body. */
export const headerWords: ReadonlySet<string> = new Set(['if', 'for', 'while', 'switch']);
/** Words that may stand between the head of a function and its body. */
export const behindHeads: ReadonlySet<string> = new Set(['const', 'override', 'noexcept', 'final']);

interface Header {
  readonly index: number;
  /** Index of the token behind the closing parenthesis. */
  readonly bodyIndex: number;
  readonly indent: number;
}

/** Finds braces that do not pair, heads and bodies that do not belong together, and labels without their colon. */
export class BraceScan {
  constructor(private readonly map: TokenMap) {}

  /** Braces that do not pair, and functions and conditions without their opening ones. */
  brackets(): readonly ProgramProblem[] {
    const unopened = this.headersWithoutParenthesis();
    if (unopened.length > 0) return unopened;
    const functions = this.functionHeaders();
    const bare = functions.find(
      ({ bodyIndex }) => !['{', ';', ',', '='].includes(this.map.tokens[bodyIndex]?.text ?? ''),
    );
    if (bare)
      return [
        missing(
          'syntax-brace',
          this.map.tokens[bare.bodyIndex - 1]!,
          '{',
          'The body of a function goes between braces.',
        ),
      ];
    const cutOff = functions.find(
      ({ bodyIndex }) =>
        this.map.tokens[bodyIndex]?.text === ';' && this.map.tokens[bodyIndex + 1]?.text === '{',
    );
    if (cutOff) return [cutOffBody(this.map.tokens[cutOff.bodyIndex]!)];
    const starts = new Map(functions.map((header) => [header.index, header]));
    const open: { readonly index: number; readonly indent: number }[] = [];
    for (let index = 0; index < this.map.tokens.length; index += 1) {
      const token = this.map.tokens[index]!;
      const header = starts.get(index);
      const isMethod = open.length === 1 && this.map.typeBody(open[0]!.index) === 'class';
      if (
        header &&
        open.length > 0 &&
        !isMethod &&
        this.map.tokens[header.bodyIndex]?.text === '{' &&
        token.startsLine
      )
        return [this.unclosed(open, index)];
      if (token.text === '{' && this.leavesRowOpen(open.at(-1)?.index, index))
        return [this.unclosed(open, index - 1)];
      if (token.text === '{') open.push({ index, indent: this.map.indents[index]! });
      if (token.text !== '}') continue;
      const top = open.at(-1);
      if (!top) return [this.unopenedBrace(index)];
      const opensTooMany = this.map.braceBalance > 0;
      if (
        opensTooMany &&
        token.startsLine &&
        top.indent > token.column &&
        open.some((other) => other.indent === token.column)
      )
        return [this.unclosed(open, index)];
      open.pop();
    }
    return open.length > 0 ? [this.unclosed(open, this.map.tokens.length)] : [];
  }

  /** Whether a row of a list begins while the one before is open: `{0, 255, 0,` and `{0, 0, 255},` below it. */
  private leavesRowOpen(opener: number | undefined, index: number): boolean {
    const { tokens } = this.map;
    const [before, row] = [tokens[(opener ?? 0) - 1], opener === undefined ? undefined : tokens[opener]];
    const isRow = row?.startsLine === true && (before?.text === '{' || before?.text === ',');
    const token = tokens[index]!;
    return isRow && token.startsLine && token.column === row.column && tokens[index - 1]?.text === ',';
  }

  private unclosed(open: readonly { readonly index: number }[], before: number): ProgramProblem {
    const { index } = open.at(-1)!;
    const opener = this.map.tokens[index]!;
    return missing(
      'syntax-brace',
      this.map.tokens[this.endOfBody(index, before) - 1]!,
      '}',
      `The brace opened in line ${opener.line} is not closed.`,
    );
  }

  /** Where the lines that belong to an open brace end: at the first one that is not set in deeper than it. */
  private endOfBody(opener: number, before: number): number {
    const indent = this.map.indents[opener]!;
    const first = this.map.tokens[opener + 1];
    // Where nothing is set in, the lines tell nothing.
    if (!first?.startsLine || first.column <= indent) return before;
    for (let at = opener + 2; at < before; at += 1)
      if (this.map.tokens[at]!.startsLine && this.map.tokens[at]!.column <= indent) return at;
    return before;
  }

  /** A closing brace without partner: either one too many, or a condition lacks its opening one. */
  private unopenedBrace(index: number): ProgramProblem {
    const closers = this.map.tokens.filter(
      (token, at) => at <= index && token.text === '}' && token.startsLine,
    );
    const header = this.conditionHeaders().find(
      ({ index: at, bodyIndex, indent }) =>
        this.map.tokens[bodyIndex]?.text !== '{' &&
        closers.some((closer) => closer.column === indent && closer.line > this.map.tokens[at]!.line) &&
        this.map.tokens[bodyIndex]!.line > this.map.tokens[bodyIndex - 1]!.line,
    );
    if (header)
      return missing(
        'syntax-brace',
        this.map.tokens[header.bodyIndex - 1]!,
        '{',
        'What belongs to it goes between braces.',
      );
    return surplus('syntax-brace', this.map.tokens[index]!, 'No brace is open there.');
  }

  /** `if x == 1)` and `void setup {`. */
  private headersWithoutParenthesis(): readonly ProgramProblem[] {
    for (let index = 0; index < this.map.tokens.length - 1; index += 1) {
      const token = this.map.tokens[index]!;
      const next = this.map.tokens[index + 1]!;
      if (headerWords.has(token.text) && next.text !== '(') return [this.bareCondition(index)];
      if (token.text === 'void' && next.kind === 'word' && this.map.tokens[index + 2]?.text === '{') {
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

  /** `if x == 1)`, or `if x == 1 {` with none of its parentheses. */
  private bareCondition(index: number): ProgramProblem {
    const word = this.map.tokens[index]!;
    const why = `After ${word.text} comes a condition in parentheses.`;
    const one = missing('syntax-paren', word, '(', why);
    const brace = this.map.tokens.findIndex(({ text }, at) => at > index && (text === '{' || text === ';'));
    const inside = this.map.tokens.slice(index + 1, Math.max(index + 1, brace));
    const [first, last] = [inside[0], inside.at(-1)];
    const depth = inside.reduce((sum, { text }) => sum + (text === '(' ? 1 : text === ')' ? -1 : 0), 0);
    const isBare = this.map.tokens[brace]?.text === '{' && depth === 0 && last?.line === word.line;
    if (!isBare || !first || !last) return one;
    const { line } = word;
    return {
      ...one,
      repair: {
        text: `Put parentheses round what stands between ${word.text} and the brace in line ${line}.`,
        edits: [
          { replace: { line, column: last.endColumn, length: 0, by: ')' } },
          { replace: { line, column: first.column, length: 0, by: '(' } },
        ],
      },
    };
  }

  private functionHeaders(): readonly Header[] {
    const found: Header[] = [];
    for (let index = 0; index < this.map.tokens.length - 2; index += 1) {
      const [type, name, paren] = [
        this.map.tokens[index]!,
        this.map.tokens[index + 1]!,
        this.map.tokens[index + 2]!,
      ];
      if (!type.startsLine || !typeWords.has(type.text) || name.kind !== 'word' || paren.text !== '(')
        continue;
      const close = this.map.partner(index + 2);
      if (close === undefined) continue;
      let bodyIndex = close + 1;
      while (behindHeads.has(this.map.tokens[bodyIndex]?.text ?? '')) bodyIndex += 1;
      found.push({ index, bodyIndex, indent: this.map.indents[index]! });
    }
    return found;
  }

  private conditionHeaders(): readonly Header[] {
    const found: Header[] = [];
    this.map.tokens.forEach((token, index) => {
      if (!headerWords.has(token.text)) return;
      const close = this.map.partner(index + 1);
      if (close !== undefined && this.map.tokens[close + 1])
        found.push({ index, bodyIndex: close + 1, indent: this.map.indents[index]! });
    });
    return found;
  }

  /** `if (…); { … } else`: the semicolon has ended the condition, and its else is alone. */
  cutOffElse(): readonly ProgramProblem[] {
    return this.map.tokens.flatMap((token, index): readonly ProgramProblem[] => {
      if (token.text !== 'else' || this.map.tokens[index - 1]?.text !== '}') return [];
      const opener = this.map.opens[index - 1]!;
      const [close, semicolon] = [this.map.tokens[opener - 2], this.map.tokens[opener - 1]];
      if (semicolon?.text !== ';' || close?.text !== ')') return [];
      const head = this.map.tokens[this.map.opens[opener - 2]! - 1];
      return head?.text === 'if' ? [emptyBodyThatStops(semicolon, 'if')] : [];
    });
  }

  /** An `else` with no `if` straight before it, where all braces pair. */
  loneElse(): readonly ProgramProblem[] {
    if (this.map.braceBalance !== 0) return [];
    return this.map.tokens.flatMap((token, index): readonly ProgramProblem[] => {
      if (token.text !== 'else') return [];
      const before = this.map.tokens[index - 1];
      const end = before?.text === '}' ? this.headOf(this.map.opens[index - 1]!) : index - 1;
      // A semicolon before the braces has ended the if: that is told by itself.
      if (
        before?.text === '}' &&
        this.map.tokens[end - 1]?.text === ';' &&
        this.map.tokens[end]?.text === '{'
      )
        return [];
      const start = end < 1 ? 0 : this.map.statementStart(end);
      const hasIf = this.map.tokens.slice(start, end + 1).some(({ text }) => text === 'if');
      return hasIf ? [] : [withoutIf(token)];
    });
  }

  /** Index of the word that a block belongs to, such as `for`, or of its brace. */
  private headOf(brace: number): number {
    const open = this.map.tokens[brace - 1]?.text === ')' ? this.map.opens[brace - 1]! : -1;
    return open > 0 ? open - 1 : brace;
  }

  /** `struct Signal { … }` without the semicolon behind it. */
  openTypes(): readonly ProgramProblem[] {
    return this.map.tokens.flatMap((token, index): readonly ProgramProblem[] => {
      const opener = token.text === '}' ? this.map.opens[index]! : -1;
      const next = this.map.tokens[index + 1];
      return opener > 0 && this.map.typeBody(opener) && next?.startsLine && next.text !== ';'
        ? [missing('syntax-semicolon', token, ';', 'What a struct or an enum lists ends with one.')]
        : [];
    });
  }

  /** `case OPEN` without its colon. */
  labels(): readonly ProgramProblem[] {
    return this.map.tokens.flatMap(({ text, line }, index): readonly ProgramProblem[] => {
      if (text !== 'case' && text !== 'default') return [];
      if (text === 'default' && this.map.tokens[index - 1]?.text === '=') return [];
      let end = index;
      const stops = (at: number): boolean => {
        const next = this.map.tokens[at];
        return !next || next.line !== line || [';', ':', '{', '}'].includes(next.text);
      };
      // A label is one name or number, whatever signs are in it: `-1`, `Mode::OPEN`, `'a' ... 'z'`.
      const isWhole = (at: number): boolean =>
        at > index &&
        this.map.tokens[at]!.kind !== 'punctuation' &&
        this.map.tokens[at + 1]?.kind !== 'punctuation';
      if (text === 'case') while (!stops(end + 1) && !isWhole(end)) end += 1;
      const behind = this.map.tokens[end + 1];
      if (behind?.text === ':' || (text === 'case' && end === index)) return [];
      return [
        missing(
          'syntax-other',
          this.map.tokens[end]!,
          ':',
          `After ${text === 'case' ? 'what a case is for' : 'default'} comes a colon.`,
        ),
      ];
    });
  }
}
