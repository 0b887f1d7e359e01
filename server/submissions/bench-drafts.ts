import type { Knex } from 'knex';
import { findOpening } from '../exercises/publications';
import type { Viewer } from '../permissions';

/** Keeps what a learner has on the bench, for the next tablet; false when the exercise is none of theirs. */
export async function keepBenchDraft(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  content: string,
): Promise<boolean> {
  if (!(await findOpening(db, viewer, publicationId))) return false;
  await db('bench_draft')
    .insert({ learner_id: viewer.id, publication_id: publicationId, content })
    .onConflict(['learner_id', 'publication_id'])
    .merge({ content, updated_at: db.fn.now() });
  return true;
}

/** What a learner has on the bench of the first of these publications that has anything; `undefined` when none has. */
export async function benchDraftOf(
  db: Knex,
  learnerId: string,
  publicationIds: readonly string[],
): Promise<string | undefined> {
  const rows = await db('bench_draft')
    .where({ learner_id: learnerId })
    .whereIn('publication_id', [...publicationIds])
    .select<{ publication_id: string; content: string }[]>('publication_id', 'content');
  return publicationIds
    .map((id) => rows.find(({ publication_id }) => publication_id === id)?.content)
    .find((content) => content !== undefined);
}
