import type { Knex } from 'knex';
import { reportSchema, type Report } from '@/core/formats/report';
import type { Sighting } from '@/core/judge/check';
import { isUuid } from '../database/ids';
import { ownWork, type Viewer } from '../permissions';

/** A hand-in with its report. */
export interface Submission {
  readonly id: string;
  readonly publicationId: string;
  readonly learnerId: string;
  readonly learnerName: string;
  readonly classId: string;
  readonly attempt: number;
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | null;
  readonly hintsTaken: number;
  readonly handedInAt: Date;
  readonly report: Report;
}

interface Row {
  readonly id: string;
  readonly publication_id: string;
  readonly learner_id: string;
  readonly learner_name: string;
  readonly class_id: string;
  readonly attempt: number;
  readonly wiring: string;
  readonly program: string;
  readonly sighting: Sighting | null;
  readonly hints_taken: number;
  readonly handed_in_at: Date;
  readonly content: string;
}

const selectSubmissions = (db: Knex) =>
  db('submission')
    .join('learner', 'learner.id', 'submission.learner_id')
    .join('report', 'report.submission_id', 'submission.id')
    .select<Row[]>(
      'submission.id',
      'submission.publication_id',
      'submission.learner_id',
      'learner.name as learner_name',
      'learner.class_id',
      'submission.attempt',
      'submission.wiring',
      'submission.program',
      'submission.sighting',
      'submission.hints_taken',
      'submission.handed_in_at',
      'report.content',
    );

const fromRow = (row: Row): Submission => ({
  id: row.id,
  publicationId: row.publication_id,
  learnerId: row.learner_id,
  learnerName: row.learner_name,
  classId: row.class_id,
  attempt: row.attempt,
  wiring: row.wiring,
  program: row.program,
  sighting: row.sighting,
  hintsTaken: row.hints_taken,
  handedInAt: row.handed_in_at,
  report: reportSchema.parse(JSON.parse(row.content)),
});

/** A submission that the viewer may see: their own, or one of a class they teach. */
export async function findSubmission(db: Knex, viewer: Viewer, id: string): Promise<Submission | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await selectSubmissions(db).where('submission.id', id);
  return row && ownWork(viewer, { learnerId: row.learner_id, classId: row.class_id })
    ? fromRow(row)
    : undefined;
}

/** All hand-ins of a publication, first to last; the caller has checked whose class it is. */
export async function submissionsOf(db: Knex, publicationId: string): Promise<readonly Submission[]> {
  const rows = await selectSubmissions(db)
    .where('submission.publication_id', publicationId)
    .orderBy(['submission.handed_in_at', 'submission.attempt']);
  return rows.map(fromRow);
}

/** A learner's own hand-ins of a publication, first to last. */
export async function attemptsOf(
  db: Knex,
  publicationId: string,
  learnerId: string,
): Promise<readonly Submission[]> {
  const rows = await selectSubmissions(db)
    .where({ 'submission.publication_id': publicationId, 'submission.learner_id': learnerId })
    .orderBy('submission.attempt');
  return rows.map(fromRow);
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
