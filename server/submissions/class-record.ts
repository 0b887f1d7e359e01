import type { Knex } from 'knex';
import type { PastTry, RecordedCause, RecordedTry } from '@/core/plan/class-record';
import { marksAfter } from '@/core/plan/review-marks';
import type { FindingCode } from '@/core/findings/finding';
import type { Verdict } from '@/core/formats/report';
import { isUuid } from '../database/ids';
import { sameClass, type Viewer } from '../permissions';
import { dueOf, termsOf, type Terms } from './terms';

/** An exercise that a class has had. */
export interface RecordedExercise {
  readonly id: string;
  readonly title: string;
  /** Minutes that it is planned to take; `null` when nothing is said. */
  readonly minutes: number | null;
  /** Concepts that it introduces. */
  readonly introduces: readonly string[];
}

/** Everything that the record of a class is made of. */
export interface ClassTries {
  readonly learners: readonly { readonly id: string; readonly name: string }[];
  readonly exercises: readonly RecordedExercise[];
  readonly tries: readonly RecordedTry[];
  readonly past: readonly PastTry[];
}

interface TryRow {
  readonly id: string;
  readonly learner_id: string;
  readonly publication_id: string;
  readonly attempt: number;
  readonly handed_in_at: Date;
  readonly worked_seconds: number | null;
  readonly exercise_id: string;
  readonly week: string;
  readonly verdict: Verdict | null;
  readonly causes: readonly RecordedCause[] | null;
  readonly hints_taken: number;
  readonly marks_earned: string | null;
  readonly marks_of: string | null;
  readonly is_accepted_circuit: boolean;
  readonly decisions: readonly {
    readonly outcome: 'accepted' | 'returned' | null;
    readonly marks: number | null;
    readonly reason: string;
  }[];
}

/** The first day of the week of a column, as text. */
const weekOf = (column: string): string => `to_char(date_trunc('week', ${column}), 'YYYY-MM-DD')`;

const triesOf = (db: Knex, classId: string) =>
  db('submission')
    .join('learner', 'learner.id', 'submission.learner_id')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .leftJoin('report', 'report.key', 'submission.judging_key')
    .where('learner.class_id', classId)
    .orderBy(['submission.handed_in_at', 'submission.attempt'])
    .select<TryRow[]>(
      'submission.id',
      'submission.learner_id',
      'submission.publication_id',
      'submission.attempt',
      'submission.handed_in_at',
      'submission.worked_seconds',
      'revision.exercise_id',
      db.raw(`${weekOf('submission.handed_in_at')} as week`),
      'report.verdict',
      'submission.hints_taken',
      'report.marks_earned',
      'report.marks_of',
      db.raw(`(select json_agg(json_build_object('code', finding->>'code', 'line', (finding->>'line')::int))
        from jsonb_array_elements(report.content::jsonb->'findings') as finding
        where (finding->>'cause')::boolean) as causes`),
      db.raw(`exists (select 1 from accepted_circuit where accepted_circuit.exercise_id = revision.exercise_id
        and accepted_circuit.shape = report.shape and report.verdict = 'works-differently') as is_accepted_circuit`),
      db.raw(`coalesce((select json_agg(json_build_object('outcome', outcome, 'marks', marks, 'reason', reason)
        order by decision.id) from decision where decision.submission_id = submission.id), '[]') as decisions`),
    );

function tryFrom(row: TryRow, terms: Terms): RecordedTry {
  const { late, deductions } = dueOf(terms, { handedInAt: row.handed_in_at, attempt: row.attempt });
  const given =
    row.marks_earned === null || row.marks_of === null
      ? undefined
      : { earned: Number(row.marks_earned), of: Number(row.marks_of) };
  const outcome = row.decisions.findLast((decision) => decision.outcome !== null)?.outcome;
  return {
    submissionId: row.id,
    learnerId: row.learner_id,
    exerciseId: row.exercise_id,
    week: row.week,
    verdict: row.verdict,
    causes: row.causes ?? [],
    hintsTaken: row.hints_taken,
    late,
    workedSeconds: row.worked_seconds,
    marks: marksAfter(given, row.decisions, row.is_accepted_circuit, deductions),
    isAccepted: outcome === 'accepted' || (row.is_accepted_circuit && outcome !== 'returned'),
  };
}

/** All tries of the learners of a class, with what was published to it; `undefined` when it is not the viewer's. */
export async function classTries(db: Knex, viewer: Viewer, classId: string): Promise<ClassTries | undefined> {
  if (viewer.role === 'student' || !isUuid(classId) || !sameClass(viewer, classId)) return undefined;
  const [learners, rows, exercises, past] = await Promise.all([
    db('learner')
      .where({ class_id: classId })
      .orderByRaw('lower(name), name')
      .select<{ id: string; name: string }[]>('id', 'name'),
    triesOf(db, classId),
    exercisesOf(db, classId),
    pastOf(db, classId),
  ]);
  const terms = await termsOf(db, [...new Set(rows.map((row) => row.publication_id))]);
  const tries = rows.map((row) => tryFrom(row, terms(row.publication_id)));
  return { learners, exercises, tries, past };
}

/** What was published to a class, or handed in by those who are in it, in the order of the course. */
const exercisesOf = (db: Knex, classId: string): Promise<readonly RecordedExercise[]> =>
  db('exercise')
    .whereExists(
      db('publication')
        .join('revision', 'revision.id', 'publication.revision_id')
        .whereRaw('revision.exercise_id = exercise.id')
        .where((where) =>
          where
            .where('publication.class_id', classId)
            .orWhereExists(
              db('submission')
                .join('learner', 'learner.id', 'submission.learner_id')
                .whereRaw('submission.publication_id = publication.id')
                .where('learner.class_id', classId),
            ),
        ),
    )
    .orderBy(['course_id', 'position'])
    .select<RecordedExercise[]>(
      'id',
      db.raw("draft->>'title' as title"),
      db.raw("(draft->>'minutes')::integer as minutes"),
      db.raw(`coalesce(draft->'concepts'->'introduces', '[]') as introduces`),
    );

async function pastOf(db: Knex, classId: string): Promise<readonly PastTry[]> {
  const rows = await db('past_try')
    .join('publication', 'publication.id', 'past_try.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('publication.class_id', classId)
    .select<{ exercise_id: string; week: string; verdict: Verdict; causes: FindingCode[] }[]>(
      'revision.exercise_id',
      db.raw(`to_char(past_try.week, 'YYYY-MM-DD') as week`),
      'past_try.verdict',
      'past_try.causes',
    );
  return rows.map(({ exercise_id: exerciseId, ...row }) => ({ exerciseId, ...row }));
}
