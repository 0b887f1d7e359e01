import type { Expectation } from '../../expectations';
import { fail, ok, type Result } from '../../result';
import { definitionOf, isBrought, isPress, touchedBy, USUAL_PRESS_S, type Stimulus } from '../../stimuli';
import { doneMeanwhile } from './answered';
import { BEFORE, doneForCondition, doneForConditions } from './conditions';
import { readDone } from './done';
import { readExpected, wordsOf } from './expected';
import { examplesSeen } from './examples';
import { doneForJoint } from './joint-conditions';
import { NAMES, onlyTouched, plainly, timed, type Named } from './plain';
import { doneForSetting } from './settings';
import { isOfCounts } from './stretches';
import { twoCases } from './two-cases';
import { SECONDS } from './way';
import { doneForPresses } from './done-for-presses';

/** What a sentence begins a scenario with. */
export interface Begun {
  readonly stimuli: readonly Stimulus[];
  readonly expect: readonly Expectation[];
}

/**
 * A sentence that a scenario begins with: what must be seen, and what has to be done so that it can come about. `D1 is on
 * when it is dark` makes it dark and bright again; `D1 follows P1` turns P1 from end to end; `press S1 at 1 s: D1 is on
 * from 1.2 s` and `with P1 at 0 %, D1 flashes 3 times` say it themselves.
 */
export function readBegun(text: string, parts: readonly Named[]): Result<Begun> {
  const said = heldLonger(text, parts) ?? everySoMany(text, parts) ?? doneAndSeen(text, parts);
  if (said) return said;
  const before = doneFor(text, parts);
  const read = readExpected(text, parts, before);
  if (!read.ok) return onlyDone(text, parts) ?? read;
  const expect = read.value;
  return ok({ stimuli: [...before, ...doneMeanwhile(expect, before, parts)], expect });
}

/** What has to be done so that a sentence can come about. */
function doneFor(text: string, parts: readonly Named[]): readonly Stimulus[] {
  const cases = twoCases(text, parts);
  if (cases)
    return cases.second === undefined
      ? doneFor(cases.first, parts)
      : doneForBoth(cases.first, cases.second, parts);
  const words = wordsOf(text, parts);
  const joint = doneForJoint(words, parts);
  if (joint.length > 0) return joint;
  const condition = doneForCondition(words, parts);
  const presses = condition.length > 0 ? condition : doneForPresses(words, parts);
  return presses.length > 0 ? presses : doneForSetting(words, parts);
}

/** The same for two cases: one part brought from the one to the other, or what each of them needs, one after the other. */
function doneForBoth(first: string, second: string, parts: readonly Named[]): readonly Stimulus[] {
  const both = doneForConditions(wordsOf(first, parts), wordsOf(second, parts), parts);
  if (both.length > 0) return both;
  const before = doneFor(first, parts);
  const ends = before.map((stimulus) => stimulus.at + (definitionOf(stimulus).lasts?.(stimulus) ?? 0));
  const begins = Math.max(0, ...ends);
  const after = doneFor(second, parts);
  // Pressed and let go is one press.
  if (JSON.stringify(after) === JSON.stringify(before)) return before;
  return [...before, ...after.map((other) => ({ ...other, at: timed(other.at + begins) }))];
}

/** How what is done is parted from what must be seen then. */
const PARTED: readonly RegExp[] = [
  /^([^:]+): +(.+)$/,
  /^(with [^,]+), *(.+)$/i,
  new RegExp(`^(with .+?),? (${NAMES} .+)$`, 'i'),
  new RegExp(`^(.+?),? (?:and then|and|then) ((?:all .+|${NAMES} ).+)$`, 'i'),
];

const HELD_LONGER = new RegExp(
  `^(?:when |if |after )?(?:press|hold|keep)(?:ing)? (${NAMES})(?: pressed| down)? (?:for )?(?:longer|more) than ${SECONDS}(?:,|:| and| then)+ (.+)$`,
  'i',
);
/** Seconds by which a button is held longer than it takes. */
const LONGER = 1;

/** `hold S1 longer than 2 s and D1 goes on`: what comes when it was held so long. */
function heldLonger(text: string, parts: readonly Named[]): Result<Begun> | undefined {
  const plain = plainly(text, parts);
  const [, name = '', length = '', said] = HELD_LONGER.exec(plain) ?? [];
  if (said === undefined) return undefined;
  const done = readDone(`press ${name} for ${timed(Number(length) + LONGER)} s`, parts, []);
  if (!done.ok) return done;
  const seen = readExpected(`${said} ${length} s after ${name} is pressed`, parts, done.value);
  return seen.ok ? ok({ stimuli: done.value, expect: seen.value }) : seen;
}

const EVERY_NTH = new RegExp(
  `^every (second|third|fourth|fifth) press(?: (?:of|on) (${NAMES}|the button))? (?:lights|turns on|switches on) (${NAMES})$`,
  'i',
);
const NTH = ['second', 'third', 'fourth', 'fifth'];

