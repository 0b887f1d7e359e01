import type { Runner } from './runner';

/** How a statement ended. */
export const enum Completion {
  Normal,
  Break,
  Continue,
  Return,
}
export type Execute = (runner: Runner) => Completion;
