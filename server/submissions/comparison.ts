import type { Knex } from 'knex';
import type { ComparedBuild } from '@/core/judge/compared-build';
import { findPublication } from '../exercises/publications';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import { findSubmission } from './reports';

/** What there is to compare of a build that is too much for its limits. */
const NOTHING: ComparedBuild = {
  runs: [],
  lines: { asked: [], built: [] },
  parts: { asked: [], built: [] },
};

/** A hand-in beside the reference of its exercise; `undefined` when it is not of a class of the viewer's. */
export async function comparisonOf(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  submissionId: string,
): Promise<ComparedBuild | undefined> {
  const submission = await findSubmission(db, viewer, submissionId);
  const publication = submission && (await findPublication(db, viewer, submission.publicationId));
  if (!publication) return undefined;
  const { wiring, program } = submission;
  const outcome = await guarded.run('compare', { exercise: publication.exercise.data, wiring, program });
  if (outcome.ended) return outcome.value;
  log.warn({ obstacle: outcome.obstacle, detail: outcome.detail }, 'a hand-in could not be compared');
  return NOTHING;
}
