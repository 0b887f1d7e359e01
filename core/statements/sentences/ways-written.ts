import { observedOf, stated } from './on-off';
import { NAMES } from './plain';
import { saying, TAIL, whole, type Way } from './way';

/** What a display shows. */
export const waysWritten: readonly Way[] = [
  {
    pattern: whole(`(${NAMES}) (?:is|goes|gets|becomes|stays|turns) (?:blank|empty|cleared)((?: .*)?)`),
    means: ([subject = '', tail = ''], around) =>
      observedOf(subject, around.parts) === 'text'
        ? saying(`${subject} reads ""${tail}`)
        : saying(`${stated(subject, 'off', around)}${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:shows|displays|says|reads) (["“'][^"“”]*["”']) and (["“'][^"“”]*["”'])(.*)`,
    ),
    means: ([subject = '', first = '', second = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'text'
        ? saying(`${subject} reads ${first} / ${second}${tail}`)
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:shows|displays|says|reads) (["“'].*["”']) (?:in|on) (?:the )?(first|top|upper|second|bottom|lower) (?:line|row)(.*)`,
    ),
    means: ([subject = '', text = '', line = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'text'
        ? saying(`${subject} reads ${/^(?:first|top|upper)$/i.test(line) ? '' : '"" / '}${text}${tail}`)
        : undefined,
  },
  {
    pattern: whole(`(${NAMES}) (?:shows|displays|says) (["“'].*)`),
    means: ([subject = '', text = ''], { parts }) =>
      observedOf(subject, parts) === 'text' || parts.length === 0
        ? saying(`${subject} reads ${text}`)
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:counts(?: up)?(?: the| all)?(?: presses| clicks)?|shows (?:the number of|how many) (?:presses|clicks)|(?:counts|goes) up)((?: .*)?)`,
    ),
    means: ([subject = ''], { parts }) =>
      ['text', 'light'].includes(observedOf(subject, parts) ?? '')
        ? {
            problem: `Say what ${subject.toUpperCase()} shows after so many presses: “after 3 presses of S1, ${subject.toUpperCase()} ${observedOf(subject, parts) === 'text' ? 'reads “3”' : 'shows 3'}”.`,
          }
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:shows|displays|says|reads) ((?!the |an? |how |what |its |nothing|all |text|number|“|")[A-Za-z][\\w !?'-]*?)(?: (?:in|on) (?:the )?(first|top|upper|second|bottom|lower) (?:line|row))?${TAIL}`,
    ),
    means: ([subject = '', text = '', line = 'first', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'text' && !/ (?:when|while|if|as) /.test(text)
        ? saying(`${subject} reads ${/^(?:first|top|upper)$/i.test(line) ? '' : '"" / '}“${text}”${tail}`)
        : undefined,
  },
  {
    pattern: whole(`(${NAMES}) (?:shows|displays|reads|prints) (?:the |how )(.*)`),
    means: ([subject = ''], { parts }) =>
      observedOf(subject, parts) === 'text'
        ? {
            problem: `Say what ${subject.toUpperCase()} reads then, in a scenario of its own: ${subject.toUpperCase()} reads “22 °C”.`,
          }
        : undefined,
  },
];
