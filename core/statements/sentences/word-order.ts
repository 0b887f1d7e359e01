import { NAMES, onlyTouched, type Named } from './plain';

const WHEN = '(?:when|whenever|if|while|as long as|once|after|each time|every time|as soon as)';
const USED = '(?:pressed|pushed|held(?: down)?|released|let go(?: of)?|turned|touched|used)';
const SOMEBODY = '(?:something|somebody|someone|anything|anybody|anyone|a person|a hand|motion|movement)';
const COMES =
  '(?:moves|walks? (?:past|by)|passes(?: by)?|comes (?:by|past|near)|is (?:detected|sensed|seen|there))';

const AT_FIRST = / (?:at the (?:start|beginning)|at first|initially|to begin with)$/i;
/** Seconds that are called the beginning. */
const BEGINNING = 0.5;

/**
 * A sentence with what it is about in front: `when S1 is pressed D1 goes on` as `D1 goes on when S1 is pressed`, `S1 toggles
 * D1` as `D1 toggles when S1 is pressed`, and `when something moves` as `after X2`, where only X2 sees that.
 */
export function inOrder(plain: string, parts: readonly Named[]): string {
  const motion = onlyTouched('motion', parts);
  const timed = plain.replace(AT_FIRST, ` until ${BEGINNING} s`);
  const used =
    motion === undefined
      ? timed
      : timed.replace(new RegExp(`\\b${WHEN} ${SOMEBODY} ${COMES}`, 'i'), `after ${motion}`);
  const toggled = new RegExp(
    `^(?:(?:each|every) (?:press|push) (?:of|on) )?(${NAMES}) (?:toggles|switches) (${NAMES})$`,
    'i',
  ).exec(used);
  if (toggled) return `${toggled[2]} toggles when ${toggled[1]} is pressed`;
  const fronted = new RegExp(
    `^(${WHEN} (?:${NAMES} (?:is|was|has been) ${USED}(?: (?:\\d+ times|twice))?|\\d+ presses(?: of ${NAMES})?|the \\w+ press(?: of ${NAMES})?|${NAMES}(?=,? ${NAMES})|it (?:is|gets|becomes) \\w+)),? (?:then )?(${NAMES} .+)$`,
    'i',
  ).exec(used);
  return fronted ? `${fronted[2]} ${fronted[1]}` : used;
}
