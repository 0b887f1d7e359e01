import { prepareBench, type Spread } from '../electrics/bench';
import { ref as makeRef } from '../brand';
import type { Observation } from '../findings/finding';
import { languageOf } from '../formats/exercise';
import type { ScenarioResult, Verdict } from '../formats/report';
import type { Scenario } from '../formats/scenario';
import type { RunLimits } from '../rehearsal/options';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import type { Trace } from '../rehearsal/trace';
import { Circuit } from '../wiring/circuit';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import type { Build } from './build';
import { correspondence } from './compare';
import { rehearsalOf, stimuliOn, type Judging, type Played } from './judging';
import { comparison, type Comparison, type Match } from './match';
import { wordingOf } from './program';
import { STEPS_OF_A_RUN, type Reference } from './reference';
import { observationsOn } from './rules';
import { judgeScenarios, notRun, plainResult, scenariosOf, unmetIn } from './scenarios';
import { statesOf } from './solved-states';
import { isNoWorse, roomAdvice, saidOfReadings } from './unsteadiness';
import { isForPeople, isModule, lackOf, settle, verdictOf } from './verdict';

/** Steps of each further run, once a program was busy to the end of one. */
const STEPS_AFTER_A_BUSY_RUN = 500_000;

/** One full check of a build, without the search for repairs. */
export interface Examination {
  readonly verdict: Verdict;
  readonly observations: readonly Observation[];
  readonly scenarios: readonly ScenarioResult[];
  readonly match: Match;
  readonly circuit: Circuit;
  /** Built parts by the reference part that they stand for. */
  readonly pairs: ReadonlyMap<string, PlacedPart>;
  readonly traces: readonly Trace[];
}

/** A first look at a build: its plain runs only. */
export interface Screening {
  /** Expectations that its plain runs do not meet; all of them for a program that cannot be run. */
  readonly unmet: number;
  readonly traces: readonly Trace[];
}

/** What is known of a wiring whatever its program is. */
interface WiringLook {
  readonly solved: SolvedCircuit;
  readonly solvedWith: (spread: Spread) => SolvedCircuit;
  comparison?: Comparison;
  pairs?: ReadonlyMap<string, PlacedPart>;
}

/** Checks a build against a reference: rules, rehearsal, comparison, verdict. `steps` limits each run. */
export const examine = (reference: Reference, build: Build, steps?: number): Examination =>
  new Examiner(reference).examine(build, steps);

/** Checks builds against one reference; what it has worked out of a wiring it knows for the next program on it. */
export class Examiner {
  private readonly looks = new WeakMap<Wiring, WiringLook>();

  /** `handedIn`: the wiring of which operating points are kept for the next check of the same one. */
  constructor(
    readonly reference: Reference,
    private readonly handedIn?: Wiring,
  ) {}

  /** The circuit of a wiring. */
  circuitOf(wiring: Wiring): Circuit {
    return this.look(wiring).solved.circuit;
  }

  /** How a wiring compares with that of the reference. */
  matchOf(wiring: Wiring): Match {
    return this.comparisonOf(wiring).match;
  }

  private comparisonOf(wiring: Wiring): Comparison {
    const look = this.look(wiring);
    const { exercise, reduced: asked } = this.reference;
    look.comparison ??= comparison(asked, look.solved.circuit, exercise);
    return look.comparison;
  }

  /** Built parts by the reference part that they stand for. */
  pairsOf(wiring: Wiring): ReadonlyMap<string, PlacedPart> {
    const look = this.look(wiring);
    const { compared, match } = this.comparisonOf(wiring);
    look.pairs ??= correspondence(this.reference.reduced.circuit, compared.circuit, match);
    return look.pairs;
  }

  /**
   * Runs a build through its scenarios without looking at anything else, each for its number of `steps` at most;
   * `until` says whether all of them are run, or none behind the first that fails. `scenarios`: others than its own.
   */
  screen(
    build: Build,
    limits: readonly RunLimits[],
    until: 'first failure' | 'end',
    scenarios: readonly Scenario[] = this.reference.exercise.data.scenarios,
  ): Screening {
    const judging = this.judging(build);
    if (!judging) return { unmet: scenarios.reduce((sum, { expect }) => sum + expect.length, 1), traces: [] };
    const traces: Trace[] = [];
    let unmet = 0;
    for (const [index, scenario] of scenarios.entries()) {
      const trace = judging.run(scenario, {}, limits[index]);
      traces.push(trace);
      unmet += unmetIn(scenario, trace, judging);
      if (unmet > 0 && until === 'first failure') break;
    }
    return { unmet, traces };
  }

