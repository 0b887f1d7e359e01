import { ref, type LegName, type PointName, type Ref } from '../brand';
import type { Assumption, ReadLine } from './statement';

/** A part as an exercise lists it. */
export interface StatedPart {
  readonly ref: Ref;
  readonly kind: string;
  readonly value: string;
  readonly accept?: { readonly from: string; readonly to: string };
}

/** Points of an exercise that are one node. */
export interface StatedNet {
  readonly name: string;
  readonly points: readonly PointName[];
}

/** A part line as it is kept: its text and the parts that it has made before. */
export interface PartLine {
  readonly text: string;
  readonly refs: readonly Ref[];
}

/** A part line with everything that was made of it. */
export interface StatedLine extends ReadLine {
  readonly refs: readonly Ref[];
  readonly assumptions: readonly Assumption[];
}

/** The circuit that part lines describe. */
export interface StatedCircuit {
  readonly lines: readonly StatedLine[];
  readonly parts: readonly StatedPart[];
  readonly nets: readonly StatedNet[];
  /** Which pins may stand for a pin, by the pin's point. */
  readonly freePins: Readonly<Record<string, string>>;
}

/** Name of the board in an exercise's points. */
export const BOARD_REF = ref('U1');

/** A point's owner and the leg or socket. */
export function splitPoint(point: PointName | string): readonly [Ref, LegName] {
  const dot = point.indexOf('.');
  return [ref(point.slice(0, dot)), point.slice(dot + 1) as LegName];
}
