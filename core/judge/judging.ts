import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import type { Spread } from '../electrics/bench';
import type { Scenario } from '../formats/scenario';
import type { Compiled, Language } from '../program';
import type { ProgramRun } from '../program/machine';
import { lightNamed } from '../rehearsal/light';
import type { RehearsalOptions, RunLimits } from '../rehearsal/options';
import { rehearse } from '../rehearsal/rehearse';
import { seenIntervals, type SeenInterval } from '../rehearsal/seen';
import type { SolvedCircuit } from '../rehearsal/solved-circuit';
import { observedSeconds, type CurrentChange, type Trace } from '../rehearsal/trace';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { doneTo, type Stimulus } from '../stimuli';
import { checkExpectation, type Observed, type Outcome } from '../expectations';

/** What of a scenario decides how it runs. */
export type Played = Pick<Scenario, 'for' | 'stimuli'>;

/** How chance falls in a run: what floating lines read as, how contacts bounce, how the noise goes. */
export type Chance = Pick<RehearsalOptions, 'bounceSeed' | 'floatingReads' | 'seed'>;

/**
 * Runs a build through a scenario, with chance falling as it is told; `steps` limits the run. `begun`: told of the run before
 * its first step.
 */
export type Run = (
  scenario: Played,
  chance: Chance,
  limits?: RunLimits,
  begun?: (run: ProgramRun) => void,
) => Trace;

/** What a scenario does to the parts of a build, by the reference part that each stands for. */
export const stimuliOn = (
  { stimuli }: Pick<Played, 'stimuli'>,
  pairs: ReadonlyMap<string, PlacedPart>,
): readonly Stimulus[] => stimuli.flatMap((stimulus) => doneTo(stimulus, (name) => pairs.get(name)?.ref));

/** A way to run a program on a wiring; `usualSteps` limits each run that says nothing else. */
export const rehearsalOf = (
  program: Compiled,
  circuit: SolvedCircuit,
  board: BoardProfile,
  pairs: ReadonlyMap<string, PlacedPart>,
  usualSteps: number | undefined,
): Run => {
  return (scenario, chance, { steps = usualSteps, changes } = {}, begun) =>
    rehearse(
      program,
      circuit.circuit.wiring,
      board,
      {
        seconds: scenario.for,
        stimuli: stimuliOn(scenario, pairs),
        ...(steps === undefined ? {} : { steps }),
        ...(changes === undefined ? {} : { changes }),
        ...chance,
      },
      circuit,
      begun,
    );
};

/** What the runs of a build are judged by besides the scenario. */
export interface Judging {
  readonly run: Run;
  /** The same with parts that are off by their tolerance. */
  readonly runWith: (spread: Spread) => Run;
  readonly circuit: Circuit;
  readonly language: Language;
  /** Built parts by the reference part that they stand for. */
  readonly pairs: ReadonlyMap<string, PlacedPart>;
  /** Built signal pins by the pin of the reference whose work they do. */
  readonly pins: ReadonlyMap<string, string>;
  /** The wiring of the exercise. */
  readonly asked: Wiring;
  /** Bits a second at which the computer listens; `undefined` when at any. */
  readonly listensAt: number | undefined;
}

/** What came of each expectation of a scenario in a run. */
export function outcomesOf(scenario: Scenario, trace: Trace, judging: Judging): readonly Outcome[] {
  const observed = observedOn(scenario, trace, judging);
  return scenario.expect.map((expectation) => checkExpectation(expectation, observed));
}

/** What a run shows, by the parts of the reference. */
export function observedOn(scenario: Scenario, trace: Trace, judging: Judging): Observed {
  const { run, circuit, pairs, pins, asked, listensAt } = judging;
  const again: Observed['again'] = (seed) =>
    observedOn(scenario, run(scenario, { seed, floatingReads: 'noise' }), judging);
  const seenOf = new Map<string, readonly SeenInterval[] | undefined>();
  const builtRef: Observed['builtRef'] = (reference) => {
    const name = reference.replace(/\..*/, '');
    // Its board's own LED may be watched too.
    return name === asked.board?.ref ? circuit.wiring.board?.ref : pairs.get(name)?.ref;
  };
  const builtPin: Observed['builtPin'] = (reference) => pins.get(reference) ?? reference;
  const currents = (led: string): readonly CurrentChange[] | undefined => {
    const built = builtRef(led) ?? ref('');
    return lightNamed(trace, built + (/\..*/.exec(led)?.[0] ?? ''));
  };
  const seen: Observed['seen'] = (led) => {
    if (!seenOf.has(led)) {
      const changes = currents(led);
      seenOf.set(led, changes && seenIntervals(changes, observedSeconds(trace)));
    }
    return seenOf.get(led);
  };
  return {
    wiring: circuit.wiring,
    asked,
    trace,
    stimuli: scenario.stimuli,
    seen,
    currents,
    builtRef,
    builtPin,
    listensAt,
    again,
  };
}
