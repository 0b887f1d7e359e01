import { refusal, textRepair, type ProgramProblem } from '../problem';
import { missing, surplus } from '../syntax-wording';
import type { Token } from '../token';
import { behindHeads, headerWords } from './brace-scan';
import { bareCall, commaMissing, comparisonMissing, nameInTwo, oneSlash, splitName } from './slips';
import type { TokenMap } from './token-map';
import { typeWords } from './types';

const qualifiers: ReadonlySet<string> = new Set(['const', 'static', 'volatile', 'constexpr', 'extern']);
const openers: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };

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
  'using',
  'auto',
  'public',
  'private',
]);

/** Finds parentheses that do not pair, and what is missing between two things that stand side by side. */
export class StatementScan {
  constructor(private readonly map: TokenMap) {}

  /** The first thing that is wrong inside a statement; none where all of them can be told apart. */
  problems(): readonly ProgramProblem[] {
    const open: {
      readonly text: string;
      readonly index: number;
      readonly isFor: boolean;
      semicolons: number;
      /** `for (int pin : PINS)`. */
      isRange: boolean;
    }[] = [];
    for (let index = 0; index < this.map.tokens.length; index += 1) {
      const token = this.map.tokens[index]!;
      const before = this.map.tokens[index - 1];
      const inside = open.at(-1);
      const comment = this.halfComment(index);
      if (comment) return [comment];
      if (before && this.juxtaposed(index)) {
        const problem = this.betweenOperands(index, inside);
        if (problem) return [problem];
      }
      if (token.text === '(' || token.text === '[')
        open.push({
          text: token.text,
          index,
          isFor: this.map.tokens[index - 1]?.text === 'for',
          semicolons: 0,
          isRange: false,
        });
      else if (token.text === ':' && inside?.isFor && inside.semicolons === 0) inside.isRange = true;
      else if (token.text === ')' || token.text === ']') {
        if (!inside) return [this.unopenedParenthesis(index)];
        if (inside.isFor && inside.semicolons < 2 && !(inside.isRange && inside.semicolons === 0))
          return [this.forHeader(inside.index, index)];
        open.pop();
      } else if (token.text === ';' && inside) {
        if (!inside.isFor) return [this.unclosedParenthesis(inside.text, index)];
        inside.semicolons += 1;
        if (inside.semicolons > 2) return [this.unclosedParenthesis(inside.text, index)];
      } else if (
        (token.text === '{' || token.text === '}') &&
        inside &&
        (!this.map.inInitializer[index] || headerWords.has(this.map.tokens[inside.index - 1]?.text ?? ''))
      )
        return [this.unclosedParenthesis(inside.text, index)];
    }
    return [];
  }

  private unclosedParenthesis(opener: string, index: number): ProgramProblem {
    return missing(
      'syntax-paren',
      this.map.tokens[index - 1]!,
      openers[opener]!,
      `The ${opener} before it is still open.`,
    );
  }

  private unopenedParenthesis(index: number): ProgramProblem {
    const start = this.map.statementStart(index);
    const [name, argument] = [this.map.tokens[start], this.map.tokens[start + 1]];
    if (
      name?.kind === 'word' &&
      !typeWords.has(name.text) &&
      argument &&
      argument.text !== '(' &&
      (argument.kind === 'number' || argument.kind === 'word')
    )
      return missing('syntax-paren', name, '(', 'What a function is given goes in parentheses.');
    return surplus('syntax-paren', this.map.tokens[index]!, 'No parenthesis is open there.');
  }

  private forHeader(from: number, to: number): ProgramProblem {
    let comma: Token | undefined;
    for (let at = from; at < to; at += 1)
      if (this.map.tokens[at]!.text === ',') comma ??= this.map.tokens[at];
    const why = 'The three parts of a for are separated by semicolons.';
    if (!comma) return missing('syntax-semicolon', this.map.tokens[to - 1]!, ';', why);
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
    const before = this.map.tokens[index - 1]!;
    const token = this.map.tokens[index]!;
    if (token.kind === 'punctuation' && !(token.text === '}' && this.closesBlock(index))) return false;
    if (before.text === 'return' && this.beginsAnew(index)) return true;
    if (!this.endsOperand(index - 1) || (before.text === ')' && behindHeads.has(token.text))) return false;
    if (before.kind === 'text' && token.kind === 'text') return false;
    if (token.kind === 'word' && this.map.ownTypes.has(before.text)) return false;
    if (before.kind === 'word' && token.kind === 'word' && this.declares(index - 1)) return false;
    if (token.text === 'else' || token.text === 'while') return before.text !== '}' || token.text === 'while';
    return true;
  }

  /** Whether no value can begin with a token, as with the next line behind `return`. */
  private beginsAnew(index: number): boolean {
    const { text, startsLine } = this.map.tokens[index]!;
    return (
      text === '}' ||
      (startsLine &&
        (headerWords.has(text) ||
          typeWords.has(text) ||
          ['return', 'break', 'else', 'case', 'default'].includes(text)))
    );
  }

