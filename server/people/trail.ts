import type { Knex } from 'knex';
import { AUDITED, type Audited } from '../audit';

/** One thing that somebody did, with names as far as there still are any. */
export interface TrailLine {
  readonly id: string;
  readonly at: string;
  /** What was done, as a verb: `set the meetings of`. */
  readonly did: string;
  readonly actor: string;
  readonly subject: string;
  readonly detail: string;
}

/** Lines of one page of the trail. */
export const TRAIL_PAGE = 100;

/** What an id is called today: a person, a class, a course; else as it stands. */
const nameSql = (column: string): string => `coalesce(
  (select name from staff where staff.id::text = ${column}),
  (select learner.name || ', ' || class.name from learner join class on class.id = learner.class_id
    where learner.id::text = ${column}),
  (select name from class where class.id::text = ${column}),
  (select title from course where course.id::text = ${column}),
  (select draft->>'title' from exercise where exercise.id::text = ${column}),
  (select (revision.content->>'title') || ', ' || class.name from publication
    join revision on revision.id = publication.revision_id join class on class.id = publication.class_id
    where publication.id::text = ${column}),
  ${column})`;

/** What was done, newest first, from before a line on; at most a page of it. */
export async function trailOf(db: Knex, before: string | undefined): Promise<readonly TrailLine[]> {
  const rows = await db('audit')
    .modify((query) => void (before !== undefined && query.where('id', '<', before)))
    .orderBy('id', 'desc')
    .limit(TRAIL_PAGE)
    .select<(Omit<TrailLine, 'at' | 'did'> & { readonly at: Date; readonly action: Audited })[]>(
      'id',
      'at',
      'action',
      'detail',
      db.raw(`${nameSql('actor')} as actor`),
      db.raw(`${nameSql('subject')} as subject`),
    );
  return rows.map(({ at, action, ...line }) => ({ ...line, at: at.toISOString(), did: AUDITED[action] }));
}
