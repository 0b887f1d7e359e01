import type { ProgramProblem } from '../../problem';
import type { Facts, Habit } from './habit';
import { interruptHabits } from './interrupts';
import { memoryHabits } from './memory';
import { numberHabits } from './numbers';
import { pinHabits } from './pins';
import { pressHabits } from './presses';
import { serialHabits } from './serial';

const habits: readonly Habit[] = [
  memoryHabits,
  pinHabits,
  numberHabits,
  serialHabits,
  interruptHabits,
  pressHabits,
];

/** What is likely not meant so in a program that compiles, in no order. */
export const habitsOf = (facts: Facts): readonly ProgramProblem[] => habits.flatMap((habit) => habit(facts));
