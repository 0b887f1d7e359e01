import fc from 'fast-check';
import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import { describe, expect, it } from 'vitest';
import { courseExercises } from '../testing/course';
import { packCourse, unpackCourse } from './archive';
import { courseFrom, filesOf, type CoursePackage, type CoursePicture } from './course-package';

const exercises = courseExercises
  .filter(({ name, exercise }) => name === exercise.data.id)
  .map(({ exercise: { data } }) => data);
const PNG = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 1, 2, 3]);
const JPEG = new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 9, 9]);

const aText = fc
  .string({ minLength: 1, maxLength: 40, unit: 'grapheme' })
  .filter((text) => text.trim() !== '');
const aCourse: fc.Arbitrary<CoursePackage> = fc.subarray(exercises).chain((chosen) =>
  fc.record({
    title: aText,
    rules: fc.constantFrom({}, { words: 'plain' }, { buttonInput: 'pull-down', programGiven: 'gaps' }),
    cards: fc.constantFrom<CoursePackage['cards']>(
      {},
      { pwm: { word: 'PWM', means: 'Fast on and off.', like: '' } },
    ),
    lessons: fc.array(
      fc.record({
        title: aText,
        minutes: fc.integer({ min: 5, max: 600 }),
        exercises: fc.subarray(chosen.map(({ id }) => id)),
      }),
      { maxLength: 4 },
    ),
    exercises: fc.constant(chosen),
    pictures: fc.constant(
      chosen.slice(0, 2).map(({ id }, index): CoursePicture => ({
        exercise: id,
        id: 'gate',
        type: index === 0 ? 'image/png' : 'image/jpeg',
        bytes: index === 0 ? PNG : JPEG,
      })),
    ),
  }),
);

async function zip(files: Iterable<readonly [string, Uint8Array | string]>): Promise<Uint8Array> {
  const writer = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false });
  for (const [path, content] of files)
    await writer.add(
      path,
      typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content),
    );
  return writer.close();
}

describe('a course package', () => {
  it('is the same course again, and the same bytes', async () => {
    await fc.assert(
      fc.asyncProperty(aCourse, async (course) => {
        const packed = await packCourse(course);
        const read = await unpackCourse(packed);
        expect(read).toEqual({ ok: true, value: course });
        expect(read.ok && Buffer.from(await packCourse(read.value)).equals(Buffer.from(packed))).toBe(true);
      }),
      { numRuns: 12 },
    );
  });

  const whole: CoursePackage = {
    title: 'Harbour',
    rules: {},
    cards: {},
    lessons: [{ title: 'One', minutes: 90, exercises: [exercises[0]!.id] }],
    exercises: exercises.slice(0, 2),
    pictures: [{ exercise: exercises[0]!.id, id: 'a', type: 'image/png', bytes: PNG }],
  };

  it('may lie in a folder of the archive', async () => {
    const files = [...filesOf(whole)].map(([path, bytes]) => [`harbour/${path}`, bytes] as const);
    expect(await unpackCourse(await zip(files))).toEqual({ ok: true, value: whole });
  });

  it.each<readonly [string, (files: Map<string, Uint8Array>) => void, RegExp]>([
    ['without a manifest', (files) => files.delete('course.json'), /no course package/],
    ['with a damaged manifest', (files) => files.set('course.json', Buffer.from('{"format":')), /not JSON/],
    [
      'of another format',
      (files) => files.set('course.json', Buffer.from('{"format":"x"}')),
      /didaktor\/course@1/,
    ],
    ['without an exercise that it names', (files) => files.delete(second(files)), /named and not there/],
    [
      'with a damaged exercise',
      (files) => files.set(second(files), Buffer.from('{"parts":[]}')),
      /id|parts|format/,
    ],
    [
      'with a house rule that nobody has',
      (files) => changed(files, { rules: { words: 'rhymes' } }),
      /rules\.words/,
    ],
    [
      'with a sign that no database keeps',
      (files) => changed(files, { aim: 'x\0y' }),
      /aim .*can’t be stored/,
    ],
    [
      'with half a sign',
      (files) => changed(files, { text: { build: ['\ud800'] } }),
      /text\.build\.0 .*can’t be stored/,
    ],
    [
      'with bytes that are no text',
      (files) => files.set(second(files), new Uint8Array([0xff, 0xfe, 0])),
      /UTF-8/,
    ],
    [
      'with a picture that is none',
      (files) => files.set(`pictures/${exercises[0]!.id}/a.png`, Buffer.from('<svg onload=alert(1)>')),
      /no picture/,
    ],
  ])('%s is refused whole, with the file and the reason', (_, damage, reason) => {
    const files = new Map(filesOf(whole));
    damage(files);
    const read = courseFrom(files);
    expect(read.ok).toBe(false);
    expect(read.ok ? '' : read.problems.map(({ path, message }) => `${path} ${message}`).join('; ')).toMatch(
      reason,
    );
  });

  it('is refused when a path climbs, when there are thousands of files, and when it unpacks to far more', async () => {
    const files = [...filesOf(whole)];
    const refusals = await Promise.all([
      unpackCourse(await zip([...files, ['../../etc/cron', 'x']])),
      unpackCourse(
        await zip([...files, ...Array.from({ length: 1200 }, (_, at) => [`x/${at}`, ''] as const)]),
      ),
      unpackCourse(await zip([...files, ['pictures/bomb.png', new Uint8Array(30_000_000)]])),
      unpackCourse(new Uint8Array([1, 2, 3])),
    ]);
    for (const refusal of refusals) expect(refusal.ok).toBe(false);
  });

  it('never throws and never half takes what is damaged by chance', async () => {
    const packed = await packCourse(whole);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(packed.length - 1), fc.nat(255)), { minLength: 1, maxLength: 20 }),
        async (changes) => {
          const damaged = packed.slice();
          for (const [at, byte] of changes) damaged[at] = byte;
          const read = await unpackCourse(damaged);
          if (read.ok) expect(read.value.exercises).toHaveLength(whole.exercises.length);
          else expect(read.problems.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

/** Puts other fields into the second exercise. */
function changed(files: Map<string, Uint8Array>, fields: Readonly<Record<string, unknown>>): void {
  const before = JSON.parse(Buffer.from(files.get(second(files))!).toString()) as object;
  files.set(second(files), Buffer.from(JSON.stringify({ ...before, ...fields })));
}

const second = (files: Map<string, Uint8Array>): string =>
  [...files.keys()].find((path) => path.startsWith('exercises/02'))!;
