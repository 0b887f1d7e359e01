import {
  expectationSentence,
  partsOfExpectation,
  readExpectation,
  type Expectation,
} from '../../expectations';
import { fail, ok, type Result } from '../../result';
import type { Stimulus } from '../../stimuli';
import { underCondition } from './conditions';
import { readDone } from './done';
import { notUnderstoodOf } from './examples';
import { ofFigures } from './figures';
import { asFollowing } from './following';
import { asMoving } from './moving';
import { waysMeasured } from './ways-measured';
import { observedOf, stated, stateOf } from './on-off';
import { underJoint } from './joint-conditions';
import { NAMES, plainly, timed, type Named } from './plain';
import { waysSet } from './settings';
import { aboutAll, aboutThePress, handledIn, unlikeIts, unseenIn } from './subjects';
import { saying, SECONDS, together, whole, type Around, type Meaning, type Way } from './way';
import { twoCases } from './two-cases';
import { waysCounted } from './ways-counted';
import { AGAIN, waysPhased } from './ways-phased';
import { waysOfSeveral } from './ways-of-several';
import { AT_ONCE, MOVED_BY, waysPressed } from './ways-pressed';
import { waysPrinted } from './ways-printed';
import { waysStaged } from './ways-staged';
import { waysSeen } from './ways-seen';
import { waysFlashed } from './ways-flashed';
import { waysTwice } from './ways-twice';
import { waysWritten } from './ways-written';
import { inOrder } from './word-order';

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
  const cases = twoCases(text, parts);
  const each = cases ? [cases.first, ...(cases.second === undefined ? [] : [cases.second])] : [];
  const read = each.map((one) => readCase(one, parts, done, cases?.isOfOne === true && each.length > 1));
  if (read.length > 0 && read.every((one) => one.ok))
    return ok(withoutTwice(read.flatMap((one) => (one.ok ? one.value : []))));
  const asWhole = readCase(text, parts, done, false);
  // Where it is two cases and one of them lacks something, that is what there is to say.
  return asWhole.ok ? asWhole : (read.find((one) => !one.ok) ?? asWhole);
}

/** What must be seen in one case. `isOneOfTwo`: another sentence says what is so in the other. */
function readCase(
  text: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
  isOneOfTwo: boolean,
): Result<readonly Expectation[]> {
  const figures = ofFigures(wordsOf(text, parts), parts);
  if ('problem' in figures) return fail({ message: figures.problem, typed: text });
  const plain = asMoving(figures.sentence, parts) ?? asFollowing(figures.sentence, parts) ?? figures.sentence;
  const conditioned =
    underJoint(plain, parts, done, fitting) ?? underCondition(plain, parts, done, fitting, isOneOfTwo);
  const unread = (): Result<never> => notUnderstoodOf(text, plain, parts);
  if (conditioned) return expectationsOf(conditioned, text, unread);
  const unseen = unseenIn(plain, parts);
  if (unseen !== undefined) return fail({ message: unseen, typed: text });
  const asTyped = plain === plainly(text, parts) ? readExpectation(text) : undefined;
  const isOfParts = asTyped?.ok === true && namesOnlyParts(asTyped.value, parts);
  // “Red is on” speaks of no part that is called RED.
  const direct = isOfParts ? asTyped : readExpectation(plain);
  const meant: Meaning | undefined = direct.ok ? undefined : meaning(plain, { parts, done }, 0);
  const read = direct.ok
    ? ok([direct.value])
    : meant
      ? expectationsOf(meant, text, unread)
      : (onlyDone(text, parts, done) ?? unread());
  // “It is dark” speaks of no part that is called IT.
  if (read.ok && !read.value.every((one) => namesOnlyParts(one, parts))) return unread();
  const handled = read.ok ? (handledIn(read.value, parts) ?? unlikeIts(read.value, parts)) : undefined;
  return handled === undefined ? read : fail({ message: handled, typed: text });
}

/** Each expectation once: what is on in one case and off in the other says the same of both. */
const withoutTwice = (expectations: readonly Expectation[]): readonly Expectation[] => [
  ...new Map(expectations.map((one) => [expectationSentence(one), one])).values(),
];

/** The answer to what is done and is no expectation. */
const onlyDone = (
  text: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
): Result<never> | undefined =>
  readDone(text, parts, done).ok
    ? fail({
        message: `“${text.trim()}” is something that is done. It belongs in the lines above.`,
        typed: text,
      })
    : undefined;

/** Whether every word that stands for a part is one: a name without a number is none unless a part has it. */
const namesOnlyParts = (expectation: Expectation, parts: readonly Named[]): boolean =>
  partsOfExpectation(expectation).every((name) => /\d/.test(name) || parts.some(({ ref }) => ref === name));

