import type { Repair } from '../findings/finding';
import { refusal, type ProgramProblem } from './problem';
import type { Span } from './syntax';

/** Unknown names of one program that are told of: whoever has more has another trouble. */
export const MOST_UNKNOWN = 40;

/** Where a name would have been known. */
export interface Elsewhere {
  /** In words: `inside setup`. */
  readonly region: string;
  readonly span: Span;
  /** The statement that declares it, when that stands on one line of a block. */
  readonly declaration?: { readonly text: string; readonly span: Span };
}

/** What a name could have been meant to be. */
export interface KnownNames {
  /** Names that may stand where it stands. */
  readonly likely: readonly string[];
  readonly all: readonly string[];
  readonly elsewhere: Elsewhere | undefined;
  readonly language: 'cpp' | 'python';
}

/**
 * Says what is wrong with a name that is not known here: written with other capitals, declared
 * elsewhere, or near another known name, or none of these. `uses`: where it stands, the first one first.
 */
export function unknownName(
  name: string,
  uses: readonly Span[],
  { likely, all, elsewhere, language }: KnownNames,
): ProgramProblem {
  const span = uses[0]!;
  const place = { line: span.line, column: span.column };
  const renamed = (to: string): Repair => ({
    text: `Write ${to} instead of ${name} in line ${span.line}${uses.length > 1 ? ' and wherever else it stands' : ''}.`,
    // From the last to the first, so that no edit moves the place of another.
    edits: [...uses]
      .sort((a, b) => b.line - a.line || b.column - a.column)
      .map(({ line, column }) => ({ replace: { line, column, length: name.length, by: to } })),
  });
  const isOtherCase = (candidate: string): boolean =>
    candidate !== name && candidate.toLowerCase() === name.toLowerCase();
  // What cannot stand here is meant only where nothing that can is near.
  const otherCase =
    likely.find(isOtherCase) ?? (nearest(name, likely) === undefined ? all.find(isOtherCase) : undefined);
  if (otherCase !== undefined)
    return refusal(
      'name-case',
      place,
      `Line ${span.line}: “${name}” is not known; “${otherCase}” is. Capitals count.`,
      [
        `Compare the capitals of “${name}” in line ${span.line} with an example. Are they all the same?`,
        `The board knows “${otherCase}”, not “${name}”.`,
        `Write ${otherCase} in line ${span.line}.`,
      ],
      renamed(otherCase),
    );
  if (elsewhere)
    return refusal(
      'name-out-of-scope',
      place,
      `Line ${span.line}: “${name}” is not known here. It is declared in line ${elsewhere.span.line} and known only ${elsewhere.region}.`,
      [
        `Where is “${name}” declared, and between which braces?`,
        `“${name}” from line ${elsewhere.span.line} is known only ${elsewhere.region}, but line ${span.line} uses it too.`,
        language === 'cpp'
          ? `Move the declaration of ${name} from line ${elsewhere.span.line} to the top of the program, above setup.`
          : `Give ${name} its value at the top of the program, outside of every function.`,
      ],
      elsewhere.declaration && movedToTop(name, elsewhere.declaration),
    );
  const near = nearest(name, likely);
  if (near !== undefined)
    return refusal(
      'name-unknown',
      place,
      `Line ${span.line}: “${name}” is not known. “${near}” is close to it.`,
      [
        `Is every letter of “${name}” in line ${span.line} right?`,
        `The board does not know “${name}”; it knows “${near}”.`,
        `Write ${near} in line ${span.line}, or ${language === 'cpp' ? 'declare' : 'give a value to'} ${name} first.`,
      ],
      renamed(near),
    );
  return refusal(
    'name-unknown',
    place,
    `Line ${span.line}: “${name}” is not known. Nothing of that name is declared.`,
    [
      `Where does “${name}” come from?`,
      `Line ${span.line} uses “${name}”, but no line declares it.`,
      language === 'cpp'
        ? `Declare ${name} above setup, with its type and value, or use a name that is known.`
        : `Give ${name} a value before line ${span.line}, or use a name that is known.`,
    ],
  );
}

