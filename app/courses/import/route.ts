import { PACKAGE_LIMITS } from '@/core/package/archive';
import { problemText } from '@/core/result';
import { importCourse, unreadablePicture } from '@/server/courses/packages';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { can, roleOf } from '@/server/permissions';
import { isForeign, readBytes, refuse } from '../../api/bodies';
import { currentViewer } from '../../access';

export const dynamic = 'force-dynamic';

/** Reasons that are told of a package that is refused. */
const MOST_REASONS = 5;

/** Takes in a course package, all of it or nothing; the id of the course. */
export async function POST(request: Request): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This package comes from another site.');
  const viewer = await currentViewer();
  if (!viewer || !can(roleOf(viewer), 'edit-course'))
    return refuse(403, 'Sign in as an instructor to bring in a course.');
  const bytes = await readBytes(request, PACKAGE_LIMITS.packed);
  if (!bytes) return refuse(413, `A package has at most ${PACKAGE_LIMITS.packed / 1_000_000} MB.`);
  const outcome = await guarded().run('readCourse', { bytes: new Uint8Array(bytes) });
  if (!outcome.ended)
    return refuse(422, 'Nothing was taken. It takes too long, or too much, to read this package.');
  const read = outcome.value;
  if (!read.ok)
    return refuse(
      422,
      `Nothing was taken. ${read.problems
        .slice(0, MOST_REASONS)
        .map((problem) => `${problemText(problem)}.`.replace(/\.\.$/, '.'))
        .join(' ')}`,
    );
  const picture = await unreadablePicture(read.value.pictures);
  if (picture !== undefined)
    return refuse(422, `Nothing was taken. The picture ${picture} is damaged, or not what it says it is.`);
  return Response.json({ id: await importCourse(database(), viewer, read.value) });
}
