import type { PointName, Ref } from '../../brand';
import type { StatedPart } from '../stated';
import type { Assumption, Slot, StatementContext, Target, Trouble } from '../statement';

/** What a recipe builds with. */
export interface Make {
  readonly context: StatementContext;
  /** Adds a part; its name is the line's next one of that kind. */
  readonly part: (kind: string, value: string, accept?: StatedPart['accept']) => Ref;
  readonly join: (one: PointName, other: PointName) => void;
  readonly pin: (name: string) => PointName;
  readonly ground: () => PointName;
  /** The plus of a source: of the board's logic supply, or of a part that gives power. */
  readonly supply: (source?: Target) => PointName;
  readonly point: (target: Target) => PointName;
  /** A power source of an earlier or later line; `undefined` when there is none. */
  readonly powerSource: () => Ref | undefined;
  readonly assume: (slot: Slot, assumption: Omit<Assumption, 'slot'>) => void;
  readonly trouble: (slot: Slot | undefined, trouble: Omit<Trouble, 'from' | 'to'>) => void;
  /** A part that this or an earlier line made. */
  readonly known: (ref: Ref) => StatedPart | undefined;
}
