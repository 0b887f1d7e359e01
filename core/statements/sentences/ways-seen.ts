import { COLOUR, colourCalled } from './colours';
import { observedOf } from './on-off';
import { NAMES, timed } from './plain';
import { saying, SECONDS, whole, type Way } from './way';
import { AT_ONCE } from './ways-pressed';

/** Points of brightness by which “90 % bright” may be off. */
const ABOUT = 10;
/** What is called dim and what bright, in percent as an eye sees it. */
const DIM = [5, 50] as const;
const BRIGHT = [60, 100] as const;

/** How a part is seen, heard and moved: colours, tones, brightness and angles. */
export const waysSeen: readonly Way[] = [
  // what colour it gets, which way it goes
  {
    pattern: whole(
      `(${NAMES}) (?:is|turns|goes|becomes|gets|changes to|lights(?: up)?|shines|glows|stays|remains) (${COLOUR})\\b(.*)`,
    ),
    means: ([subject = '', colour = '', tail = '']) => saying(`${subject} is ${colourCalled(colour)}${tail}`),
  },
  {
    pattern: whole(`(${NAMES}) (?:turns|runs|goes|moves|spins) (for|back)wards?((?: .*)?)`),
    means: ([subject = '', way = '', tail = '']) =>
      saying(`${subject} turns ${way.toLowerCase()}wards${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:fades|dims|gets|goes(?! out)) (in|up|brighter|out|down|darker|dimmer) (?:over|within|in) ${SECONDS}`,
    ),
    means: ([subject = '', way = '', length = '']) =>
      saying(
        `${subject} gets ${/^(?:in|up|brighter)$/i.test(way) ? 'brighter' : 'darker'} until ${length} s`,
      ),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:pulses|breathes|fades(?: in and out| up and down)?|changes brightness)(?: (?:every ${SECONDS}|over and over|slowly|smoothly|gently))*`,
    ),
    means: ([subject = '']) => {
      const name = subject.toUpperCase();
      return {
        problem: `Say when ${name} gets brighter and when darker: “${name} gets brighter until 2 s”, and “${name} gets darker from 2 s to 4 s”.`,
      };
    },
  },
  {
    pattern: whole(
      `(?:(?:all|both) LEDs|(${NAMES})(?:, ${NAMES})* and (${NAMES})) (?:are|glow|shine|look) (?:equally|just as|the same) (?:bright|dark|dim)(?:ness)?`,
    ),
    means: ([one = 'D1', other = 'D2']) => ({
      problem: `Say how bright each of them is: “${one.toUpperCase()} is at 50 %”, and “${other.toUpperCase()} is at 50 %”.`,
    }),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is|glows|shines|looks) (?:(?:half|twice|a third|as) (?:as )?(?:bright|dark|dim)|brighter|darker|dimmer)(?: (?:as|than))+ (${NAMES})`,
    ),
    means: ([subject = '', other = '']) => ({
      problem: `Say how bright each of them is: “${subject.toUpperCase()} is at 50 %”, and “${other.toUpperCase()} is at 100 %”.`,
    }),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is|stands|points|goes|turns|moves|swings|returns)(?: back)? (?:in|at|to) (?:the |its )?(?:middle|cent(?:re|er)|mid(?:dle)?[- ]position)(?: position)?(.*)`,
    ),
    means: ([subject = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'angle' ? saying(`${subject} stands at 90°${tail}`) : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:plays|sounds|makes|gives) (?:(?:an? )?(?:tune|melody|song|jingle|scale)|(?:\\w+ )?(?:notes|tones)|(?:an? )?(?:low|high|deep|short|long|\\w+er)(?: \\w+)?,? .*)`,
    ),
    means: ([subject = ''], { parts }) =>
      observedOf(subject, parts) === 'sound'
        ? {
            problem: `Say how high each tone is and how long it lasts: “${subject.toUpperCase()} plays 262 Hz for 0.5 s, then 523 Hz for 0.5 s”.`,
          }
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:fades|dims|gets|goes(?! out)) (in|up|brighter|out|down|darker|dimmer)((?: .*)?)`,
    ),
    means: ([subject = '', way = '', tail = '']) =>
      saying(`${subject} gets ${/^(?:in|up|brighter)$/i.test(way) ? 'brighter' : 'darker'}${tail}`),
  },
  // how it sounds
  {
    pattern: whole(
      `(${NAMES}) (?:plays|sounds)(?: at)? (\\d+) ?hz,? (?:and )?(?:then )?(?:at )?(\\d+) ?hz(?:,? (?:and )?(?:then )?(?:at )?\\d+ ?hz)*`,
    ),
    means: ([subject = '', first = '', second = '']) => ({
      problem: `Say how long each of them lasts: “${subject.toUpperCase()} sounds at ${first} Hz for 0.5 s, then at ${second} Hz for 0.5 s”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:goes|moves|turns|swings) to (\\d+)°,? and (?:then )?back(?: to (\\d+)°)?`),
    means: ([subject = '', there = '', back = '0'], { parts }) =>
      observedOf(subject, parts) === 'angle'
        ? {
            problem: `Say how long ${subject.toUpperCase()} stands at each of them: “${subject.toUpperCase()} stands at ${there}° for 1 s, then at ${back}°”.`,
          }
        : undefined,
  },
  {
    pattern: whole(`(${NAMES}) (?:plays|makes|gives) (?:a )?(?:tone|sound|noise)(.*)`),
    means: ([subject = '', tail = '']) => saying(`${subject} sounds${tail}`),
  },
  {
    pattern: whole(`(${NAMES}) (?:plays|sounds|beeps|buzzes)(?: at| with)? (\\d+(?:\\.\\d+)?) ?hz(.*)`),
    means: ([subject = '', hertz = '', tail = '']) =>
      saying(`${subject} sounds at ${hertz} Hz${tail.replace(/^ for (?=\d[\d.]*(?: s)?$)/, ' until ')}`),
  },
  {
    pattern: whole(`(${NAMES}) (?:(?:does not|never) changes?|stays as it is|stays the same)`),
    means: ([subject = '']) => ({
      problem: `Say what ${subject.toUpperCase()} is then: “${subject.toUpperCase()} is off”, or “${subject.toUpperCase()} is on”.`,
    }),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |goes |turns |comes )?(on|off) after ${SECONDS},? (?:and |then |but )*(?:is |goes |turns )?(on|off)(?: again)? after ${SECONDS}`,
    ),
    means: ([subject = '', first = '', begins = '', second = '', ends = '']) =>
      first !== second && Number(begins) < Number(ends)
        ? saying(
            `${subject} is ${first} from ${timed(Number(begins) + AT_ONCE)} s to ${ends} s`,
            `${subject} is ${second} from ${timed(Number(ends) + AT_ONCE)} s`,
          )
        : undefined,
  },
  // how bright, how far
  {
    pattern: whole(`(${NAMES}) (?:is )?(?:at )?half(?: as)? bright(?:ness)?(.*)`),
    means: ([subject = '', tail = '']) =>
      saying(`${subject} is between ${50 - ABOUT} and ${50 + ABOUT} % bright${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |stays |looks )?(?:(?:nearly|almost|just about) )?(?:fully |at full )(?:on|lit|bright|brightness)(.*)`,
    ),
    means: ([subject = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'light'
        ? saying(`${subject} is between ${BRIGHT[0]} and ${BRIGHT[1]} % bright${tail}`)
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |stays |looks )?(?:nearly|almost|just about|barely|hardly) (?:off|dark|out|on|lit)(.*)`,
    ),
    means: ([subject = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'light'
        ? saying(`${subject} is between 0 and ${2 * ABOUT} % bright${tail}`)
        : undefined,
  },
  {
    pattern: whole(`pin (\\w+) is not (high|low|on|off)(.*)`),
    means: ([pin = '', is = '', tail = '']) =>
      saying(`pin ${pin} is ${/^(?:high|on)$/i.test(is) ? 'low' : 'high'}${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |stays |looks |shines |glows )?(?:only |at |very |quite |fully |full )*(dim|dimly|dimmed|bright|brightly|brightness)((?: (?:all|from|until|between) .*)?)`,
    ),
    means: ([subject = '', how = '', tail = ''], { parts }) => {
      if (!['light', undefined].includes(observedOf(subject, parts))) return undefined;
      const [low, high] = /^dim/i.test(how) ? DIM : BRIGHT;
      return saying(`${subject} is between ${low} and ${high} % bright${tail}`);
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |turns |points |goes |moves |swings |returns )?(?:back )?(?:at |to )(\\d+(?:\\.\\d+)?) ?°?(.*)`,
    ),
    means: ([subject = '', angle = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'angle' || parts.length === 0
        ? saying(`${subject} stands at ${angle}°${tail.replace(/^ after (?=\d[\d.]* s$)/, ' from ')}`)
        : undefined,
  },
];
