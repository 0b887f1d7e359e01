import { brightnessAt } from '../electrics/brightness';
import type { CurrentChange } from '../rehearsal/trace';

/** Seconds over which an eye takes a brightness for one. */
const GLANCE_SECONDS = 0.1;
const MOST_GLANCES = 300;

/** Brightness from 0 to 1, as an eye sees it, in equal glances over a window of time. */
export function glances(changes: readonly CurrentChange[], from: number, to: number): readonly number[] {
  const count = Math.max(1, Math.min(MOST_GLANCES, Math.floor((to - from) / GLANCE_SECONDS)));
  const length = (to - from) / count;
  return Array.from({ length: count }, (_, index) => {
    const [begin, end] = [from + index * length, from + (index + 1) * length];
    return brightnessAt(meanMa(changes, begin, end));
  });
}

/** Mean current over a stretch of time, in mA. `changes`: in the order of time. */
export function meanMa(changes: readonly CurrentChange[], from: number, to: number): number {
  let charge = 0;
  for (let index = lastIndexBy(changes, from); index < changes.length; index += 1) {
    const { at, currentMa } = changes[index]!;
    if (at >= to) break;
    const begin = Math.max(from, at);
    const end = Math.min(to, changes[index + 1]?.at ?? to);
    if (end > begin) charge += currentMa * (end - begin);
  }
  return to > from ? charge / (to - from) : 0;
}

/** Where the last change is that is no later than a moment, or the first of all. */
function lastIndexBy(changes: readonly CurrentChange[], time: number): number {
  let [low, high] = [0, changes.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (changes[middle]!.at <= time) low = middle;
    else high = middle - 1;
  }
  return Math.max(0, low);
}
