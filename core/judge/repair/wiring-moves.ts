import { sideOf } from '../../breadboards';
import type { Edit } from '../../findings/finding';
import { isContact, isEitherWay, kindOf, turnsOf } from '../../parts';
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
  type Hole,
} from '../../wiring/wiring';
import { inPlace, legText, legTitle, partText } from '../../wiring/words';
import { listText } from '../../words/words';
import type { Candidate } from './candidate';
import {
  evidenceOfMove,
  evidenceOfShift,
  evidenceOfSwap,
  evidenceOfSwappedLegs,
  evidenceOfTurn,
  moveText,
} from './evidence-of-moves';
import type { Net, Root } from './homes';
import { isRigid, reseated, type EditSource } from './edit-source';
import { AS_DRAWN, cost, PART_LEG, WRONG_SIGN } from './wiring-cost';

/** The leg whose place each leg of a button takes when it is turned by a quarter, to either side. */
const QUARTERS = [
  [0, 2, 1, 3],
  [1, 3, 0, 2],
];
/** Rows by which a whole part is likely to be off. */
const SHIFTS = [-1, 1, -2, 2];
/** What each row costs by which a whole part is off, beyond the first one. */
const ROW_MORE = 0.3;
/** Legs of a part up to which each of them is told where it goes. */
const MOST_TOLD = 4;

/** Where a leg may go, and what it meets there. */
interface Goal {
  readonly net: Net;
  readonly point: Point;
}

interface End {
  readonly part: PlacedPart;
  readonly leg: PlacedLeg;
  readonly at: Point;
  readonly root: Root;
}

/** Changes that put what is there somewhere else. */
export class WiringMoves {
  constructor(private readonly source: EditSource) {}

  *moves(): Generator<Candidate> {
    for (const part of this.source.wiring.parts) {
      if (isRigid(part)) continue;
      for (const leg of part.legs) {
        // A lead that hangs free in the drawing too is met by wires.
        if (!leg.at && this.source.given.drawing.placeOf(part, leg.leg) === null) continue;
        for (const { net, point } of this.goalsOf(part, leg)) {
          const to = this.seatOn(point, part, leg);
          if (!to || !fastens(part, to)) continue;
          const moved = withLegAt(part, leg.leg, to);
          if (overreachOf(moved) || straddles(moved)) continue;
          yield this.source.changed(
            [{ move: `${part.ref}.${leg.leg}`, from: leg.at ? nameOf(leg.at) : '', to: nameOf(to) }],
            this.moveCost(part, leg, { net, to }),
            moveText(legText(part, leg.leg), leg.at, to, this.source.wiring),
            (wiring) => {
              const now = findPart(wiring, part.ref);
              return now && withPart(wiring, withLegAt(now, leg.leg, to));
            },
            () => evidenceOfMove({ part, leg }, to, this.source.given.board, this.source.wiring),
          );
        }
      }
    }
  }

  /** The strips where a leg belongs, or where a wire's end would meet what its other end is joined to. */
  private goalsOf(part: PlacedPart, { leg, at }: PlacedLeg): readonly Goal[] {
    const { look } = this.source.given;
    const own = look.rootOf(at ? nameOf(at) : legPoint(part.ref, leg));
    const nets = kindOf(part.kind).conductor
      ? part.legs.flatMap((end) => [...look.netsAt(look.rootOf(legPoint(part.ref, end.leg)))])
      : turnsOf(part).length > 0
        ? look.legNetsOf(part.ref)
        : [look.netOf(legPoint(part.ref, leg))];
    return [...new Set(nets)].flatMap((net) =>
      net === undefined || (!look.isWrong(own) && look.rootsWith(net).size < 2)
        ? []
        : this.source
            .piecesOf(net)
            .flatMap(({ root, strips }) => (root === own ? [] : strips.map((point) => ({ net, point })))),
    );
  }

  /** A free place on the strip of a point: the hole beside that of the leg, that of the drawing, or one nearby. */
  private seatOn(point: Point, part: PlacedPart, { leg, at }: PlacedLeg): Point | undefined {
    const { wiring, seats } = this.source;
    const near = seats.freeOn(point, at);
    if (near?.type !== 'hole' || (at?.type === 'hole' && near.column === at.column)) return near;
    const drawn = this.source.given.drawing.placeOf(part, leg);
    const isThere = drawn && stripOf(drawn, wiring) === stripOf(point, wiring) && seats.isFree(drawn);
    return isThere ? drawn : near;
  }

  private moveCost(part: PlacedPart, leg: PlacedLeg, { net, to }: { net: Net; to: Point }): number {
    return (
      (kindOf(part.kind).conductor ? 0 : PART_LEG) +
      (this.source.given.drawing.hasInPlace(part, leg) ? AS_DRAWN : 0) +
      (this.contradicts(net, to) ? WRONG_SIGN : 0) +
      distanceCost(leg.at, to)
    );
  }

