import type { Knex } from 'knex';
import { boardProfileSchema, readBoard, shippedBoards, type BoardProfile } from '@/core/boards';
import type { Problem } from '@/core/result';
import type { Viewer } from '../permissions';

/** A board that can be chosen: one that ships, or one that a user made. */
export interface KnownBoard {
  readonly profile: BoardProfile;
  readonly isOwn: boolean;
}

/** Every board that can be chosen, the shipped ones first. */
export async function knownBoards(db: Knex): Promise<readonly KnownBoard[]> {
  const rows = await db('board_profile').orderBy('slug').select<{ content: unknown }[]>('content');
  return [
    ...[...shippedBoards.values()].map((profile) => ({ profile, isOwn: false })),
    ...rows.map(({ content }) => ({ profile: boardProfileSchema.parse(content), isOwn: true })),
  ];
}

/** Keeps a board that a user made, new or changed; every contradiction in it is returned with its place. */
export async function keepBoard(
  db: Knex,
  viewer: Viewer,
  text: string,
): Promise<{ readonly id: string } | { readonly problems: readonly Problem[] }> {
  const read = readBoard(text);
  if (!read.ok) return { problems: read.problems };
  const profile = read.value;
  if (shippedBoards.has(profile.id))
    return {
      problems: [
        { message: `${profile.id} is the id of a board that ships; give yours another`, path: 'id' },
      ],
    };
  await db('board_profile')
    .insert({ slug: profile.id, content: JSON.stringify(profile), made_by: viewer.id })
    .onConflict('slug')
    .merge({ content: JSON.stringify(profile), updated_at: new Date() });
  return { id: profile.id };
}

/** Takes away a board that a user made. Exercises that use it carry its profile with them. */
export const removeBoard = (db: Knex, id: string): Promise<unknown> =>
  db('board_profile').where({ slug: id }).delete();
