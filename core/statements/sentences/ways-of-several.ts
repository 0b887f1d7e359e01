import { listText, NUMBER_SAID, numberSaid } from '../../words/words';
import { lightsBetween, lightsIn, NAMES } from './plain';
import { saying, together, whole, type Reads, type Way } from './way';

/** Time windows, as they stand behind what they are about. */
const TAIL = '((?: (?:from|until|between|after|when|while|at|for) .*)?)';

const LIST = `${NAMES}(?:(?:, ?(?:and |or )?| and | or )${NAMES})+`;
const namesIn = (said: string): readonly string[] =>
  (said.match(new RegExp(NAMES, 'g')) ?? []).map((name) => name.toUpperCase());

/** What several parts do at once: `only D1 is on`, `one LED at a time`, `D1 is on, D2 is off`. */
export const waysOfSeveral = (reads: Reads): readonly Way[] => [
  {
    pattern: whole(
      `(?:only (${NAMES}) (?:is |are )?(?:on|lit)|(${NAMES}) (?:alone|only) is (?:on|lit)|(${NAMES}) is the only one (?:on|lit))${TAIL}`,
    ),
    means: ([first, second, third, tail = ''], around, depth) => {
      const name = (first ?? second ?? third ?? '').toUpperCase();
      const others = lightsIn(around.parts).filter((other) => other !== name);
      return together(
        [`${name} is on${tail}`, ...others.map((other) => `${other} is off${tail}`)],
        reads,
        around,
        depth,
      );
    },
  },
  {
    pattern: whole(
      `(?:(?:at most|no more than|never more than|only|exactly) one (?:led|lamp|light)(?: is (?:on|lit)| shines)(?: at (?:a|the same) time| at once)?|(?:one (?:led|lamp|light)|the (?:leds|lamps|lights)(?: are (?:on|lit))?) at a time|never two (?:leds|lamps|lights) (?:are )?(?:on|lit)?(?: at once| together| at the same time)?)${TAIL}`,
    ),
    means: ([tail = ''], { parts }) => {
      const leds = lightsIn(parts);
      return leds.length > 1 ? saying(`${leds.join(' and ')} never lit together${tail}`) : undefined;
    },
  },
  {
    pattern: whole(
      `(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+) (?:are |light up |come on |go on )?(?:on |lit )?one at a time${TAIL}`,
    ),
    means: ([names = '', tail = '']) =>
      saying(
        `${(names.toUpperCase().match(new RegExp(NAMES, 'g')) ?? []).join(' and ')} never lit together${tail}`,
      ),
  },
  // exactly one of D1 and D2 is on, at least one LED is on
  {
    pattern: whole(
      `(?:always )?(?:(exactly|just|at least|at most|no more than|never more than|only) )?(${NUMBER_SAID}|an?|some) (?:of (${LIST})|(?:of the )?(?:leds|lamps|lights|led|lamp|light))(?: is| are)?(?: always)? (?:on|lit)(?: (?:at any time|at all times|all the time|at once|always|together))?${TAIL}`,
    ),
    means: ([how, count = '', names, tail = ''], { parts }) => {
      const lights = names === undefined ? lightsIn(parts) : namesIn(names);
      if (lights.length < 2) return undefined;
      const said = how === undefined ? (names === undefined ? 'at least' : 'exactly') : how;
      const amount = /^(?:an?|some)$/i.test(count) ? 'one' : count;
      return saying(`${/only/i.test(said) ? 'exactly' : said} ${amount} of ${listText(lights)} lit${tail}`);
    },
  },
  {
    pattern: whole(`(?:either )?(${NAMES}) or (${NAMES}) is (?:always )?(?:on|lit)${TAIL}`),
    means: ([one = '', other = '', tail = '']) => saying(`exactly one of ${one} and ${other} lit${tail}`),
  },
  // D2 is the opposite of D1
  {
    pattern: whole(
      `(${NAMES}) (?:is|does) (?:always )?(?:the )?(?:opposite|contrary|reverse|inverse) (?:of|to) (${NAMES})${TAIL}`,
    ),
    means: ([one = '', other = '', tail = '']) => saying(`exactly one of ${one} and ${other} lit${tail}`),
  },
  // D1 is on when D2 is off
  {
    pattern: whole(
      `(${NAMES}) is (on|lit|off|dark) (?:when|while|whenever|if|as long as) (${NAMES}) is (on|lit|off|dark)(?:,? and (?:vice versa|the other way round))?${TAIL}`,
    ),
    means: ([one = '', state = '', other = '', otherState = '', tail = ''], { parts }) => {
      const lights = lightsIn(parts);
      if (![one, other].every((name) => lights.includes(name.toUpperCase()))) return undefined;
      const [isLit, isOtherLit] = [state, otherState].map((said) => /on|lit/i.test(said));
      if (isLit === isOtherLit) return saying(`${one} and ${other} lit and dark together${tail}`);
      return saying(`${isLit ? 'exactly' : 'at most'} one of ${one} and ${other} lit${tail}`);
    },
  },
  // never all three on, never two at once
  {
    pattern: whole(
      `(?:never (?:(all)(?: (${NUMBER_SAID}))?|(${NUMBER_SAID})) (?:of the )?(?:leds|lamps|lights)|(${LIST}) (?:are )?never (?:all|both))(?: are)?(?: (?:on|lit))?(?: (?:at once|together|at the same time|at a time))?${TAIL}`,
    ),
    means: ([, , count, names, tail = ''], { parts }) => {
      const lights = names === undefined ? lightsIn(parts) : namesIn(names);
      if (lights.length < 2) return undefined;
      const most = (count === undefined ? lights.length : numberSaid(count)) - 1;
      return saying(`at most ${most} of ${listText(lights)} lit${tail}`);
    },
  },
  // D1 and D2 are always the same
  {
    pattern: whole(
      `(${LIST}) (?:are |do |always )*(?:(?:exactly )?the same(?: thing)?(?: all the time| at (?:all times|any time))?|alike|(?:light(?: up)?|shine|blink|flash|go on(?: and off)?|are (?:on|lit)) (?:together|at the same times?|in step|in sync(?:hrony)?|simultaneously))${TAIL}`,
    ),
    means: ([names = '', tail = '']) => saying(`${listText(namesIn(names))} lit and dark together${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |does |always )*(?:the same as|copies|mirrors|like|blinks? like|in step with|together with) (${NAMES})${TAIL}`,
    ),
    means: ([one = '', other = '', tail = '']) => saying(`${one} and ${other} lit and dark together${tail}`),
  },
  // the light goes from D1 to D4 and back
  {
    pattern: whole(
      `(?:the|an?|one) (?:light|led|lamp|dot) (?:goes|runs|moves|wanders|walks|travels|jumps|wanders along|hops|chases) (?:along )?from (${NAMES}) to (${NAMES})((?:,? and (?:then )?back(?: again)?(?: to ${NAMES})?)?)(?:,? (?:over and over(?: again)?|again and again|on and on|repeatedly|in a loop|endlessly|forever))?${TAIL}`,
    ),
    means: ([from = '', to = '', back = '', tail = ''], { parts }) => {
      const row = lightsBetween(from, to, parts);
      if (row.length < 2) return undefined;
      const all = back === '' ? row : [...row, ...row.slice(1, -1).toReversed()];
      return saying(`${all.join(', then ')}${tail}`);
    },
  },
  // D1 is on, D2 is off
  {
    pattern: whole(`(${NAMES} [^,;]+(?:[,;] (?:and |but )?${NAMES} [^,;]+)+)`),
    means: ([said = ''], around, depth) =>
      /\bthen\b/i.test(said)
        ? undefined
        : together(said.split(/[,;] (?:and |but )?(?=[A-Z]{1,4}\d)/i), reads, around, depth),
  },
];