  /** Whether a place is in a rail of the other sign than what belongs on a net. */
  private contradicts(net: Net, to: Point): boolean {
    if (to.type !== 'rail') return false;
    const { board, target } = this.source.given;
    const sign = to.rail.endsWith('+') ? 'supply' : 'ground';
    const roles = target.socketsOf(net).map((pin) => board.supplies.find(({ name }) => name === pin)?.role);
    return roles.includes(sign === 'supply' ? 'ground' : 'supply');
  }

  /** Parts turned round or end for end, and buttons turned by a quarter. */
  *turns(): Generator<Candidate> {
    for (const part of this.source.wiring.parts) {
      const kind = kindOf(part.kind);
      if (kind.conductor || part.legs.length < 2 || part.legs.some(({ at }) => !at)) continue;
      const at = part.legs.map((leg) => leg.at);
      if (part.legs.length === 2) {
        if (isEitherWay(part)) continue;
        const text = `Turn ${partText(part)} round.`;
        yield this.source.changed(
          [{ flip: part.ref }],
          cost.turn,
          text,
          (wiring) => reseated(wiring, part.ref, [at[1]!, at[0]!]),
          (repair) => evidenceOfTurn(part, 'round', repair),
        );
        continue;
      }
      const isQuarter = isContact(part) && part.legs.length === 4;
      // Which of its sides a contact had on which side nobody can see: it is turned both ways.
      const turned = isQuarter
        ? QUARTERS.map((order) => order.map((index) => at[index]!))
        : // Round where it is, and as who records the legs from the other end writes it down.
          [...turnedAcross(part), at.toReversed().map((place) => place!)];
      for (const to of turned)
        yield this.source.reseating(
          part,
          to,
          cost.turn + (isQuarter ? 0 : PART_LEG),
          `Take ${partText(part)} out, ${isQuarter ? 'give it a quarter turn' : 'turn it round'}, and put it back in.`,
          (repair) => evidenceOfTurn(part, isQuarter ? 'by a quarter' : 'round', repair),
        );
      if (!isQuarter) yield* this.turnsElsewhere(part, turned.at(-1)!);
    }
  }

  /**
   * Parts across the centre gap that are turned round and some rows off as well, or whose legs were written down in
   * the order of the rows: who does not know which side is which counts from the same end all the same.
   */
  private *turnsElsewhere(part: PlacedPart, turned: readonly Point[]): Generator<Candidate> {
    const { footprint } = kindOf(part.kind);
    if (footprint.type !== 'block' || !part.legs.some(({ leg }) => this.isAstray(part, leg))) return;
    const { one, other } = footprint;
    const holes = part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
    if (one.length !== other.length || holes.length !== part.legs.length) return;
    const holeOf = new Map(part.legs.map(({ leg }, index) => [leg, holes[index]!]));
    const facing = part.legs.map(({ leg }) => {
      const [across] = [one, other].flatMap((side, index) => {
        const row = side.indexOf(leg);
        return row < 0 ? [] : [(index === 0 ? other : one)[row]];
      });
      return across ? holeOf.get(across) : undefined;
    });
    const around = turned.flatMap((point) => (point.type === 'hole' ? [point] : []));
    const elsewhere = SHIFTS.map((rows) => ({
      to: around.map((hole): Hole => ({ ...hole, row: hole.row + rows })),
      rows: Math.abs(rows),
    }));
    for (const { to, rows } of [{ to: facing, rows: 0 }, ...elsewhere])
      if (to.every((hole) => hole !== undefined) && this.isRoomFor(part, to))
        yield this.source.reseating(
          part,
          to,
          cost.turn + PART_LEG + ROW_MORE * (1 + rows),
          `Take ${partText(part)} out, turn it round, and put it back in with ${seatText(part, to, 'in')}.`,
          (repair) => evidenceOfTurn(part, 'round', repair),
        );
  }

  /** Parts that are some rows off with all their legs. */
  *shifts(): Generator<Candidate> {
    for (const part of this.source.wiring.parts) {
      if (kindOf(part.kind).conductor || !part.legs.some(({ leg }) => this.isAstray(part, leg))) continue;
      const holes = part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
      if (holes.length !== part.legs.length) continue;
      for (const rows of SHIFTS) {
        const to = holes.map((hole): Hole => ({ ...hole, row: hole.row + rows }));
        if (!this.isRoomFor(part, to)) continue;
        const goal =
          to.length > MOST_TOLD
            ? `, so that ${seatText(part, to, 'is in')}`
            : `: to ${listText(to.map(shortNameOf))}`;
        yield this.source.reseating(
          part,
          to,
          cost.shift + ROW_MORE * (Math.abs(rows) - 1),
          `Move ${partText(part)} by ${Math.abs(rows) === 1 ? 'one row' : `${Math.abs(rows)} rows`}, all its legs together${goal}.`,
          (repair) => evidenceOfShift(part, rows, repair),
        );
      }
    }
  }

