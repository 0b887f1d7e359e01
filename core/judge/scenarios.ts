import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import type { Observation } from '../finding';
import { languageOf, type Exercise } from '../formats/exercise';
import type { ScenarioResult } from '../formats/report';
import type { Scenario } from '../formats/scenario';
import { expectationSentence } from '../formats/scenario-sentences';
import { compileProgram, type Compiled, type Grammars, type Language } from '../program';
import { rehearse, type RehearsalOptions } from '../rehearsal/rehearse';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import { seenIntervals, type SeenInterval } from '../rehearsal/seen';
import { observedSeconds, type CurrentChange, type Trace } from '../rehearsal/trace';
import { netlistOf, nodeOfPin } from '../wiring/netlist';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { checkExpectation, type Observed, type Outcome } from './expectations';
import { wordingOf } from './program';

/** What of a scenario decides how it runs. */
type Played = Pick<Scenario, 'for' | 'stimuli'>;

/** How chance falls in a run: what floating lines read as, how contacts bounce, how the noise goes. */
export type Chance = Pick<RehearsalOptions, 'bounceSeed' | 'floatingReads' | 'seed'>;

/** Runs a build through a scenario, with chance falling as it is told; `steps` limits the run. */
export type Run = (scenario: Played, chance: Chance, steps?: number) => Trace;

/** The run of an exercise without scenarios: it shows what the program does to the pins. */
const UNASKED: Played = { for: 5, stimuli: [] };

/** What a build is run through: the scenarios of its exercise, or a while of nothing. */
export const scenariosOf = ({ data }: Exercise): readonly Played[] =>
  data.scenarios.length > 0 ? data.scenarios : [UNASKED];

/** A way to run a program on a wiring; `usualSteps` limits each run that says nothing else. */
export const rehearsalOf = (
  program: Compiled,
  circuit: SolvedCircuit,
  board: BoardProfile,
  usualSteps: number | undefined,
): Run => {
  return (scenario, chance, steps = usualSteps) =>
    rehearse(
      program,
      circuit.wiring,
      board,
      {
        seconds: scenario.for,
        stimuli: scenario.stimuli,
        ...(steps === undefined ? {} : { steps }),
        ...chance,
      },
      circuit,
    );
};

/** What came of a scenario, and what is wrong when it did not pass. */
export interface Judged {
  readonly result: ScenarioResult;
  readonly failures: readonly Observation[];
}

/** What the runs of a build are judged by besides the scenario. */
export interface Judging {
  readonly run: Run;
  readonly wiring: Wiring;
  readonly language: Language;
  /** Built parts by the reference part that they stand for. */
  readonly pairs: ReadonlyMap<string, PlacedPart>;
  /** Bits a second at which the computer listens; `undefined` when at any. */
  readonly listensAt: number | undefined;
}

/** Judges the run of a scenario and, when it passes, further runs in which chance falls otherwise. */
export function judgeScenario(scenario: Scenario, trace: Trace, judging: Judging): Judged {
  const outcomes = outcomesOf(scenario, trace, judging);
  const failures = outcomes.every(({ passed }) => passed)
    ? unsteadiness(scenario, trace, judging)
    : outcomes.flatMap((outcome) => outcome.failures);
  return {
    result: {
      name: scenario.name,
      passed: failures.length === 0 && outcomes.every(({ passed }) => passed),
      expectations: outcomes.map(({ observed, passed }, at) => ({
        expected: expectationSentence(scenario.expect[at]!),
        observed,
        passed,
      })),
    },
    failures,
  };
}

/** How many expectations of a scenario a run does not meet; how chance falls otherwise is not looked at. */
export const unmetIn = (scenario: Scenario, trace: Trace, judging: Judging): number =>
  outcomesOf(scenario, trace, judging).filter(({ passed }) => !passed).length;

function outcomesOf(scenario: Scenario, trace: Trace, judging: Judging): readonly Outcome[] {
  const observed = observedOn(scenario, trace, judging);
  return scenario.expect.map((expectation) => checkExpectation(expectation, observed));
}

/** Seconds in which a program that sends has said at which rate. */
const STARTED_BY = 1;

/**
 * The rate in bits a second at which the reference sends, which is the one that the computer is set to;
 * `undefined` when it sends nothing, or over the plug alone, where any rate is understood.
 */
export function sendingRateOf(exercise: Exercise, grammars: Grammars): number | undefined {
  const language = languageOf(exercise);
  const { compiled } = compileProgram(exercise.data.program, exercise.board, grammars, language);
  if (!compiled || language === 'python') return undefined;
  const run = rehearsalOf(compiled, new SolvedCircuit(exercise.reference), exercise.board, undefined);
  const { serialStarted, serialRate } = run({ for: STARTED_BY, stimuli: [] }, {});
  return serialStarted ? serialRate : undefined;
}

