import { slugOf } from '@/core/course/names';
import { packCourse } from '@/core/package/archive';
import { database } from '@/server/database/connection';
import { packageOf } from '@/server/courses/packages';
import { courseAskedFor } from '../../../asked-for';
import { zipFile } from '../../../files';

export const dynamic = 'force-dynamic';

/** A course as a package, to be taken elsewhere. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ courseId: string }> },
): Promise<Response> {
  const { course } = await courseAskedFor((await params).courseId);
  const packed = await packCourse(await packageOf(database(), course));
  return zipFile(`${slugOf(course.title)}.zip`, packed);
}
