import { fail, ok, type Result } from '../result';
import type { ExpectationDefinition } from './definition';

/** Reads a sentence by the first of these definitions that understands it; `undefined` when none does. */
export function readBy<E>(
  definitions: readonly ExpectationDefinition<E>[],
  text: string,
): Result<E> | undefined {
  for (const definition of definitions) {
    const values = definition.sentence.read(text) ?? definition.alsoRead?.(text);
    if (!values) continue;
    const read = definition.schema.safeParse({ ...values, ...definition.fixed });
    return read.success
      ? ok(read.data)
      : fail({ message: `“${text.trim()}”: ${read.error.issues[0]!.message}.`, typed: text });
  }
  return undefined;
}
