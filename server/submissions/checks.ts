import type { Knex } from 'knex';
import type { Exercise } from '@/core/formats/exercise';
import type { Scenario } from '@/core/formats/scenario';
import { hasPassed, type Report } from '@/core/formats/report';
import type { CheckTold } from '@/core/messages/check';
import type { CheckWish } from '@/core/messages/hand-in';
import { notJudged } from '@/core/judge/not-judged';
import { findOpening, findPublication } from '../exercises/publications';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import { secondsToWait } from '../people/rate-limits';
import type { Viewer } from '../permissions';

/** Why what a learner says that theirs does cannot be judged by; nothing for an exercise that says itself what must be seen. */
export const statedFault = async (
  guarded: Guard,
  { data }: Pick<Exercise, 'data'>,
  stated: readonly Scenario[],
): Promise<string | undefined> =>
  data.open || stated.length > 0 ? guarded.ask('statedProblem', { exercise: data, stated }) : undefined;

export type CheckResult =
  { readonly report: Report } | { readonly status: 404 | 422 | 429; readonly message: string };

/** Notes that a build was checked and what came of it, for whoever looks after the room; nothing of the build itself. */
const noteCheck = (
  db: Knex,
  learnerId: string,
  { publicationId, passed, cause }: CheckTold,
  note = '',
): Promise<unknown> =>
  db('bench_check').insert({ learner_id: learnerId, publication_id: publicationId, passed, cause, note });

/**
 * Takes note of a check that a learner's tablet has made itself; whether it did. A tablet that tells of more checks than
 * anybody makes is not listened to.
 */
export async function tellOfCheck(
  db: Knex,
  viewer: Viewer & { readonly role: 'student' },
  told: CheckTold,
): Promise<boolean> {
  if ((await secondsToWait(db, 'check', viewer.id)) > 0) return false;
  if (!(await findOpening(db, viewer, told.publicationId))) return false;
  await noteCheck(db, viewer.id, told);
  return true;
}

/** Checks a build on the server, for a learner's tablet that holds nothing of the solution. */
export async function checkBuild(
  db: Knex,
  guarded: Guard,
  viewer: Viewer & { readonly role: 'student' },
  { publicationId, wiring, program, sighting, stated = [], stage }: CheckWish,
): Promise<CheckResult> {
  const wait = await secondsToWait(db, 'check', viewer.id);
  if (wait > 0)
    return {
      status: 429,
      message: `You have checked a lot. Wait ${wait} seconds, and take a good look at your bench.`,
    };
  const publication = await findPublication(db, viewer, publicationId);
  if (!publication) return { status: 404, message: 'This exercise is not open for your class.' };
  const { data } = publication.exercise;
  const read = await guarded.ask('canonicalWiring', { exercise: data, wiring });
  if (!read.ok) return { status: 422, message: `The wiring cannot be read: ${read.problems[0]!.message}` };
  if (stage !== undefined && !data.stages?.some(({ name }) => name === stage))
    return { status: 422, message: `The exercise has no stage “${stage}” any more. Load the page again.` };
  // What is stated is of the whole.
  const said = stage === undefined ? stated : [];
  const unsaid = stage === undefined ? await statedFault(guarded, publication.exercise, said) : undefined;
  if (unsaid !== undefined) return { status: 422, message: unsaid };
  const outcome = await guarded.run('check', {
    exercise: data,
    wiring,
    program,
    stated: said,
    ...(sighting ? { sighting } : {}),
    ...(stage === undefined ? {} : { stage }),
  });
  if (outcome.ended) {
    const report = JSON.parse(outcome.value.report) as Report;
    const cause = report.findings.find((finding) => finding.cause);
    // Who has a stage right has not done the exercise: the room would count them as done.
    if (stage === undefined || !hasPassed(report.verdict))
      await noteCheck(
        db,
        viewer.id,
        { publicationId, passed: hasPassed(report.verdict), cause: cause?.code ?? null },
        cause?.message,
      );
    return { report };
  }
  log.error({ obstacle: outcome.obstacle, detail: outcome.detail }, 'a build could not be checked');
  return { report: notJudged(publication.exercise, outcome.obstacle) };
}
