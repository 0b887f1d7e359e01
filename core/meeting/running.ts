import type { RunSheet, RunStep } from './run-sheet';

/** A meeting while it runs: kept as it is told, so that two tablets and the wall say the same. */
export interface Running {
  readonly startedAt: number;
  /** The stretch that is on, and since when; times in ms since 1970. */
  readonly stepId: string;
  readonly stepSince: number;
  /** The hold within it, counted from 0. */
  readonly hold: number;
  /** Whether the wall shows nothing. */
  readonly isDark: boolean;
  /** How long each stretch has taken that was left, by its id. */
  readonly taken: Readonly<Record<string, TakenStretch>>;
}

/** A stretch of a meeting as it was planned, and as it was. */
export interface TakenStretch {
  readonly title: string;
  readonly planned: number;
  /** Minutes for which it was on, all times together. */
  readonly minutes: number;
}

/** How it stands with a running meeting. */
export interface RunStanding {
  readonly step: RunStep;
  readonly index: number;
  readonly next: RunStep | undefined;
  /** Minutes that the stretch still has; below zero when it is over. */
  readonly leftMinutes: number;
  /** Minutes behind the sheet; below zero when ahead. */
  readonly behindMinutes: number;
  /** When everything that is left is done, at the planned minutes. */
  readonly endsAt: number;
  /** What to take care of now, and the caution that comes next. */
  readonly caution: string | undefined;
  readonly soon: string | undefined;
}

export const begin = ({ steps }: RunSheet, now: number): Running => ({
  startedAt: now,
  stepId: steps[0]!.id,
  stepSince: now,
  hold: 0,
  isDark: false,
  taken: {},
});

/** What an instructor does while it runs. */
export type RunAction =
  | { readonly type: 'next' }
  | { readonly type: 'back' }
  | { readonly type: 'go'; readonly stepId: string }
  | { readonly type: 'dark' };

/** The meeting after an action: on within a stretch hold by hold, then to the next stretch. */
export function after(running: Running, action: RunAction, { steps }: RunSheet, now: number): Running {
  const index = indexOf(steps, running);
  const step = steps[index]!;
  const to = (target: number, hold: number): Running => ({
    ...running,
    stepId: steps[target]!.id,
    stepSince: target === index ? running.stepSince : now,
    hold,
    taken: target === index ? running.taken : withTaken(running, step, now),
  });
  switch (action.type) {
    case 'next':
      if (running.hold + 1 < step.holds.length) return to(index, running.hold + 1);
      return index + 1 < steps.length ? to(index + 1, 0) : running;
    case 'back':
      if (running.hold > 0) return to(index, running.hold - 1);
      return index > 0 ? to(index - 1, Math.max(0, steps[index - 1]!.holds.length - 1)) : running;
    case 'go': {
      const target = steps.findIndex(({ id }) => id === action.stepId);
      return target < 0 ? running : to(target, 0);
    }
    case 'dark':
      return { ...running, isDark: !running.isDark };
  }
}

function withTaken({ taken, stepSince }: Running, step: RunStep, now: number): Running['taken'] {
  const minutes = (taken[step.id]?.minutes ?? 0) + Math.max(0, now - stepSince) / 60_000;
  return { ...taken, [step.id]: { title: step.title, planned: step.minutes, minutes } };
}

/** What a meeting that ends now has taken, with the stretch that was on. */
export const takenAtEnd = (running: Running, { steps }: RunSheet, now: number): Running['taken'] =>
  withTaken(running, steps[indexOf(steps, running)]!, now);

/** Minutes beyond the plan from which on a stretch took longer: less is the time to press a key. */
const LONGER = 2;

/** Stretches that took longer than planned in meetings of a class, the most minutes over first. */
export const tookLonger = (meetings: readonly Running['taken'][]): readonly TakenStretch[] =>
  meetings
    .flatMap((taken) => Object.values(taken))
    .filter(({ planned, minutes }) => minutes - planned >= LONGER)
    .sort((one, other) => other.minutes - other.planned - (one.minutes - one.planned));

/** A sheet may have changed under a meeting that runs: what is gone counts as its beginning. */
const indexOf = (steps: readonly RunStep[], { stepId }: Running): number =>
  Math.max(
    0,
    steps.findIndex(({ id }) => id === stepId),
  );

export function standingOf(running: Running, { steps }: RunSheet, now: number): RunStanding {
  const index = indexOf(steps, running);
  const step = steps[index]!;
  const inStep = (now - running.stepSince) / 60_000;
  const planned = steps.slice(0, index).reduce((sum, { minutes }) => sum + minutes, 0);
  const remaining = steps.slice(index + 1).reduce((sum, { minutes }) => sum + minutes, 0);
  const leftMinutes = step.minutes - inStep;
  const gone = (now - running.startedAt) / 60_000;
  return {
    step,
    index,
    next: steps[index + 1],
    leftMinutes,
    behindMinutes: gone - (planned + Math.min(inStep, step.minutes)),
    endsAt: now + (Math.max(0, leftMinutes) + remaining) * 60_000,
    caution: step.holds[running.hold]?.cautions[0] ?? (running.hold === 0 ? step.cautions[0] : undefined),
    soon:
      step.holds.slice(running.hold + 1).find(({ cautions }) => cautions.length > 0)?.cautions[0] ??
      steps[index + 1]?.cautions[0],
  };
}
