import { quantity } from '../../findings/finding';
import type { SingleExpectation, Stimulus } from '../../formats/scenario';
import { touchedBy } from '../../formats/scenario';
import { litPhases, soundingPhases, type Phase } from '../../rehearsal/phases';
import { observedSeconds } from '../../rehearsal/trace';
import { seconds } from '../../units';
import { partTextOf } from '../words';
import { absent, failedWith, passed, type Check, type Observed } from './outcome';
import { capital } from '../../words/words';

type Response = Extract<SingleExpectation, { responds: string }>;

/** Whether an LED or buzzer does something after each press, turn or change of a part. */
export const checkResponse: Check<Response> = (expectation, observed) => {
  const ref = observed.builtRef(expectation.responds);
  const phases = ref && phasesOf(expectation.responds, observed);
  if (ref === undefined || !phases) return absent(expectation.responds);
  const moments = observed.stimuli
    .filter((stimulus) => touchedBy(stimulus)?.name === expectation.to)
    .map(momentOf)
    .filter((at) => at >= (expectation.from ?? 0) && at < observedSeconds(observed.trace))
    .sort((one, other) => one - other);
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
};

/** The moment at which a stimulus has done what it does. */
const momentOf = (stimulus: Stimulus): number =>
  stimulus.at + ('over' in stimulus && stimulus.over !== undefined ? stimulus.over : 0);

function phasesOf(reference: string, observed: Observed): readonly Phase[] | undefined {
  const seen = observed.seen(reference);
  if (seen) return litPhases(seen);
  const ref = observed.builtRef(reference);
  const changes = ref && observed.trace.sounds.get(ref);
  return changes && soundingPhases(changes, observedSeconds(observed.trace));
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
