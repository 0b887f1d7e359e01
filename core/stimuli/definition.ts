import * as z from 'zod';
import type { Ref } from '../brand';
import type { PartState, StimulusKind } from '../parts';
import type { Readable } from '../words/reading';

export const refSchema = z.string().regex(/^[A-Z]{1,4}\d{0,4}$/, 'write a part name like D1');
export const atSchema = z.number().min(0, 'a time is never below 0 s');
export const lastingSchema = z.number().positive('it has to last longer than 0 s').optional();

/** Something that changes about a part at a moment. */
export interface PartChange {
  /** Seconds from the start. */
  readonly at: number;
  readonly ref: Ref;
  readonly state: Partial<PartState>;
}

/** Something that changes about the board, or reaches it. */
export type BoardChange =
  | { readonly kind: 'typed'; readonly text: string }
  | { readonly kind: 'reset' }
  | { readonly kind: 'power'; readonly to: 'on' | 'off' };

/** All that is known of one sort of stimulus. */
export interface StimulusDefinition<S extends { readonly at: number }> extends Readable<S> {
  /** The field that tells it from the others. */
  readonly key: string;
  /** A sentence that shows how it is written. */
  readonly example: string;
  /** What it does to a part, whose name stands in the field `key`; none when it is about the board. */
  readonly touches?: StimulusKind;
  /**
   * What it does to a part, moment by moment. `before` is the state in which the part was left; `bounced` gives the
   * moments at which a contact changes when it is moved once.
   */
  partChanges?(
    stimulus: S,
    before: PartState,
    bounced: (at: number) => readonly number[],
  ): readonly PartChange[];
  /** What it does to the board at its moment. */
  boardChange?(stimulus: S): BoardChange;
  /** Seconds that it takes; `undefined` when what it does stays. */
  lasts(stimulus: S): number | undefined;
  /** What stands at its mark on a timeline; none when the mark says it all. */
  label?(stimulus: S): string;
}
