import { CALL_FOR_HELP, groupsOf, SIGNALS } from '../../expectations/morse';
import { NUMBER_SAID, numberSaid } from '../../words/words';
import { COLOUR, colourCalled } from './colours';
import { observedOf, stated } from './on-off';
import { lightsIn, NAMES, timed } from './plain';
import { AT_ONCE } from './ways-pressed';
import { saying, SECONDS, whole, type Meaning, type Way } from './way';

/** Points of brightness by which “90 % bright” may be off. */
const ABOUT = 10;
/** What is called dim and what bright, in percent as an eye sees it. */
const DIM = [5, 50] as const;
const BRIGHT = [60, 100] as const;

/** Time windows, as they stand behind what they are about. */
const TAIL = '((?: (?:from|until|between|after) .*)?)';
const COUNT = `(?:once|twice|${NUMBER_SAID})(?: times?)?`;
/** `three short`, `short twice`, `3 long flashes`. */
const SHORT_OR_LONG = `(?:${COUNT} (?:short|long)(?:ly)?(?: (?:ones?|flash(?:es)?|blinks?|beeps?|signals?|times?|tones?))?|(?:short|long)(?:ly)? ${COUNT})`;

const countIn = (group: string): number => {
  if (/\bonce\b/i.test(group)) return 1;
  if (/\btwice\b/i.test(group)) return 2;
  return numberSaid(new RegExp(`\\b${NUMBER_SAID}\\b`, 'i').exec(group)?.[0] ?? '1');
};

const howItFlashes = (name: string): Meaning => ({
  problem: `Say how ${name} flashes: “${name} flashes 3 times”, or “${name} lit 0.5 s, dark 0.5 s”.`,
});

/** What signals may be said to do, and do anyway. */
const REPEATED = '(?:,? (?:over and over(?: again)?|again and again|repeatedly|in a loop|for ?ever))?';

/** `SOS` in capitals and `... ---` are signals; `once`, `slowly` and the name of a part are none. */
const isMeantAsSignals = (said: string): boolean =>
  new RegExp(`^(?:${SIGNALS})$`).test(said) && !/^\d+$/.test(said) && !new RegExp(`^${NAMES}$`).test(said);

const FLAME = '(?:candle|flame|fire|camp ?fire|fireplace|torch|ember)s?';
/** Without a rhythm. */
const BY_CHANCE = '(?:at random|randomly|irregularly|unevenly|unsteadily|by chance|without (?:a|any) rhythm)';
const FLICKERS = [
  `(?:flickers?|(?:is|are) flickering)(?: (?:like (?:an? |the )?${FLAME}|${BY_CHANCE}))?`,
  `(?:flash|blink|change|glow|twinkle)(?:e?s)? ${BY_CHANCE}`,
  `(?:look|glow|burn|behave|act|shine)s? like (?:an? |the )?${FLAME}`,
].join('|');

