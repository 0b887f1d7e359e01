import type { Knex } from 'knex';
import { audit } from '../audit';
import { roomHours } from '../settings';
import { secondsToWait } from './rate-limits';
import { hashSecret, tokenHash, verifySecret } from './secrets';
import { openSession } from './sessions';
import { beginTry, forgetTries, knowDevice, subjectOf } from './tries';

export type SignInResult =
  | { readonly ok: true; readonly token: string; readonly expires: Date }
  | { readonly ok: false; readonly message: string };

/** From where somebody signs in. */
export interface Place {
  /** The socket's address. */
  readonly address: string;
  /** What the device has been given to be known by. */
  readonly device: string;
}

const inWords = (seconds: number): string =>
  seconds >= 90 ? `${Math.ceil(seconds / 60)} minutes` : `${seconds} seconds`;
const tooMany = (seconds: number): { readonly ok: false; readonly message: string } => ({
  ok: false,
  message: `Too many tries. Wait ${inWords(seconds)}, then try again.`,
});

/** Signs a member of staff in by login and password. */
export async function signInStaff(
  db: Knex,
  given: { readonly login: string; readonly password: string } & Place,
): Promise<SignInResult> {
  const login = given.login.trim().toLowerCase();
  const wait = await secondsToWait(db, 'address', given.address);
  if (wait > 0) return tooMany(wait);
  const staff = await db('staff')
    .where({ login })
    .whereNull('left_at')
    .first<{ id: string; password_hash: string } | undefined>();
  const device = tokenHash(given.device);
  // A login that nobody has is counted as well, so that it cannot be told from one that somebody has.
  const subject = staff ? await subjectOf(db, staff.id, device) : `login:${tokenHash(login)}`;
  const pause = await beginTry(db, subject);
  if (pause > 0) return tooMany(pause);
  if (!(await verifySecret(staff?.password_hash, given.password)) || !staff) {
    await audit(db, given.address, 'sign-in-refused', staff?.id ?? 'unknown login');
    return { ok: false, message: 'That name and password don’t match.' };
  }
  return enter(db, { staffId: staff.id }, staff.id, subject, device);
}

async function enter(
  db: Knex,
  owner: { readonly staffId: string } | { readonly learnerId: string },
  id: string,
  subject: string,
  device: string,
): Promise<SignInResult> {
  await forgetTries(db, [subject]);
  await knowDevice(db, id, device);
  await audit(db, id, 'sign-in', id);
  return { ok: true, ...(await openSession(db, owner)) };
}

/** The code of a class; `undefined` when there is no such class. */
export async function codeOf(db: Knex, classId: string): Promise<string | undefined> {
  const row = await db('class').where({ id: classId }).first<{ code: string } | undefined>('code');
  return row?.code;
}

/** Why no learner gets in at this hour; `undefined` when they do. */
function closedNow(): string | undefined {
  const { minutesOpen, text } = roomHours();
  return minutesOpen === 0 ? `The room is closed now. It is open ${text}.` : undefined;
}

export interface Roster {
  readonly className: string;
  /** Whether names that nobody has claimed may be claimed without a slip now. */
  readonly isJoining: boolean;
  readonly learners: readonly { readonly id: string; readonly name: string; readonly hasWord: boolean }[];
}

/** The names of a class, for whoever knows its code. */
export async function rosterOf(
  db: Knex,
  code: string,
  address: string,
): Promise<Roster | { readonly message: string }> {
  const wait = await secondsToWait(db, 'address', address);
  if (wait > 0) return tooMany(wait);
  const found = await db('class')
    .where({ code: code.trim().toUpperCase() })
    .first<{ id: string; name: string; closed_at: Date | null; is_joining: boolean } | undefined>(
      'id',
      'name',
      'closed_at',
      db.raw('coalesce(joining_until > now(), false) as is_joining'),
    );
  if (!found) return { message: `No class has the code “${code.trim()}”. It is on the board in your room.` };
  if (found.closed_at) return { message: `${found.name} is closed. Ask your instructor.` };
  const closed = closedNow();
  if (closed !== undefined) return { message: closed };
  const learners = await db('learner')
    .where({ class_id: found.id })
    .orderBy('name')
    .select<{ id: string; name: string; word_hash: string | null }[]>('id', 'name', 'word_hash');
  return {
    className: found.name,
    isJoining: found.is_joining,
    learners: learners.map(({ id, name, word_hash }) => ({ id, name, hasWord: word_hash !== null })),
  };
}

