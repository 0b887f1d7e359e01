import type { Knex } from 'knex';
import type { Granted, SharingChange, SharingState } from '@/core/course/sharing';
import { audit } from './audit';
import { isUuid } from './database/ids';
import type { Viewer } from './permissions';

/** What can be owned and shared, with its tables. */
const kinds = {
  course: {
    table: 'course',
    owner: 'owner_id',
    shares: 'course_share',
    key: 'course_id',
    action: 'share-course',
  },
  board: {
    table: 'board_profile',
    owner: 'made_by',
    shares: 'board_share',
    key: 'board_id',
    action: 'share-board',
  },
} as const;
export type Shared = keyof typeof kinds;

/** What somebody may do with a thing; whoever may change it may look at it. */
export type May = 'own' | Granted;

/** The rights of a viewer as SQL, on the table of the kind: `own`, `edit`, `look`, or null. */
const rightsSql = (kind: Shared): string => {
  const { table, owner, shares, key } = kinds[kind];
  return `case
    when ${table}.${owner} = ? then 'own'
    else coalesce(
      (select may from ${shares} where ${shares}.${key} = ${table}.id and ${shares}.staff_id = ?),
      case when ${table}.visible_to = 'all' then 'look' end)
  end`;
};

/** A column with what a viewer may do, for lists; rows without a right are for nobody's eyes. */
export const rightsOf = (db: Knex, kind: Shared, viewer: Viewer): Knex.Raw =>
  db.raw(rightsSql(kind), [viewer.id, viewer.id]);

/** What a viewer may do with a thing; `undefined` when nothing, or when there is none. */
export async function mayWith(db: Knex, kind: Shared, viewer: Viewer, id: string): Promise<May | undefined> {
  if (!isUuid(id) || viewer.role === 'student') return undefined;
  const [row] = await db(kinds[kind].table)
    .where({ id })
    .select<{ may: May | null }[]>(db.raw(`${rightsSql(kind)} as may`, [viewer.id, viewer.id]));
  return row?.may ?? undefined;
}

export const mayLook = async (db: Knex, kind: Shared, viewer: Viewer, id: string): Promise<boolean> =>
  (await mayWith(db, kind, viewer, id)) !== undefined;
export async function mayEdit(db: Knex, kind: Shared, viewer: Viewer, id: string): Promise<boolean> {
  const may = await mayWith(db, kind, viewer, id);
  return may === 'own' || may === 'edit';
}

/** The course of an exercise; `undefined` when there is no such exercise. */
export async function courseOfExercise(db: Knex, exerciseId: string): Promise<string | undefined> {
  if (!isUuid(exerciseId)) return undefined;
  const row = await db('exercise')
    .where({ id: exerciseId })
    .first<{ course_id: string } | undefined>('course_id');
  return row?.course_id;
}

/** Whether a viewer may look at an exercise, or change it: as with its course. */
export async function mayWithExercise(
  db: Knex,
  viewer: Viewer,
  exerciseId: string,
  may: Granted,
): Promise<boolean> {
  const courseId = await courseOfExercise(db, exerciseId);
  if (courseId === undefined) return false;
  return may === 'edit' ? mayEdit(db, 'course', viewer, courseId) : mayLook(db, 'course', viewer, courseId);
}

/** How a thing is shared; `undefined` when it is not the viewer's own. */
export async function sharingOf(
  db: Knex,
  kind: Shared,
  viewer: Viewer,
  id: string,
): Promise<SharingState | undefined> {
  if ((await mayWith(db, kind, viewer, id)) !== 'own') return undefined;
  const { table, shares, key } = kinds[kind];
  const row = await db(table).where({ id }).first<{ visible_to: SharingState['visibleTo'] }>('visible_to');
  const people = await db('staff')
    .leftJoin(shares, function () {
      this.on(`${shares}.staff_id`, 'staff.id').andOnVal(`${shares}.${key}`, id);
    })
    .whereNot('staff.id', viewer.id)
    .whereNull('staff.left_at')
    .orderBy('staff.name')
    .select<SharingState['people'][number][]>('staff.id', 'staff.name', 'staff.role', `${shares}.may`);
  return { visibleTo: row.visible_to, people };
}

/** Changes how a thing is shared; false when it is not the viewer's own. */
export async function share(
  db: Knex,
  kind: Shared,
  viewer: Viewer,
  id: string,
  change: SharingChange,
): Promise<boolean> {
  if ((await mayWith(db, kind, viewer, id)) !== 'own') return false;
  const { table, shares, key, action } = kinds[kind];
  await db.transaction(async (transaction) => {
    if ('visibleTo' in change)
      await transaction(table).where({ id }).update({ visible_to: change.visibleTo });
    else if (change.may === null)
      await transaction(shares)
        .where({ [key]: id, staff_id: change.staffId })
        .delete();
    else
      await transaction(shares)
        .insert({ [key]: id, staff_id: change.staffId, may: change.may })
        .onConflict([key, 'staff_id'])
        .merge({ may: change.may });
    await audit(transaction, viewer.id, action, id, JSON.stringify(change));
  });
  return true;
}
