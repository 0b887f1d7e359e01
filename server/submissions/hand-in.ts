import type { Knex } from 'knex';
import { problemText } from '@/core/result';
import type { HandIn, Queue } from '@/core/messages/hand-in';
import { findOpening, findPublication } from '../exercises/publications';
import type { Guard } from '../guard/processes';
import { secondsToWait } from '../people/rate-limits';
import type { Viewer } from '../permissions';
import { statedFault } from './checks';
import { judgingKey, queueJudging, waitingFor } from './judging';

export type HandInResult =
  | { readonly status: 200 | 201; readonly submissionId: string; readonly waiting: Queue | undefined }
  | { readonly status: 404 | 409 | 422 | 429; readonly message: string };

/**
 * Takes a hand-in: writes it down and leaves it to be judged. The same client id twice is one hand-in; the
 * second answer is about the first one.
 */
export async function handIn(
  db: Knex,
  guarded: Guard,
  viewer: Viewer & { readonly role: 'student' },
  given: HandIn,
): Promise<HandInResult> {
  const wait = await secondsToWait(db, 'hand-in', viewer.id);
  if (wait > 0)
    return {
      status: 429,
      message: `You have handed in a lot. Wait ${wait} seconds; your work is saved on this tablet.`,
    };
  const earlier = await earlierHandIn(db, viewer.id, given.clientId);
  if (earlier) return earlier;
  const opening = await findOpening(db, viewer, given.publicationId);
  if (!opening) return { status: 404, message: 'This exercise is not open for your class.' };
  if (!opening.isOpen)
    return {
      status: 409,
      message: opening.isPublishedAnew
        ? 'There is a new version of this exercise. Go to Today and open it again; your work comes with you.'
        : 'This exercise has been closed. Your work is saved on this tablet; ask your instructor to open it again.',
    };
  if (opening.leavesOpen || given.stated) {
    const { exercise } = (await findPublication(db, viewer, given.publicationId))!;
    const unsaid = await statedFault(guarded, exercise, given.stated ?? []);
    if (unsaid !== undefined) return { status: 422, message: unsaid };
  }
  const wiring = await guarded.ask('canonicalWiring', {
    exercise: { boardProfile: opening.boardProfile },
    wiring: given.wiring,
  });
  if (!wiring.ok)
    return { status: 422, message: `The wiring cannot be read: ${problemText(wiring.problems[0]!)}` };
  const key = judgingKey({
    revisionId: opening.revisionId,
    wiring: wiring.value,
    program: given.program,
    sighting: given.sighting,
    stated: given.stated,
  });
  const submissionId = await record(db, viewer.id, given, key);
  if (submissionId === 'erased') return { status: 404, message: 'You are no longer in this class.' };
  if (submissionId === undefined) return (await earlierHandIn(db, viewer.id, given.clientId))!;
  return { status: 201, submissionId, waiting: await waitingFor(db, key) };
}

async function earlierHandIn(
  db: Knex,
  learnerId: string,
  clientId: string,
): Promise<HandInResult | undefined> {
  const row = await db('submission')
    .where({ learner_id: learnerId, client_id: clientId })
    .first<{ id: string; judging_key: string } | undefined>('id', 'judging_key');
  return row && { status: 200, submissionId: row.id, waiting: await waitingFor(db, row.judging_key) };
}

/** What a hand-in has that does not come from the tablet. */
interface Circumstances {
  /** When it was handed in; now, where nothing is said. */
  readonly at?: Date;
  /** Who of the staff has brought it in. */
  readonly broughtBy?: string;
  /** How long was worked on it; what its bench has counted, where nothing is said. */
  readonly workedSeconds?: number;
}

/**
 * Writes a hand-in and leaves it to be judged, in one transaction; its id. `undefined` when it was written meanwhile,
 * `erased` when its learner was.
 */
export async function record(
  db: Knex,
  learnerId: string,
  given: HandIn,
  key: string,
  { at, broughtBy, workedSeconds }: Circumstances = {},
): Promise<string | undefined> {
  return db.transaction(async (transaction) => {
    // One learner's attempts are numbered one by one, also from two tablets.
    const learner = await transaction('learner').where({ id: learnerId }).forUpdate().first('id');
    if (!learner) return 'erased';
    const [count] = await transaction('submission')
      .where({ learner_id: learnerId, publication_id: given.publicationId })
      .count<{ count: string }[]>('* as count');
    const [row] = await transaction('submission')
      .insert({
        publication_id: given.publicationId,
        learner_id: learnerId,
        client_id: given.clientId,
        attempt: Number(count?.count ?? 0) + 1,
        wiring: given.wiring,
        program: given.program,
        sighting: given.sighting ?? null,
        stated: given.stated ? JSON.stringify(given.stated) : null,
        hints_taken: given.hintsTaken,
        judging_key: key,
        brought_by: broughtBy ?? null,
        worked_seconds:
          workedSeconds ??
          transaction('bench_draft')
            .where({ learner_id: learnerId, publication_id: given.publicationId })
            .select('worked_seconds'),
        // When it was its turn, not when it began to wait: attempts are in the order of time.
        handed_in_at: at ?? transaction.raw('clock_timestamp()'),
      })
      .onConflict(['learner_id', 'client_id'])
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!row) return undefined;
    await queueJudging(transaction, key);
    return row.id;
  });
}
