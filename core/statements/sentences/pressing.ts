import { findKind } from '../../parts';
import { COLOUR } from './colours';
import { lightsIn, NAMES, onlyTouched, type Named } from './plain';

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'] as const;
const ORDINAL = `(?:${ORDINALS.join('|')}|\\d+(?:st|nd|rd|th))`;
const TIMES = '(?:twice|\\d+ times)';
const PRESS = '(?:press|push|click)';
/** What is given to a part by whoever presses: the verb, and what the part does then. */
const DOES: readonly (readonly [verb: string, does: string])[] = [
  ['lights(?: up)?|switches on|turns on|starts|sounds|rings|activates|puts on', 'goes on'],
  ['stops|switches off|turns off|puts out|silences', 'goes off'],
  ['toggles|switches|changes|inverts|flips|turns over', 'changes'],
];
const DONE_TO = DOES.map(([verb]) => verb).join('|');

/** What somebody does to a button, as what comes of it is said behind it; `undefined` where nothing is pressed. */
function pressedBy(doing: string, parts: readonly Named[]): string | undefined {
  const button = (name: string | undefined): string | undefined => {
    if (name === undefined) return onlyTouched('press', parts);
    const part = parts.find(({ ref }) => ref === name.toUpperCase());
    return part && findKind(part.kind)?.stimulus === 'press' ? part.ref : undefined;
  };
  const switched = new RegExp(`^(?:turning|switching) (${NAMES}) (on|off)$`, 'i').exec(doing);
  if (switched) return `when ${switched[1]} is ${switched[2]!.toLowerCase()}`;
  const gerund = new RegExp(
    `^(?:(pressing|pushing|holding|releasing) )?(?:down )?(${NAMES})(?: down)?(?: (${TIMES}|once))?$`,
    'i',
  ).exec(doing);
  if (gerund) {
    const name = button(gerund[2]);
    if (name === undefined) return undefined;
    if (gerund[3] && !/once/i.test(gerund[3])) return `after ${name} was pressed ${gerund[3]}`;
    if (/^holding/i.test(gerund[1] ?? '')) return `while ${name} is held`;
    return `when ${name} is ${/^releasing/i.test(gerund[1] ?? '') ? 'released' : 'pressed'}`;
  }
  const noun = new RegExp(
    `^(?:(?:an?|each|every|the) (?:(${ORDINAL}) )?)(?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?$`,
    'i',
  ).exec(doing);
  const name = noun ? button(noun[2]) : undefined;
  if (!noun || name === undefined) return undefined;
  return noun[1] === undefined ? `when ${name} is pressed` : `after the ${noun[1]} press of ${name}`;
}

const DOING = `((?:turning|switching) ${NAMES} (?:on|off)|(?:(?:pressing|pushing|holding|releasing) (?:down )?)?${NAMES}(?: down)?(?: (?:${TIMES}|once))?|(?:an?|each|every|the)(?: ${ORDINAL})? (?:button )?${PRESS}(?: (?:of|on) ${NAMES})?)`;

/** `flash 3 times` as it is said of one thing: `flashes 3 times`. */
const third = (verb: string): string =>
  verb
    .replace(/^(?:be|to be) /i, 'is ')
    .replace(new RegExp(`^(?=(?:${COLOUR}|on|off|bright|dark|silent)\\b)`, 'i'), 'is ')
    .replace(/^(?:to )?(?:flash|blink)\b/i, 'flashes')
    .replace(/^(?:to )?go\b/i, 'goes')
    .replace(
      /^(?:to )?(light|turn|come|stay|shine|sound|beep|chirp|buzz|play|move|fade|run|stop|show|print)\b/i,
      '$1s',
    );

/**
 * What a press does, as what its part does then: `pressing S1 lights D1` as `D1 goes on when S1 is pressed`, `S1 makes
 * D1 flash twice` as `D1 flashes twice when S1 is pressed`, `the third press sounds Z1` as `Z1 goes on after the third
 * press of S1`. Any other sentence stays as it is.
 */
