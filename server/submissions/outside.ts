import type { Knex } from 'knex';
import type { Brought, Outside } from '@/core/messages/outside';
import { problemText } from '@/core/result';
import { readStated } from '@/core/statements/sentences';
import { audit } from '../audit';
import { findPublication, type Publication } from '../exercises/publications';
import type { Guard } from '../guard/processes';
import { textHash } from '../people/secrets';
import { can, type Viewer } from '../permissions';
import { statedFault } from './checks';
import { record } from './hand-in';
import { judgingKey } from './judging';
import { dueOf, termsOf } from './terms';

/** A wiring table in which nothing is plugged in. */
const NOTHING_WIRED = 'ref,kind,value,leg,at\n';

const refused = (message: string): Brought => ({ is: 'refused', message });

/**
 * Takes hand-ins that somebody brings in for learners of a class of theirs: each as a try of its learner, of the time at
 * which its files were changed, also to an exercise that is closed. What was handed in before as it is is no try more.
 */
export async function bringIn(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  handIns: readonly Outside[],
): Promise<readonly Brought[]> {
  if (viewer.role === 'student' || !can(viewer.role, 'review-class'))
    return handIns.map(() => refused('Only those who teach bring hand-ins in.'));
  const brought: Brought[] = [];
  // One after the other, in the order of time: tries are numbered as they come.
  for (const one of handIns) brought.push(await take(db, guarded, viewer, one));
  const taken = brought.filter(({ is }) => is === 'taken').length;
  if (taken > 0) await audit(db, viewer.id, 'bring-in', viewer.id, `${taken}`);
  return brought;
}

async function take(db: Knex, guarded: Guard, viewer: Viewer, given: Outside): Promise<Brought> {
  const publication = await findPublication(db, viewer, given.publicationId);
  if (!publication) return refused('This exercise is open in no class of yours.');
  const learner = await db('learner')
    .where({ id: given.learnerId, class_id: publication.classId })
    .first<{ id: string } | undefined>('id');
  if (!learner) return refused('This learner is not in the class any more.');
  const { exercise } = publication;
  const said = readStated(given.stated ?? '', exercise.data.parts);
  if (!said.ok) return refused(`What it is said to do can’t be read: ${problemText(said.problems[0]!)}`);
  const unsaid = await statedFault(guarded, exercise, said.value);
  if (unsaid !== undefined) return refused(unsaid);
  const wiring = given.wiring.trim() === '' ? NOTHING_WIRED : given.wiring;
  const canonical = await guarded.ask('canonicalWiring', { exercise: exercise.data, wiring });
  if (!canonical.ok) return refused(`The wiring can’t be read: ${problemText(canonical.problems[0]!)}`);
  const build = {
    wiring: canonical.value,
    program: given.program,
    ...(said.value.length > 0 ? { stated: said.value } : {}),
  };
  return keep(db, viewer, publication, given, build);
}

type Build = Pick<Outside, 'wiring' | 'program'> & {
  readonly stated?: Extract<ReturnType<typeof readStated>, { readonly ok: true }>['value'];
};

async function keep(
  db: Knex,
  viewer: Viewer,
  { id: publicationId }: Publication,
  { learnerId, changedAt }: Outside,
  { wiring, program, stated }: Build,
): Promise<Brought> {
  const row = await db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('publication.id', publicationId)
    .first<{ revision_id: string; now: Date; begun: Date }>(
      'revision_id',
      db.raw('clock_timestamp() as now'),
      db.raw('greatest(publication.opened_at, publication.opens_at) as begun'),
    );
  // The clock of a learner's computer may be anywhere: no hand-in is older than its exercise or comes tomorrow.
  const at = new Date(
    Math.min(row.now.getTime(), Math.max(changedAt ?? row.now.getTime(), row.begun.getTime())),
  );
  const key = judgingKey({ revisionId: row.revision_id, wiring, program, sighting: undefined, stated });
  const clientId = `outside-${textHash(`${publicationId} ${key}`).slice(0, 48)}`;
  const before = await db('submission')
    .where({ learner_id: learnerId, publication_id: publicationId })
    .where((where) => where.where({ client_id: clientId }).orWhere({ judging_key: key }))
    .orderBy('attempt')
    .first<{ attempt: number } | undefined>('attempt');
  if (before) return { is: 'known', attempt: before.attempt };
  const submissionId = await record(
    db,
    learnerId,
    { clientId, publicationId, wiring, program, hintsTaken: 0, ...(stated ? { stated: [...stated] } : {}) },
    key,
    { at, broughtBy: viewer.id },
  );
  if (submissionId === 'erased') return refused('This learner is not in the class any more.');
  const made = await db('submission')
    .where({ learner_id: learnerId, client_id: clientId })
    .first<{ attempt: number; handed_in_at: Date }>('attempt', 'handed_in_at');
  const terms = (await termsOf(db, [publicationId]))(publicationId);
  const { late } = dueOf(terms, { handedInAt: made.handed_in_at, attempt: made.attempt });
  return submissionId === undefined
    ? { is: 'known', attempt: made.attempt }
    : { is: 'taken', attempt: made.attempt, late };
}
