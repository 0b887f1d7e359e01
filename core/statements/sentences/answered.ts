import type { Expectation } from '../../expectations';
import { findKind } from '../../parts';
import { brought, endsOf, isMeasured, touchedBy, USUAL_PRESS_S, type Stimulus } from '../../stimuli';
import type { Named } from './plain';

/** When something is done that nobody has said, and how long it lasts, in seconds. */
const [AT, MOVES, SWEPT] = [2, 2, 4];
/** Seconds from one press to the next. */
const AGAIN = 2;
/** Seconds that something stands at its one end before it is moved to the other. */
const STANDS = 1;

/**
 * What has to be done so that what is expected can come of it: a press where something answers a press, a potentiometer
 * turned from end to end where something follows it. Nothing for parts to which something is done already.
 */
export function doneMeanwhile(
  expect: readonly Expectation[],
  done: readonly Stimulus[],
  parts: readonly Named[],
): readonly Stimulus[] {
  const used = new Set(done.flatMap((stimulus) => touchedBy(stimulus)?.name ?? []));
  const names = expect.flatMap((expectation) => [
    ...('responds' in expectation ? [expectation.to] : []),
    ...('follows' in expectation ? [expectation.follows] : []),
    ...('after' in expectation && expectation.after !== undefined ? [expectation.after] : []),
  ]);
  let nextPress = AT;
  return [...new Set(names)].flatMap((name): readonly Stimulus[] => {
    const part = parts.find(({ ref }) => ref === name);
    const how = part && !used.has(name) ? findKind(part.kind)?.stimulus : undefined;
    // What changes with a press has to change back with the next one.
    const changes = expect.some((one) => 'responds' in one && one.to === name && one.then === 'changed');
    const answers = expect.some((one) => 'responds' in one && one.to === name);
    if (how === 'turn' && answers)
      return [0, 1, 0].slice(0, changes ? 3 : 2).map((to, index) => ({ turn: name, at: index * AGAIN, to }));
    if (how === 'press')
      return Array.from({ length: changes ? 2 : 1 }, () => {
        // One button after the other: what each of them does is to be seen.
        const at = nextPress;
        nextPress += AGAIN;
        return { at, press: name, for: USUAL_PRESS_S };
      });
    if (how === 'motion') return [{ at: AT, motion: name, for: MOVES }];
    const isFollowed = expect.some((one) => 'follows' in one && one.follows === name);
    if (how === undefined || !isMeasured(how) || !isFollowed) return [];
    const [least, most] = endsOf(how);
    return [
      brought(how, { part: name, at: AT - STANDS, to: least }),
      brought(how, { part: name, at: AT, to: most, over: SWEPT }),
    ];
  });
}
