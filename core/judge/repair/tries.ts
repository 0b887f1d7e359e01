import { apart } from '../../effort';
import type { Observation } from '../../findings/finding';
import type { FindingCode } from '../../findings/table';
import { hasPassed } from '../../formats/report';
import type { Scenario } from '../../formats/scenario';
import { compileProgram, type Grammars, type Language, type Program } from '../../program';
import type { RunLimits } from '../../rehearsal/options';
import { firstDoubleUse } from '../../wiring/read';
import type { Build } from '../build';
import { areSameButLater, comparedRun, standingIn } from '../compared-runs';
import { Examiner, type Examination } from '../examine';
import { sizeOf, type RunSize } from '../own-runs';
import type { Reference } from '../reference';
import { buildKey } from './build-key';
import { firstLookOf } from './first-look';
import type { Candidate } from './candidate';

/** Steps that a try in full may run. */
const STEPS_OF_A_TRY = 1_000_000;
/** What the runs of one build may take where everything comes a little otherwise. */
const OF_VARIED = 2e8;
const IN_FULL: RunLimits = { steps: STEPS_OF_A_TRY };
/** How long a first look goes on: so many times as long as the run of the reference, or as long as that of the build itself, and some more. */
const TIMES_AS_LONG = 4;
/** What is counted round by round takes steps that a program which is over, or waits for nothing to happen, does not take. */
const MORE = { steps: 40_000, changes: 1000 };
/** What changes its pins for ever shows nothing by going on, and most of what is tried on it does so too. */
const MORE_CHANGES_OF_BUSY = 250;
/** What of the build's own run counts: one that is busy without end is no measure. */
const MOST_OWN = { steps: 200_000, changes: 2000 };

/** A build that is tried, and the changes by which it was made. */
export interface Tried {
  readonly candidates: readonly Candidate[];
  readonly build: Build;
  readonly cost: number;
  /** The circuit and the program as a text, the same for builds that are one. */
  readonly key: string;
}

/** What is known of builds that were tried: each is made, read and checked once. */
export class Tries {
  /** The build itself. */
  readonly first: Tried;
  private readonly examined = new Map<string, Examination>();
  private readonly failing = new Set<string>();
  private readonly programs = new Map<string, Program>();
  /** What every try is looked at in first; worked out when the first one is. */
  private firstLook: { readonly scenario: Scenario | undefined } | undefined;
  /** How long a first look goes on, for each scenario; worked out when the first one is taken. */
  private limitsOfALook: readonly RunLimits[] | undefined;

  constructor(
    private readonly examiner: Examiner,
    private readonly grammars: Grammars,
    build: Build,
    first: Examination,
  ) {
    this.first = this.of(build);
    this.examined.set(this.first.key, first);
  }

  /** A build as if it were handed in, or as it has become by changes. */
  of(build: Build, candidates: readonly Candidate[] = [], cost = 0): Tried {
    return { candidates, build, cost, key: buildKey(build, this.examiner.circuitOf(build.wiring)) };
  }

  /** The build with one more change; `undefined` where that can't be made. */
  make(from: Tried, candidate: Candidate): Tried | undefined {
    const build = candidate.apply(from.build);
    // What was put into a hole that another change has emptied finds it taken without that.
    if (build && build.wiring !== from.build.wiring && firstDoubleUse(build.wiring)) return undefined;
    return build && this.of(build, [...from.candidates, candidate], from.cost + candidate.cost);
  }

  /** The build itself with several changes. */
  madeOf(candidates: readonly Candidate[]): Tried | undefined {
    let tried: Tried | undefined = this.first;
    for (const candidate of candidates) tried = tried && this.make(tried, candidate);
    return tried;
  }

  /** A program is tried on several wirings, and is read once. */
  compile(source: string, language: Language): Program {
    const program =
      this.programs.get(source) ??
      compileProgram(source, this.examiner.reference.exercise.board, this.grammars, language);
    this.programs.set(source, program);
    return program;
  }

  /** The full check of a build. */
  examine({ build, key }: Tried): Examination {
    const known = this.examined.get(key);
    if (known) return known;
    const examination = this.examiner.examine(build, STEPS_OF_A_TRY);
    this.examined.set(key, examination);
    return examination;
  }

  /** Whether a build passes; its first scenario decides for most that do not. */
  isRepaired(tried: Tried): boolean {
    const { build, key } = tried;
    if (this.failing.has(key)) return false;
    if (!this.examined.has(key)) {
      if (this.failsAtFirst(build)) {
        this.failing.add(key);
        return false;
      }
      const { unmet, traces } = this.examiner.screen(build, this.usualLimits, 'first failure');
      if (unmet > 0) {
        this.failing.add(key);
        return false;
      }
      this.examined.set(key, this.examiner.examine(build, STEPS_OF_A_TRY, traces));
    }
    return this.isPassed(this.examine(tried));
  }

  /** Whether a build still fails what the build itself fails first. */
  private failsAtFirst(build: Build): boolean {
    this.firstLook ??= {
      scenario: firstLookOf(
        this.examiner.reference.exercise.data.scenarios,
        this.examine(this.first).scenarios,
        (at, expectation) => this.wasMet(at, expectation),
      ),
    };
    const { scenario } = this.firstLook;
    return (
      scenario !== undefined && this.examiner.screen(build, this.usualLimits, 'end', [scenario]).unmet > 0
    );
  }

