import { randomInt } from 'node:crypto';
import type { Knex } from 'knex';
import { NO_ROOM, type RoomForBoards } from '@/core/course/bring-up';
import type { ClassChange, ClassState, KeptClass, Meeting } from '@/core/messages/class-change';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { can, sameClass, type Viewer } from '../permissions';
import { BY_COMMAND, Refused } from './accounts';
import { KEPT_UNTIL } from './retention';

interface ClassRow {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly term: string;
  readonly ends_on: string | null;
  readonly keep_days: number | null;
  readonly kept_until: string | null;
  readonly closed_at: Date | null;
  readonly archived_at: Date | null;
  readonly packages_from: string;
  readonly board_network: string;
  readonly board_password: string;
  readonly learners: string;
  readonly meetings: { id: string; startsAt: string; endsAt: string }[];
  readonly staff: { id: string; name: string }[];
}

const stateOf = (row: Pick<ClassRow, 'closed_at' | 'archived_at'>): ClassState =>
  row.archived_at ? 'archived' : row.closed_at ? 'closed' : 'open';

/** An instant of the database as text that every browser reads, in a JSON object. */
const iso = (column: string): string =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/** The viewer's classes, those in use first, then by name. */
export async function keptClasses(db: Knex, viewer: Viewer): Promise<readonly KeptClass[]> {
  const rows = await db('class')
    .whereIn('class.id', [...viewer.classIds])
    .orderByRaw('archived_at is not null, lower(name), created_at')
    .select<ClassRow[]>(
      'id',
      'name',
      'code',
      'term',
      'keep_days',
      'closed_at',
      'archived_at',
      'packages_from',
      'board_network',
      'board_password',
      db.raw(`to_char(ends_on, 'YYYY-MM-DD') as ends_on`),
      db.raw(`to_char(${KEPT_UNTIL}, 'YYYY-MM-DD') as kept_until`),
      db.raw('(select count(*) from learner where learner.class_id = class.id) as learners'),
      db.raw(`coalesce((select json_agg(json_build_object('id', meeting.id, 'startsAt', ${iso('starts_at')},
        'endsAt', ${iso('ends_at')}) order by starts_at) from meeting where meeting.class_id = class.id), '[]') as meetings`),
      db.raw(`coalesce((select json_agg(json_build_object('id', staff.id, 'name', staff.name) order by staff.name)
        from class_staff join staff on staff.id = class_staff.staff_id
        where class_staff.class_id = class.id and staff.left_at is null), '[]') as staff`),
    );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    code: row.code,
    term: row.term,
    state: stateOf(row),
    endsOn: row.ends_on,
    keepDays: row.keep_days,
    keptUntil: row.kept_until,
    forBoards: forBoardsIn(row),
    learners: Number(row.learners),
    meetings: row.meetings,
    staff: row.staff,
  }));
}

const forBoardsIn = (
  row: Pick<ClassRow, 'packages_from' | 'board_network' | 'board_password'>,
): RoomForBoards => ({
  packagesFrom: row.packages_from,
  network: row.board_network,
  password: row.board_password,
});

/** What everybody needs who gets a board ready in the room of a class. */
export async function roomForBoards(db: Knex, classId: string): Promise<RoomForBoards> {
  const row = await db('class')
    .where({ id: classId })
    .first<ClassRow | undefined>('packages_from', 'board_network', 'board_password');
  return row ? forBoardsIn(row) : NO_ROOM;
}

/** One of the viewer's classes; `undefined` when it is none of theirs. */
export async function keptClass(db: Knex, viewer: Viewer, classId: string): Promise<KeptClass | undefined> {
  if (!isUuid(classId) || !sameClass(viewer, classId)) return undefined;
  const [found] = await keptClasses(db, { ...viewer, classIds: [classId] } as Viewer);
  return found;
}

/** Letters and figures of class codes, without those that look alike. */
const CODE_SIGNS = 'ACDEFHJKLMNPRTUVWXYZ3479';
const CODE_LENGTH = 6;
const newCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_SIGNS[randomInt(CODE_SIGNS.length)]).join('');

