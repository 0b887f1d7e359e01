import { COLOUR } from './colours';
import { stateOf } from './on-off';
import { NAMES, onlyTouched, plainly, type Named } from './plain';

const WHEN = '(?:when|while|if|as long as|whenever)';
const DARK = '(?:in|at) (?:the )?(?:dark(?:ness)?|night)';
const BRIGHT = '(?:in (?:the |full |bright )*(?:light|daylight|sunlight)|by day|in the daytime)';
const STATE = '(?:dark|bright|light|covered|uncovered|hot|warm|cold|cool|near|close|far(?: away)?)';
const AMOUNT = String.raw`-?\d*\.?\d+(?!\.?\d)(?: ?(?:%|°(?: ?c)?|m))?(?: away)?`;
/** What is beyond a limit on its one side and on its other. */
const SIDES: readonly (readonly [string, string])[] = [
  ['above', 'below'],
  ['over', 'under'],
  ['beyond', 'within'],
  ['farther than', 'closer than'],
  ['further than', 'nearer than'],
  ['warmer than', 'colder than'],
  ['hotter than', 'cooler than'],
  ['brighter than', 'darker than'],
  ['more than', 'less than'],
  ['higher than', 'lower than'],
  ['greater than', 'smaller than'],
];
const COMPARED = `(?:${SIDES.flat().join('|')})`;
/** A case, with “when” or as people say it without. */
const CASE = `(?:${DARK}|${BRIGHT}|${WHEN} (?:it is )?${STATE}|(?:${WHEN} (?:it|something|${NAMES}) is )?${COMPARED} ${AMOUNT}|${WHEN} (?:(?!\\b(?:and|but)\\b)[^,;])+?)`;
const JOINT = '(?:,|;)? ?(?:and|but|while)? ?';
const WHO = `(?:${NAMES}|prints|(?:the )?serial (?:monitor|text|line)(?: (?:shows|says))?)`;
/** What is said of a part whose name was said already. */
const SAID = `(?:back )?(?:is |are |stands |goes |turns |stays |shows |lights |flashes |blinks |sounds )?(?:still )?(?:at |to )?(?:on|off|lit|dark|out|silent|still|${COLOUR}|["“][^"“”]*["”]|-?\\d[\\d.]* ?(?:°|%|hz|times)?)`;

const SAME_PART = new RegExp(`^(${WHO}) (.+?),? (${CASE})${JOINT}(?:it )?(${SAID}) (${CASE})$`, 'i');
const OTHERWISE = new RegExp(
  `^(${WHO}) (.+?),? (${CASE})(?:,|;)? ?(?:and |but )?(?:(?:otherwise|else)(?: it)? (?:is )?(${SAID})|(?:is )?(${SAID}) otherwise)$`,
  'i',
);
const OTHER_PART = new RegExp(
  `^(${NAMES})((?: .+?)??),? (${CASE})(?:,|;)? ?(?:and|but|while)? ?(${NAMES})((?: .+?)??),? (${CASE})$`,
  'i',
);
/** `above`, `when it is colder`, where the limit is the one that was just said. */
const SAME_LIMIT = new RegExp(
  `^(.+? (${COMPARED}) (${AMOUNT}))(${JOINT})(.+?) (?:${WHEN} (?:it|something) is )?(${SIDES.flat()
    .map((side) => side.replace(' than', '(?: than)?'))
    .join('|')})(?: (?:it|that))?$`,
  'i',
);

/** The case as a clause that is read: `when bright` as `when it is bright`. */
const clauseOf = (said: string): string =>
  said
    .replace(new RegExp(`^${WHEN} (${STATE})$`, 'i'), 'when it is $1')
    .replace(new RegExp(`^${DARK}$`, 'i'), 'when it is dark')
    .replace(new RegExp(`^${BRIGHT}$`, 'i'), 'when it is bright')
    .replace(
      new RegExp(`^(${COMPARED} ${AMOUNT})$`, 'i'),
      (limit) => `when ${/\d ?m\b/.test(limit) ? 'something' : 'it'} is ${limit}`,
    );

/** The clause of all other cases; `undefined` where that has no word of its own. */
function opposite(clause: string): string | undefined {
  const words = [
    ...SIDES,
    ['dark', 'bright'],
    ['covered', 'uncovered'],
    ['is pressed', 'is not pressed'],
  ] as const;
  for (const [one, other] of [...words, ['is held', 'is not held'], ['is on', 'is off']] as const)
    for (const [from, to] of [
      [other, one],
      [one, other],
    ] as const)
      if (new RegExp(`\\b${from}\\b`, 'i').test(clause))
        return clause.replace(new RegExp(`\\b${from}\\b`, 'i'), to);
  return undefined;
}

/** A word that some case has: without one, the long patterns below need not be tried. */
const OF_CASES =
  /\b(?:when|while|if|as long as|whenever|otherwise|else|dark(?:ness)?|night|(?:day|sun)?light|day(?:time)?|above|below|over|under|beyond|within|than)\b/i;

