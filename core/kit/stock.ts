import { keyOf, type KitItem, type KitKey } from './item';
import type { ClassNeed } from './needs';

/** A sort as the store has it. */
export interface StockLine {
  readonly item: KitItem;
  /** How many there are, whole and not below zero. */
  readonly count: number;
  /** Where it lies; empty when nobody has said. */
  readonly drawer: string;
}

/** What is reserved for a meeting. */
export interface Reservation {
  readonly meetingId: string;
  readonly from: Date;
  readonly to: Date;
  readonly needs: readonly ClassNeed[];
}

/** How it stands with one sort for one meeting. */
export interface Supply {
  readonly need: ClassNeed;
  readonly stock: StockLine | undefined;
  /** What other meetings at the same time have of it. */
  readonly elsewhere: number;
  /** What is missing: of what the benches need, and of the spares. */
  readonly short: number;
  readonly sparesShort: number;
}

const meet = (one: Reservation, other: Reservation): boolean => one.from < other.to && other.from < one.to;

/** What meetings at the same time have before a meeting: whichever begins first has it first. */
function takenBefore(
  meeting: Reservation,
  reservations: readonly Reservation[],
): ReadonlyMap<KitKey, number> {
  const before = reservations.filter(
    (other) =>
      other.meetingId !== meeting.meetingId &&
      meet(meeting, other) &&
      (other.from < meeting.from ||
        (other.from.getTime() === meeting.from.getTime() && other.meetingId < meeting.meetingId)),
  );
  return countsOf(before, ({ total }) => total);
}

/** How many of each sort some meetings have together. */
function countsOf(
  reservations: readonly Reservation[],
  of: (need: ClassNeed) => number,
): ReadonlyMap<KitKey, number> {
  const counts = new Map<KitKey, number>();
  for (const { needs } of reservations)
    for (const need of needs) {
      const key = keyOf(need.item);
      counts.set(key, (counts.get(key) ?? 0) + of(need));
    }
  return counts;
}

/** Whether the store has what a meeting needs. What two meetings need at the same time is needed twice. */
export function supplyFor(
  meeting: Reservation,
  reservations: readonly Reservation[],
  stock: readonly StockLine[],
): readonly Supply[] {
  const lines = new Map(stock.map((line) => [keyOf(line.item), line]));
  const taken = takenBefore(meeting, reservations);
  return meeting.needs.map((need) => {
    const key = keyOf(need.item);
    const elsewhere = taken.get(key) ?? 0;
    const left = Math.max(0, (lines.get(key)?.count ?? 0) - elsewhere);
    const asked = asksFor(need);
    return {
      need,
      stock: lines.get(key),
      elsewhere,
      short: Math.max(0, asked - left),
      sparesShort: Math.max(0, need.total - Math.max(left, asked)),
    };
  });
}

/** What all benches together need, without spares. */
const asksFor = ({ total, spares }: ClassNeed): number => total - spares;

/** What of the store is free for something else at a meeting: neither its own nor what another has before it. */
export function freeStock(
  meeting: Reservation,
  reservations: readonly Reservation[],
  stock: readonly StockLine[],
): readonly StockLine[] {
  const [taken, own] = [takenBefore(meeting, reservations), countsOf([meeting], asksFor)];
  return stock.map((line) => {
    const key = keyOf(line.item);
    return { ...line, count: Math.max(0, line.count - (taken.get(key) ?? 0) - (own.get(key) ?? 0)) };
  });
}

/** What should be bought of a sort. */
export interface Purchase {
  readonly item: KitItem;
  readonly count: number;
  /** What it is for: the most that is needed at once, what is expected to break until the end, and what there is. */
  readonly atOnce: number;
  readonly losses: number;
  readonly inStock: number;
}

/** What a term still needs: the most that its meetings need at once, with what is expected to break on the way. */
export function shoppingList(
  reservations: readonly Reservation[],
  stock: readonly StockLine[],
): readonly Purchase[] {
  const lines = new Map(stock.map((line) => [keyOf(line.item), line.count]));
  const items = new Map(
    reservations.flatMap(({ needs }) => needs.map(({ item }) => [keyOf(item), item] as const)),
  );
  const lost = countsOf(reservations, ({ spares }) => spares);
  const most = new Map<KitKey, number>();
  // The most is needed when one of the meetings begins.
  for (const { from } of reservations) {
    const then = reservations.filter((other) => other.from <= from && from < other.to);
    for (const [key, count] of countsOf(then, asksFor)) most.set(key, Math.max(most.get(key) ?? 0, count));
  }
  return [...items].flatMap(([key, item]): readonly Purchase[] => {
    const [atOnce, losses, inStock] = [most.get(key) ?? 0, lost.get(key) ?? 0, lines.get(key) ?? 0];
    const count = Math.max(0, atOnce + losses - inStock);
    return count === 0 ? [] : [{ item, count, atOnce, losses, inStock }];
  });
}

/** What is taken from one drawer. */
export interface Pick {
  readonly drawer: string;
  readonly lines: readonly { readonly item: KitItem; readonly count: number; readonly short: number }[];
}

/** What to take from which drawer for a meeting, in the order in which one walks along them; what has none comes last. */
export function pickList(supplies: readonly Supply[]): readonly Pick[] {
  const drawers = new Map<string, Pick['lines'][number][]>();
  for (const { need, stock, short, sparesShort } of supplies) {
    const drawer = stock?.drawer ?? '';
    const missing = short + sparesShort;
    drawers.set(drawer, [
      ...(drawers.get(drawer) ?? []),
      { item: need.item, count: need.total - missing, short: missing },
    ]);
  }
  return [...drawers]
    .sort(
      ([one], [other]) =>
        Number(one === '') - Number(other === '') || one.localeCompare(other, 'en', { numeric: true }),
    )
    .map(([drawer, lines]) => ({ drawer, lines }));
}
