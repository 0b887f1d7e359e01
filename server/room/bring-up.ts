import type { Knex } from 'knex';
import type { BringUpMessage } from '@/core/messages/bring-up';
import { findPublication } from '../exercises/publications';
import type { Viewer } from '../permissions';

interface Row {
  readonly system: BringUpMessage['system'];
  readonly step: BringUpMessage['step'];
  readonly is_ready: boolean;
}

/** How far a learner has come with a board; `undefined` for one that has not begun. */
export async function bringUpOf(
  db: Knex,
  learnerId: string,
  board: string,
): Promise<BringUpMessage | undefined> {
  const row = await db('bring_up')
    .where({ learner_id: learnerId, board })
    .first<Row | undefined>('system', 'step', 'is_ready');
  return row && { system: row.system, step: row.step, isReady: row.is_ready };
}

/** Keeps how far a learner has come with the board of an exercise; false when that is not theirs. */
export async function keepBringUp(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  { system, step, isReady }: BringUpMessage,
): Promise<boolean> {
  const publication = await findPublication(db, viewer, publicationId);
  if (!publication) return false;
  await db('bring_up')
    .insert({
      learner_id: viewer.id,
      board: publication.exercise.board.id,
      system,
      step,
      is_ready: isReady,
      at: new Date(),
    })
    .onConflict(['learner_id', 'board'])
    .merge();
  return true;
}
