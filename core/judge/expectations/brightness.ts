import { brightnessAt } from '../../electrics/brightness';
import { quantity } from '../../findings/finding';
import type { SingleExpectation } from '../../formats/scenario';
import type { CurrentChange } from '../../rehearsal/trace';
import { seconds } from '../../units';
import { partTextOf } from '../words';
import { absent, failedWith, passed, windowOf, type Check } from './outcome';
import { capital } from '../../words/words';

/** Seconds over which an eye takes a brightness for one. */
const GLANCE_SECONDS = 0.1;
const MOST_GLANCES = 300;
/** Change of brightness that is seen as one. */
const SEEN_CHANGE = 0.1;
/** Unsteadiness that is not. */
const UNSEEN_CHANGE = 0.02;

/** Brightness from 0 to 1, as an eye sees it, in equal glances over a window of time. */
export function glances(changes: readonly CurrentChange[], from: number, to: number): readonly number[] {
  const count = Math.max(1, Math.min(MOST_GLANCES, Math.floor((to - from) / GLANCE_SECONDS)));
  const length = (to - from) / count;
  return Array.from({ length: count }, (_, index) => {
    const [begin, end] = [from + index * length, from + (index + 1) * length];
    return brightnessAt(meanMa(changes, begin, end));
  });
}

/** Mean current over a stretch of time, in mA. */
export function meanMa(changes: readonly CurrentChange[], from: number, to: number): number {
  let charge = 0;
  changes.forEach(({ at, currentMa }, index) => {
    const begin = Math.max(from, at);
    const end = Math.min(to, changes[index + 1]?.at ?? to);
    if (end > begin) charge += currentMa * (end - begin);
  });
  return to > from ? charge / (to - from) : 0;
}

type Slope = Extract<SingleExpectation, { rises: true }> | Extract<SingleExpectation, { falls: true }>;

/** Whether an LED gets brighter, or darker, all the time and enough to be seen. */
export const checkSlope: Check<Slope> = (expectation, observed) => {
  const changes = observed.currents(expectation.lamp);
  const ref = observed.builtRef(expectation.lamp);
  if (!changes || ref === undefined) return absent(expectation.lamp);
  const [from, to] = windowOf(expectation, observed.trace);
  const seen = glances(changes, from, to);
  const sign = 'rises' in expectation ? 1 : -1;
  const [first, last] = [seen[0]!, seen.at(-1)!];
  const percent = (share: number): string => `${Math.round(share * 100)} %`;
  const summary = `from ${percent(first)} to ${percent(last)} bright`;
  const steady = seen.every((now, index) => index === 0 || sign * (now - seen[index - 1]!) >= -UNSEEN_CHANGE);
  if (steady && sign * (last - first) >= SEEN_CHANGE) return passed(summary);
  const wanted = sign > 0 ? 'brighter' : 'darker';
  const goesBack = sign * (last - first) <= -SEEN_CHANGE;
  const name = capital(partTextOf(observed.wiring, ref));
  const how = goesBack
    ? `gets ${sign > 0 ? 'darker' : 'brighter'}`
    : Math.abs(last - first) < SEEN_CHANGE
      ? 'does not change'
      : `does not get ${wanted} all the time`;
  return failedWith(summary, {
    code: goesBack ? 'wrong-direction' : Math.abs(last - first) < SEEN_CHANGE ? 'no-response' : 'unsteady',
    severity: 'fault',
    refs: [ref],
    message: `${name} ${how} from ${seconds(from)} to ${seconds(to)}: it goes ${summary}; it should get ${wanted}.`,
    hints: [
      `What changes from ${seconds(from)} to ${seconds(to)}, and what should ${ref} do then?`,
      `${ref} goes ${summary}.`,
      goesBack
        ? `Reverse the direction: swap the ends of the range in the program, or the outer wires of what you turn.`
        : `Set the brightness of ${ref} from the reading every time round the loop.`,
    ],
    evidence: { first: quantity(first, ''), last: quantity(last, '') },
  });
};