/** `every third press lights D1`: it is dark until the third, and lit from then on. */
function everySoMany(text: string, parts: readonly Named[]): Result<Begun> | undefined {
  const [, which = '', named = '', name] = EVERY_NTH.exec(plainly(text, parts)) ?? [];
  const button = new RegExp(`^${NAMES}$`).test(named) ? named : onlyTouched('press', parts);
  if (name === undefined || button === undefined) return undefined;
  const count = NTH.indexOf(which.toLowerCase()) + 2;
  const done = Array.from({ length: count }, (_, index) => `press ${button} at ${index + 1} s`).reduce<
    Result<readonly Stimulus[]>
  >((before, one) => {
    if (!before.ok) return before;
    const read = readDone(one, parts, before.value);
    return read.ok ? ok([...before.value, ...read.value]) : read;
  }, ok([]));
  if (!done.ok) return done;
  const seen = [
    `${name} is off until ${count} s`,
    `${name} is on from ${timed(count + PRESS_ANSWERS)} s`,
  ].map((one) => readExpected(one, parts, done.value));
  const wrong = seen.find((one) => !one.ok);
  return wrong && !wrong.ok
    ? wrong
    : ok({ stimuli: done.value, expect: seen.flatMap((one) => (one.ok ? one.value : [])) });
}
/** Seconds that an LED may take to answer a press. */
const PRESS_ANSWERS = 0.1;

/** What is done before a colon, behind “with”, or before “and”, and what must be seen then. */
function doneAndSeen(text: string, parts: readonly Named[]): Result<Begun> | undefined {
  for (const [index, pattern] of PARTED.entries()) {
    // “And” joins what is seen too, and there parts are called by their names.
    const said = index < 2 ? text.trim() : wordsOf(text, parts);
    const [, first = '', second = ''] = pattern.exec(said) ?? [];
    const done = first === '' ? undefined : readDone(first, parts, []);
    if (!done?.ok) continue;
    const seen = readThen(second, done.value, parts);
    return seen.ok
      ? ok({ stimuli: [...done.value, ...doneMeanwhile(seen.value, done.value, parts)], expect: seen.value })
      : seen;
  }
  return undefined;
}

/** What says by itself when something is seen. */
const HAS_ITS_TIME = /\b(?:from|until|till|after|when|while|at \d[\d.]* ?s|between|within|before)\b/i;
/** Seconds that something may take to answer what is measured. */
const REACTS = 0.5;

/** What must be seen when that is done: behind a press what answers it, behind a change what is so from then on. */
function readThen(
  second: string,
  done: readonly Stimulus[],
  parts: readonly Named[],
): Result<readonly Expectation[]> {
  const asSaid = readExpected(second, parts, done);
  const isCounted = isOfCounts(second);
  const hasItsTime = HAS_ITS_TIME.test(second) || (isCounted && done.length > 1);
  const then = hasItsTime ? undefined : whenDone(done, isCounted ? 0 : REACTS);
  const read = then === undefined ? undefined : readExpected(`${second}${then}`, parts, done);
  return read?.ok ? read : asSaid;
}

/**
 * When something that is done is so, as it stands behind a sentence; `undefined` where it is so from the start.
 * `reacts`: seconds that an answer to what is measured may take.
 */
function whenDone(done: readonly Stimulus[], reacts: number): string | undefined {
  const [name, other] = new Set(done.map((stimulus) => touchedBy(stimulus)?.name));
  if (name === undefined || other !== undefined) return undefined;
  const presses = done.filter(isPress);
  const [first] = presses;
  if (first && presses.length === done.length) {
    if (presses.length > 1) return ` after ${name} was pressed ${presses.length} times`;
    return first.for === USUAL_PRESS_S ? ` when ${name} is pressed` : ` while ${name} is held`;
  }
  const last = done.at(-1)!;
  // Switched on for a while: it is so meanwhile.
  const [on, off, more] = done.filter((one) => 'turn' in one && one.over === undefined);
  if (on && off && !more && 'turn' in on && 'turn' in off && on.to === 1 && off.to === 0)
    return ` from ${timed(on.at + reacts)} s to ${timed(off.at - BEFORE)} s`;
  const at = isBrought(last) ? last.at + (last.over ?? 0) : 0;
  return at > 0 ? ` from ${timed(at + reacts)} s` : undefined;
}

/** The answer to a sentence that says what is done, and not what must be seen then. */
function onlyDone(text: string, parts: readonly Named[]): Result<never> | undefined {
  if (!readDone(text, parts, []).ok) return undefined;
  const done = text.trim().replace(/[.:]$/, '');
  return fail({
    message: `That is what is done. Say what must be seen then too: “${done}: ${examplesSeen(parts)[0] ?? 'D1 is on'}”.`,
    typed: text,
  });
}
