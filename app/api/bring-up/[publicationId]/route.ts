import { bringUpMessageSchema } from '@/core/messages/bring-up';
import { database } from '@/server/database/connection';
import { keepBringUp } from '@/server/room/bring-up';
import { keptForExercise } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

/** Keeps how far a learner has come in making the board of an exercise ready. */
export const PUT = keptForExercise({
  schema: bringUpMessageSchema,
  largest: 1000,
  keep: (viewer, publicationId, at) => keepBringUp(database(), viewer, publicationId, at),
  otherwise: 'This exercise is not open for your class.',
});
