import { isBoard } from '../boards';
import type { PinDrive, PinDrives } from '../electrics/bench';
import { prepareBench } from '../electrics/bench';
import { ref as makeRef } from '../brand';
import type { FindingCode, Observation } from '../findings/finding';
import { rowOf } from '../findings/table';
import { asksForProgram, languageOf, referencePins, type Exercise } from '../formats/exercise';
import type { ScenarioResult, Verdict } from '../formats/report';
import type { Scenario } from '../formats/scenario';
import type { Grammars, Program } from '../program';
import { idleProgram } from '../program/idle';
import { kindOf } from '../parts';
import { keyed, SolvedCircuit, type KeyedStates } from '../rehearsal/solved-circuit';
import type { Trace } from '../rehearsal/trace';
import { Circuit } from '../wiring/circuit';
import { looksLikeInput } from '../wiring/inputs';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { ledBands, type LedBands } from './led-bands';
import { referenceBuild, type Build } from './build';
import { condonedIn } from './condoned';
import { correspondence } from './compare';
import { rehearsalOf, stimuliOn, type Judging, type Played } from './judging';
import { comparison, reduced, type Comparison, type Match, type Reduced } from './match';
import { wordingOf } from './program';
import { observationsOn, onceEach } from './rules';
import { judgeScenario, notRun, plainResult, scenariosOf, sendingRateOf, unmetIn } from './scenarios';
import { contactStates, extremeStates } from './states';
import type { SolvedState } from './subject';
import { roomAdvice, saidOfReadings, unsteadiness, type Unsteadiness } from './unsteadiness';

/** Steps that a run may take: several seconds in which every pass of the program does something. */
const STEPS_OF_A_RUN = 8_000_000;
const STEPS_AFTER_A_BUSY_RUN = 500_000;

/** The reference of an exercise, reduced once for many checks. */
export interface Reference {
  readonly exercise: Exercise;
  /** Its own wiring and program. */
  readonly own: Build;
  /** Its circuit, with what is compared of it. */
  readonly reduced: Reduced;
  /** Signal pins that it uses. */
  readonly pins: readonly string[];
  /** Current of each LED over the accepted resistor values, lowest and highest, in mA. */
  readonly ledBands: LedBands;
  /** What is not held against a build. */
  readonly condoned: ReadonlySet<FindingCode>;
  /** For each scenario, whether a program that does nothing meets it on the reference's own wiring. */
  readonly metByNothing: readonly boolean[];
  /** Bits a second at which its program sends; `undefined` when it does not, or any rate is understood. */
  readonly sendingRate: number | undefined;
}

export function referenceOf(exercise: Exercise, grammars: Grammars): Reference {
  const own = referenceBuild(exercise, grammars);
  const known: Omit<Reference, 'metByNothing'> = {
    exercise,
    own,
    reduced: reduced(new Circuit(exercise.reference, exercise.board)),
    pins: referencePins(exercise),
    ledBands: ledBands(exercise),
    condoned: condonedIn(exercise, own.program),
    sendingRate: sendingRateOf(exercise, own.program),
  };
  return { ...known, metByNothing: scenariosMetByNothing({ ...known, metByNothing: [] }) };
}

/** What references do otherwise, by scenario; looked at only when a build does. */
const unsteadinessKnown = new WeakMap<Reference, Map<number, Unsteadiness['by'] | undefined>>();

/** Steps that the run of a program that does nothing may take. */
const STEPS_OF_NOTHING = 200_000;

function scenariosMetByNothing(reference: Reference): readonly boolean[] {
  const { exercise } = reference;
  if (!asksForProgram(exercise)) return [];
  const build = { wiring: exercise.reference, program: idleProgram(languageOf(exercise)) };
  const steps = exercise.data.scenarios.map(() => STEPS_OF_NOTHING);
  const examiner = new Examiner(reference);
  return exercise.data.scenarios.map(
    (scenario, index) => examiner.screen(build, [steps[index]!], 'end', [scenario]).unmet === 0,
  );
}

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
  comparison?: Comparison;
  pairs?: ReadonlyMap<string, PlacedPart>;
}

/** Checks a build against a reference: rules, rehearsal, comparison, verdict. `steps` limits each run. */
export const examine = (reference: Reference, build: Build, steps?: number): Examination =>
  new Examiner(reference).examine(build, steps);

/** Checks builds against one reference; what it has worked out of a wiring it knows for the next program on it. */
export class Examiner {
  private readonly looks = new WeakMap<Wiring, WiringLook>();

