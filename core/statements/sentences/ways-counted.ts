import { OFTEN, oftenAs } from './often';
import { observedOf } from './on-off';
import { NAMES, timed } from './plain';
import { saying, SECONDS, whole, type Way } from './way';

/** How what an LED and a buzzer do over and over is counted. */
const counts = (verb: string): 'flashes' | 'chirps' =>
  /^(?:flash|blink)/i.test(verb) ? 'flashes' : 'chirps';

const VERB = '(flash|blink|beep|chirp|buzz)';
const AGAIN_AND_AGAIN =
  '(?:several times|a few times|many times|repeatedly|again and again|over and over(?: again)?|on and on)';
/** What is done over and over is done twice at least. */
const SOMETIMES = 'twice or more';
/** The share by which a length may be off. */
const ABOUT = 0.1;

/** How often an LED flashes and a buzzer beeps, at the least. */
export const waysCounted: readonly Way[] = [
  {
    pattern: whole(`(${NAMES}) ${VERB}(?:es|s)? (${OFTEN})((?: .*)?)`),
    means: ([subject = '', verb = '', said = '', tail = '']) => {
      const count = oftenAs(said);
      return count === undefined ? undefined : saying(`${subject} ${counts(verb)} ${count}${tail}`);
    },
  },
  {
    pattern: whole(
      `(${NAMES}) ${VERB}(?:es|s)? (once|twice|\\d+ times?),? (?:and )?then (?:it )?(?:stays|is|goes|stops|remains)(?: (?:off|dark|out|silent))?`,
    ),
    means: ([subject = '', verb = '', count = '']) => saying(`${subject} ${counts(verb)} ${count}`),
  },
  {
    pattern: whole(`(${NAMES}) (?:keeps )?${VERB}(?:es|s|ing)? ${AGAIN_AND_AGAIN}((?: .*)?)`),
    means: ([subject = '', verb = '', tail = '']) => saying(`${subject} ${counts(verb)} ${SOMETIMES}${tail}`),
  },
  {
    pattern: whole(`(${NAMES}) keeps ${VERB}ing((?: .*)?)`),
    means: ([subject = '', verb = '', tail = '']) => saying(`${subject} ${counts(verb)} ${SOMETIMES}${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink|beep|chirp|buzz|sound|light up|go on|goe)(?:e?s)? (?:once )?for ${SECONDS},? (?:every|each|once (?:a|every)) (?:sec|${SECONDS})(?:,? over and over)?(.*)`,
    ),
    means: ([subject = '', length = '', every = '1', tail = ''], { parts }) => {
      const rest = timed(Number(every) - Number(length));
      const [on, off] = observedOf(subject, parts) === 'sound' ? ['sounds', 'silent'] : ['lit', 'dark'];
      return rest > 0 ? saying(`${subject} ${on} ${length} s, ${off} ${rest} s${tail}`) : undefined;
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:beep|chirp|buzz)(?:e?s)? (?:(?:once|twice|\\d+ times?) )?(?:every|each|per|a) (?:sec|${SECONDS})(?: .*)?`,
    ),
    means: ([subject = '']) => {
      const name = subject.toUpperCase();
      return {
        problem: `Say how long ${name} sounds and how long it is silent: “${name} sounds 0.2 s, silent 0.8 s”.`,
      };
    },
  },
  {
    pattern: whole(
      `(${NAMES}) ${VERB}(?:es|s)? (once|twice|\\d+ times?),? (?:and )?then (?:it )?(?:stays|is|goes|remains|lights) (?:on|lit|up|sounding)`,
    ),
    means: ([subject = '', verb = '', count = '']) => {
      const name = subject.toUpperCase();
      const [does, stays] = counts(verb) === 'flashes' ? ['flashes', 'is on'] : ['beeps', 'sounds'];
      return {
        problem: `Say from when on: “${name} ${does} ${count} until 3 s”, and “${name} ${stays} from 3 s”.`,
      };
    },
  },
  {
    pattern: whole(`(${NAMES}) (?:beep|chirp|buzz)(?:es|s)? for ${SECONDS}`),
    means: ([subject = '', length = '']) => {
      const [least, most] = [1 - ABOUT, 1 + ABOUT].map((share) => timed(Number(length) * share));
      return saying(`${subject} sounds for ${least} s to ${most} s`);
    },
  },
];
