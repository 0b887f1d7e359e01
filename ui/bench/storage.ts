import { del, get, keys, set } from 'idb-keyval';
import { readKeptBench, type KeptBench } from '@/core/messages/bench-draft';
import { exchangeDraft } from './draft-exchange';
import { mergedDrafts, unbegun } from './merge';

/** Drafts are kept per learner, since a tablet is shared. */
const keyOf = (learnerId: string, publicationId: string): string => `draft/${learnerId}/${publicationId}`;

/** Learners whose drafts have been handed over: a bench that is still open while its learner goes keeps nothing more. */
const gone = new Set<string>();

/** The bench kept on this tablet of a publication, else the draft of the first of its earlier ones that has one. */
export async function loadBench(
  learnerId: string,
  publicationId: string,
  earlier: readonly string[],
): Promise<KeptBench | undefined> {
  gone.delete(learnerId);
  const own = readKeptBench(await get(keyOf(learnerId, publicationId)));
  if (own) return own;
  for (const id of earlier) {
    const kept = readKeptBench(await get(keyOf(learnerId, id)));
    // What the server has agreed to belongs to the other publication.
    if (kept) return { draft: kept.draft };
  }
  return undefined;
}

export const keepBench = async (learnerId: string, publicationId: string, kept: KeptBench): Promise<void> => {
  if (!gone.has(learnerId)) await set(keyOf(learnerId, publicationId), kept);
};

/** Takes a learner's drafts from this tablet once the server has them; false when one could not be kept there. */
export async function handOverDrafts(learnerId: string): Promise<boolean> {
  const prefix = `draft/${learnerId}/`;
  const own = (await keys<IDBValidKey>()).filter(
    (key): key is string => typeof key === 'string' && key.startsWith(prefix),
  );
  let allKept = true;
  for (const key of own) {
    const isKept = await isThere(key.slice(prefix.length), readKeptBench(await get(key)));
    if (isKept) {
      // What the server says of it just now would be written down again.
      gone.add(learnerId);
      await del(key);
    }
    allKept &&= isKept;
  }
  if (!allKept) gone.delete(learnerId);
  return allKept;
}

/** Other tablets that may be faster before a draft is given up: nobody has more of them in hand. */
const MOST_TRIES = 5;

async function isThere(publicationId: string, kept: KeptBench | undefined): Promise<boolean> {
  // What cannot be read has nothing that could be lost.
  if (!kept) return true;
  let { draft, agreed } = kept;
  for (let time = 0; time < MOST_TRIES; time += 1) {
    const answer = await exchangeDraft(publicationId, draft, agreed?.version ?? 0);
    if (answer.state === 'kept' || answer.state === 'gone') return true;
    if (answer.state !== 'overtaken') return false;
    draft = mergedDrafts(agreed?.draft ?? unbegun(answer.there.draft), draft, answer.there.draft).draft;
    agreed = answer.there;
  }
  return false;
}

/** A name for a hand-in, made here; works without a secure context. */
export function newClientId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
