import { effort } from '../effort';
import { prepareBench, type PinDrive, type PinDrives } from '../electrics/bench';
import type { Observation } from '../finding';
import { languageOf, type Exercise } from '../formats/exercise';
import type { ScenarioResult, Verdict } from '../formats/report';
import type { Stimulus } from '../formats/scenario';
import type { Grammars, Program } from '../program';
import { EYE_SECONDS } from '../rehearsal/seen';
import type { Trace } from '../rehearsal/trace';
import { keyed, SolvedCircuit } from '../rehearsal/solved-circuit';
import { netlistOf, type Netlist } from '../wiring/netlist';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { lampBands, lampCurrents, type LampBands } from './bands';
import { comparedLegs, missingPulls, sharedPins } from './compare-legs';
import { comparedParts, comparedPins, correspondence, type Comparison } from './compare';
import { layoutConventions } from './conventions';
import { circuitGraph, isSupplyPin, type CircuitGraph } from './graph';
import { matchCircuits, type Match } from './match';
import {
  directionUnset,
  interruptTrouble,
  missedInput,
  missingPause,
  negativePause,
  problemObservation,
  pullupUnset,
  runtimeTrouble,
  wordingOf,
} from './program';
import { wiringRules, type SolvedState } from './rules';
import { rehearsalOf, type Judging, type Played } from './judging';
import { judgeScenario, notRun, scenariosOf, sendingRateOf, unmetIn } from './scenarios';
import { contactStates, looksLikeInput } from './states';

/** Steps that a run may take: several seconds in which every pass of the program does something. */
const STEPS_OF_A_RUN = 8_000_000;
const STEPS_AFTER_A_BUSY_RUN = 500_000;

/** What the rules take for each state and each part or node. */
const EFFORT_OF_RULES = 3000;
/** What looking at a program's pins takes for each of their changes. */
const EFFORT_OF_A_CHANGE = 1000;

/** What a student hands in, read. */
export interface Build {
  readonly wiring: Wiring;
  readonly program: Program;
}

/** The reference of an exercise, reduced once for many checks. */
export interface Reference {
  readonly exercise: Exercise;
  readonly graph: CircuitGraph;
  /** Current of each lamp over the accepted resistor values, lowest and highest, in mA. */
  readonly lampBands: LampBands;
  /** Bits a second at which its program sends; `undefined` when it does not, or any rate is understood. */
  readonly sendingRate: number | undefined;
}

export const referenceOf = (exercise: Exercise, grammars: Grammars): Reference => ({
  exercise,
  graph: circuitGraph(exercise.reference, netlistOf(exercise.reference)),
  lampBands: lampBands(exercise),
  sendingRate: sendingRateOf(exercise, grammars),
});

/** One full check of a build, without the search for repairs. */
export interface Examination {
  readonly verdict: Verdict;
  readonly observations: readonly Observation[];
  readonly scenarios: readonly ScenarioResult[];
  readonly match: Match;
  readonly netlist: Netlist;
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
  readonly circuit: SolvedCircuit;
  match?: Match;
  pairs?: ReadonlyMap<string, PlacedPart>;
}

/** Checks a build against a reference: rules, rehearsal, comparison, verdict. `steps` limits each run. */
export const examine = (reference: Reference, build: Build, steps?: number): Examination =>
  new Examiner(reference).examine(build, steps);

/** Checks builds against one reference; what it has worked out of a wiring it knows for the next program on it. */
export class Examiner {
  private readonly looks = new WeakMap<Wiring, WiringLook>();

  constructor(readonly reference: Reference) {}

  /** The nodes of a wiring. */
  netlistOf(wiring: Wiring): Netlist {
    return this.look(wiring).circuit.netlist;
  }

  /** How a wiring compares with that of the reference. */
  matchOf(wiring: Wiring): Match {
    const look = this.look(wiring);
    const { exercise, graph } = this.reference;
    look.match ??= matchCircuits(
      { wiring: exercise.reference, graph },
      { wiring, graph: circuitGraph(wiring, look.circuit.netlist) },
      exercise.board,
      exercise.pinFreedom,
    );
    return look.match;
  }

