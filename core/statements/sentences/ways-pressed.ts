import { findKind } from '../../parts';
import { isPress, touchedBy } from '../../stimuli';
import { stated, stateOf } from './on-off';
import { AFTER_NTH, AFTER_SO_MANY, countedIn } from './done-for-presses';
import { isKnownTouched, NAMES, onlyTouched, timed } from './plain';
import { PRESS } from './pressing';
import { saying, SECONDS, USED, whole, type Around, type Meaning, type Way, type Reads } from './way';

/** Seconds within which an answer to a press is taken for at once. */
export const AT_ONCE = 0.1;
const ANGLE = '(\\d+) ?°?';
/** Seconds after which a servo has arrived. */
export const MOVED_BY = 1;
const TOGGLES = /^(?:toggles?|changes?|switches?|turns over|clicks?)$/i;

/** What a part is, so that it is so a moment after the press and not at it. */
const TAKES_A_MOMENT = new RegExp(
  `^${NAMES} (?:(?:stands|reads|shows|is)\\b|(?:goes|moves|turns|swings|points) to\\b|(?:turns|runs|spins) .*\\d ?%)`,
  'i',
);

/** The answer where it is not known how long a button is held, or something moves before a sensor. */
const notHeldYet = (held: string, { parts }: Around, seconds = 2): Meaning => {
  const name = held.toUpperCase();
  return isKnownTouched(name, 'motion', parts)
    ? { problem: `Say first how long something moves: something moves before ${name} at 1 s for 2 s.` }
    : { problem: `Say first how long ${name} is held: hold ${name} from 1 s to ${1 + seconds} s.` };
};

/** `after a long press of S1`: what is said, how long it is pressed, and the button. */
const AFTER_LENGTH = `(.+?),? (?:after|with|at|on|when|by) (?:a|the|each|every) (short|quick|brief|long) (?:button )?${PRESS}(?: (?:of|on) (${NAMES}))?`;
/** Seconds from which on a press is a long one to whoever presses. */
const LONG_FROM_S = 0.8;
const isLong = ({ for: length }: { readonly for?: number | undefined }): boolean =>
  length === undefined || length >= LONG_FROM_S;

/** The first press of a button, or the first motion before a sensor. */
const firstUse = (name: string, { done }: Around): { readonly for?: number | undefined } | undefined =>
  done.flatMap((stimulus) => {
    const used = isPress(stimulus) || 'motion' in stimulus;
    return used && touchedBy(stimulus)?.name === name.toUpperCase() ? [stimulus] : [];
  })[0];

/** Seconds that it lasts; `undefined` where nobody says so. */
const heldFor = (name: string, around: Around): number | undefined => firstUse(name, around)?.for;

/** A sentence with a time behind it, as its meaning. */
export type Tailed = (said: string, tail: string, around: Around, depth: number) => Meaning | undefined;

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
      if (held === undefined) return notHeldYet(name, around);
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
      if (held === undefined) return notHeldYet(name, around);
      return saying(
        `${stated(subject, state, around)} from ${timed(held + Number(length) + AT_ONCE)} s after ${name}`,
      );
    },
  },
  // … after S1 is held for 2 s
  {
    pattern: whole(
      `(${NAMES}) (.+?),? (?:after|when|once|if|as soon as) (${NAMES}) (?:is|was|has been) (?:held(?: down)?|pressed) for (?:at least |more than )?${SECONDS}`,
    ),
    means: ([subject = '', said = '', name = '', length = ''], around) => {
      const state = stateOf(said);
      const held = heldFor(name, around);
      const least = Number(length);
      if (!state) return undefined;
      if (held === undefined || held <= least) return notHeldYet(name, around, Math.ceil(least) + 1);
      return saying(
        `${stated(subject, state === 'on' ? 'off' : 'on', around)} until ${Math.max(AT_ONCE, timed(least - AT_ONCE))} s after ${name}`,
        `${stated(subject, state, around)} from ${timed(least + AT_ONCE)} s after ${name}`,
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
      if (held === undefined) return notHeldYet(name, around);
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
      return tailed(said, ` after ${name}`, around, depth) && notHeldYet(name, around);
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
    return {
      problem:
        count === 1
          ? `Say first when ${name} is pressed: press ${name} at 2 s.`
          : `Say first when ${name} is pressed that often: press ${name} ${count} times.`,
    };
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
  const press = firstUse(name, around);
  if (!press)
    return state || tailed(said, ` after ${name}`, around, depth) ? notHeldYet(name, around) : undefined;
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
