import { fail, ok, type Result } from '../result';

/** Longest name of a person or a class, in characters. */
export const LONGEST_NAME = 60;

/**
 * A name as it is kept: one line, single spaces, without the signs that change the direction of writing or are not
 * seen, so that two names that look the same are the same.
 */
export function readName(typed: string): Result<string> {
  const name = typed
    .normalize('NFC')
    .replace(/[\p{Cc}\p{Zl}\p{Zp}\p{Zs}]+/gu, ' ')
    .replace(/[\p{Cf}\p{Co}\p{Cs}\p{Cn}]/gu, '')
    .trim();
  if (name === '') return fail({ message: 'There is no name here.', typed });
  if (!/[\p{L}\p{N}]/u.test(name)) return fail({ message: `“${name}” has no letter in it.`, typed });
  const length = [...name].length;
  if (length > LONGEST_NAME)
    return fail({
      message: `This name has ${length} characters, and at most ${LONGEST_NAME} are kept.`,
      typed,
    });
  return ok(name);
}

/** What two names are compared by: the same for names that a reader would take for one. */
export const nameKey = (name: string): string => name.normalize('NFKC').toLocaleLowerCase('en').trim();

/** A name that none of the others is, with the first number that tells it apart: `Anna (2)`. */
export function toldApart(name: string, others: ReadonlySet<string>): string {
  for (let number = 2; ; number += 1) {
    const told = `${name} (${number})`;
    if (!others.has(nameKey(told))) return told;
  }
}
