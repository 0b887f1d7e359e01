import { unpack, type ArchiveLimits } from '../outside/unpack';
import { fail, type Result } from '../result';
import { courseFrom, filesOf, LARGEST_PICTURE, type CoursePackage } from './course-package';
import { schemaFiles } from './schemas';
import { zipOf } from './zip';

/** What a course package may take. */
export const PACKAGE_LIMITS: ArchiveLimits = {
  packed: 60_000_000,
  entries: 1000,
  file: LARGEST_PICTURE,
  unpacked: 120_000_000,
};

const READ_ME = `A course of exercises with a microcontroller board and a breadboard.

course.json   title, lessons, house rules, cards, and which files belong to it
exercises/    one exercise in each file
pictures/     the author's own pictures
schemas/      JSON Schemas of the files
`;

/** A course as a ZIP, with the schemas of its files. */
export const packCourse = (course: CoursePackage): Promise<Uint8Array> =>
  zipOf([
    ['README.txt', READ_ME],
    ...filesOf(course),
    ...[...schemaFiles].map(([name, text]) => [`schemas/${name}`, text] as const),
  ]);

/** A course from a ZIP; refused as a whole, with every reason, when anything in it cannot be taken. */
export async function unpackCourse(bytes: Uint8Array): Promise<Result<CoursePackage>> {
  const unpacked = await unpack(bytes, PACKAGE_LIMITS);
  if (!unpacked.ok) return unpacked;
  const { files, aside } = unpacked.value;
  if (aside.length > 0) return fail(...aside.map(({ path, why }) => ({ message: why, path })));
  return courseFrom(new Map(files.map(({ path, bytes: content }) => [path, content])));
}
