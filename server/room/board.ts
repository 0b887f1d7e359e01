import type { Knex } from 'knex';
import { bringUpTitles, type BringUpId } from '@/core/course/bring-up';
import type { FindingCode } from '@/core/findings/finding';
import { hasPassed, type Verdict } from '@/core/formats/report';
import type { BoardBench } from '@/core/messages/room';
import { standingOf, type BenchEvent } from '@/core/plan/room';
import { isUuid } from '../database/ids';
import { isLiveSession } from '../people/sessions';
import { sameClass, type Viewer } from '../permissions';

interface BenchRow {
  readonly id: string;
  readonly name: string;
  readonly is_signed_in: boolean;
  readonly exercise: string | null;
  readonly changed_ago: string | null;
  readonly submission_id: string | null;
  readonly events:
    | {
        readonly kind: 'check' | 'hand-in';
        readonly ago: number;
        /** Of a check. */
        readonly passed: boolean | null;
        /** Of a hand-in. */
        readonly verdict: Verdict | null;
        readonly cause: FindingCode | null;
        readonly note: string;
      }[]
    | null;
  readonly call_id: string | null;
  readonly called_ago: string | null;
  readonly taken_by: string | null;
  readonly board_step: BringUpId | null;
  readonly board_is_ready: boolean | null;
}

/** Events of a bench that are looked at: more than it takes to be stuck. */
const EVENTS = 6;
/** Hours after which what was done is of another meeting. */
const MEETING = 12;

const ago = (column: string): string => `greatest(0, extract(epoch from clock_timestamp() - ${column}))`;

/** Every bench of a class as it stands; `undefined` when it is not the viewer's. */
export const roomOf = async (
  db: Knex,
  viewer: Viewer,
  classId: string,
): Promise<readonly BoardBench[] | undefined> =>
  viewer.role === 'student' || !isUuid(classId) || !sameClass(viewer, classId)
    ? undefined
    : benchesOf(db, classId);

/** Every bench of a class as it stands, by the database's clock; the caller has checked whose class it is. */
export async function benchesOf(db: Knex, classId: string): Promise<readonly BoardBench[]> {
  const { sql, bindings } = isLiveSession(db).toSQL();
  const { rows } = await db.raw<{ rows: BenchRow[] }>(
    `select learner.id, learner.name,
       exists (select 1 from session where session.learner_id = learner.id and ${sql}) as is_signed_in,
       revision.content->>'title' as exercise, current.changed_ago,
       (select submission.id from submission where submission.learner_id = learner.id
          and submission.publication_id = current.publication_id order by handed_in_at desc limit 1) as submission_id,
       (select json_agg(event order by ago) from (
          (select 'check' as kind, ${ago('at')} as ago, passed, null as verdict, cause, note from bench_check
             where bench_check.learner_id = learner.id and bench_check.publication_id = current.publication_id
               and at > now() - ? * interval '1 hour' order by at desc limit ?)
          union all
          (select 'hand-in', ${ago('handed_in_at')}, null, verdict, report.causes[1], ''
             from submission join report on report.key = judging_key
             where submission.learner_id = learner.id and submission.publication_id = current.publication_id
               and handed_in_at > now() - ? * interval '1 hour' order by handed_in_at desc limit ?)
        ) as event) as events,
       help_call.id as call_id, ${ago('help_call.called_at')} as called_ago, staff.name as taken_by,
       ready.step as board_step, ready.is_ready as board_is_ready
     from learner
     left join lateral (
       select publication_id, max(at) as at, ${ago('max(changed_at)')} as changed_ago from (
         select publication_id, updated_at as at, updated_at as changed_at from bench_draft
           where bench_draft.learner_id = learner.id
         union all select publication_id, at, null from bench_check where bench_check.learner_id = learner.id
         union all select publication_id, handed_in_at, null from submission where submission.learner_id = learner.id
       ) as touched where at > now() - ? * interval '1 hour' group by publication_id order by max(at) desc limit 1
     ) as current on true
     left join lateral (
       select step, is_ready from bring_up where bring_up.learner_id = learner.id order by at desc limit 1
     ) as ready on true
     left join publication on publication.id = current.publication_id
     left join revision on revision.id = publication.revision_id
     left join help_call on help_call.learner_id = learner.id and help_call.ended_at is null
     left join staff on staff.id = help_call.taken_by
     where learner.class_id = ?
     order by lower(learner.name), learner.name`,
    [...bindings, MEETING, EVENTS, MEETING, EVENTS, MEETING, classId],
  );
  return rows.map(benchFrom);
}

function benchFrom(row: BenchRow): BoardBench {
  const events = (row.events ?? []).map(
    ({ kind, ago: secondsAgo, passed, verdict, cause, note }): BenchEvent => ({
      kind,
      secondsAgo: Math.floor(secondsAgo),
      passed: passed ?? (verdict !== null && hasPassed(verdict)),
      cause,
      note,
    }),
  );
  const seconds = (text: string | null): number | null => (text === null ? null : Math.floor(Number(text)));
  return {
    learnerId: row.id,
    name: row.name,
    exercise: row.exercise ?? '',
    submissionId: row.submission_id,
    call: row.call_id === null ? null : { id: row.call_id, takenBy: row.taken_by },
    board: boardNote(row.board_step, row.board_is_ready ?? false),
    ...standingOf({
      isSignedIn: row.is_signed_in,
      changedSecondsAgo: seconds(row.changed_ago),
      events,
      calledSecondsAgo: row.call_id === null ? null : seconds(row.called_ago),
    }),
  };
}

/** How far the board of a bench has come: at which step it waits; nothing where it was never begun. */
const boardNote = (step: BringUpId | null, isReady: boolean): string =>
  step === null ? '' : isReady ? 'board ready' : `board: ${bringUpTitles[step].toLowerCase()}`;
