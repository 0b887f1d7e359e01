import { findKind } from '../../parts';
import { ORDINAL_WORDS } from '../../words/words';
import { isPress, USUAL_PRESS_S, type Stimulus } from '../../stimuli';
import { stated, stateOf } from './on-off';
import { NAMES, onlyTouched, timed, type Named } from './plain';
import { MOST_PRESSES } from './presses';
import { saying, SECONDS, USED, whole, type Around, type Meaning, type Way } from './way';
import type { Reads } from './ways-staged';

/** Seconds within which an answer to a press is taken for at once. */
export const AT_ONCE = 0.1;
const ANGLE = '(\\d+) ?°?';
/** Seconds after which a servo has arrived. */
const MOVED_BY = 1;
const TOGGLES = /^(?:toggles?|changes?|switches?|turns over|clicks?)$/i;

/** What a part is, so that it is so a moment after the press and not at it. */
const TAKES_A_MOMENT = new RegExp(
  `^${NAMES} (?:(?:stands|reads|shows|is)\\b|(?:goes|moves|turns|swings|points) to\\b)`,
  'i',
);

/** The answer where it is not known how long a button is held. */
const notHeldYet = (button: string): Meaning => {
  const name = button.toUpperCase();
  return { problem: `Say first how long ${name} is held: hold ${name} from 1 s to 3 s.` };
};

const PRESS = '(?:press|push|click)';
/** `after the third press of S1`, and `after S1 was pressed 3 times`: what is said, how often, and the button. */
const AFTER_NTH = `(.+?),? (?:after|with|at|on) (?:the )?(?:(\\d+)(?:st|nd|rd|th)|(${ORDINAL_WORDS.join('|')})) ${PRESS}(?: (?:of|on) (${NAMES}))?`;
const AFTER_SO_MANY = `(.+?),? (?:after|when|once|as soon as) (?:(?:pressing )?(${NAMES}) (?:is |was |has been )?(?:pressed )?(\\d+ times|twice)|(\\d+) ${PRESS}(?:es)?(?: (?:of|on) (${NAMES}))?)`;

/** `after a long press of S1`: what is said, how long it is pressed, and the button. */
const AFTER_LENGTH = `(.+?),? (?:after|with|at|on|when|by) (?:a|the|each|every) (short|quick|brief|long) (?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?`;
/** Seconds from which on a press is a long one to whoever presses. */
const LONG_FROM_S = 0.8;
const isLong = ({ for: length }: { readonly for?: number | undefined }): boolean =>
  length === undefined || length >= LONG_FROM_S;

/** How many presses of which button what stands behind a sentence counts. */
function countedIn(how: readonly (string | undefined)[]): {
  readonly count: number;
  readonly name: string | undefined;
} {
  const name = how.find((one) => one !== undefined && new RegExp(`^${NAMES}$`, 'i').test(one));
  const said = how.find((one) => one !== undefined && one !== name) ?? '';
  const place = ORDINAL_WORDS.findIndex((word) => word === said.toLowerCase()) + 1;
  return { count: /twice/i.test(said) ? 2 : place || Number.parseInt(said, 10), name };
}

/** Seconds for which a button is held where it is pressed first; `undefined` where nobody says so. */
const heldFor = (name: string, { done }: Around): number | undefined =>
  done.filter(isPress).find(({ press }) => press === name.toUpperCase())?.for;

/** A sentence with a time behind it, as its meaning. */
type Tailed = (said: string, tail: string, around: Around, depth: number) => Meaning | undefined;

