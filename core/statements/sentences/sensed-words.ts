import { restOf } from '../../stimuli';
import { SOMEBODY, THING, words, type DoingWords } from './doing-word';
import { isKnownTouched, NAMES, onlyTouched } from './plain';
import { SECONDS } from './way';

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
  words(
    `^${SOMEBODY} (?:enters|is there|is present|is in the room|arrives|appears|shows up)(.*)$`,
    ([rest], parts) => {
      const name = onlyTouched('motion', parts);
      return name && `motion at ${name}${rest}`;
    },
  ),
  words(`^(${NAMES}) (?:is |goes )(?:high|on|active)(.*)$`, ([name, rest], parts) =>
    isKnownTouched(name!, 'motion', parts) ? `motion at ${name}${rest}` : undefined,
  ),
  // something before a distance sensor
  words(
    `^(?:from|between) ${SECONDS} (?:to|until|and) ${SECONDS},? (${THING}.*)$`,
    ([from, to, said]) => `${said} from ${from} s to ${to} s`,
  ),
  words(
    `^(?:some(?:body|one)|you|we|I) (?:puts?|holds?|places?|moves?|brings?) ${THING} (?:at |to |within )?(\\d.*)$`,
    ([where]) => `something ${where}`,
  ),
  words(
    `^${THING} (?:drives|comes|moves|rolls|goes|gets|is)(?: up| as (?:close|near))? (?:to|as|within|at) (\\d[\\d.]* m)\\b(.*)$`,
    ([where, rest]) => `something ${where}${rest}`,
  ),
  words(`^${THING} at (\\d[\\d.]* m)\\b(.*)$`, ([where, rest]) => `something at ${where}${rest}`),
  words(
    `^(?:${THING} (?:is )?(?:removed|taken away|leaves|gone|disappears)|no (?:object|obstacle|hand|train|car|boat))((?: at .*)?)$`,
    ([at], parts) => {
      const sensor = onlyTouched('distance', parts);
      return sensor && `something ${restOf('distance')} m before ${sensor}${at || ' at 0 s'}`;
    },
  ),
  words(
    `^${THING} is (?:placed|put|held|moved|brought|set) (?:at |to |within )?(\\d.*)$`,
    ([where]) => `something ${where}`,
  ),
  words(
    `^(?:(?:hold|put|move|bring|wave) )?${THING} (?:(?:is |it )?(?:moved|moves|moving|comes|goes|gets|driven|drives|rolls|approaches)(?: closer| nearer| away| off)? )?from (\\d[\\d.]* m to \\d[\\d.]* m)(?: away)?(.*)$`,
    ([range, rest]) => `something from ${range}${rest!.replace(/ between (\S+ s) and /i, ' from $1 to ')}`,
  ),
  // warmth
  words(
    `^(?:(${NAMES}) )?(?:warms?|heats?|cools?)(?: up| down)? to (-?\\d[\\d.]*)(?: ?°(?: ?c)?| ?c)?(?: (?:at|by) ${SECONDS})?$`,
    ([name, degrees, at], parts, usual) => {
      const sensor = name ?? onlyTouched('warm', parts);
      return sensor && `warm ${sensor} to ${degrees} °C at ${at ?? usual} s`;
    },
  ),
  // the light in the room
  words(
    `^(?:(sunset|dusk|nightfall)|sunrise|dawn)((?: at .*)?)$`,
    ([dusk, at], parts) =>
      onlyTouched('light', parts) && `it gets ${dusk === undefined ? 'bright' : 'dark'}${at}`,
  ),
  words(
    `^(?:the )?(?:room )?lights? (?:(?:goes|go|is|are|gets|get)(?: switched| turned)? )?(?:(off|out)|on)((?: at .*)?)$`,
    ([off, at], parts) =>
      onlyTouched('light', parts) && `it gets ${off === undefined ? 'bright' : 'dark'}${at}`,
  ),
];
