import type { Knex } from 'knex';
import type { KeptDraft } from '@/core/messages/bench-draft';
import { findOpening } from '../exercises/publications';
import type { Viewer } from '../permissions';

/** Seconds of work since the bench was kept last: none when it lay there for longer than five minutes. */
const WORKED = `case when now() - updated_at < interval '5 minutes'
  then round(extract(epoch from now() - updated_at)) else 0 end`;

/** Seconds of work on other versions of the same exercise, from which a bench goes on. */
const BEFORE = `select coalesce(max(other.worked_seconds), 0) from bench_draft as other
  join publication on publication.id = other.publication_id
  join revision on revision.id = publication.revision_id
  where other.learner_id = ? and revision.exercise_id = (
    select own.exercise_id from publication as opened join revision as own on own.id = opened.revision_id
     where opened.id = ?)`;

/**
 * Keeps what a learner has on the bench, for the next tablet, when it goes on from what is kept (`basedOn`, 0 when
 * nothing is). What another tablet has kept in between stays, and comes back to be joined with. `undefined` when the
 * exercise is none of theirs.
 */
export async function keepBenchDraft(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  { content, basedOn }: { readonly content: string; readonly basedOn: number },
): Promise<KeptDraft | undefined> {
  if (!(await findOpening(db, viewer, publicationId))) return undefined;
  const key = { learner_id: viewer.id, publication_id: publicationId };
  const made =
    basedOn === 0
      ? await db('bench_draft')
          .insert({ ...key, content, worked_seconds: db.raw(`(${BEFORE})`, [viewer.id, publicationId]) })
          .onConflict(['learner_id', 'publication_id'])
          .ignore()
          .returning<{ version: number }[]>('version')
      : await db('bench_draft')
          .where({ ...key, version: basedOn })
          .update({
            content,
            version: basedOn + 1,
            updated_at: db.fn.now(),
            worked_seconds: db.raw('worked_seconds + ?', [db.raw(WORKED)]),
          })
          .returning<{ version: number }[]>('version');
  const [kept] = made;
  return kept ? { version: kept.version } : ((await keptOf(db, key)) ?? { version: 0 });
}

/** What the server has of a learner's bench, without its content when that is the version that they know. */
export async function benchDraftAfter(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  known: number,
): Promise<KeptDraft | undefined> {
  if (!(await findOpening(db, viewer, publicationId))) return undefined;
  const kept = await keptOf(db, { learner_id: viewer.id, publication_id: publicationId });
  if (!kept) return { version: 0 };
  return kept.version === known ? { version: known } : kept;
}

/** The first of these publications that a learner has worked on, on the bench or by a hand-in. */
export async function workedOn(
  db: Knex,
  learnerId: string,
  publicationIds: readonly string[],
): Promise<string | undefined> {
  const rows = await Promise.all(
    ['bench_draft', 'submission'].map((table) =>
      db(table)
        .where({ learner_id: learnerId })
        .whereIn('publication_id', [...publicationIds])
        .distinct()
        .pluck<string[]>('publication_id'),
    ),
  );
  const known = new Set(rows.flat());
  return publicationIds.find((id) => known.has(id));
}

const keptOf = (
  db: Knex,
  key: { readonly learner_id: string; readonly publication_id: string },
): Promise<KeptDraft | undefined> =>
  db('bench_draft').where(key).first<KeptDraft | undefined>('version', 'content');

/**
 * What a learner has on the bench of a publication: of it and of other publications of its exercise the draft that
 * was changed last. Its version is that of the publication's own, 0 while that has none. `undefined` when none has any.
 */
export async function benchDraftOf(
  db: Knex,
  learnerId: string,
  publicationId: string,
  others: readonly string[],
): Promise<Required<KeptDraft> | undefined> {
  const rows = await db('bench_draft')
    .where({ learner_id: learnerId })
    .whereIn('publication_id', [publicationId, ...others])
    .orderBy('updated_at', 'desc')
    .select<{ publication_id: string; content: string; version: number }[]>(
      'publication_id',
      'content',
      'version',
    );
  const own = rows.find(({ publication_id }) => publication_id === publicationId);
  return rows[0] && { version: own?.version ?? 0, content: rows[0].content };
}
