import { refusal, textRepair, type ProgramProblem } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import { missing, quoteProblems, strayProblems, surplus } from '../syntax-wording';
import type { Token } from '../token';
import { pythonKeywordSlips } from './keyword-slips';
import type { LogicalLine, PythonLines } from './lines';
import { lineSlips } from './line-slips';
import { misreadSigns, otherLanguage } from './other-language';

/** Words whose line opens a block. */
const openers: ReadonlySet<string> = new Set([
  'if',
  'elif',
  'else',
  'for',
  'while',
  'def',
  'try',
  'except',
  'finally',
  'class',
  'with',
]);

/**
 * What is wrong with a text that the grammar does not take, where the mistake was made: quotes, odd
 * characters, brackets, colons, indentation, and what belongs to another language. `root` is asked last.
 */
export function pythonSyntaxProblems(list: PythonLines, root: SyntaxNode): readonly ProgramProblem[] {
  if (list.quotes.length > 0) return quoteProblems(list.quotes);
  if (list.strays.length > 0) return strayProblems(list.strays);
  const slips = pythonKeywordSlips(list.lines);
  if (slips.length > 0) return slips;
  const inLines = lineSlips(list);
  if (inLines.length > 0) return inLines;
  const foreign = otherLanguage(list);
  // With braces round its blocks nothing else of a text is as it is meant.
  if (foreign.some(({ code }) => code === 'syntax-brace')) return foreign;
  const found = [
    ...foreign,
    ...bracketProblems(list),
    ...list.lines.flatMap((line) => headProblems(line)),
    ...indentationProblems(list.lines),
  ];
  if (found.length > 0) return [...found].sort((a, b) => a.line - b.line || a.column - b.column);
  return root.hasError ? [fromTree(root)] : [];
}

/** What the lines alone show, also where the grammar forgives it. */
export const certainProblems = (list: PythonLines): readonly ProgramProblem[] => [
  ...lineSlips(list),
  ...misreadSigns(list),
  ...pythonKeywordSlips(list.lines),
  ...indentationProblems(list.lines),
];

function bracketProblems({ open, unopened, lines }: PythonLines): readonly ProgramProblem[] {
  const code = (token: Token) => (token.text === '{' || token.text === '}' ? 'syntax-brace' : 'syntax-paren');
  const closer: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };
  const [first] = open;
  if (first) {
    const { opener, before } = first;
    const tokens = lines.find((line) => line.tokens.includes(opener))?.tokens ?? [];
    // The colon at the end of a head stands behind the bracket.
    const same = tokens.filter(({ line }) => line === opener.line);
    const isHead = same.at(-1)?.text === ':' && openers.has(tokens[0]?.text ?? '');
    return [
      missing(
        code(opener),
        isHead ? (same.at(-2) ?? opener) : before,
        closer[opener.text]!,
        `The ${opener.text} at column ${opener.column} is never closed.`,
      ),
    ];
  }
  const [extra] = unopened;
  return extra ? [surplus(code(extra), extra, 'Nothing before it is open.')] : [];
}

/** A head without its colon, or a comparison with one =. */
function headProblems({ tokens }: LogicalLine): readonly ProgramProblem[] {
  const [first] = tokens;
  if (!first) return [];
  const problems: ProgramProblem[] = [];
  const inside = tokens.find((token, index) => token.text === '=' && isInPlainBrackets(tokens, index));
  if (inside) problems.push(singleEquals(inside));
  if (!openers.has(first.text)) return problems;
  const head = headOf(tokens);
  const single = head.tokens.find(
    (token, index) =>
      token.text === '=' &&
      (first.text === 'if' || first.text === 'elif' || first.text === 'while') &&
      depthAt(head.tokens, index) === 0,
  );
  if (single) problems.push(singleEquals(single));
  if (head.colon) return problems;
  const last = tokens.at(-1)!;
  if (last.text === '{') return problems;
  if (last.text === ';')
    return [
      ...problems,
      refusal(
        'colon-missing',
        last,
        `Line ${first.line}: this kind of line ends with a colon, not a semicolon.`,
        [
          `What character does line ${first.line} end with?`,
          `“${first.text} …” ends in a colon; line ${first.line} has a semicolon.`,
          `Write : instead of ; in line ${first.line}.`,
        ],
        textRepair(`Write : instead of ; in line ${first.line}.`, {
          line: last.line,
          column: last.column,
          length: 1,
          by: ':',
        }),
      ),
    ];
  const place = endOfHead(tokens);
  return [
    ...problems,
    missing('colon-missing', place, ':', `The line that begins with “${first.text}” ends with a colon.`),
  ];
}

/** The tokens of a head up to its colon outside of brackets; all of them when it has none. */
function headOf(tokens: readonly Token[]): { readonly tokens: readonly Token[]; readonly colon: boolean } {
  const isLambda = tokens.some(({ text }) => text === 'lambda');
  const at = tokens.findIndex(
    (token, index) => token.text === ':' && depthAt(tokens, index) === 0 && !isLambda,
  );
  return at < 0
    ? { tokens, colon: isLambda && tokens.at(-1)?.text === ':' }
    : { tokens: tokens.slice(0, at), colon: true };
}

