import type { Knex } from 'knex';
import sharp from 'sharp';
import type { Photo } from '@/core/handout/document';
import { isUuid } from '../database/ids';
import type { Viewer } from '../permissions';

/** Largest picture that is taken in, in bytes, and its longest side as it is kept, in points. */
export const LARGEST_UPLOAD = 12_000_000;
const LONGEST_SIDE = 1600;
/** Most pictures of one exercise. */
const MOST = 40;
/** More points than any camera of a tablet has: a small file may still unpack to far more than memory holds. */
const MOST_POINTS = 60_000_000;

/** The pictures of an exercise, by their ids. */
export async function picturesOf(db: Knex, exerciseId: string): Promise<ReadonlyMap<string, Photo>> {
  const rows = await db('exercise_picture')
    .where({ exercise_id: exerciseId })
    .select<{ id: string; type: Photo['type']; bytes: Buffer }[]>('id', 'type', 'bytes');
  return new Map(rows.map(({ id, type, bytes }) => [id, { type, bytes: new Uint8Array(bytes) }]));
}

/** One picture of an exercise; `undefined` when there is none. */
export async function findPicture(db: Knex, exerciseId: string, id: string): Promise<Photo | undefined> {
  if (!isUuid(exerciseId)) return undefined;
  const row = await db('exercise_picture')
    .where({ exercise_id: exerciseId, id })
    .first<{ type: Photo['type']; bytes: Buffer } | undefined>('type', 'bytes');
  return row && { type: row.type, bytes: new Uint8Array(row.bytes) };
}

/**
 * A picture as it is kept: drawn anew in a size for print, so that nothing of its file stays but what is seen; no place,
 * no camera, nothing behind its end. `undefined` for what is neither PNG nor JPEG.
 */
export async function cleaned(bytes: Uint8Array): Promise<Photo | undefined> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_POINTS, failOn: 'error' });
    const { format } = await image.metadata();
    if (format !== 'png' && format !== 'jpeg') return undefined;
    const turned = image
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true });
    const made = await (format === 'png' ? turned.png() : turned.jpeg({ quality: 82 })).toBuffer();
    return { type: format === 'png' ? 'image/png' : 'image/jpeg', bytes: new Uint8Array(made) };
  } catch {
    return undefined;
  }
}

/** Takes in a picture under a new id, which is returned; or says why not. */
export async function addPicture(
  db: Knex,
  viewer: Viewer,
  exerciseId: string,
  bytes: Uint8Array,
): Promise<{ readonly id: string } | { readonly message: string }> {
  if (bytes.length > LARGEST_UPLOAD)
    return { message: `A picture has at most ${LARGEST_UPLOAD / 1_000_000} MB.` };
  const photo = await cleaned(bytes);
  if (!photo) return { message: 'This is no PNG or JPEG picture, or it is damaged.' };
  return db.transaction(async (transaction) => {
    await transaction('exercise').where({ id: exerciseId }).forUpdate().first('id');
    const known = await transaction('exercise_picture')
      .where({ exercise_id: exerciseId })
      .pluck<string[]>('id');
    if (known.length >= MOST) return { message: `An exercise has at most ${MOST} pictures.` };
    const numbers = known.map((id) => Number(/^picture-(\d+)$/.exec(id)?.[1] ?? 0));
    const id = `picture-${Math.max(0, ...numbers) + 1}`;
    await transaction('exercise_picture').insert({
      exercise_id: exerciseId,
      id,
      type: photo.type,
      bytes: Buffer.from(photo.bytes),
      added_by: viewer.id,
    });
    return { id };
  });
}
