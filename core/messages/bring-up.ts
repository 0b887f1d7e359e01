import * as z from 'zod';
import { bringUpIds, systems } from '../course/bring-up';

/** How far somebody has come in making a board ready. */
export const bringUpMessageSchema = z.object({
  system: z.enum(systems),
  step: z.enum(bringUpIds),
  isReady: z.boolean(),
});
export type BringUpMessage = Readonly<z.infer<typeof bringUpMessageSchema>>;
