import { del, get, keys, set } from 'idb-keyval';
import { readDraft, type Draft } from '@/core/messages/bench-draft';

/** Drafts are kept per learner, since a tablet is shared. */
const keyOf = (learnerId: string, publicationId: string): string => `draft/${learnerId}/${publicationId}`;

/** The draft kept on this tablet of the first of these that has one; `undefined` when none has, or it is from another age. */
export async function loadDraft(
  learnerId: string,
  publicationIds: readonly string[],
): Promise<Draft | undefined> {
  for (const id of publicationIds) {
    const stored = readDraft(await get(keyOf(learnerId, id)));
    if (stored) return stored;
  }
  return undefined;
}

export const keepDraft = (learnerId: string, publicationId: string, draft: Draft): Promise<void> =>
  set(keyOf(learnerId, publicationId), draft);

/** Sends a draft to the server, for the next tablet; false when it could not be kept there. */
export const sendDraft = (publicationId: string, draft: unknown): Promise<boolean> =>
  fetch(`/api/drafts/${publicationId}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ content: JSON.stringify(draft) }),
  }).then(
    (answer) => answer.ok || answer.status === 404,
    () => false,
  );

/** Takes a learner's drafts from this tablet once the server has them; false when one could not be kept there. */
export async function handOverDrafts(learnerId: string): Promise<boolean> {
  const prefix = `draft/${learnerId}/`;
  const own = (await keys<IDBValidKey>()).filter(
    (key): key is string => typeof key === 'string' && key.startsWith(prefix),
  );
  let allKept = true;
  for (const key of own) {
    const isKept = await sendDraft(key.slice(prefix.length), await get(key));
    if (isKept) await del(key);
    allKept &&= isKept;
  }
  return allKept;
}

/** A name for a hand-in, made here; works without a secure context. */
export function newClientId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
