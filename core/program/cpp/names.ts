import { refusal, textRepair, type ProgramProblem } from '../problem';
import type { Span } from '../syntax';
import type { Variable } from './scope';

/** Where a name would have been known. */
export type Elsewhere = Pick<Variable, 'region' | 'span'>;

/**
 * Says what is wrong with a name that is not known here: written with other capitals, declared
 * elsewhere, or near another known name, or none of these.
 */
export function unknownName(
  name: string,
  span: Span,
  known: readonly string[],
  elsewhere: Elsewhere | undefined,
): ProgramProblem {
  const place = { line: span.line, column: span.column };
  const edit = (to: string) => ({ ...place, length: name.length, by: to });
  const otherCase = known.find((candidate) => candidate.toLowerCase() === name.toLowerCase());
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
      textRepair(`Write ${otherCase} instead of ${name} in line ${span.line}.`, edit(otherCase)),
    );
  if (elsewhere)
    return refusal(
      'name-out-of-scope',
      place,
      `Line ${span.line}: “${name}” is not known here. It is declared in line ${elsewhere.span.line} and known only ${elsewhere.region}.`,
      [
        `Where is “${name}” declared, and between which braces?`,
        `“${name}” from line ${elsewhere.span.line} is known only ${elsewhere.region}, but line ${span.line} uses it too.`,
        `Move the declaration of ${name} from line ${elsewhere.span.line} to the top of the program, above setup.`,
      ],
    );
  const near = nearest(name, known);
  if (near !== undefined)
    return refusal(
      'name-unknown',
      place,
      `Line ${span.line}: “${name}” is not known. “${near}” is close to it.`,
      [
        `Is every letter of “${name}” in line ${span.line} right?`,
        `The board does not know “${name}”; it knows “${near}”.`,
        `Write ${near} in line ${span.line}, or declare ${name} first.`,
      ],
      textRepair(`Write ${near} instead of ${name} in line ${span.line}.`, edit(near)),
    );
  return refusal(
    'name-unknown',
    place,
    `Line ${span.line}: “${name}” is not known. Nothing of that name is declared.`,
    [
      `Where is “${name}” said to be something?`,
      `Line ${span.line} uses “${name}”, but no line declares it.`,
      `Declare ${name} above setup, with its type and value, or use a name that is known.`,
    ],
  );
}

/** The known name with the fewest single-letter changes, when it is near enough to be meant. */
export function nearest(name: string, known: readonly string[]): string | undefined {
  const allowed = name.length <= 3 ? 1 : name.length <= 6 ? 2 : 3;
  let best: { readonly name: string; readonly distance: number } | undefined;
  for (const candidate of known) {
    const distance = editDistance(name.toLowerCase(), candidate.toLowerCase(), allowed);
    if (distance <= allowed && (!best || distance < best.distance)) best = { name: candidate, distance };
  }
  return best?.name;
}

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
