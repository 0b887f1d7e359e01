import type { Knex } from 'knex';
import { boardProfileSchema, readBoard, shippedBoards, type BoardProfile } from '@/core/boards';
import type { Problem } from '@/core/result';
import { audit } from '../audit';
import type { Viewer } from '../permissions';
import { mayEdit, mayWith, rightsOf, type May } from '../sharing';

/** A board that can be chosen: one that ships, or one that a user made. */
export interface KnownBoard {
  readonly profile: BoardProfile;
  /** Whether a user made it. */
  readonly isOwn: boolean;
  /** Its id in the database, and what the viewer may do with it; a board that ships has neither. */
  readonly made?: { readonly id: string; readonly may: May };
}

/** Every board that a viewer can choose, the shipped ones first. */
export async function knownBoards(db: Knex, viewer: Viewer): Promise<readonly KnownBoard[]> {
  const rights = rightsOf(db, 'board', viewer);
  const rows = await db('board_profile')
    .where(rights, 'is not', null)
    .orderBy('slug')
    .select<{ id: string; content: unknown; may: May }[]>(
      'id',
      'content',
      db.raw(`${rights.toQuery()} as may`),
    );
  return [
    ...[...shippedBoards.values()].map((profile) => ({ profile, isOwn: false })),
    ...rows.map(({ id, content, may }) => ({
      profile: boardProfileSchema.parse(content),
      isOwn: true,
      made: { id, may },
    })),
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
  return db.transaction(async (transaction) => {
    const there = await transaction('board_profile')
      .where({ slug: profile.id })
      .forUpdate()
      .first<{ id: string } | undefined>('id');
    if (there && !(await mayEdit(transaction, 'board', viewer, there.id)))
      return {
        problems: [{ message: `${profile.id} is somebody else’s board; give yours another id`, path: 'id' }],
      };
    await transaction('board_profile')
      .insert({ slug: profile.id, content: JSON.stringify(profile), made_by: viewer.id })
      .onConflict('slug')
      .merge({ content: JSON.stringify(profile), updated_at: transaction.fn.now() });
    return { id: profile.id };
  });
}

/** Takes away a board of the viewer's own; false when it is not. Exercises that use it carry its profile with them. */
export async function removeBoard(db: Knex, viewer: Viewer, slug: string): Promise<boolean> {
  const board = await db('board_profile').where({ slug }).first<{ id: string } | undefined>('id');
  if (!board || (await mayWith(db, 'board', viewer, board.id)) !== 'own') return false;
  await db('board_profile').where({ id: board.id }).delete();
  await audit(db, viewer.id, 'remove-board', board.id, slug);
  return true;
}
