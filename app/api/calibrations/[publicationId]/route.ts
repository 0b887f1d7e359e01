import { calibrationMessageSchema } from '@/core/messages/calibration';
import { database } from '@/server/database/connection';
import { keepCalibration } from '@/server/submissions/calibrations';
import { keptForExercise } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

/** Keeps a value that was found on a learner's bench. */
export const PUT = keptForExercise({
  schema: calibrationMessageSchema,
  largest: 4000,
  keep: (viewer, publicationId, value) => keepCalibration(database(), viewer, publicationId, value),
  otherwise: 'This exercise does not ask for that.',
});
