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

/** The worker's answer: a report, or why the input cannot be used, in the user's words. */
export const checkedSchema = z.discriminatedUnion('ok', [
  z.object({ id: z.int(), ok: z.literal(true), report: reportSchema }),
  z.object({ id: z.int(), ok: z.literal(false), message: z.string() }),
]);
export type Checked = Readonly<z.infer<typeof checkedSchema>>;
