import type { Edit, Observation, TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines, type LogicalLine } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { closing } from './token-places';

/** What ends by itself, made to go on for ever. */
export interface EndlessRounds {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** What a question is made to be. */
const ALWAYS: Readonly<Record<Language, string>> = { cpp: 'true', python: 'True' };

const FOR_EVER = 'while True:';
const INDENT = '    ';

/** Questions that stop being true, loops of so many rounds, and in Python lines in no loop: each going on for ever. */
export function endlessRounds(source: string, language: Language): readonly EndlessRounds[] {
  if (language === 'cpp') return inCpp(tokenize(source).tokens);
  const { lines } = pythonLines(source);
  return [...inPython(lines), ...withoutLoop(source, lines)];
}

function inCpp(tokens: readonly Token[]): readonly EndlessRounds[] {
  return tokens.flatMap((token, index): readonly EndlessRounds[] => {
    if (!/^(?:if|while|for)$/.test(token.text) || tokens[index + 1]?.text !== '(') return [];
    const end = closing(tokens, index + 1, '(', ')');
    const inside = end === undefined ? [] : tokens.slice(index + 2, end);
    const [first, last] = [inside[0], inside.at(-1)];
    if (!first || !last || first.line !== last.line || token.line !== first.line) return [];
    if (token.text !== 'for')
      return isCount(inside) ? [always(first, last, written(inside), ALWAYS.cpp)] : [];
    // What counts the rounds must be nothing that they use.
    const name = inside[inside.findIndex(({ text }) => text === '=') - 1]?.text;
    const body = tokens[end! + 1]?.text === '{' ? closing(tokens, end! + 1, '{', '}') : undefined;
    if (body === undefined || inside.filter(({ text }) => text === ';').length !== 2) return [];
    if (tokens.slice(end! + 1, body).some(({ text }) => text === name)) return [];
    const close = tokens[end!]!;
    return [replaced(token, close, `while (${ALWAYS.cpp})`, `for (${written(inside)})`)];
  });
}

function inPython(lines: readonly LogicalLine[]): readonly EndlessRounds[] {
  return lines.flatMap(({ tokens, indent }, index): readonly EndlessRounds[] => {
    const [head, name] = tokens;
    const colon = tokens.at(-1);
    if (!head || colon?.text !== ':' || head.line !== colon.line) return [];
    if (head.text === 'if' || head.text === 'while') {
      const asked = tokens.slice(1, -1);
      return isCount(asked) ? [always(asked[0]!, asked.at(-1)!, written(asked), ALWAYS.python)] : [];
    }
    if (head.text !== 'for' || tokens[3]?.text !== 'range') return [];
    const after = lines.findIndex((other, at) => at > index && other.indent <= indent);
    const body = lines.slice(index + 1, after < 0 ? undefined : after);
    return body.some((line) => line.tokens.some(({ text }) => text === name?.text))
      ? []
      : [replaced(head, colon, FOR_EVER, written(tokens))];
  });
}

/** Lines that only make things ready: none of them has to be repeated. */
const isOfSetUp = ({ tokens }: LogicalLine): boolean =>
  /^(?:import|from|def|class|@)$/.test(tokens[0]?.text ?? '') ||
  tokens.some(({ text }) => /^(?:direction|pull|switch_to_(?:in|out)put)$/.test(text)) ||
  (tokens[1]?.text === '=' && !tokens.some(({ text }) => text === 'value'));

/** A program of which each line runs once, from the top to the bottom: what comes behind its set-up, in a loop. */
function withoutLoop(source: string, lines: readonly LogicalLine[]): readonly EndlessRounds[] {
  if (lines.some(({ tokens }) => tokens[0]?.text === 'while')) return [];
  const first = lines.find((line) => line.indent === 0 && !isOfSetUp(line))?.tokens[0]?.line;
  const last = lines.at(-1)?.tokens.at(-1)?.line;
  if (first === undefined || last === undefined) return [];
  // A function that is made further down stays where it is, and in reach.
  if (lines.some(({ tokens }) => tokens[0]?.text === 'def' && tokens[0].line > first)) return [];
  const texts = source.split('\n');
  const edits: TextEdit[] = [];
  for (let line = last; line >= first; line -= 1)
    if (texts[line - 1]!.trim() !== '')
      edits.push({ line, column: 1, length: 0, by: line === first ? `${FOR_EVER}\n${INDENT}` : INDENT });
  const which = first === last ? `line ${first}` : `lines ${first} to ${last}`;
  return [
    {
      edits,
      text: `Write ${FOR_EVER} above line ${first}, and begin ${which} with ${INDENT.length} spaces more.`,
    },
  ];
}

/** Whether a question is about a number and nothing else: `n < 3`, and not `digitalRead(2) == LOW`. */
const isCount = (tokens: readonly Token[]): boolean =>
  tokens.length === 3 &&
  /^(?:[<>]=?|!=)$/.test(tokens[1]!.text) &&
  tokens[0]!.kind === 'word' &&
  tokens[2]!.kind === 'number';

const written = (tokens: readonly Token[]): string =>
  tokens.reduce((text, token, index) => {
    const before = tokens[index - 1];
    const isApart = before && (before.line !== token.line || before.endColumn < token.column);
    return `${text}${isApart ? ' ' : ''}${token.text}`;
  }, '');

const always = (first: Token, last: Token, asked: string, by: string): EndlessRounds =>
  replaced(first, last, by, asked);

const replaced = (first: Token, last: Token, by: string, instead: string): EndlessRounds => ({
  edits: [{ line: first.line, column: first.column, length: last.endColumn - first.column, by }],
  text: `Write ${by} instead of ${instead} in line ${first.line}.`,
});

/** What was seen of a build that stops, said of the line that ends it, where a repair lets it go on. */
export function ofEnding(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const first = edits.at(-1);
  if (!seen || !first || !('replace' in first)) return undefined;
  const { line, column, length, by } = first.replace;
  if (by.startsWith(`${FOR_EVER}\n`))
    return {
      ...seen,
      line,
      column,
      message: `${seen.message} No line repeats: each runs once, from the top to the bottom, and the program is over.`,
      hints: [
        'Which lines are to run over and over?',
        `From line ${line} on each line runs once. Then the program is over.`,
        `Put what is to run over and over into a loop, ${FOR_EVER.slice(0, -1)}.`,
      ],
    };
  const isAlways = edits.length === 1 && /^(?:true|True|while \(true\)|while True:?)$/.test(by);
  const asked = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  if (!isAlways || !/[<>]|!=|\brange\b/.test(asked)) return undefined;
  const counts = /^for\b/.test(asked)
    ? `Line ${line} counts its rounds, and is done after the last.`
    : `Line ${line} asks ${asked}, and sooner or later that is no longer so.`;
  return {
    ...seen,
    line,
    column,
    message: `${seen.message} ${counts}`,
    hints: ['How often does it happen, and how often should it?', counts, `Let line ${line} go on for ever.`],
  };
}
