import { overAt } from '../stimuli';
import type { Observed } from './outcome';

/** Whether nothing is done from the beginning of a window on that might end what goes on over and over. */
export const isLeftAlone = (
  { from }: { readonly from?: number | undefined },
  { stimuli }: Observed,
): boolean => stimuli.every((stimulus) => overAt(stimulus) <= (from ?? 0));

/** The longest that a stretch may last which usually lasts so long, in seconds, before whoever watches takes it for the end. */
export const longestOf = (usual: number): number => Math.max(2 * usual, usual + 1);
