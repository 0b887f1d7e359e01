import type { Said } from '../exercise-said';

/** An exercise, and a program that does the same in a way of its own. */
export interface OwnForm {
  readonly said: Said;
  readonly own: string;
}