export function asAnswers(plain: string, parts: readonly Named[]): string {
  const several = [ofTwo, colouredInTurn, inTurn, toTheNext].flatMap((read) => read(plain, parts) ?? []);
  if (several[0] !== undefined) return several[0];
  const said = (doing: string, rest: string): string | undefined => {
    const when = pressedBy(doing, parts);
    return when === undefined ? undefined : `${rest.trim()} ${when}`;
  };
  const makes = new RegExp(`^${DOING} (?:makes?|lets?|causes?) (${NAMES}) (.+)$`, 'i').exec(plain);
  const turning = new RegExp(
    `^turning (${NAMES})((?: (?:up|down|right|left|further))?) (?:makes?|lets?) (${NAMES}) (.+)$`,
    'i',
  ).exec(plain);
  if (turning) return `${turning[3]} ${third(turning[4]!)} when ${turning[1]} is turned${turning[2]}`;
  if (makes) return said(makes[1]!, `${makes[2]} ${third(makes[3]!)}`) ?? plain;
  const does = new RegExp(`^${DOING} (${DONE_TO}) (${NAMES})((?: for .+)?)$`, 'i').exec(plain);
  if (does) {
    const verb = DOES.find(([pattern]) => new RegExp(`^(?:${pattern})$`, 'i').test(does[2]!))![1];
    return said(does[1]!, `${does[3]} ${verb}${does[4]}`) ?? plain;
  }
  const turns = new RegExp(`^${DOING} (?:turns|switches|puts) (${NAMES}) (on|off)$`, 'i').exec(plain);
  if (turns && !new RegExp(`^${NAMES}$`).test(turns[1]!))
    return said(turns[1]!, `${turns[2]} goes ${turns[3]!.toLowerCase()}`) ?? plain;
  const moves = new RegExp(`^${DOING} (?:moves|turns|sets|brings) (${NAMES}) (to \\d.+)$`, 'i').exec(plain);
  if (moves) return said(moves[1]!, `${moves[2]} goes ${moves[3]}`) ?? plain;
  // What sounds and what turns has no name where there is one only.
  const plays = new RegExp(
    `^${DOING} (?:plays|gives|makes|sounds) (?:an? )?((?:tone|sound|noise|beep)\\b.*|\\d[\\d.]* ?hz.*)$`,
    'i',
  ).exec(plain);
  const sounding = parts.filter(({ kind }) => findKind(kind)?.observed === 'sound');
  if (plays && sounding.length === 1) {
    const tone = plays[2]!.replace(/^(?:tone|sound|noise|beep)(?: of| at| with)? ?/i, '');
    return said(plays[1]!, `${sounding[0]!.ref} sounds${tone === '' ? '' : ` at ${tone}`}`) ?? plain;
  }
  const prints = new RegExp(`^${DOING} (prints .+)$`, 'i').exec(plain);
  if (prints) return said(prints[1]!, prints[2]!) ?? plain;
  return plain;
}

/** `S1 starts M1 and S2 stops it`: each as an answer. */
function ofTwo(plain: string, parts: readonly Named[]): string | undefined {
  const found = new RegExp(
    `^(${DOING} (?:${DONE_TO}) (${NAMES}))(?:,? and|,) ${DOING} (${DONE_TO}) (?:it|${NAMES})$`,
    'i',
  ).exec(plain);
  if (!found) return undefined;
  const [, first = '', , name = '', doing = '', verb = ''] = found;
  const other = new RegExp(`(${NAMES})$`).exec(plain)?.[1] ?? name;
  return [first, `${doing} ${verb} ${other}`].map((one) => asAnswers(one, parts)).join(', ');
}

/** `each press lights the next LED`: the LEDs one after the other, a press each. */
function toTheNext(plain: string, parts: readonly Named[]): string | undefined {
  const found = new RegExp(
    `^(?:with )?(?:each|every|a) ${PRESS}((?: (?:of|on) ${NAMES})?) (?:lights(?: up)?|switches (?:on|to)|moves (?:on )?to|goes (?:on )?to|turns on) the next (?:led|lamp|light|one)$`,
    'i',
  ).exec(plain);
  const leds = lightsIn(parts).slice(0, ORDINALS.length);
  if (!found || leds.length < 2) return undefined;
  return leds
    .map((name, index) => asAnswers(`the ${ORDINALS[index]} press${found[1]} lights ${name}`, parts))
    .join(', ');
}

/** `the first press makes D1 red, the second green`: each as an answer, with commas between. */
function colouredInTurn(plain: string, parts: readonly Named[]): string | undefined {
  const first = new RegExp(
    `^the first ${PRESS}((?: (?:of|on) ${NAMES})?) (?:makes|turns) (${NAMES}) (${COLOUR})((?:,? (?:and )?the ${ORDINAL}(?: ${PRESS})?(?: (?:makes|turns)(?: it| ${NAMES})?)? (?:${COLOUR}))+)$`,
    'i',
  ).exec(plain);
  if (!first) return undefined;
  const [, of = '', name = '', colour = '', rest = ''] = first;
  const others = [
    ...rest.matchAll(
      new RegExp(`the (${ORDINAL})(?: ${PRESS})?(?: (?:makes|turns)(?: it| ${NAMES})?)? (${COLOUR})`, 'gi'),
    ),
  ];
  return [['first', colour], ...others.map(([, nth, other]) => [nth, other])]
    .map(([nth, one]) => asAnswers(`the ${nth} press${of} makes ${name} ${one}`, parts))
    .join(', ');
}

/** `the first press lights D1, the second D2, the third D3`: each as an answer, with commas between. */
function inTurn(plain: string, parts: readonly Named[]): string | undefined {
  const first = new RegExp(
    `^the (first) ${PRESS}((?: (?:of|on) ${NAMES})?) (${DONE_TO}) (${NAMES})((?:,? (?:and )?the ${ORDINAL}(?: ${PRESS})?(?: (?:${DONE_TO}))? ${NAMES})+)$`,
    'i',
  ).exec(plain);
  if (!first) return undefined;
  const [, ordinal = '', of = '', verb = '', name = '', rest = ''] = first;
  const others = [
    ...rest.matchAll(new RegExp(`the (${ORDINAL})(?: ${PRESS})?(?: (${DONE_TO}))? (${NAMES})`, 'gi')),
  ];
  const each = [[ordinal, verb, name], ...others.map(([, nth, does, other]) => [nth, does ?? verb, other])];
  return each.map(([nth, does, one]) => asAnswers(`the ${nth} press${of} ${does} ${one}`, parts)).join(', ');
}
