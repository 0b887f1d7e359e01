import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { courseExercises } from '../testing/course';
import { taskOf, type Task } from './task';
import { taskChanges } from './task-changes';

const tasks = courseExercises.map(
  ({ name, exercise }) => [name, taskOf(exercise, DEFAULT_HOUSE_RULES, false)] as const,
);
const [[, beacon]] = tasks as unknown as readonly [readonly [string, Task]];

describe('what a learner is told of a new revision', () => {
  test.each(tasks)('is nothing where nothing has changed: %s', (_, task) => {
    expect(taskChanges(task, structuredClone(task))).toEqual([]);
  });

  test('is what is new in the bag, on the pins, and to be seen', () => {
    const [led] = beacon.parts;
    const after: Task = {
      ...beacon,
      aim: 'A light for the pier.',
      parts: [
        ...beacon.parts.filter((part) => part !== led),
        { ...led!, title: 'green LED', refs: ['D1', 'D2'] },
      ],
      pins: [{ pin: '12', what: 'green LED D1', orElse: [] }],
      runs: [{ name: 'light character', done: [], seen: ['The green LED D1 is on'] }],
    };
    const changes = taskChanges(beacon, after);
    expect(changes).toEqual(
      expect.arrayContaining([
        'What it is for now: A light for the pier.',
        'New in the bag: 2 × green LED (D1 and D2).',
        `No longer needed: ${led!.title}.`,
        'Pin 12 is for: green LED D1.',
        'Pin 13 is not used any more.',
        'To be seen now: The green LED D1 is on.',
      ]),
    );
    expect(changes.some((text) => text.startsWith('Not asked for any more: '))).toBe(true);
  });

  test.each(tasks)('from the beacon to %s tells no more than the two tasks do', (_, task) => {
    for (const text of taskChanges(beacon, task)) expect(text).not.toMatch(/\bB1\.|\b[a-j]\d{1,2}\b/);
  });
});
