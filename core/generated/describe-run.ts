import type { Expectation } from '../expectations';
import { rounded, type RunView, type Window } from '../expectations/definition';
import { anySingle, singleDefinitionOf, type SingleExpectation } from '../expectations/single';
import { within } from '../expectations/outcome';
import { seenIntervals, seenStretches } from '../rehearsal/seen';
import { lightsOf, observedSeconds, type CurrentChange, type Trace } from '../rehearsal/trace';
import { definitionOf, type Stimulus } from '../stimuli';

/** Seconds after something was done until what follows is taken for lasting. */
const SETTLE = 0.3;
/** Seconds before the next thing done. */
const MARGIN = 0.05;
const SHORTEST = 0.2;

/**
 * What a run shows, in the words of expectations: as much as a person would say of it, LED by LED. Each
 * is a claim that has yet to be checked on the run.
 */
export function describeRun(trace: Trace, stimuli: readonly Stimulus[]): readonly Expectation[] {
  const seconds = observedSeconds(trace);
  const run: RunView = { trace, stimuli, seconds, windows: windowsOf(stimuli, seconds) };
  const ofWhole = anySingle.flatMap((definition) => definition.describe?.(run) ?? []);
  // Of what sweeps, where it happens to be at a moment says nothing.
  const sweeping = new Set(ofWhole.flatMap((claim) => ('sweeps' in claim ? [claim.servo] : [])));
  const isOnItsWay = (claim: SingleExpectation): boolean => 'angle' in claim && sweeping.has(claim.servo);
  // A figure says all of its segments.
  const displays = new Set(ofWhole.flatMap((claim) => ('digit' in claim ? [claim.digit] : [])));
  const isOfSegment = (claim: SingleExpectation): boolean =>
    !('digit' in claim) &&
    singleDefinitionOf(claim)
      .parts(claim)
      .some((part) => displays.has(part));
  const claims = [
    ...[...lightsOf(trace)].flatMap(([led, changes]) => ledIn(led, changes, run)),
    ...ofWhole,
  ].filter((claim) => !isOfSegment(claim) && !isOnItsWay(claim));
  return claims.map((claim) =>
    'to' in claim && claim.to === seconds && ('from' in claim ? (claim.from ?? 0) : 0) === 0
      ? unwindowed(claim)
      : claim,
  );
}

function windowsOf(stimuli: readonly Stimulus[], seconds: number): readonly Window[] {
  const moments = stimuli.flatMap((stimulus) => {
    const lasts = definitionOf(stimulus).lasts(stimulus);
    return [stimulus.at, ...(lasts === undefined ? [] : [stimulus.at + lasts])];
  });
  const cuts = [...new Set([0, ...moments, seconds])].sort((one, other) => one - other);
  return cuts
    .slice(1)
    .map((end, index) => ({
      from: rounded(moments.includes(cuts[index]!) ? cuts[index]! + SETTLE : cuts[index]!),
      to: rounded(end - (end === seconds ? 0 : MARGIN)),
    }))
    .filter(({ from, to }) => to - from >= SHORTEST);
}

/** What is said of an LED: one sentence when it goes on all through the run, or else one for each window. */
function ledIn(
  led: string,
  changes: readonly CurrentChange[],
  { trace, seconds, windows }: RunView,
): readonly SingleExpectation[] {
  const all = seenIntervals(changes, seconds);
  const single = seenStretches(changes, seconds);
  const dims = [...trace.pins.values()].some((pin) => pin.some(({ drive }) => drive.mode === 'pwm'));
  const saidIn = ({ from, to }: Window): SingleExpectation | undefined => {
    const seen = within(all, from, to);
    if (seen.length === 0) return undefined;
    const stretches = within(single, from, to);
    for (const { describeLight } of anySingle) {
      const said = describeLight?.({ lamp: led, seen, stretches, dims, from, to });
      if (said) return said;
    }
    return undefined;
  };
  const throughout = saidIn({ from: 0, to: seconds });
  return throughout ? [throughout] : windows.flatMap((window) => saidIn(window) ?? []);
}

/** The claim without its window. */
const unwindowed = (claim: SingleExpectation): SingleExpectation =>
  Object.fromEntries(
    Object.entries(claim).filter(([key]) => key !== 'from' && key !== 'to'),
  ) as unknown as SingleExpectation;