/** Tries to find a code that no class has; with some hundred million of them the first does. */
const MOST_CODES = 5;

async function withFreshCode<Value>(keep: (code: string) => Promise<Value | undefined>): Promise<Value> {
  for (let turn = 0; turn < MOST_CODES; turn += 1) {
    const kept = await keep(newCode());
    if (kept !== undefined) return kept;
  }
  throw new Error('no class code is free');
}

/** Makes a class of the viewer's, with a code of its own; its id. */
export async function makeOwnClass(
  db: Knex,
  viewer: Viewer,
  given: { readonly name: string; readonly term: string },
): Promise<string> {
  return db.transaction(async (transaction) => {
    const id = await withFreshCode(async (code) => {
      const [row] = await transaction('class')
        .insert({ ...given, code })
        .onConflict('code')
        .ignore()
        .returning<{ id: string }[]>('id');
      return row?.id;
    });
    await transaction('class_staff').insert({ class_id: id, staff_id: viewer.id });
    await audit(transaction, viewer.id, 'make-class', id);
    return id;
  });
}

/** Makes a class with a code that somebody chose, and gives it to members of staff. */
export async function makeClass(
  db: Knex,
  given: { readonly name: string; readonly code: string; readonly staff: readonly string[] },
): Promise<string> {
  const code = given.code.trim().toUpperCase();
  if (!/^[A-Z0-9]{4,12}$/.test(code)) throw new Refused('A class code is 4 to 12 letters and figures.');
  return db.transaction(async (transaction) => {
    const staff = await transaction('staff')
      .whereIn('login', [...given.staff])
      .select<{ id: string; login: string }[]>('id', 'login');
    const missing = given.staff.find((login) => !staff.some((known) => known.login === login));
    if (missing !== undefined) throw new Refused(`There is no account with the login ${missing}.`);
    const [row] = await transaction('class')
      .insert({ name: given.name, code })
      .onConflict('code')
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!row) throw new Refused(`There is a class with the code ${code}.`);
    if (staff.length > 0)
      await transaction('class_staff').insert(staff.map(({ id }) => ({ class_id: row.id, staff_id: id })));
    await audit(transaction, BY_COMMAND, 'make-class', row.id);
    return row.id;
  });
}

/** Whether a viewer keeps a class: it is theirs, and they may keep classes. */
export const keepsClass = (viewer: Viewer, classId: string): boolean =>
  isUuid(classId) && can(viewer.role, 'keep-class') && sameClass(viewer, classId);

/** Makes one change of a class; false when it is not the viewer's to keep. */
export async function changeClass(
  db: Knex,
  viewer: Viewer,
  classId: string,
  change: ClassChange,
): Promise<boolean> {
  if (!keepsClass(viewer, classId)) return false;
  await db.transaction(async (transaction) => {
    await transaction('class').where({ id: classId }).update(columnsOf(transaction, change));
    if ('state' in change && change.state !== 'open') await signOutClass(transaction, classId);
    await audit(transaction, viewer.id, 'change-class', classId, Object.keys(change).join(' '));
  });
  return true;
}

function columnsOf(db: Knex, change: ClassChange): Record<string, unknown> {
  if ('name' in change) return { name: change.name };
  if ('term' in change) return { term: change.term };
  if ('endsOn' in change) return { ends_on: change.endsOn, rule_set_at: db.fn.now() };
  if ('keepDays' in change) return { keep_days: change.keepDays, rule_set_at: db.fn.now() };
  if ('packagesFrom' in change) return { packages_from: change.packagesFrom };
  if ('network' in change) return { board_network: change.network };
  if ('password' in change) return { board_password: change.password };
  return {
    closed_at: change.state === 'open' ? null : db.raw('coalesce(closed_at, now())'),
    archived_at: change.state === 'archived' ? db.raw('coalesce(archived_at, now())') : null,
  };
}