  private isAstray(part: PlacedPart, leg: PlacedLeg['leg']): boolean {
    const { look } = this.source.given;
    return look.isWrong(look.rootOf(legPoint(part.ref, leg)));
  }

  /** Whether a part can stand in these holes, once it is taken out of those that it is in. */
  private isRoomFor(part: PlacedPart, to: readonly Hole[]): boolean {
    const { breadboards } = this.source.wiring;
    const own = new Set(part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])));
    return to.every((hole) => {
      const rows = breadboards.find((board) => board.ref === hole.ref)?.model.rows ?? 0;
      return hole.row >= 1 && hole.row <= rows && this.source.seats.isFree(hole, own);
    });
  }

  /** Ends of two wires that are in each other's places. */
  *swaps(): Generator<Candidate> {
    const { look } = this.source.given;
    const ends = this.source.wiring.parts.flatMap((part): readonly End[] =>
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
        const text = `Swap ${partText(one.part)} and ${partText(two.part)}: put ${one.part.ref} ${inPlace(two.at, this.source.wiring)}, and ${two.part.ref} ${inPlace(one.at, this.source.wiring, two.at)}.`;
        yield this.source.changed(
          [moveOf(one, two.at), moveOf(two, one.at)],
          cost.swap +
            (one.at.type === 'pin' ? 0 : 0.1) +
            ([one, two].every((end) => this.source.given.drawing.hasInPlace(end.part, end.leg))
              ? AS_DRAWN
              : 0),
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
          (repair) => evidenceOfSwap(one, two, this.source.given.board, this.source.wiring, repair),
        );
      }
  }

  /** Legs of a part, each of which can be bent by itself, that are in each other's holes. */
  *legSwaps(): Generator<Candidate> {
    for (const part of this.source.wiring.parts) {
      if (isRigid(part) || kindOf(part.kind).conductor || part.legs.length < 3) continue;
      const astray = part.legs.filter(({ leg, at }) => at && this.isAstray(part, leg));
      for (const [index, one] of astray.entries())
        for (const two of astray.slice(index + 1)) {
          const to = part.legs.map((leg) => (leg === one ? two.at! : leg === two ? one.at! : leg.at!));
          yield this.source.reseating(
            part,
            to,
            cost.swap +
              PART_LEG +
              ([one, two].every((leg) => this.source.given.drawing.hasInPlace(part, leg)) ? AS_DRAWN : 0),
            `Swap two legs of ${partText(part)}: put its ${legTitle(part, one.leg)} ${inPlace(two.at!, this.source.wiring)}, and its ${legTitle(part, two.leg)} ${inPlace(one.at!, this.source.wiring)}.`,
            (repair) => evidenceOfSwappedLegs(part, one, two, this.source.wiring, repair),
          );
        }
    }
  }
}

/**
 * The places of the legs of a part on both sides of the centre gap when it is turned round where it is: of the rows that it
 * stands in, each leg gets the one across that is as far from the other end. None for a part of another form.
 */
function turnedAcross({ kind, legs }: PlacedPart): readonly (readonly Hole[])[] {
  const { footprint } = kindOf(kind);
  if (footprint.type !== 'block' || footprint.other.length === 0) return [];
  const sides = [footprint.one, footprint.other];
  const seats = legs.flatMap(({ leg, at }) => {
    const side = sides.findIndex((names) => names.includes(leg));
    return at?.type === 'hole' && side >= 0 ? [{ at, side, index: sides[side]!.indexOf(leg) }] : [];
  });
  const [first] = seats;
  const second = seats.find(({ index }) => index !== first?.index);
  if (!first || !second || seats.length !== legs.length) return [];
  const step = Math.sign((second.at.row - first.at.row) / (second.index - first.index));
  const columns = sides.map((_, side) => seats.find((seat) => seat.side === side)?.at.column);
  const last = footprint.one.length - 1;
  const turned = seats.flatMap(({ at, side, index }): readonly Hole[] => {
    const column = columns[1 - side];
    return column ? [{ ...at, column, row: first.at.row + step * (last - index - first.index) }] : [];
  });
  return turned.length === legs.length ? [turned] : [];
}

/** Where a part of many legs goes, by the first of them. */
const seatText = (part: PlacedPart, to: readonly Hole[], goes: 'in' | 'is in'): string =>
  `its ${legTitle(part, part.legs[0]!.leg)} ${goes} hole ${shortNameOf(to[0]!)}`;

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
