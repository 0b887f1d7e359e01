import { findKind } from '../../parts';
import {
  brought,
  endsOf,
  isBrought,
  isMeasured,
  restOf,
  stimulusSentenceOf,
  touchedBy,
  type MeasuredKind,
  type Stimulus,
} from '../../stimuli';
import { doneForGate, underGate } from './gates';
import { stateOf } from './on-off';
import { NAMES, onlyTouched, timed, type Named } from './plain';
import { inStretches, isOfCounts } from './stretches';
import { SECONDS, type Meaning, type Reads } from './way';

/** Seconds that a part may take to do what a condition asks for. */
export const REACTS = 0.5;
/** Seconds before it is over in which it need not have begun to stop. */
export const BEFORE = 0.1;
/** When a condition begins to hold in a scenario that is made for it, and when it ends, in seconds. */
const [BEGINS, ENDS] = [2, 5];
/** Degrees beside a limit at which it is clearly passed. */
const CLEARLY_WARMER = 5;

/** `it is dark`, `P1 is above 50 %`: what is measured, and amounts at which that is so and is not so. */
export interface Condition {
  readonly part: string;
  readonly how: MeasuredKind;
  readonly holds: (amount: number) => boolean;
  readonly so: number;
  readonly otherwise: number;
}

const ABOVE =
  'above|over|more than|higher than|greater than|warmer than|hotter than|brighter than|farther than|further than|beyond';
const BELOW =
  'below|under|less than|lower than|smaller than|colder than|cooler than|darker than|closer than|nearer than|within';
const VERB = '(?:is|gets|becomes|goes|comes|rises|falls|climbs|turns|grows|drops|sinks|are)';

/** What is measured where nobody names the sensor. */
const CALLED: readonly (readonly [words: string, how: MeasuredKind])[] = [
  ['light|brightness|it', 'light'],
  ['temperature|it|room|air', 'warm'],
  ['distance|something|someone|somebody|anything|an? (?:hand|object|obstacle)|hand', 'distance'],
  ['knob|potentiometer|pot|dial|slider', 'turn'],
];

/** The part that words call so, and what is measured there. */
function measuredBy(
  words: string,
  parts: readonly Named[],
  fits: (how: MeasuredKind) => boolean,
): { readonly part: string; readonly how: MeasuredKind } | undefined {
  const named = parts.find(({ ref }) => ref === words.toUpperCase());
  const how = named && findKind(named.kind)?.stimulus;
  if (named) return how !== undefined && isMeasured(how) ? { part: named.ref, how } : undefined;
  for (const [called, kind] of CALLED) {
    const part =
      new RegExp(`^(?:the )?(?:${called})$`, 'i').test(words) && fits(kind) && onlyTouched(kind, parts);
    if (part) return { part, how: kind };
  }
  return undefined;
}

/** Amounts clearly on either side of a limit, within what is met. */
function besides(limit: number, how: MeasuredKind): readonly [under: number, over: number] {
  const [least, most] = endsOf(how);
  if (how === 'warm') return [limit - CLEARLY_WARMER, limit + CLEARLY_WARMER];
  if (how === 'distance') return [timed(limit / 2), timed(Math.min(most, limit * 2))];
  return [timed((least + limit) / 2), timed((limit + most) / 2)];
}

/** What is measured in a unit; temperatures where there is none. */
function fitsUnit(unit: string, words: string): (how: MeasuredKind) => boolean {
  if (unit.trim() === 'm') return (how) => how === 'distance';
  if (unit.trim() === '%') return (how) => how === 'light' || how === 'turn';
  return (how) => how === 'warm' || /dist/.test(words);
}

