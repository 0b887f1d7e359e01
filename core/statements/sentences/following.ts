import { findKind, type StimulusKind } from '../../parts';
import { isMeasured } from '../../stimuli';
import { NAMES, onlyTouched, type Named } from './plain';

const MORE =
  'brighter|higher|faster|further|farther|larger|wider|more|warmer|hotter|lighter|up|clockwise|right';
const LESS =
  'darker|dimmer|lower|slower|more slowly|smaller|less|colder|cooler|nearer|closer|down|back|anticlockwise|counterclockwise|left';
const COMPARED = `(?:${LESS}|${MORE})`;

const isLess = (word: string): boolean => new RegExp(`^(?:${LESS})$`, 'i').test(word.trim());

/** What can be more or less about a part, as it is called. */
const ASPECT =
  '(?:brightness|light|angle|position|speed|tone|pitch|sound|frequency|setting|reading|value|turn|state)';
const OF = `(?:(?:the )?${ASPECT} of )?`;
const ITS = `(?:(?:['’]s)? ${ASPECT})?`;
const FOLLOWS =
  '(?:follows|depends on|changes with|goes with|moves with|turns with|rises with|fades with|is (?:set|controlled|dimmed|steered) (?:by|with)|varies with)';
const TAIL = '((?: (?:from|until) \\d.*)?)';

/** What is given to a part, and whether there is more of it or less. */
interface Given {
  readonly name: string;
  readonly isLess: boolean;
}

/** What a sensor is given, as it is spoken of without its name. */
const SPOKEN: readonly (readonly [pattern: RegExp, how: StimulusKind])[] = [
  [
    new RegExp(`^(?:it|the room|the light) (?:gets|becomes|grows|is|goes) (darker|brighter|lighter)$`, 'i'),
    'light',
  ],
  [/^(more|less) light(?: falls| there is)?(?: on it)?$/i, 'light'],
  [
    /^(?:it|the air|the room|the temperature) (?:gets|becomes|grows|is) (warmer|hotter|higher|colder|cooler|lower)$/i,
    'warm',
  ],
  [
    /^(?:something|an? (?:hand|object|obstacle|wall)|the (?:hand|object|obstacle|wall)|hand) (?:comes|gets|is|moves|goes) (nearer|closer|further|farther)(?: away)?$/i,
    'distance',
  ],
  [/^the distance (?:gets|becomes|grows|is) (larger|smaller|higher|lower|less|more)$/i, 'distance'],
];

/** `P1 is turned up`, `it gets darker`, `the hand comes nearer`: which part that is, and which way. */
function givenIn(clause: string, parts: readonly Named[]): Given | undefined {
  const named =
    new RegExp(
      `^(${NAMES})(?: is)?(?: (?:turned|set|moved|turns|goes|gets|becomes))?(?: to the)?(?: (${COMPARED}))?$`,
      'i',
    ).exec(clause) ??
    new RegExp(`^(?:falls |there is )?(more|less) light (?:falls )?on (${NAMES})$`, 'i').exec(clause);
  if (named) {
    const [, one = '', other = ''] = named;
    const [name, word] = /^(?:more|less)$/i.test(one) ? [other, one] : [one, other];
    return isMoved(name, parts) ? { name: name.toUpperCase(), isLess: isLess(word) } : undefined;
  }
  for (const [pattern, how] of SPOKEN) {
    const word = pattern.exec(clause)?.[1];
    const name = word === undefined ? undefined : onlyTouched(how, parts);
    if (word !== undefined && name !== undefined) return { name, isLess: isLess(word) };
  }
  return undefined;
}

const isMoved = (name: string, parts: readonly Named[]): boolean => {
  const part = parts.find(({ ref }) => ref === name.toUpperCase());
  const how = part && findKind(part.kind)?.stimulus;
  return part === undefined || (how !== undefined && isMeasured(how));
};

/** `the darker it gets` as `it gets darker`. */
function turnedRound(clause: string): string {
  const [, word = '', rest] = new RegExp(`^the (${COMPARED}) (.+)$`, 'i').exec(clause) ?? [];
  if (rest === undefined) return clause;
  return /^light\b/i.test(rest) ? `${word} ${rest}` : `${rest} ${word}`;
}

/**
 * What is said of a part that follows another, as the sentence for it: `D1 gets darker as P1 is turned up`, `P1 dims D1`,
 * `the more P1 is turned, the brighter D1`. `undefined` for anything else.
 */
export function asFollowing(plain: string, parts: readonly Named[]): string | undefined {
  const sentence = (part: string, given: Given | undefined, less: boolean, tail = ''): string | undefined =>
    given && `${part} follows ${given.name}${given.isLess === less ? '' : ' the other way round'}${tail}`;
  const follows = new RegExp(`^${OF}(${NAMES})${ITS} ${FOLLOWS} ${OF}(${NAMES})${ITS}${TAIL}$`, 'i').exec(
    plain,
  );
  if (follows) return sentence(follows[1]!, givenIn(follows[2]!, parts), false, follows[3]);
  const stands = new RegExp(
    `^(${NAMES}) (?:is|stands|points|goes|moves|turns|stays) (?:at|to) (?:the )?(?:same )?${ASPECT}(?: set)? (?:of|as|by|on) (${NAMES})${TAIL}$`,
    'i',
  ).exec(plain);
  if (stands) return sentence(stands[1]!, givenIn(stands[2]!, parts), false, stands[3]);
  const controls = new RegExp(
    `^(?:turning )?(${NAMES}) (?:dims|controls|sets|steers|changes|moves|turns|drives) ${OF}(${NAMES})${ITS}${TAIL}$`,
    'i',
  ).exec(plain);
  if (controls) return sentence(controls[2]!, givenIn(controls[1]!, parts), false, controls[3]);
  const gets = new RegExp(
    `^${OF}(${NAMES})${ITS} (?:gets|becomes|turns|sounds|runs|is|grows|goes|rises|falls)(?: (${COMPARED}))?,? (?:(?:as|while|when) )?(.+?)${TAIL}$`,
    'i',
  ).exec(plain);
  // “When P1 is turned” alone is said of each time, which is another thing.
  const isEachTime = gets && new RegExp(`when ${NAMES} is (?:turned|set|moved)$`, 'i').test(plain);
  if (gets?.[2] && !isEachTime) {
    const found = sentence(gets[1]!, givenIn(turnedRound(gets[3]!), parts), isLess(gets[2]), gets[4]);
    if (found !== undefined) return found;
  }
  const more = new RegExp(
    `^(the ${COMPARED} .+?),? the (${COMPARED}) (?:(?:is|gets|turns|sounds|shines) )?${OF}(${NAMES})${ITS}(?: (?:is|gets|turns|sounds|shines))?${TAIL}$`,
    'i',
  ).exec(plain);
  return more
    ? sentence(more[3]!, givenIn(turnedRound(more[1]!), parts), isLess(more[2]!), more[4])
    : undefined;
}
