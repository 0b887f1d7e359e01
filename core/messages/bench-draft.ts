import { z } from 'zod';
import { sightingSchema } from '../formats/sighting';
import { pendingSchema } from './hand-in';
import { textSchema } from './texts';

/** Longest draft that is kept, in characters. */
export const DRAFT_LIMIT = 300_000;

const partSchema = z.object({
  ref: z.string(),
  kind: z.string(),
  value: z.string(),
  /** Places as typed, by leg. */
  at: z.record(z.string(), z.string()),
});
/** A part as it is being recorded. */
export type DraftPart = Readonly<z.infer<typeof partSchema>>;

const draftSchema = z.object({
  version: z.literal(1),
  parts: z.array(partSchema),
  program: z.string(),
  sighting: sightingSchema.optional(),
  hintsTaken: z.number(),
  /** A hand-in that has left the learner's hand and is not yet confirmed by the server. */
  pending: pendingSchema.optional(),
});
type Read = z.infer<typeof draftSchema>;
/** Everything that a learner has put down for an exercise: on the tablet, and on the server for the next one. */
export type Draft = Readonly<Omit<Read, 'parts' | 'pending'>> & {
  readonly parts: readonly DraftPart[];
  readonly pending?: Readonly<Read['pending']>;
};

/** A draft that was kept; `undefined` for what is none, or is from another age. */
export const readDraft = (kept: unknown): Draft | undefined => draftSchema.safeParse(kept).data;

/** A draft that was kept as text; `undefined` when it is none. */
export function readDraftText(text: string): Draft | undefined {
  try {
    return readDraft(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** A draft on its way to the server. */
export const draftMessageSchema = z.object({
  content: textSchema(DRAFT_LIMIT).refine(
    (text) => readDraftText(text) !== undefined,
    'This is not a bench that can be kept.',
  ),
});
