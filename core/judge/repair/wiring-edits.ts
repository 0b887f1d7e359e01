import type { BoardProfile } from '../../boards';
import { ref as makeRef, type PointName, type Ref } from '../../brand';
import { sideOf } from '../../breadboards';
import type { Edit, Repair } from '../../findings/finding';
import { isContact, kindOf } from '../../parts';
import { stripOf } from '../../wiring/netlist';
import { overreachOf } from '../../wiring/read';
import {
  findPart,
  legPoint,
  nameOf,
  shortNameOf,
  withLegAt,
  withPart,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';
import { legText, partText, placeText } from '../../wiring/words';
import { listText, withArticle } from '../../words/words';
import type { Candidate, Evidence } from './candidate';
import {
  evidenceOfMove,
  evidenceOfPart,
  evidenceOfRemoval,
  evidenceOfShift,
  evidenceOfSwap,
  evidenceOfTurn,
  evidenceOfValue,
  evidenceOfWire,
  moveText,
} from './evidence';
import { Seats } from './seats';
import type { Look, Net, Root, Target } from './target';

type Hole = Extract<Point, { type: 'hole' }>;

/** Costs by what a hand has to do; docs/findings.md says how they were chosen. */
const cost = {
  row: 1,
  side: 1.1,
  rail: 1.5,
  pin: 1.6,
  farther: 2,
  turn: 1,
  shift: 1.2,
  swap: 1.9,
  value: 1.4,
  remove: 2.5,
  addWire: 2.7,
  addPart: 3,
  insertPart: 3.5,
} as const;
/** A part is seated by its legs, a wire is not: its end is the likelier slip. */
const PART_LEG = 0.2;
/** An end that sits where the drawing has it is the less likely slip. */
const AS_DRAWN = 0.6;
/** Something put in where the drawing has it is what the hand left out. */
const BACK_AS_DRAWN = -0.3;
/** Rows by which a whole part is likely to be off. */
const SHIFTS = [-1, 1, -2, 2];

/** Where the edits of a wiring come from. */
export interface EditsOf {
  readonly wiring: Wiring;
  readonly target: Target;
  readonly look: Look;
  /** The wiring as the exercise draws it. */
  readonly drawn: Wiring;
  readonly board: BoardProfile;
}

/**
 * Changes of a wiring that could bring it nearer to its target: each puts something where it belongs, and none is made
 * that only parks a wire or joins what the exercise keeps apart.
 */
export function* wiringCandidates(given: EditsOf): Generator<Candidate> {
  const edits = new WiringEdits(given);
  yield* edits.turns();
  yield* edits.moves();
  yield* edits.shifts();
  yield* edits.swaps();
  yield* edits.values();
  yield* edits.removals();
  yield* edits.addedWires();
  yield* edits.addedParts();
}

/** A part of a net that is joined in itself, with a point of each of its strips. */
interface Piece {
  readonly root: Root;
  readonly strips: readonly Point[];
}

interface End {
  readonly part: PlacedPart;
  readonly leg: PlacedLeg;
  readonly at: Point;
  readonly root: Root;
}

class WiringEdits {
  private readonly wiring: Wiring;
  private readonly seats: Seats;
  /** A point of each strip in use, by the node that it is on. */
  private readonly byRoot = new Map<Root, Point[]>();

  constructor(private readonly given: EditsOf) {
    this.wiring = given.wiring;
    this.seats = new Seats(given.wiring);
    for (const point of this.seats.strips) this.noteStrip(given.look.rootOf(nameOf(point)), point);
  }

  /** Legs that are in no hole: leads that a wire can be fastened to. */
  private get hanging(): readonly Point[] {
    return this.wiring.parts.flatMap(({ ref, legs }) =>
      legs.flatMap(({ leg, at }): readonly Point[] => (at ? [] : [{ type: 'leg', ref, leg }])),
    );
  }

  private noteStrip(root: Root, point: Point): void {
    this.byRoot.set(root, [...(this.byRoot.get(root) ?? []), point]);
  }

  /** A strip or socket for each piece of a net; a socket that nothing is in yet is one of them. */
  private piecesOf(net: Net): readonly Piece[] {
    const { look, target } = this.given;
    return [...look.rootsWith(net)].flatMap((root): Piece[] => {
      const strips = this.byRoot.get(root);
      if (strips) return [{ root, strips }];
      const { board } = this.wiring;
      const alone = [
        ...(board ? target.socketsOf(net).map((pin): Point => ({ type: 'pin', ref: board.ref, pin })) : []),
        ...this.hanging,
      ].find((point) => look.rootOf(nameOf(point)) === root);
      return alone ? [{ root, strips: [alone] }] : [];
    });
  }

  private drawnAt(part: PlacedPart, leg: PlacedLeg['leg']): Point | null | undefined {
    return findPart(this.given.drawn, part.ref)?.legs.find((known) => known.leg === leg)?.at;
  }

  *moves(): Generator<Candidate> {
    for (const part of this.wiring.parts) {
      if (isRigid(part)) continue;
      for (const leg of part.legs) {
        // A lead that hangs free in the drawing too is met by wires.
        if (!leg.at && this.drawnAt(part, leg.leg) === null) continue;
        for (const point of this.goalsOf(part, leg)) {
          const to = this.seats.freeOn(point, leg.at);
          if (!to || !fastens(part, to)) continue;
          const moved = withLegAt(part, leg.leg, to);
          if (overreachOf(moved) || straddles(moved)) continue;
          yield this.changed(
            [{ move: `${part.ref}.${leg.leg}`, from: leg.at ? nameOf(leg.at) : '', to: nameOf(to) }],
            this.moveCost(part, leg, to),
            moveText(legText(part, leg.leg), leg.at, to),
            (wiring) => {
              const now = findPart(wiring, part.ref);
              return now && withPart(wiring, withLegAt(now, leg.leg, to));
            },
            () => evidenceOfMove({ part, leg }, to, this.given.board),
          );
        }
      }
    }
  }

  /** The strips where a leg belongs, or where a wire's end would meet what its other end is joined to. */
  private goalsOf(part: PlacedPart, { leg, at }: PlacedLeg): readonly Point[] {
    const { look, target } = this.given;
    const own = look.rootOf(at ? nameOf(at) : legPoint(part.ref, leg));
    const nets = kindOf(part.kind).conductor
      ? part.legs.flatMap((end) => [...look.netsAt(look.rootOf(legPoint(part.ref, end.leg)))])
      : kindOf(part.kind).turns.length > 0
        ? target.netsOf(part.ref)
        : [look.netOf(legPoint(part.ref, leg))];
    return [...new Set(nets)].flatMap((net) =>
      net === undefined || (!look.isWrong(own) && look.rootsWith(net).size < 2)
        ? []
        : this.piecesOf(net).flatMap(({ root, strips }) => (root === own ? [] : strips)),
    );
  }

  private moveCost(part: PlacedPart, { leg, at }: PlacedLeg, to: Point): number {
    const drawn = this.drawnAt(part, leg);
    const extra =
      (kindOf(part.kind).conductor ? 0 : PART_LEG) +
      (drawn && at && nameOf(drawn) === nameOf(at) ? AS_DRAWN : 0);
    return extra + distanceCost(at, to);
  }

  /** Parts turned round or end for end, and buttons turned by a quarter. */
  *turns(): Generator<Candidate> {
    for (const part of this.wiring.parts) {
      const kind = kindOf(part.kind);
      if (kind.conductor || part.legs.length < 2 || part.legs.some(({ at }) => !at)) continue;
      const at = part.legs.map((leg) => leg.at);
      if (part.legs.length === 2) {
        if (kind.symmetrical) continue;
        const text = `Turn ${partText(part)} round.`;
        yield this.changed(
          [{ flip: part.ref }],
          cost.turn,
          text,
          (wiring) => reseated(wiring, part.ref, [at[1]!, at[0]!]),
          (repair) => evidenceOfTurn(part, 'round', repair),
        );
        continue;
      }
      const isQuarter = isContact(part) && part.legs.length === 4;
      const to = isQuarter ? [at[0]!, at[2]!, at[1]!, at[3]!] : [...at].reverse();
      yield this.reseating(
        part,
        to.map((point) => point!),
        cost.turn + PART_LEG,
        `Take ${partText(part)} out, ${isQuarter ? 'give it a quarter turn' : 'turn it round'}, and put it back in.`,
        (repair) => evidenceOfTurn(part, isQuarter ? 'by a quarter' : 'round', repair),
      );
    }
  }

  /** Parts that are some rows off with all their legs. */
  *shifts(): Generator<Candidate> {
    for (const part of this.wiring.parts) {
      if (kindOf(part.kind).conductor || !part.legs.some(({ leg }) => this.isAstray(part, leg))) continue;
      const holes = part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
      if (holes.length !== part.legs.length) continue;
      const own = new Set(holes.map(nameOf));
      for (const rows of SHIFTS) {
        const to = holes.map((hole): Hole => ({ ...hole, row: hole.row + rows }));
        if (!to.every((hole) => this.isHole(hole) && this.seats.isFree(hole, own))) continue;
        yield this.reseating(
          part,
          to,
          cost.shift + 0.3 * (Math.abs(rows) - 1),
          `Move ${partText(part)} by ${Math.abs(rows) === 1 ? 'one row' : `${Math.abs(rows)} rows`}, all its legs together: to ${listText(to.map(shortNameOf))}.`,
          (repair) => evidenceOfShift(part, rows, repair),
        );
      }
    }
  }

  private isAstray(part: PlacedPart, leg: PlacedLeg['leg']): boolean {
    const { look } = this.given;
    return look.isWrong(look.rootOf(legPoint(part.ref, leg)));
  }

  private isHole({ ref, row }: Hole): boolean {
    const rows = this.wiring.breadboards.find((board) => board.ref === ref)?.model.rows ?? 0;
    return row >= 1 && row <= rows;
  }

  /** Ends of two wires that are in each other's places. */
  *swaps(): Generator<Candidate> {
    const { look } = this.given;
    const ends = this.wiring.parts.flatMap((part): readonly End[] =>
      kindOf(part.kind).conductor
        ? part.legs.flatMap((leg) => {
            const root = look.rootOf(legPoint(part.ref, leg.leg));
            return leg.at && look.isWrong(root) ? [{ part, leg, at: leg.at, root }] : [];
          })
        : [],
    );
    for (const [index, one] of ends.entries())
      for (const two of ends.slice(index + 1)) {
        if (one.part === two.part || one.root === two.root || one.at.type !== two.at.type) continue;
        const text = `Swap ${partText(one.part)} and ${partText(two.part)}: put ${one.part.ref} in ${placeText(two.at)}, and ${two.part.ref} in ${placeText(one.at)}.`;
        yield this.changed(
          [moveOf(one, two.at), moveOf(two, one.at)],
          cost.swap + (one.at.type === 'pin' ? 0 : 0.1),
          text,
          (wiring) => {
            const [first, second] = [findPart(wiring, one.part.ref), findPart(wiring, two.part.ref)];
            return (
              first &&
              second &&
              withPart(
                withPart(wiring, withLegAt(first, one.leg.leg, two.at)),
                withLegAt(second, two.leg.leg, one.at),
              )
            );
          },
          (repair) => evidenceOfSwap(one, two, this.given.board, this.wiring, repair),
        );
      }
  }

  *values(): Generator<Candidate> {
    for (const { part, asked } of this.given.target.otherValuesIn(this.wiring))
      yield this.changed(
        [{ value: part.ref, to: asked.value.text }],
        cost.value,
        `Use ${withArticle(kindOf(part.kind).describe(asked.value))} for ${part.ref}.`,
        (wiring) => {
          const now = findPart(wiring, part.ref);
          return now && withPart(wiring, { ...now, value: asked.value });
        },
        (repair) => evidenceOfValue(part, asked, repair),
      );
  }

  /** What stands for nothing in the exercise, and wires that join what should be apart. */
  *removals(): Generator<Candidate> {
    const { look, target } = this.given;
    const joining = this.wiring.parts.filter(
      (part) =>
        kindOf(part.kind).conductor &&
        part.legs.some(({ leg }) => look.netsAt(look.rootOf(legPoint(part.ref, leg))).size > 1),
    );
    for (const part of [...target.strayIn(this.wiring), ...joining])
      yield this.changed(
        [{ remove: part.ref }],
        cost.remove,
        `Take out ${partText(part)}.`,
        (wiring) => ({ ...wiring, parts: wiring.parts.filter((other) => other.ref !== part.ref) }),
        (repair) => evidenceOfRemoval(part, repair),
      );
  }

  /** Wires between the pieces of a net. */
  *addedWires(): Generator<Candidate> {
    const name = this.freeName('W');
    for (const net of this.given.look.split) {
      const pieces = this.piecesOf(net);
      for (const [index, { root: one, strips: from }] of pieces.entries())
        for (const { root: other, strips: to } of pieces.slice(index + 1)) {
          const drawn = this.asDrawn(one, other);
          const places = drawn ?? this.nearest(from, to);
          if (!places) continue;
          const isAlone = [one, other].some(
            (root) => this.given.look.netsAt(root).size <= 1 && this.isLone(root),
          );
          yield this.adding(
            { ref: name, kind: 'wire', value: { text: '' }, legs: legsAt('wire', places) },
            cost.addWire + (drawn ? BACK_AS_DRAWN : 0),
            `Add a wire from ${placeText(places[0])} to ${placeText(places[1])}.`,
            (repair) => evidenceOfWire(...places, { isAlone, along: this.along(one, other) }, repair),
          );
        }
    }
  }

  /** Where legs and ends are on two nodes. */
  private along(...roots: readonly Root[]): readonly PointName[] {
    return this.wiring.parts.flatMap(({ legs }) =>
      legs.flatMap(({ at }) =>
        at && roots.includes(this.given.look.rootOf(nameOf(at))) ? [nameOf(at)] : [],
      ),
    );
  }

  private isLone(root: Root): boolean {
    return (this.byRoot.get(root) ?? []).length <= 1;
  }

  /** The places of a wire of the drawing that would join two pieces, when they are free. */
  private asDrawn(one: Root, other: Root): readonly [Point, Point] | undefined {
    for (const part of this.given.drawn.parts) {
      const [from, to] = part.legs.map(({ at }) => at);
      if (!kindOf(part.kind).conductor || !from || !to) continue;
      const [first, second] = [this.rootAt(from), this.rootAt(to)];
      if (!((first === one && second === other) || (first === other && second === one))) continue;
      if (this.seats.isFree(from) && this.seats.isFree(to)) return [from, to];
    }
    return undefined;
  }

  /** The node of a place, used or not: that of its strip. */
  private rootAt(point: Point): Root {
    const { look } = this.given;
    if (point.type === 'pin' || point.type === 'leg') return look.rootOf(nameOf(point));
    const own = stripOf(point, this.wiring);
    const here = [...this.byRoot].find(([, strips]) =>
      strips.some((one) => stripOf(one, this.wiring) === own),
    );
    return here?.[0] ?? nameOf(point);
  }

  private nearest(from: readonly Point[], to: readonly Point[]): readonly [Point, Point] | undefined {
    let best: { readonly places: readonly [Point, Point]; readonly rank: number } | undefined;
    for (const one of from)
      for (const two of to) {
        const first = this.seats.freeOn(one, two);
        const second = first && this.seats.freeOn(two, first);
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
    for (const wanted of this.given.target.missingFrom(this.wiring)) {
      const drawn = this.given.drawn.parts.find(
        ({ ref, kind }) => ref === wanted.ref && kind === wanted.kind,
      );
      const places = drawn?.legs.flatMap(({ at }) => (at && this.seats.isFree(at) ? [at] : []));
      if (places && places.length === wanted.legs.length)
        yield this.puttingIn({ ...wanted, legs: legsAt(wanted.kind, places) }, cost.addPart + BACK_AS_DRAWN);
      if (wanted.legs.length !== 2) continue;
      const [one, two] = this.given.target.netsOf(wanted.ref) as [Net, Net];
      for (const from of this.piecesOf(one))
        for (const to of this.piecesOf(two)) {
          const seats = this.reaching(wanted, from.strips, to.strips);
          if (seats) yield this.puttingIn({ ...wanted, legs: legsAt(wanted.kind, seats) }, cost.addPart);
        }
      yield* this.inserted(wanted);
    }
  }

  private puttingIn(part: PlacedPart, amount: number): Candidate {
    const at = part.legs.map((leg) => shortNameOf(leg.at!));
    return this.adding(
      part,
      amount,
      part.legs.length === 2
        ? `Put ${partText(part)} between ${placeText(part.legs[0]!.at!)} and ${placeText(part.legs[1]!.at!)}.`
        : `Put ${partText(part)} in, with its legs in ${at.join(', ')}.`,
      (repair) => evidenceOfPart(part, [], repair),
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
        const first = this.seats.freeOn(one, two);
        const second = first && this.seats.freeOn(two, first);
        if (!first || !second) continue;
        if (!overreachOf({ ...part, legs: legsAt(part.kind, [first, second]) })) return [first, second];
      }
    return undefined;
  }

  /** A part put into a path: what is joined without it is taken apart, and it goes between. */
  private *inserted(wanted: PlacedPart): Generator<Candidate> {
    const { look } = this.given;
    const nets = this.given.target.netsOf(wanted.ref);
    for (const part of this.wiring.parts)
      for (const leg of part.legs) {
        const { at } = leg;
        if (isRigid(part) || !at || at.type === 'leg' || at.type === 'pin') continue;
        const root = look.rootOf(nameOf(at));
        if (!nets.every((net) => look.netsAt(root).has(net))) continue;
        const row = this.seats.emptyRow(part, leg);
        if (!row) continue;
        const beside: Point = { ...row, column: row.column === 'a' ? 'b' : 'a' };
        for (const legs of kindOf(wanted.kind).symmetrical
          ? [[beside, at]]
          : [
              [beside, at],
              [at, beside],
            ]) {
          const added: PlacedPart = { ...wanted, legs: legsAt(wanted.kind, legs) };
          if (overreachOf(added)) continue;
          yield this.changed(
            [{ move: `${part.ref}.${leg.leg}`, from: nameOf(at), to: nameOf(row) }, { add: rowsOf(added) }],
            cost.insertPart + (kindOf(part.kind).conductor ? PART_LEG : 0),
            `Move ${legText(part, leg.leg)} to ${placeText(row)}, and put ${partText(added)} between ${shortNameOf(beside)} and ${shortNameOf(at)}.`,
            (wiring) => {
              const now = findPart(wiring, part.ref);
              return now && withNewPart(withPart(wiring, withLegAt(now, leg.leg, row)), added);
            },
            (repair) => evidenceOfPart(wanted, [part.ref], repair),
          );
        }
      }
  }

  private adding(
    part: PlacedPart,
    amount: number,
    text: string,
    evidence: (repair: Repair) => Evidence,
  ): Candidate {
    return this.changed(
      [{ add: rowsOf(part) }],
      amount,
      text,
      (wiring) => withNewPart(wiring, part),
      evidence,
    );
  }

  /** All legs of a part somewhere else. */
  private reseating(
    part: PlacedPart,
    to: readonly Point[],
    amount: number,
    text: string,
    evidence: (repair: Repair) => Evidence,
  ): Candidate {
    const edits = part.legs.flatMap(({ leg, at }, index): Edit[] =>
      at && nameOf(at) !== nameOf(to[index]!)
        ? [{ move: `${part.ref}.${leg}`, from: nameOf(at), to: nameOf(to[index]!) }]
        : [],
    );
    return this.changed(edits, amount, text, (wiring) => reseated(wiring, part.ref, to), evidence);
  }

  private changed(
    edits: readonly Edit[],
    amount: number,
    text: string,
    change: (wiring: Wiring) => Wiring | undefined,
    evidence: (repair: Repair) => Evidence,
  ): Candidate {
    return {
      edits,
      cost: amount,
      text,
      domain: 'wiring',
      evidence: evidence({ text, edits }),
      apply(build) {
        const wiring = change(build.wiring);
        return wiring && { ...build, wiring };
      },
    };
  }

  private freeName(prefix: string): Ref {
    for (let number = 1; ; number += 1) {
      const name = makeRef(`${prefix}${number}`);
      if (!findPart(this.wiring, name)) return name;
    }
  }
}

function distanceCost(from: Point | null, to: Point): number {
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

/** Whether the legs of a part keep their places to each other: it moves as a whole or not at all. */
const isRigid = ({ kind }: PlacedPart): boolean => kindOf(kind).footprint.type === 'block';

/** Whether a part would have one leg in the board's socket and one in the breadboard: too far for legs. */
const straddles = (part: PlacedPart): boolean =>
  !kindOf(part.kind).conductor &&
  part.legs.some(({ at }) => at?.type === 'pin') &&
  part.legs.some(({ at }) => at !== null && 'row' in at);

/** Whether an end may be there: only wires and leads go on a leg that hangs free. */
const fastens = ({ kind }: PlacedPart, to: Point): boolean => to.type !== 'leg' || kindOf(kind).conductor;

const moveOf = ({ part, leg, at }: End, to: Point): Edit => ({
  move: `${part.ref}.${leg.leg}`,
  from: nameOf(at),
  to: nameOf(to),
});

function reseated(wiring: Wiring, name: Ref, to: readonly Point[]): Wiring | undefined {
  const now = findPart(wiring, name);
  return (
    now && withPart(wiring, { ...now, legs: now.legs.map((leg, index) => ({ ...leg, at: to[index]! })) })
  );
}

const withNewPart = (wiring: Wiring, part: PlacedPart): Wiring | undefined =>
  findPart(wiring, part.ref) ? undefined : { ...wiring, parts: [...wiring.parts, part] };

const rowsOf = ({ ref, kind, value, legs }: PlacedPart): string =>
  legs.map(({ leg, at }) => `${ref},${kind},${value.text},${leg},${at ? nameOf(at) : ''}`).join('\n');

const legsAt = (kind: string, points: readonly Point[]): readonly PlacedLeg[] =>
  kindOf(kind).legs.map(({ name }, index) => ({ leg: name, at: points[index] ?? null }));
