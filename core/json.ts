import type * as z from 'zod';
import { fail, ok, type Problem, type Result } from './result';

/** Parses JSON; a damaged text is refused with the line of its first mistake. `what` names it: `the exercise`. */
export function parseJson(text: string, what: string): Result<unknown> {
  const clean = text.replace(/^\uFEFF/, '');
  try {
    return ok(JSON.parse(clean));
  } catch (error) {
    const line = clean.slice(0, placeOfMistake(clean, messageOf(error))).split('\n').length;
    return fail({ message: `${what} is damaged: it is not JSON`, line });
  }
}

/** Where the parser stopped. It does not always say so: then the shortest beginning with the same fault tells. */
function placeOfMistake(text: string, message: string): number {
  const position = /position (\d+)/.exec(message);
  if (position) return Number(position[1]);
  if (!hasStrayToken(message)) return text.length;
  let [good, bad] = [0, text.length];
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (hasStrayToken(complaint(text.slice(0, middle)))) bad = middle;
    else good = middle;
  }
  return bad;
}

const hasStrayToken = (message: string): boolean => message.startsWith('Unexpected token');

function complaint(text: string): string {
  try {
    JSON.parse(text);
    return '';
  } catch (error) {
    return messageOf(error);
  }
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : '');

/** Path into a file as a person writes it: `parts[2].value`. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text === '' ? String(key) : `${text}.${String(key)}`,
    '',
  );

/** What a schema found wrong, as problems with their paths; at most `most` of them. */
export const schemaProblems = (error: z.ZodError, most = 5): readonly Problem[] =>
  error.issues.slice(0, most).map((issue) => ({ message: issue.message, path: pathText(issue.path) }));
