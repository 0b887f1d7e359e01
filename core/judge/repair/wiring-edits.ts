import { ref, type PointName, type Ref } from '../../brand';
import { effort } from '../../effort';
import { columnsOf, sideOf, type Column } from '../../breadboards';
import type { Edit } from '../../findings/finding';
import { kindOf } from '../../parts';
import { capacityOf, overreachOf } from '../../wiring/read';
import { stripOf } from '../../wiring/netlist';
import {
  findPart,
  nameOf,
  shortNameOf,
  withLegAt,
  withPart,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';
import type { Examination, Reference } from '../examine';
import { legText, partText, placeText } from '../../wiring/words';
import type { Candidate } from './candidate';
import { withArticle } from '../../words/words';

/** Costs by what a hand has to do; docs/findings.md says how they were chosen. */
const cost = {
  row: 1,
  side: 1.1,
  rail: 1.5,
  pin: 1.6,
  farther: 2,
  flip: 1,
  value: 1.4,
  remove: 2.5,
  addWire: 2.7,
  addPart: 3.5,
} as const;
/** A part is seated by its legs, a wire is not: its end is the likelier slip. */
const PART_LEG = 0.2;
/** An end that sits where the drawing has it is the less likely slip. */
const AS_DRAWN = 0.6;

/** Every single change of the wiring that could matter, made from the build itself. */
export function wiringCandidates(
  reference: Reference,
  wiring: Wiring,
  examination: Pick<Examination, 'match' | 'traces' | 'pairs'>,
): readonly Candidate[] {
  const generator = new WiringEdits(reference, wiring, examination);
  return [
    ...generator.moves(),
    ...generator.flips(),
    ...generator.values(),
    ...generator.removals(),
    ...generator.addedWires(),
    ...generator.addedParts(),
  ];
}

const candidate = (
  edits: readonly Edit[],
  amount: number,
  text: string,
  change: (wiring: Wiring) => Wiring | undefined,
): Candidate => ({
  edits,
  cost: amount,
  text,
  domain: 'wiring',
  apply(build) {
    const wiring = change(build.wiring);
    return wiring && { ...build, wiring };
  },
});

class WiringEdits {
  private readonly used = new Map<PointName, number>();
  /** One point of every strip that something is on, and of the pins that matter. */
  private readonly strips = new Map<string, Point>();

  constructor(
    private readonly reference: Reference,
    private readonly wiring: Wiring,
    private readonly examination: Pick<Examination, 'match' | 'traces' | 'pairs'>,
  ) {
    for (const part of wiring.parts)
      for (const { at } of part.legs) {
        if (!at) continue;
        this.used.set(nameOf(at), (this.used.get(nameOf(at)) ?? 0) + 1);
        this.strips.set(stripOf(at, wiring), at);
      }
    for (const pin of this.pinsThatMatter()) {
      const point: Point = { type: 'pin', ref: wiring.board!.ref, pin };
      this.strips.set(stripOf(point, wiring), point);
    }
  }

  private pinsThatMatter(): readonly string[] {
    if (!this.wiring.board) return [];
    const { exercise } = this.reference;
    const named = exercise.reference.parts.flatMap((part) =>
      part.legs.flatMap(({ at }) => (at?.type === 'pin' ? [at.pin] : [])),
    );
    const driven = this.examination.traces.flatMap((trace) => [...trace.pins.keys()]);
    return [...new Set([...named, ...driven])].filter((pin) =>
      [...this.wiring.board!.profile.pins, ...this.wiring.board!.profile.supplies].some(
        (socket) => socket.name === pin,
      ),
    );
  }

  *moves(): Iterable<Candidate> {
    for (const part of this.wiring.parts)
      for (const leg of part.legs)
        for (const point of this.strips.values()) {
          if (leg.at && stripOf(leg.at, this.wiring) === stripOf(point, this.wiring)) continue;
          const to = this.freeHole(point, leg.at);
          if (!to) continue;
          const moved = withLegAt(part, leg.leg, to);
          if (overreachOf(moved) || straddles(moved)) continue;
          yield candidate(
            [{ move: `${part.ref}.${leg.leg}`, from: leg.at ? nameOf(leg.at) : '', to: nameOf(to) }],
            this.moveCost(part, leg, to),
            `Move ${legText(part, leg.leg)}${leg.at ? ` from ${placeText(leg.at)}` : ''} to ${placeText(to)}.`,
            (wiring) =>
              findPart(wiring, part.ref)
                ? withPart(wiring, withLegAt(findPart(wiring, part.ref)!, leg.leg, to))
                : undefined,
          );
        }
  }

  private moveCost(part: PlacedPart, { leg, at }: PlacedLeg, to: Point): number {
    const drawn = findPart(this.reference.exercise.reference, part.ref)?.legs.find(
      (known) => known.leg === leg,
    )?.at;
    const extra =
      (kindOf(part.kind).conductor ? 0 : PART_LEG) +
      (drawn && at && nameOf(drawn) === nameOf(at) ? AS_DRAWN : 0);
    return extra + this.distanceCost(at, to);
  }

  private distanceCost(from: Point | null, to: Point): number {
    if (from?.type === 'hole' && to.type === 'hole') {
      const rows = Math.abs(from.row - to.row);
      const sameSide = sideOf(from.column) === sideOf(to.column);
      if (rows === 0) return cost.side;
      if (sameSide) return rows === 1 ? cost.row : cost.farther + rows * 0.05;
      return cost.farther + 0.2 + rows * 0.05;
    }
    if (to.type === 'rail') return cost.rail + (from?.type === 'rail' ? 0 : 0.2);
    if (to.type === 'pin') return cost.pin + (from?.type === 'pin' ? 0 : 0.4);
    return cost.farther + 0.3;
  }

  /** A free hole on the strip of `point`, as near to `from` as there is one. */
  private freeHole(point: Point, from: Point | null): Point | undefined {
    effort(point.type === 'rail' ? 20_000 : 3000);
    const isFree = (candidatePoint: Point): boolean =>
      (this.used.get(nameOf(candidatePoint)) ?? 0) < capacityOf(this.wiring, candidatePoint);
    if (point.type === 'pin' || point.type === 'leg') return isFree(point) ? point : undefined;
    if (point.type === 'hole') {
      const wanted = from?.type === 'hole' ? from.column : undefined;
      const order = [...columnsOf(sideOf(point.column))].sort(
        (a, b) => this.columnGap(a, wanted) - this.columnGap(b, wanted),
      );
      return order.map((column): Point => ({ ...point, column })).find(isFree);
    }
    const rows = this.wiring.breadboards.find((board) => board.ref === point.ref)!.model.rows;
    const near = from && 'row' in from ? from.row : point.row;
    const order = Array.from({ length: rows }, (_, index) => index + 1).sort(
      (a, b) => Math.abs(a - near) - Math.abs(b - near),
    );
    return order
      .map((row): Point => ({ ...point, row }))
      .find((hole) => isFree(hole) && stripOf(hole, this.wiring) === stripOf(point, this.wiring));
  }

  private columnGap(column: Column, wanted: Column | undefined): number {
    return wanted === undefined ? 0 : Math.abs(column.charCodeAt(0) - wanted.charCodeAt(0));
  }

  *flips(): Iterable<Candidate> {
    for (const part of this.wiring.parts) {
      if (part.legs.length !== 2 || kindOf(part.kind).symmetrical) continue;
      yield candidate([{ flip: part.ref }], cost.flip, `Turn ${partText(part)} round.`, (wiring) => {
        const now = findPart(wiring, part.ref);
        if (!now) return undefined;
        const [one, other] = now.legs as readonly [PlacedLeg, PlacedLeg];
        return withPart(wiring, {
          ...now,
          legs: [
            { ...one, at: other.at },
            { ...other, at: one.at },
          ],
        });
      });
    }
  }

  *values(): Iterable<Candidate> {
    const { pairs } = this.examination;
    for (const [name, part] of pairs) {
      const wanted = findPart(this.reference.exercise.reference, ref(name))!.value;
      if (wanted.text === part.value.text) continue;
      yield candidate(
        [{ value: part.ref, to: wanted.text }],
        cost.value,
        `Use ${withArticle(kindOf(part.kind).describe(wanted))} for ${part.ref}.`,
        (wiring) =>
          findPart(wiring, part.ref)
            ? withPart(wiring, { ...findPart(wiring, part.ref)!, value: wanted })
            : undefined,
      );
    }
  }

  *removals(): Iterable<Candidate> {
    for (const part of this.wiring.parts)
      yield candidate([{ remove: part.ref }], cost.remove, `Take out ${partText(part)}.`, (wiring) => ({
        ...wiring,
        parts: wiring.parts.filter((other) => other.ref !== part.ref),
      }));
  }

  *addedWires(): Iterable<Candidate> {
    const points = [...this.strips.values()].filter((point) => point.type !== 'leg');
    const name = this.freeName('W');
    for (let first = 0; first < points.length; first += 1)
      for (let second = first + 1; second < points.length; second += 1) {
        const from = this.freeHole(points[first]!, null);
        const to = this.freeHole(points[second]!, points[first]!);
        if (!from || !to) continue;
        yield candidate(
          [
            {
              add: this.rows(name, 'wire', '', [
                ['1', from],
                ['2', to],
              ]),
            },
          ],
          cost.addWire,
          `Add a wire from ${placeText(from)} to ${placeText(to)}.`,
          (wiring) =>
            this.withNewPart(wiring, {
              ref: name,
              kind: 'wire',
              value: { text: '' },
              legs: legsAt('wire', [from, to]),
            }),
        );
      }
  }

  /**
   * Puts in a part that the exercise has and the build lacks: between two strips that are in use, or
   * into the path at some leg or wire end.
   */
  *addedParts(): Iterable<Candidate> {
    const { pairs } = this.examination;
    const missing = this.reference.exercise.reference.parts.filter(
      (part) => !kindOf(part.kind).conductor && !pairs.has(part.ref) && part.legs.length === 2,
    );
    for (const wanted of missing) {
      const name = findPart(this.wiring, wanted.ref) ? this.freeName(kindOf(wanted.kind).prefix) : wanted.ref;
      yield* this.bridging(wanted, name);
      for (const part of this.wiring.parts)
        for (const leg of part.legs) {
          if (!leg.at || leg.at.type === 'leg') continue;
          const row = this.emptyRow(part, leg);
          const there = leg.at.type === 'pin' ? undefined : leg.at;
          if (!row || !there) continue;
          const beside: Point = { ...row, column: row.column === 'a' ? 'b' : 'a' };
          for (const legs of kindOf(wanted.kind).symmetrical
            ? [[beside, there]]
            : [
                [beside, there],
                [there, beside],
              ]) {
            const added: PlacedPart = {
              ref: name,
              kind: wanted.kind,
              value: wanted.value,
              legs: legsAt(wanted.kind, legs),
            };
            if (overreachOf(added)) continue;
            yield candidate(
              [
                { move: `${part.ref}.${leg.leg}`, from: nameOf(leg.at), to: nameOf(row) },
                {
                  add: this.rows(
                    name,
                    wanted.kind,
                    wanted.value.text,
                    added.legs.map((placed) => [placed.leg, placed.at!]),
                  ),
                },
              ],
              cost.addPart + (kindOf(part.kind).conductor ? PART_LEG : 0),
              `Move ${legText(part, leg.leg)} to ${placeText(row)}, and put ${partText(added)} between ${shortNameOf(beside)} and ${shortNameOf(there)}.`,
              (wiring) => {
                const now = findPart(wiring, part.ref);
                return now && this.withNewPart(withPart(wiring, withLegAt(now, leg.leg, row)), added);
              },
            );
          }
        }
    }
  }

  private *bridging(wanted: PlacedPart, name: Ref): Iterable<Candidate> {
    const points = [...this.strips.values()].filter((point) => point.type !== 'leg');
    const { symmetrical } = kindOf(wanted.kind);
    for (const [first, one] of points.entries())
      for (const [second, other] of points.entries()) {
        if (first === second || (symmetrical && first > second)) continue;
        const from = this.freeHole(one, null);
        const to = this.freeHole(other, one);
        if (!from || !to) continue;
        const added: PlacedPart = {
          ref: name,
          kind: wanted.kind,
          value: wanted.value,
          legs: legsAt(wanted.kind, [from, to]),
        };
        if (overreachOf(added)) continue;
        yield candidate(
          [
            {
              add: this.rows(
                name,
                wanted.kind,
                wanted.value.text,
                added.legs.map((placed) => [placed.leg, placed.at!]),
              ),
            },
          ],
          cost.addPart - 0.5,
          `Put ${partText(added)} between ${placeText(from)} and ${placeText(to)}.`,
          (wiring) => this.withNewPart(wiring, added),
        );
      }
  }

  /** A row that nothing is in, near to a leg and within its reach. */
  private emptyRow(part: PlacedPart, leg: PlacedLeg): (Point & { type: 'hole' }) | undefined {
    const [board] = this.wiring.breadboards;
    if (!board) return undefined;
    const near = leg.at && 'row' in leg.at ? leg.at.row : 1;
    const rows = Array.from({ length: board.model.rows }, (_, index) => index + 1).sort(
      (a, b) => Math.abs(a - near) - Math.abs(b - near),
    );
    for (const row of rows) {
      const hole = {
        type: 'hole' as const,
        ref: board.ref,
        column: leg.at?.type === 'hole' ? leg.at.column : ('e' as Column),
        row,
      };
      if (!this.strips.has(stripOf(hole, this.wiring)) && !overreachOf(withLegAt(part, leg.leg, hole)))
        return hole;
    }
    return undefined;
  }

  private withNewPart(wiring: Wiring, part: PlacedPart): Wiring | undefined {
    return findPart(wiring, part.ref) ? undefined : { ...wiring, parts: [...wiring.parts, part] };
  }

  private freeName(prefix: string): Ref {
    for (let number = 1; ; number += 1) {
      const name = ref(`${prefix}${number}`);
      if (!findPart(this.wiring, name)) return name;
    }
  }

  private rows(name: Ref, kind: string, value: string, legs: readonly (readonly [string, Point])[]): string {
    return legs.map(([leg, at]) => `${name},${kind},${value},${leg},${nameOf(at)}`).join('\n');
  }
}

/** Whether a part would have one leg in the board's socket and one in the breadboard: too far for legs. */
const straddles = (part: PlacedPart): boolean =>
  !kindOf(part.kind).conductor &&
  part.legs.some(({ at }) => at?.type === 'pin') &&
  part.legs.some(({ at }) => at !== null && 'row' in at);

const legsAt = (kind: string, points: readonly Point[]): readonly PlacedLeg[] =>
  kindOf(kind).legs.map(({ name }, index) => ({ leg: name, at: points[index] ?? null }));