/** How a part is seen, heard and read: rhythms, colours, tones, texts, brightness and angles. */
export const waysSeen: readonly Way[] = [
  // a flame
  {
    pattern: whole(`(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})*) (?:${FLICKERS})${TAIL}`),
    means: ([subjects = '', tail = '']) =>
      saying(...subjects.split(/,? (?:and )?|,/).map((subject) => `${subject} flickers${tail}`)),
  },
  // rhythms
  {
    pattern: whole(
      `(${NAMES}) (flash|blink|beep|chirp)(?:es|s)? (?:once )?(?:(?:twice|\\d+ times) as (?:fast|quickly|slowly|often)|faster|slower|more (?:quickly|slowly|often)|quicker)\\b.*`,
    ),
    means: ([subject = '', does = '']) => ({
      problem: `Say how often at two settings, each in a scenario of its own, as in “with P1 at 0 %, ${subject.toUpperCase()} ${/beep|chirp/i.test(does) ? 'beeps' : 'flashes'} 3 times from 1 s to 6 s”.`,
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
    pattern: whole(
      `(${NAMES}) (?:toggles|changes|switches|goes on and off|turns over)(?: its state)? every (?:sec|half sec|${SECONDS})`,
    ),
    means: ([subject = '', length = '1']) => saying(`${subject} lit ${length} s, dark ${length} s`),
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (\\d+ times) (?:in|within|over|during) ${SECONDS}`),
    means: ([subject = '', count = '', length = '']) =>
      saying(`${subject} flashes ${count} until ${length} s`),
  },
  // dots and dashes
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink|beep|chirp|signal|send|sound|play|morse|give|show|tap|spell)(?:es|s)?(?: out)?(?: the)?(?: (?:letters?|word|code|signal|Morse code(?: for)?))* ["“']?([A-Z0-9.\\- ]+?)["”']?(?: in Morse(?: code)?)?${REPEATED}${TAIL}`,
    ),
    means: ([subject = '', signals = '', tail = '']) =>
      isMeantAsSignals(signals) ? saying(`${subject} signals “${signals}”${tail}`) : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink|beep|chirp|signal|sound)(?:es|s)? ((?:${SHORT_OR_LONG}(?:,| and| then|, then|, and)* ?)+)${TAIL}`,
    ),
    means: ([subject = '', counted = '', tail = '']) => {
      const groups = [...counted.matchAll(new RegExp(SHORT_OR_LONG, 'gi'))].map(([group]) => group);
      const signs = groups.map((group) => (/long/i.test(group) ? '-' : '.').repeat(countIn(group)));
      // Nothing is said of pauses between letters.
      const all = signs.join('');
      const said = groupsOf(CALL_FOR_HELP).join('') === all ? CALL_FOR_HELP : all;
      return signs.length > 1 ? saying(`${subject} signals “${said}”${tail}`) : undefined;
    },
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (?:in )?(${COLOUR}|${NAMES})`),
    means: ([subject = '', colour = ''], { parts }) => {
      const name = subject.toUpperCase();
      if (lightsIn(parts).includes(name)) return howItFlashes(name);
      return {
        problem: `Say how long ${name} is lit and dark: “${name} is ${colourCalled(colour)} for 0.5 s, then off for 0.5 s, over and over”, or “${name} lit 0.5 s, dark 0.5 s”.`,
      };
    },
  },
  {
    pattern: whole(`(${NAMES}) (?:(?:is|does) not|never) (?:flash|blink)(?:es|ing)?`),
    means: ([subject = '']) => ({
      problem: `Say what is seen instead: “${subject.toUpperCase()} is on”, or “${subject.toUpperCase()} is off”.`,
    }),
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
    means: ([subject = '']) => howItFlashes(subject.toUpperCase()),
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
      `(${NAMES}) (?:is|glows|shines|looks) (?:(?:half|twice|a third|as) (?:as )?(?:bright|dark|dim)|brighter|darker|dimmer)(?: (?:as|than))+ (${NAMES})`,
    ),
    means: ([subject = '', other = '']) => ({
      problem: `Say how bright each of them is: “${subject.toUpperCase()} is at 50 %”, and “${other.toUpperCase()} is at 100 %”.`,
    }),
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
    pattern: whole(`(${NAMES}) is (?:on|lit) (?:most|half|some|part) of the time`),
    means: ([subject = '']) => ({
      problem: `Say how long it is lit and how long dark: “${subject.toUpperCase()} lit 2 s, dark 1 s”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (?:slowly|quickly|fast|rapidly)`),
    means: ([subject = '']) => ({
      problem: `Say how fast ${subject.toUpperCase()} blinks: “${subject.toUpperCase()} lit 0.5 s, dark 0.5 s”.`,
    }),
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
  // how bright, how far
  {
    pattern: whole(`(${NAMES}) (?:is )?(?:at )?half(?: as)? bright(?:ness)?(.*)`),
    means: ([subject = '', tail = '']) =>
      saying(`${subject} is between ${50 - ABOUT} and ${50 + ABOUT} % bright${tail}`),
  },
  {
    pattern: whole(
      `(${NAMES})(?:['’]s)?(?: brightness)? (?:is |stays |glows |shines |remains )?(?:at )?(?:(at most|no more than|not more than|not over|up to|below|under|less than|dimmer than|darker than)|(?:at least|no less than|not less than|not under|above|over|more than|brighter than)) (\\d+(?:\\.\\d+)?) %(?: bright| brightness)?(?! of)(.*)`,
    ),
    means: ([subject = '', isBelow, percent = '', tail = ''], { parts }) =>
      ['light', undefined].includes(observedOf(subject, parts))
        ? saying(
            `${subject} is between ${isBelow === undefined ? `${percent} and 100` : `0 and ${percent}`} % bright${tail}`,
          )
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:is |stays |glows |shines )?(?:at )?(\\d+(?:\\.\\d+)?) %(?: bright)? or (?:(less|dimmer|darker|lower)|more|brighter|higher)(.*)`,
    ),
    means: ([subject = '', percent = '', isBelow, tail = '']) =>
      saying(
        `${subject} is between ${isBelow === undefined ? `${percent} and 100` : `0 and ${percent}`} % bright${tail}`,
      ),
  },
  {
    pattern: whole(`(${NAMES}) (?:is |stays )?fully (?:on|lit)(.*)`),
    means: ([subject = '', tail = ''], { parts }) =>
      observedOf(subject, parts) === 'light'
        ? saying(`${subject} is between ${BRIGHT[0]} and ${BRIGHT[1]} % bright${tail}`)
        : undefined,
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
