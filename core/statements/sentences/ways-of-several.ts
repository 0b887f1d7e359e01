import { findKind, isSingleLight } from '../../parts';
import { NAMES, type Named } from './plain';
import { saying, whole, type Around, type Meaning, type Way } from './way';
import type { Reads } from './ways-staged';

/** Time windows, as they stand behind what they are about. */
const TAIL = '((?: (?:from|until|between|after|when|while|at|for) .*)?)';

const ledsIn = (parts: readonly Named[]): readonly string[] =>
  parts.filter((part) => findKind(part.kind) && isSingleLight(part)).map(({ ref }) => ref);

/** The meanings of sentences together; `undefined` where one of them has none. */
function all(sentences: readonly string[], reads: Reads, around: Around, depth: number): Meaning | undefined {
  const meant = sentences.map((sentence) => reads(sentence, around, depth + 1));
  const problem = meant.find((one) => one && 'problem' in one);
  if (problem) return problem;
  return meant.every((one) => one)
    ? { sentences: meant.flatMap((one) => (one && 'sentences' in one ? one.sentences : [])) }
    : undefined;
}

/** What several parts do at once: `only D1 is on`, `one LED at a time`, `D1 is on, D2 is off`. */
export const waysOfSeveral = (reads: Reads): readonly Way[] => [
  {
    pattern: whole(
      `(?:only (${NAMES}) (?:is |are )?(?:on|lit)|(${NAMES}) (?:alone|only) is (?:on|lit)|(${NAMES}) is the only one (?:on|lit))${TAIL}`,
    ),
    means: ([first, second, third, tail = ''], around, depth) => {
      const name = (first ?? second ?? third ?? '').toUpperCase();
      const others = ledsIn(around.parts).filter((other) => other !== name);
      return all(
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
      const leds = ledsIn(parts);
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
  // D1 is on, D2 is off
  {
    pattern: whole(`(${NAMES} [^,;]+(?:[,;] (?:and |but )?${NAMES} [^,;]+)+)`),
    means: ([said = ''], around, depth) =>
      /\bthen\b/i.test(said)
        ? undefined
        : all(said.split(/[,;] (?:and |but )?(?=[A-Z]{1,4}\d)/i), reads, around, depth),
  },
];