/** Shortest private word; it guards a class room, not a bank. */
export const SHORTEST_WORD = 4;

interface Joining extends Place {
  readonly code: string;
  readonly learnerId: string;
  readonly word: string;
  /** The code on the slip of somebody who joins for the first time. */
  readonly slip?: string;
}

interface JoiningLearner {
  readonly id: string;
  readonly word_hash: string | null;
  readonly slip_hash: string | null;
  readonly is_joining: boolean;
}

/**
 * Lets a learner join with class code, name and private word. The first time the word is chosen: with the code of
 * a slip, or while an adult has opened the class for it.
 */
export async function joinClass(db: Knex, given: Joining): Promise<SignInResult> {
  const wait = await secondsToWait(db, 'address', given.address);
  if (wait > 0) return tooMany(wait);
  const closed = closedNow();
  if (closed !== undefined) return { ok: false, message: closed };
  const learner = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .where({ 'learner.id': given.learnerId, 'class.code': given.code.trim().toUpperCase() })
    .whereNull('class.closed_at')
    .first<JoiningLearner | undefined>(
      'learner.id',
      'learner.word_hash',
      'learner.slip_hash',
      db.raw('coalesce(class.joining_until > now(), false) as is_joining'),
    );
  if (!learner)
    return { ok: false, message: 'That name is not in the class. Choose the code and the name again.' };
  const device = tokenHash(given.device);
  const subject = await subjectOf(db, learner.id, device);
  const pause = await beginTry(db, subject);
  if (pause > 0) return tooMany(pause);
  const word = given.word.trim();
  if (learner.word_hash === null) {
    const refusal = await claim(db, learner, word, given.slip ?? '');
    if (refusal === 'taken meanwhile') return joinClass(db, given);
    if (refusal !== undefined) {
      // Somebody who is only told what is wanted has not tried.
      if (learner.is_joining) await forgetTries(db, [subject]);
      return { ok: false, message: refusal };
    }
    await audit(db, learner.id, 'name-claimed', learner.id);
  } else if (!(await verifySecret(learner.word_hash, word))) {
    await audit(db, given.address, 'sign-in-refused', learner.id);
    return {
      ok: false,
      message: 'That is not the word you chose. If you have forgotten it, ask your instructor.',
    };
  }
  return enter(db, { learnerId: learner.id }, learner.id, subject, device);
}

/** Claims a name with a word; says why not. */
async function claim(
  db: Knex,
  learner: JoiningLearner,
  word: string,
  slip: string,
): Promise<string | undefined> {
  if (!learner.is_joining && !(await verifySecret(learner.slip_hash, plainSlip(slip))))
    return slip.trim() === ''
      ? 'The first time, you need the two words on your slip, or your instructor has to let new names join.'
      : 'Those are not the words on your slip. Ask your instructor.';
  if (word.length < SHORTEST_WORD)
    return `Choose a word of at least ${SHORTEST_WORD} letters that only you know.`;
  // Two tablets at once: the first one's word counts.
  const chosen = await db('learner')
    .where({ id: learner.id })
    .whereNull('word_hash')
    .update({ word_hash: await hashSecret(word), slip_hash: null, joined_at: db.fn.now() });
  return chosen === 0 ? 'taken meanwhile' : undefined;
}

/** The words of a slip as they are compared: however they are joined, and in whatever letters. */
export const plainSlip = (slip: string): string => slip.replace(/[\s.,-]/g, '').toLowerCase();