function depthAt(tokens: readonly Token[], index: number): number {
  let depth = 0;
  for (let at = 0; at < index; at += 1) {
    if ('([{'.includes(tokens[at]!.text) && tokens[at]!.kind === 'punctuation') depth += 1;
    if (')]}'.includes(tokens[at]!.text) && tokens[at]!.kind === 'punctuation') depth -= 1;
  }
  return depth;
}

/** Whether the innermost brackets around a token are there for the order of counting only: no call and no list. */
function isInPlainBrackets(tokens: readonly Token[], index: number): boolean {
  const open: number[] = [];
  for (let at = 0; at < index; at += 1) {
    if (/^[([{]$/.test(tokens[at]!.text)) open.push(at);
    if (/^[)\]}]$/.test(tokens[at]!.text)) open.pop();
  }
  const at = open.at(-1);
  const before = at === undefined ? undefined : tokens[at - 1];
  if (at === undefined || tokens[at]!.text !== '(') return false;
  const isOfCall =
    before?.kind === 'word' ? !BEFORE_BRACKETS.test(before.text) : /^[)\]]$/.test(before?.text ?? '');
  // Brackets that stay open take in what stands in other lines.
  const isClosed = depthAt(tokens, tokens.length) === 0;
  return !isOfCall && isClosed && !tokens.some(({ text }) => text === 'lambda');
}
/** Words behind which brackets call nothing. */
const BEFORE_BRACKETS = /^(?:if|elif|while|not|and|or|in|is|return|else|assert|yield)$/;

/** The token that a head without a colon ends with: `else print(1)` has its head before the call. */
function endOfHead(tokens: readonly Token[]): Token {
  const [first] = tokens;
  if (first && ['else', 'try', 'finally'].includes(first.text)) return first;
  return tokens.at(-1)!;
}

function singleEquals(token: Token): ProgramProblem {
  return refusal(
    'assign-in-condition',
    token,
    `Line ${token.line}: one = sets a value; comparing takes two.`,
    [
      `Does line ${token.line} compare something, or does it set something?`,
      `At column ${token.column} of line ${token.line} there is one =; comparing takes two.`,
      `Write == in line ${token.line}.`,
    ],
    textRepair(`Write == instead of = in line ${token.line}.`, {
      line: token.line,
      column: token.column,
      length: 1,
      by: '==',
    }),
  );
}

/** Whether a line is `match …:` or one of its `case …:`, which larger boards than these know. */
const isOfMatch = ({ tokens }: Pick<LogicalLine, 'tokens'>): boolean =>
  /^(?:match|case)$/.test(tokens[0]?.text ?? '') &&
  tokens.length > 2 &&
  tokens[1]!.text !== '=' &&
  tokens.at(-1)?.text === ':';

/** Lines that stand too far in, too far out, or between two blocks. */
function indentationProblems(lines: readonly LogicalLine[]): readonly ProgramProblem[] {
  const open = [0];
  /** The first line that is moved in by tabs, and the first by spaces. */
  const firsts: { tabs?: LogicalLine; spaces?: LogicalLine } = {};
  for (const [index, line] of lines.entries()) {
    const before = lines[index - 1];
    const first = line.tokens[0]!;
    const opens = before !== undefined && opensBlock(before);
    const now = open.at(-1)!;
    if (opens) {
      if (line.indent <= now) return [noBody(before, line, now, lines[index + 1])];
      open.push(line.indent);
    } else if (line.indent > now) {
      // Without its colon the head before says what is wrong.
      if (before && openers.has(before.tokens[0]!.text) && !headOf(before.tokens).colon) {
        open.push(line.indent);
        continue;
      }
      return [tooFarIn(line, now)];
    } else {
      while (open.at(-1)! > line.indent) open.pop();
      if (open.at(-1) !== line.indent) return [between(line, now, open.at(-1)!)];
    }
    const mixed = /\t/.test(line.space) && / /.test(line.space);
    const kind = /\t/.test(line.space) ? 'tabs' : 'spaces';
    const other = kind === 'tabs' ? firsts.spaces : firsts.tabs;
    if (line.space !== '') firsts[kind] ??= line;
    if (line.space !== '' && (mixed || (other && other.indent !== line.indent && opens)))
      return [tabsAndSpaces(first.line, line)];
  }
  const last = lines.at(-1);
  return last && opensBlock(last)
    ? [nothingInside(last, 'The program ends there.', `${last.space}${' '.repeat(4)}`)]
    : [];
}

/** Whether a line is a head with nothing behind its colon. */
const opensBlock = (line: LogicalLine): boolean =>
  line.tokens.at(-1)?.text === ':' && (openers.has(line.tokens[0]!.text) || isOfMatch(line));

const spaces = (count: number): string => (count === 1 ? 'one space' : `${count} spaces`);

function reindent(line: LogicalLine, to: number, text: string) {
  const first = line.tokens[0]!;
  return textRepair(text, { line: first.line, column: 1, length: line.space.length, by: ' '.repeat(to) });
}

/** What goes on with what stands before it, and is no body of it. */
const GOES_ON = /^(?:elif|else|except|finally)$/;

