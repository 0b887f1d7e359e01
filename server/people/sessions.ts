import type { Knex } from 'knex';
import { audit } from '../audit';
import { roomHours } from '../settings';
import { sameClass, type StaffRole, type Viewer } from '../permissions';
import { signOutClass } from './class-register';
import { newToken, tokenHash } from './secrets';

/** How long a session lasts at most, and how long without a request, in seconds; by the clock of the database. */
const LASTS = { staff: 14 * 86_400, learner: 6 * 3600 } as const;
const RESTS = { staff: 3 * 86_400, learner: 45 * 60 } as const;
/** Whether a row of `session` still counts, as SQL: it is neither over nor has it rested too long. */
export const isLiveSession = (db: Knex): Knex.Raw =>
  db.raw(
    `session.expires_at > now()
     and session.seen_at > now() - (case when session.learner_id is null then ?::int else ?::int end) * interval '1 second'`,
    [RESTS.staff, RESTS.learner],
  );

/** Seconds between two notes that a session is in use. */
const NOTE_EVERY = 60;

/** Seconds that a learner has after a meeting to put things away. */
const AFTER_MEETING = 15 * 60;
/** A learner's session ends soon after the meeting that is on, where their class has set its meetings. */
const UNTIL_THE_MEETING_IS_OVER = `least(now() + ? * interval '1 second',
  (select max(ends_at) from meeting join learner on learner.class_id = meeting.class_id
    where learner.id = ? and starts_at <= now() and ends_at > now()) + ? * interval '1 second')`;

/** Seconds that a learner's session lasts at most: no longer than the room is open. */
function learnerSeconds(): number {
  const { minutesOpen } = roomHours();
  return minutesOpen === undefined
    ? LASTS.learner
    : Math.min(LASTS.learner, minutesOpen * 60 + AFTER_MEETING);
}

export type SessionOwner = { readonly staffId: string } | { readonly learnerId: string };

/** Opens a session; the token goes into the cookie and is stored as a hash only. */
export async function openSession(
  db: Knex,
  owner: SessionOwner,
): Promise<{ readonly token: string; readonly expires: Date }> {
  const token = newToken();
  const isStaff = 'staffId' in owner;
  const [row] = await db('session')
    .insert({
      token_hash: tokenHash(token),
      staff_id: isStaff ? owner.staffId : null,
      learner_id: isStaff ? null : owner.learnerId,
      expires_at: isStaff
        ? db.raw("now() + ? * interval '1 second'", [LASTS.staff])
        : db.raw(UNTIL_THE_MEETING_IS_OVER, [learnerSeconds(), owner.learnerId, AFTER_MEETING]),
    })
    .returning<{ expires_at: Date }[]>('expires_at');
  return { token, expires: row!.expires_at };
}

export async function closeSession(db: Knex, token: string): Promise<void> {
  await db('session')
    .where({ token_hash: tokenHash(token) })
    .delete();
}

/** Ends the sessions of all learners of a class, and closes it for new names; false when it is not the viewer's. */
export async function endMeeting(db: Knex, viewer: Viewer, classId: string): Promise<boolean> {
  if (!sameClass(viewer, classId)) return false;
  await db.transaction(async (transaction) => {
    await signOutClass(transaction, classId);
    await audit(transaction, viewer.id, 'end-meeting', classId);
  });
  return true;
}

interface SessionRow {
  readonly staff_id: string | null;
  readonly learner_id: string | null;
  readonly is_old_note: boolean;
}

/**
 * Who a token belongs to; `undefined` when it is unknown, over, or has rested too long. A page that looks again by
 * itself (`watching`) is no sign that somebody is there, and leaves the session to rest.
 */
export async function viewerOf(
  db: Knex,
  token: string,
  by: 'using' | 'watching' = 'using',
): Promise<Viewer | undefined> {
  const hash = tokenHash(token);
  const session = await db('session')
    .where({ token_hash: hash })
    .where(isLiveSession(db))
    .first<SessionRow | undefined>(
      'staff_id',
      'learner_id',
      db.raw("seen_at < now() - ? * interval '1 second' as is_old_note", [NOTE_EVERY]),
    );
  if (!session) return undefined;
  if (session.is_old_note && by === 'using')
    await db('session').where({ token_hash: hash }).update({ seen_at: db.fn.now() });
  return session.learner_id === null
    ? staffViewer(db, session.staff_id!)
    : learnerViewer(db, session.learner_id);
}

async function learnerViewer(db: Knex, id: string): Promise<Viewer> {
  const learner = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .where({ 'learner.id': id })
    .first<{ id: string; name: string; class_id: string; class_name: string }>(
      'learner.id',
      'learner.name',
      'learner.class_id',
      'class.name as class_name',
    );
  return {
    role: 'student',
    id: learner.id,
    name: learner.name,
    classIds: [learner.class_id],
    className: learner.class_name,
  };
}

async function staffViewer(db: Knex, id: string): Promise<Viewer> {
  const staff = await db('staff').where({ id }).first<{ id: string; name: string; role: StaffRole }>();
  const classes = await db('class_staff')
    .join('class', 'class.id', 'class_staff.class_id')
    .where({ staff_id: staff.id })
    .orderBy('class.created_at')
    .pluck<string[]>('class_id');
  return { role: staff.role, id: staff.id, name: staff.name, classIds: classes };
}