  private endsOperand(last: number): boolean {
    let index = last;
    while (index > 0 && ['++', '--'].includes(this.map.tokens[index]!.text)) index -= 1;
    const token = this.map.tokens[index]!;
    if (token.kind === 'number' || token.kind === 'text') return true;
    if (token.text === ']') return true;
    if (token.text === ')') return !this.closesHeader(index);
    if (token.text === '}') return this.isInitializerEnd(index);
    if (token.kind !== 'word') return false;
    return !typeWords.has(token.text) && !leadingWords.has(token.text);
  }

  /** Whether the closing parenthesis belongs to `if (…)` and the like, or to a function's header. */
  private closesHeader(index: number): boolean {
    const at = this.map.opens[index]!;
    if (at < 0) return false;
    const word = this.map.tokens[at - 1];
    if (word && headerWords.has(word.text))
      return !(word.text === 'while' && this.map.tokens[at - 2]?.text === '}' && this.closesDo(at - 2));
    const inner = this.map.tokens.slice(at + 1, Math.min(index, at + 4));
    return inner.length > 0 && inner.length < 3 && inner.every((token) => typeWords.has(token.text)); // a cast
  }

  private closesDo(brace: number): boolean {
    return this.map.tokens[this.map.opens[brace]! - 1]?.text === 'do';
  }

  private isInitializerEnd(index: number): boolean {
    return this.map.tokens[this.map.opens[index]! - 1]?.text === '=';
  }

  private closesBlock(index: number): boolean {
    const at = this.map.opens[index]!;
    if (at < 0) return true;
    if (this.map.typeBody(at) === 'enum') return false;
    return !['=', ',', ']'].includes(this.map.tokens[at - 1]?.text ?? '') && !this.map.inInitializer[at];
  }

  /** `Lamp front;`: an unknown word before a name at the start of a statement reads as a type. */
  private declares(index: number): boolean {
    let start = this.map.statementStart(index);
    while (qualifiers.has(this.map.tokens[start]!.text) && start < index) start += 1;
    const behind = this.map.tokens[index + 2];
    // The name of a class begins with a capital; its object's line may lack the semicolon.
    const isObject = /^[A-Z][a-z]/.test(this.map.tokens[index]!.text) && behind?.startsLine === true;
    return (
      start === index &&
      this.map.tokens[index + 1]!.line === this.map.tokens[index]!.line &&
      (['=', ';', '(', '[', ','].includes(behind?.text ?? '') || isObject)
    );
  }

  private betweenOperands(
    index: number,
    inside: { readonly text: string; readonly isFor: boolean; readonly index: number } | undefined,
  ): ProgramProblem | undefined {
    const before = this.map.tokens[index - 1]!;
    const token = this.map.tokens[index]!;
    if (inside?.isFor)
      return missing(
        'syntax-semicolon',
        before,
        ';',
        'The three parts of a for are separated by semicolons.',
      );
    const split = splitName(before, token);
    if (split) return split;
    if (!inside) {
      const start = this.map.statementStart(index - 1);
      const called = this.map.tokens[start];
      const own = nameInTwo(this.map.tokens, start, index) ?? bareCall(this.map.tokens, start, index);
      if (own) return own;
      if (this.map.inInitializer[index] && this.standsInList(index))
        return commaMissing(before, token, 'braces');
      if (start === index - 1 && called?.kind === 'word' && !token.startsLine && this.laterUnopened(index))
        return missing('syntax-paren', called, '(', 'What a function is given goes in parentheses.');
      return missing('syntax-semicolon', before, ';', 'Every instruction ends with one.');
    }
    if (token.startsLine || token.text === '}') return this.unclosedParenthesis(inside.text, index);
    const head = this.map.tokens[inside.index - 1]?.text ?? '';
    return ['if', 'while'].includes(head)
      ? comparisonMissing(before, token)
      : commaMissing(before, token, 'parentheses');
  }

  /** Whether a token stands between the braces of a list of first values, with a value before it. */
  private standsInList(index: number): boolean {
    if (this.map.tokens[index]!.kind === 'punctuation') return false;
    for (let at = index - 1, depth = 0; at >= 0; at -= 1) {
      const { text } = this.map.tokens[at]!;
      if (text === '}') depth += 1;
      else if (text === '{') {
        if (depth === 0) return ['=', ']', '{', ','].includes(this.map.tokens[at - 1]?.text ?? '');
        depth -= 1;
      } else if (text === ';') return false;
    }
    return false;
  }

  /** `/ the lamp`: a comment that begins with one slash. */
  private halfComment(index: number): ProgramProblem | undefined {
    const token = this.map.tokens[index]!;
    const before = this.map.tokens[index - 1]?.text ?? ';';
    const next = this.map.tokens[index + 1];
    const begins = token.text === '/' && token.startsLine && [';', '{', '}'].includes(before);
    return begins && next?.line === token.line ? oneSlash(token) : undefined;
  }

  private laterUnopened(index: number): boolean {
    let depth = 0;
    for (let at = index; at < this.map.tokens.length; at += 1) {
      const { text } = this.map.tokens[at]!;
      if (text === ';' || text === '{' || text === '}') return false;
      if (text === '(') depth += 1;
      if (text === ')' && (depth -= 1) < 0) return true;
    }
    return false;
  }
}