/** The condition that a clause states: `it is dark`, `the temperature is above 25`, `S2 is on`. */
export function conditionOf(clause: string, parts: readonly Named[]): Condition | undefined {
  const state = new RegExp(
    `^(.+?) ${VERB} (dark|bright|light|covered|uncovered|on|off|closed|open)$`,
    'i',
  ).exec(clause);
  if (state) {
    const word = state[2]!.toLowerCase();
    const isOfContact = /^(?:on|off|closed|open)$/.test(word);
    const measured = measuredBy(state[1]!, parts, (how) => how === 'light');
    if (!measured || isOfContact !== (measured.how === 'turn')) return undefined;
    const [under, over] = isOfContact ? [0, 1] : [0.05, 0.9];
    const isUnder = /^(?:dark|covered|off|open)$/.test(word);
    return {
      ...measured,
      holds: (amount) => amount < 0.5 === isUnder,
      so: isUnder ? under : over,
      otherwise: isUnder ? over : under,
    };
  }
  const between = new RegExp(
    `^(.+?) ${VERB} between (-?\\d*\\.?\\d+)(?: %| ?°(?: ?c)?| ?c| m)? and (-?\\d*\\.?\\d+)( %| ?°(?: ?c)?| ?c| m)?(?: away)?$`,
    'i',
  ).exec(clause);
  if (between) {
    const [, words = '', low = '', high = '', unit = ''] = between;
    const measured = measuredBy(words, parts, fitsUnit(unit, words));
    if (!measured) return undefined;
    const [least, most] = [low, high].map((one) =>
      unit.trim() === '%' ? Number(one) / 100 : Number(one),
    ) as [number, number];
    return {
      ...measured,
      holds: (given) => given > least && given < most,
      so: timed((least + most) / 2),
      otherwise: besides(most, measured.how)[1],
    };
  }
  const compared = new RegExp(
    `^(.+?)(?: (?:at|of|before|on) (${NAMES}))? ${VERB} (?:(${ABOVE})|(?:${BELOW})) (-?\\d*\\.?\\d+)( %| ?°(?: ?c)?| ?c| m)?(?: away)?$`,
    'i',
  ).exec(clause);
  if (!compared) return undefined;
  const [, words = '', sensor, above, amount = '', unit = ''] = compared;
  const measured = measuredBy(sensor ?? words, parts, fitsUnit(unit, words));
  if (!measured) return undefined;
  const limit = unit.trim() === '%' ? Number(amount) / 100 : Number(amount);
  const [under, over] = besides(limit, measured.how);
  return {
    ...measured,
    holds: (given) => (above ? given > limit : given < limit),
    so: above ? over : under,
    otherwise: above ? under : over,
  };
}

/** What a clause like `it is hot` and `something is near` leaves open. */
const VAGUE: readonly (readonly [clause: RegExp, how: MeasuredKind, clear: string])[] = [
  [
    /^(?:it|the (?:room|air|temperature)|T\d+) (?:is|gets) (?:too )?(?:hot|warm|high)$/i,
    'warm',
    'it is warmer than 25 °C',
  ],
  [
    /^(?:it|the (?:room|air|temperature)|T\d+) (?:is|gets) (?:too )?(?:cold|cool|low)$/i,
    'warm',
    'it is colder than 20 °C',
  ],
  [
    /^(?:it|some(?:thing|body|one)|an? \w+) (?:is|gets|comes) (?:too )?(?:near|close)$/i,
    'distance',
    'something is closer than 20 cm',
  ],
  [
    /^(?:it|some(?:thing|body|one)|an? \w+) (?:is|gets) (?:too )?far(?: away)?$/i,
    'distance',
    'something is farther than 50 cm',
  ],
];

/** What is missing in such a clause: where the limit is. */
function limitMissing(plain: string, parts: readonly Named[]): Meaning | undefined {
  const [, said = '', clause = ''] =
    /^(.+?),? (?:when|while|if|as long as|once|whenever|as soon as) (.+)$/i.exec(plain) ?? [];
  const vague = VAGUE.find(([pattern, how]) => pattern.test(clause) && onlyTouched(how, parts) !== undefined);
  return vague && { problem: `Say where the limit is: “${said} when ${vague[2]}”.` };
}

/** A name in capitals; what is no name stays as it is. */
const asNamed = (subject: string): string =>
  new RegExp(`^${NAMES}$`).test(subject) ? subject.toUpperCase() : subject;

