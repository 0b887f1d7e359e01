import Papa from 'papaparse';
import { fail, ok, problemText, type Problem, type Result } from '../result';
import { howMany, listText } from '../words/words';
import { nameKey, readName, toldApart } from './person-name';

/** Most learners of one class. */
export const MOST_LEARNERS = 200;
/** Longest list that is read, in characters. */
const LONGEST_LIST = 100_000;

/** A list of learners as it will be kept, and what was made of it on the way. */
export interface Roster {
  /** Names that are new to the class, in the order of the list. */
  readonly names: readonly string[];
  /** What was assumed, left out or told apart, in sentences. */
  readonly notes: readonly string[];
}

interface Line {
  readonly cells: readonly string[];
  readonly line: number;
}

type Meaning = 'name' | 'given' | 'family';

/** What a heading says that a column holds; anything else in the list is not kept. */
const HEADINGS: Readonly<Record<Meaning, RegExp>> = {
  name: /^(full |learner'?s? |student'?s? |pupil'?s? )?names?$|^(learner|student|pupil|participant)s?$/i,
  given: /^(given|first|fore|call)[ -]?names?$|^first$|^given$/i,
  family: /^(family|last|sur)[ -]?names?$|^last$|^family$|^surname$/i,
};

/**
 * Reads a list of learners as it is typed, pasted or exported: a name on each line, names with commas between, or a
 * table with its columns in any order, of which only the names are kept. A name that `known` has already is left as it
 * is; one that stands twice in the list is told apart by a number. Nothing is added when a line cannot be read.
 */
export function readRoster(text: string, known: readonly string[] = []): Result<Roster> {
  if (text.length > LONGEST_LIST)
    return fail({
      message: `The list is too long: at most ${LONGEST_LIST.toLocaleString('en')} characters.`,
    });
  const table = linesOf(text);
  if (!table.ok) return table;
  if (table.value.length === 0) return fail({ message: 'There are no names in this list.' });
  const found = namesIn(table.value);
  const problems: Problem[] = [];
  const names: string[] = [];
  const [there, taken] = [new Set(known.map(nameKey)), new Set(known.map(nameKey))];
  const [left, apart]: [string[], string[]] = [[], []];
  const seen = new Map<string, number>();
  for (const { typed, line } of found.names) {
    const read = readName(typed);
    if (!read.ok) {
      problems.push(...read.problems.map((problem) => ({ ...problem, line })));
      continue;
    }
    const before = seen.get(nameKey(read.value)) ?? 0;
    seen.set(nameKey(read.value), before + 1);
    // The second of two that are called the same is known when the list was read before.
    const name = before === 0 ? read.value : toldApart(read.value, new Set(names.map(nameKey)));
    if (there.has(nameKey(name))) {
      left.push(name);
      continue;
    }
    const kept = taken.has(nameKey(name)) ? toldApart(read.value, taken) : name;
    if (kept !== read.value) apart.push(kept);
    taken.add(nameKey(kept));
    names.push(kept);
  }
  if (problems.length > 0) return { ok: false, problems };
  if (taken.size > MOST_LEARNERS)
    return fail({
      message: `That would be ${taken.size} learners, and a class has at most ${MOST_LEARNERS}.`,
    });
  const notes = [
    ...found.notes,
    ...(left.length > 0 ? [`In the class already, and left as they are: ${listText(left)}.`] : []),
    ...(apart.length > 0
      ? [`Called the same as another, and told apart by a number: ${listText(apart)}.`]
      : []),
  ];
  return ok({ names, notes });
}

/** Problems of a list as one says them, a line each; many are cut short. */
export const rosterProblems = (problems: readonly Problem[]): string =>
  [
    ...problems.slice(0, 5).map(problemText),
    ...(problems.length > 5 ? [`and ${howMany(problems.length - 5, 'more line')} like these`] : []),
  ].join('\n');

function linesOf(text: string): Result<readonly Line[]> {
  const clean = text.replace(/^\uFEFF/, '');
  const delimiter = /\t/.test(clean) ? '\t' : /;/.test(clean) ? ';' : ',';
  const parsed = Papa.parse<string[]>(clean, { delimiter, skipEmptyLines: false });
  const broken = parsed.errors.find(({ type }) => type === 'Quotes');
  if (broken) return fail({ message: 'A quoted cell does not end.', line: (broken.row ?? 0) + 1 });
  return ok(
    parsed.data
      .map((cells, index) => ({ cells: cells.map((cell) => cell.trim()), line: index + 1 }))
      .filter(({ cells }) => cells.some((cell) => cell !== '')),
  );
}

interface Names {
  readonly names: readonly { readonly typed: string; readonly line: number }[];
  readonly notes: readonly string[];
}

function namesIn(lines: readonly Line[]): Names {
  const headed = underHeadings(lines);
  if (headed) return headed;
  const widest = Math.max(...lines.map(({ cells }) => cells.length));
  if (widest === 1)
    return { names: lines.map(({ cells, line }) => ({ typed: unnumbered(cells[0]!), line })), notes: [] };
  // Names side by side, as one types them: no line of a table is as long as a list of names.
  if (lines.length === 1 && widest !== 2)
    return {
      names: lines[0]!.cells.filter((cell) => cell !== '').map((typed) => ({ typed, line: 1 })),
      notes: [],
    };
  return withoutHeadings(lines, widest);
}

/** Names of a table whose first line says what its columns hold. */
function underHeadings([first, ...rest]: readonly Line[]): Names | undefined {
  const meanings = first!.cells.map((cell) =>
    (Object.keys(HEADINGS) as Meaning[]).find((meaning) => HEADINGS[meaning].test(cell)),
  );
  const at = (meaning: Meaning): number => meanings.indexOf(meaning);
  if (meanings.every((meaning) => meaning === undefined)) return undefined;
  const cell = ({ cells }: Line, meaning: Meaning): string =>
    at(meaning) < 0 ? '' : (cells[at(meaning)] ?? '');
  const whole = at('name') >= 0 && at('given') < 0;
  const others = first!.cells.filter((title, index) => title !== '' && meanings[index] === undefined);
  return {
    names: rest.map((line) => ({
      typed: whole ? cell(line, 'name') : `${cell(line, 'given')} ${cell(line, 'family')}`.trim(),
      line: line.line,
    })),
    notes: others.length > 0 ? [`Only names are kept; left out: ${listText(others)}.`] : [],
  };
}

/** Names of a table that does not say what its columns hold: the first that look like names, family name first after a comma. */
function withoutHeadings(lines: readonly Line[], widest: number): Names {
  const looksLikeNames = (column: number): boolean =>
    lines.every(({ cells }) => /^[\p{L}][\p{L}\p{M}\p{Zs}.'’()-]*$/u.test(cells[column] ?? ''));
  const columns = Array.from({ length: widest }, (_, index) => index)
    .filter(looksLikeNames)
    .slice(0, 2);
  const [one, other] = columns;
  const left = widest - columns.length;
  const notes = left > 0 ? [`Only names are kept; ${howMany(left, 'column')} of each line left out.`] : [];
  if (one === undefined)
    return { names: lines.map(({ cells, line }) => ({ typed: cells.join(' '), line })), notes: [] };
  if (other === undefined)
    return { names: lines.map(({ cells, line }) => ({ typed: cells[one]!, line })), notes };
  return {
    names: lines.map(({ cells, line }) => ({ typed: `${cells[other]!} ${cells[one]!}`, line })),
    notes: [
      ...notes,
      `“${lines[0]!.cells[one]!}” is taken for the family name. If it is not, put the headings “given name” and “family name” above the list.`,
    ],
  };
}

/** A name without the number or the sign of its place in a list: `1. Anna`, `- Anna`. */
const unnumbered = (text: string): string => text.replace(/^(?:\d{1,3}[.)]\s*|[-–*•]\s+)/, '');
