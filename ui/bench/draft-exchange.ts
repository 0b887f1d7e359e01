import {
  keptDraftSchema,
  readDraftText,
  type Agreed,
  type Draft,
  type KeptDraft,
} from '@/core/messages/bench-draft';

/** What came of giving the server a draft, or of asking it for one. */
export type Exchanged =
  | { readonly state: 'kept'; readonly version: number }
  /** Another tablet was faster. */
  | { readonly state: 'overtaken'; readonly there: Agreed }
  /** Tried again later: no connection, too many, signed out. */
  | { readonly state: 'later' }
  /** Not to be sent again as it is. */
  | { readonly state: 'refused' }
  /** The exercise is not this learner's any more. */
  | { readonly state: 'gone' };

/** Statuses of the server after which the same draft may well be taken. */
const PASSING = new Set([401, 408, 429]);

async function asked(address: string, init: RequestInit): Promise<Exchanged> {
  const answer = await fetch(address, init).catch(() => undefined);
  if (!answer || answer.status >= 500 || PASSING.has(answer.status)) return { state: 'later' };
  if (answer.status === 404) return { state: 'gone' };
  if (!answer.ok) return { state: 'refused' };
  const read = keptDraftSchema.safeParse(await answer.json().catch(() => undefined)).data;
  return read ? exchangedFrom(read) : { state: 'later' };
}

function exchangedFrom({ version, content }: KeptDraft): Exchanged {
  if (content === undefined) return { state: 'kept', version };
  const draft = readDraftText(content);
  // A draft from another age is as good as none, and is overwritten.
  return draft ? { state: 'overtaken', there: { version, draft } } : { state: 'kept', version };
}

/** Gives a draft to the server that goes on from one of its versions, 0 when it had none. */
export const exchangeDraft = (publicationId: string, draft: Draft, basedOn: number): Promise<Exchanged> =>
  asked(`/api/drafts/${publicationId}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ basedOn, content: JSON.stringify(draft) }),
  });

/** Asks whether the server has another version than the one that is known here. */
export const askForDraft = (publicationId: string, known: number): Promise<Exchanged> =>
  asked(`/api/drafts/${publicationId}?known=${known}`, {});
