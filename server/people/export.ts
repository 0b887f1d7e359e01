import type { Knex } from 'knex';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { can, sameClass, type Viewer } from '../permissions';

/** The same for a learner of a class of the viewer's; `undefined` when they are in none. */
export async function exportOwnLearner(db: Knex, viewer: Viewer, learnerId: string): Promise<unknown> {
  const learner = isUuid(learnerId)
    ? await db('learner').where({ id: learnerId }).first<{ class_id: string } | undefined>('class_id')
    : undefined;
  return learner && can(viewer.role, 'export-learner') && sameClass(viewer, learner.class_id)
    ? exportLearner(db, learnerId, viewer.id)
    : undefined;
}

/** Everything that is kept of a learner, as plain data; `undefined` when there is no such learner. */
export async function exportLearner(db: Knex, learnerId: string, actor: string): Promise<unknown> {
  const learner = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .where({ 'learner.id': learnerId })
    .first<Record<string, unknown> | undefined>(
      'learner.name',
      'class.name as class',
      'learner.joined_at as joinedAt',
    );
  if (!learner) return undefined;
  const submissions = await db('submission')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .leftJoin('report', 'report.key', 'submission.judging_key')
    .where({ learner_id: learnerId })
    .orderBy('submission.handed_in_at')
    .select<Record<string, unknown>[]>(
      db.raw("revision.content->>'title' as exercise"),
      'submission.attempt',
      'submission.handed_in_at as handedInAt',
      'submission.wiring',
      'submission.program',
      'submission.sighting',
      'submission.stated',
      'submission.hints_taken as hintsTaken',
      'submission.worked_seconds as workedSeconds',
      db.raw('(submission.brought_by is not null) as "broughtIn"'),
      'report.content as report',
    );
  const decisions = await db('decision')
    .join('submission', 'submission.id', 'decision.submission_id')
    .where({ learner_id: learnerId })
    .orderBy('decision.id')
    .select<Record<string, unknown>[]>(
      'submission.attempt',
      'decision.made_at as madeAt',
      'decision.outcome',
      'decision.remark',
      'decision.marks',
      'decision.reason',
    );
  const calls = await db('help_call')
    .where({ learner_id: learnerId })
    .orderBy('called_at')
    .select<Record<string, unknown>[]>('called_at as calledAt', 'taken_at as takenAt', 'ended_at as endedAt');
  const drafts = await db('bench_draft')
    .where({ learner_id: learnerId })
    .select<Record<string, unknown>[]>(
      'publication_id as publication',
      'updated_at as updatedAt',
      'worked_seconds as workedSeconds',
      'content',
    );
  const checks = await db('bench_check')
    .where({ learner_id: learnerId })
    .orderBy('id')
    .select<Record<string, unknown>[]>('publication_id as publication', 'at', 'passed', 'cause', 'note');
  const values = await db('bench_calibration')
    .where({ learner_id: learnerId })
    .orderBy(['publication_id', 'name'])
    .select<Record<string, unknown>[]>('publication_id as publication', 'name', 'value', 'set_at as setAt');
  const boards = await db('bring_up')
    .where({ learner_id: learnerId })
    .orderBy('board')
    .select<Record<string, unknown>[]>('board', 'system', 'step', 'is_ready as isReady', 'at');
  const trail = await db('audit')
    .where({ subject: learnerId })
    .orWhere({ actor: learnerId })
    .orderBy('id')
    .select<Record<string, unknown>[]>('at', 'action');
  await audit(db, actor, 'export-person', learnerId);
  return { ...learner, submissions, decisions, checks, calls, drafts, values, boards, trail };
}
