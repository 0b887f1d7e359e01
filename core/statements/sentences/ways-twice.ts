import { isPress } from '../../stimuli';
import { COLOUR } from './colours';
import { stated, stateOf } from './on-off';
import { NAMES, timed } from './plain';
import { saying, SECONDS, USED, whole, type Around, type Meaning, type Reads, type Way } from './way';
import { AT_ONCE, type Tailed } from './ways-pressed';

const ON = '(?:goes on|comes on|turns on|switches on|lights up|closes|pulls in|is on|is lit)';
const OFF = '(?:goes off|goes out|turns off|switches off|is off|is dark)';
const THEN = '(?:,? (?:and then|but then|and after that|after that|and|but|then)|[,;])';
const UNTIL = '(?:until|till|up to|before)';
const FROM_THEN_ON = '(?: (?:after that|after|afterwards|from then on|from there on))?';
/** A time or an event, without which what is said twice of one part would contradict itself. */
const WHEN = /\d s\b|\b(?:when|after|while|until|before|once|if)\b/i;
const TIMES = `from ${SECONDS} (?:to|until|till) ${SECONDS}`;

/** That it is so from then on. */
const STAYS = '(?:stays|remains|keeps) (?:so|on|lit|off|dark|out|that way)(?: (?:until|till|to) the end)?';

/** What is said of a part whose name is not said again, in the forms that it may have. */
const forms = (name: string, said: string): readonly string[] => [
  `${name} ${said}`,
  `${name} is ${said}`,
  `${name} goes ${said}`,
];

/** The first of the forms that means something. */
const firstRead = (
  sentences: readonly string[],
  reads: (sentence: string) => Meaning | undefined,
): Meaning | undefined => {
  for (const sentence of sentences) {
    const meant = reads(sentence);
    if (meant) return meant;
  }
  return undefined;
};

/** Both together, or what is missing in one of them. */
function both(one: Meaning | undefined, other: Meaning | undefined): Meaning | undefined {
  if (!one || !other) return undefined;
  if ('problem' in one) return one;
  return 'problem' in other ? other : { sentences: [...one.sentences, ...other.sentences] };
}

