import { restOf } from '../../stimuli';
import { NAMES, onlyTouched, type Named } from './plain';

const TURNED =
  '(?:(?:the )?(?:(?:far |very )?(?:left|right)|middle|centre|start|end|top|bottom|min(?:imum)?|max(?:imum)?|lowest|highest)|up|down|halfway|half way|clockwise|anticlockwise|counterclockwise)';

type Found = readonly (string | undefined)[];
/** How something is, and the sentence that brings it there; `undefined` where no part is one for it. */
type State = readonly [pattern: RegExp, says: (found: Found, parts: readonly Named[]) => string | undefined];

const state = (pattern: string, says: State[1]): State => [new RegExp(`^${pattern}$`, 'i'), says];

/** Words for how something is, each as what is done to bring it there. */
const STATES: readonly State[] = [
  state(
    `(${NAMES})(?: is| stands| starts)?(?: (?:turned|set))?(?: (?:fully|all the way|completely))?(?: (?:in|at|to))? (${TURNED})(?: position)?`,
    ([name, place]) =>
      `turn ${name} to ${place!.replace(/(?:far|very) /i, '').replace(/half way/i, 'halfway')}`,
  ),
  state(`(${NAMES}) (?:is )?cent(?:red|ered)`, ([name]) => `turn ${name} to the middle`),
  state(
    `(${NAMES}) (?:in the )?(dark|light|bright|covered|uncovered)`,
    ([name, light]) => `${name} is ${light}`,
  ),
  state(`(${NAMES}) at (0?\\.\\d+)`, ([name, share]) => `turn ${name} to ${share}`),
  // distances
  state(
    `(?:(?:there is |first )?nothing (?:is )?(?:there|near|in sight|(?:in front of|before|near|in sight of) (${NAMES}))|(?:first )?nothing|(${NAMES}) (?:sees|detects|measures|finds) (?:nothing|nobody))`,
    ([one, other], parts) => {
      const sensor = one ?? other ?? onlyTouched('distance', parts);
      return sensor && `something ${restOf('distance')} m before ${sensor}`;
    },
  ),
  state(
    `(${NAMES}) (?:sees|reads|measures|shows|finds|detects|gives)(?: (?:something|an? (?:object|obstacle|hand))(?: at)?)? (\\d+(?:\\.\\d+)?) m`,
    ([name, metres]) => `something ${metres} m before ${name}`,
  ),
  state('(?:(?:something|an? (?:object|obstacle|hand)) )?(\\d*\\.?\\d+) m(?: away)?', ([metres], parts) => {
    const sensor = onlyTouched('distance', parts);
    return sensor && `something ${metres} m before ${sensor}`;
  }),
  // light
  state(
    '(?:it is |in (?:the )?|(?:by|at) )?(?:(dark(?:ness)?|night)|bright|(?:full )?(?:day)?light|day)(?: (?:outside|inside|in the room))?',
    ([dark], parts) =>
      onlyTouched('light', parts) === undefined
        ? undefined
        : `it is ${dark === undefined ? 'bright' : 'dark'}`,
  ),
  // warmth
  state('(?:it (?:is|gets) )?(-?\\d[\\d.]*) ?(?:° ?)?c(?: (?:warm|hot|cold))?', ([degrees], parts) => {
    const sensor = onlyTouched('warm', parts);
    return sensor && `warm ${sensor} to ${degrees} °C`;
  }),
  state('(?:(?:at|it is) )?room temperature', (_, parts) => {
    const sensor = onlyTouched('warm', parts);
    return sensor && `warm ${sensor} to ${restOf('warm')} °C`;
  }),
];

/**
 * How something is, said without a word for what is done: `P1 fully left at 0 s`, `X1 sees nothing at 4 s`, `35 °C at
 * 2 s`, as the sentence that is read. `usual`: since when where no time is said, in seconds. `undefined` for anything else.
 */
export function standingSo(plain: string, parts: readonly Named[], usual: number): string | undefined {
  const [, what = '', at = usual] =
    /^(.+?)(?:,? (?:at|from|after) (\d+(?:\.\d+)?) s(?: on(?:wards)?)?)?$/i.exec(plain) ?? [];
  for (const [pattern, says] of STATES) {
    const found = pattern.exec(what);
    const said = found && says(found.slice(1), parts);
    if (said) return `${said} at ${at} s`;
  }
  return undefined;
}
