import { CALL_FOR_HELP, groupsOf, SIGNALS } from '../../expectations/morse';
import { NUMBER_SAID, numberSaid } from '../../words/words';
import { COLOUR, colourCalled } from './colours';
import { lightsIn, NAMES, timed } from './plain';
import { saying, SECONDS, TAIL, whole, type Meaning, type Way } from './way';

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

/** Flashes up to which a rhythm is written out as an example. */
const MOST_WRITTEN_OUT = 4;

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

/** How a part flickers, flashes, chirps and signals. */
export const waysFlashed: readonly Way[] = [
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
    pattern: whole(`(${NAMES}) (?:(?:is|does) not|never|stops?|no longer) (?:flash|blink)(?:es|ing)?${TAIL}`),
    means: ([subject = '']) => ({
      problem: `Say what is seen instead: “${subject.toUpperCase()} is on”, or “${subject.toUpperCase()} is off”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:flash|blink)(?:es|s)? (?:once )?every ${SECONDS}`),
    means: ([subject = '', period = '']) => {
      const half = timed(Number(period) / 2);
      return saying(`${subject} lit ${half} s, dark ${half} s`);
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:(?:is|goes|comes|turns|lights up) )?(?:on |lit )?(?:flashes |blinks )?for ${SECONDS} (?:once )?(?:every|each|once (?:a|per)) (?:sec|${SECONDS})`,
    ),
    means: ([subject = '', lit = '', period = '1']) =>
      Number(lit) < Number(period)
        ? saying(`${subject} lit ${lit} s, dark ${timed(Number(period) - Number(lit))} s`)
        : undefined,
  },
  {
    pattern: whole(
      `(${NAMES}) (?:flash|blink)(?:es|s)? (once|twice|\\d+ times),? (?:and |then )*(?:waits?|pauses?|rests?|stops?|(?:is|stays|goes) (?:off|dark))(?: for)? ${SECONDS}${REPEATED}`,
    ),
    means: ([subject = '', count = '', pause = '']) => {
      const times = countIn(count.replace(/ times/i, ''));
      const name = subject.toUpperCase();
      if (times > MOST_WRITTEN_OUT) return howItFlashes(name);
      const spells = [
        ...Array<string>(times - 1).fill('lit 0.2 s, dark 0.2 s'),
        `lit 0.2 s, dark ${pause} s`,
      ];
      return { problem: `Say how long each flash is: “${name} ${spells.join(', ')}”.` };
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
    pattern: whole(
      `(${NAMES}) (?:lights(?: up)?|is (?:on|lit)|comes on|goes on) (?:once )?every (?:sec|${SECONDS})`,
    ),
    means: ([subject = '', every = '1'], { parts }) => {
      const name = subject.toUpperCase();
      return lightsIn(parts).includes(name)
        ? { problem: `Say how long ${name} is on each time: “${name} is on for 0.2 s every ${every} s”.` }
        : undefined;
    },
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
  {
    pattern: whole(
      `(${NAMES}) (?:is (?:on|lit) (?:for )?(?:(?:about|around|roughly|more than|less than|at least|at most|over|under) )*(?:\\d+ %|an? \\w+|most|half|some|part) of (?:the time|each \\w+)|has (?:a |an? )?duty cycle .*)`,
    ),
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
];
