import type { BoardProfile } from '../boards';
import type { LegName, PointName, Ref } from '../brand';
import { pointName } from '../brand';
import type { Breadboard, Column, Rail } from '../breadboards';
import type { PartValue } from '../parts';

/** A place where a leg or a wire end can be. */
export type Point =
  | { readonly type: 'pin'; readonly ref: Ref; readonly pin: string }
  | { readonly type: 'hole'; readonly ref: Ref; readonly column: Column; readonly row: number }
  | { readonly type: 'rail'; readonly ref: Ref; readonly rail: Rail; readonly row: number }
  | { readonly type: 'leg'; readonly ref: Ref; readonly leg: LegName };

/** A hole of the numbered rows. */
export type Hole = Extract<Point, { type: 'hole' }>;

/** One leg or wire end and where it is; `null` when it hangs free. */
export interface PlacedLeg {
  readonly leg: LegName;
  readonly at: Point | null;
  /** Line of the table that placed it, when it came from one. */
  readonly line?: number;
}

export interface PlacedPart {
  readonly ref: Ref;
  /** Name of its part kind. */
  readonly kind: string;
  readonly value: PartValue;
  /** Every leg of the kind, in the kind's order. */
  readonly legs: readonly PlacedLeg[];
}

/** What was actually plugged where. */
export interface Wiring {
  readonly board?: { readonly ref: Ref; readonly profile: BoardProfile };
  readonly breadboards: readonly { readonly ref: Ref; readonly model: Breadboard }[];
  readonly parts: readonly PlacedPart[];
}

/** Full name of a point, as it stands in tables and reports. */
export function nameOf(point: Point): PointName {
  switch (point.type) {
    case 'pin':
      return pointName(`${point.ref}.${point.pin}`);
    case 'hole':
      return pointName(`${point.ref}.${point.column}${point.row}`);
    case 'rail':
      return pointName(`${point.ref}.${point.rail}${point.row}`);
    case 'leg':
      return legPoint(point.ref, point.leg);
  }
}

/** Full name of a part's own leg: `D1.anode`. */
export const legPoint = (ref: Ref, leg: LegName): PointName => pointName(`${ref}.${leg}`);

/** The point as one writes it where there is only one board and one breadboard: `a5`, `13`. */
export const shortNameOf = (point: Point): string => {
  const name = nameOf(point);
  return point.type === 'leg' ? name : name.slice(name.indexOf('.') + 1);
};

export const findPart = (wiring: Wiring, ref: Ref): PlacedPart | undefined =>
  wiring.parts.find((part) => part.ref === ref);

/** The same wiring with one part replaced. */
export const withPart = (wiring: Wiring, part: PlacedPart): Wiring => ({
  ...wiring,
  parts: wiring.parts.map((other) => (other.ref === part.ref ? part : other)),
});

/** The same part with one leg somewhere else. */
export const withLegAt = (part: PlacedPart, leg: LegName, at: Point | null): PlacedPart => ({
  ...part,
  legs: part.legs.map((placed) => (placed.leg === leg ? { ...placed, at } : placed)),
});
