import { linesPut } from '../lines-put';
import type { Token } from '../../../program/token';
import { isEndless, isInside, type Block, type Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.4;

/**
 * A `return`, `break` or `continue` that no question stands before and behind which its block goes on; a `break` at the end of
 * a loop, which then has one round: taken out.
 */
function earlyEndsLeftOut(form: Form): readonly Guess[] {
  const { tokens, language, source } = form;
  const lines = source.split('\n');
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!/^(?:return|break|continue)$/.test(token.text) || !standsAlone(tokens, index)) return [];
    const block = innermost(token, form);
    if (!block?.opens) return [];
    const rest = language === 'python' ? restInPython(token, block, tokens) : restInCpp(tokens, index);
    const endsItsLoop = token.text !== 'continue' && block.head === 'loop' && !isEndless(block);
    if (!rest.goesOn && !endsItsLoop) return [];
    const written = (lines[token.line - 1] ?? '').slice(token.column - 1, rest.endColumn - 1);
    const moved =
      language === 'python' && token.text === 'return' && !endsItsLoop
        ? movedBehind(token, block, lines, written)
        : undefined;
    const why = endsItsLoop
      ? `Line ${token.line} leaves the loop in its first round, whatever happens.`
      : token.text === 'continue'
        ? `Line ${token.line} goes on to the next round whatever happens, so nothing after it in the loop ever runs.`
        : `Line ${token.line} says ${token.text} whatever happens, so nothing after it in its block ever runs.`;
    return [
      {
        edits: [{ line: token.line, column: token.column, length: rest.endColumn - token.column, by: '' }],
        text: `Remove ${written} from line ${token.line}.`,
        cost: COST,
        told: { why, ask: `What does the program do after line ${token.line}?` },
      },
      ...(moved ? [moved] : []),
    ];
  });
}

/** The line that gives something back, behind what stands below it in its block. */
function movedBehind(
  token: Token,
  { closes }: Block,
  lines: readonly string[],
  written: string,
): Guess | undefined {
  const [from, to] = [token.line, closes?.line ?? 0];
  if (to <= from || lines[from - 1]?.trim() !== written) return undefined;
  const texts = lines.slice(from - 1, to);
  return {
    edits: [linesPut(from, texts, [...texts.slice(1), texts[0]!])],
    text: `Move line ${from} behind line ${to}.`,
    cost: COST + 0.01,
  };
}

/** Whether a word begins a statement that nothing stands before: no question without braces, no other side of one. */
const standsAlone = (tokens: readonly Token[], index: number): boolean =>
  tokens[index]!.startsLine && !/^(?:\)|else|:)$/.test(before(tokens, index));

const before = (tokens: readonly Token[], index: number): string => {
  const [last, token] = [tokens[index - 1], tokens[index]!];
  // The colon of Python ends the line before; that of a case has something behind it in its own.
  return last?.text === ':' && last.line < token.line && tokens[index - 2]?.text !== ')'
    ? ''
    : (last?.text ?? '');
};

/** The block that a token stands in, and in no other one within it. */
function innermost(token: Token, { blocks }: Form): Block | undefined {
  return blocks
    .filter((block) => isInside(token.line, block))
    .toSorted((one, other) => (other.opens?.line ?? 0) - (one.opens?.line ?? 0))[0];
}

interface Rest {
  readonly endColumn: number;
  /** Whether another statement stands behind in the block. */
  readonly goesOn: boolean;
}

function restInCpp(tokens: readonly Token[], index: number): Rest {
  const end = tokens.findIndex(({ text }, at) => at > index && text === ';');
  const next = tokens[end + 1]?.text ?? '}';
  return { endColumn: tokens[end]?.endColumn ?? 0, goesOn: !/^(?:\}|case|default)$/.test(next) };
}

function restInPython(token: Token, { closes }: Block, tokens: readonly Token[]): Rest {
  const own = tokens.filter(({ line }) => line === token.line);
  const goesOn = tokens.some(
    ({ startsLine, line, column }) =>
      startsLine && line > token.line && line <= (closes?.line ?? 0) && column === token.column,
  );
  return { endColumn: own.at(-1)!.endColumn, goesOn };
}

/** The rules of this subject that something in a program speaks for. */
export const ofEarlyEnds: readonly Rule[] = [earlyEndsLeftOut];
