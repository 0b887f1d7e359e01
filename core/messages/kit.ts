import * as z from 'zod';
import { MOST_OF_A_SORT } from '../kit/kit-csv';
import type { Substitution } from '../kit/substitutes';
import { textSchema } from './texts';

const pieces = z
  .int('A whole number of pieces.')
  .min(0, 'There cannot be fewer than none.')
  .max(MOST_OF_A_SORT, `At most ${MOST_OF_A_SORT}: is there a digit too many?`);

/** What is done to a line of the store. */
export const kitDeedSchema = z.discriminatedUnion('type', [
  /** Counted: `version` is that of the line as it was shown; another one since then is told before it is overwritten. */
  z.strictObject({ type: z.literal('count'), counted: pieces, version: z.int() }),
  z.strictObject({
    type: z.enum(['broken', 'lost', 'bought']),
    pieces: pieces.min(1, 'At least one.'),
    /** The meeting after which it is booked, and how many were out there. */
    meetingId: z.uuid().optional(),
    outOf: pieces.optional(),
  }),
  z.strictObject({ type: z.literal('move'), drawer: textSchema(60).trim() }),
  z.strictObject({ type: z.literal('remove') }),
]);
export type KitDeed = z.infer<typeof kitDeedSchema>;

/** A new sort, as somebody types it. */
export const newLineSchema = z.strictObject({
  kind: textSchema(60),
  value: textSchema(200),
  length: textSchema(20),
  count: textSchema(20),
  drawer: textSchema(60),
});
export type NewLine = z.infer<typeof newLineSchema>;

/** A line of the store. */
export interface KitLine {
  readonly id: string;
  readonly kind: string;
  readonly value: string;
  readonly lengthMm: number | null;
  readonly title: string;
  readonly count: number;
  readonly drawer: string;
  readonly version: number;
}

/** What came of a deed. */
export type KitOutcome =
  | { readonly is: 'done'; readonly line: KitLine | null }
  /** Somebody else has booked meanwhile: nothing was changed. */
  | { readonly is: 'overtaken'; readonly line: KitLine; readonly by: string }
  | { readonly is: 'refused'; readonly message: string };

/** What is booked. */
export type BookingKind = 'counted' | 'bought' | 'broken' | 'lost' | 'brought-in' | 'moved' | 'removed';

/** Who changed what. */
export interface KitBooking {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly title: string;
  readonly what: BookingKind;
  readonly change: number;
  readonly after: number;
}

/** What stands in for something, by the exercise that it was tried in. */
export interface TriedSubstitutes {
  readonly exerciseId: string;
  readonly title: string;
  readonly substitution: Substitution;
}
