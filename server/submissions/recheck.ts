import type { Knex } from 'knex';
import { exerciseSchema } from '@/core/formats/exercise';
import type { Report, Verdict } from '@/core/formats/report';
import type { Scenario } from '@/core/formats/scenario';
import type { Sighting } from '@/core/formats/sighting';
import { notJudged } from '@/core/judge/not-judged';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { OPEN_NOW } from '../exercises/publications';
import type { Guard } from '../guard/processes';
import { addJob } from '../jobs';
import { log } from '../log';
import { can, sameClass, type Viewer } from '../permissions';
import { judgingKey, keepReport } from './judging';

/** A hand-in of which something else is said now. */
export interface RecheckChange {
  readonly submissionId: string;
  readonly learnerName: string;
  readonly attempt: number;
  readonly before: Verdict | null;
  readonly after: Verdict;
}

/** How far the last checking again of a publication has come. */
export interface RecheckState {
  readonly id: string;
  readonly state: 'running' | 'ended' | 'cancelled';
  readonly done: number;
  readonly total: number;
  readonly changes: readonly RecheckChange[];
}

/** Milliseconds after which the rest of it goes to the end of the queue, so that new hand-ins wait no longer. */
const TURN = 2000;
/** After everything that somebody waits for; the queue's own jobs have 0. */
const LOW_PRIORITY = 10;

/** A publication of a class that the viewer teaches. */
async function ownPublication(db: Knex, viewer: Viewer, publicationId: string): Promise<boolean> {
  if (!isUuid(publicationId) || viewer.role === 'student' || !can(viewer.role, 'review-class')) return false;
  const row = await db('publication')
    .where({ id: publicationId })
    .first<{ class_id: string } | undefined>('class_id');
  return row !== undefined && sameClass(viewer, row.class_id);
}

/**
 * Has all hand-ins of a publication checked again, by the revision that is open for the class now and the engine of
 * today. One that is under way goes on. False when it is not of the viewer's.
 */
export async function startRecheck(db: Knex, viewer: Viewer, publicationId: string): Promise<boolean> {
  if (!(await ownPublication(db, viewer, publicationId))) return false;
  await db.transaction(async (transaction) => {
    const [made] = await transaction('recheck')
      .insert({
        publication_id: publicationId,
        started_by: viewer.id,
        revision_id: transaction.raw(
          `(select coalesce(
             (select revision.id from publication join revision on revision.id = publication.revision_id
               where publication.class_id = own.class_id and revision.exercise_id = its.exercise_id and ${OPEN_NOW}
               order by revision.number desc limit 1), its.id)
             from publication as own join revision as its on its.id = own.revision_id where own.id = ?)`,
          [publicationId],
        ),
      })
      .onConflict(transaction.raw('(publication_id) where ended_at is null and cancelled_at is null'))
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!made) return;
    await transaction.raw(
      `insert into rechecked (recheck_id, submission_id, before_key)
       select ?, id, judging_key from submission where publication_id = ?`,
      [made.id, publicationId],
    );
    await queue(transaction, made.id);
    await audit(transaction, viewer.id, 'recheck', publicationId);
  });
  return true;
}

const queue = (db: Knex, id: string): Promise<void> =>
  addJob(db, 'recheck', { id }, id, { priority: LOW_PRIORITY });

/** Stops checking again; what has been done stays. False when it is not of the viewer's. */
export async function cancelRecheck(db: Knex, viewer: Viewer, publicationId: string): Promise<boolean> {
  if (!(await ownPublication(db, viewer, publicationId))) return false;
  await db('recheck')
    .where({ publication_id: publicationId })
    .whereNull('ended_at')
    .whereNull('cancelled_at')
    .update({ cancelled_at: db.fn.now() });
  return true;
}

