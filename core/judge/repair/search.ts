import type { FindingCode } from '../../finding';
import { languageOf } from '../../formats/exercise';
import { hasPassed } from '../../formats/report';
import { compileProgram, type Grammars, type Language, type Program } from '../../program';
import type { Wiring } from '../../wiring/wiring';
import type { Trace } from '../../rehearsal/trace';
import type { Build, Examination, Examiner, Reference } from '../examine';
import { isWiring } from '../order';
import { buildKey } from './build-key';
import type { Candidate } from './candidate';
import { programCandidates } from './program-edits';
import { wiringFor } from './ideal-wiring';
import { wishesOf } from './wishes';
import { wiringCandidates } from './wiring-edits';

/** A set of changes after which the build passes the full check. */
export interface RepairSet {
  readonly candidates: readonly Candidate[];
  /** The build as it would be with the rest mended too, when the set alone does not make it pass. */
  readonly rest?: Build;
}

/** What a search may spend: builds looked at, steps of their programs, and work on their circuits. */
interface Budget {
  readonly checks: number;
  readonly steps: number;
  /** Operating points, each by the size of its circuit. */
  readonly work: number;
}
/** A few seconds at worst. */
const WHOLE: Budget = { checks: 900, steps: 4_000_000, work: 3_000_000 };
/** For two changes of a program, on top of what single ones took: few of the many are what was meant. */
const OF_TWO_IN_PROGRAM: Budget = { checks: 150, steps: 500_000, work: 300_000 };
/** Faults of a program that take another order of its lines to mend. */
const REWRITTEN: ReadonlySet<FindingCode> = new Set([
  'missed-input',
  'double-count',
  'repeats-while-held',
  'no-debounce',
  'state-reset',
  'wait-in-interrupt',
]);

/** Steps that a try in full may run. */
export const STEPS_OF_A_TRY = 1_000_000;
/** Steps of a first look: so many times those that the reference or the build itself runs, and some more. */
const TIMES_THE_STEPS = 4;
const MORE_STEPS = 10_000;
/** Cost under which a single change is taken without looking for two. */
const PLAIN = 2;
/** First changes that are kept to try second ones on. */
const BEAM = 8;

/**
 * Searches the smallest set of changes that makes a build pass: single changes of wiring and program,
 * cheapest first, then one of each, then pairs that start with what brought the build nearer. Builds
 * with the same netlist, values and program text are one and are checked once. Deterministic.
 */
export function searchRepair(
  examiner: Examiner,
  build: Build,
  first: Examination,
  grammars: Grammars,
): RepairSet {
  return new RepairSearch(examiner, grammars).run(build, first);
}

interface Tried {
  readonly candidates: readonly Candidate[];
  readonly build: Build;
  readonly cost: number;
  /** The circuit and the program as a text, the same for builds that are one. */
  readonly key: string;
}

class RepairSearch {
  private readonly examined = new Map<string, Examination>();
  private readonly failing = new Set<string>();
  private readonly programs = new Map<string, Program>();
  private spent: Budget = { checks: 0, steps: 0, work: 0 };
  private budget = WHOLE;
  /** For each scenario. */
  private stepsOfALook: readonly number[] = [];

  constructor(
    private readonly examiner: Examiner,
    private readonly grammars: Grammars,
  ) {}

  private get reference(): Reference {
    return this.examiner.reference;
  }

  run(build: Build, first: Examination): RepairSet {
    let start: Tried = { candidates: [], build, cost: 0, key: this.keyOf(build) };
    this.examined.set(start.key, first);
    // A program that does not compile hides everything else: its own repairs come first.
    for (let round = 0; round < 6 && !start.build.program.compiled; round += 1) {
      const next = this.singles(start).find((candidate) => candidate.domain === 'program');
      const tried = next && this.make(start, next);
      if (!tried || !this.examine(tried)) return this.partOf(start);
      start = tried;
    }
    if (this.isRepaired(start)) return start;
    this.stepsOfALook = this.usualSteps(start);
    const single = this.oneMore(start);
    const bound = single ? single.cost - start.cost : Number.POSITIVE_INFINITY;
    if (single && bound < PLAIN) return single;
    if (this.hasRightWiring(start)) this.limitTo(OF_TWO_IN_PROGRAM);
    // One large change is weighed against two small ones.
    const pair = this.needsRewriting(start)
      ? undefined
      : (this.oneOfEach(start, bound) ?? this.twoMore(start, bound));
    return pair ?? single ?? this.partOf(start);
  }