  constructor(readonly reference: Reference) {}

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
    steps: readonly number[],
    until: 'first failure' | 'end',
    scenarios: readonly Scenario[] = this.reference.exercise.data.scenarios,
  ): Screening {
    const judging = this.judging(build);
    if (!judging) return { unmet: scenarios.reduce((sum, { expect }) => sum + expect.length, 1), traces: [] };
    const traces: Trace[] = [];
    let unmet = 0;
    for (const [index, scenario] of scenarios.entries()) {
      const trace = judging.run(scenario, {}, steps[index]);
      traces.push(trace);
      unmet += unmetIn(scenario, trace, judging);
      if (unmet > 0 && until === 'first failure') break;
    }
    return { unmet, traces };
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
    const isSeen = seen?.length === played.length && seen.every(({ ended }) => ended.reason !== 'steps');
    const traces = isSeen ? seen : judging ? runsOf(played, judging, steps) : [];
    const judged = exercise.data.scenarios.map((scenario, index) =>
      judging
        ? judgeScenario(scenario, traces[index]!, judging, (by) => {
            // The exercise's own is judged as it is, for its author.
            return wiring !== exercise.reference && this.ownUnsteadiness(index) === by;
          })
        : notRun(scenario),
    );
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
    const observations = settle([...found, ...judged.flatMap(({ failures }) => failures)], passed, {
      isExtra,
      isLeftOut,
    });
    return {
      verdict: verdictOf(lackOf(exercise, wiring), program, passed, observations, match),
      observations,
      scenarios: judged.map(({ result }) => result),
      match,
      circuit,
      pairs: this.pairsOf(wiring),
      traces,
    };
  }

  /** What the exercise's own wiring and program do otherwise in one scenario when chance falls otherwise. */
  private ownUnsteadiness(index: number): Unsteadiness['by'] | undefined {
    const { exercise, own } = this.reference;
    const known = unsteadinessKnown.get(this.reference) ?? new Map<number, Unsteadiness['by'] | undefined>();
    unsteadinessKnown.set(this.reference, known);
    if (!known.has(index)) {
      const scenario = exercise.data.scenarios[index]!;
      const judging = this.judging(own, STEPS_OF_A_RUN);
      const trace = judging?.run(scenario, {});
      const isMet = judging && trace && unmetIn(scenario, trace, judging) === 0;
      known.set(index, isMet ? unsteadiness(scenario, trace, judging)?.by : undefined);
    }
    return known.get(index);
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
      look = { solved: new SolvedCircuit(new Circuit(wiring, this.reference.exercise.board)) };
      this.looks.set(wiring, look);
    }
    return look;
  }

  /** How the runs of a build are made and judged; `undefined` when it cannot be run. */
  private judging({ wiring, program }: Build, steps?: number): Judging | undefined {
    const { exercise, sendingRate } = this.reference;
    if (!program.compiled || lackOf(exercise, wiring) === 'board') return undefined;
    const { solved } = this.look(wiring);
    const { compiled } = program;
    const pairs = this.pairsOf(wiring);
    return {
      run: rehearsalOf(compiled, solved, exercise.board, pairs, steps),
      runWith: (spread) =>
        rehearsalOf(compiled, new SolvedCircuit(solved.circuit, [spread]), exercise.board, pairs, steps),
      circuit: solved.circuit,
      language: languageOf(exercise),
      pairs,
      pins: this.matchOf(wiring).pins,
      askedBoard: exercise.reference.board?.ref,
      listensAt: sendingRate,
    };
  }
}

/** Every scenario run plainly. Once a program was busy to the end of its steps, few more show the same again. */
function runsOf(scenarios: readonly Played[], { run }: Judging, steps = STEPS_OF_A_RUN): readonly Trace[] {
  let left = steps;
  return scenarios.map((scenario) => {
    const trace = run(scenario, {}, left);
    if (trace.ended.reason === 'steps') left = Math.min(left, STEPS_AFTER_A_BUSY_RUN);
    return trace;
  });
}

/**
 * The states that rules look at: those that occurred; and where the program drives none of the wired
 * pins, each of these high in turn, as a program that meets the wiring would do.
 */
