import { taskOf } from '@/core/course/exercise-layout';
import { place } from '@/core/plan/placement';
import { writeTable } from '@/core/wiring/table';
import { loadExercise, loadWiring, options, required, usable } from './input';
import type { Command } from './command';

/** `layout`: where the parts and wires of an exercise go, as a wiring table. */
export const layout: Command = async (words, { out, folder }) => {
  const given = options(words, { exercise: { type: 'string' }, keep: { type: 'string' } });
  const path = required(given.exercise, 'exercise');
  const exercise = await loadExercise(path, folder);
  const task = usable(taskOf(exercise.data), path);
  const earlier = given.keep === undefined ? undefined : await loadWiring(given.keep, folder, exercise);
  const placed = usable(place(earlier ? { ...task, earlier } : task), path);
  out(writeTable(placed.wiring));
  return 0;
};
