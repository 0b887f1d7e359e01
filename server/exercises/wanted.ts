import type { Knex } from 'knex';
import type { Wanted } from '@/core/generated/wanted';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import { findPublication } from './publications';

/** What exercises want, by publication and revision: a class looks at the same one, again and again. */
const known = new Map<string, Wanted>();
const MOST_KNOWN = 60;

/** What an exercise wants that a viewer may see; `undefined` when it is none of theirs, or is too much to be run. */
export async function wantedFor(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  publicationId: string,
): Promise<Wanted | undefined> {
  const publication = await findPublication(db, viewer, publicationId);
  if (!publication) return undefined;
  const key = `${publication.id} ${publication.revision}`;
  const before = known.get(key);
  if (before) return before;
  const outcome = await guarded.run('wanted', { data: publication.exercise.data });
  if (outcome.ended) {
    if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
    known.set(key, outcome.value);
    return outcome.value;
  }
  log.warn({ obstacle: outcome.obstacle, detail: outcome.detail }, 'what an exercise wants could not be run');
  return undefined;
}
