import type { Machine } from '../program/machine';
import type { FloatingRead, PinReads } from './trace';

/** Seconds without a look that are noted, and how many of them. */
const GAP_SECONDS = 0.2;
const MOST_GAPS = 50;

/** How a pin was looked at so far. */
type OngoingReads = Omit<PinReads, 'gaps' | 'looks'> & {
  looks: number;
  readonly gaps: { readonly from: number; readonly to: number }[];
  /** When it was last looked at, in seconds without what was left out. */
  last: number;
};

/** Writes down how a program looks at its pins. */
export class LookLog {
  readonly reads = new Map<string, OngoingReads>();
  /** Each pin and line once. */
  readonly floating: FloatingRead[] = [];

  note(
    pin: string,
    how: FloatingRead['how'],
    line: number,
    { seconds, cycles, skippedCycles, clockHz }: Machine,
  ): void {
    // Passes that were left out had their looks too.
    const now = (cycles - skippedCycles) / clockHz;
    const known = this.reads.get(pin);
    if (!known) {
      this.reads.set(pin, { how, line, firstAt: seconds, looks: 1, gaps: [], last: now });
      return;
    }
    known.looks += 1;
    const gap = now - known.last;
    known.last = now;
    if (gap >= GAP_SECONDS && known.gaps.length < MOST_GAPS)
      known.gaps.push({ from: seconds - gap, to: seconds });
  }

  noteFloating(read: FloatingRead): void {
    if (!this.floating.some(({ pin, line }) => pin === read.pin && line === read.line))
      this.floating.push(read);
  }
}
