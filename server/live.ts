import type { Knex } from 'knex';
import { isLiveSession } from './people/sessions';
import { OPEN_NOW } from './exercises/publications';
import type { Viewer } from './permissions';

/**
 * A short text that changes whenever what a viewer's lists show has changed: what is open, what was handed in and
 * judged, who is at the door; cheap enough to be asked for again and again.
 */
export async function stateOf(db: Knex, viewer: Viewer): Promise<string> {
  const classIds = [...viewer.classIds];
  const handIns = db('submission')
    .join('learner', 'learner.id', 'submission.learner_id')
    .leftJoin('report', 'report.key', 'submission.judging_key')
    .whereIn('learner.class_id', classIds)
    .modify((query) => void (viewer.role === 'student' && query.where('learner.id', viewer.id)))
    .select(db.raw(`count(*) || '/' || count(report.key)`));
  const decided = db('decision')
    .join('submission', 'submission.id', 'decision.submission_id')
    .join('learner', 'learner.id', 'submission.learner_id')
    .whereIn('learner.class_id', classIds)
    .modify((query) => void (viewer.role === 'student' && query.where('learner.id', viewer.id)))
    .select(db.raw('count(*)'));
  const openings = db('publication')
    .whereIn('publication.class_id', classIds)
    .select(
      db.raw(`md5(coalesce(string_agg(concat_ws(' ', publication.id, ${OPEN_NOW}, publication.opens_at,
        publication.due_at, publication.closes_at, (select count(*) from publication_learner
          where publication_learner.publication_id = publication.id)), ',' order by publication.id), ''))`),
    );
  const doors = db('class')
    .leftJoin('learner', 'learner.class_id', 'class.id')
    .leftJoin('session', function () {
      this.on('session.learner_id', 'learner.id').andOn(isLiveSession(db));
    })
    .whereIn('class.id', classIds)
    .select(
      db.raw(`count(distinct session.learner_id) || ' ' || count(distinct learner.id) || ' '
        || count(distinct class.id) filter (where class.joining_until > now())`),
    );
  const ownCalls = db('help_call')
    .where({ learner_id: viewer.id })
    .whereNull('ended_at')
    .select(db.raw(`count(*) || '/' || count(taken_by)`));
  const rechecks = db('rechecked')
    .join('recheck', 'recheck.id', 'rechecked.recheck_id')
    .join('publication', 'publication.id', 'recheck.publication_id')
    .whereIn('publication.class_id', classIds)
    .whereRaw("recheck.started_at > now() - interval '1 day'")
    .select(db.raw(`count(after_key) || '/' || count(distinct coalesce(cancelled_at, ended_at))`));
  const parts =
    viewer.role === 'student'
      ? [handIns, decided, openings, ownCalls]
      : [handIns, decided, openings, doors, rechecks];
  const [row] = await db.select<{ state: string }[]>(
    db.raw(`concat_ws(';', ${parts.map(() => '(?)').join(', ')}) as state`, parts),
  );
  return row!.state;
}
