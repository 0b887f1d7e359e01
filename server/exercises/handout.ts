import type { Knex } from 'knex';
import { rulesWith } from '@/core/course/house-rules';
import type { FindingCode } from '@/core/findings/finding';
import type { HandoutForm } from '@/core/handout/document';
import { FEWEST } from '@/core/plan/class-record';
import type { Paper } from '@/core/handout/papers';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import type { Draft } from './drafts';

/** How a handout is wanted. */
export interface HandoutPrint {
  readonly form: HandoutForm;
  readonly paper: Paper;
  readonly columns: 1 | 2;
  /** Where this server is reached. */
  readonly ownAddress: string;
}

export type Printed = { readonly pdf: Buffer } | { readonly message: string };

/** The handout of an exercise as it stands in its worksheet; says why when there is none. */
export async function printHandout(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  { id, sheet, courseTitle, courseRules, position }: Draft,
  { form, paper, columns, ownAddress }: HandoutPrint,
): Promise<Printed> {
  const own = rulesWith(courseRules, sheet.rules);
  const [seen, publicationId] = await Promise.all([commonCauses(db, viewer, id), openFor(db, viewer, id)]);
  const outcome = await guarded.run('handout', {
    exercise: sheet,
    wish: {
      form,
      rules: own.ok ? own.value : courseRules,
      place: `${courseTitle}, exercise ${position}`,
      seen,
      ...(publicationId === undefined ? {} : { address: `${ownAddress}/bench/${publicationId}` }),
    },
    paper,
    columns,
  });
  if (outcome.ended) return { pdf: Buffer.from(outcome.value, 'base64') };
  log.error({ obstacle: outcome.obstacle, detail: outcome.detail }, 'a handout could not be printed');
  return {
    message:
      'The handout can’t be printed as the exercise stands. Look at the marks in the worksheet, then try again.',
  };
}

/** What the viewer's classes have run into in an exercise, the most frequent first; nothing that fewer than three have. */
async function commonCauses(db: Knex, viewer: Viewer, exerciseId: string): Promise<readonly FindingCode[]> {
  const rows = await db('submission')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .join('report', 'report.key', 'submission.judging_key')
    .joinRaw('cross join unnest(report.causes) as cause')
    .where('revision.exercise_id', exerciseId)
    .whereIn('publication.class_id', [...viewer.classIds])
    .groupBy('cause')
    .havingRaw('count(distinct submission.learner_id) >= ?', [FEWEST])
    .orderByRaw('count(*) desc, cause')
    .select<{ cause: FindingCode }[]>('cause');
  return rows.map(({ cause }) => cause);
}

/** Where the exercise was opened last for a class of the viewer's. */
const openFor = (db: Knex, viewer: Viewer, exerciseId: string): Promise<string | undefined> =>
  db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('revision.exercise_id', exerciseId)
    .whereIn('publication.class_id', [...viewer.classIds])
    .whereNull('publication.closed_at')
    .orderBy('publication.opened_at', 'desc')
    .first<{ id: string } | undefined>('publication.id')
    .then((row) => row?.id);