/** A first value that is the same wherever it is given. */
const PLAIN_VALUE = /^(?:-?[\d.]+[a-z]*|true|false|HIGH|LOW|"[^"]*"|'[^']*')$/i;

/**
 * Takes a declaration out of its function and puts it above everything; where its first value is worked out, that stays
 * where it is.
 */
function movedToTop(name: string, { text, span }: NonNullable<Elsewhere['declaration']>): Repair {
  const [, type = '', value = ''] = new RegExp(`^([\\w\\s]+?)\\b${name}\\s*=\\s*([^,;]*);$`).exec(text) ?? [];
  if (value !== '' && !PLAIN_VALUE.test(value.trim()))
    return {
      text: `Declare ${name} at the top of the program, and write only ${text.slice(type.length)} in line ${span.line}.`,
      edits: [
        { replace: { line: span.line, column: span.column, length: type.length, by: '' } },
        {
          replace: { line: 1, column: 1, length: 0, by: `${type.replace(/\bconst\s+/, '')}${name};\n` },
        },
      ],
    };
  return {
    text: `Move the declaration of ${name} from line ${span.line} to the top of the program.`,
    edits: [
      { replace: { line: span.line, column: span.column, length: text.length, by: '' } },
      { replace: { line: 1, column: 1, length: 0, by: `${text}\n` } },
    ],
  };
}

/** The known name with the fewest single-letter changes, when it is near enough to be meant. */
export function nearest(name: string, known: readonly string[]): string | undefined {
  // One letter is near to every other.
  if (name.length === 1) return undefined;
  const allowed = name.length <= 4 ? 1 : name.length <= 7 ? 2 : 3;
  let best: { readonly name: string; readonly distance: number } | undefined;
  for (const candidate of known) {
    // A word of another way of writing is meant only where it is the same but for one letter.
    const isOtherSort = isLoud(candidate) !== isLoud(name);
    if (isOtherSort && editDistance(name.toLowerCase(), candidate.toLowerCase(), 1) > 1) continue;
    const distance = editDistance(name.toLowerCase(), candidate.toLowerCase(), allowed);
    if (distance <= allowed && (!best || distance < best.distance)) best = { name: candidate, distance };
  }
  return best?.name;
}

const isLoud = (name: string): boolean => name === name.toUpperCase();

/** The name that another one differs from by one letter; for names of which many others are right too. */
export const nextTo = (name: string, known: readonly string[]): string | undefined =>
  name.length < 4
    ? undefined
    : known.find((candidate) => editDistance(name.toLowerCase(), candidate.toLowerCase(), 1) <= 1);

/** Levenshtein distance, with neighbouring letters exchanged counted as one change; stops beyond `most`. */
export function editDistance(from: string, to: string, most: number): number {
  if (Math.abs(from.length - to.length) > most) return most + 1;
  const rows = Array.from({ length: from.length + 1 }, (_, row) => [
    row,
    ...new Array<number>(to.length).fill(0),
  ]);
  for (let column = 1; column <= to.length; column += 1) rows[0]![column] = column;
  for (let row = 1; row <= from.length; row += 1)
    for (let column = 1; column <= to.length; column += 1) {
      const same = from[row - 1] === to[column - 1] ? 0 : 1;
      let least = Math.min(
        rows[row - 1]![column]! + 1,
        rows[row]![column - 1]! + 1,
        rows[row - 1]![column - 1]! + same,
      );
      if (row > 1 && column > 1 && from[row - 1] === to[column - 2] && from[row - 2] === to[column - 1])
        least = Math.min(least, rows[row - 2]![column - 2]! + 1);
      rows[row]![column] = least;
    }
  return rows[from.length]![to.length]!;
}