  /** The lines of its program that a build comes to in a scenario that it does not pass; `undefined` in one that it passes. */
  linesReached(
    build: Build,
    scenario: Scenario,
    limits: RunLimits | undefined,
  ): ReadonlySet<number> | undefined {
    const judging = this.judging(build);
    if (!judging) return undefined;
    const lines = new Set<number>();
    const ignore = (): void => undefined;
    const trace = judging.run(scenario, {}, limits, ({ machine }) => {
      machine.watcher = {
        step: () => void lines.add(machine.line),
        moved: ignore,
        compared: ignore,
        decided: ignore,
      };
    });
    return unmetIn(scenario, trace, judging) > 0 ? lines : undefined;
  }

  /** Whether a run of a build met one expectation of its scenario. */
  isMet(build: Build, scenario: Scenario, expectation: Scenario['expect'][number], trace: Trace): boolean {
    const judging = this.judging(build);
    return judging !== undefined && unmetIn({ ...scenario, expect: [expectation] }, trace, judging) === 0;
  }

  /** How a build does in one run of each scenario, without a look at anything else; `undefined` when it cannot be run. */
  results(build: Build, steps: number): Pick<Examination, 'scenarios' | 'traces'> | undefined {
    const { exercise } = this.reference;
    const judging = this.judging(build, steps);
    if (!judging) return undefined;
    const traces = runsOf(scenariosOf(exercise), judging, steps);
    return {
      traces,
      scenarios: exercise.data.scenarios.map((scenario, index) =>
        plainResult(scenario, traces[index]!, judging),
      ),
    };
  }

  /** The full check of a build. `steps` limits each run; `seen`: its plain runs, where they are known already. */
  examine(build: Build, steps?: number, seen?: readonly Trace[]): Examination {
    const { wiring, program } = build;
    const { exercise, ledBands: bands, condoned, pins, reduced: asked } = this.reference;
    const { solved } = this.look(wiring);
    const { circuit } = solved;
    const match = this.matchOf(wiring);
    const judging = this.judging(build, steps ?? STEPS_OF_A_RUN);
    const played = scenariosOf(exercise);
    const isSeen =
      seen?.length === played.length &&
      seen.every(({ ended }) => !['steps', 'changes'].includes(ended.reason));
    const traces = isSeen ? seen : judging ? runsOf(played, judging, steps) : [];
    const { scenarios } = exercise.data;
    const judged = judging
      ? judgeScenarios(scenarios, traces, judging, (index, unsteady) => {
          // The exercise's own is judged as it is, for its author.
          const isOwn = wiring === exercise.reference;
          return isNoWorse(unsteady, isOwn ? undefined : this.reference.ownRuns.unsteadinessIn(index));
        })
      : scenarios.map(notRun);
    const found = observationsOn({
      built: {
        circuit,
        bench: prepareBench(circuit),
        board: exercise.board,
        states: statesOf(solved, traces),
        // A program that does not run reads nothing: whether its pull-ups are on is not known.
        floatingPins: new Set(traces.flatMap((trace) => trace.floatingReads.map(({ pin }) => pin))),
        usesSerial: traces.some((trace) => trace.serialStarted),
      },
      asked: {
        exercise,
        reference: asked,
        circuit: asked.circuit,
        pins,
        ledBands: bands,
        condoned,
        match,
        compared: this.comparisonOf(wiring).compared,
        pairs: this.pairsOf(wiring),
      },
      ran: {
        problems: program.problems,
        runs: traces.map((trace, index) => ({
          trace,
          stimuli: stimuliOn(played[index]!, this.pairsOf(wiring)),
          isMissedAnyway: (button, at) => this.isMissedAnyway(index, this.pairsOf(wiring), button, at),
          isReadAgain: (part) => this.isReadAgain(index, this.pairsOf(wiring), part),
        })),
        board: exercise.board,
        wording: wordingOf(languageOf(exercise)),
      },
    });
    // Without a scenario nothing is asked of the behaviour: the circuit has to be the right one.
    const asksNothing = exercise.data.scenarios.length === 0;
    const passed =
      traces.length > 0 && judged.every(({ result }) => result.passed) && (!asksNothing || match.same);
    const isExtra = (ref: string): boolean =>
      circuit.part(makeRef(ref)) !== undefined &&
      ![...this.pairsOf(wiring).values()].some((part) => part.ref === ref);
    const isLeftOut = (ref: string): boolean => isForPeople(asked.circuit.part(makeRef(ref)));
    const isSeenRight = judged.every(({ result, failures }) => result.passed || failures.length === 0);
    const isStopped = traces.some(({ ended }) => ended.reason === 'steps');
    const isBusyOnly = found.every(({ code, severity }) => severity !== 'fault' || code === 'never-ends');
    const outcome = passed ? 'passed' : isSeenRight && isStopped && isBusyOnly ? 'unseen' : 'failed';
    const observations = settle([...found, ...judged.flatMap(({ failures }) => failures)], passed, {
      isExtra,
      isLeftOut,
      isModule: (ref) => isModule(circuit.part(makeRef(ref))),
      isWatched: !asksNothing,
    });
    return {
      verdict: verdictOf(lackOf(exercise, wiring), program, outcome, observations, match),
      observations,
      scenarios: judged.map(({ result }) => result),
      match,
      circuit,
      pairs: this.pairsOf(wiring),
      traces,
    };
  }

