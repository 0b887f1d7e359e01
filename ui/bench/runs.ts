import type { Draft, DraftPart } from '@/core/messages/bench-draft';
import { kindOf } from '@/core/parts';
import { fail, ok, type Result } from '@/core/result';

/** Ends of several parts that are placed at once. */
interface Run {
  /** The parts, where they are named; else wires that are in nowhere yet. */
  readonly refs: readonly string[] | undefined;
  readonly from: readonly string[];
  readonly to: readonly string[];
}

/** Places that one run may have. */
const MOST = 64;
const EXAMPLE = 'Write it like “11-2 to a2-a11”, or “R1-R10 b2-b11 to e2-e11”.';
/** What stands between the ends of a series. */
const DASH = String.raw`\s*(?:-|–|—|\.\.\.?|…)\s*`;

/**
 * A draft with a run of equal parts placed: `11-2 to a2-a11` puts ten wires, one after another, from pins 11 to 2 into
 * holes a2 to a11; `R1-R10 b2-b11 to e2-e11` does so with parts by their names.
 */
export function withRun(draft: Draft, text: string): Result<Draft> {
  const run = readRun(text);
  if (!run.ok) return run;
  const { refs, from, to } = run.value;
  if (from.length !== to.length)
    return fail({
      message: `${from.length} places on one side, ${to.length} on the other: they go in pairs.`,
    });
  const parts = refs ? named(draft, refs) : ok(draft.parts.filter(isFreeWire).slice(0, from.length));
  if (!parts.ok) return parts;
  if (parts.value.length !== from.length)
    return fail({
      message: refs
        ? `${counting(parts.value.length, 'part')} and ${counting(from.length, 'pair')} of places: name as many of either.`
        : `Only ${parts.value.length} wires are in nowhere yet, and the run has ${from.length}.`,
    });
  const places = new Map(parts.value.map((part, index) => [part.ref, [from[index]!, to[index]!] as const]));
  return ok({
    ...draft,
    parts: draft.parts.map((part) => {
      const ends = places.get(part.ref);
      if (!ends) return part;
      const [one, other] = kindOf(part.kind).legs.map(({ name }) => name as string);
      return { ...part, at: { ...part.at, [one!]: ends[0], [other!]: ends[1] } };
    }),
  });
}

const counting = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;

const isFreeWire = ({ kind, at }: DraftPart): boolean =>
  kindOf(kind).conductor && Object.values(at).every((place) => place === '');

function named(draft: Draft, refs: readonly string[]): Result<readonly DraftPart[]> {
  const found: DraftPart[] = [];
  for (const ref of refs) {
    const part = draft.parts.find((one) => one.ref === ref.toUpperCase());
    if (!part) return fail({ message: `There is no ${ref.toUpperCase()} in the list.` });
    if (kindOf(part.kind).legs.length !== 2) return fail({ message: `${part.ref} has more than two ends.` });
    found.push(part);
  }
  return ok(found);
}

function readRun(text: string): Result<Run> {
  const [, head, last] = /^(.+?)\s+(?:to|->|→)\s+(.+)$/i.exec(text.trim()) ?? [];
  if (head === undefined || last === undefined) return fail({ message: EXAMPLE });
  const withParts = /^([a-z]{1,2}\d+(?:\s*(?:-|–|—|,|\.\.\.?|…)\s*[a-z]{0,2}\d+)*)[\s:]+(.+)$/i.exec(head);
  const isOfParts = withParts !== null && /^[A-Z]/.test(withParts[1]!);
  const refs = isOfParts ? series(withParts[1]!, 'part') : undefined;
  const from = series(isOfParts ? withParts[2]! : head, 'place');
  const to = series(last, 'place');
  if (!from || !to || (isOfParts && !refs)) return fail({ message: EXAMPLE });
  if (Math.max(from.length, to.length) > MOST) return fail({ message: `A run has at most ${MOST} places.` });
  return ok({ refs, from, to });
}

/** Single places and ranges with commas between: `11-8, 3, A0-A2`. */
function series(text: string, of: 'place' | 'part'): readonly string[] | undefined {
  const all = text.split(',').map((item) => oneOrRange(item.trim(), of));
  return all.some((item) => item === undefined) ? undefined : all.flatMap((item) => item!);
}

function oneOrRange(item: string, of: 'place' | 'part'): readonly string[] | undefined {
  // A rail's own sign is no dash: `a-3` is a hole of the minus rail, `a-1..a-4` four of them.
  const rails =
    of === 'place' && new RegExp(`^([a-j][+-])(\\d+)\\s*(?:–|—|\\.\\.\\.?|…)\\s*\\1(\\d+)$`).exec(item);
  const range = rails || new RegExp(`^([A-Za-z]*)(\\d+)${DASH}\\1?(\\d+)$`).exec(item);
  const isRail = of === 'place' && /^[a-j][+-]\d+$/.test(item);
  if (range && !isRail) return counted(range[1]!, Number(range[2]), Number(range[3]));
  return /^[A-Za-z]*[+-]?\d+$|^[A-Za-z0-9]+$/.test(item) ? [item] : undefined;
}

function counted(letters: string, first: number, last: number): readonly string[] | undefined {
  const count = Math.abs(last - first) + 1;
  if (count > MOST) return undefined;
  const way = last < first ? -1 : 1;
  return Array.from({ length: count }, (_, index) => `${letters}${first + way * index}`);
}
