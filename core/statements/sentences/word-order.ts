import { findKind } from '../../parts';
import { isMeasured } from '../../stimuli';
import { COLOUR } from './colours';
import { observedOf } from './on-off';
import { order, reordered, type Order } from './order';
import { asAnswers } from './presses-in-turn';
import { isKnownTouched, isSwitch, NAMES, onlyTouched, type Named } from './plain';
import { timedOrders } from './timed-words';
import { SECONDS } from './way';

const WHEN = '(?:when|whenever|if|while|as long as|once|after|each time|every time|as soon as|until|unless)';
const USED = '(?:pressed|pushed|held(?: down)?|down|released|let go(?: of)?|up again|turned|touched|used)';
const SOMEBODY =
  '(?:something|somebody|someone|anything|anybody|anyone|a person|people|an? (?:hand|object|obstacle)|motion|movement)';
const COMES =
  '(?:moves|walks? (?:past|by)|passes(?: by)?|comes (?:by|past|near)|is (?:detected|sensed|seen|there))';
const IS = '(?:is|gets|becomes|goes|comes|rises|falls|climbs|turns|grows|drops|sinks)';
const COMPARED =
  '(?:closer|nearer|farther|further|warmer|hotter|colder|cooler|brighter|darker|more|less|higher|lower|greater|smaller) than|above|over|below|under|beyond|within';
const AMOUNT = String.raw`-?\d*\.?\d+(?: ?(?:%|°(?: ?c)?|m))?(?: away)?`;

const AT_FIRST =
  '(?:at the (?:start|beginning)|at first|initially|to begin with|(?:at|on) (?:power|start|switch)[- ]?(?:up|on)|(?:when|once|as soon as|after) (?:the (?:program|sketch|code|board|power)|it) (?:starts|begins|boots|comes on|is (?:started|powered|switched on|turned on|plugged in|powered up)))';
/** Seconds that are called the beginning. */
const BEGINNING = 0.5;

/** Clauses of which one knows where they end, without a comma. */
const CLAUSES: readonly string[] = [
  `${NAMES}(?: and ${NAMES})? (?:is|are|was|has been) (?:not )?${USED}(?: (?:\\d+ times|twice))?`,
  `\\d+ presses(?: of ${NAMES})?`,
  `the \\w+ press(?: of ${NAMES})?`,
  `${NAMES}(?=,? ${NAMES})`,
  `(?:both|all|either|any|no|neither)(?: of)?(?: the)?(?: \\w+)? buttons? (?:is|are) ${USED}`,
  `${NAMES} is (?:on|off|closed|open)`,
  `it ${IS} \\w+`,
  `(?:${SOMEBODY}|it|the (?:temperature|distance|light|brightness|room|air)|${NAMES}) ${IS} (?:${COMPARED}) ${AMOUNT}`,
];
/** What a sentence is about: `D1`, `D1 and D2`, `all LEDs`. */
const SUBJECT = `(?:${NAMES}\\b|(?:all|both)(?: of)?(?: the)? (?:leds|lamps|lights)\\b|everything\\b|nothing\\b)`;

/** Shares in words, in per cent. */
const SHARES: Readonly<Record<string, number>> = {
  'a quarter': 25,
  half: 50,
  'three quarters': 75,
  full: 100,
};
const PERCENT = '\\d+ ?%';

/** What somebody does to a part, as what is done to it. */
const PASSIVE: readonly (readonly [verb: string, is: string])[] = [
  ['press(?:es)?|push(?:es)?|click(?:s)?(?: on)?', 'is pressed'],
  ['holds?(?: down)?|keeps? (?:holding|pressing)', 'is held'],
  ['releases?|lets? go(?: of)?', 'is let go'],
  ['turns?', 'is turned'],
];
const MOTION = '(?:motion|movement)';
/** The end of a motion, said as that of a press. */
function whenStill(when: string, parts: readonly Named[]): string | undefined {
  const sensor = onlyTouched('motion', parts);
  return sensor && `${when} ${sensor} is released`;
}
const WHOEVER = '(?:I|you|one|we|they|somebody|someone|a person|the (?:user|player|visitor|learner|student))';
const ONE_AFTER_THE_OTHER = `(?:${COLOUR})(?:(?:, ?(?:and )?| and )(?:${COLOUR}))+`;

