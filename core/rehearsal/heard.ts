import { effort } from '../effort';
import { EYE_SECONDS } from './seen';
import type { SoundChange } from './trace';

/** A stretch of time in which a buzzer sounds alike; `hertz` 0 is silence. Seconds from the start. */
export interface HeardInterval {
  readonly from: number;
  readonly to: number;
  readonly hertz: number;
}

/** Changes of current in mA that move a buzzer enough to be heard. */
const HEARD_FROM_MA = 0.3;

/**
 * What an ear makes of a buzzer over `seconds`: the tones that a pin gives it, and those that a program
 * makes step by step, whose pitch is how often the current rises in a second.
 */
export function heardIntervals(changes: readonly SoundChange[], seconds: number): readonly HeardInterval[] {
  effort(changes.length * 800);
  const steps = changes
    .map((change, index) => ({
      ...change,
      from: change.at,
      to: Math.min(seconds, changes[index + 1]?.at ?? seconds),
    }))
    .filter((step) => step.to > step.from);
  const heard: HeardInterval[] = [];
  const add = (from: number, to: number, hertz: number): void => {
    const before = heard.at(-1);
    if (before?.hertz === hertz) heard[heard.length - 1] = { ...before, to };
    else heard.push({ from, to, hertz });
  };
  for (let first = 0; first < steps.length;) {
    let last = first;
    // Steps of the current that follow each other faster than this are one tone.
    while (
      steps[last]!.hertz === 0 &&
      steps[last + 1]?.hertz === 0 &&
      steps[last]!.to - steps[last]!.from < EYE_SECONDS &&
      Math.abs(steps[last + 1]!.currentMa - steps[last]!.currentMa) >= HEARD_FROM_MA
    )
      last += 1;
    const [begin, end] = [steps[first]!, steps[last]!];
    // The level that follows the last step is no part of the tone when it stays.
    const to = last > first && end.to - end.from >= EYE_SECONDS ? end.from : end.to;
    const rises = last - first;
    if (rises > 2) add(begin.from, to, Math.round(rises / 2 / (to - begin.from)));
    else add(begin.from, to, begin.hertz);
    if (to < end.to) add(to, end.to, 0);
    first = last + 1;
  }
  return heard;
}
