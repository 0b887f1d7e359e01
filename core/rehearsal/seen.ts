import { effort } from '../effort';
import { glowAt, type Glow } from '../electrics/brightness';
import type { CurrentChange } from './trace';

/** A stretch of time in which an LED looks the same. Seconds from the start. */
export interface SeenInterval {
  readonly from: number;
  readonly to: number;
  readonly glow: Glow;
  /** Mean current in mA. */
  readonly currentMa: number;
  /** Changes a second, when the LED changes too fast to be seen as flashes. */
  readonly flickerHz?: number;
}

/** Changes that follow each other within this time melt into one impression, in seconds. */
export const EYE_SECONDS = 0.02;

/**
 * What an eye makes of an LED's current over `seconds`: steady stretches as they are, faster changes
 * averaged, blinks shorter than the eye's time left out. The rest is joined by how it looks.
 */
export const seenIntervals = (changes: readonly CurrentChange[], seconds: number): readonly SeenInterval[] =>
  joinEqual(seenStretches(changes, seconds));

/** The same with each brightness for itself. */
export function seenStretches(changes: readonly CurrentChange[], seconds: number): readonly SeenInterval[] {
  effort(changes.length * 500);
  const steps = changes
    .map((change, index) => ({
      from: change.at,
      to: Math.min(seconds, changes[index + 1]?.at ?? seconds),
      currentMa: change.currentMa,
    }))
    .filter((step) => step.to > step.from);
  const stretches: SeenInterval[] = [];
  let fast: typeof steps = [];
  const flush = (): void => {
    const [first, last] = [fast[0], fast.at(-1)];
    if (!first || !last) return;
    const duration = last.to - first.from;
    const before = stretches.at(-1);
    if (duration < EYE_SECONDS && before) stretches[stretches.length - 1] = { ...before, to: last.to };
    else {
      const charge = fast.reduce((sum, step) => sum + step.currentMa * (step.to - step.from), 0);
      const mean = charge / duration;
      stretches.push({
        from: first.from,
        to: last.to,
        currentMa: mean,
        glow: glowAt(mean),
        ...(fast.length > 3 ? { flickerHz: fast.length / 2 / duration } : {}),
      });
    }
    fast = [];
  };
  for (const step of steps) {
    if (step.to - step.from < EYE_SECONDS) {
      fast.push(step);
      continue;
    }
    flush();
    stretches.push({ ...step, glow: glowAt(step.currentMa) });
  }
  flush();
  return stretches;
}

function joinEqual(stretches: readonly SeenInterval[]): readonly SeenInterval[] {
  const joined: SeenInterval[] = [];
  for (const stretch of stretches) {
    const before = joined.at(-1);
    // The start-up, too short to be seen, counts to what follows.
    if (before && before.to - before.from < EYE_SECONDS && joined.length === 1)
      joined[0] = { ...stretch, from: before.from };
    else if (before?.glow === stretch.glow) {
      const [a, b] = [before.to - before.from, stretch.to - stretch.from];
      const flickerHz = before.flickerHz ?? stretch.flickerHz;
      joined[joined.length - 1] = {
        ...before,
        to: stretch.to,
        currentMa: (before.currentMa * a + stretch.currentMa * b) / (a + b),
        ...(flickerHz === undefined ? {} : { flickerHz }),
      };
    } else joined.push(stretch);
  }
  return joined;
}
