import * as z from 'zod';
import type { Observed as PartObserved } from '../parts';
import type { SeenInterval } from '../rehearsal/seen';
import type { Trace } from '../rehearsal/trace';
import type { Stimulus } from '../stimuli';
import { refSchema } from '../stimuli/definition';
import type { Readable } from '../words/reading';
import { nameSlot, numberSlot, percentSlot } from '../words/slots';
import type { Observed, Outcome } from './outcome';

export { refSchema };

/** A light: a part, or one of several in a housing, `D1.red` or `D1.a3`. */
export const lightSchema = z
  .string()
  .regex(/^[A-Z]{1,4}\d{0,4}(\.[a-z][a-z0-9]*)?$/, 'write an LED like D1, or D1.red');

/** Where a servo stands. */
export const degreesSchema = z.number().min(0).max(180, 'a servo turns from 0° to 180°');

const atSchema = z.number().min(0).optional();
/** From when an expectation holds, in seconds. */
export const since = { from: atSchema };
/**
 * When it holds, in seconds from the start or after each time that a part is used, and by what share a figure may be
 * off.
 */
export const windowed = {
  ...since,
  to: atSchema,
  after: refSchema.optional(),
  tolerance: z.number().min(0).max(1, 'a tolerance is at most 100 %').optional(),
};

/** How a window and a tolerance are said behind an expectation, and their slots. */
export const WINDOW =
  '( from {from}< s> to {to}< s>| from {from}< s>| until {to}< s>|)( after {after}|)(, give or take {tolerance}\u00a0%|)';
export const windowSlots = { from: numberSlot, to: numberSlot, after: nameSlot, tolerance: percentSlot };

/** The part of a light: `D1` of `D1.red`. */
export const partOfLight = (light: string): string => light.replace(/\..*/, '');

/** A stretch of a run in which nothing is done to the circuit; seconds. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

/** A run that is to be put into words. */
export interface RunView {
  readonly trace: Trace;
  readonly stimuli: readonly Stimulus[];
  readonly seconds: number;
  readonly windows: readonly Window[];
}

/** What an LED looks like in a window. */
export interface LightView extends Window {
  readonly lamp: string;
  /** Cut to the window; there is at least one. */
  readonly seen: readonly SeenInterval[];
  /** The same with each brightness for itself. */
  readonly stretches: readonly SeenInterval[];
  /** Whether the program sets how bright something is, so that it matters. */
  readonly dims: boolean;
}

/** All that is known of one sort of expectation. */
export interface ExpectationDefinition<E> extends Readable<E> {
  /** The fields that tell it from the others. */
  readonly keys: readonly string[];
  /** A sentence that shows how it is written; none for what is rarely written by hand. */
  readonly example?: string;
  /** What is observed of the parts of which the example can be said; any example that names none can always be. */
  readonly exampleOf?: readonly PartObserved[];
  /** The parts that it is about. */
  parts(expectation: E): readonly string[];
  /** Whether what meets it in its whole window meets it in every part of the window. */
  readonly isThroughout?: true;
  /** Whether a run meets it, what was observed, and what is wrong. */
  check(expectation: E, observed: Observed): Outcome;
  /** Milliseconds for which a program that meets it is likely to pause. */
  pauses?(expectation: E): readonly number[];
  /** What has to be read of the board, line after line; numbers that may be one or another are none. */
  prints?(expectation: E): readonly string[];
  /** What it says of an LED in a window; nothing when it would not say enough. */
  describeLight?(light: LightView): E | undefined;
  /** What it says of a run, as claims that have yet to be checked. */
  describe?(run: RunView): readonly E[];
}

export const rounded = (value: number): number => Math.round(value * 100) / 100;
