import type { Ref } from '../../brand';

/** The room that a part's body takes over a breadboard, in pitches: middle and half extents. */
export interface BodyBox {
  readonly board: Ref;
  readonly x: number;
  readonly y: number;
  readonly halfX: number;
  readonly halfY: number;
}

/** Whether two bodies would have to be in one place. */
export const overlaps = (one: BodyBox, other: BodyBox): boolean =>
  one.board === other.board &&
  Math.abs(one.x - other.x) < one.halfX + other.halfX &&
  Math.abs(one.y - other.y) < one.halfY + other.halfY;