  /** Whether the exercise's own program misses a press too that is made on a build. */
  private isMissedAnyway(
    index: number,
    pairs: ReadonlyMap<string, PlacedPart>,
    button: string,
    at: number,
  ): boolean {
    const [asked] = [...pairs].find(([, { ref }]) => ref === button) ?? [];
    return (
      index < this.reference.exercise.data.scenarios.length &&
      this.reference.ownRuns.blindPressesIn(index).some((own) => own.button === asked && own.at === at)
    );
  }

  /** Whether the exercise's own program reads the part again and again that a part of a build stands for. */
  private isReadAgain(index: number, pairs: ReadonlyMap<string, PlacedPart>, part: string): boolean {
    const [asked] = [...pairs].find(([, { ref }]) => ref === part) ?? [];
    return (
      asked !== undefined &&
      index < this.reference.exercise.data.scenarios.length &&
      this.reference.ownRuns.partsReadAgainIn(index).has(asked)
    );
  }

  /** What a build that passes should know of rooms and sensors other than those of its scenarios. */
  roomAdvice(build: Build, { traces }: Examination): readonly Observation[] {
    const judging = this.judging(build, STEPS_OF_A_RUN);
    if (!judging) return [];
    return this.reference.exercise.data.scenarios.flatMap((scenario, index) =>
      roomAdvice(scenario, traces[index]!, judging),
    );
  }

  /** How a build behaves while a line that nothing holds reads this or that; `undefined` where none floats. */
  saidOfFloating(build: Build, { traces }: Examination): string | undefined {
    const floating = this.reference.exercise.data.scenarios.filter(
      (_, index) => (traces[index]?.floatingReads.length ?? 0) > 0,
    );
    const judging = floating.length === 0 ? undefined : this.judging(build, STEPS_OF_A_RUN);
    if (!judging) return undefined;
    for (const scenario of floating) {
      const said = saidOfReadings(scenario, judging);
      if (said !== undefined) return said;
    }
    return undefined;
  }

  private look(wiring: Wiring): WiringLook {
    let look = this.looks.get(wiring);
    if (!look) {
      const { exercise, kept } = this.reference;
      const circuit = new Circuit(wiring, exercise.board);
      const points = wiring === this.handedIn ? kept.of(wiring) : undefined;
      look = {
        solved: new SolvedCircuit(circuit, [], points?.()),
        solvedWith: (spread) => new SolvedCircuit(circuit, [spread], points?.(spread)),
      };
      this.looks.set(wiring, look);
    }
    return look;
  }

  /** How the runs of a build are made and judged; `undefined` when it cannot be run. */
  private judging({ wiring, program }: Build, steps?: number): Judging | undefined {
    const { exercise, sendingRate } = this.reference;
    if (!program.compiled || lackOf(exercise, wiring) === 'board') return undefined;
    const { solved, solvedWith } = this.look(wiring);
    const { compiled } = program;
    const pairs = this.pairsOf(wiring);
    return {
      run: rehearsalOf(compiled, solved, exercise.board, pairs, steps),
      runWith: (spread) => rehearsalOf(compiled, solvedWith(spread), exercise.board, pairs, steps),
      circuit: solved.circuit,
      language: languageOf(exercise),
      pairs,
      pins: this.matchOf(wiring).pins,
      asked: exercise.reference,
      listensAt: sendingRate,
    };
  }
}

/** Every scenario run plainly. Once a program was busy to the end of its steps, few more show the same again. */
function runsOf(scenarios: readonly Played[], { run }: Judging, steps = STEPS_OF_A_RUN): readonly Trace[] {
  let left = steps;
  return scenarios.map((scenario) => {
    const trace = run(scenario, {}, { steps: left });
    if (trace.ended.reason === 'steps') left = Math.min(left, STEPS_AFTER_A_BUSY_RUN);
    return trace;
  });
}