/** `D1 is on when it is dark`: what is said of a part, and the condition. */
function conditional(
  plain: string,
  parts: readonly Named[],
):
  | {
      readonly subject: string;
      readonly said: string;
      readonly condition: Condition;
      /** Seconds after which it must be seen. */
      readonly within: number;
    }
  | undefined {
  const found = new RegExp(
    `^(${NAMES}|prints|(?:the )?serial (?:monitor|console|line|text)) (.+?)(?:,? (?:only )?(?:when|while|if|as long as|once|whenever|as soon as)| within ${SECONDS} (?:after|of|when|once)) (.+)$`,
    'i',
  ).exec(plain);
  const condition = found && conditionOf(found[4]!, parts);
  // Nothing is above all that can be.
  const canBe = condition && condition.holds(condition.so) && !condition.holds(condition.otherwise);
  return found && condition && canBe
    ? {
        subject: asNamed(found[1]!),
        said: found[2]!.replace(/\bonly /i, ''),
        condition,
        within: Number(found[3] ?? REACTS),
      }
    : undefined;
}

/** What is done for a condition in a scenario of its own: it is not so, is so for a while, and is not so again. */
export function doneForCondition(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const found = conditional(plain, parts);
  if (!found) return doneForGate(plain, parts);
  const { part, how, so, otherwise } = found.condition;
  return [
    brought(how, { part, at: 0, to: otherwise }),
    brought(how, { part, at: BEGINS, to: so }),
    brought(how, { part, at: ENDS, to: otherwise }),
  ];
}

/** The same for two conditions on one part, one of which holds where the other does not; nothing where they are not. */
export function doneForConditions(
  first: string,
  second: string,
  parts: readonly Named[],
): readonly Stimulus[] {
  const [one, other] = [first, second].map((said) => conditional(said, parts)?.condition);
  if (!one || other?.part !== one.part || one.holds(other.so) || other.holds(one.so)) return [];
  const { part, how, so } = one;
  return [
    brought(how, { part, at: 0, to: other.so }),
    brought(how, { part, at: BEGINS, to: so }),
    brought(how, { part, at: ENDS, to: other.so }),
  ];
}

/**
 * What must be seen while a condition holds and while it does not, by when what is done makes it so; `undefined` for a
 * sentence without a condition. `isOneOfTwo`: nothing is said of when it does not hold.
 */
export function underCondition(
  plain: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
  reads: Reads,
  isOneOfTwo = false,
): Meaning | undefined {
  const found = conditional(plain, parts);
  if (!found) return limitMissing(plain, parts) ?? underGate(plain, parts, done, reads);
  const { subject, said, condition, within } = found;
  const state = stateOf(said);
  if (!state && !reads(`${subject} ${said} from ${BEGINS} s`, { parts, done }, 1)) return undefined;
  const isCounted = isOfCounts(`${subject} ${said}`);
  // A change is seen from before it on.
  const isChange = /^gets \w+er\b/i.test(said);
  const moves = done
    .flatMap((stimulus) =>
      touchedBy(stimulus)?.name === condition.part && isBrought(stimulus)
        ? [{ begun: stimulus.at, at: stimulus.at + (stimulus.over ?? 0), to: stimulus.to }]
        : [],
    )
    .sort((one, other) => one.at - other.at);
  if (moves.length === 0)
    return {
      problem: `Say first when that is so: ${stimulusSentenceOf(brought(condition.how, { part: condition.part, at: BEGINS, to: condition.so }), parts)}.`,
    };
  const stretches = [{ begun: 0, at: 0, to: restOf(condition.how) }, ...moves].flatMap((move, index, all) => {
    const until = all[index + 1]?.begun;
    const isSo = condition.holds(move.to);
    // What is off is so before the program begins.
    const isOff = state !== undefined && isSo === (state === 'off');
    const since = isChange ? Math.max(0, move.begun - BEFORE) : move.at + (isCounted ? 0 : within);
    const from = move.at === 0 && isOff ? 0 : timed(since);
    const to = until === undefined ? undefined : timed(until - BEFORE);
    return to !== undefined && to <= from ? [] : [{ from, to, isSo }];
  });
  return inStretches(
    { subject, said, state: isOneOfTwo ? undefined : state },
    stretches,
    { parts, done },
    reads,
  );
}
