import * as z from 'zod';
import { statedSchema } from '../formats/exercise';
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
  /** A program that was written elsewhere at the same time; the learner chooses between the two. */
  aside: z.string().optional(),
  sighting: sightingSchema.optional(),
  /** What the learner expects to see when it runs next. */
  prediction: z.string().max(400).optional(),
  /** What the learner says that theirs does. */
  stated: statedSchema.optional(),
  /** Names of the stages that were tried and work. */
  stagesDone: z.array(z.string()).max(20).optional(),
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

/** A draft on its way to the server, and which of the server's it goes on from; 0 when the server had none. */
export const draftMessageSchema = z.object({
  basedOn: z.int().min(0),
  content: textSchema(DRAFT_LIMIT).refine(
    (text) => readDraftText(text) !== undefined,
    'This is not a bench that can be kept.',
  ),
});

/** What the server answers to a draft, and to who asks for it: the version that it has now, and the draft when that is another than was sent. */
export const keptDraftSchema = z.object({ version: z.int().min(0), content: z.string().optional() });
export type KeptDraft = Readonly<z.infer<typeof keptDraftSchema>>;

/** A draft that tablet and server both had, as its version on the server. */
const agreedSchema = z.object({ version: z.int().min(0), draft: draftSchema });
export interface Agreed {
  readonly version: number;
  readonly draft: Draft;
}

/** What a tablet keeps of a bench: the draft, and what of it the server is known to have. */
export interface KeptBench {
  readonly draft: Draft;
  readonly agreed?: Agreed | undefined;
}
const keptBenchSchema = z.object({ draft: draftSchema, agreed: agreedSchema.optional() });

/** A bench that a tablet has kept; `undefined` for what is none. Tablets once kept the draft alone. */
export function readKeptBench(kept: unknown): KeptBench | undefined {
  const read = keptBenchSchema.safeParse(kept).data;
  if (read) return read;
  const draft = readDraft(kept);
  return draft && { draft };
}
