import type { BoardProfile } from '../../boards';
import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import { declaredEarlier } from './declared-late';
import { otherNumber } from './distinct-cases';
import { declaredAt, givenAt, membersAt, misplacedAt, type Guess } from './guesses';
import { readingMovedTo } from './readings-anew';
import { readingsDeclared } from './readings-declared';
import { cost, type ProgramWishes } from './wishes';

/** What is said of an `else` without an `if`, and of two cases for one value. */
const MISPLACED: ReadonlySet<string> = new Set(['syntax-other', 'name-redeclared']);

/** Changes with which a program may compile that no compiler takes, by what is said of it. */
export function refusedEdits(
  program: Program,
  board: BoardProfile,
  { asked, pins }: Pick<ProgramWishes, 'asked' | 'pins'>,
): readonly Guess[] {
  const { source, language, problems, compiled } = program;
  const lines = source.split('\n');
  const one = (edit: TextEdit, text: string, amount: number): Guess => ({
    edits: [edit],
    text,
    cost: amount,
  });
  const found = (language === 'cpp' ? problems : []).flatMap(({ code, line, column }): readonly Guess[] => {
    const other = code === 'name-redeclared' ? otherNumber(source, line) : undefined;
    if (other) return [one(other.edit, other.text, cost.asAskedButThis)];
    if (code !== 'name-out-of-scope') return [];
    const name = /^\w*/.exec(lines[line - 1]!.slice(column - 1))![0];
    const earlier = declaredEarlier(source, line, name);
    if (earlier) return [one(earlier.edit, earlier.text, cost.asAskedButThis)];
    const moved = readingMovedTo(source, line, name);
    return moved ? [{ ...moved, cost: cost.asAskedButThis }] : [];
  });
  const declared = readingsDeclared(program, asked).map(({ edit, text }): Guess => ({
    ...one(edit, text, cost.insert),
    isOneOfMany: true,
  }));
  if (compiled) return [...found, ...declared];
  return [
    ...found,
    ...valuesGiven(program, asked),
    ...(language === 'cpp' ? membersAt(source) : []),
    ...declaredAt(source, language, unknownIn(program), pinsUnnamed(source, board, pins)),
    ...(problems.some(({ code }) => MISPLACED.has(code))
      ? misplacedAt(source, language, asked).map((guess): Guess => ({
          ...guess,
          cost: cost.insert,
          isOneOfMany: true,
        }))
      : []),
    ...declared,
  ];
}

/** What is given to calls of which it is said that they are given the wrong thing, or too much, or too little. */
function valuesGiven({ source, language, problems }: Program, asked: string): readonly Guess[] {
  const wrong = problems.filter(
    ({ code, evidence }) => code === 'arguments' || evidence?.['entries'] !== undefined,
  );
  const tooMany = wrong.filter(({ evidence }) => {
    const [takes, given] = [evidence?.['takesAtMost'], evidence?.['isGiven']];
    return takes !== undefined && given !== undefined && given.amount > takes.amount;
  });
  const linesOf = (those: typeof wrong): readonly number[] => those.map(({ line }) => line);
  return wrong.length === 0 ? [] : givenAt(source, language, asked, linesOf(wrong), linesOf(tooMany));
}

/** The names that a program uses and nothing declares. */
const unknownIn = ({ source, problems }: Program): readonly string[] => {
  const lines = source.split('\n');
  return [
    ...new Set(
      problems.flatMap(({ code, line, column }) =>
        code === 'name-unknown' ? (/^\w+/.exec((lines[line - 1] ?? '').slice(column - 1)) ?? []) : [],
      ),
    ),
  ];
};

/** Those of some pins that a program does not name, as it would write them. */
const pinsUnnamed = (source: string, board: BoardProfile, pins: readonly number[]): readonly string[] =>
  pins
    .map((number) => {
      const name = board.pins.find((pin) => pin.number === number)?.name;
      return name !== undefined && /^A\d+$/.test(name) ? name : String(number);
    })
    .filter((pin) => !new RegExp(`\\b${pin}\\b`).test(source));
