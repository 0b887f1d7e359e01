import type { BoardProfile } from '../../boards';
import type { TextEdit } from '../../finding';
import { compileProgram, type Grammars, type Program } from '../../program';
import { tokenize, type Token } from '../../program/cpp/tokens';
import { applyTextEdit } from '../../program/problem';
import type { Candidate } from './candidate';

const cost = { repair: 1, pinNumber: 1.5, word: 1.6, number: 1.8, insert: 2 } as const;

/** Words that beginners exchange, each with what is tried instead. */
const exchanges: Readonly<Record<string, string>> = {
  HIGH: 'LOW',
  LOW: 'HIGH',
  INPUT: 'OUTPUT',
  INPUT_PULLUP: 'OUTPUT',
};

export interface ProgramWishes {
  /** Numbers that may be meant: pins of the build and of the exercise, its times in milliseconds. */
  readonly pins: readonly number[];
  readonly milliseconds: readonly number[];
  /** Pins that are written to without a direction. */
  readonly undirected: readonly number[];
}

/** Every change of one token, and every line put in, that could matter. */
export function programCandidates(
  program: Program,
  board: BoardProfile,
  grammars: Grammars,
  wishes: ProgramWishes,
): readonly Candidate[] {
  const { tokens } = tokenize(program.source);
  const make = (edit: TextEdit, amount: number, text: string): Candidate => ({
    edits: [{ replace: edit }],
    cost: amount,
    text,
    domain: 'program',
    apply: (build) => ({
      ...build,
      program: compileProgram(applyTextEdit(build.program.source, edit), board, grammars),
    }),
  });
  const found: Candidate[] = [];
  for (const problem of program.problems)
    for (const edit of problem.repair?.edits ?? [])
      if ('replace' in edit) found.push(make(edit.replace, cost.repair, problem.repair!.text));
  if (!program.compiled) return found;
  const replace = (token: Token, by: string): TextEdit => ({
    line: token.line,
    column: token.column,
    length: token.text.length,
    by,
  });
  tokens.forEach((token) => {
    const say = (by: string): string => `Write ${by} instead of ${token.text} in line ${token.line}.`;
    const exchange = exchanges[token.text];
    if (exchange !== undefined) found.push(make(replace(token, exchange), cost.word, say(exchange)));
    if (token.kind !== 'number') return;
    for (const pin of wishes.pins)
      if (String(pin) !== token.text && Number(token.text) < 70)
        found.push(make(replace(token, String(pin)), cost.pinNumber, say(String(pin))));
    for (const time of wishes.milliseconds)
      if (String(time) !== token.text)
        found.push(
          make(
            replace(token, String(time)),
            Number(token.text) < 20 ? cost.number + 0.5 : cost.number,
            say(String(time)),
          ),
        );
  });
  const setup = bodyStart(tokens, 'setup');
  for (const pin of wishes.undirected)
    if (setup) {
      const argument = firstPinArgument(tokens, 'digitalWrite') ?? String(pin);
      const place = { line: setup.line, column: setup.endColumn, length: 0 };
      found.push(
        make(
          { ...place, by: ` pinMode(${argument}, OUTPUT);` },
          cost.repair,
          `Add pinMode(${argument}, OUTPUT); to setup.`,
        ),
      );
    }
  for (const end of statementEnds(tokens, 'digitalWrite'))
    for (const time of wishes.milliseconds)
      found.push(
        make(
          { line: end.line, column: end.endColumn, length: 0, by: ` delay(${time});` },
          cost.insert,
          `Add delay(${time}); behind line ${end.line}.`,
        ),
      );
  return found;
}

function bodyStart(tokens: readonly Token[], name: string): Token | undefined {
  const at = tokens.findIndex((token, index) => token.text === name && tokens[index + 1]?.text === '(');
  return at < 0 ? undefined : tokens.slice(at).find((token) => token.text === '{');
}

function firstPinArgument(tokens: readonly Token[], call: string): string | undefined {
  const at = tokens.findIndex((token) => token.text === call);
  return at < 0 ? undefined : tokens[at + 2]?.text;
}

/** The semicolons that end statements which begin with a call of that name. */
function statementEnds(tokens: readonly Token[], call: string): readonly Token[] {
  return tokens.flatMap((token, index) => {
    if (token.text !== call) return [];
    const end = tokens.slice(index).find((candidate) => candidate.text === ';');
    return end ? [end] : [];
  });
}
