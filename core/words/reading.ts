import type * as z from 'zod';
import { fail, ok, type Result } from '../result';
import type { Sentence } from './sentence';

/** What can be read from a sentence. */
export interface Readable<Said> {
  readonly schema: z.ZodType<Said>;
  readonly sentence: Sentence<Said>;
  /** What every one of them has besides the values of its sentence. */
  readonly fixed?: Partial<Said>;
  /** Other ways to say it, read but never written. */
  alsoRead?(text: string): Partial<Said> | undefined;
}

/** Reads a sentence by the first that understands it; `undefined` when none does. */
export function readBy<Said>(sorts: readonly Readable<Said>[], text: string): Result<Said> | undefined {
  for (const sort of sorts) {
    const values = sort.sentence.read(text) ?? sort.alsoRead?.(text);
    if (!values) continue;
    const read = sort.schema.safeParse({ ...values, ...sort.fixed });
    return read.success
      ? ok(read.data)
      : fail({ message: `“${text.trim()}”: ${read.error.issues[0]!.message}.`, typed: text });
  }
  return undefined;
}

/** The answer to a sentence that nothing understands: how one is written. */
export const notUnderstood = (text: string, examples: readonly string[]): Result<never> => {
  const quoted = examples.map((example) => `“${example}”`);
  return fail({
    message: `“${text.trim()}” is not understood. Write it like ${quoted.slice(0, -1).join(', ')} or ${quoted.at(-1)}.`,
    typed: text,
  });
};
