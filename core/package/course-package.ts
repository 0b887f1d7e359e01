import * as z from 'zod';
import { cardsSchema } from '../course/concepts';
import { keepable, unstorableIn } from '../course/incoming';
import { ownRulesSchema } from '../course/house-rules';
import { exerciseFrom, EXERCISE_LIMIT, type ExerciseData } from '../formats/exercise';
import { parseJson, schemaProblems } from '../json';
import { fail, ok, type Problem, type Result } from '../result';

/** A lesson of a course: its exercises by their ids. */
const lessonSchema = z.object({
  title: z.string().min(1).max(200),
  minutes: z.int().min(5).max(600),
  exercises: z.array(z.string().max(120)).max(200),
});

const pictureTypes = ['image/png', 'image/jpeg'] as const;
export type PictureType = (typeof pictureTypes)[number];

/** What stands in `course.json` of a package. */
export const manifestSchema = z.object({
  format: z.literal('didaktor/course@1'),
  title: z.string().min(1).max(200),
  /** What the course says itself of the house rules. */
  rules: ownRulesSchema.default({}),
  cards: cardsSchema.default({}),
  lessons: z.array(lessonSchema).max(200).default([]),
  /** The files of the exercises, in the course's order. */
  exercises: z.array(z.string().max(200)).max(200),
  pictures: z
    .array(
      z.object({
        file: z.string().max(200),
        exercise: z.string().max(120),
        id: z.string().max(60),
        type: z.enum(pictureTypes),
      }),
    )
    .max(400)
    .default([]),
});
export type Manifest = z.infer<typeof manifestSchema>;

export interface CoursePicture {
  /** The exercise that it belongs to, and its id there. */
  readonly exercise: string;
  readonly id: string;
  readonly type: PictureType;
  readonly bytes: Uint8Array;
}

/** A whole course, as it travels. */
export interface CoursePackage extends Pick<Manifest, 'title' | 'rules' | 'cards' | 'lessons'> {
  readonly exercises: readonly ExerciseData[];
  readonly pictures: readonly CoursePicture[];
}

/** A file of a package by its path. */
export type PackageFiles = ReadonlyMap<string, Uint8Array>;

const MANIFEST = 'course.json';
/** Largest picture that a package may hold, in bytes. */
export const LARGEST_PICTURE = 4_000_000;

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const json = (value: unknown): Uint8Array => bytesOf(`${JSON.stringify(value, null, 2)}\n`);

/** The files of a course, the same bytes for the same course. */
export function filesOf(course: CoursePackage): PackageFiles {
  const files = new Map<string, Uint8Array>();
  const width = String(course.exercises.length).length;
  const names = course.exercises.map(
    ({ id }, index) => `exercises/${String(index + 1).padStart(Math.max(2, width), '0')}-${id}.json`,
  );
  const pictures = course.pictures.map(({ exercise, id, type }) => ({
    file: `pictures/${exercise}/${id}.${type === 'image/png' ? 'png' : 'jpg'}`,
    exercise,
    id,
    type,
  }));
  const manifest: Manifest = {
    format: 'didaktor/course@1',
    title: course.title,
    rules: course.rules,
    cards: course.cards,
    lessons: course.lessons.map(({ title, minutes, exercises }) => ({ title, minutes, exercises })),
    exercises: names,
    pictures,
  };
  files.set(MANIFEST, json(manifest));
  for (const [index, exercise] of course.exercises.entries()) files.set(names[index]!, json(exercise));
  for (const [index, { bytes }] of course.pictures.entries()) files.set(pictures[index]!.file, bytes);
  return files;
}

