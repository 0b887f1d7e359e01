import type { BoardProfile } from '../../boards';
import type { TextEdit } from '../../findings/finding';
import { pythonLines, type LogicalLine } from '../../program/python/lines';
import type { Token } from '../../program/token';
import type { Candidate } from './candidate';
import { holdingsOf, mayBeFraction, type Holdings } from './what-names-hold';
import { cost, type ProgramWishes } from './wishes';

/** Words that beginners exchange, each with what is tried instead. */
const exchanges: Readonly<Record<string, string>> = {
  True: 'False',
  False: 'True',
  UP: 'DOWN',
  DOWN: 'UP',
  INPUT: 'OUTPUT',
  OUTPUT: 'INPUT',
  '<': '>',
  '>': '<',
  '<=': '>=',
  '>=': '<=',
  '==': '!=',
  '!=': '==',
};

type Make = (edit: TextEdit, amount: number, text: string) => Candidate;

/** Every change of one token of a Python program, and every line put in, that could matter. */
export function pythonCandidates(
  source: string,
  board: BoardProfile,
  wishes: ProgramWishes,
  make: Make,
): readonly Candidate[] {
  const { lines } = pythonLines(source);
  // Each name is that of another part: a pin that has one already is none for a second one.
  const names = wishes.pins
    .filter((number) => !wishes.used.includes(number))
    .flatMap((number) => board.pins.find((pin) => pin.number === number)?.name ?? []);
  const forgotten = namesForgotten(lines).map(({ name, head, space }) => {
    const { line, endColumn } = head;
    const place = { line, column: endColumn, length: 0 };
    return make(
      { ...place, by: `\n${space}global ${name}` },
      cost.repair,
      `Add global ${name} after line ${line}.`,
    );
  });
  const holdings = holdingsOf(
    lines.flatMap(({ tokens }) => tokens),
    'python',
  );
  const changed = lines.flatMap(({ tokens, space }) => [
    ...tokens.flatMap((_, index) => exchanged(tokens, index, { names, wishes, holdings }, make)),
    ...linesBehind(tokens, wishes).map(({ by, amount }) => {
      const { line, endColumn } = tokens.at(-1)!;
      const place = { line, column: endColumn, length: 0 };
      return make({ ...place, by: `\n${space}${by}` }, amount, `Add ${by} after line ${line}.`);
    }),
  ]);
  return [...forgotten, ...changed];
}

/** A name of the whole program that a function makes one of its own, for want of `global`. */
interface Forgotten {
  readonly name: string;
  /** The last token of the function's head. */
  readonly head: Token;
  /** The space before the lines of its body. */
  readonly space: string;
}

function namesForgotten(lines: readonly LogicalLine[]): readonly Forgotten[] {
  const given = ({ tokens: [name, sign] }: LogicalLine): string | undefined =>
    name?.kind === 'word' && /^(?:[-+*/%]|\/\/)?=$/.test(sign?.text ?? '') ? name.text : undefined;
  const ofProgram = new Set(lines.filter(({ indent }) => indent === 0).flatMap((line) => given(line) ?? []));
  return lines.flatMap(({ tokens, indent }, index): readonly Forgotten[] => {
    if (tokens[0]?.text !== 'def' || tokens.at(-1)?.text !== ':') return [];
    const end = lines.findIndex((line, at) => at > index && line.indent <= indent);
    const body = lines.slice(index + 1, end < 0 ? undefined : end);
    const own = new Set([
      ...tokens.map(({ text }) => text),
      ...body.flatMap((line) =>
        line.tokens[0]?.text === 'global' ? line.tokens.map(({ text }) => text) : [],
      ),
    ]);
    const names = new Set(body.flatMap((line) => given(line) ?? []));
    return [...names]
      .filter((name) => ofProgram.has(name) && !own.has(name))
      .map((name) => ({ name, head: tokens.at(-1)!, space: body[0]!.space }));
  });
}

/** The places where a program names pins that it uses: `board.D5`. */
export const pythonPins = (
  source: string,
  board: BoardProfile,
  { used }: ProgramWishes,
): readonly Token[] => {
  const numbers = new Map(board.pins.map(({ name, number }) => [name, number]));
  return pythonLines(source).lines.flatMap(({ tokens }) =>
    tokens.filter(({ text }, index) => {
      const number = numbers.get(text);
      return isOfBoard(tokens, index) && number !== undefined && used.includes(number);
    }),
  );
};

const isOfBoard = (tokens: readonly Token[], index: number): boolean =>
  tokens[index - 2]?.text === 'board' && tokens[index - 1]?.text === '.';

/** What is known when a token is looked at: the names of pins that may be meant, and what the names of the program hold. */
interface Known {
  readonly names: readonly string[];
  readonly wishes: ProgramWishes;
  readonly holdings: Holdings;
}

/** Other words, pins and times in the place of one token. */
function exchanged(
  tokens: readonly Token[],
  index: number,
  { names, wishes, holdings }: Known,
  make: Make,
): readonly Candidate[] {
  const token = tokens[index]!;
  const { line, column } = token;
  const change = (by: string, amount: number): Candidate =>
    make(
      { line, column, length: token.text.length, by },
      amount,
      `Write ${by} instead of ${token.text} in line ${line}.`,
    );
  const word = exchanges[token.text];
  const isPin = isOfBoard(tokens, index);
  const isTime = token.kind === 'number' && mayBeFraction(tokens, index, holdings, 'python');
  const seconds = isTime ? wishes.milliseconds.map((time) => time / 1000) : [];
  return [
    ...(word === undefined ? [] : [change(word, cost.word)]),
    ...(isPin ? names.map((name) => change(name, cost.pinNumber)) : []),
    ...seconds.filter((time) => time !== Number(token.text)).map((time) => change(String(time), cost.number)),
  ];
}

/** What may be missing behind a line: a pause where a value is set, the direction where a pin is taken. */
function linesBehind(
  tokens: readonly Token[],
  { milliseconds, undirected, isPrintedInTime }: ProgramWishes,
): readonly { readonly by: string; readonly amount: number }[] {
  const [name, sign] = tokens;
  const at = tokens.findIndex(({ text }) => text === 'value');
  const setsValue = at >= 0 && tokens[at + 1]?.text === '=';
  const prints = isPrintedInTime && name?.text === 'print';
  const takesPin = sign?.text === '=' && tokens.some(({ text }) => text === 'DigitalInOut');
  return [
    ...(setsValue || prints
      ? milliseconds.map((time) => ({ by: `time.sleep(${time / 1000})`, amount: cost.insert }))
      : []),
    ...(takesPin && undirected.length > 0
      ? [{ by: `${name!.text}.switch_to_output()`, amount: cost.repair }]
      : []),
  ];
}