  /**
   * Runs a build through its scenarios without looking at anything else, each for its number of `steps` at most;
   * `until` says whether all of them are run, or none behind the first that fails.
   */
  screen(build: Build, steps: readonly number[], until: 'first failure' | 'end'): Screening {
    const { scenarios } = this.reference.exercise.data;
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

  examine(build: Build, steps?: number): Examination {
    const { wiring, program } = build;
    const { exercise, lampBands: bands } = this.reference;
    const { circuit } = this.look(wiring);
    const match = this.matchOf(wiring);
    const { netlist } = circuit;
    const judging = this.judging(build, steps ?? STEPS_OF_A_RUN);
    const traces = judging ? runsOf(scenariosOf(exercise), judging, steps) : [];
    const wired = wiredPins(wiring, netlist);
    const states = statesOf(circuit, wired, traces);
    effort(states.length * (wiring.parts.length + netlist.nodes.length) * EFFORT_OF_RULES);
    const comparison: Comparison = {
      exercise,
      wiring,
      match,
      states,
      ...(traces[0] ? { trace: traces[0] } : {}),
    };
    const judged = exercise.data.scenarios.map((scenario, index) =>
      judging ? judgeScenario(scenario, traces[index]!, judging) : notRun(scenario),
    );
    const bench = prepareBench(wiring, netlist);
    const usesSerial = traces.some((trace) => trace.serialStarted);
    const floatingPins =
      judging && new Set(traces.flatMap((trace) => trace.floatingReads.map(({ pin }) => pin)));
    const context = { wiring, netlist, bench, board: exercise.board, states, floatingPins, usesSerial };
    const structural = wiringRules.flatMap((rule) => rule(context));
    const compared = [
      ...comparedParts(comparison),
      ...comparedPins(comparison, wired),
      ...comparedLegs(comparison),
      ...sharedPins(comparison),
      ...missingPulls(comparison),
      ...layoutConventions(comparison),
      ...lampCurrents(comparison, bands),
    ];
    const fromProgram = [
      ...program.problems.map(problemObservation),
      ...onePerLine(
        traces.flatMap((trace, index) =>
          programObservations(trace, comparison, netlist, scenariosOf(exercise)[index]!.stimuli),
        ),
      ),
    ];
    // Without a scenario nothing is asked of the behaviour: the circuit has to be the right one.
    const asksNothing = exercise.data.scenarios.length === 0;
    const passed =
      traces.length > 0 && judged.every(({ result }) => result.passed) && (!asksNothing || match.same);
    const observations = settle(
      [...structural, ...compared, ...fromProgram, ...judged.flatMap(({ failures }) => failures)],
      passed,
    );
    return {
      verdict: verdictOf(wiring, program, passed, observations, match),
      observations,
      scenarios: judged.map(({ result }) => result),
      match,
      netlist,
      traces,
    };
  }

  private look(wiring: Wiring): WiringLook {
    let look = this.looks.get(wiring);
    if (!look) {
      look = { circuit: new SolvedCircuit(wiring) };
      this.looks.set(wiring, look);
    }
    return look;
  }

  /** How the runs of a build are made and judged; `undefined` when it cannot be run. */
  private judging({ wiring, program }: Build, steps?: number): Judging | undefined {
    if (!program.compiled || !wiring.board) return undefined;
    const { exercise, sendingRate } = this.reference;
    const look = this.look(wiring);
    const { circuit } = look;
    look.pairs ??= correspondence({ exercise, wiring, match: this.matchOf(wiring) });
    const { pairs } = look;
    const { compiled } = program;
    return {
      run: rehearsalOf(compiled, circuit, exercise.board, steps),
      runWith: (spread) => rehearsalOf(compiled, new SolvedCircuit(wiring, [spread]), exercise.board, steps),
      wiring,
      language: languageOf(exercise),
      pairs,
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

/** Signal pins that lead to a part. */
function wiredPins(wiring: Wiring, netlist: Netlist): readonly string[] {
  const board = wiring.board?.profile;
  if (!board) return [];
  return netlist.nodes.flatMap((node) =>
    node.terminals.length > 0 || node.pins.length > 1
      ? node.pins.filter((pin) => !isSupplyPin(board, pin))
      : [],
  );
}

/**
 * The states that rules look at: those that occurred; and where the program drives none of the wired
 * pins, each of these high in turn, as a program that meets the wiring would do.
 */
function statesOf(
  circuit: SolvedCircuit,
  wired: readonly string[],
  traces: readonly Trace[],
): readonly SolvedState[] {
  const { wiring, netlist } = circuit;
  const occurred = traces.flatMap((trace) => trace.states);
  const active = (drives: PinDrives): boolean =>
    wired.some((pin) => ['high', 'low', 'pwm'].includes(drives.get(pin)?.mode ?? 'input'));
  const assumed: readonly PinDrives[] = occurred.some(active)
    ? []
    : wired
        .filter((pin) => !looksLikeInput(wiring, netlist, pin))
        .map((pin) => new Map<string, PinDrive>([[pin, { mode: 'high' }]]));
  const contacts = contactStates(wiring).map(keyed);
  return [...occurred, new Map(), ...assumed].flatMap((drives) =>
    contacts.map((parts): SolvedState => ({
      drives,
      parts: parts.states,
      point: circuit.at(drives, parts),
    })),
  );
}

/** Every run may show the same thing of a line; the first one that does says it. */
const onePerLine = (observations: readonly Observation[]): readonly Observation[] =>
  observations.filter(
    (one, index) =>
      observations.findIndex((other) => other.code === one.code && other.line === one.line) === index,
  );

function programObservations(
  trace: Trace,
  comparison: Comparison,
  netlist: Netlist,
  stimuli: readonly Stimulus[],
): readonly Observation[] {
  const pulledUpMa = (pin: string): number | undefined => {
    if (!netlist.nodes.some((node) => node.pins.includes(pin))) return undefined;
    const currents = comparison.states
      .filter(({ drives }) => drives.get(pin)?.mode === 'pullup')
      .map(({ point }) => Math.abs(point.pins.get(pin)?.currentMa ?? 0));
    return Math.max(0, ...currents);
  };
  effort([...trace.pins.values()].reduce((sum, changes) => sum + changes.length, 0) * EFFORT_OF_A_CHANGE);
  const wording = wordingOf(languageOf(comparison.exercise));
  const around = { netlist, wiring: comparison.wiring, board: comparison.exercise.board };
  return [
    ...directionUnset(trace, pulledUpMa, wording),
    ...runtimeTrouble(trace, comparison.exercise.board, wording),
    ...missingPause(trace, EYE_SECONDS, wording),
    ...negativePause(trace),
    ...pullupUnset(trace, around, wording),
    ...missedInput(trace, around, stimuli, wording),
    ...interruptTrouble(trace, comparison.exercise.board),
  ];
}

/** Structural faults of a build that does its job are advice; a value that still works is one too. */
function settle(observations: readonly Observation[], passed: boolean): readonly Observation[] {
  const unique = observations.filter(
    (one, index) =>
      observations.findIndex((other) => other.code === one.code && other.message === one.message) === index,
  );
  if (!passed) return unique;
  // Nothing was lost by looking seldom when everything that was to happen did.
  const relevant = unique.filter(({ code }) => code !== 'missed-input');
  return relevant.map((observation) =>
    observation.severity === 'fault' ? { ...observation, severity: 'advice' } : observation,
  );
}

function verdictOf(
  wiring: Wiring,
  program: Program,
  passed: boolean,
  observations: readonly Observation[],
  match: Match,
): Verdict {
  const isIncomplete = program.isEmpty || !wiring.board || wiring.parts.length === 0;
  if (isIncomplete || program.problems.some((problem) => problem.unsupported)) return 'cannot-tell';
  if (!passed) return 'does-not-work';
  if (observations.some((observation) => observation.severity === 'risk')) return 'works-at-risk';
  const asAsked = observations.every(
    ({ code }) => !['resistor-value', 'wrong-part', 'part-extra', 'part-missing', 'wrong-pin'].includes(code),
  );
  return match.same && asAsked ? 'as-drawn' : 'works-differently';
}