/** The expectations that are meant; what is missing to know, or the answer to what is none. */
function expectationsOf(
  meant: Meaning,
  typed: string,
  unread: () => Result<never>,
): Result<readonly Expectation[]> {
  if ('problem' in meant) return fail({ message: meant.problem, typed });
  const read = meant.sentences.map((sentence) => readExpectation(sentence));
  return read.every(({ ok: isRead }) => isRead)
    ? ok(read.flatMap((one) => (one.ok ? [one.value] : [])))
    : unread();
}

/** A sentence in the words and the order in which it is read. */
export const wordsOf = (text: string, parts: readonly Named[]): string =>
  inItsWords(aboutAll(aboutThePress(inOrder(plainly(text, parts), parts), parts), parts), parts);

/** `Z1 is off`, `M1 is on`: what is on and off is an LED; other parts are silent, or turn. */
function inItsWords(plain: string, parts: readonly Named[]): string {
  const [, subject = '', state, tail = ''] =
    new RegExp(`^(${NAMES}) is (on|off)((?: .*)?)$`, 'i').exec(plain) ?? [];
  const seen = observedOf(subject, parts);
  if (state === undefined || seen === undefined || seen === 'light') return plain;
  return `${stated(subject, state.toLowerCase() === 'on' ? 'on' : 'off', { parts })}${tail}`;
}

const IN_ORDER =
  /^(?:(?:light|come|go|turn|shine|are lit)(?: up| on)? )?(?:take turns|in turn|one after (?:another|the other)|in (?:this|that) order)$/i;

/** What a servo is said to do, and not where it is. */
const MOVES_TO = new RegExp(`^${NAMES} (?:turns|goes|moves|swings|returns)\\b`, 'i');

/** That two do not do it at the same time. */
const BY_TURNS = '(?:alternat(?:e|ing)ly|in turns?|by turns)';

