import type { Edit, Observation } from '../../findings/finding';
import { ofGrown } from './begun-anew';
import { ofSeparateQuestions } from './chained-questions';
import { ofMissingStep } from './counting-steps';
import { ofEnding } from './endless-rounds';
import { ofMoment } from './moments-kept';
import { ofOnceAndOver } from './once-and-over';
import { ofNeverOff } from './others-off';
import { ofPrintedWhileHeld } from './waits-for-release';

/** What was seen of a build, with what the shape of its repair says of how that comes; each knows its own repairs. */
type Told = (
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
) => Observation | undefined;

const shapes: readonly Told[] = [
  ofSeparateQuestions,
  ofNeverOff,
  ofMissingStep,
  ofMoment,
  ofPrintedWhileHeld,
  ofGrown,
  ofOnceAndOver,
  ofEnding,
];

/** The first that knows a repair of this shape; `undefined` where none does. */
export function toldByShape(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  for (const told of shapes) {
    const found = told(seen, edits, source);
    if (found) return found;
  }
  return undefined;
}
