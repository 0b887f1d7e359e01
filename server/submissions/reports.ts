import type { Knex } from 'knex';
import type { FindingCode } from '@/core/findings/finding';
import { reportSchema, type Report, type Verdict } from '@/core/formats/report';
import type { Deduction } from '@/core/formats/rubric';
import type { Sighting } from '@/core/formats/sighting';
import type { Queue } from '@/core/messages/hand-in';
import { isUuid } from '../database/ids';
import { ownWork, type Viewer } from '../permissions';
import { waitingFor } from './judging';
import { dueOf, termsOf, type Terms } from './terms';

/** A hand-in as lists show it: what came of it, without its texts. */
export interface SubmissionLine {
  readonly id: string;
  readonly publicationId: string;
  readonly learnerId: string;
  readonly learnerName: string;
  readonly attempt: number;
  readonly handedInAt: Date;
  /** `null` while it waits to be judged. */
  readonly verdict: Verdict | null;
  /** Codes of the causes, first to last. */
  readonly causes: readonly FindingCode[];
  /** Hash of the circuit's shape; `null` when it is not known. */
  readonly shape: string | null;
  readonly hintsTaken: number;
  /** Whether somebody who teaches has brought it in. */
  readonly isBroughtIn: boolean;
  /** Days that it is late. */
  readonly late: number;
  /** What is taken off its marks for that, and for its being a late try. */
  readonly deductions: readonly Deduction[];
  /** What the report gives; `undefined` while it waits to be judged. */
  readonly marks: { readonly earned: number; readonly of: number } | undefined;
}

/** A hand-in with what was handed in and, once it has been judged, its report. */
export interface Submission extends SubmissionLine {
  readonly classId: string;
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | null;
  readonly report: Report | undefined;
  /** How long the queue is; `undefined` when it has been judged. */
  readonly waiting: Queue | undefined;
}

interface LineRow {
  readonly id: string;
  readonly publication_id: string;
  readonly learner_id: string;
  readonly learner_name: string;
  readonly attempt: number;
  readonly handed_in_at: Date;
  readonly verdict: Verdict | null;
  readonly causes: FindingCode[] | null;
  readonly shape: string | null;
  readonly hints_taken: number;
  readonly brought_by: string | null;
  readonly marks_earned: string | null;
  readonly marks_of: string | null;
}

interface Row extends LineRow {
  readonly class_id: string;
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | null;
  readonly judging_key: string;
  readonly content: string | null;
}

const lineColumns = [
  'submission.id',
  'submission.publication_id',
  'submission.learner_id',
  'learner.name as learner_name',
  'submission.attempt',
  'submission.handed_in_at',
  'report.verdict',
  'report.causes',
  'report.shape',
  'report.marks_earned',
  'report.marks_of',
  'submission.hints_taken',
  'submission.brought_by',
];

const selectSubmissions = (db: Knex) =>
  db('submission')
    .join('learner', 'learner.id', 'submission.learner_id')
    .leftJoin('report', 'report.key', 'submission.judging_key');

const lineFrom = (row: LineRow, terms: Terms): SubmissionLine => ({
  ...dueOf(terms, { handedInAt: row.handed_in_at, attempt: row.attempt }),
  id: row.id,
  publicationId: row.publication_id,
  learnerId: row.learner_id,
  learnerName: row.learner_name,
  attempt: row.attempt,
  handedInAt: row.handed_in_at,
  verdict: row.verdict,
  causes: row.causes ?? [],
  shape: row.shape,
  hintsTaken: row.hints_taken,
  isBroughtIn: row.brought_by !== null,
  marks:
    row.marks_earned === null || row.marks_of === null
      ? undefined
      : { earned: Number(row.marks_earned), of: Number(row.marks_of) },
});

/** A submission that the viewer may see: their own, or one of a class they teach. */
export async function findSubmission(db: Knex, viewer: Viewer, id: string): Promise<Submission | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await selectSubmissions(db)
    .where('submission.id', id)
    .select<Row[]>(
      ...lineColumns,
      'learner.class_id',
      'submission.wiring',
      'submission.program',
      'submission.sighting',
      'submission.judging_key',
      'report.content',
    );
  if (!row || !ownWork(viewer, { learnerId: row.learner_id, classId: row.class_id })) return undefined;
  const terms = await termsOf(db, [row.publication_id]);
  return {
    ...lineFrom(row, terms(row.publication_id)),
    classId: row.class_id,
    wiring: row.wiring,
    program: row.program,
    sighting: row.sighting,
    report: row.content === null ? undefined : reportSchema.parse(JSON.parse(row.content)),
    waiting: row.content === null ? await waitingFor(db, row.judging_key) : undefined,
  };
}

/** All hand-ins of some publications, first to last; the caller has checked whose classes these are. */
export async function linesOf(
  db: Knex,
  publicationIds: readonly string[],
  learnerId?: string,
): Promise<readonly SubmissionLine[]> {
  const rows = await selectSubmissions(db)
    .whereIn('submission.publication_id', [...publicationIds])
    .modify((query) => void (learnerId !== undefined && query.where('submission.learner_id', learnerId)))
    .orderBy(['submission.handed_in_at', 'submission.attempt'])
    .select<LineRow[]>(...lineColumns);
  const terms = await termsOf(db, publicationIds);
  return rows.map((row) => lineFrom(row, terms(row.publication_id)));
}

/** The learners of a class, by name. */
export async function learnersOf(
  db: Knex,
  classId: string,
): Promise<readonly { readonly id: string; readonly name: string }[]> {
  return db('learner')
    .where({ class_id: classId })
    .orderBy('name')
    .select<{ id: string; name: string }[]>('id', 'name');
}

/** When each hand-in of a learner came in; the caller has checked whose they are. */
export async function handedInAt(db: Knex, learnerId: string): Promise<ReadonlyMap<string, Date>> {
  const rows = await db('submission')
    .where({ learner_id: learnerId })
    .select<{ id: string; handed_in_at: Date }[]>('id', 'handed_in_at');
  return new Map(rows.map((row) => [row.id, row.handed_in_at]));
}
