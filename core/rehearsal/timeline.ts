import { AT_REST, type PartState } from '../parts';
import { randomFrom } from '../random';
import { definitionOf, touchedBy, type BoardChange, type PartChange, type Stimulus } from '../stimuli';

/** Seconds within which the contacts of a button come to rest (data sheets of 6 mm push buttons say 5 ms). */
const BOUNCE = 0.005;
const MOST_BOUNCES = 4;

/**
 * What stimuli in any order do to the parts, in the order of time. `bounceSeed`: buttons bounce when they
 * are pressed and let go, each time otherwise but the same for the same seed; without one they do not.
 */
export function timelineOf(stimuli: readonly Stimulus[], bounceSeed?: number): readonly PartChange[] {
  const random = bounceSeed === undefined ? undefined : randomFrom(bounceSeed);
  const stands = new Map<string, Partial<PartState>>();
  return inTime(stimuli)
    .flatMap((stimulus) => {
      const part = touchedBy(stimulus)?.name ?? '';
      const changes =
        definitionOf(stimulus).partChanges?.(stimulus, { ...AT_REST, ...stands.get(part) }, (at) =>
          bounced(at, random),
        ) ?? [];
      stands.set(part, { ...stands.get(part), ...changes.at(-1)?.state });
      return changes;
    })
    .sort((one, other) => one.at - other.at);
}

/** Something that happens to the board, in seconds from the start. */
export interface TimedChange {
  readonly at: number;
  readonly change: BoardChange;
}

/** What stimuli in any order do to the board, in the order of time. */
export const boardTimelineOf = (stimuli: readonly Stimulus[]): readonly TimedChange[] =>
  inTime(stimuli).flatMap((stimulus) => {
    const change = definitionOf(stimulus).boardChange?.(stimulus);
    return change ? [{ at: stimulus.at, change }] : [];
  });

const inTime = (stimuli: readonly Stimulus[]): readonly Stimulus[] =>
  [...stimuli].sort((one, other) => one.at - other.at);

/** Moments at which a contact changes when it is moved once: at once, and back and forth while it bounces. */
function bounced(at: number, random: (() => number) | undefined): readonly number[] {
  if (!random) return [at];
  const times = 2 * Math.floor(random() * (MOST_BOUNCES + 1));
  return [at, ...Array.from({ length: times }, () => at + random() * BOUNCE).sort((a, b) => a - b)];
}
