import type { Knex } from 'knex';
import { MOST_LEARNERS, readRoster, rosterProblems } from '@/core/people/roster';
import { nameKey, readName } from '@/core/people/person-name';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { sameClass, type Viewer } from '../permissions';
import { Refused } from './accounts';
import { resetWord } from './classes';
import { keepsClass } from './class-register';

/** A learner as the roster shows them. */
export interface RosterLine {
  readonly id: string;
  readonly name: string;
  /** Whether they have a word, or will use a slip. */
  readonly hasJoined: boolean;
  readonly isSignedIn: boolean;
  readonly handIns: number;
}

/** The learners of one of the viewer's classes, by name. */
export async function rosterFor(db: Knex, viewer: Viewer, classId: string): Promise<readonly RosterLine[]> {
  if (!isUuid(classId) || !sameClass(viewer, classId)) return [];
  const rows = await db('learner')
    .where({ class_id: classId })
    .orderByRaw('lower(name), name')
    .select<{ id: string; name: string; has_joined: boolean; signed_in: boolean; hand_ins: string }[]>(
      'id',
      'name',
      db.raw('word_hash is not null as has_joined'),
      db.raw(
        'exists (select 1 from session where session.learner_id = learner.id and expires_at > now()) as signed_in',
      ),
      db.raw('(select count(*) from submission where submission.learner_id = learner.id) as hand_ins'),
    );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    hasJoined: row.has_joined,
    isSignedIn: row.signed_in,
    handIns: Number(row.hand_ins),
  }));
}

/** A name with the words to write on its slip. */
export interface NamedSlip {
  readonly name: string;
  readonly slip: string;
}

/** What came of a list of learners. */
export interface Enrolled {
  readonly slips: readonly NamedSlip[];
  readonly notes: readonly string[];
}

/**
 * Adds the learners of a list to a class, all of them or none; each gets a slip to claim the name with. Throws `Refused`
 * with every line that cannot be read.
 */
export async function enrol(db: Knex, classId: string, text: string, actor: string): Promise<Enrolled> {
  const read = await db.transaction(async (transaction) => {
    // Two lists at once come one after the other.
    const known = await transaction('class').where({ id: classId }).forUpdate().first('id');
    if (!known) throw new Refused('This class no longer exists.');
    const there = await transaction('learner').where({ class_id: classId }).pluck<string[]>('name');
    const roster = readRoster(text, there);
    if (!roster.ok) throw new Refused(rosterProblems(roster.problems));
    const { names, notes } = roster.value;
    const rows =
      names.length === 0
        ? []
        : await transaction('learner')
            .insert(names.map((name) => ({ class_id: classId, name })))
            .returning<{ id: string; name: string }[]>(['id', 'name']);
    for (const { id } of rows) await audit(transaction, actor, 'add-learner', id);
    return { rows, notes };
  });
  return { slips: await slipsFor(db, read.rows, actor), notes: read.notes };
}

/** Adds a list to a class of the viewer's; `undefined` when it is not theirs to keep. */
export async function addToRoster(
  db: Knex,
  viewer: Viewer,
  classId: string,
  text: string,
): Promise<Enrolled | undefined> {
  return keepsClass(viewer, classId) ? enrol(db, classId, text, viewer.id) : undefined;
}

async function slipsFor(
  db: Knex,
  learners: readonly { readonly id: string; readonly name: string }[],
  actor: string,
): Promise<readonly NamedSlip[]> {
  const slips: NamedSlip[] = [];
  for (const { id, name } of learners) {
    const slip = await resetWord(db, id, actor);
    if (slip !== undefined) slips.push({ name, slip });
  }
  return slips;
}

/** New slips for everybody in a class who has not claimed their name; the slips of before work no more. */
export async function slipsOf(db: Knex, classId: string, actor: string): Promise<readonly NamedSlip[]> {
  const learners = await db('learner')
    .where({ class_id: classId })
    .whereNull('word_hash')
    .orderBy('name')
    .select<{ id: string; name: string }[]>('id', 'name');
  return slipsFor(db, learners, actor);
}

/** The same for a class of the viewer's. */
export const slipsForClass = async (
  db: Knex,
  viewer: Viewer,
  classId: string,
): Promise<readonly NamedSlip[]> =>
  isUuid(classId) && sameClass(viewer, classId) ? slipsOf(db, classId, viewer.id) : [];

/** The class of a learner whom the viewer keeps; throws when there is none. */
async function keptLearner(db: Knex, viewer: Viewer, learnerId: string): Promise<string> {
  const learner = isUuid(learnerId)
    ? await db('learner').where({ id: learnerId }).first<{ class_id: string } | undefined>('class_id')
    : undefined;
  if (!learner || !keepsClass(viewer, learner.class_id))
    throw new Refused('This learner is no longer in a class of yours.');
  return learner.class_id;
}

async function refuseTaken(db: Knex, classId: string, name: string, learnerId: string): Promise<void> {
  const others = await db('learner')
    .where({ class_id: classId })
    .whereNot({ id: learnerId })
    .pluck<string[]>('name');
  if (others.some((other) => nameKey(other) === nameKey(name)))
    throw new Refused(`Somebody in the class is called ${name}. Add a letter that tells them apart.`);
}

/** Gives a learner another name. Throws `Refused` when it cannot be. */
export async function renameLearner(
  db: Knex,
  viewer: Viewer,
  learnerId: string,
  typed: string,
): Promise<void> {
  const read = readName(typed);
  if (!read.ok) throw new Refused(read.problems[0]!.message);
  await db.transaction(async (transaction) => {
    const classId = await keptLearner(transaction, viewer, learnerId);
    await transaction('class').where({ id: classId }).forUpdate().first('id');
    await refuseTaken(transaction, classId, read.value, learnerId);
    await transaction('learner').where({ id: learnerId }).update({ name: read.value });
    await audit(transaction, viewer.id, 'rename-learner', learnerId);
  });
}

/** Moves a learner with all their work to another class of the viewer's. Throws `Refused` when it cannot be. */
export async function moveLearner(
  db: Knex,
  viewer: Viewer,
  learnerId: string,
  toClassId: string,
): Promise<void> {
  if (!keepsClass(viewer, toClassId)) throw new Refused('That class is not one of yours.');
  await db.transaction(async (transaction) => {
    await keptLearner(transaction, viewer, learnerId);
    await transaction('class').where({ id: toClassId }).forUpdate().first('id');
    const learner = await transaction('learner').where({ id: learnerId }).first<{ name: string }>('name');
    await refuseTaken(transaction, toClassId, learner.name, learnerId);
    const [count] = await transaction('learner')
      .where({ class_id: toClassId })
      .count<{ count: string }[]>('* as count');
    if (Number(count!.count) >= MOST_LEARNERS)
      throw new Refused(`A class has at most ${MOST_LEARNERS} learners.`);
    await transaction('learner').where({ id: learnerId }).update({ class_id: toClassId });
    await transaction('session').where({ learner_id: learnerId }).delete();
    await audit(transaction, viewer.id, 'move-learner', learnerId, toClassId);
  });
}