  /** Every single change, cheapest first; one per resulting circuit and program. */
  private singles(tried: Tried): readonly Candidate[] {
    const examination = this.examine(tried);
    if (!examination) return [];
    const { build } = tried;
    // A wiring that is the right circuit is not to be changed so that a program does not matter.
    const isRight = this.hasRightWiring(tried);
    const wiring = isRight ? [] : wiringCandidates(this.reference, build.wiring, examination);
    const program = programCandidates(
      build.program,
      this.reference.exercise.board,
      (source) => this.compile(source, build.program.language),
      wishesOf(this.reference.exercise, build, examination.traces),
    );
    return [...wiring, ...program].sort((a, b) => a.cost - b.cost);
  }

  /** Whether there is nothing to be said against the wiring of a build. */
  private hasRightWiring(tried: Tried): boolean {
    const examination = this.examine(tried);
    return (
      examination !== undefined &&
      examination.match.same &&
      examination.observations.every(({ code, severity }) => severity === 'advice' || !isWiring(code))
    );
  }

  /** Whether a program has a fault that no two words mend; two that make it pass would do so by accident. */
  private needsRewriting(start: Tried): boolean {
    return (
      this.hasRightWiring(start) &&
      (this.examine(start)?.observations ?? []).some(
        ({ code, severity }) => severity === 'fault' && REWRITTEN.has(code),
      )
    );
  }

  private make(from: Tried, candidate: Candidate): Tried | undefined {
    const build = candidate.apply(from.build);
    return (
      build && {
        candidates: [...from.candidates, candidate],
        build,
        cost: from.cost + candidate.cost,
        key: this.keyOf(build),
      }
    );
  }

  /** A program is tried on several wirings, and is read once. */
  private compile(source: string, language: Language): Program {
    const program =
      this.programs.get(source) ??
      compileProgram(source, this.reference.exercise.board, this.grammars, language);
    this.programs.set(source, program);
    return program;
  }

  private keyOf(build: Build): string {
    return buildKey(build, this.examiner.netlistOf(build.wiring));
  }

  private get isSpent(): boolean {
    const { spent, budget } = this;
    return spent.checks >= budget.checks || spent.steps >= budget.steps || spent.work >= budget.work;
  }

  private limitTo(more: Budget): void {
    const { spent, budget } = this;
    this.budget = {
      checks: Math.min(budget.checks, spent.checks + more.checks),
      steps: Math.min(budget.steps, spent.steps + more.steps),
      work: Math.min(budget.work, spent.work + more.work),
    };
  }

  /** Counts what a look at a build took. */
  private spend(traces: readonly Trace[], wiring: Wiring): void {
    const nodes = this.examiner.netlistOf(wiring).nodes.length;
    const { checks, steps, work } = this.spent;
    this.spent = {
      checks: checks + 1,
      steps: steps + traces.reduce((sum, trace) => sum + trace.steps, 0),
      work: work + traces.reduce((sum, trace) => sum + trace.solutions, 0) * (nodes ** 2 + 200),
    };
  }

  /** Steps by which a build that is right has shown it: a program that is busy for nothing is left earlier. */
  private usualSteps(start: Tried): readonly number[] {
    const { exercise } = this.reference;
    const program = this.compile(exercise.data.program, languageOf(exercise));
    const { traces } = this.examiner.screen({ wiring: exercise.reference, program }, [], 'end');
    const own = this.examined.get(start.key)?.traces ?? [];
    return traces.map(({ steps }, index) =>
      Math.min(STEPS_OF_A_TRY, TIMES_THE_STEPS * Math.max(steps, own[index]?.steps ?? 0) + MORE_STEPS),
    );
  }

  /** The full check of a build; `undefined` when the search has done all it may. */
  private examine({ build, key }: Tried): Examination | undefined {
    const known = this.examined.get(key);
    if (known || this.isSpent) return known;
    const examination = this.examiner.examine(build, STEPS_OF_A_TRY);
    this.spend(examination.traces, build.wiring);
    this.examined.set(key, examination);
    return examination;
  }

  /** Whether a build passes; its first scenario decides for most that do not. */
  private isRepaired(tried: Tried): boolean {
    const { build, key } = tried;
    if (this.failing.has(key)) return false;
    if (!this.examined.has(key)) {
      if (this.isSpent) return false;
      const { unmet, traces } = this.examiner.screen(build, this.stepsOfALook, 'first failure');
      this.spend(traces, build.wiring);
      if (unmet > 0) {
        this.failing.add(key);
        return false;
      }
    }
    const examination = this.examine(tried);
    return examination !== undefined && isPassed(examination);
  }

