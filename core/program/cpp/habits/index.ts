import type { ProgramProblem } from '../../problem';
import { branchHabits } from './branches';
import type { Facts, Habit } from './habit';
import { interruptHabits } from './interrupts';
import { memoryHabits } from './memory';
import { numberHabits } from './numbers';
import { pinHabits } from './pins';
import { pinNamesOf, pinUsesOf } from './pin-uses';
import { pressHabits } from './presses';
import { readingHabits } from './readings';
import { serialHabits } from './serial';
import { shadowHabits } from './shadows';
import { swappedValues } from './swapped-values';
import { unchangedHabits } from './unchanged';

const habits: readonly Habit[] = [
  memoryHabits,
  pinHabits,
  swappedValues,
  numberHabits,
  serialHabits,
  interruptHabits,
  pressHabits,
  readingHabits,
  shadowHabits,
  branchHabits,
  unchangedHabits,
];

/** What is likely not meant so in a program that compiles, in no order. */
export function habitsOf(given: Omit<Facts, 'pinUses' | 'pinNames'>): readonly ProgramProblem[] {
  const pinUses = pinUsesOf(given.tree);
  const facts: Facts = { ...given, pinUses, pinNames: pinNamesOf(pinUses, given.source) };
  return habits.flatMap((habit) => habit(facts));
}
