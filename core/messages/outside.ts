import * as z from 'zod';
import { PROGRAM_LIMIT } from '../program/limits';
import { TABLE_LIMIT } from '../wiring/table';
import { textSchema } from './texts';

/** Hand-ins that are sent at once; more go one batch after the other. */
export const BATCH = 10;
/** Longest text of what a learner says that theirs does, in characters. */
export const STATED_LIMIT = 20_000;

/** A hand-in from outside, with whose it is and to what. */
const outsideSchema = z.strictObject({
  learnerId: z.uuid(),
  publicationId: z.uuid(),
  wiring: textSchema(TABLE_LIMIT),
  program: textSchema(PROGRAM_LIMIT),
  /** In sentences, where the exercise leaves that open. */
  stated: textSchema(STATED_LIMIT).optional(),
  /** When the last of its files was changed, in milliseconds since 1970. */
  changedAt: z.number().min(0).max(8.64e15).optional(),
});
export type Outside = Readonly<z.infer<typeof outsideSchema>>;

export const outsideBatchSchema = z.strictObject({ handIns: z.array(outsideSchema).min(1).max(BATCH) });

/** What came of a hand-in from outside. */
const broughtSchema = z.discriminatedUnion('is', [
  /** Taken, as which try, and by how many days it is late. */
  z.object({ is: z.literal('taken'), attempt: z.int(), late: z.int() }),
  /** The same was handed in before. */
  z.object({ is: z.literal('known'), attempt: z.int() }),
  z.object({ is: z.literal('refused'), message: z.string() }),
]);
export type Brought = Readonly<z.infer<typeof broughtSchema>>;

/** In the order in which they were sent. */
export const broughtBatchSchema = z.object({ brought: z.array(broughtSchema) });
