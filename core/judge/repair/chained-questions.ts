import type { Edit, Observation, TextEdit } from '../../findings/finding';
import { tokenize } from '../../program/cpp/tokens';
import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { listText } from '../../words/words';
import { closing } from './token-places';

/** Questions that stand one behind the other, made one chain in which the first yes ends the asking. */
export interface Chain {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** What is put before an `if` that goes on with the chain before it. */
const GOES_ON: Readonly<Record<Language, string>> = { cpp: 'else ', python: 'el' };

/** Where an `if` stands. */
interface Place {
  readonly line: number;
  readonly column: number;
}

/** Every way to make a chain of `if`s that follow each other: from each of them on to the last. */
export function chainsOf(source: string, language: Language): readonly Chain[] {
  const runs = language === 'python' ? runsInPython(source) : runsInCpp(source);
  return runs.flatMap((run) =>
    run.slice(1).map((_, index): Chain => {
      const later = run.slice(index + 1);
      const lines = [...new Set(later.map(({ line }) => String(line)))];
      const word = language === 'python' ? 'elif' : 'else if';
      return {
        edits: later
          .toReversed()
          .map(({ line, column }) => ({ line, column, length: 0, by: GOES_ON[language] })),
        text: `Write ${word} instead of if in ${lines.length > 1 ? 'lines' : 'line'} ${listText(lines)}.`,
      };
    }),
  );
}

/** The lines in which a chain of questions goes on that edits make; none where they make none. */
const goesOnIn = (edits: readonly TextEdit[]): readonly number[] =>
  edits.length > 0 && edits.every(({ length, by }) => length === 0 && Object.values(GOES_ON).includes(by))
    ? [...new Set(edits.map(({ line }) => line))].sort((one, other) => one - other)
    : [];

/** What was seen of a build, said of questions that stand by themselves and that a repair makes one chain of. */
export function ofSeparateQuestions(
  seen: Observation | undefined,
  edits: readonly Edit[],
): Observation | undefined {
  const lines = goesOnIn(edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : [])));
  const [line] = lines;
  if (!seen || line === undefined) return undefined;
  const asked = `${lines.length > 1 ? 'Lines' : 'Line'} ${listText(lines.map(String))}`;
  const [ask, have] = lines.length > 1 ? ['ask', 'have'] : ['asks', 'has'];
  return {
    ...seen,
    line,
    column: 1,
    message: `${seen.message} ${asked} ${ask} even when a question before ${have === 'has' ? 'it' : 'them'} was met, so both are done in the same turn.`,
    hints: [
      `Which of the questions are asked in one turn, and how many of them can be met?`,
      `${asked} ${have} no else, so what is asked there is asked in every turn.`,
      `Put else before the if in ${asked.toLowerCase()}.`,
    ],
  };
}

/** The `if`s that follow each other; the last of them may have an else. */
function runsInCpp(source: string): readonly (readonly Place[])[] {
  const { tokens } = tokenize(source);
  const begun = new Set<number>();
  return tokens.flatMap((token, index) => {
    if (token.text !== 'if' || tokens[index - 1]?.text === 'else' || begun.has(index)) return [];
    const run: Place[] = [];
    for (let at: number | undefined = index; at !== undefined && tokens[at]?.text === 'if';) {
      begun.add(at);
      run.push(tokens[at]!);
      const end = endOfOpenChain(tokens, at);
      at = end === undefined ? undefined : end + 1;
    }
    return run.length > 1 ? [run] : [];
  });
}

/** Where an `if` with all its `else if`s ends; `undefined` where it has an `else` for all other cases. */
function endOfOpenChain(tokens: readonly Token[], at: number): number | undefined {
  const end = endOfBranch(tokens, at);
  if (end === undefined || tokens[end + 1]?.text !== 'else') return end;
  return tokens[end + 2]?.text === 'if' ? endOfOpenChain(tokens, end + 2) : undefined;
}

/** The last token of what belongs to an `if` where its answer is yes. */
function endOfBranch(tokens: readonly Token[], at: number): number | undefined {
  const head = closing(tokens, at + 1, '(', ')');
  return head === undefined ? undefined : endOfStatement(tokens, head + 1);
}

function endOfStatement(tokens: readonly Token[], at: number): number | undefined {
  const text = tokens[at]?.text;
  if (text === '{') return closing(tokens, at, '{', '}');
  if (text === 'if' || text === 'while' || text === 'for' || text === 'switch') {
    const end = endOfBranch(tokens, at);
    return text === 'if' && end !== undefined && tokens[end + 1]?.text === 'else'
      ? endOfStatement(tokens, end + 2)
      : end;
  }
  const end = tokens.findIndex((token, index) => index >= at && token.text === ';');
  return end < 0 ? undefined : end;
}

/** The same in Python: at the same depth, with nothing between them but what belongs to them. */
function runsInPython(source: string): readonly (readonly Place[])[] {
  const runs: Place[][] = [];
  /** The run that is open at each depth. */
  const open = new Map<number, Place[]>();
  source.split('\n').forEach((text, index) => {
    if (/^\s*(?:#.*)?$/.test(text)) return;
    const depth = /^\s*/.exec(text)![0].length;
    for (const other of [...open.keys()]) if (other > depth) open.delete(other);
    if (!/^\s*if\b/.test(text)) {
      open.delete(depth);
      return;
    }
    const place = { line: index + 1, column: depth + 1 };
    const run = open.get(depth);
    if (run) run.push(place);
    else {
      const begun = [place];
      open.set(depth, begun);
      runs.push(begun);
    }
  });
  return runs.filter((run) => run.length > 1);
}
