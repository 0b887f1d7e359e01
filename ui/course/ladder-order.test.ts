import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { CourseExercise, CourseLesson } from './course';
import { itemsOf, keyOf, NO_LESSON, standingsOf, titleOf } from './ladder-order';

const lessonNamed = (id: string): CourseLesson => ({ id, title: id, minutes: 60 });
const exercise = (id: string, lessonId: string | null): CourseExercise => ({
  id,
  title: id,
  aim: '',
  minutes: null,
  lessonId,
  rung: { concepts: [], carriedOver: [], added: [], left: [] },
  state: 'complete',
  openFor: [],
  revisions: 0,
});

describe('the rows of a ladder', () => {
  test('are the lessons with their exercises, and those of none at the end under a heading of their own', () => {
    const rows = itemsOf(
      [lessonNamed('one'), lessonNamed('two')],
      [exercise('a', 'two'), exercise('b', null), exercise('c', 'one'), exercise('d', 'two')],
    );
    expect(rows.map(keyOf)).toEqual([
      'lesson:one',
      'exercise:c',
      'lesson:two',
      'exercise:a',
      'exercise:d',
      `lesson:${NO_LESSON}`,
      'exercise:b',
    ]);
  });

  test('are called by what stands in them', () => {
    const [lessons, exercises] = [[lessonNamed('one')], [exercise('a', 'one')]];
    expect(titleOf('lesson:one', lessons, exercises)).toBe('one');
    expect(titleOf('exercise:a', lessons, exercises)).toBe('a');
    expect(titleOf(`lesson:${NO_LESSON}`, lessons, exercises)).toBe('the exercises that are in no lesson');
  });

  test('of a course without lessons have a heading to drop things under', () => {
    expect(itemsOf([], []).map(keyOf)).toEqual([`lesson:${NO_LESSON}`]);
  });

  test('say again in which lesson each exercise is, whatever the course', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom('l1', 'l2', 'l3'), { maxLength: 3 }),
        fc.uniqueArray(fc.nat(9), { maxLength: 9 }),
        fc.array(fc.nat(3), { minLength: 9, maxLength: 9 }),
        (lessonIds, ids, places) => {
          const exercises = ids.map((id, index) => exercise(`e${id}`, lessonIds[places[index]!] ?? null));
          const standings = standingsOf(itemsOf(lessonIds.map(lessonNamed), exercises));
          expect(standings).toHaveLength(exercises.length);
          for (const { id, lessonId } of exercises)
            expect(standings.find(({ exerciseId }) => exerciseId === id)?.lessonId).toBe(lessonId);
        },
      ),
    );
  });

  test('give an exercise that is dropped under another heading to that lesson', () => {
    const rows = itemsOf([lessonNamed('one'), lessonNamed('two')], [exercise('a', 'one')]);
    const [one, a, two] = rows;
    expect(standingsOf([one!, two!, a!])).toEqual([{ exerciseId: 'a', lessonId: 'two' }]);
  });
});
