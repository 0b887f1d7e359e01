import { heardIntervals } from './heard';
import type { SeenInterval } from './seen';
import type { SoundChange } from './trace';

/** A stretch in which an LED, a buzzer, a motor or a relay is on, or off. Seconds from the start. */
export interface Phase {
  readonly from: number;
  readonly to: number;
  readonly on: boolean;
}

/** When an LED is lit; a faint glow is not. */
export const litPhases = (seen: readonly SeenInterval[]): readonly Phase[] =>
  seen.map(({ from, to, glow }) => ({ from, to, on: glow === 'lit' }));

/** When what is said of each change holds, over `seconds`. */
export const phasesBy = <Change extends { readonly at: number }>(
  changes: readonly Change[],
  isOn: (change: Change) => boolean,
  seconds: number,
): readonly Phase[] =>
  changes.map((change, index) => ({
    from: change.at,
    to: changes[index + 1]?.at ?? seconds,
    on: isOn(change),
  }));

/** When a buzzer sounds, over `seconds`. */
export const soundingPhases = (changes: readonly SoundChange[], seconds: number): readonly Phase[] =>
  heardIntervals(changes, seconds).map(({ from, to, hertz }) => ({ from, to, on: hertz > 0 }));