  private oneMore(start: Tried): Tried | undefined {
    for (const candidate of this.singles(start)) {
      const tried = this.make(start, candidate);
      if (tried && this.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /**
   * One fault in the wiring and one in the program: each side is mended against the reference of the
   * other, so that the pairs need not all be tried.
   */
  private oneOfEach(start: Tried, bound: number): Tried | undefined {
    const all = this.singles(start);
    const wirings = all
      .filter((candidate) => candidate.domain === 'wiring')
      .flatMap((candidate) => this.make(start, candidate) ?? [])
      .filter((tried) => this.isRight(tried) && !this.isRight(start))
      .slice(0, 3);
    if (wirings.length === 0) return undefined;
    const ideal = this.idealWiring(start);
    const onIdeal: Tried = { ...start, build: { ...start.build, wiring: ideal } };
    const programs = all
      .filter((candidate) => candidate.domain === 'program')
      .flatMap((candidate) => {
        const tried = this.make(onIdeal, candidate);
        return tried && this.isRepaired(tried) ? [candidate] : [];
      })
      .slice(0, 3);
    const pairs = wirings
      .flatMap((wiring) => programs.map((program) => ({ wiring, program, cost: wiring.cost + program.cost })))
      .filter((pair) => pair.cost - start.cost < bound)
      .sort((a, b) => a.cost - b.cost);
    for (const { wiring, program } of pairs) {
      const tried = this.make(wiring, program);
      if (tried && this.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /**
   * Where no set makes the build pass: the change that makes the wiring right, if one does, and the
   * program on the wiring as it should be, where its own trouble shows.
   */
  private partOf(start: Tried): RepairSet {
    const wiring = this.singles(start)
      .filter((candidate) => candidate.domain === 'wiring')
      .map((candidate) => this.make(start, candidate))
      .find((tried) => tried && this.isRight(tried));
    const found = this.isRight(start) ? undefined : wiring;
    return {
      candidates: (found ?? start).candidates,
      rest: { ...start.build, wiring: this.idealWiring(start) },
    };
  }

  private idealWiring(start: Tried): Wiring {
    return wiringFor(this.reference.exercise, this.examine(start)?.traces ?? []);
  }

  /** Two changes of one side: second ones are tried on the first ones that brought the build nearest. */
  private twoMore(start: Tried, bound: number): Tried | undefined {
    // Beside a right wiring only what the program does tells one try from another.
    const way = this.hasRightWiring(start) ? 'by its runs' : 'in full';
    const before = this.distance(start, way);
    const firsts = this.singles(start)
      .flatMap((candidate) => {
        const tried = this.make(start, candidate);
        const distance = tried && this.distance(tried, way);
        return tried && distance !== undefined && distance < (before ?? 0) ? [{ tried, distance }] : [];
      })
      .sort((a, b) => a.distance - b.distance || a.tried.cost - b.tried.cost)
      .slice(0, BEAM);
    let best: Tried | undefined;
    for (const { tried } of firsts)
      for (const candidate of this.singles(tried)) {
        if (
          tried.cost + candidate.cost >=
          Math.min(best?.cost ?? Number.POSITIVE_INFINITY, start.cost + bound)
        )
          break;
        const second = this.make(tried, candidate);
        if (second && this.isRepaired(second)) {
          best = second;
          break;
        }
      }
    return best;
  }

  /** Whether a build has the circuit that is wanted. */
  private isRight = ({ build }: Tried): boolean => this.examiner.matchOf(build.wiring).same;

  /** How far a build is from passing; `undefined` when the search has done all it may. */
  private distance(tried: Tried, way: 'by its runs' | 'in full'): number | undefined {
    const { build } = tried;
    if (way === 'in full') {
      const examination = this.examine(tried);
      return examination && farness(examination);
    }
    if (this.isSpent) return undefined;
    const { unmet, traces } = this.examiner.screen(build, this.stepsOfALook, 'end');
    this.spend(traces, build.wiring);
    const { nodes } = this.examiner.netlistOf(build.wiring);
    const leadsNowhere = (pin: string): boolean =>
      nodes.every(({ pins, terminals }) => !pins.includes(pin) || terminals.length === 0);
    const stumbles = traces.reduce((sum, { pins, reads, undirected, floatingReads, unknownPins }) => {
      const used = new Set([...pins.keys(), ...reads.keys()]);
      const lost = [...used].filter(leadsNowhere).length;
      return sum + lost + undirected.length + floatingReads.length + unknownPins.length;
    }, 0);
    return unmet * 10 + stumbles;
  }
}

/** How far a build is from passing: differences of the circuit, failed scenarios, faults and risks. */
function farness({ match, scenarios, observations }: Examination): number {
  const failed = scenarios.filter((scenario) => !scenario.passed).length;
  const troubles = observations.filter((observation) => observation.severity !== 'advice').length;
  return match.distance * 10 + failed * 10 + troubles;
}

/** A build passes on the pins that the exercise asks for, and by no accident of the memory. */
const isPassed = ({ verdict, observations }: Examination): boolean =>
  hasPassed(verdict) && observations.every(({ code }) => code !== 'wrong-pin' && code !== 'runtime-error');
