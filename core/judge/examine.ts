import { prepareBench, type PinDrive, type PinDrives } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import type { Observation } from '../finding';
import { languageOf, type Exercise } from '../formats/exercise';
import type { ScenarioResult, Verdict } from '../formats/report';
import type { Stimulus } from '../formats/scenario';
import type { Grammars, Program } from '../program';
import { EYE_SECONDS } from '../rehearsal/seen';
import type { Trace } from '../rehearsal/trace';
import { netlistOf, type Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';
import { lampBands, lampCurrents, type LampBands } from './bands';
import { comparedLegs, missingPulls, sharedPins } from './compare-legs';
import { comparedParts, comparedPins, type Comparison } from './compare';
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
import { judgeScenarios, rehearsalOf, scenariosOf, sendingRateOf } from './scenarios';
import { contactStates, looksLikeInput } from './states';

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

/** Checks a build against a reference: rules, rehearsal, comparison, verdict. `steps` limits each run. */
export function examine(reference: Reference, { wiring, program }: Build, steps?: number): Examination {
  const { exercise } = reference;
  const netlist = netlistOf(wiring);
  const match = matchCircuits(
    { wiring: exercise.reference, graph: reference.graph },
    { wiring, graph: circuitGraph(wiring, netlist) },
    exercise.board,
    exercise.pinFreedom,
  );
  const run =
    program.compiled && wiring.board && rehearsalOf(program.compiled, wiring, exercise.board, steps);
  const traces = run ? scenariosOf(exercise).map((scenario) => run(scenario, {})) : [];
  const wired = wiredPins(wiring, netlist);
  const states = statesOf(wiring, netlist, wired, traces);
  const comparison: Comparison = {
    exercise,
    wiring,
    match,
    states,
    ...(traces[0] ? { trace: traces[0] } : {}),
  };
  const judged = judgeScenarios(comparison, traces, run, reference.sendingRate);
  const bench = prepareBench(wiring, netlist);
  const usesSerial = traces.some((trace) => trace.serialStarted);
  const floatingPins = run && new Set(traces.flatMap((trace) => trace.floatingReads.map(({ pin }) => pin)));
  const context = { wiring, netlist, bench, board: exercise.board, states, floatingPins, usesSerial };
  const structural = wiringRules.flatMap((rule) => rule(context));
  const compared = [
    ...comparedParts(comparison),
    ...comparedPins(comparison, wired),
    ...comparedLegs(comparison),
    ...sharedPins(comparison),
    ...missingPulls(comparison),
    ...layoutConventions(comparison),
    ...lampCurrents(comparison, reference.lampBands),
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
  wiring: Wiring,
  netlist: Netlist,
  wired: readonly string[],
  traces: readonly Trace[],
): readonly SolvedState[] {
  const bench = prepareBench(wiring, netlist);
  const occurred = traces.flatMap((trace) => trace.states);
  const active = (drives: PinDrives): boolean =>
    wired.some((pin) => ['high', 'low', 'pwm'].includes(drives.get(pin)?.mode ?? 'input'));
  const assumed: readonly PinDrives[] = occurred.some(active)
    ? []
    : wired
        .filter((pin) => !looksLikeInput(wiring, netlist, pin))
        .map((pin) => new Map<string, PinDrive>([[pin, { mode: 'high' }]]));
  const contacts = contactStates(wiring);
  return [...occurred, new Map(), ...assumed].flatMap((drives) =>
    contacts.map((parts): SolvedState => ({
      drives,
      parts,
      point: solveBench(parts.size === 0 ? bench : prepareBench(wiring, netlist, { states: parts }), drives),
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
