import { readExpectation, type Expectation } from '../../expectations';
import { fail, ok, type Result } from '../../result';
import { isPress, type Stimulus } from '../../stimuli';
import { ofFigures } from './figures';
import { observedOf, stated, stateOf } from './on-off';
import { NAMES, plainly, timed, type Named } from './plain';
import { aboutThePress, unseenIn } from './subjects';

/** Seconds within which an answer to a press is taken for at once. */
const AT_ONCE = 0.1;
/** Points of brightness by which “90 % bright” may be off. */
const ABOUT = 10;
/** What is called dim and what bright, in percent as an eye sees it. */
const DIM = [5, 50] as const;
const BRIGHT = [60, 100] as const;

/**
 * What must be seen, as people say it: `D1 and D2 blink 3 times`, `the LED is on for 5 s after S1`, `D1 is lit while S1
 * is held`. One sentence may be several expectations; each is shown as the sentence that it became. `done`: what is
 * done meanwhile, since a press is held for as long as it says.
 */
export function readExpected(
  text: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
): Result<readonly Expectation[]> {
  const figures = ofFigures(aboutThePress(plainly(text, parts), parts), parts);
  if ('problem' in figures) return fail({ message: figures.problem, typed: text });
  const plain = figures.sentence;
  const unseen = unseenIn(plain, parts);
  if (unseen !== undefined) return fail({ message: unseen, typed: text });
  const direct = readExpectation(plain === plainly(text, parts) ? text : plain);
  if (direct.ok) return ok([direct.value]);
  const meant = meaning(plain, { parts, done }, 0);
  if (!meant) return direct;
  if ('problem' in meant) return fail({ message: meant.problem, typed: text });
  const read = meant.sentences.map((sentence) => readExpectation(sentence));
  const wrong = read.find((one) => !one.ok);
  if (wrong) return meant.sentences.length === 1 && meant.sentences[0] === plain ? direct : wrong;
  return ok(read.flatMap((one) => (one.ok ? [one.value] : [])));
}

interface Around {
  readonly parts: readonly Named[];
  readonly done: readonly Stimulus[];
}

/** The sentences that are meant, or what is missing to know. */
type Meaning = { readonly sentences: readonly string[] } | { readonly problem: string };

const saying = (...sentences: string[]): Meaning => ({ sentences });

const SECONDS = String.raw`(\d+(?:\.\d+)?)(?: s)?`;
/** A press, turn or change of a part, in whatever words. */
const USED = `(${NAMES})(?: is (?:pressed|pushed|used|turned|touched))?`;

/** A way to say something: its pattern, and what it means; `undefined` where it means nothing after all. */
interface Way {
  readonly pattern: RegExp;
  readonly means: (found: readonly string[], around: Around, depth: number) => Meaning | undefined;
}

const IN_ORDER =
  /^(?:(?:light|come|go|turn|shine|are lit)(?: up| on)? )?(?:take turns|in turn|one after (?:another|the other)|in (?:this|that) order)$/i;
const TOGGLES = /^(?:toggles?|changes?|switches?|turns over)$/i;

const whole = (source: string): RegExp => new RegExp(`^${source}$`, 'i');