/** A course from its files; whatever is wrong is said with the file and its place, and then nothing is taken. */
export function courseFrom(files: PackageFiles): Result<CoursePackage> {
  const at = within(files);
  if (at === undefined)
    return fail({ message: `there is no ${MANIFEST} in it: this is no course package`, path: MANIFEST });
  const manifest = readFile(files, at, MANIFEST, manifestSchema);
  if (!manifest.ok) return manifest;
  const unstorable = unstorableIn(manifest.value);
  const problems: Problem[] =
    unstorable === undefined
      ? []
      : [{ message: 'this contains a character that can’t be stored', path: `${MANIFEST}: ${unstorable}` }];
  const exercises: ExerciseData[] = [];
  for (const file of manifest.value.exercises) {
    const read = readExerciseFile(files, at, file);
    if (read.ok) exercises.push(read.value);
    else problems.push(...read.problems);
  }
  const ids = exercises.map(({ id }) => id);
  const twice = ids.find((id, index) => ids.indexOf(id) !== index);
  if (twice !== undefined) problems.push({ message: `two exercises have the id ${twice}`, path: MANIFEST });
  for (const { title, exercises: listed } of manifest.value.lessons) {
    const missing = problems.length === 0 ? listed.find((id) => !ids.includes(id)) : undefined;
    if (missing !== undefined)
      problems.push({
        message: `the lesson “${title}” names ${missing}, which is not in it`,
        path: MANIFEST,
      });
  }
  const pictures: CoursePicture[] = [];
  for (const { file, ...picture } of manifest.value.pictures) {
    const bytes = files.get(at + file);
    if (!bytes) problems.push({ message: 'it is named and not there', path: file });
    else if (bytes.length > LARGEST_PICTURE)
      problems.push({ message: 'this picture is too large', path: file });
    else if (!looksLike(picture.type, bytes))
      problems.push({ message: `this is no picture of the type ${picture.type}`, path: file });
    else pictures.push({ ...picture, bytes });
  }
  if (problems.length > 0) return fail(...problems);
  const { title, rules, cards, lessons } = manifest.value;
  return ok({ title, rules, cards, lessons, exercises, pictures });
}

/** The folder of the package within the archive: whoever packs a folder packs its name too. */
function within(files: PackageFiles): string | undefined {
  const found = [...files.keys()].filter((path) => path === MANIFEST || path.endsWith(`/${MANIFEST}`));
  const [shortest] = found.sort((one, other) => one.length - other.length);
  return shortest?.slice(0, -MANIFEST.length);
}

function readExerciseFile(files: PackageFiles, at: string, file: string): Result<ExerciseData> {
  const text = textOf(files, at, file);
  if (!text.ok) return text;
  if (text.value.length > EXERCISE_LIMIT) return fail({ message: 'this exercise is too long', path: file });
  const data = parseJson(text.value, 'the exercise');
  if (!data.ok) return fail(...data.problems.map((problem) => ({ ...problem, path: file })));
  const exercise = exerciseFrom(data.value);
  const read = exercise.ok ? keepable(exercise.value.data) : exercise;
  return read.ok
    ? read
    : fail(
        ...read.problems.map((problem) => ({
          ...problem,
          path: [file, problem.path].filter(Boolean).join(': '),
        })),
      );
}

function readFile<Value>(
  files: PackageFiles,
  at: string,
  file: string,
  schema: z.ZodType<Value>,
): Result<Value> {
  const text = textOf(files, at, file);
  if (!text.ok) return text;
  const data = parseJson(text.value, file);
  if (!data.ok) return fail(...data.problems.map((problem) => ({ ...problem, path: file })));
  const read = schema.safeParse(data.value);
  return read.success
    ? ok(read.data)
    : fail(
        ...schemaProblems(read.error).map((problem) => ({
          ...problem,
          path: `${file}: ${problem.path ?? ''}`,
        })),
      );
}

function textOf(files: PackageFiles, at: string, file: string): Result<string> {
  const bytes = files.get(at + file);
  if (!bytes) return fail({ message: 'it is named and not there', path: file });
  try {
    return ok(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return fail({ message: 'this is not UTF-8 text', path: file });
  }
}

/** Whether bytes begin as a picture of a type does. */
export const looksLike = (type: PictureType, bytes: Uint8Array): boolean =>
  (type === 'image/png' ? [0x89, 0x50, 0x4e, 0x47] : [0xff, 0xd8, 0xff]).every(
    (byte, index) => bytes[index] === byte,
  );
