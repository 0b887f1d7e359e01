import * as z from 'zod';
import { quantity } from '../findings/finding';
import { litPhases, phasesBy, soundingPhases, type Phase } from '../rehearsal/phases';
import { seenIntervals } from '../rehearsal/seen';
import { observedSeconds } from '../rehearsal/trace';
import { isPress } from '../stimuli';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { lightSlot, nameSlot, numberSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  lightSchema,
  partOfLight,
  refSchema,
  since,
  type ExpectationDefinition,
  type RunView,
} from './definition';
import { absent, failedWith, momentsOf, nothingDoneTo, passed, type Observed } from './outcome';

/** Seconds within which a change is taken for the answer to a press, and before one during which all was quiet. */
const ANSWER = 0.5;
const QUIET = 0.3;
/** Seconds that an answer may take longer than it did. */
const SLACK = 0.05;

const schema = z.strictObject({
  /** An LED, a buzzer, a motor or a relay. */
  responds: lightSchema,
  to: refSchema,
  within: z.number().positive('a response takes more than 0 s'),
  then: z.enum(['on', 'off', 'changed']),
  ...since,
});
type Response = z.infer<typeof schema>;

/** An LED, buzzer, motor or relay does something after each press, turn or change of a part. */
export const response: ExpectationDefinition<Response> = {
  keys: ['responds'],
  schema,
  sentence: sentence<Response>('{responds} {then} within {within} s of {to}( from {from}< s>|)', {
    responds: lightSlot,
    then: wordSlot({ on: ['goes on'], off: ['goes off'], changed: ['changes'] }),
    within: numberSlot,
    to: nameSlot,
    from: numberSlot,
  }),
  example: 'D1 goes on within 0.1 s of S1',
  exampleOf: ['light', 'sound', 'turning', 'click'],
  parts: ({ responds, to }) => [partOfLight(responds), to],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.responds);
    const phases = ref && phasesOf(expectation.responds, observed);
    if (ref === undefined || !phases) return absent(expectation.responds);
    const moments = momentsOf(expectation.to, observed).filter((at) => at >= (expectation.from ?? 0));
    if (moments.length === 0) return nothingDoneTo(expectation.to);
    const delays = moments.map((at, index) => delayAfter(at, moments[index + 1], expectation, phases));
    const late = delays.findIndex((delay) => delay === undefined || delay > expectation.within + 1e-6);
    const worst = Math.max(0, ...delays.map((delay) => delay ?? 0));
    if (late < 0) return passed(`within ${seconds(worst)}, ${moments.length} of ${moments.length}`);
    const delay = delays[late];
    const [name, at] = [capital(partTextOf(observed.wiring, ref)), seconds(moments[late]!)];
    const does = expectation.then === 'changed' ? 'change' : `go ${expectation.then}`;
    const { to } = expectation;
    const summary = delay === undefined ? `no response at ${at}` : `after ${seconds(delay)} at ${at}`;
    return failedWith(summary, {
      code: delay === undefined ? 'no-response' : 'late-response',
      severity: 'fault',
      refs: [ref],
      message:
        delay === undefined
          ? `${name} does not ${does} when ${to} is used at ${at}.`
          : `${name} takes ${seconds(delay)} to ${does} when ${to} is used at ${at}; it may take ${seconds(expectation.within)}.`,
      hints: [
        `When ${to} is used at ${at}, what is the program doing at that moment?`,
        delay === undefined
          ? `${to} is used at ${at}, and ${ref} does not ${does}.`
          : `${ref} only reacts to ${to} after ${seconds(delay)}.`,
        delay === undefined
          ? `Check that the program reads ${to} every time round the loop, and what it does with the reading.`
          : `Shorten the delays, so that the program checks ${to} at least every ${seconds(expectation.within)}.`,
      ],
      evidence: {
        atS: quantity(moments[late]!, 's'),
        allowedS: quantity(expectation.within, 's'),
        ...(delay === undefined ? {} : { delayS: quantity(delay, 's') }),
      },
    });
  },
  describe: (run) => run.stimuli.filter(isPress).flatMap((stimulus) => answersTo(stimulus, run)),
};

/** What follows a press so soon that it is an answer to it. */
function answersTo({ press, at }: { readonly press: string; readonly at: number }, run: RunView): Response[] {
  const answering = [
    ...[...run.trace.leds].map(([name, changes]) => ({
      name,
      phases: litPhases(seenIntervals(changes, run.seconds)),
    })),
    ...[...run.trace.sounds].map(([name, changes]) => ({
      name: String(name),
      phases: soundingPhases(changes, run.seconds),
    })),
    ...[...run.trace.turns].map(([name, changes]) => ({
      name: String(name),
      phases: phasesBy(changes, ({ speed }) => speed !== 0, run.seconds),
    })),
    ...[...run.trace.pulls].map(([name, changes]) => ({
      name: String(name),
      phases: phasesBy(changes, ({ isPulled }) => isPulled, run.seconds),
    })),
  ];
  return answering.flatMap(({ name, phases }): Response[] => {
    const before = phases.find(({ from, to }) => from < at && to > at);
    const after = phases.find(({ from }) => from >= at);
    if (!before || !after || after.from - at > ANSWER || at - before.from < QUIET || before.on === after.on)
      return [];
    const within = Math.max(0.1, Math.ceil((after.from - at + SLACK) * 10) / 10);
    return [{ responds: name, to: press, within, then: after.on ? 'on' : 'off' }];
  });
}

function phasesOf(reference: string, observed: Observed): readonly Phase[] | undefined {
  const seen = observed.seen(reference);
  if (seen) return litPhases(seen);
  const ref = observed.builtRef(reference);
  const { sounds, turns, pulls } = observed.trace;
  const [heard, turned, pulled] = ref === undefined ? [] : [sounds.get(ref), turns.get(ref), pulls.get(ref)];
  const end = observedSeconds(observed.trace);
  if (heard) return soundingPhases(heard, end);
  return (
    (turned && phasesBy(turned, ({ speed }) => speed !== 0, end)) ??
    (pulled && phasesBy(pulled, ({ isPulled }) => isPulled, end))
  );
}

/** Seconds until what is wanted after a moment; `undefined` when it does not come before the next one. */
function delayAfter(
  at: number,
  next: number | undefined,
  { then }: Response,
  phases: readonly Phase[],
): number | undefined {
  const before = phases.find((phase) => phase.from < at + 1e-9 && phase.to >= at - 1e-9);
  const wanted = then === 'changed' ? !(before?.on ?? false) : then === 'on';
  const until = next ?? Number.POSITIVE_INFINITY;
  const there = phases.find((phase) => phase.on === wanted && phase.to > at + 1e-9 && phase.from < until);
  return there && Math.max(0, there.from - at);
}
