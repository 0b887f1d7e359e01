import { findKind } from '../../parts';
import { listText } from '../../words/words';
import { observedOf } from './on-off';
import { order, type Order } from './order';
import { lightsBetween, lightsIn, NAMES, timed } from './plain';
import { SECONDS } from './way';
import { MOVED_BY } from './ways-pressed';

const FLASHES = '(?:blink|flash|beep|chirp|buzz|pulse)(?:e?s)?';
const BY_TURNS = '(?:alternat(?:e|ing)ly|in turns?|by turns)';
const ONE_BY_ONE = '(?:one after (?:another|the other)|in turn|one by one|in order)';
const LIST = `${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+`;
const RUNS = '(?:goes|runs|moves|wanders|walks|travels|jumps|hops|chases)';

/** A rhythm in the words of its part. */
const rhythm = (name: string, on: string, off: string, parts: Parameters<Order[1]>[1]): string => {
  const [sounds, silent] = observedOf(name, parts) === 'sound' ? ['sounds', 'silent'] : ['lit', 'dark'];
  return `${name} ${sounds} ${on} s, ${silent} ${off} s`;
};

/** What parts do over time, in other words: rhythms, turns, lights that run along a row. */
export const timedOrders: readonly Order[] = [
  // blinks 0.4 s on, 0.4 s off
  order(
    `^(${NAMES}) (?:is|${FLASHES}),?(?: with| for)? ${SECONDS} (?:on|lit|bright|sound(?:ing)?|loud)(?:,? (?:and |then )*| ?/ ?)(?:for |with )?${SECONDS} (?:off|dark|out|silent|quiet)\\b`,
    ([name, on, off], parts) => rhythm(name!, on!, off!, parts),
  ),
  order(
    `^(${NAMES}) ${FLASHES},? (?:on|lit) (?:for )?${SECONDS}(?:,? (?:and |then )*)(?:off|dark|silent|quiet) (?:for )?${SECONDS}`,
    ([name, on, off], parts) => rhythm(name!, on!, off!, parts),
  ),
  order(
    `^(${NAMES}) (?:starts|begins) (?:to (blink|flash|beep|chirp)|(blink|flash|beep|chirp)ing)((?: .+)?) at ${SECONDS}$`,
    ([name, one, other, how, at]) => `${name} ${one ?? other}s${how} from ${at} s`,
  ),
  // M1 goes from 90° to 0° at 2 s
  order(
    `^(${NAMES}) (?:turns|goes|moves|swings) from (\\d+) ?°? to (\\d+) ?°? at ${SECONDS}$`,
    ([name, first, second, at], parts) =>
      observedOf(name!, parts) === 'angle'
        ? `${name} stands at ${first}° until ${at} s, ${name} stands at ${second}° from ${at} s to ${timed(Number(at) + MOVED_BY)} s`
        : undefined,
  ),
  // D1 and D2 blink in turn, 0.4 s each
  order(
    `^(${NAMES} and ${NAMES}) (?:alternate|(?:blink|flash|light(?: up)?|are lit|shine) ${BY_TURNS})(?:,? (?:each )?(?:for|every|with)|,) ${SECONDS}(?: each)?,?(?= |$)`,
    ([names, length]) => `${names} alternate every ${length} s`,
  ),
  // a light that runs along a row
  order(
    `^(?:the |all (?:the )?)?(?:leds|lights|lamps) (?:light(?: up)?|come on|go on|flash|shine|are lit|turn on) ${ONE_BY_ONE},? from (${NAMES}) to (${NAMES})(.*)$`,
    ([from, to, rest], parts) => inARow(lightsBetween(from!, to!, parts), rest!),
  ),
  order(
    `^(?:an? )?(?:running|moving|chasing|chase)(?: light)?,?(?: (?:from|through|along|over|across))?(?: (?:(${LIST})|(${NAMES}) to (${NAMES})|the (?:leds|lights|lamps)))?((?:,? .*)?)$`,
    ([names, from, to, rest], parts) =>
      inARow(
        names?.match(new RegExp(NAMES, 'g')) ??
          (from === undefined ? lightsIn(parts) : lightsBetween(from, to!, parts)),
        rest!,
      ),
  ),
  order(
    `^(?:the|an?|one) (?:light|led|lamp|dot) ${RUNS} (?:along )?from (${NAMES}) to (${NAMES}),? (?:(?:in|within|over) ${SECONDS}|(?:with |for )?${SECONDS} (?:each|per (?:led|step|lamp|light)))$`,
    ([from, to, whole, each], parts) => {
      const row = lightsBetween(from!, to!, parts);
      return inARow(row, `, ${each ?? timed(Number(whole) / row.length)} s each`);
    },
  ),
  order(
    `^(${NAMES}) first,? (?:and )?((?:then ${NAMES}(?:, ?)?(?: and )?)+)$`,
    ([first, rest]) => `${first}, ${rest}`,
  ),
  // D8 comes after D7
  order(
    `^(${NAMES}) (?:comes(?: on)?|lights up|goes on|is lit|lights)(?: directly| right)? after (${NAMES})$`,
    ([later, first], parts) =>
      [later!, first!].every((name) => lightsIn(parts).includes(name.toUpperCase()))
        ? `${first}, then ${later}`
        : undefined,
  ),
  order(
    `^no two (?:of the )?(?:leds|lamps|lights) (?:are |light up |shine |go )?(?:ever )?(?:on |lit )?(?:together|at once|at the same time)(.*)$`,
    ([rest], parts) =>
      lightsIn(parts).length > 1 ? `at most one of ${listText(lightsIn(parts))} lit${rest}` : undefined,
  ),
  // D1 does not light at all, D1 comes on no later than 2.2 s, M1 is at 90° all the time
  order(`^(${NAMES} (?:does not|never|is not) .+?) at all$`, ([said]) => said),
  order('\\b(?:no later than|not later than|at the latest at|by) (?=\\d[\\d.]* s$)', () => 'from '),
  order(
    `^(${NAMES}) (?:is|stays|stands|remains) at (\\d+) ?°(?: all the time| throughout| always| the whole time)?$`,
    ([name, angle], parts) =>
      observedOf(name!, parts) === 'angle' ? `${name} stands at ${angle}°` : undefined,
  ),
  // the red of an RGB LED
  order(
    `\\b(?:(${NAMES})['’]s (red|green|blue)(?: (?:led|light|part|channel))?|(?:the )?(red|green|blue)(?: (?:led|light|part|channel))? (?:of|in) (${NAMES}))\\b`,
    ([one, itsColour, colour, other], parts) => {
      const name = one ?? other!;
      const leg = (itsColour ?? colour!).toLowerCase();
      const kind = findKind(parts.find(({ ref }) => ref === name.toUpperCase())?.kind ?? '');
      return kind?.legs.some((own) => own.name === leg) ? `${name}.${leg}` : undefined;
    },
  ),
  // … within 1 s after 2 s
  order(
    `^(prints .+) within ${SECONDS} (?:after|of|from) ${SECONDS}$`,
    ([said, length, from]) => `${said} from ${from} s to ${timed(Number(from) + Number(length))} s`,
  ),
];

const inARow = (row: readonly string[], rest: string): string | undefined =>
  row.length < 2 ? undefined : `${listText(row)} light up one after the other${rest}`;
