import { wireLengths } from '../plan/wire-lengths';
import type { Exercise } from '../formats/exercise';
import { kindOf } from '../parts';
import { keyOf, usualLoss, type KitItem, type KitKey } from './item';

/** So many of a sort, on one bench. */
export interface Need {
  readonly item: KitItem;
  readonly count: number;
  /** The parts that they are, where they have names; wires of one sort as well. */
  readonly refs: readonly string[];
}

/** What one bench gets for an exercise: its parts, its wires by colour and length, and what it is put together with. */
export function needsOf(exercise: Exercise): readonly Need[] {
  const { reference, data } = exercise;
  const lengths = new Map(wireLengths(reference).map((wire) => [wire.ref, wire.kitMm ?? wire.neededMm]));
  const found = new Map<KitKey, Need>();
  const add = (item: KitItem, count: number, refs: readonly string[]): void => {
    const known = found.get(keyOf(item));
    found.set(keyOf(item), {
      item,
      count: (known?.count ?? 0) + count,
      refs: [...(known?.refs ?? []), ...refs],
    });
  };
  if (reference.board) add({ kind: 'board', value: reference.board.profile.id }, 1, [reference.board.ref]);
  const drawn = reference.breadboards.map(({ ref, model }) => ({ ref: ref as string, value: model.id }));
  // Without a layout nothing lies on a breadboard yet, and it is in the bag all the same.
  const listed = data.parts.flatMap(({ ref, kind, value }) =>
    kind === 'breadboard' ? [{ ref, value }] : [],
  );
  for (const { ref, value } of drawn.length > 0 ? drawn : listed)
    add({ kind: 'breadboard', value }, 1, [ref]);
  for (const { ref, kind, value } of reference.parts) {
    const lengthMm = kindOf(kind).conductor ? lengths.get(ref) : undefined;
    add({ kind, value: value.text, ...(lengthMm === undefined ? {} : { lengthMm }) }, 1, [ref]);
  }
  for (const { fasteners } of data.assemblies ?? [])
    for (const { what, count } of fasteners) add({ kind: 'fastener', value: what }, count, []);
  return [...found.values()].sort(byOrder);
}

/** What one bench gets for several exercises of one meeting, each taken apart for the next: the most of each sort. */
export function needsOfAll(exercises: readonly (readonly Need[])[]): readonly Need[] {
  const most = new Map<KitKey, Need>();
  for (const need of exercises.flat()) {
    const known = most.get(keyOf(need.item));
    if (!known || known.count < need.count) most.set(keyOf(need.item), need);
  }
  return [...most.values()].sort(byOrder);
}

/** What a class needs of a sort. */
export interface ClassNeed extends Need {
  readonly perBench: number;
  readonly spares: number;
  /** All benches together, with the spares. */
  readonly total: number;
}

/** Shares that a class has broken or lost in a meeting, by sort; the usual one where nothing is known. */
export type Losses = ReadonlyMap<KitKey, number>;

/** What so many benches need, with spares by how much of it breaks. Spares are whole ones, and none for no bench. */
export const classNeeds = (
  needs: readonly Need[],
  benches: number,
  losses: Losses = new Map(),
): readonly ClassNeed[] =>
  needs.map((need) => {
    const forAll = need.count * benches;
    const spares = Math.ceil(forAll * (losses.get(keyOf(need.item)) ?? usualLoss(need.item.kind)));
    return { ...need, perBench: need.count, spares, total: forAll + spares };
  });

/**
 * Benches of a class where so many share one. Where that would leave somebody alone there is one bench less, and some
 * have one more.
 */
export function benchCount(learners: number, perBench: number): number {
  const count = Math.ceil(Math.max(0, learners) / Math.max(1, perBench));
  const leavesOneAlone = perBench > 1 && count > 1 && Math.floor(learners / count) < 2;
  return leavesOneAlone ? count - 1 : count;
}

const RANK = ['board', 'breadboard'];
const rank = (kind: string): number => {
  const fixed = RANK.indexOf(kind);
  return fixed >= 0 ? fixed : RANK.length;
};

/** Boards first, then parts, wires, and loose things; each by what it is. */
function byOrder({ item: one }: Need, { item: other }: Need): number {
  return (
    rank(one.kind) - rank(other.kind) ||
    Number(one.lengthMm !== undefined) - Number(other.lengthMm !== undefined) ||
    one.kind.localeCompare(other.kind) ||
    one.value.localeCompare(other.value, 'en', { numeric: true }) ||
    (one.lengthMm ?? 0) - (other.lengthMm ?? 0)
  );
}
