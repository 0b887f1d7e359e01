import type { Knex } from 'knex';

/** Tries in a row that may fail before the first wait. */
const FREE_TRIES = 3;
/** The first wait and the longest one, in seconds; each failed try doubles it. */
const [FIRST_WAIT, LONGEST_WAIT] = [5, 3600];

/** Seconds to wait after so many failed tries in a row. */
export const waitAfter = (tries: number): number =>
  tries < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (tries - FREE_TRIES));

/** The same in the database, of the row's `tries`. */
const WAIT = `(case when tries < ${FREE_TRIES} then 0 else least(${LONGEST_WAIT}, ${FIRST_WAIT} * power(2, least(tries - ${FREE_TRIES}, 12))) end)`;

/**
 * Counts a try before it is looked at, so that many at once are not one. Returns how many seconds there are to
 * wait, or 0 when the try may be made. A clock that was put back locks nobody out.
 */
export async function beginTry(db: Knex, subject: string): Promise<number> {
  const { rows } = await db.raw<{ rows: { subject: string }[] }>(
    // By the clock as it is once the row is its own: a try that waited for another began before that one was counted,
    // which would look like a clock that was put back.
    `insert into sign_in_try (subject, tries, last_at) values (?, 1, clock_timestamp())
     on conflict (subject) do update set tries = sign_in_try.tries + 1, last_at = clock_timestamp()
      where sign_in_try.last_at > clock_timestamp()
         or sign_in_try.last_at + ${WAIT.replaceAll('tries', 'sign_in_try.tries')} * interval '1 second' <= clock_timestamp()
     returning subject`,
    [subject],
  );
  if (rows.length > 0) return 0;
  const [row] = await db('sign_in_try')
    .where({ subject })
    .select<{ seconds: string }[]>(
      db.raw(`ceil(extract(epoch from last_at - clock_timestamp()) + ${WAIT}) as seconds`),
    );
  return Math.max(1, Number(row?.seconds ?? 1));
}

/** Forgets the failed tries of somebody who is in, or who was let in. */
export const forgetTries = (db: Knex, subjects: readonly string[]): Promise<unknown> =>
  db('sign_in_try')
    .whereIn('subject', [...subjects])
    .delete();

/** Whose tries these are: on a device on which they were signed in before, those of strangers do not count. */
export async function subjectOf(db: Knex, ownerId: string, deviceHash: string): Promise<string> {
  const known = await db('known_device')
    .where({ owner_id: ownerId, device_hash: deviceHash })
    .first('owner_id');
  return known ? `${ownerId}:${deviceHash}` : ownerId;
}

/** Notes that somebody is signed in on a device. */
export async function knowDevice(db: Knex, ownerId: string, deviceHash: string): Promise<void> {
  await db('known_device')
    .insert({ owner_id: ownerId, device_hash: deviceHash })
    .onConflict(['owner_id', 'device_hash'])
    .merge({ seen_at: db.fn.now() });
}

/** A learner for whom somebody tries to sign in and fails. */
export interface DoorTrouble {
  readonly learnerId: string;
  readonly name: string;
  readonly classId: string;
  /** Failed tries in a row. */
  readonly tries: number;
}

/** Learners of some classes for whom somebody tries and fails, most tries first. */
export async function troubleAtTheDoor(
  db: Knex,
  classIds: readonly string[],
): Promise<readonly DoorTrouble[]> {
  const { rows } = await db.raw<{ rows: DoorTrouble[] }>(
    `select learner.id as "learnerId", learner.name, learner.class_id as "classId", max(tries) as tries
       from learner join sign_in_try on split_part(subject, ':', 1) = learner.id::text
      where learner.class_id = any(?::uuid[]) and tries >= ?
      group by learner.id order by tries desc, learner.name`,
    [[...classIds], FREE_TRIES],
  );
  return rows;
}
