import { USUAL_PRESS_S, type Stimulus } from '../../stimuli';
import { ORDINAL_WORDS } from '../../words/words';
import { isKnownTouched, NAMES, onlyTouched, type Named } from './plain';
import { MOST_PRESSES } from './presses';
import { PRESS } from './pressing';
import { SECONDS, whole } from './way';

/** `after the third press of S1`, and `after S1 was pressed 3 times`: what is said, how often, and the button. */
export const AFTER_NTH = `(.+?),? (?:after|with|at|on) (?:the )?(?:(\\d+)(?:st|nd|rd|th)|(${ORDINAL_WORDS.join('|')})) ${PRESS}(?: (?:of|on) (${NAMES}))?`;
export const AFTER_SO_MANY = `(.+?),? (?:after|when|once|as soon as) (?:(?:pressing )?(${NAMES}) (?:is |was |has been )?(?:pressed )?(\\d+ times|twice)|(\\d+) ${PRESS}(?:es)?(?: (?:of|on) (${NAMES}))?)`;

/** How many presses of which button what stands behind a sentence counts. */
export function countedIn(how: readonly (string | undefined)[]): {
  readonly count: number;
  readonly name: string | undefined;
} {
  const name = how.find((one) => one !== undefined && new RegExp(`^${NAMES}$`, 'i').test(one));
  const said = how.find((one) => one !== undefined && one !== name) ?? '';
  const place = ORDINAL_WORDS.findIndex((word) => word === said.toLowerCase()) + 1;
  return { count: /twice/i.test(said) ? 2 : place || Number.parseInt(said, 10), name };
}

const HELD = `(?:(?:while|as long as) (${NAMES}) is (?:held(?: down)?|down|kept pressed|pressed)|when (${NAMES}) is (?:held(?: down)?|down|kept pressed)|(?:after|when|once|as soon as) (${NAMES}) is (?:released|let go(?: of)?|up again))$`;
const HELD_FOR = `\\b(${NAMES}) (?:is|was|has been) (?:held(?: down)?|pressed) for (?:at least |more than )?${SECONDS}$`;
/** In a scenario that is made for it: when a button is held, for how long, and when one is pressed that ends something. */
const [HELD_AT, HELD_S, ENDS_AT] = [2, 2, 4];

const OF_LENGTH = `\\b(short|quick|brief|long) (?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?`;
/** Seconds for which a button is pressed where a press is to be short, and where it is to be long. */
const [SHORT_PRESS_S, LONG_PRESS_S] = [0.2, 1.5];

/** What is done for a sentence on what is so while a button is held, when it is let go, and until it is pressed. */
function doneForHold(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const isButton = (name: string): boolean => isKnownTouched(name, 'press', parts);
  const [, long, seconds = ''] = new RegExp(HELD_FOR, 'i').exec(plain) ?? [];
  if (long !== undefined && isButton(long.toUpperCase()))
    return [{ at: HELD_AT, press: long.toUpperCase(), for: Number(seconds) + 1 }];
  const held = new RegExp(HELD, 'i').exec(plain)?.slice(1).find(Boolean)?.toUpperCase();
  if (held !== undefined && isButton(held)) return [{ at: HELD_AT, press: held, for: HELD_S }];
  if (held !== undefined && isKnownTouched(held, 'motion', parts))
    return [{ at: HELD_AT, motion: held, for: HELD_S }];
  const ending = new RegExp(`(?:until|till|before) (${NAMES})(?: is (?:pressed|pushed))?$`, 'i').exec(plain);
  const name = ending?.[1]!.toUpperCase();
  return name !== undefined && isButton(name) ? [{ at: ENDS_AT, press: name, for: USUAL_PRESS_S }] : [];
}

/** What is done for a sentence on presses in a scenario of its own: a hold, or so many presses. */
export function doneForPresses(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const hold = doneForHold(plain, parts);
  if (hold.length > 0) return hold;
  const lengths = [...plain.matchAll(new RegExp(OF_LENGTH, 'gi'))];
  const pressed = lengths[0]?.[2]?.toUpperCase() ?? onlyTouched('press', parts);
  if (lengths.length > 0 && pressed !== undefined)
    return lengths.map(([, length = ''], index) => ({
      at: 1 + index * 3,
      press: pressed,
      for: /long/i.test(length) ? LONG_PRESS_S : SHORT_PRESS_S,
    }));
  const found = [AFTER_NTH, AFTER_SO_MANY].map((source) => whole(source).exec(plain)).find(Boolean);
  const { count = 0, name } = found ? countedIn(found.slice(2)) : {};
  const button = name?.toUpperCase() ?? onlyTouched('press', parts);
  if (button === undefined || !(count >= 1 && count <= MOST_PRESSES)) return [];
  return Array.from({ length: count }, (_, index) => ({ at: index + 1, press: button, for: USUAL_PRESS_S }));
}