function noBody(
  head: LogicalLine,
  line: LogicalLine,
  now: number,
  after: LogicalLine | undefined,
): ProgramProblem {
  const [first] = line.tokens;
  const { line: number } = first!;
  const [word] = head.tokens;
  const to = now + 4;
  const space = `${head.space}${' '.repeat(4)}`;
  if (GOES_ON.test(first!.text))
    return nothingInside(head, `The next line is already its “${first!.text}”.`, space);
  // A line that is only not moved in begins where the head does, or in the midst of what is.
  const isSlipped = after !== undefined && after.indent > line.indent && !openers.has(first!.text);
  if (line.indent < now && !isSlipped)
    return nothingInside(head, `Line ${number} belongs to what is around it.`, space);
  return refusal(
    'indentation',
    { line: number, column: line.space.length + 1 },
    `Line ${number} should be indented: it belongs to “${word!.text}” in line ${word!.line}, whose colon opens a block.`,
    [
      `Which lines belong to “${word!.text}” in line ${word!.line}?`,
      `After the colon on line ${word!.line} the next line is indented; line ${number} is not.`,
      `Put ${spaces(to)} before line ${number}.`,
    ],
    reindent(line, to, `Put ${spaces(to)} before line ${number}.`),
  );
}

/** `if mode == 1:` with an `else:` right behind it, or with the end of what it is in. `next`: what comes instead. */
function nothingInside(head: LogicalLine, next: string, space: string): ProgramProblem {
  const [word] = head.tokens;
  const { line, endColumn } = head.tokens.at(-1)!;
  const text = `Write what is to be done after line ${line}, or pass for nothing.`;
  return refusal(
    'indentation',
    { line, column: head.space.length + 1 },
    `Line ${line}: nothing belongs to this “${word!.text}”. ${next}`,
    [
      `Which lines belong to “${word!.text}” in line ${line}?`,
      `The colon in line ${line} opens a block, and there is no line in it.`,
      text,
    ],
    textRepair(text, { line, column: endColumn, length: 0, by: `\n${space}pass` }),
  );
}

function tooFarIn(line: LogicalLine, now: number): ProgramProblem {
  const { line: number } = line.tokens[0]!;
  return refusal(
    'indentation',
    { line: number, column: line.space.length + 1 },
    `Line ${number} is indented further than the lines before it, but no line above opens a block with a colon.`,
    [
      `Should line ${number} begin under the line before it?`,
      `Line ${number} has ${spaces(line.indent)} before it; the block that it is in has ${now === 0 ? 'none' : spaces(now)}.`,
      `Put line ${number} under the line before it.`,
    ],
    reindent(line, now, `Put ${now === 0 ? 'no space' : spaces(now)} before line ${number}.`),
  );
}

function between(line: LogicalLine, inner: number, outer: number): ProgramProblem {
  const { line: number } = line.tokens[0]!;
  const to = inner - line.indent <= line.indent - outer ? inner : outer;
  return refusal(
    'indentation',
    { line: number, column: line.space.length + 1 },
    `Line ${number} lines up with no line above it: it is indented by ${spaces(line.indent)}, and should be by ${spaces(inner)} or ${outer === 0 ? 'none' : spaces(outer)}.`,
    [
      `Which line above should line ${number} line up with?`,
      `Line ${number} has ${spaces(line.indent)} before it, which fits no block.`,
      `Put ${to === 0 ? 'no space' : spaces(to)} before line ${number}.`,
    ],
    reindent(line, to, `Put ${to === 0 ? 'no space' : spaces(to)} before line ${number}.`),
  );
}

function tabsAndSpaces(number: number, line: LogicalLine): ProgramProblem {
  return refusal(
    'indentation',
    { line: number, column: line.space.length + 1 },
    `Line ${number} has tabs and spaces mixed with the lines around it. They look alike and are not.`,
    [
      `Which key made the space before line ${number}?`,
      `There are tabs before line ${number} where other lines have spaces, or the other way round.`,
      `Delete the space before line ${number} and type spaces, four for each step.`,
    ],
    reindent(line, Math.round(line.indent / 8) * 4 || 4, `Put spaces before line ${number}.`),
  );
}

/** What only the grammar noticed. */
function fromTree(root: SyntaxNode): ProgramProblem {
  const open: SyntaxNode[] = [root];
  let found: SyntaxNode = root;
  for (let node = open.shift(); node; node = open.shift()) {
    if (node.isError || node.isMissing) {
      found = node;
      break;
    }
    open.push(
      ...node.children.filter(
        (child): child is SyntaxNode => (child !== null && child.hasError) || child?.isMissing === true,
      ),
    );
  }
  const { line, column } = spanOf(found);
  const shown = found.text.split('\n')[0]!.trim().slice(0, 30);
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line} cannot be read from column ${column} on${shown === '' ? '' : `, at “${shown}”`}.`,
    [
      `Read line ${line} aloud, character by character. What does not belong there?`,
      `The trouble begins at column ${column} of line ${line}.`,
      `Compare line ${line} with an example of the same kind of line, and write it again.`,
    ],
  );
}