  /**
   * The lines of its program that a build comes to by when it fails what the build itself fails first; `undefined` where it
   * does not fail that.
   */
  reachedBy({ build }: Tried): ReadonlySet<number> | undefined {
    this.failsAtFirst(build);
    const scenario =
      this.firstLook?.scenario ??
      this.examiner.reference.exercise.data.scenarios.find(
        (_, at) => this.examine(this.first).scenarios[at]?.passed === false,
      );
    return scenario && this.examiner.linesReached(build, scenario, this.usualLimits[0]);
  }

  /** Whether the build as it was handed in met an expectation of one of its scenarios. */
  private wasMet(at: number, expectation: Scenario['expect'][number]): boolean {
    const scenario = this.examiner.reference.exercise.data.scenarios[at];
    const trace = this.examine(this.first).traces[at];
    return !scenario || !trace || this.examiner.isMet(this.first.build, scenario, expectation, trace);
  }

  /**
   * Whether a build passes on the pins that the exercise asks for, and by no accident of the memory; a risk that the
   * exercise's own build runs is none of the learner's.
   */
  isPassed({ verdict, observations }: Examination): boolean {
    const isAccident = observations.some(({ code }) => code === 'wrong-pin' || code === 'runtime-error');
    if (isAccident || verdict !== 'works-at-risk') return !isAccident && hasPassed(verdict);
    const own = risksOf(this.examiner.reference);
    return [...risksIn(observations)].every(([code, times]) => times <= (own.get(code) ?? 0));
  }

  /** Whether a build passes as the exercise's own does where everything comes a little otherwise. */
  holdsWhenVaried({ build }: Tried): boolean {
    // The search is not charged for it: few builds come so far, and the last of it may be spent on the right one.
    const varied = apart(OF_VARIED, () =>
      this.examiner.reference.ownRuns.variations.every(
        (scenario) => this.examiner.screen(build, [IN_FULL], 'end', [scenario]).unmet === 0,
      ),
    );
    return varied.ended && varied.value;
  }

  /** Whether a build does what the exercise's own does where nobody looks. */
  doesWhatIsMeant({ build }: Tried): boolean {
    const standing = standingIn(this.examiner, build.wiring);
    return this.examiner.reference.ownRuns.unwatched.every(({ played, trace: asked }) => {
      const [built] = this.examiner.screen(build, [IN_FULL], 'end', [{ ...played, expect: [] }]).traces;
      if (built === undefined) return false;
      const compared = comparedRun(played, { asked, built }, standing);
      // When it begins to flash is no matter where nothing is done to it.
      return compared.first === undefined || (played.stimuli.length === 0 && areSameButLater(compared));
    });
  }

  /** How far a program's runs are from what is wanted; beside a right wiring only they tell one try from another. */
  distance({ build }: Tried): number {
    const { unmet, traces } = this.examiner.screen(build, this.usualLimits, 'end');
    const circuit = this.examiner.circuitOf(build.wiring);
    const leadsNowhere = (pin: string): boolean => !circuit.nodeOfPin(pin)?.terminals.length;
    const stumbles = traces.reduce((sum, { pins, reads, undirected, floatingReads, unknownPins }) => {
      const used = new Set([...pins.keys(), ...reads.keys()]);
      const lost = [...used].filter(leadsNowhere).length;
      return sum + lost + undirected.length + floatingReads.length + unknownPins.length;
    }, 0);
    return unmet * 10 + stumbles;
  }

  /** By when a build that is right has shown it: a program that is busy for nothing is left earlier. */
  private get usualLimits(): readonly RunLimits[] {
    const { traces } = this.examine(this.first);
    return (this.limitsOfALook ??= this.examiner.reference.ownRuns.sizes.map((asked, index) => {
      const trace = traces[index];
      const own = trace ? sizeOf(trace) : { steps: 0, changes: 0 };
      const longest = (what: keyof RunSize): number =>
        Math.max(TIMES_AS_LONG * asked[what], Math.min(own[what], MOST_OWN[what])) + MORE[what];
      return {
        steps: Math.min(STEPS_OF_A_TRY, longest('steps')),
        changes:
          trace?.ended.reason === 'changes'
            ? TIMES_AS_LONG * asked.changes + MORE_CHANGES_OF_BUSY
            : longest('changes'),
      };
    }));
  }
}

/** How often each thing is risked. */
type Risks = ReadonlyMap<FindingCode, number>;

function risksIn(observations: readonly Observation[]): Risks {
  const risks = new Map<FindingCode, number>();
  for (const { code, severity } of observations)
    if (severity === 'risk') risks.set(code, (risks.get(code) ?? 0) + 1);
  return risks;
}

/** What the own build of an exercise risks. */
const ownRisks = new WeakMap<Reference, Risks>();
/** What looking for that may take. */
const OF_OWN = 2e9;

function risksOf(reference: Reference): Risks {
  const known = ownRisks.get(reference);
  if (known) return known;
  // By an examiner of its own: what it solves is not there for free for the build that happens to be checked first.
  const looked = apart(OF_OWN, () => new Examiner(reference).examine(reference.own));
  const risks = risksIn(looked.ended ? looked.value.observations : []);
  ownRisks.set(reference, risks);
  return risks;
}