/** How the last checking again of a publication stands; `undefined` when there was none. Whose it is has been checked. */
export async function recheckOf(db: Knex, publicationId: string): Promise<RecheckState | undefined> {
  const last = await db('recheck')
    .where({ publication_id: publicationId })
    .orderBy('started_at', 'desc')
    .first<{ id: string; ended_at: Date | null; cancelled_at: Date | null } | undefined>();
  if (!last) return undefined;
  const rows = await db('rechecked')
    .join('submission', 'submission.id', 'rechecked.submission_id')
    .join('learner', 'learner.id', 'submission.learner_id')
    .leftJoin('report as was', 'was.key', 'rechecked.before_key')
    .leftJoin('report as is', 'is.key', 'rechecked.after_key')
    .where({ recheck_id: last.id })
    .orderBy(['learner.name', 'submission.attempt'])
    .select<
      {
        id: string;
        name: string;
        attempt: number;
        before: Verdict | null;
        after: Verdict | null;
      }[]
    >('submission.id', 'learner.name', 'submission.attempt', 'was.verdict as before', 'is.verdict as after');
  return {
    id: last.id,
    state: last.cancelled_at ? 'cancelled' : last.ended_at ? 'ended' : 'running',
    total: rows.length,
    done: rows.filter(({ after }) => after !== null).length,
    changes: rows.flatMap(({ id, name, attempt, before, after }) =>
      after !== null && after !== before
        ? { submissionId: id, learnerName: name, attempt, before, after }
        : [],
    ),
  };
}

interface Waiting {
  readonly submission_id: string;
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | null;
  readonly stated: Scenario[] | null;
  readonly content: unknown;
  readonly revision_id: string;
}

/** Checks again for a while, then leaves the rest to later; safe to be called again at any time. */
export async function recheck(db: Knex, guarded: Guard, id: string): Promise<void> {
  const begun = Date.now();
  for (;;) {
    const running = await db('recheck')
      .where({ id })
      .whereNull('ended_at')
      .whereNull('cancelled_at')
      .first('id');
    if (!running) return;
    const next = await db('rechecked')
      .join('recheck', 'recheck.id', 'rechecked.recheck_id')
      .join('revision', 'revision.id', 'recheck.revision_id')
      .join('submission', 'submission.id', 'rechecked.submission_id')
      .where({ recheck_id: id })
      .whereNull('after_key')
      .orderBy('submission.handed_in_at')
      .first<Waiting | undefined>(
        'rechecked.submission_id',
        'submission.wiring',
        'submission.program',
        'submission.sighting',
        'submission.stated',
        'revision.content',
        'revision.id as revision_id',
      );
    if (!next) {
      await db('recheck').where({ id }).update({ ended_at: db.fn.now() });
      return;
    }
    await recheckOne(db, guarded, id, next);
    if (Date.now() - begun > TURN) return queue(db, id);
  }
}

async function recheckOne(db: Knex, guarded: Guard, id: string, next: Waiting): Promise<void> {
  const { wiring: typed, program, sighting, stated, content: exercise } = next;
  const wiring = await guarded.ask('canonicalWiring', { exercise, wiring: typed });
  const key = judgingKey({
    revisionId: next.revision_id,
    wiring: wiring.ok ? wiring.value : typed,
    program,
    sighting: sighting ?? undefined,
    stated: stated ?? undefined,
  });
  const known = await db('report').where({ key }).first('id');
  if (!known) {
    const outcome = await guarded.run('check', {
      exercise,
      wiring: typed,
      program,
      ...(sighting ? { sighting } : {}),
      ...(stated ? { stated } : {}),
    });
    if (outcome.ended)
      await keepReport(db, key, JSON.parse(outcome.value.report) as Report, { shape: outcome.value.shape });
    else {
      log.error({ key, obstacle: outcome.obstacle }, 'something could not be checked again');
      await keepReport(db, key, notJudged({ data: exerciseSchema.parse(exercise) }, outcome.obstacle));
    }
  }
  await db.transaction(async (transaction) => {
    await transaction.raw("set local didaktor.rechecking = 'on'");
    await transaction('submission').where({ id: next.submission_id }).update({ judging_key: key });
    await transaction('rechecked')
      .where({ recheck_id: id, submission_id: next.submission_id })
      .update({ after_key: key });
  });
}

/** Puts what is to be checked again, and is in no queue any more, back into it. */
export async function recoverRechecks(db: Knex): Promise<void> {
  const running = await db('recheck').whereNull('ended_at').whereNull('cancelled_at').pluck<string[]>('id');
  for (const id of running) await queue(db, id);
}