const ways: readonly Way[] = [
  // D1 and D2 never at once
  {
    pattern: whole(
      `(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+) (?:are |is )?never (?:both |all )?(?:(?:on|lit|shine|light up)(?: both)?)? ?(?:together|at once|at the same time)`,
    ),
    means: ([names = '']) =>
      saying(`${(names.match(new RegExp(NAMES, 'g')) ?? []).join(' and ')} never lit together`),
  },
  // D1, D2 and D3 …
  {
    pattern: whole(`(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+) (?!.*never)(.+)`),
    means: ([names = '', rest = ''], around, depth) => {
      const all = names.match(new RegExp(NAMES, 'g')) ?? [];
      if (IN_ORDER.test(rest)) return saying(all.join(', then '));
      const each = all.map((name) => meaning(`${name} ${singular(rest)}`, around, depth + 1));
      const problem = each.find((one) => one && 'problem' in one);
      if (problem) return problem;
      return each.every((one) => one)
        ? { sentences: each.flatMap((one) => (one && 'sentences' in one ? one.sentences : [])) }
        : undefined;
    },
  },
  // … while S1 is held
  {
    pattern: whole(`(.+?),? (?:while|as long as|when) (${NAMES}) is (?:held(?: down)?|down|kept pressed)`),
    means: ([said = '', name = ''], around) => whileHeld(said, name, around),
  },
  {
    pattern: whole(`(.+?),? (?:while|as long as) (${NAMES}) is pressed`),
    means: ([said = '', name = ''], around) => whileHeld(said, name, around),
  },
  // … for 5 s after S1, with what comes after it
  {
    pattern: whole(`(${NAMES}) (.+?) for ${SECONDS} (?:after|when|once|each time) ${USED}`),
    means: ([subject = '', said = '', length = '', name = ''], around) => {
      const state = stateOf(said);
      if (!state) return undefined;
      const until = Number(length);
      const end = Math.max(AT_ONCE, timed(until - AT_ONCE));
      return saying(
        `${stated(subject, state, around)} from ${AT_ONCE} s to ${end} s after ${name}`,
        `${stated(subject, state === 'on' ? 'off' : 'on', around)} from ${timed(until + AT_ONCE)} s after ${name}`,
      );
    },
  },
  // … 2 s after S1
  {
    pattern: whole(`(${NAMES}) (.+?) ${SECONDS} after ${USED}`),
    means: ([subject = '', said = '', after = '', name = ''], around) => {
      const state = stateOf(said);
      return (
        state &&
        saying(`${stated(subject, state, around)} from ${timed(Number(after) + AT_ONCE)} s after ${name}`)
      );
    },
  },
  // … when S1 is pressed
  {
    pattern: whole(
      `(${NAMES}) (.+?),? (?:when|after|once|if|whenever|as soon as|each time|every time|with each press of|after each press of|at each press of|with) ${USED}`,
    ),
    means: ([subject = '', said = '', name = '']) => {
      if (TOGGLES.test(said)) return saying(`${subject} changes within ${AT_ONCE} s of ${name}`);
      const state = stateOf(said);
      return state && saying(`${subject} goes ${state} within ${AT_ONCE} s of ${name}`);
    },
  },
  {
    pattern: whole(`(.+?) (?:when|after|once|if|whenever|as soon as|each time|every time) ${USED}`),
    means: ([said = '', name = ''], around, depth) => tailed(said, ` after ${name}`, around, depth),
  },
  // … until S1 is pressed
  {
    pattern: whole(`(.+?) (?:until|before|till) ${USED}`),
    means: ([said = '', name = ''], around, depth) => {
      const at = around.done.find(
        (stimulus) => isPress(stimulus) && stimulus.press === name.toUpperCase(),
      )?.at;
      if (at === undefined)
        return {
          problem: `Say first when ${name.toUpperCase()} is pressed: press ${name.toUpperCase()} at 2 s.`,
        };
      return tailed(said, ` until ${at} s`, around, depth);
    },
  },
  // … within 1 s of S1
  {
    pattern: whole(`(${NAMES}) (.+?) (?:within|in) ${SECONDS} (?:of|after) ${USED}`),
    means: ([subject = '', said = '', within = '', name = '']) => {
      const state = TOGGLES.test(said) ? 'changes' : stateOf(said);
      return (
        state &&
        saying(`${subject} ${state === 'changes' ? state : `goes ${state}`} within ${within} s of ${name}`)
      );
    },
  },
  // times
  {
    pattern: whole(`(.+?) (?:between|from) ${SECONDS} (?:and|to|until) ${SECONDS}`),
    means: ([said = '', from = '', to = ''], around, depth) =>
      tailed(said, ` from ${from} s to ${to} s`, around, depth),
  },
  {
    pattern: whole(`(.+?) (?:from|by|starting at) ${SECONDS}(?: on(?:wards)?)?`),
    means: ([said = '', from = ''], around, depth) => tailed(said, ` from ${from} s`, around, depth),
  },
  {
    pattern: whole(`(.+?) (?:until|till|before|up to) ${SECONDS}`),
    means: ([said = '', to = ''], around, depth) => tailed(said, ` until ${to} s`, around, depth),
  },
  {
    pattern: whole(`(${NAMES} (?!flash|blink|chirp|beep).+?) after ${SECONDS}`),
    means: ([said = '', after = ''], around, depth) =>
      tailed(said, ` from ${timed(Number(after) + AT_ONCE)} s`, around, depth),
  },
  {
    pattern: whole(`(.+?) at ${SECONDS}`),
    means: ([said = '', at = ''], around, depth) =>
      /stands|°/.test(said)
        ? undefined
        : tailed(said, ` from ${at} s to ${timed(Number(at) + AT_ONCE)} s`, around, depth),
  },
  // rhythms
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
  // how it sounds
  {
    pattern: whole(`(${NAMES}) (?:plays|sounds|beeps|buzzes)(?: at| with)? (\\d+(?:\\.\\d+)?) ?hz(.*)`),
    means: ([subject = '', hertz = '', tail = '']) => saying(`${subject} sounds at ${hertz} Hz${tail}`),
  },
  // what is written
  {
    pattern: whole(`(${NAMES}) (?:shows|displays|says) (["“'].*)`),
    means: ([subject = '', text = ''], { parts }) =>
      observedOf(subject, parts) === 'text' || parts.length === 0
        ? saying(`${subject} reads ${text}`)
        : undefined,
  },
  {
    pattern: whole(
      `(?:(?:the )?(?:board|program|serial(?: (?:monitor|port|text|output))?) )?(?:prints|writes|sends|shows|says) (["“'].*)`,
    ),
    means: ([text = '']) => saying(`prints ${text}`),
  },
  {
    pattern: whole(`(?:.* )?(?:prints nothing|does not print .*|never prints .*)`),
    means: () => ({
      problem: 'Say what is printed, as in: prints "tide". What must not be printed cannot be asked for.',
    }),
  },
  {
    pattern: whole(`prints ([^"“'\\d].*)`),
    means: ([text = '']) => ({ problem: `Put what is printed in quotes: prints "${text}".` }),
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
      `(${NAMES}) (?:is )?(?:dimmed |faded |set )?(?:to )?(?:at |about |around )*(\\d+(?:\\.\\d+)?) %(?: bright)?(.*)`,
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
  // on and off, with a length of its own or none
  {
    pattern: whole(`(${NAMES}) (.+?) for ${SECONDS}`),
    means: ([subject = '', said = '', length = ''], around) => {
      const state = stateOf(said);
      return state && saying(`${stated(subject, state, around)} until ${length} s`);
    },
  },
  {
    pattern: whole(`(${NAMES}) (.+)`),
    means: ([subject = '', said = ''], around) => {
      const state = stateOf(said);
      return state && saying(stated(subject, state, around));
    },
  },
];

/** Ways in ways that are followed: `D1 and D2 are on after 3 s` is three. */
const DEEPEST = 4;

function meaning(plain: string, around: Around, depth: number): Meaning | undefined {
  if (readExpectation(plain).ok) return saying(plain);
  if (depth > DEEPEST) return undefined;
  for (const { pattern, means } of ways) {
    const found = pattern.exec(plain);
    const meant = found && means(found.slice(1), around, depth);
    if (meant) return meant;
  }
  return undefined;
}

/** What is said, with a time behind it. */
function tailed(said: string, tail: string, around: Around, depth: number): Meaning | undefined {
  const meant = meaning(said, around, depth + 1);
  if (!meant || 'problem' in meant) return meant;
  const timedSentences = meant.sentences.map((sentence) => `${sentence}${tail}`);
  return timedSentences.every((sentence) => readExpectation(sentence).ok)
    ? { sentences: timedSentences }
    : undefined;
}

/** What holds from a press until it is let go, and no longer. */
function whileHeld(said: string, pressed: string, around: Around): Meaning | undefined {
  const [, subject = '', rest = ''] = new RegExp(`^(${NAMES}) (.+)$`, 'i').exec(said) ?? [];
  const state = stateOf(rest);
  if (!state) return undefined;
  const name = pressed.toUpperCase();
  const press = around.done.find((stimulus) => isPress(stimulus) && stimulus.press === name);
  if (!press || !isPress(press))
    return { problem: `Say first how long ${name} is held: hold ${name} from 1 s to 3 s.` };
  const from = `${stated(subject, state, around)} from ${AT_ONCE} s`;
  if (press.for === undefined) return saying(`${from} after ${name}`);
  const end = Math.max(AT_ONCE, timed(press.for - AT_ONCE));
  return saying(
    `${from} to ${end} s after ${name}`,
    `${stated(subject, state === 'on' ? 'off' : 'on', around)} from ${timed(press.for + AT_ONCE)} s after ${name}`,
  );
}

/** `are on` and `blink` as they are said of one thing. */
const singular = (rest: string): string =>
  rest
    .replace(/^are\b/i, 'is')
    .replace(/^(?:both|all)\b ?/i, '')
    .replace(/^(turn|go|come|light|stay|shine|glow)\b/i, (verb) =>
      /go$/i.test(verb) ? `${verb}es` : `${verb}s`,
    )
    .replace(/^(?:flash|blink)\b/i, 'flashes')
    .replace(/^on\b/i, 'is on')
    .replace(/^off\b/i, 'is off');
