import type { Knex } from 'knex';
import { secondsToWait } from './rate-limits';
import { hashSecret, verifySecret } from './secrets';
import { openSession } from './sessions';

export type SignInResult =
  | { readonly ok: true; readonly token: string; readonly expires: Date }
  | { readonly ok: false; readonly message: string };

const tooMany = (seconds: number): SignInResult => ({
  ok: false,
  message: `Too many tries. Wait ${seconds >= 90 ? `${Math.ceil(seconds / 60)} minutes` : `${seconds} seconds`}, then try again.`,
});

/** Signs a member of staff in by login and password. */
export async function signInStaff(
  db: Knex,
  given: { login: string; password: string; address: string },
): Promise<SignInResult> {
  const login = given.login.trim().toLowerCase();
  const wait = Math.max(
    await secondsToWait(db, 'address', given.address),
    await secondsToWait(db, 'staff-login', login),
  );
  if (wait > 0) return tooMany(wait);
  const staff = await db('staff').where({ login }).first<{ id: string; password_hash: string } | undefined>();
  if (!(await verifySecret(staff?.password_hash, given.password)) || !staff)
    return { ok: false, message: 'Name and password do not belong together.' };
  return { ok: true, ...(await openSession(db, { staffId: staff.id })) };
}

export interface Roster {
  readonly className: string;
  readonly learners: readonly { readonly id: string; readonly name: string; readonly hasWord: boolean }[];
}

/** The names of a class, for whoever knows its code. */
export async function rosterOf(
  db: Knex,
  code: string,
  address: string,
): Promise<Roster | { readonly message: string }> {
  const wait = await secondsToWait(db, 'address', address);
  if (wait > 0) return { message: `Too many tries. Wait ${wait} seconds, then try again.` };
  const found = await db('class')
    .where({ code: code.trim().toUpperCase() })
    .first<{ id: string; name: string } | undefined>();
  if (!found) return { message: `No class has the code “${code.trim()}”. It is on the board in the room.` };
  const learners = await db('learner')
    .where({ class_id: found.id })
    .orderBy('name')
    .select<{ id: string; name: string; word_hash: string | null }[]>('id', 'name', 'word_hash');
  return {
    className: found.name,
    learners: learners.map(({ id, name, word_hash }) => ({ id, name, hasWord: word_hash !== null })),
  };
}

/** Shortest private word; it guards a class room, not a bank. */
const SHORTEST_WORD = 4;

/** Lets a learner join with class code, name and private word; the first time, the word is chosen. */
export async function joinClass(
  db: Knex,
  given: { code: string; learnerId: string; word: string; address: string },
): Promise<SignInResult> {
  const wait = Math.max(
    await secondsToWait(db, 'address', given.address),
    await secondsToWait(db, 'learner-word', given.learnerId),
  );
  if (wait > 0) return tooMany(wait);
  const learner = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .where({ 'learner.id': given.learnerId, 'class.code': given.code.trim().toUpperCase() })
    .first<{ id: string; word_hash: string | null } | undefined>('learner.id', 'learner.word_hash');
  if (!learner)
    return { ok: false, message: 'This name is not in the class. Choose the code and the name again.' };
  const word = given.word.trim();
  if (learner.word_hash === null) {
    if (word.length < SHORTEST_WORD)
      return { ok: false, message: `Choose a word of at least ${SHORTEST_WORD} letters that only you know.` };
    // Two tablets at once: the first one's word counts.
    const chosen = await db('learner')
      .where({ id: learner.id })
      .whereNull('word_hash')
      .update({ word_hash: await hashSecret(word), joined_at: new Date() });
    if (chosen === 0) return joinClass(db, given);
  } else if (!(await verifySecret(learner.word_hash, word)))
    return {
      ok: false,
      message: 'That is not the word you chose. Ask your instructor when you have forgotten it.',
    };
  return { ok: true, ...(await openSession(db, { learnerId: learner.id })) };
}
