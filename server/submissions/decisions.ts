import type { Knex } from 'knex';
import type { Decision, DecisionWish, Outcome } from '@/core/messages/decision';
import type { KnownRemark } from '@/core/plan/remarks';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { can, sameClass, type Viewer } from '../permissions';

interface DecisionRow {
  readonly id: string;
  readonly submission_id: string;
  readonly by: string;
  readonly made_at: Date;
  readonly outcome: Outcome | null;
  readonly remark: string;
  readonly marks: string | null;
  readonly reason: string;
}

const decisionFrom = (row: DecisionRow): Decision => ({
  id: String(row.id),
  submissionId: row.submission_id,
  by: row.by,
  at: row.made_at.toISOString(),
  outcome: row.outcome,
  remark: row.remark,
  marks: row.marks === null ? null : Number(row.marks),
  reason: row.reason,
});

const selectDecisions = (db: Knex) =>
  db('decision')
    .join('staff', 'staff.id', 'decision.made_by')
    .orderBy('decision.id')
    .select<DecisionRow[]>(
      'decision.id',
      'decision.submission_id',
      'staff.name as by',
      'decision.made_at',
      'decision.outcome',
      'decision.remark',
      'decision.marks',
      'decision.reason',
    );

/** What was decided of the hand-ins of some publications, first to last; the caller has checked whose these are. */
export async function decisionsOf(
  db: Knex,
  publicationIds: readonly string[],
  learnerId?: string,
): Promise<readonly Decision[]> {
  const rows = await selectDecisions(db)
    .join('submission', 'submission.id', 'decision.submission_id')
    .whereIn('submission.publication_id', [...publicationIds])
    .modify((query) => void (learnerId !== undefined && query.where('submission.learner_id', learnerId)));
  return rows.map(decisionFrom);
}

/** What was decided of all hand-ins of a learner, first to last; the caller has checked whose they are. */
export async function decisionsOnLearner(db: Knex, learnerId: string): Promise<readonly Decision[]> {
  const rows = await selectDecisions(db)
    .join('submission', 'submission.id', 'decision.submission_id')
    .where({ learner_id: learnerId });
  return rows.map(decisionFrom);
}

/** What was decided of one hand-in, first to last; the caller has checked whose it is. */
export async function decisionsOn(db: Knex, submissionId: string): Promise<readonly Decision[]> {
  return (await selectDecisions(db).where({ submission_id: submissionId })).map(decisionFrom);
}

/** What came of a wish to decide: how many were decided, and what others had decided meanwhile of those that were not. */
export interface Decided {
  readonly decided: number;
  readonly overtaken: readonly Decision[];
}

/**
 * Decides of hand-ins of the viewer's classes. Of one on which somebody has decided since `after` nothing is decided:
 * what they decided comes back, to be seen first. Hand-ins of others are left alone.
 */
export async function decide(db: Knex, viewer: Viewer, wish: DecisionWish): Promise<Decided> {
  if (viewer.role === 'student' || !can(viewer.role, 'review-class')) return { decided: 0, overtaken: [] };
  return db.transaction(async (transaction) => {
    const after = new Map(wish.handIns.map(({ id, after: seen }) => [id, seen]));
    // Taken in one order, so that two who decide of the same at once wait for each other, and neither for both.
    const own = await transaction('submission')
      .join('publication', 'publication.id', 'submission.publication_id')
      .whereIn('submission.id', [...after.keys()])
      .whereIn('publication.class_id', [...viewer.classIds])
      .orderBy('submission.id')
      .forUpdate('submission')
      .pluck<string[]>('submission.id');
    const last = await selectDecisions(transaction)
      .whereIn('decision.submission_id', own)
      .whereRaw(
        'not exists (select 1 from decision later where later.submission_id = decision.submission_id and later.id > decision.id)',
      );
    const overtaken = last.filter((row) => String(row.id) !== after.get(row.submission_id));
    const free = own.filter((id) => !overtaken.some((row) => row.submission_id === id));
    if (free.length > 0) {
      await transaction('decision').insert(
        free.map((id) => ({
          submission_id: id,
          made_by: viewer.id,
          outcome: wish.outcome,
          remark: wish.remark,
          marks: wish.marks,
          reason: wish.reason,
        })),
      );
      await audit(
        transaction,
        viewer.id,
        'decide',
        free.length === 1 ? free[0]! : viewer.id,
        `${free.length}`,
      );
    }
    return { decided: free.length, overtaken: overtaken.map(decisionFrom) };
  });
}

/** Remarks that those who teach have made, most used first. */
export async function knownRemarks(db: Knex): Promise<readonly KnownRemark[]> {
  const rows = await db('decision')
    .whereNot({ remark: '' })
    .groupBy('remark')
    .orderByRaw('count(*) desc, remark')
    .limit(300)
    .select<{ text: string; times: string }[]>('remark as text', db.raw('count(*) as times'));
  return rows.map(({ text, times }) => ({ text, times: Number(times) }));
}

/** Circuits that are accepted for an exercise, by the hash of their shape, and by whom. */
export async function acceptedCircuits(db: Knex, exerciseId: string): Promise<ReadonlyMap<string, string>> {
  const rows = await db('accepted_circuit')
    .join('staff', 'staff.id', 'accepted_circuit.made_by')
    .where({ exercise_id: exerciseId })
    .select<{ shape: string; by: string }[]>('accepted_circuit.shape', 'staff.name as by');
  return new Map(rows.map(({ shape, by }) => [shape, by]));
}

/**
 * Accepts a circuit that works differently for an exercise, or takes that back: for all who have built it, and for all
 * who will. False when nobody in a class of the viewer's has handed it in to that exercise.
 */
export async function acceptCircuit(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  shape: string,
  accepted: 'yes' | 'no',
): Promise<boolean> {
  if (!isUuid(publicationId) || !can(viewer.role, 'review-class')) return false;
  const found = await db('submission')
    .join('report', 'report.key', 'submission.judging_key')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where({ 'publication.id': publicationId, 'report.shape': shape, 'report.verdict': 'works-differently' })
    .first<{ class_id: string; exercise_id: string } | undefined>(
      'publication.class_id',
      'revision.exercise_id',
    );
  if (!found || !sameClass(viewer, found.class_id)) return false;
  const row = { exercise_id: found.exercise_id, shape };
  if (accepted === 'yes')
    await db('accepted_circuit')
      .insert({ ...row, made_by: viewer.id })
      .onConflict(['exercise_id', 'shape'])
      .ignore();
  else await db('accepted_circuit').where(row).delete();
  await audit(db, viewer.id, 'accept-circuit', publicationId, accepted);
  return true;
}
