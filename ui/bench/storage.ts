import { get, set } from 'idb-keyval';
import { z } from 'zod';
import type { Draft } from './draft';

const draftSchema = z.object({
  version: z.literal(1),
  parts: z.array(
    z.object({ ref: z.string(), kind: z.string(), value: z.string(), at: z.record(z.string(), z.string()) }),
  ),
  program: z.string(),
  sighting: z.enum(['right', 'dark', 'faint', 'other']).optional(),
  hintsTaken: z.number(),
  pending: z
    .object({
      clientId: z.string(),
      wiring: z.string(),
      program: z.string(),
      sighting: z.enum(['right', 'dark', 'faint', 'other']).optional(),
      hintsTaken: z.number(),
    })
    .optional(),
});

/** Drafts are kept per learner, since a tablet is shared. */
const keyOf = (learnerId: string, publicationId: string): string => `draft/${learnerId}/${publicationId}`;

/** The draft kept on this tablet; `undefined` when there is none or it is from another age. */
export async function loadDraft(learnerId: string, publicationId: string): Promise<Draft | undefined> {
  const stored = draftSchema.safeParse(await get(keyOf(learnerId, publicationId)));
  return stored.success ? stored.data : undefined;
}

export const keepDraft = (learnerId: string, publicationId: string, draft: Draft): Promise<void> =>
  set(keyOf(learnerId, publicationId), draft);

/** A name for a hand-in, made here; works without a secure context. */
export function newClientId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