/** What must be seen when a button is pressed, while it is held, and when it is let go. */
export const waysPressed = (reads: Reads, tailed: Tailed): readonly Way[] => [
  // S1 turns D1 on
  {
    pattern: whole(
      `(?:pressing )?(${NAMES}) (?:turns|switches|puts) (${NAMES}) (on|off)(?:,? and (?:pressing )?(${NAMES}) (?:turns |switches |puts )?(?:it |${NAMES} )?(on|off))?`,
    ),
    means: ([name = '', subject = '', state = '', other, otherState = '']) =>
      saying(
        `${subject} goes ${state.toLowerCase()} within ${AT_ONCE} s of ${name}`,
        ...(other === undefined
          ? []
          : [`${subject} goes ${otherState.toLowerCase()} within ${AT_ONCE} s of ${other}`]),
      ),
  },
  // each press of S1 turns D1 on or off
  {
    pattern: whole(
      `(?:(?:each|every) press of )?(${NAMES}) (?:toggles (${NAMES})|(?:turns|switches) (${NAMES}) (?:on (?:and|or|then) off|off (?:and|or|then) on|over|on\\/off))`,
    ),
    means: ([button = '', one, other]) =>
      saying(`${one ?? other ?? ''} changes within ${AT_ONCE} s of ${button}`),
  },
  // … after the third press
  ...[AFTER_NTH, AFTER_SO_MANY].map((source) => ({
    pattern: whole(source),
    means: ([said = '', ...how]: readonly string[], around: Around, depth: number) => {
      const { count, name } = countedIn(how);
      return afterPress(said, count, name, around, tailed, depth);
    },
  })),
  // … after a long press
  {
    pattern: whole(AFTER_LENGTH),
    means: ([said = '', length = '', name], around, depth) =>
      afterLength(said, /long/i.test(length), name, around, tailed, depth),
  },
  // … for 3 s after S1 is let go
  {
    pattern: whole(
      `(${NAMES}) (.+?) for ${SECONDS} (?:after|when|once) (${NAMES}) is (?:released|let go(?: of)?|up again)`,
    ),
    means: ([subject = '', said = '', length = '', name = ''], around) => {
      const state = stateOf(said);
      const held = heldFor(name, around);
      if (!state) return undefined;
      if (held === undefined) return notHeldYet(name);
      const until = held + Number(length);
      return saying(
        `${stated(subject, state, around)} from ${timed(held + AT_ONCE)} s to ${timed(until - AT_ONCE)} s after ${name}`,
        `${stated(subject, state === 'on' ? 'off' : 'on', around)} from ${timed(until + AT_ONCE)} s after ${name}`,
      );
    },
  },
  // … 2 s after S1 is let go
  {
    pattern: whole(`(${NAMES}) (.+?) ${SECONDS} after (${NAMES}) is (?:released|let go(?: of)?|up again)`),
    means: ([subject = '', said = '', length = '', name = ''], around) => {
      const state = stateOf(said);
      const held = heldFor(name, around);
      if (!state) return undefined;
      if (held === undefined) return notHeldYet(name);
      return saying(
        `${stated(subject, state, around)} from ${timed(held + Number(length) + AT_ONCE)} s after ${name}`,
      );
    },
  },
  // … while S1 is held
  {
    pattern: whole(
      `(.+?),? (?:(?:while|as long as|when) (${NAMES}) is (?:held(?: down)?|down|kept pressed)|(?:while|as long as) (${NAMES}) is pressed)`,
    ),
    means: ([said = '', one, other], around, depth) =>
      whileHeld(said, one ?? other ?? '', around, tailed, depth),
  },
  // … for 5 s after S1, with what comes after it
  {
    pattern: whole(
      `(${NAMES}) (.+?) for ${SECONDS} (?:after|when|whenever|once|if|as soon as|each time|every time) ${USED}`,
    ),
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
  // moves to 90 when S1 is pressed and back to 0 after 3 s
  {
    pattern: whole(
      `(${NAMES}) (?:moves|goes|turns|swings|opens|points) to ${ANGLE} (?:when|after|whenever|once|if|as soon as|each time|every time) ${USED},? (?:and|then|and then)(?: (?:moves|goes|turns|swings|closes|comes|points))?(?: back| again| back again)?(?: to ${ANGLE})? (?:after ${SECONDS}|${SECONDS} later)`,
    ),
    means: ([subject = '', there = '', name = '', back = '0', one, other]) => {
      const length = Number(one ?? other);
      return saying(
        `${subject} stands at ${there}° until ${length} s after ${name}`,
        `${subject} stands at ${back}° from ${timed(length + MOVED_BY)} s after ${name}`,
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
  {
    pattern: whole(`(${NAMES}) clicks?`),
    means: ([subject = '']) => ({
      problem: `Say when ${subject.toUpperCase()} clicks: “${subject.toUpperCase()} clicks when S1 is pressed”, or “${subject.toUpperCase()} is pulled in from 2 s to 4 s”.`,
    }),
  },
  // … when S1 is pressed
  {
    pattern: whole(
      `(${NAMES}) (.+?),? (?:when|after|once|if|whenever|as soon as|each time|every time|(?:with|after|at|on) (?:each|every) press of|with) ${USED}`,
    ),
    means: ([subject = '', said = '', name = '']) => {
      if (TOGGLES.test(said)) return saying(`${subject} changes within ${AT_ONCE} s of ${name}`);
      const state = stateOf(said);
      return state && saying(`${subject} goes ${state} within ${AT_ONCE} s of ${name}`);
    },
  },
  {
    pattern: whole(`(.+?) (?:when|after|once|if|whenever|as soon as|each time|every time) ${USED}`),
    means: ([said = '', name = ''], around, depth) =>
      tailed(said, `${TAKES_A_MOMENT.test(said) ? ` from ${AT_ONCE} s` : ''} after ${name}`, around, depth),
  },
  // … when S1 is let go
  {
    pattern: whole(
      `(${NAMES}) (.+?),? (?:when|after|once|as soon as) (${NAMES}) is (?:released|let go(?: of)?|up again)`,
    ),
    means: ([subject = '', said = '', name = ''], around) => {
      const state = stateOf(said);
      const held = heldFor(name, around);
      if (!state) return undefined;
      if (held === undefined) return notHeldYet(name);
      return saying(`${stated(subject, state, around)} from ${timed(held + AT_ONCE)} s after ${name}`);
    },
  },
  {
    pattern: whole(
      `(.+?),? (?:when|after|once|as soon as) (${NAMES}) is (?:released|let go(?: of)?|up again)`,
    ),
    means: ([said = '', name = ''], around, depth) => {
      const held = heldFor(name, around);
      if (held !== undefined)
        return tailed(said, ` from ${timed(held + AT_ONCE)} s after ${name}`, around, depth);
      return tailed(said, ` after ${name}`, around, depth) && notHeldYet(name);
    },
  },
  // … from 2 s, while S1 is held: what beeps over a stretch of time beeps more than once
  {
    pattern: whole(`(${NAMES}) (?:beep|chirp)s? ((?:from|until|till|between|while|as long as) (?!.* hz).*)`),
    means: ([subject = '', window = ''], around, depth) =>
      reads(`${subject} beeps repeatedly ${window}`, around, depth + 1),
  },
  // … until S1 is pressed
  {
    pattern: whole(`(.+?) (until|before|till) ${USED}`),
    means: ([said = '', until = '', name = ''], around, depth) => {
      const at = around.done.find(
        (stimulus) => isPress(stimulus) && stimulus.press === name.toUpperCase(),
      )?.at;
      const part = around.parts.find(({ ref }) => ref === name.toUpperCase());
      if (part && findKind(part.kind)?.stimulus === undefined)
        return { problem: 'Say when each of them begins: “D1 is on from 1 s”, and “Z1 sounds from 2 s”.' };
      if (at === undefined)
        return {
          problem: `Say first when ${name.toUpperCase()} is pressed: press ${name.toUpperCase()} at 2 s.`,
        };
      const [, subject, rest = ''] = new RegExp(`^(${NAMES}) (.+)$`, 'i').exec(said) ?? [];
      const state = stateOf(rest);
      // What is so until then is not so any more; what is so before may be so after.
      if (subject !== undefined && state && !/before/i.test(until))
        return saying(
          `${stated(subject, state, around)} until ${at} s`,
          `${stated(subject, state === 'on' ? 'off' : 'on', around)} from ${timed(at + AT_ONCE)} s`,
        );
      return tailed(said, ` until ${at} s`, around, depth);
    },
  },
  // … within 1 s of S1
  {
    pattern: whole(
      `(${NAMES}) (.+?) (?:within|in) ${SECONDS} (?:of|after) (?:pressing |pushing |(?:a|the) (?:press|push) of )?${USED}`,
    ),
    means: ([subject = '', said = '', within = '', name = '']) => {
      const state = TOGGLES.test(said) ? 'changes' : stateOf(said);
      return (
        state &&
        saying(`${subject} ${state === 'changes' ? state : `goes ${state}`} within ${within} s of ${name}`)
      );
    },
  },
];

const HELD = `(?:(?:while|as long as) (${NAMES}) is (?:held(?: down)?|down|kept pressed|pressed)|when (${NAMES}) is (?:held(?: down)?|down|kept pressed)|(?:after|when|once|as soon as) (${NAMES}) is (?:released|let go(?: of)?|up again))$`;
/** In a scenario that is made for it: when a button is held, for how long, and when one is pressed that ends something. */
const [HELD_AT, HELD_S, ENDS_AT] = [2, 2, 4];

const OF_LENGTH = `\\b(short|quick|brief|long) (?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?`;
/** Seconds for which a button is pressed where a press is to be short, and where it is to be long. */
const [SHORT_PRESS_S, LONG_PRESS_S] = [0.2, 1.5];

/** What is done for a sentence on what is so while a button is held, when it is let go, and until it is pressed. */
function doneForHold(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const isButton = (name: string): boolean =>
    parts.some(({ ref, kind }) => ref === name && findKind(kind)?.stimulus === 'press');
  const held = new RegExp(HELD, 'i').exec(plain)?.slice(1).find(Boolean)?.toUpperCase();
  if (held !== undefined && isButton(held)) return [{ at: HELD_AT, press: held, for: HELD_S }];
  const ending = new RegExp(`(?:until|till|before) (${NAMES})(?: is (?:pressed|pushed))?$`, 'i').exec(plain);
  const name = ending?.[1]!.toUpperCase();
  return name !== undefined && isButton(name) ? [{ at: ENDS_AT, press: name, for: USUAL_PRESS_S }] : [];
}

/** What is done for a sentence on presses in a scenario of its own: a hold, or so many presses. */
export function doneForPresses(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const hold = doneForHold(plain, parts);
  if (hold.length > 0) return hold;
  const lengths = [...plain.matchAll(new RegExp(OF_LENGTH, 'gi'))];
  const pressed = lengths[0]?.[2]?.toUpperCase() ?? onlyTouched('press', parts);
  if (lengths.length > 0 && pressed !== undefined)
    return lengths.map(([, length = ''], index) => ({
      at: 1 + index * 3,
      press: pressed,
      for: /long/i.test(length) ? LONG_PRESS_S : SHORT_PRESS_S,
    }));
  const found = [AFTER_NTH, AFTER_SO_MANY].map((source) => whole(source).exec(plain)).find(Boolean);
  const { count = 0, name } = found ? countedIn(found.slice(2)) : {};
  const button = name?.toUpperCase() ?? onlyTouched('press', parts);
  if (button === undefined || !(count >= 1 && count <= MOST_PRESSES)) return [];
  return Array.from({ length: count }, (_, index) => ({ at: index + 1, press: button, for: USUAL_PRESS_S }));
}

/** What holds from a press that is counted to the next one. */
function afterPress(
  said: string,
  count: number,
  named: string | undefined,
  around: Around,
  tailed: Tailed,
  depth: number,
): Meaning | undefined {
  const name = named?.toUpperCase() ?? onlyTouched('press', around.parts);
  if (!(count >= 1)) return undefined;
  if (name === undefined)
    return {
      problem: `Say which button is pressed: “after ${count} ${count === 1 ? 'press' : 'presses'} of S1”.`,
    };
  const presses = around.done
    .filter(isPress)
    .filter(({ press }) => press === name)
    .map(({ at }) => at)
    .sort((one, other) => one - other);
  const [from, to] = [presses[count - 1], presses[count]];
  if (from === undefined)
    return { problem: `Say first when ${name} is pressed that often: press ${name} ${count} times.` };
  return tailed(
    said,
    ` from ${timed(from + AT_ONCE)} s${to === undefined ? '' : ` to ${to} s`}`,
    around,
    depth,
  );
}

/** What holds from the end of the first long press on, or of the first short one: which of them it is shows when it ends. */
function afterLength(
  said: string,
  isOfLong: boolean,
  named: string | undefined,
  around: Around,
  tailed: Tailed,
  depth: number,
): Meaning | undefined {
  const name = named?.toUpperCase() ?? onlyTouched('press', around.parts);
  const how = isOfLong ? 'long' : 'short';
  if (name === undefined) return { problem: `Say which button is pressed: “after a ${how} press of S1”.` };
  const presses = around.done
    .filter(isPress)
    .filter(({ press }) => press === name)
    .sort((one, other) => one.at - other.at);
  const press = presses.find((one) => isLong(one) === isOfLong);
  if (!press)
    return {
      problem: isOfLong
        ? `Say first when ${name} is held: hold ${name} from 2 s to 4 s.`
        : `Say first when ${name} is pressed: press ${name} at 2 s for 0.2 s.`,
    };
  const end = timed((press.for ?? 0) + AT_ONCE);
  const [, subject, does] = new RegExp(`^(${NAMES}) (.+)$`, 'i').exec(said) ?? [];
  if (subject !== undefined && TOGGLES.test(does ?? ''))
    return presses.every((one) => isLong(one) === isOfLong)
      ? saying(`${subject} changes within ${end} s of ${name}`)
      : {
          problem: `${name} is pressed for short and for long here. Say of each what ${subject} is after it.`,
        };
  const state = stateOf(does ?? '');
  const next = presses[presses.indexOf(press) + 1];
  const window = ` from ${timed(press.at + end)} s${next ? ` to ${next.at} s` : ''}`;
  return subject !== undefined && state
    ? saying(`${stated(subject, state, around)}${window}`)
    : tailed(said, window, around, depth);
}

/** What holds from a press until it is let go, and no longer. */
function whileHeld(
  said: string,
  pressed: string,
  around: Around,
  tailed: Tailed,
  depth: number,
): Meaning | undefined {
  const [, subject = '', rest = ''] = new RegExp(`^(${NAMES}) (.+)$`, 'i').exec(said) ?? [];
  const state = stateOf(rest);
  const name = pressed.toUpperCase();
  const press = around.done.find((stimulus) => isPress(stimulus) && stimulus.press === name);
  if (!press || !isPress(press))
    return state || tailed(said, ` after ${name}`, around, depth) ? notHeldYet(name) : undefined;
  if (!state) {
    const until = press.for === undefined ? '' : ` to ${Math.max(AT_ONCE, timed(press.for - AT_ONCE))} s`;
    return tailed(said, ` from ${AT_ONCE} s${until} after ${name}`, around, depth);
  }
  const from = `${stated(subject, state, around)} from ${AT_ONCE} s`;
  if (press.for === undefined) return saying(`${from} after ${name}`);
  const end = Math.max(AT_ONCE, timed(press.for - AT_ONCE));
  return saying(
    `${from} to ${end} s after ${name}`,
    `${stated(subject, state === 'on' ? 'off' : 'on', around)} from ${timed(press.for + AT_ONCE)} s after ${name}`,
  );
}
