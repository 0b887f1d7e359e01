import { findKind } from '../../parts';
import { ORDINAL_WORDS } from '../../words/words';
import { COLOUR } from './colours';
import { NAMES, onlyTouched, type Named } from './plain';

export const ORDINAL = `(?:${ORDINAL_WORDS.join('|')}|\\d+(?:st|nd|rd|th))`;
const TIMES = '(?:twice|\\d+ times)';
export const PRESS = '(?:press|push|click)';
/** How long a button is pressed, without a number. */
export const LENGTH = '(?:short|quick|brief|long)';
/** What is given to a part by whoever presses: the verb, and what the part does then. */
const DOES: readonly (readonly [verb: string, does: string])[] = [
  ['lights(?: up)?|switches on|turns on|starts|sounds|rings|activates|puts on', 'goes on'],
  ['stops|switches off|turns off|puts out|silences', 'goes off'],
  ['toggles|switches|changes|inverts|flips|turns over', 'changes'],
];
/** The verbs of what is given. */
export const DONE_TO = DOES.map(([verb]) => verb).join('|');

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
    `^(?:(?:an?|each|every|the) (?:(${ORDINAL}|${LENGTH}) )?)(?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?$`,
    'i',
  ).exec(doing);
  const name = noun ? button(noun[2]) : undefined;
  if (!noun || name === undefined) return undefined;
  return noun[1] === undefined ? `when ${name} is pressed` : `after the ${noun[1]} press of ${name}`;
}

/** What somebody does, before what comes of it; one group. */
export const DOING = `((?:turning|switching) ${NAMES} (?:on|off)|(?:(?:pressing|pushing|holding|releasing) (?:down )?)?${NAMES}(?: down)?(?: (?:${TIMES}|once))?|(?:an?|each|every|the)(?: ${ORDINAL}| ${LENGTH})? (?:button )?${PRESS}(?: (?:of|on) ${NAMES})?)`;

/** `flash 3 times` as it is said of one thing: `flashes 3 times`. */
const third = (verb: string): string =>
  verb
    .replace(/^(?:be|to be) /i, 'is ')
    .replace(/^(?=(?:brighter|darker|dimmer|louder|faster|slower)\b)/i, 'gets ')
    .replace(new RegExp(`^(?=(?:${COLOUR}|on|off|bright|dark|silent)\\b)`, 'i'), 'is ')
    .replace(/^(?:to )?(?:flash|blink)\b/i, 'flashes')
    .replace(/^(?:to )?go\b/i, 'goes')
    .replace(
      /^(?:to )?(light|turn|come|stay|shine|sound|beep|chirp|buzz|play|move|fade|run|stop|show|print)\b/i,
      '$1s',
    );

type Found = readonly string[];
/** What is said behind what somebody does: its pattern, and what its part does then; `undefined` where that is not known. */
type Comes = readonly [behind: RegExp, does: (found: Found, parts: readonly Named[]) => string | undefined];

const comes = (behind: string, does: Comes[1]): Comes => [new RegExp(`^${DOING} ${behind}$`, 'i'), does];

const whatComes: readonly Comes[] = [
  comes(`(?:makes?|lets?|causes?) (${NAMES}) (.+)`, ([name, verb]) => `${name} ${third(verb!)}`),
  comes(`(${DONE_TO}) (${NAMES})((?: for .+)?)`, ([verb, name, length]) => {
    const [, does] = DOES.find(([pattern]) => new RegExp(`^(?:${pattern})$`, 'i').test(verb!))!;
    return `${name} ${does}${length}`;
  }),
  comes(
    `(?:turns|switches|puts) (${NAMES}) (on|off|out)`,
    ([name, state]) => `${name} goes ${/on/i.test(state!) ? 'on' : 'off'}`,
  ),
  comes(`(?:moves|turns|sets|brings) (${NAMES}) (to \\d.+)`, ([name, angle]) => `${name} goes ${angle}`),
  // What sounds has no name where there is one only.
  comes(
    `(?:plays|gives|makes|sounds) (?:an? )?((?:tone|sound|noise|beep)\\b.*|\\d[\\d.]* ?hz.*)`,
    ([sound], parts) => {
      const [buzzer, more] = parts.filter(({ kind }) => findKind(kind)?.observed === 'sound');
      const tone = sound!.replace(/^(?:tone|sound|noise|beep)(?: of| at| with)? ?/i, '');
      return buzzer && !more ? `${buzzer.ref} sounds${tone === '' ? '' : ` at ${tone}`}` : undefined;
    },
  ),
  comes('(prints .+)', ([printed]) => printed),
];

const TURNING = new RegExp(
  `^turning (${NAMES})((?: (?:up|down|right|left|further))?) (?:makes?|lets?) (${NAMES}) (.+)$`,
  'i',
);

/**
 * What a press does, as what its part does then: `pressing S1 lights D1` as `D1 goes on when S1 is pressed`, `S1 makes
 * D1 flash twice` as `D1 flashes twice when S1 is pressed`, `the third press sounds Z1` as `Z1 goes on after the third
 * press of S1`. Any other sentence stays as it is.
 */
export function asAnswer(plain: string, parts: readonly Named[]): string {
  const turning = TURNING.exec(plain);
  if (turning) return `${turning[3]} ${third(turning[4]!)} when ${turning[1]} is turned${turning[2]}`;
  for (const [behind, does] of whatComes) {
    const [, doing = '', ...found] = behind.exec(plain) ?? [];
    const when = doing === '' ? undefined : pressedBy(doing, parts);
    const said = when === undefined ? undefined : does(found, parts);
    if (said !== undefined) return `${said.trim()} ${when}`;
  }
  return plain;
}
