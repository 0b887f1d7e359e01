import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import { unpack, type ArchiveLimits } from '../outside/unpack';
import { fail, type Result } from '../result';
import { courseFrom, filesOf, LARGEST_PICTURE, type CoursePackage } from './course-package';
import { schemaFiles } from './schemas';

/** What a course package may take. */
export const PACKAGE_LIMITS: ArchiveLimits = {
  packed: 60_000_000,
  entries: 1000,
  file: LARGEST_PICTURE,
  unpacked: 120_000_000,
};

/** The day that all files of a package bear, so that the same course is the same bytes. */
// eslint-disable-next-line no-restricted-globals -- a constant, and no clock
const DAY = new Date('2026-01-01T00:00:00Z');

const READ_ME = `A course of exercises with a microcontroller board and a breadboard.

course.json   title, lessons, house rules, cards, and which files belong to it
exercises/    one exercise in each file
pictures/     the author's own pictures
schemas/      JSON Schemas of the files
`;

/** A course as a ZIP, with the schemas of its files. */
export async function packCourse(course: CoursePackage): Promise<Uint8Array> {
  const writer = new ZipWriter(new Uint8ArrayWriter(), {
    useWebWorkers: false,
    extendedTimestamp: false,
    lastModDate: DAY,
  });
  await writer.add('README.txt', new TextReader(READ_ME));
  for (const [path, bytes] of filesOf(course)) await writer.add(path, new Uint8ArrayReader(bytes));
  for (const [name, text] of schemaFiles) await writer.add(`schemas/${name}`, new TextReader(text));
  return writer.close();
}

/** A course from a ZIP; refused as a whole, with every reason, when anything in it cannot be taken. */
export async function unpackCourse(bytes: Uint8Array): Promise<Result<CoursePackage>> {
  const unpacked = await unpack(bytes, PACKAGE_LIMITS);
  if (!unpacked.ok) return unpacked;
  const { files, aside } = unpacked.value;
  if (aside.length > 0) return fail(...aside.map(({ path, why }) => ({ message: why, path })));
  return courseFrom(new Map(files.map(({ path, bytes: content }) => [path, content])));
}