function statesOf(solved: SolvedCircuit, traces: readonly Trace[]): readonly SolvedState[] {
  const { circuit } = solved;
  const wired = circuit.wiredSignals;
  const occurred = traces.flatMap((trace) => trace.states);
  const active = (drives: PinDrives): boolean => wired.some((pin) => isDriven(drives, pin));
  const assumed: readonly PinDrives[] = occurred.some(active)
    ? []
    : wired
        .filter((pin) => !looksLikeInput(circuit, pin))
        .map((pin) => new Map<string, PinDrive>([[pin, { mode: 'high' }]]));
  const contacts = contactStates(circuit).map(keyed);
  const extremes = extremeStates(circuit).map(keyed);
  const solve = (drives: PinDrives, parts: KeyedStates): SolvedState => ({
    drives,
    parts: parts.states,
    point: solved.at(drives, parts),
  });
  return [
    ...[...occurred, new Map(), ...assumed].flatMap((drives) =>
      contacts.map((parts) => solve(drives, parts)),
    ),
    // At the ends of their travel, knobs and sensors show what they lead to where it does not belong.
    ...extremes.map((parts) => solve(new Map(), parts)),
    // A pin that a knob or a sensor leads to and that is driven all the same works against it, hardest at its ends.
    ...occurred
      .filter((drives) => knobPins(circuit).some((pin) => isDriven(drives, pin)))
      .slice(0, MOST_DRIVEN)
      .flatMap((drives) => extremes.map((parts) => solve(drives, parts))),
  ];
}

/** States of a run in which a pin works against a knob that are looked at. */
const MOST_DRIVEN = 4;

const isDriven = (drives: PinDrives, pin: string): boolean =>
  ['high', 'low', 'pwm'].includes(drives.get(pin)?.mode ?? 'input');

/** Signal pins with a leg of a part on them whose travel has two ends. */
const knobPins = (circuit: Circuit): readonly string[] => {
  const ends = new Set(extremeStates(circuit).flatMap((states) => [...states.keys()]));
  return circuit.wiredSignals.filter((pin) =>
    circuit.partsAt(circuit.nodeOfPin(pin)!.id).some(({ ref }) => ends.has(ref)),
  );
};

/** Whether a part is of those that people see, hear, touch or change, which no other way of building does without. */
function isForPeople(part: PlacedPart | undefined): boolean {
  if (!part) return false;
  const { observed, stimulus } = kindOf(part.kind);
  return observed !== undefined || stimulus !== undefined;
}

type IsSo = (ref: string) => boolean;

/**
 * Structural faults of a build that does its job are advice, and a value that still works is one too. What leaves
 * something of the exercise dead is a risk: nothing watched it. `isExtra`: whether a part is none of the exercise's;
 * `isLeftOut`: whether one that is missing is more than a helper.
 */
function settle(
  observations: readonly Observation[],
  passed: boolean,
  { isExtra, isLeftOut }: { readonly isExtra: IsSo; readonly isLeftOut: IsSo },
): readonly Observation[] {
  const unique = onceEach(observations);
  if (!passed) return unique;
  // Nothing was lost by looking seldom when everything that was to happen did.
  const relevant = unique.filter(({ code }) => code !== 'missed-input');
  return relevant.map((observation) => {
    if (observation.severity !== 'fault') return observation;
    const { refs = [] } = observation;
    const isOfTheExercise = refs.length === 0 || !refs.every(isExtra);
    const isRisk =
      observation.code === 'part-missing'
        ? refs.some(isLeftOut)
        : rowOf(observation.code).isRiskInAnyCase === true && isOfTheExercise;
    return { ...observation, severity: isRisk ? 'risk' : 'advice' };
  });
}

/** What a wiring has none of before anything of it can be judged: the board, where one is asked for, or any part. */
export function lackOf({ board, reference }: Exercise, wiring: Wiring): 'board' | 'part' | undefined {
  if (isBoard(board) && !wiring.board) return 'board';
  // Parts that lie in the bag are no build yet.
  const isPlugged = wiring.parts.some(({ legs }) => legs.some(({ at }) => at !== null));
  return reference.parts.length > 0 && !isPlugged ? 'part' : undefined;
}

function verdictOf(
  lack: ReturnType<typeof lackOf>,
  program: Program,
  passed: boolean,
  observations: readonly Observation[],
  match: Match,
): Verdict {
  const isIncomplete = program.isEmpty || lack !== undefined;
  if (isIncomplete || program.problems.some((problem) => problem.unsupported)) return 'cannot-tell';
  if (!passed) return 'does-not-work';
  if (observations.some((observation) => observation.severity === 'risk')) return 'works-at-risk';
  const asAsked = observations.every(({ code }) => !rowOf(code).isAnotherBuild);
  return match.same && asAsked ? 'as-drawn' : 'works-differently';
}
