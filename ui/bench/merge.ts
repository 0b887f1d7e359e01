import type { Draft, DraftPart } from '@/core/messages/bench-draft';
import { findKind, kindOf } from '@/core/parts';

/** An end, a kind or a value that is one thing here and another there; this side's was kept. */
export interface Difference {
  /** As learners call it: `long leg of D1`, `value of R1`, `your program`. */
  readonly what: string;
  readonly here: string;
  readonly there: string;
}

export interface Merged {
  readonly draft: Draft;
  /** Names of the parts in which the other side is followed, in the order of the list. */
  readonly taken: readonly string[];
  readonly differences: readonly Difference[];
}

/**
 * Two drafts that have grown out of one, joined: whatever only one side changed is as that side has it, part by part
 * and leg by leg; where both changed the same thing, this side's stays and is told. A part that one side removed and
 * the other went on with stays. Wires of one name that both sides added are two wires. Of two programs this side's
 * stays and the other is put aside.
 */
export function mergedDrafts(base: Draft, mine: Draft, theirs: Draft): Merged {
  const differences: Difference[] = [];
  const taken: string[] = [];
  const bases = byName(base.parts);
  const others = byName(theirs.parts);
  const parts: DraftPart[] = [];
  const renamed: DraftPart[] = [];
  for (const part of mine.parts) {
    const was = bases.get(part.ref);
    const other = others.get(part.ref);
    if (other === undefined) {
      // They took it out; who has gone on with it keeps it.
      if (was === undefined || !same(was, part)) parts.push(part);
      else taken.push(part.ref);
    } else if (was === undefined && !same(part, other)) {
      parts.push(other);
      taken.push(other.ref);
      renamed.push(part);
    } else {
      const joined = mergedPart(was ?? part, part, other, differences);
      if (!same(joined, part)) taken.push(part.ref);
      parts.push(joined);
    }
  }
  const here = byName(mine.parts);
  for (const part of theirs.parts)
    if (!here.has(part.ref)) {
      const was = bases.get(part.ref);
      if (was !== undefined && same(was, part)) continue;
      parts.push(part);
      taken.push(part.ref);
    }
  for (const part of renamed) parts.push({ ...part, ref: nextFreeName(parts, part.kind) });
  return {
    draft: { ...mine, parts, ...mergedRest(base, mine, theirs, differences) },
    taken,
    differences,
  };
}

function mergedPart(
  was: DraftPart,
  mine: DraftPart,
  theirs: DraftPart,
  differences: Difference[],
): DraftPart {
  const decide = (what: string, before: string, here: string, there: string): string => {
    if (here === there || there === before) return here;
    if (here === before) return there;
    differences.push({ what, here, there });
    return here;
  };
  const { ref } = mine;
  const kind = decide(`kind of ${ref}`, was.kind, mine.kind, theirs.kind);
  const value = decide(`value of ${ref}`, was.value, mine.value, theirs.value);
  const legs = new Set([...Object.keys(mine.at), ...Object.keys(theirs.at)]);
  const at = Object.fromEntries(
    [...legs].map((leg) => [
      leg,
      decide(`${legTitle(kind, leg)} of ${ref}`, was.at[leg] ?? '', mine.at[leg] ?? '', theirs.at[leg] ?? ''),
    ]),
  );
  return { ref, kind, value, at };
}

/** A draft with nothing plugged in and nothing written: from where two have grown that are not known to share more. */
export const unbegun = (draft: Draft): Draft => ({
  version: 1,
  parts: draft.parts.map((part) => ({ ...part, at: {} })),
  program: '',
  hintsTaken: 0,
});

/** What is not a part: the program, what was seen, hints, and what waits to be sent. */
function mergedRest(
  base: Draft,
  mine: Draft,
  theirs: Draft,
  differences: Difference[],
): Pick<
  Draft,
  'program' | 'aside' | 'sighting' | 'prediction' | 'stated' | 'stagesDone' | 'hintsTaken' | 'pending'
> {
  const either = <Value>(before: Value, here: Value, there: Value): Value =>
    sameText(here, before) ? there : here;
  const bothWrote =
    mine.program !== theirs.program && mine.program !== base.program && theirs.program !== base.program;
  if (bothWrote) differences.push({ what: 'program', here: mine.program, there: theirs.program });
  return {
    program: bothWrote ? mine.program : either(base.program, mine.program, theirs.program),
    aside: bothWrote ? theirs.program : either(base.aside, mine.aside, theirs.aside),
    sighting: either(base.sighting, mine.sighting, theirs.sighting),
    prediction: either(base.prediction, mine.prediction, theirs.prediction),
    stated: either(base.stated, mine.stated, theirs.stated),
    // What works once has worked.
    stagesDone: withAll(mine.stagesDone, theirs.stagesDone),
    // Hints that were read on two tablets are two hints.
    hintsTaken: mine.hintsTaken + Math.max(0, theirs.hintsTaken - base.hintsTaken),
    pending: either(base.pending, mine.pending, theirs.pending),
  };
}

/** What either has; nothing when neither has any. */
const withAll = (
  some: readonly string[] | undefined,
  others: readonly string[] | undefined,
): string[] | undefined => (some || others) && [...new Set([...(some ?? []), ...(others ?? [])])];

/** The next name of a kind that no part of a list has: `W3`. */
export function nextFreeName(parts: readonly DraftPart[], kind: string): string {
  const { prefix } = kindOf(kind);
  for (let number = 1; ; number += 1) {
    const ref = `${prefix}${number}`;
    if (!parts.some((part) => part.ref === ref)) return ref;
  }
}

const byName = (parts: readonly DraftPart[]): ReadonlyMap<string, DraftPart> =>
  new Map(parts.map((part) => [part.ref, part]));

const legTitle = (kind: string, leg: string): string =>
  findKind(kind)?.legs.find(({ name }) => name === leg)?.title ?? leg;

/** Whether two parts are the same to whoever reads them: a leg that is not said is one at no place. */
function same(one: DraftPart, other: DraftPart): boolean {
  const legs = new Set([...Object.keys(one.at), ...Object.keys(other.at)]);
  return (
    one.kind === other.kind &&
    one.value === other.value &&
    [...legs].every((leg) => (one.at[leg] ?? '') === (other.at[leg] ?? ''))
  );
}

const sameText = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What of a draft is no part. */
const restOf = (draft: Draft): readonly unknown[] => [
  draft.program,
  draft.aside,
  draft.sighting,
  draft.prediction,
  draft.stated,
  [...(draft.stagesDone ?? [])].sort(),
  draft.hintsTaken,
  draft.pending,
];

/** Whether two drafts say the same; the order of their lists is each tablet's own. */
export function sameDraft(one: Draft, other: Draft): boolean {
  const others = byName(other.parts);
  return (
    one.parts.length === other.parts.length &&
    one.parts.every((part) => {
      const against = others.get(part.ref);
      return against !== undefined && same(part, against);
    }) &&
    sameText(restOf(one), restOf(other))
  );
}