const ways: readonly Way[] = [
  ...waysMeasured,
  ...waysPhased,
  ...waysStaged(meaning),
  ...waysSet(meaning),
  ...waysOfSeveral(meaning),
  // D1 and D2 never at once
  {
    pattern: whole(
      `(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+) (?:are |is )?never (?:both |all )?(?:(?:on|lit|shine|light up)(?: both)?)? ?(?:together|at once|at the same time)`,
    ),
    means: ([names = '']) =>
      saying(`${(names.match(new RegExp(NAMES, 'g')) ?? []).join(' and ')} never lit together`),
  },
  // D1 and D2 take turns
  {
    pattern: whole(
      `(${NAMES}) and (${NAMES}) (?:(?:blink|flash|light(?: up)?|are lit|shine) ${BY_TURNS}|alternate)`,
    ),
    means: ([one = '', other = '']) =>
      saying(`${one}, then ${other}`, `${one} and ${other} never lit together`),
  },
  {
    pattern: whole(
      `(${NAMES}) and (${NAMES}) (?:alternate|(?:blink|flash|light(?: up)?|are lit|shine) ${BY_TURNS}) every (?:sec|${SECONDS})`,
    ),
    means: ([one = '', other = '', length = '1']) =>
      saying(
        `${one} lit ${length} s, dark ${length} s`,
        `${one} and ${other} never lit together`,
        `${one}, then ${other}`,
      ),
  },
  {
    pattern: whole(`first (${NAMES}.*)`),
    means: ([rest = ''], around, depth) => meaning(rest, around, depth + 1),
  },
  // D1, then D2, over and over: that is what an order is
  {
    pattern: whole(`(${NAMES}(?:(?:,? then |, ?(?:and )?| and )${NAMES})+.*)`),
    means: ([said = ''], around, depth) => {
      const once = said.replace(AGAIN, '');
      return once === said || /\d s\b/.test(once) ? undefined : meaning(once, around, depth + 1);
    },
  },
  // D1, D2 and D3 …
  {
    pattern: whole(`(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+) (?!.*never)(.+)`),
    means: ([names = '', rest = ''], around, depth) => {
      const all = names.match(new RegExp(NAMES, 'g')) ?? [];
      if (IN_ORDER.test(rest)) return saying(all.join(', then '));
      return together(
        all.map((name) => `${name} ${singular(rest)}`),
        meaning,
        around,
        depth,
      );
    },
  },
  // D1 goes on and D2 goes off …
  {
    pattern: whole(
      `(${NAMES} (?!.*\\b(?:between|never)\\b)[^,]+?),? and (${NAMES} .+?)((?: (?:when|while|after|from|until|if|once) .*)?)`,
    ),
    means: ([first = '', second = '', tail = ''], around, depth) => {
      // The time at the end is that of both, unless the first has its own.
      return (
        together([`${first}${tail}`, `${second}${tail}`], meaning, around, depth) ??
        together([first, `${second}${tail}`], meaning, around, depth)
      );
    },
  },
  ...waysPressed(meaning, tailed),
  ...waysPrinted(meaning),
  // … only from 2 s on
  {
    pattern: whole(
      `(${NAMES}) (.+?) (?:only (?:from|after)|not (?:before|until)) ${SECONDS}(?: on(?:wards)?)?`,
    ),
    means: ([subject = '', said = '', from = ''], around) => {
      const state = stateOf(said);
      return (
        state &&
        saying(
          `${stated(subject, state === 'on' ? 'off' : 'on', around)} until ${from} s`,
          `${stated(subject, state, around)} from ${timed(Number(from) + AT_ONCE)} s`,
        )
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
    pattern: whole(`(${NAMES} (?:flash|blink|chirp|beep).+?) after ${SECONDS}`),
    means: ([said = '', after = ''], around, depth) => tailed(said, ` from ${after} s`, around, depth),
  },
  {
    pattern: whole(`(.+?),? (?:at|in) the (?:very )?end`),
    means: ([said = '']) => ({ problem: `Say from when on: “${said} from 5 s”.` }),
  },
  // a servo
  {
    pattern: whole(`(${NAMES} .+°) at (\\d+(?:\\.\\d+)?) s`),
    means: ([said = '', at = ''], around, depth) =>
      tailed(
        said,
        ` from ${at} s to ${timed(Number(at) + (MOVES_TO.test(said) ? MOVED_BY : AT_ONCE))} s`,
        around,
        depth,
      ),
  },
  // What changes at a time is so a moment later.
  {
    pattern: whole(
      `(${NAMES}) (turns|goes|switches|comes|gets|becomes|changes|stops|starts|lights up|shines|is switched|is turned|closes|opens|clicks|pulls in|picks up|lets go|drops out|energi[sz]es)\\b(?!.*°)(.*?) at ${SECONDS}`,
    ),
    means: ([subject = '', verb = '', rest = '', at = ''], around, depth) =>
      tailed(
        `${subject} ${verb}${rest}`,
        ` from ${timed(Number(at) + AT_ONCE)} s to ${timed(Number(at) + 2 * AT_ONCE)} s`,
        around,
        depth,
      ),
  },
  {
    pattern: whole(`(.+?) at ${SECONDS}`),
    means: ([said = '', at = ''], around, depth) =>
      /stands|°/.test(said)
        ? undefined
        : tailed(said, ` from ${at} s to ${timed(Number(at) + AT_ONCE)} s`, around, depth),
  },
  ...waysCounted,
  ...waysFlashed,
  ...waysWritten,
  ...waysSeen,
  // on and off, with a length of its own or none
  {
    pattern: whole(`(${NAMES}) (.+?) for ${SECONDS}`),
    means: ([subject = '', said = '', length = ''], around) => {
      const state = stateOf(said);
      return state && saying(`${stated(subject, state, around)} until ${length} s`);
    },
  },
  {
    pattern: whole(`(.+?) for ${SECONDS}`),
    means: ([said = '', length = ''], around, depth) =>
      /chirps|flashes/.test(said) ? undefined : tailed(said, ` until ${length} s`, around, depth),
  },
  {
    pattern: whole(`(${NAMES}) (.+)`),
    means: ([subject = '', said = ''], around) => {
      const state = stateOf(said);
      return state && saying(stated(subject, state, around));
    },
  },
  ...waysTwice(meaning, tailed),
];

/** Ways in ways that are followed: `D1 and D2 are on after 3 s` is three. */
const DEEPEST = 4;

function meaning(said: string, around: Around, depth: number): Meaning | undefined {
  const plain = inItsWords(said, around.parts);
  if (readExpectation(plain).ok) return saying(plain);
  if (depth > DEEPEST) return undefined;
  for (const { pattern, means } of ways) {
    const found = pattern.exec(plain);
    const meant = found && means(found.slice(1), around, depth);
    if (meant && isReadable(meant)) return meant;
  }
  return undefined;
}

/** Whether what is meant can be said: a time behind it may be one that it cannot have. */
const isReadable = (meant: Meaning): boolean =>
  'problem' in meant || meant.sentences.every((sentence) => readExpectation(sentence).ok);

/** The meaning of what can be seen of the part that it is said of. */
function fitting(said: string, around: Around, depth: number): Meaning | undefined {
  const meant = meaning(said, around, depth);
  if (!meant || 'problem' in meant) return meant;
  const read = meant.sentences.flatMap((sentence) => {
    const one = readExpectation(sentence);
    return one.ok ? [one.value] : [];
  });
  return unlikeIts(read, around.parts) === undefined ? meant : undefined;
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

/** `are on` and `blink` as they are said of one thing. */
const singular = (rest: string): string =>
  rest
    .replace(/^are\b(?: (?:both|all)\b)?/i, 'is')
    .replace(/^(?:both|all)\b ?/i, '')
    .replace(/ (?:together|simultaneously|at the same time|at once)\b/i, '')
    .replace(/^(turn|go|come|light|stay|shine|glow)\b/i, (verb) =>
      /go$/i.test(verb) ? `${verb}es` : `${verb}s`,
    )
    .replace(/^(?:flash|blink)\b/i, 'flashes')
    .replace(/^on\b/i, 'is on')
    .replace(/^off\b/i, 'is off');
