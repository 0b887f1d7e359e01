import type { PinFunction } from '../../boards';
import type { StatedPart } from '../stated';
import type { Make } from './make';
import type { CircuitView } from '../view';
import type { Option, Statement } from '../statement';

/** A pin that a part takes, and what that pin must be able to do. */
export interface PinNeed {
  /** What it is for, as in `its data pin`; empty when there is only one. */
  readonly as: string;
  readonly does: PinFunction;
  /** The leg that it is for, where a line may name that. */
  readonly leg?: string;
}

/** How parts of a kind are usually hooked up, and how such a hookup is said. */
export interface Recipe {
  /** Pins that one part takes, in the order in which they are typed. */
  readonly needs: (statement: Statement) => readonly PinNeed[];
  /** How few of these pins will do; all of them when not given. */
  readonly fewest?: number;
  /** Makes one part on its pins; `index` counts the parts of the line. */
  readonly build: (statement: Statement, make: Make, pins: readonly string[], index: number) => void;
  /** What its value is when a line does not say it, and why; a line must say it where this is missing. */
  readonly usually?: { readonly value: string; readonly because: string };
  /** Whether a line has to say both its ends: no pin of the board does. */
  readonly needsBothEnds?: true;
  /** Whether it may hang on a supply socket as well as on a pin. */
  readonly mayHangOnSupply?: true;
  /** Whether nothing can be made of it without a board. */
  readonly needsBoard?: true;
  /** Kinds of parts that it makes or holds anyway, so that a line may name them; with the wish that naming one is. */
  readonly brings?: Readonly<Record<string, Option | undefined>>;
  /** Whether a resistor beside it holds its pin while it rests. */
  readonly isHeld?: true;
  /** Whether its resistor is that of an LED. */
  readonly isLight?: true;
  /** A line that a person may begin with, and what speaks for it. */
  readonly beginning?: { readonly line: string; readonly note: string };
  /** Whether another part of its kind may take its data from it. */
  readonly leads?: true;
  /** The line that describes this part in a circuit; `undefined` when it is not hooked up as usual. */
  readonly say?: (part: StatedPart, view: CircuitView) => string | undefined;
}

export const onePin =
  (does: PinFunction = 'digital'): Recipe['needs'] =>
  () => [{ as: '', does }];
export const noPins: Recipe['needs'] = () => [];
