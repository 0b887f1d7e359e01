import type { Knex } from 'knex';
import { canonicalReport, causeCodes, type Report } from '@/core/formats/report';
import { exerciseSchema } from '@/core/formats/exercise';
import type { Scenario } from '@/core/formats/scenario';
import type { Sighting } from '@/core/formats/sighting';
import type { Queue } from '@/core/messages/hand-in';
import { ENGINE } from '@/core/judge/engine';
import { notJudged, type Ending, type Obstacle } from '@/core/judge/not-judged';
import type { Guard } from '../guard/processes';
import { addJob } from '../jobs';
import { log } from '../log';
import { textHash } from '../people/secrets';

/** What a report depends on. */
export interface Judged {
  readonly revisionId: string;
  /** The wiring as canonical text. */
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | undefined;
  /** What the learner says that theirs does. */
  readonly stated?: readonly Scenario[] | undefined;
}

/** Under what a report is kept: the same for everything that is judged the same. */
export const judgingKey = ({ revisionId, wiring, program, sighting, stated }: Judged): string =>
  textHash(JSON.stringify([ENGINE, revisionId, wiring, program, sighting ?? null, ...(stated ?? [])]));

/** Leaves something to be judged, unless it has been or waits already; part of the hand-in's transaction. */
export async function queueJudging(transaction: Knex, key: string): Promise<void> {
  const judged = await transaction('report').where({ key }).first('id');
  if (judged) return;
  await transaction('judging').insert({ key }).onConflict('key').ignore();
  await addJob(transaction, 'judge', { key }, key);
}

/** How long the queue is before a key; `undefined` when it does not wait. */
export async function waitingFor(db: Knex, key: string): Promise<Queue | undefined> {
  const [row] = await db('judging as own')
    .where('own.key', key)
    .select<{ started_at: Date | null; before: string }[]>(
      'own.started_at',
      db.raw(
        '(select count(*) from judging as other where other.queued_at < own.queued_at and other.started_at is null) as before',
      ),
    );
  if (!row) return undefined;
  return { isStarted: row.started_at !== null, before: row.started_at ? 0 : Number(row.before) };
}

/** Times that a check may be cut off before it is given up. */
const MOST_TRIES = 3;

/**
 * Judges what waits under a key and writes its report; safe to be called again at any time, and from several
 * processes. What cannot be judged is told in a report, and kept for the developer. Throws when the database fails.
 */
export async function judge(db: Knex, guarded: Guard, key: string): Promise<void> {
  const [begun] = await db('judging')
    .where({ key })
    .update({ started_at: db.raw('clock_timestamp()'), tries: db.raw('tries + 1') })
    .returning<{ tries: number }[]>('tries');
  if (!begun) return;
  const work = await db('submission')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('submission.judging_key', key)
    .first<
      | {
          wiring: string;
          program: string;
          sighting: Sighting | null;
          stated: Scenario[] | null;
          content: unknown;
        }
      | undefined
    >(
      'submission.wiring',
      'submission.program',
      'submission.sighting',
      'submission.stated',
      'revision.content',
    );
  if (!work) {
    await db('judging').where({ key }).delete();
    return;
  }
  const { wiring, program, sighting, stated, content: exercise } = work;
  const giveUp = async (obstacle: Ending, detail: string): Promise<void> => {
    await recordFailure(db, key, obstacle, detail);
    const report = notJudged({ data: exerciseSchema.parse(exercise) }, obstacle);
    await keepReport(db, key, report);
  };
  if (begun.tries > MOST_TRIES) return giveUp('crash', `cut off ${MOST_TRIES} times`);
  const outcome = await guarded.run('check', {
    exercise,
    wiring,
    program,
    ...(sighting ? { sighting } : {}),
    ...(stated ? { stated } : {}),
  });
  if (!outcome.ended) return giveUp(outcome.obstacle, outcome.detail);
  if (outcome.value.failure !== undefined) await recordFailure(db, key, 'failure', outcome.value.failure);
  await keepReport(db, key, JSON.parse(outcome.value.report) as Report, { shape: outcome.value.shape });
}

/** Writes the report of a key, once, and takes it off the queue; with the shape of the circuit where it is known. */
export async function keepReport(
  db: Knex,
  key: string,
  report: Report,
  { shape, at }: { readonly shape?: string; readonly at?: Date } = {},
): Promise<void> {
  const content = canonicalReport(report);
  await db.transaction(async (transaction) => {
    await transaction('report')
      .insert({
        key,
        content,
        content_hash: textHash(content),
        verdict: report.verdict,
        causes: [...causeCodes(report)],
        engine: report.engine,
        shape: shape === undefined ? null : textHash(shape),
        marks_earned: report.marks.earned,
        marks_of: report.marks.of,
        ...(at ? { made_at: at } : {}),
      })
      .onConflict('key')
      .ignore();
    await transaction('judging').where({ key }).delete();
  });
}

async function recordFailure(db: Knex, key: string, obstacle: Obstacle, detail: string): Promise<void> {
  log.error({ key, obstacle }, 'something could not be judged');
  await db('judging_failure').insert({ key, obstacle, detail: detail.slice(0, 8000), engine: ENGINE });
}
