import { z } from 'zod';
import { statedSchema } from '../formats/exercise';
import { reportSchema } from '../formats/report';
import { sightingSchema } from '../formats/sighting';

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

/** The worker's answer: a report, or why the input cannot be used, in the user's words. */
export const checkedSchema = z.discriminatedUnion('ok', [
  z.object({ id: z.int(), ok: z.literal(true), report: reportSchema }),
  z.object({ id: z.int(), ok: z.literal(false), message: z.string() }),
]);
export type Checked = Readonly<z.infer<typeof checkedSchema>>;