/** What one part does at two times, with its name said once: `D1 is off until 2 s, then on`, `D1 goes on at 2 s for 3 s`. */
export const waysTwice = (reads: Reads, tailed: Tailed): readonly Way[] => [
  // D1 goes on at 2 s for 3 s
  {
    pattern: whole(
      `(${NAMES}) ${ON} at ${SECONDS}(?:,? (?:and |then )*(?:it )?(?:stays|is|remains) (?:on|lit))? for ${SECONDS}`,
    ),
    means: ([name = '', at = '', length = ''], around) => {
      const ends = Number(at) + Number(length);
      return saying(
        `${stated(name, 'on', around)} from ${timed(Number(at) + AT_ONCE)} s to ${timed(ends - AT_ONCE)} s`,
        `${stated(name, 'off', around)} from ${timed(ends + AT_ONCE)} s`,
      );
    },
  },
  // D1 goes on at 2 s and off at 5 s: from the one to the other
  {
    pattern: whole(
      `(${NAMES}) ${ON} at ${SECONDS}${THEN} (?:(?:goes |turns |switches |is )?(?:off|out|dark)|opens|lets go)(?: again)? at ${SECONDS}`,
    ),
    means: ([name = '', from = '', to = ''], around) =>
      Number(from) < Number(to)
        ? saying(
            `${stated(name, 'on', around)} from ${timed(Number(from) + AT_ONCE)} s to ${timed(Number(to) - AT_ONCE)} s`,
            `${stated(name, 'off', around)} from ${timed(Number(to) + AT_ONCE)} s`,
          )
        : undefined,
  },
  // D1 goes on within 0.2 s of X1 and stays on for 3 s
  {
    pattern: whole(
      `(${NAMES}) ${ON} within ${SECONDS} (?:of|after) (${NAMES})(?: is \\w+)?,? (?:and|then|and then) (?:it )?(?:stays|is|remains) (?:on|lit) for ${SECONDS}`,
    ),
    means: ([name = '', within = '', used = '', length = ''], around, depth) =>
      both(
        saying(`${name} goes on within ${within} s of ${used}`),
        reads(`${name} is on for ${length} s after ${used}`, around, depth + 1),
      ),
  },
  // D1 goes on at 2 s and stays on until 5 s
  {
    pattern: whole(
      `(${NAMES}) (?:${ON} at ${SECONDS}${THEN} (?:stays|remains|is) (?:so|on|lit)|${OFF} at ${SECONDS}${THEN} (?:stays|remains|is) (?:so|off|dark))(?: (?:until|till) ${SECONDS})?(?: (?:until|till|to) the end)?`,
    ),
    means: ([name = '', on, off, until], around) =>
      saying(
        `${stated(name, on === undefined ? 'off' : 'on', around)} from ${timed(Number(on ?? off) + AT_ONCE)} s${until === undefined ? '' : ` to ${until} s`}`,
      ),
  },
  // D1 is on from 1 s to 2 s and again from 3 s to 4 s
  {
    pattern: whole(`(${NAMES} .+?) (${TIMES}(?:(?:,? and|,)(?: again)? ${TIMES})+)`),
    means: ([said = '', times = ''], around, depth) =>
      (times.match(new RegExp(TIMES, 'gi')) ?? [])
        .map((time) => tailed(said, ` ${time.replace(/until|till/i, 'to')}`, around, depth))
        .reduce(both),
  },
  {
    pattern: whole(`(${NAMES} .+?) at (${SECONDS}(?:(?:,? and|,)(?: at)? ${SECONDS})+)`),
    means: ([said = '', times = ''], around, depth) =>
      (times.match(/\d+(?:\.\d+)?/g) ?? [])
        .map((at) => tailed(said, ` from ${at} s to ${timed(Number(at) + AT_ONCE)} s`, around, depth))
        .reduce(both),
  },
  // D1 is off until S1 is pressed, then on; D1 is off at first, and on after S1 is pressed
  {
    pattern: whole(`(${NAMES}) (.+?) ${UNTIL} ${USED}${THEN} (?:it )?(.+)`),
    means: ([name = '', state = '', used = '', behind = ''], around, depth) =>
      fromThePress(name, { state, used, behind }, { reads, tailed, around, depth }),
  },
  {
    pattern: whole(
      `(${NAMES}) (.+?)(?: at first| to begin with| first)?${THEN} (?:it )?(.+?) (?:after|when|once|as soon as) ${USED}`,
    ),
    means: ([name = '', state = '', behind = '', used = ''], around, depth) =>
      stateOf(state) && stateOf(behind) && stateOf(state) !== stateOf(behind)
        ? fromThePress(name, { state, used, behind }, { reads, tailed, around, depth })
        : undefined,
  },
  // D1 goes on when S1 is pressed and stays on; D1 goes on and stays on when S1 is pressed
  {
    pattern: whole(
      `(${NAMES}) (?:(${ON})|${OFF}) (?:after|when|once|as soon as) ${USED}${THEN} (?:it )?${STAYS}`,
    ),
    means: ([name = '', on, used = ''], around) =>
      saying(`${stated(name, on === undefined ? 'off' : 'on', around)} from ${AT_ONCE} s after ${used}`),
  },
  {
    pattern: whole(
      `(${NAMES}) (?:(${ON})|${OFF})${THEN} (?:it )?${STAYS} (?:after|when|once|as soon as) ${USED}`,
    ),
    means: ([name = '', on, used = ''], around) =>
      saying(`${stated(name, on === undefined ? 'off' : 'on', around)} from ${AT_ONCE} s after ${used}`),
  },
  // D1 is on for 3 s after S1 is pressed, then off: that is what “for 3 s” says
  {
    pattern: whole(
      `(${NAMES} (?:is|goes|stays|lights|shines|sounds) .*for ${SECONDS} (?:after|when|once) .+?)${THEN} (?:it )?(?:is |goes |turns |switches )?(?:off|out|dark|silent)(?: again)?`,
    ),
    means: ([said = ''], around, depth) => reads(said, around, depth + 1),
  },
  // D1 is off until 2 s, then on until 5 s, then off
  {
    pattern: whole(`(${NAMES}) (.+? ${UNTIL} ${SECONDS}${THEN} .+)`),
    means: ([name = '', said = ''], around, depth) =>
      oneUntilAnother(name, said, undefined, { tailed, around, depth }),
  },
  // D1 is off until 2 s and on from 3 s to 5 s
  {
    pattern: whole(`(${NAMES}) (.+?)${THEN} (.+)`),
    means: ([name = '', first = '', second = ''], around, depth) =>
      WHEN.test(first) && WHEN.test(second) && BEGINS_AS_SAID.test(second)
        ? both(
            reads(`${name} ${first}`, around, depth + 1),
            firstRead(forms(name, second), (form) => reads(form, around, depth + 1)),
          )
        : undefined,
  },
];

