import { COLOUR, colourCalled } from './colours';
import { observedOf } from './on-off';
import { NAMES, timed } from './plain';
import { saying, SECONDS, whole, type Way } from './way';

/** Points of brightness by which “90 % bright” may be off. */
const ABOUT = 10;
/** What is called dim and what bright, in percent as an eye sees it. */
const DIM = [5, 50] as const;
const BRIGHT = [60, 100] as const;

/** How a part is seen, heard and read: rhythms, colours, tones, texts, brightness and angles. */
export const waysSeen: readonly Way[] = [
  // rhythms
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink|beep|chirp)(?:es|s)? (?:once )?(?:faster|slower|more (?:quickly|slowly)|quicker)\\b.*`,
    ),
    means: ([subject = '']) => ({
      problem: `Say how often at two settings, each in a scenario of its own: “with P1 at 0 %, ${subject.toUpperCase()} flashes 3 times from 1 s to 6 s”.`,
    }),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink)(?:es|s)? (?:(once|twice|\\d+ times?) (?:a|per|each|every) sec|(?:every|each) sec)`,
    ),
    means: ([subject = '', count]) => {
      const times =
        count === undefined || /once/i.test(count)
          ? 1
          : /twice/i.test(count)
            ? 2
            : Number.parseInt(count, 10);
      const half = timed(Math.round(500_000 / times) / 1e6);
      return saying(`${subject} lit ${half} s, dark ${half} s`);
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink)(?:es|s)? (?:at|with|by) (?:a (?:rate|frequency) of )?(\\d+(?:\\.\\d+)?) ?hz`,
    ),
    means: ([subject = '', hertz = '']) => {
      const half = timed(0.5 / Number(hertz));
      return Number(hertz) > 0 ? saying(`${subject} lit ${half} s, dark ${half} s`) : undefined;
    },
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? every ${SECONDS}`),
    means: ([subject = '', period = '']) => {
      const half = timed(Number(period) / 2);
      return saying(`${subject} lit ${half} s, dark ${half} s`);
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is )?(lit|on|dark|off) (?:for )?${SECONDS},? (?:and |then )*(?:is )?(lit|on|dark|off) (?:for )?${SECONDS}(?:,? over and over)?`,
    ),
    means: ([subject = '', first = '', one = '', second = '', other = '']) =>
      saying(`${subject} ${first} ${one} s, ${second} ${other} s`),
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)?`),
    means: ([subject = '']) => ({
      problem: `Say how ${subject.toUpperCase()} flashes: “${subject.toUpperCase()} flashes 3 times”, or “${subject.toUpperCase()} lit 0.5 s, dark 0.5 s”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (once|twice|\\d+ times?)(.*)`),
    means: ([subject = '', count = '', tail = '']) => saying(`${subject} flashes ${count}${tail}`),
  },
  {
    pattern: whole(`(${NAMES}) (?:beep|chirp|buzz)(?:es|s)?(?!.* hz)(?: (once|twice|\\d+ times?))?(.*)`),
    means: ([subject = '', count = 'once', tail = '']) => saying(`${subject} chirps ${count}${tail}`),
  },
  {
    pattern: whole(`(${NAMES}) toggles?`),
    means: ([subject = '']) => ({
      problem: `Say what ${subject.toUpperCase()} changes with: “${subject.toUpperCase()} toggles when S1 is pressed”.`,
    }),
  },
  // what colour it gets, which way it goes
  {
    pattern: whole(
      `(${NAMES}) (?:is|turns|goes|becomes|gets|changes to|lights(?: up)?|shines) (${COLOUR})\\b(.*)`,
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
      `(${NAMES}) (?:fades|dims|gets|goes) (in|up|brighter|out|down|darker|dimmer) (?:over|within|in) ${SECONDS}`,
    ),
    means: ([subject = '', way = '', length = '']) =>
      saying(
        `${subject} gets ${/^(?:in|up|brighter)$/i.test(way) ? 'brighter' : 'darker'} until ${length} s`,
      ),
  },
  {
    pattern: whole(`(${NAMES}) (?:pulses|breathes|fades(?: in and out| up and down)?|changes brightness)`),
    means: ([subject = '']) => {
      const name = subject.toUpperCase();
      return {
        problem: `Say when ${name} gets brighter and when darker: “${name} gets brighter until 2 s”, and “${name} gets darker from 2 s to 4 s”.`,
      };
    },
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (?:slowly|quickly|fast|rapidly)`),
    means: ([subject = '']) => ({
      problem: `Say how fast ${subject.toUpperCase()} blinks: “${subject.toUpperCase()} lit 0.5 s, dark 0.5 s”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:fades|dims|gets|goes) (in|up|brighter|out|down|darker|dimmer)((?: .*)?)`),
    means: ([subject = '', way = '', tail = '']) =>
      saying(`${subject} gets ${/^(?:in|up|brighter)$/i.test(way) ? 'brighter' : 'darker'}${tail}`),
  },
  // how it sounds
  {
    pattern: whole(`(${NAMES}) (?:plays|sounds)(?: at)? (\\d+) ?hz,? (?:and )?then (?:at )?(\\d+) ?hz`),
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
  // what is written
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
    pattern: whole(`(${NAMES}) (?:shows|displays|reads|prints) (?:the |how )(.*)`),
    means: ([subject = ''], { parts }) =>
      observedOf(subject, parts) === 'text'
        ? {
            problem: `Say what ${subject.toUpperCase()} reads then, in a scenario of its own: ${subject.toUpperCase()} reads “22 °C”.`,
          }
        : undefined,
  },
  // how bright, how far
  {
    pattern: whole(`(${NAMES}) (?:is )?(?:at )?half(?: as)? bright(?:ness)?(.*)`),
    means: ([subject = '', tail = '']) =>
      saying(`${subject} is between ${50 - ABOUT} and ${50 + ABOUT} % bright${tail}`),
  },
  {
    pattern: whole(`pin (\\w+) is not (high|low|on|off)(.*)`),
    means: ([pin = '', is = '', tail = '']) =>
      saying(`pin ${pin} is ${/^(?:high|on)$/i.test(is) ? 'low' : 'high'}${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES})(?:['’]s)?(?: brightness)? (?:is )?(?:dimmed |faded |set )?(?:to )?(?:at |about |around )*(\\d+(?:\\.\\d+)?) %(?: bright)?(.*)`,
    ),
    means: ([subject = '', percent = '', tail = '']) =>
      saying(
        `${subject} is between ${Math.max(0, Number(percent) - ABOUT)} and ${Math.min(100, Number(percent) + ABOUT)} % bright${tail}`,
      ),
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
    pattern: whole(`(${NAMES}) (?:is |turns |points |goes |moves )?(?:at |to )(\\d+(?:\\.\\d+)?) ?°?(.*)`),
    means: ([subject = '', angle = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'angle' || parts.length === 0
        ? saying(`${subject} stands at ${angle}°${tail}`)
        : undefined,
  },
];
