import * as z from 'zod';

/** Why the server did not do something, in the user's words. */
export const refusalSchema = z.object({ message: z.string() });

/** What a refusal says; `undefined` when the answer is none. */
export const refusalText = (answer: unknown): string | undefined =>
  refusalSchema.safeParse(answer).data?.message;