/** Ends the sessions of all learners of a class with their calls for help, and lets no new names join. */
export async function signOutClass(db: Knex, classId: string): Promise<void> {
  await db('session')
    .whereIn('learner_id', db('learner').where({ class_id: classId }).select('id'))
    .delete();
  await db('class').where({ id: classId }).update({ joining_until: null });
  await db('help_call')
    .whereIn('learner_id', db('learner').where({ class_id: classId }).select('id'))
    .whereNull('ended_at')
    .update({ ended_at: db.raw('clock_timestamp()') });
}

/** Gives a class another code, which the old one opens no more; `undefined` when it is not the viewer's to keep. */
export async function renewCode(db: Knex, viewer: Viewer, classId: string): Promise<string | undefined> {
  if (!keepsClass(viewer, classId)) return undefined;
  return db.transaction(async (transaction) => {
    const code = await withFreshCode(async (fresh) => {
      const changed = await transaction('class')
        .where({ id: classId })
        .whereNotExists(transaction('class as other').where({ code: fresh }))
        .update({ code: fresh });
      return changed === 0 ? undefined : fresh;
    });
    await audit(transaction, viewer.id, 'renew-code', classId);
    return code;
  });
}

/** Longest meeting, in hours: a longer one is a day that was mistyped. */
const LONGEST_MEETING = 12;

/**
 * Adds meetings; those that begin when another does are there already. False when the class is not the viewer's. Throws
 * `Refused` for one that is too long.
 */
export async function addMeetings(
  db: Knex,
  viewer: Viewer,
  classId: string,
  meetings: readonly Meeting[],
): Promise<boolean> {
  if (!keepsClass(viewer, classId)) return false;
  const hours = ({ startsAt, endsAt }: Meeting): number =>
    (Date.parse(endsAt) - Date.parse(startsAt)) / 3_600_000;
  if (meetings.some((meeting) => hours(meeting) > LONGEST_MEETING))
    throw new Refused(`A meeting lasts at most ${LONGEST_MEETING} hours.`);
  await db('meeting')
    .insert(
      meetings.map(({ startsAt, endsAt }) => ({ class_id: classId, starts_at: startsAt, ends_at: endsAt })),
    )
    .onConflict(['class_id', 'starts_at'])
    .ignore();
  await audit(db, viewer.id, 'set-meetings', classId);
  return true;
}

/** Takes a meeting out; false when it is not of a class of the viewer's. */
export async function removeMeeting(
  db: Knex,
  viewer: Viewer,
  classId: string,
  meetingId: string,
): Promise<boolean> {
  if (!keepsClass(viewer, classId) || !isUuid(meetingId)) return false;
  await db('meeting').where({ id: meetingId, class_id: classId }).delete();
  await audit(db, viewer.id, 'set-meetings', classId);
  return true;
}

/** Gives a class to a colleague as well, or takes it from one; refused for the last who keeps it. */
export async function setClassStaff(
  db: Knex,
  viewer: Viewer,
  classId: string,
  staffId: string,
  belongs: 'yes' | 'no',
): Promise<boolean> {
  if (!keepsClass(viewer, classId) || !isUuid(staffId)) return false;
  return db.transaction(async (transaction) => {
    await transaction('class').where({ id: classId }).forUpdate().first('id');
    const person = await transaction('staff').where({ id: staffId }).whereNull('left_at').first('id');
    if (!person) return false;
    const pair = { class_id: classId, staff_id: staffId };
    if (belongs === 'yes')
      await transaction('class_staff').insert(pair).onConflict(['class_id', 'staff_id']).ignore();
    else {
      await transaction('class_staff').where(pair).delete();
      const keeper = await transaction('class_staff')
        .join('staff', 'staff.id', 'class_staff.staff_id')
        .where({ class_id: classId })
        .whereNull('staff.left_at')
        .whereIn('staff.role', ['owner', 'instructor'])
        .first('staff.id');
      if (!keeper) throw new Refused('Somebody has to keep the class: add another instructor first.');
    }
    await audit(transaction, viewer.id, 'set-class-staff', classId, `${staffId} ${belongs}`);
    return true;
  });
}
