import { piecesOf } from '../pieces';
import type { Language } from '../index';

/** A statement without what only sets it apart from others: remarks, braces, semicolons, the space before it. */
export interface PlainStatement {
  /** How many headers it stands under. */
  readonly depth: number;
  readonly words: readonly string[];
  /** Lines that it stands on, the first one first, counted from 1. */
  readonly lines: readonly number[];
  /** The function that it belongs to, its header included; nothing for what belongs to none. */
  readonly within: string | undefined;
}

/** A word with the line it stands on. */
interface Word {
  readonly text: string;
  readonly line: number;
}

/** The statements of a program, whether it compiles or not, in the order in which they stand. */
export function statementsOf(source: string, language: Language): readonly PlainStatement[] {
  const words = wordsOf(source, language);
  return language === 'python' ? pythonStatements(words) : new CppReader(words).all();
}

function wordsOf(source: string, language: Language): readonly Word[] {
  const words: Word[] = [];
  let [line, at] = [1, 0];
  for (const { text, from } of piecesOf(source, language)) {
    while (at < from) if (source[at++] === '\n') line += 1;
    // A decimal number is one word.
    const [before, last] = [words.at(-2), words.at(-1)];
    if (last?.text === '.' && before && /^\d+$/.test(before.text) && /^\d+[fF]?$/.test(text)) {
      words.splice(-2, 2, { text: `${before.text}.${text}`, line: before.line });
      continue;
    }
    words.push({ text, line });
  }
  return words;
}

const HEADERS: ReadonlySet<string> = new Set(['if', 'for', 'while', 'switch']);
/** What a brace stands behind when it begins values rather than a block. */
const BEFORE_VALUES: ReadonlySet<string> = new Set(['=', ']', ',', '(', 'return']);

/** Reads the statements of a C++ program by its words alone. */
class CppReader {
  private at = 0;
  private within: string | undefined;
  private readonly found: PlainStatement[] = [];

  constructor(private readonly words: readonly Word[]) {}

  all(): readonly PlainStatement[] {
    while (this.at < this.words.length) {
      this.within = undefined;
      const before = this.at;
      this.statement(0);
      // A brace too many ends nothing.
      if (this.at === before) this.at += 1;
    }
    return this.found;
  }

  private get next(): string | undefined {
    return this.words[this.at]?.text;
  }

  private keep(depth: number, from: number, to: number): void {
    const own = this.words.slice(from, to).filter(({ text }) => text !== ';' || to - from > 1);
    if (own.length === 0) return;
    this.found.push({
      depth,
      words: own.map(({ text }) => text),
      lines: [...new Set(own.map(({ line }) => line))],
      within: this.within,
    });
  }

  private statement(depth: number): void {
    const from = this.at;
    const first = this.next;
    if (first === undefined || first === '}') return;
    if (first.startsWith('#')) return this.directive(depth);
    if (first === '{') return this.block(depth);
    if (first === ';') {
      this.at += 1;
      return;
    }
    if (first === 'else' || first === 'do') {
      this.at += 1;
      this.keep(depth, from, this.at);
      return this.statement(depth + 1);
    }
    if (HEADERS.has(first)) {
      this.at += 1;
      if (this.next === '(') this.skipGroup();
      // A semicolon behind a header is its whole body.
      if (this.next === ';') {
        this.at += 1;
        return this.keep(depth, from, this.at);
      }
      this.keep(depth, from, this.at);
      return this.statement(depth + 1);
    }
    if (first === 'case' || first === 'default') {
      while (this.next !== undefined && this.next !== ':' && this.next !== '}') this.at += 1;
      this.keep(depth, from, this.at);
      if (this.next === ':') this.at += 1;
      return;
    }
    this.plain(depth, from);
  }

  /** Up to its semicolon; or the header of a function or type, with its body. */
  private plain(depth: number, from: number): void {
    for (;;) {
      const { next } = this;
      if (next === undefined || next === '}') return this.keep(depth, from, this.at);
      if (next === ';') {
        this.keep(depth, from, this.at);
        this.at += 1;
        return;
      }
      if (next === '(') {
        this.skipGroup();
        continue;
      }
      if (next === '{' && BEFORE_VALUES.has(this.words[this.at - 1]?.text ?? '')) {
        this.skipGroup();
        continue;
      }
      if (next === '{') {
        if (depth === 0) this.within = nameOfHeader(this.words.slice(from, this.at).map(({ text }) => text));
        this.keep(depth, from, this.at);
        return this.block(depth + 1);
      }
      this.at += 1;
    }
  }

  private directive(depth: number): void {
    const from = this.at;
    const { line } = this.words[from]!;
    while (this.words[this.at]?.line === line) this.at += 1;
    this.keep(depth, from, this.at);
  }

  private block(depth: number): void {
    this.at += 1;
    while (this.next !== undefined && this.next !== '}') this.statement(depth);
    this.at += 1;
  }

  /** Goes behind a bracket and what it holds. */
  private skipGroup(): void {
    let open = 0;
    do {
      const { next } = this;
      if (next === '(' || next === '{') open += 1;
      if (next === ')' || next === '}') open -= 1;
      this.at += 1;
    } while (open > 0 && this.at < this.words.length);
  }
}

const nameOfHeader = (words: readonly string[]): string | undefined => {
  const bracket = words.indexOf('(');
  return bracket > 0 ? words[bracket - 1] : words.at(-1);
};

const PYTHON_HEADERS: ReadonlySet<string> = new Set([
  'if',
  'elif',
  'else',
  'for',
  'while',
  'def',
  'class',
  'try',
  'except',
  'finally',
  'with',
]);

function pythonStatements(words: readonly Word[]): readonly PlainStatement[] {
  const found: PlainStatement[] = [];
  /** Columns at which the blocks around the line begin. */
  let columns: number[] = [0];
  let within: string | undefined;
  for (const { column, words: line } of logicalLines(words)) {
    columns = columns.filter((begin) => begin < column);
    columns.push(column);
    const depth = columns.length - 1;
    if (depth === 0) within = line[0]!.text === 'def' ? line[1]?.text : undefined;
    for (const [index, part] of partsOf(line).entries())
      found.push({
        depth: depth + index,
        words: part.map(({ text }) => text),
        lines: [...new Set(part.map((word) => word.line))],
        within,
      });
  }
  return found;
}

/** A header with what stands behind it on the same line as two. */
function partsOf(line: readonly Word[]): readonly (readonly Word[])[] {
  if (!PYTHON_HEADERS.has(line[0]!.text)) return [line];
  let open = 0;
  for (const [index, { text }] of line.entries()) {
    if ('([{'.includes(text)) open += 1;
    if (')]}'.includes(text)) open -= 1;
    if (text !== ':' || open > 0) continue;
    const rest = line.slice(index + 1);
    return rest.length > 0 ? [line.slice(0, index), rest] : [line.slice(0, index)];
  }
  return [line];
}

/** Lines with all that goes on in brackets, and the column at which each begins. */
function logicalLines(
  words: readonly Word[],
): readonly { readonly column: number; readonly words: readonly Word[] }[] {
  const lines: { column: number; words: Word[] }[] = [];
  let [open, isNew, column] = [0, true, 0];
  for (const word of words) {
    if (word.text.startsWith('\n')) {
      if (open > 0) continue;
      [isNew, column] = [true, word.text.length - 1];
      continue;
    }
    if ('([{'.includes(word.text)) open += 1;
    if (')]}'.includes(word.text)) open = Math.max(0, open - 1);
    if (isNew) lines.push({ column, words: [] });
    isNew = false;
    lines.at(-1)!.words.push(word);
  }
  return lines;
}
