import type { Knex } from 'knex';
import { isUuid } from '../database/ids';
import { findOpening } from '../exercises/publications';
import { can, sameClass, type Viewer } from '../permissions';

/** A call for help as its learner sees it. */
export interface OwnCall {
  /** Who is coming; `null` while nobody has taken it. */
  readonly takenBy: string | null;
}

/** Calls for help from a bench; a second call is the first one still. False when the exercise is none of theirs. */
export async function callForHelp(db: Knex, viewer: Viewer, publicationId: string): Promise<boolean> {
  if (viewer.role !== 'student' || !(await findOpening(db, viewer, publicationId))) return false;
  await db('help_call')
    .insert({ learner_id: viewer.id, publication_id: publicationId })
    .onConflict(db.raw('(learner_id) where ended_at is null'))
    .ignore();
  return true;
}

/** The call of a learner that is open; `undefined` when there is none. */
export async function ownCall(db: Knex, learnerId: string): Promise<OwnCall | undefined> {
  const row = await db('help_call')
    .leftJoin('staff', 'staff.id', 'help_call.taken_by')
    .where({ learner_id: learnerId })
    .whereNull('ended_at')
    .first<{ name: string | null } | undefined>('staff.name');
  return row && { takenBy: row.name };
}

/** Ends the call of a learner who no longer needs help. */
export async function endOwnCall(db: Knex, viewer: Viewer): Promise<void> {
  if (viewer.role !== 'student') return;
  await db('help_call')
    .where({ learner_id: viewer.id })
    .whereNull('ended_at')
    .update({ ended_at: db.raw('clock_timestamp()') });
}

/** Takes a call, or ends it, for somebody who teaches the class. Who takes it first has it: false for anybody later. */
export async function answerCall(
  db: Knex,
  viewer: Viewer,
  callId: string,
  how: 'take' | 'end',
): Promise<boolean> {
  if (viewer.role === 'student' || !can(viewer.role, 'see-room') || !isUuid(callId)) return false;
  const call = await db('help_call')
    .join('learner', 'learner.id', 'help_call.learner_id')
    .where({ 'help_call.id': callId })
    .first<{ class_id: string } | undefined>('learner.class_id');
  if (!call || !sameClass(viewer, call.class_id)) return false;
  const open = db('help_call').where({ id: callId }).whereNull('ended_at');
  const changed =
    how === 'take'
      ? await open
          .whereNull('taken_by')
          .update({ taken_by: viewer.id, taken_at: db.raw('clock_timestamp()') })
      : await open.update({ ended_at: db.raw('clock_timestamp()') });
  return changed > 0;
}