/** How the parts of a sentence are read. */
interface Reading {
  readonly reads: Reads;
  readonly tailed: Tailed;
  readonly around: Around;
  readonly depth: number;
}

/** One state until a button is first pressed, and what comes then. */
function fromThePress(
  name: string,
  { state, used, behind }: Readonly<Record<'state' | 'used' | 'behind', string>>,
  how: Reading,
): Meaning | undefined {
  const button = used.toUpperCase();
  const pressed = how.around.done.find((stimulus) => isPress(stimulus) && stimulus.press === button);
  if (!pressed) return { problem: `Say first when ${button} is pressed: press ${button} at 2 s.` };
  if (stateOf(behind.replace(LAST, '')))
    return oneUntilAnother(name, `${state} until ${pressed.at} s, then ${behind}`, undefined, how);
  // What begins with the press is an answer to it.
  const { reads, around, depth } = how;
  return both(
    oneUntilAnother(name, `${state} until ${pressed.at} s`, undefined, how),
    firstRead(
      forms(name, behind).map((form) => `${form} when ${button} is pressed`),
      (form) => reads(form, around, depth + 1),
    ),
  );
}

const STAGE = new RegExp(`^(.+?) ${UNTIL} ${SECONDS}(?:${THEN} (?:it )?(.+))?$`, 'i');

const LAST = new RegExp(`${FROM_THEN_ON}$`, 'i');

/** Stages of which each goes on from where the one before it ends; `undefined` where one has another time. `since`: seconds. */
function oneUntilAnother(
  name: string,
  said: string,
  since: number | undefined,
  { tailed, around, depth }: Omit<Reading, 'reads'>,
): Meaning | undefined {
  const [, state = said.replace(LAST, ''), until, behind] = STAGE.exec(said) ?? [];
  if (WHEN.test(state)) return undefined;
  const from = since === undefined ? '' : ` from ${timed(since + AT_ONCE)} s`;
  const tail = until === undefined ? from : `${from}${from === '' ? ' until' : ' to'} ${until} s`;
  const stage = firstRead(forms(name, state), (form) => tailed(form, tail, around, depth));
  return until === undefined || behind === undefined
    ? stage
    : both(stage, oneUntilAnother(name, behind, Number(until), { tailed, around, depth }));
}

/** A state, or a verb: what is neither is something else than what a part does. */
const BEGINS_AS_SAID = new RegExp(
  `^(?:on|off|lit|dark|out|silent|quiet|again|at \\d|${COLOUR}|(?:is|goes|turns|switches|comes|stands|lights|blinks|flashes|beeps|chirps|sounds|moves|shows|reads|gets)\\b)`,
  'i',
);
