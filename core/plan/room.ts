import type { FindingCode } from '../findings/finding';
import { rowOf } from '../findings/table';

/** Something that came of a bench: a check, or a hand-in that has been judged. */
export interface BenchEvent {
  readonly kind: 'check' | 'hand-in';
  readonly secondsAgo: number;
  readonly passed: boolean;
  /** Code of the first cause; `null` when there is none. */
  readonly cause: FindingCode | null;
  /** What is said of it. */
  readonly note: string;
}

/** What is known of a bench in the room. */
export interface BenchFacts {
  readonly isSignedIn: boolean;
  /** Seconds since something was changed on the bench; `null` when nothing ever was. */
  readonly changedSecondsAgo: number | null;
  /** Of the exercise that was worked on last, the last first. */
  readonly events: readonly BenchEvent[];
  /** Seconds since the call for help that is open. */
  readonly calledSecondsAgo: number | null;
}

/** How it stands at a bench, most urgent first. */
export const benchStates = ['help', 'stuck', 'checking', 'building', 'begins', 'done', 'away'] as const;
export type BenchState = (typeof benchStates)[number];

export interface BenchStanding {
  readonly state: BenchState;
  /** Seconds for which it has been so; `null` where that says nothing. */
  readonly forSeconds: number | null;
  /** What to look at first, in a sentence; empty when nothing is known. */
  readonly lookAt: string;
}

/** Tries with the same cause after which somebody is stuck, and seconds without progress. */
const [SAME_CAUSE, NO_PROGRESS] = [3, 8 * 60];
/** Seconds for which a check is news. */
const JUST_CHECKED = 30;

/** How it stands at a bench, from what came of it. */
export function standingOf(facts: BenchFacts): BenchStanding {
  const { isSignedIn, changedSecondsAgo, events, calledSecondsAgo } = facts;
  const [last] = events;
  const lookAt =
    last && !last.passed && last.cause !== null ? last.note || `${rowOf(last.cause).title}.` : '';
  if (calledSecondsAgo !== null) return { state: 'help', forSeconds: calledSecondsAgo, lookAt };
  if (!isSignedIn) return { state: 'away', forSeconds: null, lookAt: '' };
  if (last?.kind === 'hand-in' && last.passed && (changedSecondsAgo ?? Infinity) >= last.secondsAgo)
    return { state: 'done', forSeconds: last.secondsAgo, lookAt: '' };
  const stuckFor = stuckSeconds(facts);
  if (stuckFor !== undefined)
    return {
      state: 'stuck',
      forSeconds: stuckFor,
      lookAt: lookAt || 'Nothing has changed there for a while. Ask what the next step is.',
    };
  if (last && last.secondsAgo < JUST_CHECKED)
    return { state: 'checking', forSeconds: last.secondsAgo, lookAt };
  if (changedSecondsAgo === null && !last) return { state: 'begins', forSeconds: null, lookAt: '' };
  return {
    state: 'building',
    forSeconds: null,
    lookAt: last?.passed === true && last.kind === 'check' ? 'Passes, and is not handed in yet.' : lookAt,
  };
}

/** For how many seconds somebody has been stuck; `undefined` when they are getting on. */
function stuckSeconds({ changedSecondsAgo, events }: BenchFacts): number | undefined {
  const [last] = events;
  if (last && !last.passed && last.cause !== null) {
    const firstOther = events.findIndex(({ passed, cause }) => passed || cause !== last.cause);
    const same = firstOther < 0 ? events : events.slice(0, firstOther);
    if (same.length >= SAME_CAUSE) return same.at(-1)!.secondsAgo;
  }
  // A check that says the same as the one before is no progress; one that says something new is.
  const news = events.findIndex(
    ({ cause, passed }, index) => cause !== events[index + 1]?.cause || passed !== events[index + 1]?.passed,
  );
  const since = Math.min(changedSecondsAgo ?? Infinity, news < 0 ? Infinity : events[news]!.secondsAgo);
  return since >= NO_PROGRESS && since !== Infinity ? since : undefined;
}
