import { words, type DoingWords } from './doing-word';
import { isKnownTouched, NAMES, onlyTouched } from './plain';

const SOMEBODY = '(?:some(?:thing|body|one)|an? (?:person|visitor|hand|cat|dog)|you|we)';
const THING = '(?:something|(?:the |an? |your )?(?:hand|book|box|finger|object|obstacle|train|car|boat))';

/** What comes before a sensor, in whatever words, as the words in which it is read. */
export const sensedWords: readonly DoingWords[] = [
  // somebody before a motion sensor
  words(
    `^(?:trigger (${NAMES})|(${NAMES}) (?:is triggered|triggers|fires|responds|reacts))(.*)$`,
    ([one, other, rest], parts) => {
      const name = one ?? other!;
      return isKnownTouched(name, 'motion', parts) ? `motion at ${name}${rest}` : undefined;
    },
  ),
  words(
    `^${SOMEBODY} (?:(?:is|stands|appears|walks|moves|passes|comes|goes) )?(?:in front of|before|near|past|close to) (?:the sensor|(${NAMES}))(.*)$`,
    ([named, rest], parts) => {
      const name = named ?? onlyTouched('motion', parts);
      return name !== undefined && isKnownTouched(name, 'motion', parts)
        ? `motion at ${name}${rest}`
        : undefined;
    },
  ),
  // something before a distance sensor
  words(
    `^${THING} is (?:placed|put|held|moved|brought|set) (?:at |to |within )?(\\d.*)$`,
    ([where]) => `something ${where}`,
  ),
  words(
    `^(?:(?:hold|put|move|bring|wave) )?${THING} (?:(?:is |it )?(?:moved|moves|moving|comes|goes|gets|driven|drives|rolls|approaches)(?: closer| nearer| away| off)? )?from (\\d[\\d.]* m to \\d[\\d.]* m)(?: away)?(.*)$`,
    ([range, rest]) => `something from ${range}${rest!.replace(/ between (\S+ s) and /i, ' from $1 to ')}`,
  ),
  // the light in the room
  words(
    `^(?:the )?(?:room )?lights? (?:(?:goes|go|is|are|gets|get)(?: switched| turned)? )?(?:(off|out)|on)((?: at .*)?)$`,
    ([off, at], parts) =>
      onlyTouched('light', parts) && `it gets ${off === undefined ? 'bright' : 'dark'}${at}`,
  ),
];
