import {
  keptDraftSchema,
  readDraftText,
  type Agreed,
  type Draft,
  type KeptDraft,
} from '@/core/messages/bench-draft';
import { ask, mayPass, tell } from '../connection/ask';

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

/** What an answer of the server says. */
async function read(answered: Promise<Response>): Promise<Exchanged | KeptDraft> {
  const answer = await answered.catch(() => undefined);
  if (!answer || mayPass(answer.status)) return { state: 'later' };
  if (answer.status === 404) return { state: 'gone' };
  if (!answer.ok) return { state: 'refused' };
  return keptDraftSchema.safeParse(await answer.json().catch(() => undefined)).data ?? { state: 'later' };
}

/** Gives a draft to the server that goes on from one of its versions, 0 when it had none. */
export async function exchangeDraft(
  publicationId: string,
  draft: Draft,
  basedOn: number,
): Promise<Exchanged> {
  const answer = await read(
    tell(`/api/drafts/${publicationId}`, 'PUT', { basedOn, content: JSON.stringify(draft) }),
  );
  if ('state' in answer) return answer;
  const { version, content } = answer;
  if (content === undefined) return { state: 'kept', version };
  const there = readDraftText(content);
  if (there) return { state: 'overtaken', there: { version, draft: there } };
  // A draft from another age is as good as none.
  return version === basedOn ? { state: 'refused' } : exchangeDraft(publicationId, draft, version);
}

/** Asks whether the server has another version than the one that is known here. */
export async function askForDraft(publicationId: string, known: number): Promise<Exchanged> {
  const answer = await read(ask(`/api/drafts/${publicationId}?known=${known}`));
  if ('state' in answer) return answer;
  const { version, content } = answer;
  const there = content === undefined ? undefined : readDraftText(content);
  return there ? { state: 'overtaken', there: { version, draft: there } } : { state: 'kept', version };
}
