import * as z from 'zod';

/** A value that was found on a bench; `null` takes it back. */
export const calibrationMessageSchema = z.strictObject({
  name: z.string().min(1).max(400),
  value: z.number().min(-1e9).max(1e9).nullable(),
});
export type CalibrationMessage = z.infer<typeof calibrationMessageSchema>;