/** What is done to some amount, without the amount. */
const VERB = /^[^\d]+?(?= (?:at|to)\b| \d)/i;

/** What a part is said to do, with a verb, which may be that of what is said before; a part that is only named is on. */
function saidOf(who: string, said: string, before = ''): string {
  const plain = said.trim().replace(/^back /i, '');
  if (plain === '') return 'is on';
  // “Sounds at 440 Hz … and at 880 Hz”: it does the same.
  const verb = /^(?:at|to)\b|^\d+ times/i.test(plain) ? VERB.exec(before)?.[0] : undefined;
  if (verb !== undefined) return `${verb.trim()} ${plain}`;
  const isBare = new RegExp(`^(?:on|off|lit|dark|out|silent|still|at\\b.*|${COLOUR}|-?\\d[\\d.]* ?°?)$`, 'i');
  return new RegExp(`^${NAMES}$`).test(who) && isBare.test(plain) ? `is ${plain}` : plain;
}

/** A sentence of two cases, each as a sentence of its own. */
export interface TwoCases {
  readonly first: string;
  /** `undefined` where the first says it: what is on in the one case is off in the other anyway. */
  readonly second: string | undefined;
  /** Whether both are of one part, so that neither says anything of the case of the other. */
  readonly isOfOne: boolean;
}

/**
 * One sentence of two cases as a sentence for each: `the servo is at 0 in the dark and at 90 in the light` as `M1 is at 0
 * when it is dark` and `M1 is at 90 when it is bright`; `green below 25 °C, red above`; `D1 is on when it is dark,
 * otherwise off`. `undefined` for any other sentence.
 */
export function twoCases(text: string, parts: readonly Named[]): TwoCases | undefined {
  const plain = plainly(text, parts);
  if (!OF_CASES.test(plain)) return undefined;
  const [, limited, , amount, joint, said, side] = SAME_LIMIT.exec(plain) ?? [];
  const compared = SIDES.flat().find(
    (one) => one === side?.toLowerCase() || one === `${side?.toLowerCase()} than`,
  );
  const whole = limited === undefined ? plain : `${limited}${joint}${said} ${compared} ${amount}`;
  const made = (
    first: string,
    one: string,
    second: string,
    two: string,
    isOfOne: boolean,
  ): TwoCases | undefined => {
    if (!isCase(one, parts) || !isCase(two, parts)) return undefined;
    const held = isOfOne ? pressedAndLetGo(one, two) : undefined;
    return {
      first: `${first} ${held ? `while ${held} is held` : clauseOf(one)}`,
      second: `${second} ${held ? `when ${held} is released` : clauseOf(two)}`,
      isOfOne,
    };
  };
  const [, left, leftSaid = '', leftCase = '', right = '', rightSaid = '', rightCase = ''] =
    OTHER_PART.exec(whole) ?? [];
  if (left !== undefined)
    return made(
      `${left} ${saidOf(left, leftSaid)}`,
      leftCase,
      `${right} ${saidOf(right, rightSaid || leftSaid, leftSaid)}`,
      rightCase,
      left.toUpperCase() === right.toUpperCase(),
    );
  const same = SAME_PART.exec(whole) ?? OTHERWISE.exec(whole);
  if (!same) return undefined;
  const [, who = '', first = '', one = '', then = '', last = ''] = same;
  const isOtherwise = !SAME_PART.test(whole);
  const [second, two] = isOtherwise ? [then || last, opposite(clauseOf(one))] : [then, last];
  const states = [saidOf(who, first), saidOf(who, second)].map(stateOf);
  if (isOtherwise && states[0] !== undefined && states[1] !== undefined)
    return states[0] === states[1]
      ? undefined
      : { first: `${who} ${saidOf(who, first)} ${clauseOf(one)}`, second: undefined, isOfOne: true };
  if (two === undefined) return undefined;
  return made(`${who} ${saidOf(who, first)}`, one, `${who} ${saidOf(who, second, first)}`, two, true);
}

/** `when S1 is pressed`, `when it is let go`: the button, which is held from the one to the other. */
function pressedAndLetGo(one: string, two: string): string | undefined {
  const [, pressed] =
    new RegExp(`^${WHEN} (${NAMES}) is (?:pressed|pushed|held(?: down)?)$`, 'i').exec(one) ?? [];
  const [, released = ''] =
    new RegExp(`^${WHEN} (${NAMES}|it) is (?:released|let go(?: of)?|up again)$`, 'i').exec(two) ?? [];
  return pressed !== undefined && [pressed.toUpperCase(), 'IT'].includes(released.toUpperCase())
    ? pressed
    : undefined;
}

/** Whether a case is told of something that is measured here: “in the dark” needs a light sensor. */
const isCase = (said: string, parts: readonly Named[]): boolean =>
  !/\b(?:dark(?:ness)?|bright|night|day|(?:day|sun)?light|covered|uncovered)\b/i.test(said) ||
  new RegExp(`\\b${NAMES}\\b`).test(said) ||
  onlyTouched('light', parts) !== undefined;
