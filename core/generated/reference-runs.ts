import type { Scenario } from '../formats/scenario';
import { examine, type Examination } from '../judge/examine';
import type { Reference } from '../judge/reference';
import { rehearsalOf, type Played } from '../judge/judging';
import type { Program } from '../program';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import type { Trace } from '../rehearsal/trace';
import { Circuit } from '../wiring/circuit';
import { describeRun } from './describe-run';
import { everyTime, type Shown } from './shown';

/** Steps that a run may take. */
const STEPS = 2_000_000;

/** The program of an exercise on its own circuit, to be run and described. */
export class ReferenceRuns {
  private readonly run: (played: Played) => Trace;

  /** `program` is the exercise's own, and compiles. */
  constructor(
    readonly reference: Reference,
    private readonly program: Program,
  ) {
    const { reference: wiring, board } = reference.exercise;
    const itself = new Map(wiring.parts.map((part) => [part.ref as string, part]));
    const circuit = new SolvedCircuit(new Circuit(wiring));
    const run = rehearsalOf(program.compiled!, circuit, board, itself, STEPS);
    this.run = (played) => run({ for: played.for, stimuli: [...played.stimuli] }, {});
  }

  traceOf(played: Played): Trace {
    return this.run(played);
  }

  /** What comes of the reference's own build in these scenarios. */
  examination(scenarios: readonly Scenario[]): Examination {
    const wiring = this.reference.exercise.reference;
    return examine(withScenarios(this.reference, scenarios), { wiring, program: this.program }, STEPS);
  }

  /**
   * What is done, with all that the reference shows of it: each expectation holds in a run in which chance falls as it
   * does. None when it shows nothing.
   */
  shownIn(name: string, { for: seconds, stimuli }: Played): Shown | undefined {
    const expect = [...describeRun(this.traceOf({ for: seconds, stimuli }), stimuli)];
    if (expect.length === 0) return undefined;
    const draft: Scenario = { name, for: seconds, stimuli: [...stimuli], expect };
    const { scenarios, observations } = this.examination([draft]);
    const { expectations } = scenarios[0]!;
    const holding = expect.filter((_, index) => expectations[index]!.passed);
    if (holding.length === 0) return undefined;
    const doubt = observations.find(({ code }) => code === 'no-debounce' || code === 'unsteady')?.message;
    const scenario = { ...draft, expect: holding };
    const isSteady = holding.length === expect.length ? scenarios[0]!.passed : this.passes(scenario);
    const varying = isSteady ? [] : this.varyingIn(scenario);
    return { scenario, varying, ...(doubt === undefined ? {} : { doubt }) };
  }

  /** Whether the reference passes a scenario however chance falls. */
  private passes(scenario: Scenario): boolean {
    return this.examination([scenario]).scenarios[0]!.passed;
  }

  /** What of a scenario that does not pass every time comes out otherwise: some of it, or all of it together. */
  private varyingIn(scenario: Scenario): readonly number[] {
    const all = scenario.expect.map((_, index) => index);
    const varying = all.filter((index) => !this.passes({ ...scenario, expect: [scenario.expect[index]!] }));
    // Each may be good luck often enough, and all of them together not.
    const steady = everyTime({ scenario, varying });
    return steady && !this.passes(steady) ? all : varying;
  }
}

/** A reference that is judged by other scenarios than its own. */
export const withScenarios = (reference: Reference, scenarios: readonly Scenario[]): Reference => {
  const { exercise } = reference;
  return {
    ...reference,
    exercise: { ...exercise, data: { ...exercise.data, scenarios: [...scenarios] } },
  };
};
