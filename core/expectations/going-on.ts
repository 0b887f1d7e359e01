import { overAt } from '../stimuli';
import type { Observed } from './outcome';

/** Seconds in which something that is done shows, beside the round in which that is. */
const SHOWS_WITHIN = 0.2;

/** The end or the late beginning of what goes on over and over. */
export interface Break {
  /** Seconds from the start of the run. */
  readonly at: number;
  /** Something that is done in that time may be the reason, in seconds from the start of the run. */
  readonly reasonFrom: number;
  readonly reasonTo: number;
}

/** That it stops at a time. `usual`: how long it usually lasts, in seconds, what did not end; `round`: one round of all of it. */
export const stopAt = (at: number, usual: number, round: number): Break => ({
  at,
  reasonFrom: at - round - SHOWS_WITHIN,
  reasonTo: at + longestOf(usual),
});

/** That it begins at a time only. `round`: seconds of one round of it. */
export const beginAt = (at: number, round: number): Break => ({
  at,
  reasonFrom: at - round - SHOWS_WITHIN,
  reasonTo: at,
});

/** Whether something stops, or begins late, by itself: nothing is done around that time that may be the reason. */
export const isByItself = ({ reasonFrom, reasonTo }: Break, { stimuli }: Observed): boolean =>
  stimuli.every((stimulus) => {
    const end = overAt(stimulus);
    const isBetween = (at: number): boolean => at >= reasonFrom && at <= reasonTo;
    // What is turned slowly can do it at any time on its way.
    const isOnItsWay = 'over' in stimulus && stimulus.at < reasonFrom && end > reasonTo;
    return !isBetween(stimulus.at) && !isBetween(end) && !isOnItsWay;
  });

/** The longest that a stretch may last which usually lasts so long, in seconds, before whoever watches takes it for the end. */
export const longestOf = (usual: number): number => Math.max(2 * usual, usual + 1);
