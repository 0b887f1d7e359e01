import { isEitherWay, isPowerSource, isResistor, kindOf } from '../../parts';
import { overreachOf } from '../../wiring/read';
import {
  findPart,
  legPoint,
  nameOf,
  shortNameOf,
  withLegAt,
  withPart,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';
import { legText, partText, placeText } from '../../wiring/words';
import { listText, withArticle } from '../../words/words';
import type { Candidate } from './candidate';
import {
  evidenceOfExchange,
  evidenceOfPart,
  evidenceOfRemoval,
  evidenceOfValue,
  evidenceOfWire,
} from './evidence-of-parts';
import type { Net, Root } from './homes';
import { isRigid, legsAt, rowsOf, withNewPart, type EditSource } from './edit-source';
import { AS_DRAWN, BACK_AS_DRAWN, cost, PART_LEG } from './wiring-cost';

/** What the others cost that came out of the same wrong drawer as the first. */
const SAME_DRAWER = 0.3;

interface Other {
  readonly part: PlacedPart;
  readonly asked: PlacedPart;
}

/** Whether each of two parts is what the exercise asks for in the place of the other. */
const isEachOthers = (one: Other, two: Other): boolean =>
  one.part.kind === two.part.kind &&
  one.part.value.text === two.asked.value.text &&
  two.part.value.text === one.asked.value.text;

/** A wiring in which parts have other values. */
const withValues = (
  wiring: Wiring,
  values: ReadonlyMap<PlacedPart['ref'], PlacedPart['value']>,
): Wiring | undefined =>
  [...values].reduce<Wiring | undefined>((made, [ref, value]) => {
    const now = made && findPart(made, ref);
    return now && withPart(made, { ...now, value });
  }, wiring);

/** Changes that take something out, put something in, or exchange a part for another. */
export class WiringAdditions {
  constructor(private readonly source: EditSource) {}

  /**
   * Other values: of one part, of all resistors that were taken from the same wrong drawer, and of two parts of a kind
   * that are in each other's places.
   */
  *values(): Generator<Candidate> {
    const drawers = new Map<string, (typeof others)[number][]>();
    const others = this.source.given.target.otherValuesIn(this.source.given.wiring);
    for (const other of others) {
      const { part, asked } = other;
      yield this.valued([part], asked, cost.value);
      const drawer = `${part.value.text} for ${asked.value.text}`;
      if (isResistor(part)) (drawers.get(drawer) ?? drawers.set(drawer, []).get(drawer)!).push(other);
    }
    for (const drawer of drawers.values())
      if (drawer.length > 1)
        yield this.valued(
          drawer.map(({ part }) => part),
          drawer[0]!.asked,
          cost.value + SAME_DRAWER,
        );
    for (const [index, one] of others.entries())
      for (const two of others.slice(index + 1))
        if (isEachOthers(one, two)) yield this.exchanged(one.part, two.part);
  }

  private valued(parts: readonly PlacedPart[], asked: PlacedPart, amount: number): Candidate {
    const what = kindOf(asked.kind).describe(asked.value);
    const refs = parts.map(({ ref }) => ref);
    return this.source.changed(
      refs.map((ref) => ({ value: ref, to: asked.value.text })),
      amount,
      parts.length === 1
        ? `Use ${withArticle(what)} for ${refs[0]!}.`
        : `Use ${what}s for ${listText(refs)}.`,
      (wiring) => withValues(wiring, new Map(refs.map((ref) => [ref, asked.value]))),
      (repair) => evidenceOfValue(parts, asked, repair),
    );
  }

  private exchanged(one: PlacedPart, two: PlacedPart): Candidate {
    return this.source.changed(
      [
        { value: one.ref, to: two.value.text },
        { value: two.ref, to: one.value.text },
      ],
      cost.swap + PART_LEG,
      `Swap ${partText(one)} and ${partText(two)}.`,
      (wiring) =>
        withValues(
          wiring,
          new Map([
            [one.ref, two.value],
            [two.ref, one.value],
          ]),
        ),
      (repair) => evidenceOfExchange(one, two, repair),
    );
  }

  /** What stands for nothing in the exercise, and wires that join what should be apart. */
  *removals(): Generator<Candidate> {
    const { look, target } = this.source.given;
    const joining = this.source.wiring.parts.filter(
      (part) =>
        kindOf(part.kind).conductor &&
        part.legs.some(({ leg }) => look.netsAt(look.rootOf(legPoint(part.ref, leg))).size > 1),
    );
    for (const part of [...target.strayIn(this.source.wiring), ...joining])
      yield this.source.changed(
        [{ remove: part.ref }],
        cost.remove,
        `Take out ${partText(part)}.`,
        (wiring) => ({ ...wiring, parts: wiring.parts.filter((other) => other.ref !== part.ref) }),
        (repair) => evidenceOfRemoval(part, repair),
      );
  }

  /** Wires between the pieces of a net. */
  *addedWires(): Generator<Candidate> {
    const name = this.source.freeName('W');
    for (const net of this.source.given.look.split) {
      const pieces = this.source.piecesOf(net);
      for (const [index, { root: one, strips: from }] of pieces.entries())
        for (const { root: other, strips: to } of pieces.slice(index + 1)) {
          const drawn = this.asDrawn(one, other);
          const places = drawn ?? this.nearest(from, to);
          if (!places) continue;
          const isAlone = [one, other].some(
            (root) => this.source.given.look.netsAt(root).size <= 1 && this.source.isLone(root),
          );
          yield this.source.adding(
            { ref: name, kind: 'wire', value: { text: '' }, legs: legsAt('wire', places) },
            cost.addWire + (drawn ? BACK_AS_DRAWN : 0),
            `Add a wire from ${placeText(places[0], this.source.wiring)} to ${placeText(places[1], this.source.wiring)}.`,
            (repair) =>
              evidenceOfWire(
                ...places,
                { isAlone, along: this.source.along(one, other) },
                this.source.wiring,
                repair,
              ),
          );
        }
    }
  }

  /** The places of a wire of the drawing that would join two pieces, when they are free. */
  private asDrawn(one: Root, other: Root): readonly [Point, Point] | undefined {
    for (const [from, to] of this.source.given.drawing.ends()) {
      const [first, second] = [this.source.rootAt(from), this.source.rootAt(to)];
      if (!((first === one && second === other) || (first === other && second === one))) continue;
      if (this.source.seats.isFree(from) && this.source.seats.isFree(to)) return [from, to];
    }
    return undefined;
  }

  private nearest(from: readonly Point[], to: readonly Point[]): readonly [Point, Point] | undefined {
    let best: { readonly places: readonly [Point, Point]; readonly rank: number } | undefined;
    for (const one of from)
      for (const two of to) {
        const first = this.source.seats.freeOn(one, two);
        const second = first && this.source.seats.freeOn(two, first);
        if (!first || !second) continue;
        // What is printed on the board or the rail is found more easily than a row.
        const rank = [first, second].reduce(
          (sum, { type }) => sum + (type === 'hole' ? 1 : type === 'leg' ? 2 : 0),
          0,
        );
        if (!best || rank < best.rank) best = { places: [first, second], rank };
      }
    return best?.places;
  }

  /** Parts that are missing: where the drawing has them, between the pieces that they belong to, or into a path. */
  *addedParts(): Generator<Candidate> {
    for (const wanted of this.source.given.target.missingFrom(this.source.wiring)) {
      const places = wanted.legs.flatMap(({ leg }) => {
        const at = this.source.given.drawing.placeOf(wanted, leg);
        return at && this.source.seats.isFree(at) ? [at] : [];
      });
      if (places.length === wanted.legs.length)
        yield this.puttingIn({ ...wanted, legs: legsAt(wanted.kind, places) }, cost.addPart + BACK_AS_DRAWN);
      if (wanted.legs.length !== 2) continue;
      const [one, two] = this.source.given.look.legNetsOf(wanted.ref) as [Net, Net];
      for (const from of this.source.piecesOf(one))
        for (const to of this.source.piecesOf(two)) {
          const seats = this.reaching(wanted, from.strips, to.strips);
          if (seats) yield this.puttingIn({ ...wanted, legs: legsAt(wanted.kind, seats) }, cost.addPart);
        }
      // Nobody puts a wire where a battery belongs, or leaves one out of a path.
      if (isPowerSource(wanted)) continue;
      yield* this.inPlaceOfWires(wanted);
      yield* this.inserted(wanted);
    }
  }

  private puttingIn(part: PlacedPart, amount: number): Candidate {
    const at = part.legs.map((leg) => shortNameOf(leg.at!));
    return this.source.adding(
      part,
      amount,
      part.legs.length === 2
        ? `Put ${partText(part)} between ${placeText(part.legs[0]!.at!, this.source.wiring)} and ${placeText(part.legs[1]!.at!, this.source.wiring)}.`
        : `Put ${partText(part)} in, with its legs in ${at.join(', ')}.`,
      (repair) => evidenceOfPart(part, this.source.given.target.neighboursOf(part.ref), repair),
    );
  }

  /** Free holes on two pieces that a part's legs reach. */
  private reaching(
    part: PlacedPart,
    from: readonly Point[],
    to: readonly Point[],
  ): readonly Point[] | undefined {
    for (const one of from)
      for (const two of to) {
        if (one.type === 'pin' || two.type === 'pin') continue;
        const first = this.source.seats.freeOn(one, two);
        const second = first && this.source.seats.freeOn(two, first);
        if (!first || !second) continue;
        if (!overreachOf({ ...part, legs: legsAt(part.kind, [first, second]) })) return [first, second];
      }
    return undefined;
  }

  /** A part where a wire was put instead of it. */
  private *inPlaceOfWires(wanted: PlacedPart): Generator<Candidate> {
    const { look, target } = this.source.given;
    const nets = look.legNetsOf(wanted.ref);
    for (const wire of this.source.wiring.parts) {
      const [one, other] = wire.legs.map(({ at }) => at);
      const isOnBoard = (at: Point | null | undefined): at is Point =>
        at?.type === 'hole' || at?.type === 'rail';
      if (!kindOf(wire.kind).conductor || !isOnBoard(one) || !isOnBoard(other)) continue;
      const root = look.rootOf(nameOf(one));
      if (!nets.every((net) => look.netsAt(root).has(net))) continue;
      // A wire that the drawing has was not put in instead of anything.
      const isDrawn = wire.legs.every((leg) => this.source.given.drawing.hasInPlace(wire, leg));
      for (const places of isEitherWay(wanted)
        ? [[one, other]]
        : [
            [one, other],
            [other, one],
          ]) {
        const added: PlacedPart = { ...wanted, legs: legsAt(wanted.kind, places) };
        if (overreachOf(added)) continue;
        yield this.source.changed(
          [{ remove: wire.ref }, { add: rowsOf(added) }],
          cost.addPart + (isDrawn ? AS_DRAWN : 0),
          `Take out ${partText(wire)}, and put ${partText(added)} in its place.`,
          (wiring) =>
            withNewPart({ ...wiring, parts: wiring.parts.filter((part) => part.ref !== wire.ref) }, added),
          (repair) => evidenceOfPart(wanted, [wire.ref, ...target.neighboursOf(wanted.ref)], repair),
        );
      }
    }
  }

  /** A part put into a path: what is joined without it is taken apart, and it goes between. */
  private *inserted(wanted: PlacedPart): Generator<Candidate> {
    const { look } = this.source.given;
    const nets = look.legNetsOf(wanted.ref);
    for (const part of this.source.wiring.parts)
      for (const leg of part.legs) {
        const { at } = leg;
        if (isRigid(part) || !at || at.type === 'leg' || at.type === 'pin') continue;
        const root = look.rootOf(nameOf(at));
        if (!nets.every((net) => look.netsAt(root).has(net))) continue;
        const row = this.source.seats.emptyRow(part, leg);
        if (!row) continue;
        const beside: Point = { ...row, column: row.column === 'a' ? 'b' : 'a' };
        for (const legs of isEitherWay(wanted)
          ? [[beside, at]]
          : [
              [beside, at],
              [at, beside],
            ]) {
          const added: PlacedPart = { ...wanted, legs: legsAt(wanted.kind, legs) };
          if (overreachOf(added)) continue;
          yield this.source.changed(
            [{ move: `${part.ref}.${leg.leg}`, from: nameOf(at), to: nameOf(row) }, { add: rowsOf(added) }],
            cost.insertPart + (kindOf(part.kind).conductor ? PART_LEG : 0),
            `Move ${legText(part, leg.leg)} to ${placeText(row, this.source.wiring)}, and put ${partText(added)} between ${shortNameOf(beside)} and ${shortNameOf(at)}.`,
            (wiring) => {
              const now = findPart(wiring, part.ref);
              return now && withNewPart(withPart(wiring, withLegAt(now, leg.leg, row)), added);
            },
            (repair) =>
              evidenceOfPart(
                wanted,
                [part.ref, ...this.source.given.target.neighboursOf(wanted.ref)],
                repair,
              ),
          );
        }
      }
  }
}
