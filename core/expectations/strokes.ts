import { lastBy, type AngleChange } from '../rehearsal/trace';

/**
 * What a servo goes at once at most, so that it still looks like a sweep: a share of its way, and so many of its steps,
 * where that is more than these degrees.
 */
const [WIDEST_STEP, MOST_STEPS, STEP_UNSEEN] = [1 / 5, 4, 10];
/** Seconds within which a servo takes its first place. */
const AT_FIRST = 0.1;

/** A servo on its way without turning back. */
export interface Stroke {
  readonly from: number;
  readonly to: number;
  /** When it leaves and when it has arrived, in seconds. */
  readonly begun: number;
  readonly ended: number;
  /** How often it is sent on. */
  readonly steps: number;
  /** The furthest that it is sent at once, and when. */
  readonly widest: { readonly at: number; readonly from: number; readonly to: number };
}

/** The strokes of a servo within a window, which may cut the first and the last. */
export function strokesIn(
  changes: readonly AngleChange[],
  [from, to]: readonly [number, number],
): readonly Stroke[] {
  const before = lastBy(changes, from);
  const stands = [
    ...(before ? [{ ...before, at: from }] : []),
    ...changes.filter(({ at }) => at > from && at <= to),
  ];
  const strokes: Stroke[] = [];
  for (const [index, { at, degrees }] of stands.entries()) {
    const last = stands[index - 1];
    if (!last || last.degrees === degrees) continue;
    const step = { at, from: last.degrees, to: degrees };
    const stroke = strokes.at(-1);
    if (!stroke || Math.sign(degrees - last.degrees) !== Math.sign(stroke.to - stroke.from)) {
      strokes.push({ from: last.degrees, to: degrees, begun: at, ended: at, steps: 1, widest: step });
      continue;
    }
    const isWider = Math.abs(step.to - step.from) > Math.abs(stroke.widest.to - stroke.widest.from);
    // Each step has a pause before it; that of the first is taken to be as long as that of the second.
    const pause = stroke.steps === 1 ? at - stroke.begun : 0;
    strokes[strokes.length - 1] = {
      ...stroke,
      to: degrees,
      begun: stroke.begun - pause,
      ended: at,
      steps: stroke.steps + 1,
      widest: isWider ? step : stroke.widest,
    };
  }
  // What takes its place at the beginning has not moved yet.
  const [first, ...others] = strokes;
  const isPlaced = first?.ended === first?.begun && (first?.ended ?? 0) - from < AT_FIRST;
  return first && isPlaced ? others : strokes;
}

/** Whether a stroke passes what lies between its ends, to the eye. */
export function isSmooth(stroke: Stroke): boolean {
  const [way, jump] = [span(stroke), span(stroke.widest)];
  const seen = Math.max(STEP_UNSEEN, (MOST_STEPS * way) / stroke.steps);
  return jump <= Math.min(way * WIDEST_STEP, seen) + 1e-6;
}

/** Degrees of a stroke. */
export const span = ({ from, to }: Pick<Stroke, 'from' | 'to'>): number => Math.abs(to - from);

/** `from 0° to 180°`. */
export const wayText = (from: number, to: number): string =>
  `from ${Math.round(from)}° to ${Math.round(to)}°`;