/** What came of a scenario whose program cannot be run. */
export const notRun = ({ name, expect }: Scenario): Judged => ({
  result: {
    name,
    passed: false,
    expectations: expect.map((expectation) => ({
      expected: expectationSentence(expectation),
      observed: 'it did not run',
      passed: false,
    })),
  },
  failures: [],
});

function observedOn(scenario: Scenario, trace: Trace, judging: Judging): Observed {
  const { run, wiring, pairs, listensAt } = judging;
  const again: Observed['again'] = (seed) =>
    observedOn(scenario, run(scenario, { seed, floatingReads: 'noise' }), judging);
  const seenOf = new Map<string, readonly SeenInterval[] | undefined>();
  const builtRef: Observed['builtRef'] = (reference) => pairs.get(reference.replace(/\..*/, ''))?.ref;
  const currents = (lamp: string): readonly CurrentChange[] | undefined => {
    const built = builtRef(lamp) ?? ref('');
    return trace.lamps.get(built + (/\..*/.exec(lamp)?.[0] ?? ''));
  };
  const seen: Observed['seen'] = (lamp) => {
    if (!seenOf.has(lamp)) {
      const changes = currents(lamp);
      seenOf.set(lamp, changes && seenIntervals(changes, observedSeconds(trace)));
    }
    return seenOf.get(lamp);
  };
  return { wiring, trace, stimuli: scenario.stimuli, seen, currents, builtRef, listensAt, again };
}

/** Ways in which contacts bounce that a build has to stand. */
const BOUNCE_SEEDS = [1, 2, 3];
/** What floating lines may read as besides low. */
const FLOATING: readonly Chance[] = [
  { floatingReads: 'high' },
  { floatingReads: 'noise', seed: 1 },
  { floatingReads: 'noise', seed: 2 },
];

/** What a build that passes does otherwise when contacts bounce or a line that floats reads as something else. */
function unsteadiness(scenario: Scenario, trace: Trace, judging: Judging): readonly Observation[] {
  const { run, wiring, language } = judging;
  // What is left to chance is looked at over many runs already.
  const expectations = scenario.expect.filter((expectation) => !('one-of' in expectation));
  const failing = (chance: Chance): Outcome | undefined => {
    const observed = observedOn(scenario, run(scenario, chance), judging);
    return expectations
      .map((expectation) => checkExpectation(expectation, observed))
      .find(({ passed }) => !passed);
  };
  const pressed = scenario.stimuli.find((stimulus) => 'press' in stimulus);
  if (pressed)
    for (const bounceSeed of BOUNCE_SEEDS) {
      const outcome = failing({ bounceSeed });
      if (outcome) return [bounces(trace, pressed.press, outcome, wiring), ...outcome.failures];
    }
  const [floating] = trace.floatingReads;
  if (floating)
    for (const chance of FLOATING) {
      const outcome = failing(chance);
      if (outcome) return [floats(floating, outcome, language), ...outcome.failures];
    }
  return [];
}

function bounces(trace: Trace, button: string, { observed }: Outcome, wiring: Wiring): Observation {
  const netlist = netlistOf(wiring);
  // The line that looks at the button: where a pin is read that one of its legs lies on.
  const read = [...trace.reads].find(([pin]) => {
    const node = nodeOfPin(netlist, pin);
    return netlist.nodes.some(
      ({ id, terminals }) => id === node && terminals.some(({ ref: part }) => part === button),
    );
  });
  const line = read?.[1].line ?? 1;
  return {
    code: 'no-debounce',
    severity: 'fault',
    refs: [button],
    line,
    column: 1,
    message: `A real button bounces for a few milliseconds when it is pressed, and line ${line} takes each bounce for a press: then ${observed}.`,
    hints: [
      `What does a contact do in the first thousandths of a second after it is pressed?`,
      `With a bouncing ${button} the outcome is another: ${observed}.`,
      `After a change has been seen in line ${line}, wait 20 milliseconds before looking again.`,
    ],
  };
}

function floats(
  { pin, line, how }: Trace['floatingReads'][number],
  { observed }: Outcome,
  language: Language,
): Observation {
  return {
    code: 'unsteady',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} reads pin ${pin} while nothing holds it, so the outcome changes from one time to the next: then ${observed}.`,
    hints: [
      `What does pin ${pin} read while nothing is joined to it?`,
      `Pin ${pin} floats when line ${line} reads it; it may be ${how === 'digital' ? 'high or low' : 'any number'}.`,
      `${wordingOf(language).pullUp(pin)} Or see that its wire reaches what it should read.`,
    ],
  };
}
