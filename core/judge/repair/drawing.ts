import { effort } from '../../effort';
import { kindOf } from '../../parts';
import { stripOf } from '../../wiring/netlist';
import { findPart, type PlacedLeg, type PlacedPart, type Point, type Wiring } from '../../wiring/wiring';
import type { Target } from './target';

/** What a wire of the drawing is worth to one of a build: for each end in its place, for its name, for its colour. */
const [SAME_END, SAME_NAME, SAME_COLOUR] = [4, 2, 1];
/** What it takes to compare two wires. */
const EFFORT_OF_A_PAIR = 200;

/** A wire of the drawing, and whether its first end is the second one of the wire that was built. */
interface DrawnWire {
  readonly wire: PlacedPart;
  readonly isTurned: boolean;
}

/**
 * The exercise's drawing, as far as a build follows it: some rows farther down, perhaps, and with other names. Where a
 * build follows it, what is in another place than there is what has slipped.
 */
export class Drawing {
  /** Rows by which most of the build stands farther down. */
  private readonly rowsOff: number;
  private readonly wires: ReadonlyMap<PlacedPart['ref'], DrawnWire>;

  /** `drawn`: the wiring of the exercise; `built`: the build as it was handed in. */
  constructor(
    private readonly drawn: Wiring,
    readonly built: Wiring,
    private readonly target: Target,
  ) {
    this.rowsOff = this.commonShift();
    this.wires = this.pairedWires();
  }

  /** Where the drawing has a leg; `null` for one that hangs free, `undefined` for a part that it does not have. */
  placeOf(part: PlacedPart, leg: PlacedLeg['leg']): Point | null | undefined {
    const there = kindOf(part.kind).conductor ? this.drawnEnd(part, leg) : this.drawnLeg(part, leg);
    return there && this.shifted(there);
  }

  /** Whether a leg is in the very row, rail or socket in which the drawing has it. */
  hasInPlace(part: PlacedPart, { leg, at }: PlacedLeg): boolean {
    const drawn = this.placeOf(part, leg);
    return !!drawn && !!at && this.strip(drawn) === this.strip(at);
  }

  /** The places of both ends of each of its wires. */
  *ends(): Generator<readonly [Point, Point]> {
    for (const part of this.drawn.parts) {
      const [from, to] = part.legs.map(({ at }) => at);
      if (kindOf(part.kind).conductor && from && to) yield [this.shifted(from), this.shifted(to)];
    }
  }

  private shifted(at: Point): Point {
    return at.type === 'hole' ? { ...at, row: at.row + this.rowsOff } : at;
  }

  private strip(at: Point): string {
    return stripOf(at, this.built);
  }

  private drawnLeg(part: PlacedPart, leg: PlacedLeg['leg']): Point | null | undefined {
    const asked = this.target.askedFor(part.ref);
    const own = asked && findPart(this.drawn, asked.ref);
    return own?.legs.find((known) => known.leg === leg)?.at;
  }

  private drawnEnd(part: PlacedPart, leg: PlacedLeg['leg']): Point | null | undefined {
    const own = this.wires.get(part.ref);
    if (!own) return undefined;
    const index = part.legs.findIndex((end) => end.leg === leg);
    return own.wire.legs[own.isTurned ? 1 - index : index]?.at;
  }

  /** The rows by which most legs of the parts are farther down; 0 where they have no such number. */
  private commonShift(): number {
    const counts = new Map<number, number>();
    let legs = 0;
    for (const part of this.built.parts) {
      if (kindOf(part.kind).conductor) continue;
      for (const { leg, at } of part.legs) {
        const there = this.drawnLeg(part, leg);
        if (at?.type !== 'hole' || there?.type !== 'hole') continue;
        legs += 1;
        counts.set(at.row - there.row, (counts.get(at.row - there.row) ?? 0) + 1);
      }
    }
    const [most] = [...counts].sort(([, one], [, other]) => other - one);
    return most && most[1] * 2 > legs ? most[0] : 0;
  }

  /** The wire of the drawing that each wire of the build is: by where its ends are, by its name and by its colour. */
  private pairedWires(): ReadonlyMap<PlacedPart['ref'], DrawnWire> {
    const isWire = ({ kind, legs }: PlacedPart): boolean => kindOf(kind).conductor && legs.length === 2;
    const [built, drawn] = [this.built.parts.filter(isWire), this.drawn.parts.filter(isWire)];
    effort(built.length * drawn.length * EFFORT_OF_A_PAIR);
    const stripsOf = (wire: PlacedPart, place: (at: Point) => Point): readonly (string | undefined)[] =>
      wire.legs.map(({ at }) => (at ? this.strip(place(at)) : undefined));
    const there = drawn.map((wire) => ({ wire, strips: stripsOf(wire, (at) => this.shifted(at)) }));
    const choices = built.flatMap((own) => {
      const [one, two] = stripsOf(own, (at) => at);
      return there.flatMap(({ wire, strips: [first, second] }) =>
        [false, true].flatMap((isTurned) => {
          const [from, to] = isTurned ? [second, first] : [first, second];
          const ends = Number(one !== undefined && one === from) + Number(two !== undefined && two === to);
          const isNamesake = wire.ref === own.ref && !isTurned;
          const worth =
            ends * SAME_END +
            (isNamesake ? SAME_NAME : 0) +
            (wire.value.text === own.value.text ? SAME_COLOUR : 0);
          return ends > 0 || isNamesake ? [{ own, wire, isTurned, worth }] : [];
        }),
      );
    });
    const paired = new Map<PlacedPart['ref'], DrawnWire>();
    const taken = new Set<PlacedPart>();
    for (const { own, wire, isTurned } of choices.sort((a, b) => b.worth - a.worth)) {
      if (paired.has(own.ref) || taken.has(wire)) continue;
      paired.set(own.ref, { wire, isTurned });
      taken.add(wire);
    }
    return paired;
  }
}
