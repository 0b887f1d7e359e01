import * as z from 'zod';
import { changeSchema } from '../worksheet/change';

/** Changes as a browser sends them: what their author did to the version that it knows. */
export const savingSchema = z.object({
  base: z.int().min(0),
  changes: z.array(changeSchema).min(1).max(500),
});
export type Saving = z.infer<typeof savingSchema>;

const editSchema = z.object({
  version: z.int().min(0),
  author: z.string(),
  authorId: z.string(),
  /** When it was made, as an ISO text. */
  at: z.string(),
  changes: z.array(changeSchema).readonly(),
});
/** Changes that came in together, with who made them. */
export type Edit = Readonly<z.infer<typeof editSchema>>;

const overtakenSchema = z.object({
  change: changeSchema,
  present: z.unknown().optional(),
  by: z.string(),
});
/** A change that someone else had overtaken, and what is there now. */
export type Overtaken = Readonly<z.infer<typeof overtakenSchema>>;

/** What the server says of changes that were sent to it, or of those that others have made. */
export const newsSchema = z.object({
  version: z.int().min(0),
  /** What others did since the version that was known. */
  edits: z.array(editSchema).readonly(),
  /** Of the changes that were sent, those that others had overtaken; not there in news that was asked for. */
  overtaken: z.array(overtakenSchema).readonly().optional(),
});
export type News = Readonly<z.infer<typeof newsSchema>>;

/** Changes that wait in a browser for the server. */
export const waitingSchema = z.array(changeSchema);
