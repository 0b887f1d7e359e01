import { readFile } from 'node:fs/promises';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { packCourse, unpackCourse } from '@/core/package/archive';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { addPicture, cleaned } from '../exercises/pictures';
import { addLesson, courseOverview, findCourse, setCard } from './courses';
import { importCourse, packageOf, unreadablePicture } from './packages';

let harbour: Harbour;
beforeEach(async () => void (harbour = await buildHarbour()));
afterEach(() => harbour.drop());

const courseId = async (): Promise<string> =>
  (await harbour.db('course').where({ title: 'Harbour' }).orderBy('created_at').first<{ id: string }>('id'))
    .id;

it('goes out and comes in again as the same course, with lessons, rules, cards and pictures', async () => {
  const id = await courseId();
  await addLesson(harbour.db, id, 'First lights');
  await harbour.db('exercise').update({ lesson_id: harbour.db('lesson').select('id').first() });
  await harbour.db('course').update({ rules: JSON.stringify({ words: 'plain' }) });
  await setCard(harbour.db, id, 'pause', { word: '', means: '', like: 'Low tide.' });
  const picture = new Uint8Array(await readFile('docs/screenshots/today.png'));
  expect(await addPicture(harbour.db, harbour.teacher, harbour.exerciseId, picture)).toEqual({
    id: 'picture-1',
  });
  const packed = await packCourse(await packageOf(harbour.db, (await findCourse(harbour.db, id))!));
  const read = await unpackCourse(packed);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(await unreadablePicture(read.value.pictures)).toBeUndefined();
  const made = await importCourse(harbour.db, harbour.otherTeacher, read.value);
  const again = await packCourse(await packageOf(harbour.db, (await findCourse(harbour.db, made))!));
  expect(Buffer.from(again).equals(Buffer.from(packed))).toBe(true);
  const shelf = await courseOverview(harbour.db, harbour.otherTeacher);
  expect(shelf.find((course) => course.id === made)).toMatchObject({
    title: 'Harbour',
    may: 'own',
    lessons: 1,
    exercises: ['Beacon'],
  });
});

it('takes nothing of a course when something of it cannot be kept', async () => {
  const course = await packageOf(harbour.db, (await findCourse(harbour.db, await courseId()))!);
  const twice = { ...course, exercises: [...course.exercises, ...course.exercises] };
  await expect(importCourse(harbour.db, harbour.teacher, twice)).rejects.toThrow();
  expect(await harbour.db('course').select('id')).toHaveLength(1);
});

it('draws pictures anew: smaller, without what their files tell of the camera, and refuses what is none', async () => {
  const picture = new Uint8Array(await readFile('docs/screenshots/today.png'));
  const photo = await cleaned(Buffer.concat([picture, Buffer.from('Exif GPS')]));
  expect(photo?.type).toBe('image/png');
  expect(Buffer.from(photo!.bytes).includes('GPS')).toBe(false);
  for (const bad of [
    new Uint8Array(),
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
    picture.subarray(0, 200),
  ])
    expect(await cleaned(bad)).toBeUndefined();
  expect(await unreadablePicture([{ exercise: 'a', id: 'b', type: 'image/jpeg', bytes: picture }])).toBe(
    'a/b',
  );
});
