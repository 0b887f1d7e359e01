import { isSupplySocket } from '../../boards';
import type { Ref } from '../../brand';
import { columnsOf, sideOf } from '../../breadboards';
import type { FindingCode } from '../../findings/finding';
import type { Exercise } from '../../formats/exercise';
import { kindOf } from '../../parts';
import {
  nameOf,
  withLegAt,
  withPart,
  type Hole,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';

/** What a slip makes of the wiring, at one place. */
export interface Slipped {
  readonly what: string;
  readonly wiring: Wiring;
  readonly refs: readonly Ref[];
}

/** A kind of slip of a hand at the breadboard. */
export interface WiringSlip {
  readonly sort: string;
  readonly codes: readonly FindingCode[];
  /** It at every place where it can be made; what no hand can do is left out afterwards. */
  readonly made: (bench: Bench) => Iterable<Slipped>;
}

/** Codes of a circuit that is open somewhere, and of one that is shorted. */
export const OPEN: readonly FindingCode[] = [
  'rail-unpowered',
  'no-return',
  'leg-open',
  'part-missing',
  'input-floating',
  'pull-missing',
  'no-common-ground',
  'button-never-closes',
  'module-lines-swapped',
  // A wire that led across.
  'gap-not-crossed',
];
export const SHORTS: readonly FindingCode[] = [
  'supply-short',
  'pin-short',
  'short-when-pressed',
  'rail-swapped',
];

/** A leg that stands somewhere. */
export interface Seated {
  readonly part: PlacedPart;
  readonly placed: PlacedLeg;
  readonly at: Point;
}

/** The reference wiring of an exercise as a hand finds it: what is where, and what is free beside it. */
export class Bench {
  readonly wiring: Wiring;
  readonly parts: readonly PlacedPart[];
  readonly rows: number;
  private readonly used: ReadonlySet<string>;

  constructor(readonly exercise: Exercise) {
    this.wiring = exercise.reference;
    this.parts = this.wiring.parts;
    this.rows = this.wiring.breadboards[0]?.model.rows ?? 0;
    this.used = new Set(this.parts.flatMap(({ legs }) => legs.flatMap(({ at }) => (at ? [nameOf(at)] : []))));
  }

  get seated(): readonly Seated[] {
    return this.parts.flatMap((part) =>
      part.legs.flatMap((placed) => (placed.at ? [{ part, placed, at: placed.at }] : [])),
    );
  }

  /** Whether something can be plugged in there. */
  isFree(place: Point): boolean {
    return !('row' in place && (place.row < 1 || place.row > this.rows)) && !this.used.has(nameOf(place));
  }

  /** The hole itself when it is free, or another of its strip. */
  freeInStripOf(hole: Hole): Hole | undefined {
    return [hole.column, ...columnsOf(sideOf(hole.column))]
      .map((column): Hole => ({ ...hole, column }))
      .find((one) => this.isFree(one));
  }

  isSupply(pin: string): boolean {
    return isSupplySocket(this.exercise.board, pin);
  }

  moved({ part, placed }: Pick<Seated, 'part' | 'placed'>, to: Point): Slipped {
    return {
      what: `${part.ref}.${placed.leg} in ${nameOf(to)}`,
      wiring: withPart(this.wiring, withLegAt(part, placed.leg, to)),
      refs: [part.ref],
    };
  }

  /** The part with its legs in other places, in the order of its legs. */
  reseated(part: PlacedPart, places: readonly (Point | null)[], what: string = part.ref): Slipped {
    const legs = part.legs.map((placed, index) => ({ ...placed, at: places[index]! }));
    return { what, wiring: withPart(this.wiring, { ...part, legs }), refs: [part.ref] };
  }

  valued(part: PlacedPart, value: PlacedPart['value']): Slipped {
    return {
      what: `${part.ref} = ${value.text}`,
      wiring: withPart(this.wiring, { ...part, value }),
      refs: [part.ref],
    };
  }

  without(part: PlacedPart): Slipped {
    return {
      what: part.ref,
      wiring: { ...this.wiring, parts: this.parts.filter((other) => other !== part) },
      refs: [part.ref],
    };
  }
}

/** Whether a part's legs are leads that a hand can bend one by one. */
export const isBendable = ({ kind, legs }: PlacedPart): boolean =>
  kindOf(kind).footprint.type === 'leads' && legs.length === 2;

export const isWire = ({ kind }: PlacedPart): boolean => kindOf(kind).conductor;
