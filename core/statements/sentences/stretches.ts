import { stated } from './on-off';
import { saying, type Around, type Meaning, type Reads } from './way';

/** A stretch of time in which something is so or is not, in seconds; without an end to the end of the run. */
export interface Stretch {
  readonly from: number;
  readonly to: number | undefined;
  readonly isSo: boolean;
}

/** What is said of a part. */
interface Said {
  readonly subject: string;
  readonly said: string;
  /** Where it is said to be on or off, which it then is not while that is not so. */
  readonly state: 'on' | 'off' | undefined;
}

/** Whether something is counted, so that it matters from the first moment on. */
export const isOfCounts = (said: string): boolean => /\b(?:flash|blink|beep|chirp|print)/i.test(said);

/** What must be seen of a part in stretches in which it is so, and, of what is on or off, in the others. */
export function inStretches(
  { subject, said, state }: Said,
  stretches: readonly Stretch[],
  around: Around,
  reads: Reads,
): Meaning | undefined {
  const window = ({ from, to }: Stretch): string =>
    to === undefined
      ? from === 0
        ? ''
        : ` from ${from} s`
      : from === 0
        ? ` until ${to} s`
        : ` from ${from} s to ${to} s`;
  if (state) {
    const other = state === 'on' ? 'off' : 'on';
    return saying(
      ...stretches.map(
        (stretch) => `${stated(subject, stretch.isSo ? state : other, around)}${window(stretch)}`,
      ),
    );
  }
  const meant = stretches
    .filter(({ isSo }) => isSo)
    .map((stretch) => reads(`${subject} ${said}${window(stretch)}`, around, 1));
  const unclear = meant.find((one) => one === undefined || 'problem' in one);
  if (meant.length === 0 || meant.includes(undefined)) return undefined;
  return unclear ?? saying(...meant.flatMap((one) => (one && 'sentences' in one ? one.sentences : [])));
}