/** Each is tried once, from above to below, on what the ones before it have made. */
const orders: readonly Order[] = [
  // when you press S1
  ...PASSIVE.map(([verb, is]) =>
    order(`\\b(${WHEN}) ${WHOEVER} (?:${verb}) (${NAMES})`, ([when, name]) => `${when} ${name} ${is}`),
  ),
  // until the switch is turned on, when it is opened
  order(`\\b(?:until|till) (${NAMES}) is (?:switched on|turned on|flipped|closed|on)$`, ([name], parts) =>
    isSwitch(name!, parts) ? `while ${name} is off` : undefined,
  ),
  order(
    `\\b(${WHEN}) (${NAMES}) is (?:switched|turned|flipped) (on|off)\\b|\\b(${WHEN}) (${NAMES}) is (opened)\\b`,
    ([when, name, state, other, named], parts) =>
      isSwitch((name ?? named)!, parts)
        ? `${when ?? other} ${name ?? named} is ${state ?? 'off'}`
        : undefined,
  ),
  // D1 is dimmer in the dark, where “the light” may have become a name
  order(
    `^(${NAMES}) (?:is|glows|shines|gets|becomes) (brighter|darker|dimmer) (?:(?:in|by|at) (?:the )?(?:(dark|night)|light|day|daylight|${NAMES})|((?:when|if|while|as soon as|once) .+))$`,
    ([name, more, dark, when]) =>
      `${name} gets ${/bright/i.test(more!) ? 'brighter' : 'darker'} ${when ?? `when it is ${dark === undefined ? 'bright' : 'dark'}`}`,
  ),
  // turning P1 clockwise makes D1 brighter
  order(
    `^turning (${NAMES}) (up|down|(?:counter-?|anti-?)?clockwise|to the (?:right|left)) (?:makes|lets) (${NAMES}) (\\w+er)$`,
    ([turned, way, name, more]) =>
      `${name} gets ${more} as ${turned} is turned ${/down|counter|anti|left/i.test(way!) ? 'down' : 'up'}`,
  ),
  order(
    `^(${NAMES} gets \\w+er) (?:when|if|whenever) (${NAMES} is turned (?:up|down))$`,
    ([said, turned]) => `${said} as ${turned}`,
  ),
  // the whole way of a servo
  order(`^((${NAMES}) follows ${NAMES}) from 0 ?°? to 180 ?°?$`, ([said, name], parts) =>
    observedOf(name!, parts) === 'angle' ? said : undefined,
  ),
  order(
    `\\b(fades (?:in|out)|gets (?:brighter|darker)) (?:slowly|gently|smoothly|gradually)\\b`,
    ([does]) => does,
  ),
  // D1 glows at half brightness
  order(
    `^(${NAMES}) (?:is|glows|shines|is lit|is dimmed|lights|stays)(?: lit)?(?: (?:at|to|with))? (a quarter|half|three quarters|full|${PERCENT})(?: of its| its)?(?: (?:brightness|lit|bright|power|as bright as it can be))?(?=$| (?:from|until|for|when|while|after|between|if)\\b)`,
    ([name, share], parts) =>
      observedOf(name!, parts) === 'light' && SHARES[share!.toLowerCase()] !== 100
        ? `${name} is at ${SHARES[share!.toLowerCase()] ?? share!.replace(/ ?%/, '')} %`
        : undefined,
  ),
  // D1 comes on slowly over 2 s, D1 fades from 0 to 100 % in 2 s
  order(
    `^(${NAMES}) (?:comes on|goes on|lights up|turns on|gets bright|fades from (?:0|off|dark)(?: %)? to (?:100|full|on|bright)(?: %)?)(?: slowly| gradually| gently| smoothly)(?: over| in| within| during) (?:the first )?${SECONDS}$`,
    ([name, length]) => `${name} fades in over ${length} s`,
  ),
  order(
    `^(${NAMES}) (?:goes out|goes off|turns off|gets dark)(?: slowly| gradually| gently| smoothly)(?: over| in| within| during) (?:the first )?${SECONDS}$`,
    ([name, length]) => `${name} fades out over ${length} s`,
  ),
  order(
    `^(${NAMES}) fades from (0|off|dark|100|full|on|bright)(?: ?%)? to (0|off|dark|100|full|on|bright)(?: ?%)?(?= |$)`,
    ([name, from]) => `${name} fades ${/^(?:0|off|dark)$/i.test(from!) ? 'in' : 'out'}`,
  ),
  // D1 mirrors S1
  order(
    `^(${NAMES}) (?:mirrors|copies|follows|(?:is|does|shows) (?:always )?the same as|is in step with) (${NAMES})$`,
    ([name, button], parts) =>
      parts.some(({ ref, kind }) => ref === button!.toUpperCase() && findKind(kind)?.stimulus === 'press')
        ? `${name} is on while ${button} is held`
        : undefined,
  ),
  // D1 is never on at the same time as D2
  order(
    `^(${NAMES}) (?:is|are) never (?:on|lit) (?:at the same time as|together with|along with|while) (${NAMES})(?: is(?: on| lit)?)?$`,
    ([one, other]) => `${one} and ${other} never together`,
  ),
  // … by itself
  order(`,? \\b(?:all )?(?:by itself|on its own|automatically)\\b`, () => ''),
  order(
    `^after ${SECONDS},? (${SUBJECT} (?:goes|turns|switches|comes) (?:on|off|out))$`,
    ([length, said]) => `${said} after ${length} s`,
  ),
  // dim in the light and bright in the dark
  order(
    `^(${NAMES}) (?:is|glows|shines) (?:dim|dimmer|darker|weak) (?:in (?:the )?(?:light|daylight)|when (?:it is )?bright),? (?:and|but) (?:bright|brighter|strong) (?:in (?:the )?dark|when (?:it is )?dark|at night)$`,
    ([name], parts) => {
      const sensor = onlyTouched('light', parts);
      return sensor === undefined ? undefined : `${name} gets brighter as it gets darker`;
    },
  ),
  // D1 and D2 take turns
  order(
    `^(${NAMES} and ${NAMES}) (?:swap(?: over| places)?|change over|switch over|take turns(?= every))\\b`,
    ([names]) => `${names} alternate`,
  ),
  order(
    `^(${NAMES}) (?:alternates|takes turns|swaps) with (${NAMES})\\b`,
    ([one, other]) => `${one} and ${other} alternate`,
  ),
  // goes through red, green and blue
  order(
    `^(${NAMES}) (?:(?:cycles|goes|changes|runs|steps|switches) through|(?:is|shows|shines|glows)) (${ONE_AFTER_THE_OTHER})(?: in turn)?,? (?:(?:each|for|every|with) )*${SECONDS}(?: each| per colou?r)?(?:,? over and over(?: again)?)?$`,
    ([name, colours, length]) =>
      `${name} is ${colours!
        .split(/, ?(?:and )?| and /i)
        .map((colour) => `${colour} for ${length} s`)
        .join(', then ')}, over and over`,
  ),
  order(`^${AT_FIRST},? (${SUBJECT}.+)$`, ([said]) => `${said} at first`),
  order(
    `^(${NAMES}) (?:starts|begins)(?: out)? (?:with )?(on|off|dark|lit|silent)$`,
    ([name, state]) => `${name} is ${state} at first`,
  ),
  order(`^(.+?) (?:by default|at power-?up|after (?:power-?up|reset))$`, ([said]) => `${said} at first`),
  // raises the alarm
  order(
    `^(${NAMES}) (?:sounds|gives|raises|plays|makes) (?:an?|the) (?:alarm|warning|noise|din)\\b`,
    ([name]) => `${name} sounds`,
  ),
  order(
    `^the \\w+ (?:.+?),? the (faster|slower) (${NAMES}) (blinks|flashes|beeps|chirps)$`,
    ([how, name, does]) => `${name} ${does} ${how}`,
  ),
  // What is counted there is done by the time it is done.
  order(`^(.+ (?:flash|blink|beep|chirp)\\w*\\b.*?) ${AT_FIRST}$`, ([said]) => said),
  order(` ${AT_FIRST}$`, () => ` until ${BEGINNING} s`),
  order(`^(${NAMES}) only ((?!from\\b|at\\b|after\\b).+ ${WHEN} .+)$`, ([name, said]) => `${name} ${said}`),
  order(`^(${NAMES}) (?:shows|displays|says|reads) (?:nothing|no text)\\b`, ([name], parts) =>
    observedOf(name!, parts) === 'text' ? `${name} reads ""` : undefined,
  ),
  order('\\bfor as long as\\b', () => 'as long as'),
  order(`\\b(?:for|in|during) the first ${SECONDS}`, ([length]) => `until ${length} s`),
  // … 10 s after the last motion, after 10 s without motion
  order(
    `\\b(?:(?:after )?${SECONDS} (?:without|with no|of no)|after ${SECONDS} (?:without|with no)) (?:any )?${MOTION}$`,
    ([one, other], parts) => whenStill(`${one ?? other} s after`, parts),
  ),
  order(
    `\\b(${SECONDS} after|after|when|once|as soon as) (?:the (?:last|final) ${MOTION}|(?:the )?${MOTION} (?:stops|ends|is over|has (?:stopped|ended))|no ${MOTION} is (?:detected|sensed|seen)(?: any ?more)?|nothing moves(?: any ?more)?)$`,
    ([when], parts) => whenStill(when!, parts),
  ),
  // when something moves, while X1 sees somebody
  order(
    `\\b(${WHEN}) (?:${SOMEBODY} ${COMES}|there is ${SOMEBODY}|(${NAMES}) (?:sees|detects|senses|notices|picks up|registers) (?:any )?${SOMEBODY})`,
    ([when, name], parts) => {
      const sensor = name ?? onlyTouched('motion', parts);
      if (sensor === undefined || !isKnownTouched(sensor, 'motion', parts)) return undefined;
      return /^(?:while|as long as)$/i.test(when!) ? `while ${sensor} is held` : `when ${sensor} is used`;
    },
  ),
  // … within 0.2 s of motion, for 3 s after motion; what stays as it is stays so when the motion is over
  order(`\\b(within ${SECONDS} (?:of|after)) (?:the |any |a )?${MOTION}\\b`, ([within], parts) => {
    const sensor = onlyTouched('motion', parts);
    return sensor && `${within} ${sensor}`;
  }),
  order(
    `\\b(stays|remains) (on|lit|off|dark) (?:for )?${SECONDS} after (?:the )?${MOTION}$`,
    ([, state, length], parts) => {
      const after = whenStill('after', parts);
      return after && `is ${state} for ${length} s ${after}`;
    },
  ),
  order(`\\bafter (?:the |any |a )?${MOTION}$`, (_, parts) => {
    const sensor = onlyTouched('motion', parts);
    return sensor && `after ${sensor}`;
  }),
  // … goes on when S1 is pressed and goes off 3 s later
  order(
    `^(${NAMES}) (?:goes on|comes on|turns on|switches on|lights up|is on) (?:when|as soon as|if|after) (${NAMES}) is (?:pressed|pushed|used),? and (?:then )?(?:goes |turns |switches |is )?(?:off|out)(?: again)? (?:after )?${SECONDS}(?: later| after that| afterwards)?$`,
    ([name, used, length]) => `${name} is on for ${length} s after ${used}`,
  ),
  // off after the first press and on after the second
  order(
    `^(${NAMES}) (?:is|goes|turns|switches) (on|off)(?: again)? (?:after|at|on|with) the (\\w+) press((?: of ${NAMES})?)(?:,? (?:and|but)|,) (?:is |goes |turns |switches )?(on|off)(?: again)? (?:after|at|on|with) the (\\w+)(?: press)?(?: of ${NAMES})?$`,
    ([name, first, one, button, second, other]) =>
      `${name} is ${first} after the ${one} press${button}, ${name} is ${second} after the ${other} press${button}`,
  ),
  order(
    `^(${NAMES}) (?:is|goes|turns|switches) (on|off)(?: again)? (?:when|if|after) (${NAMES}) is pressed(?:,? (?:and|but)|,) (?:is |goes |turns |switches )?(on|off)(?: again)? (?:when|if|after) (?:it|${NAMES}) is pressed (?:again|a second time|once more)$`,
    ([name, first, button, second]) =>
      `${name} is ${first} after the first press of ${button}, ${name} is ${second} after the second press of ${button}`,
  ),
  // X1 sees something closer than 30 cm
  order(
    `\\b(${NAMES}) (?:sees|measures|reads|detects|gives|shows)(?: (?:something|somebody|an? (?:object|obstacle|hand|value|distance|temperature))(?: of| that is)?)? (?=(?:${COMPARED}) ${AMOUNT})`,
    ([name], parts) => {
      const kind = findKind(parts.find(({ ref }) => ref === name!.toUpperCase())?.kind ?? '');
      return kind?.stimulus !== undefined && isMeasured(kind.stimulus) ? `${name} is ` : undefined;
    },
  ),
  order(
    `\\b(within ${SECONDS}) (?:of|after) ((?:${SOMEBODY}|it|${NAMES}) )(?:coming|being|getting|becoming|is|comes|gets) (?=(?:${COMPARED}) ${AMOUNT})`,
    ([within, , who]) => `${within} after ${who}is `,
  ),
  // pressing S1 turns D1 on for 1 s
  order(
    `^(?:pressing|pushing|a (?:press|push) (?:of|on)) (${NAMES}) (?:turns|switches) (${NAMES}) on for ${SECONDS}$`,
    ([button, name, length]) => `${name} is on for ${length} s after ${button} is pressed`,
  ),
  // pressing S1 a second time turns D1 off, holding S1 for 2 s turns D1 on
  order(
    `^pressing (${NAMES}) (?:for )?(?:(?:the|a) (\\w+) time|(again)) (?:turns|switches) (${NAMES}) (on|off)(?: again)?$`,
    ([button, place, , name, state]) =>
      `${name} is ${state} after the ${place ?? 'second'} press of ${button}`,
  ),
  order(
    `^(?:holding|pressing|(?:press(?: and hold)?|hold|keep)(?: down)?) (${NAMES})(?: pressed| down)? for (?:at least )?${SECONDS} (?:turns|switches|to turn|to switch) (${NAMES}) (on|off)$`,
    ([button, length, name, state]) => `${name} is ${state} after ${button} is held for ${length} s`,
  ),
  order(
    `\\b(?:from|as of) (the \\w+ press(?: of ${NAMES})?)(?: on| onwards)?$`,
    ([press]) => `after ${press}`,
  ),
  // in the dark
  order(`\\b(?:in|at) (?:the )?(?:dark(?:ness)?|night)\\b`, (_, parts) =>
    onlyTouched('light', parts) === undefined ? undefined : 'when it is dark',
  ),
  order(
    `\\b(?:in (?:the |full |bright )*(?:light|daylight|sunlight)|by day|in the daytime)\\b`,
    (_, parts) => (onlyTouched('light', parts) === undefined ? undefined : 'when it is bright'),
  ),
  // somebody comes closer than 10 cm and …; closer than 10 cm, …
  order(
    `^(?:(${SOMEBODY}|the (?:distance|temperature|light|brightness)|it) ${IS} )?(${COMPARED}) (${AMOUNT})(?:,| and| then|, then)* (${SUBJECT}.+)$`,
    ([who, compared, amount, said]) =>
      `${said} when ${who ?? (/°/.test(amount!) ? 'it' : 'something')} is ${compared} ${amount}`,
  ),
  // … is off until it gets dark, then on: what is so from then on is so while it is dark
  order(
    `^(${NAMES}) (?:is|stays|remains) (on|lit|off|dark|out) (?:until|till|before) ((?:it|something|somebody|someone|${NAMES}) (?!is (?:pressed|pushed|held|used|touched)\\b).+?)(?:,? (?:and then|and|but|then)|[,;])(?: it)?(?: is| goes| turns| switches| lights)? (on|up|off|dark|out)(?: (?:after that|afterwards|from then on))?$`,
    ([name, before, event, after]) => {
      const [was, is] = [before, after].map((one) => /^(?:on|lit|up)$/i.test(one!));
      return was === is ? undefined : `${name} is ${is ? 'on' : 'off'} when ${event}`;
    },
  ),
  // … below 20 °C
  order(
    `^(${NAMES} (?!.*\\b(?:when|while|if|warmer|between|from)\\b)(?!(?:is|are|stands|stays|points)(?: at| to)? (?:above|over|below|under)\\b).+?) (above|over|below|under) (${AMOUNT})$`,
    ([said, compared, amount]) =>
      /°/.test(amount!)
        ? `${said} when it is ${compared} ${amount}`
        : /m/.test(amount!)
          ? `${said} when something is ${compared} ${amount}`
          : undefined,
  ),
  order(
    `^(${NAMES} (?!.*\\b(?:when|while|if)\\b).+?) between (-?\\d*\\.?\\d+)(?: ?(?:°(?: ?c)?|m))? and (-?\\d*\\.?\\d+ ?(?:° ?c|m))$`,
    ([said, least, most]) =>
      `${said} when ${/°/.test(most!) ? 'it' : 'something'} is between ${least} and ${most}`,
  ),
  // both buttons pressed: …
  order(
    `^((?:both|all)(?: the)?(?: \\w+)? buttons?)(?: (?:are )?(pressed|held(?: down)?))?(?:,|:| and| then)+ (${SUBJECT}.+)$`,
    ([buttons, held = 'held', said]) => `${said} when ${buttons} are ${held}`,
  ),
  // S1 pressed and S2 not: …
  order(
    `^(?:when |while |if )?(${NAMES}) (?:is )?(?:pressed|held(?: down)?|down)(?:,| but| and)* (${NAMES}) (?:is )?(?:not(?: (?:pressed|held(?: down)?|down))?|up)[,:] ?(?:then )?(?:only )?(${SUBJECT}.+)$`,
    ([held, up, said]) => `${said} when ${held} is held and ${up} is not held`,
  ),
  order(
    `^(.+ (?:when|while|if) ${NAMES} is) pressed(,? (?:but|and) ${NAMES} is not) pressed$`,
    ([said, joint]) => `${said} held${joint} held`,
  ),
  // … after the last press
  order(`\\bafter the (?:last|final|most recent) press(?: of (${NAMES}))?$`, ([name], parts) => {
    const button = name ?? onlyTouched('press', parts);
    return button === undefined ? undefined : `after ${button} is pressed`;
  }),
  // … at 10 cm, at 22 °C
  order(`^((${NAMES}) .+?) at (\\d[\\d.]*) ?(m|°(?: ?c)?)$`, ([said, subject, amount, unit], parts) => {
    const isDistance = unit === 'm';
    const sensor = onlyTouched(isDistance ? 'distance' : 'warm', parts);
    if (sensor === undefined || observedOf(subject!, parts) === 'angle') return undefined;
    return isDistance
      ? `${said} when ${sensor} sees ${amount} m`
      : `${said} when the temperature is ${amount} °C`;
  }),
  // on a press, at the push of S1
  order(
    `,? (?:on|at|with|upon) (?:an?|each|every|the)? ?(?:press|push)(?: (?:of|on) (?:(?:an?|the) button|(${NAMES})))?$`,
    ([name], parts) => {
      const button = name ?? onlyTouched('press', parts);
      return button === undefined ? undefined : ` when ${button} is pressed`;
    },
  ),
  // off except when …
  order(
    `^(${NAMES}) (?:is|stays) (on|off|lit|dark|silent) (?:all the time )?,?(?:except (?:when|while|if)|unless(?= (?:something|somebody|someone|it|the)\\b)) (.+)$`,
    ([name, state, clause]) => {
      const held = clause!.replace(/ is pressed$/i, ' is held');
      return `${name} is ${/on|lit/i.test(state!) ? 'off' : 'on'} while ${held}`;
    },
  ),
  // when S1 is pressed, D1 …
  order(`^(${WHEN} (?:[^,]+))(?:,|:) (?:then )?(${SUBJECT}.+)$`, ([clause, said]) => `${said} ${clause}`),
  order(
    `^(${WHEN} (?:${CLAUSES.join('|')})),? (?:then )?(${SUBJECT}.+)$`,
    ([clause, said]) => `${said} ${clause}`,
  ),
  // … after 1 s when S1 is let go
  order(
    `^(${NAMES} .+?) after ${SECONDS} (?:when|after|once|as soon as) (${NAMES} is .+)$`,
    ([said, length, clause]) => `${said} ${length} s after ${clause}`,
  ),
  order(
    `^(.+ (?:when|while|if) ${NAMES} is) (?:turned )?(?:(above|over|past|beyond)|below|under|before) (?:the |its )?(?:(?:a )?half(?:way)?|middle|centre)$`,
    ([said, above]) => `${said} ${above === undefined ? 'below' : 'above'} 50 %`,
  ),
  order(
    `^(.+ (?:when|while|if) ${NAMES} is) (?:at|on) the ((?:far |very )?(?:left|right)|middle|centre)$`,
    ([said, place]) => `${said} in the ${place!.replace(/^(?:far|very) /i, '')}`,
  ),
];

/**
 * A sentence with what it is about in front: `when S1 is pressed D1 goes on` as `D1 goes on when S1 is pressed`, `S1
 * lights D1` as `D1 goes on when S1 is pressed`, `in the dark D1 is on` as `D1 is on when it is dark`, and `when something
 * moves` as `after X2`, where only X2 sees that.
 */
export function inOrder(plain: string, parts: readonly Named[]): string {
  const answered = asAnswers(plain, parts);
  return reordered(reordered(answered, orders, parts), timedOrders, parts);
}
