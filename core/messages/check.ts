import * as z from 'zod';
import { findingCodes } from '../findings/table';
import { statedSchema } from '../formats/exercise';
import { reportSchema } from '../formats/report';
import { sightingSchema } from '../formats/sighting';
import { textSchema } from './texts';

/** A build to check, as texts; the checker's worker reads them itself. `exercise` is its student form. */
export const checkRequestSchema = z.object({
  id: z.int(),
  exercise: z.unknown(),
  wiring: z.string(),
  program: z.string(),
  sighting: sightingSchema.optional(),
  stated: statedSchema.optional(),
});
export type CheckRequest = Readonly<z.infer<typeof checkRequestSchema>>;

/** The server's answer to a check. */
export const checkAnswerSchema = z.object({ report: reportSchema });

/** What came of a check that a tablet has made itself, for whoever looks after the room; nothing of the build. */
export const checkToldSchema = z.object({
  publicationId: textSchema(64),
  passed: z.boolean(),
  /** The first cause. */
  cause: z.enum(findingCodes).nullable(),
});
export type CheckTold = Readonly<z.infer<typeof checkToldSchema>>;

/** What the worker says of a check: that all it needs is there and it computes, and then how it ended. */
export const checkedSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('begun'), id: z.int() }),
  z.object({ type: z.literal('reported'), id: z.int(), report: reportSchema }),
  /** Why the input cannot be used, in the user's words. */
  z.object({ type: z.literal('unusable'), id: z.int(), message: z.string() }),
]);
export type Checked = Readonly<z.infer<typeof checkedSchema>>;
