import { expectationDefinitions } from '../../expectations';
import { findKind, type Observed } from '../../parts';
import { fail, type Result } from '../../result';
import { isMeasured } from '../../stimuli';
import { NAMES, onlyTouched, showsFigures, type Named } from './plain';

/** Examples that are shown at once. */
const MOST = 4;

/** An example that speaks of a part. */
const NAMED = new RegExp(`^${NAMES} `);

/** `“a”, “b” or “c”`. */
const quotedList = (sentences: readonly string[]): string => {
  const quoted = sentences.map((sentence) => `“${sentence}”`);
  return quoted.length < 2 ? quoted.join('') : `${quoted.slice(0, -1).join(', ')} or ${quoted.at(-1)}`;
};

/**
 * The answer to a sentence that nothing understands: what can be said of the part that it is about, or of the parts
 * that are there.
 */
export function notUnderstoodOf(typed: string, plain: string, parts: readonly Named[]): Result<never> {
  const named = (plain.match(new RegExp(NAMES, 'g')) ?? []).map((name) => name.toUpperCase());
  const subject = parts.find(
    ({ ref, kind }) => named.includes(ref) && findKind(kind)?.observed !== undefined,
  );
  const own = subject ? examplesOf(subject, parts) : [];
  if (subject && own.length > 0)
    return fail({
      message: `“${typed.trim()}” is not understood. Of ${subject.ref} you can say ${quotedList(own)}.`,
      typed,
    });
  const seen = parts.filter(({ kind }) => findKind(kind)?.observed !== undefined);
  const first = seen.filter(
    ({ kind }, index) =>
      seen.findIndex((other) => findKind(other.kind)?.observed === findKind(kind)?.observed) === index,
  );
  const general = expectationDefinitions.flatMap(({ example, exampleOf }) =>
    example !== undefined && exampleOf === undefined && !NAMED.test(example) ? [example] : [],
  );
  const examples = [...first.flatMap((part) => examplesOf(part, parts).slice(0, 2)), ...general].slice(
    0,
    MOST,
  );
  return fail({
    message: `“${typed.trim()}” is not understood. Write it like ${quotedList(examples)}.`,
    typed,
  });
}

/** What can be said of a part, with the names of the parts that are there. */
function examplesOf(part: Named, parts: readonly Named[]): readonly string[] {
  const kind = findKind(part.kind);
  const observed = kind?.observed;
  if (!kind || observed === undefined) return [];
  return expectationDefinitions
    .flatMap(({ example, exampleOf }) =>
      example !== undefined && (exampleOf as readonly Observed[] | undefined)?.includes(observed)
        ? (withNames(example, part, parts) ?? [])
        : [],
    )
    .filter((example) => showsFigures(kind) === / shows /.test(example))
    .slice(0, MOST);
}

/** An example with other names; `undefined` where a part that it speaks of is not there. */
function withNames(example: string, part: Named, parts: readonly Named[]): string | undefined {
  const [, subject = '', rest = ''] = new RegExp(`^(${NAMES})(.*)$`).exec(example) ?? [];
  const pressed =
    onlyTouched('press', parts) ?? parts.find(({ kind }) => findKind(kind)?.stimulus === 'press')?.ref;
  const moved = parts.find(({ kind }) => {
    const how = findKind(kind)?.stimulus;
    return how !== undefined && isMeasured(how);
  })?.ref;
  if (subject === '' || (/\bS1\b/.test(rest) && !pressed) || (/\bP1\b/.test(rest) && !moved))
    return undefined;
  return `${part.ref}${rest.replace(/\bS1\b/, pressed ?? '').replace(/\bP1\b/, moved ?? '')}`;
}
