import { within } from '../../effort';
import { rowOf } from '../../findings/table';
import { languageOf } from '../../formats/exercise';
import { hasPassed } from '../../formats/report';
import { compileProgram, type Grammars, type Language, type Program } from '../../program';
import type { Wiring } from '../../wiring/wiring';
import type { Build, Examination, Examiner, Reference } from '../examine';
import { isWiring } from '../../findings/order';
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

/** What a search may take: about a second. */
const WHOLE = 8e8;
/** For two changes of a program: few of the many are what was meant. */
const OF_TWO_IN_PROGRAM = 2e8;
/** For what can be said of a build that nothing was found for. */
const OF_A_PART = 1e8;
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
 * with the same netlist, values and program text are one and are checked once. Deterministic; ends after
 * `most` units of work with what it has.
 */
export function searchRepair(
  examiner: Examiner,
  build: Build,
  first: Examination,
  grammars: Grammars,
  most: number,
): RepairSet {
  const search = new RepairSearch(examiner, grammars, build, first);
  const found = within(Math.min(WHOLE, most), () => search.run());
  if (found.ended) return found.value;
  const part = within(OF_A_PART, () => search.soFar());
  return part.ended ? part.value : search.withoutLooking();
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
  /** For each scenario. */
  private stepsOfALook: readonly number[] = [];
  /** The build with what hides everything else mended. */
  private start: Tried;
  /** The cheapest set found until now. */
  private best: Tried | undefined;

  constructor(
    private readonly examiner: Examiner,
    private readonly grammars: Grammars,
    build: Build,
    first: Examination,
  ) {
    this.start = { candidates: [], build, cost: 0, key: this.keyOf(build) };
    this.examined.set(this.start.key, first);
  }

  private get reference(): Reference {
    return this.examiner.reference;
  }

  run(): RepairSet {
    // A program that does not compile hides everything else: its own repairs come first.
    for (let round = 0; round < 6 && !this.start.build.program.compiled; round += 1) {
      const next = this.singles(this.start).find((candidate) => candidate.domain === 'program');
      const tried = next && this.make(this.start, next);
      if (!tried) return this.partOf(this.start);
      this.start = tried;
    }
    const { start } = this;
    if (this.isRepaired(start)) return start;
    this.stepsOfALook = this.usualSteps(start);
    const single = (this.best = this.oneMore(start));
    const bound = single ? single.cost - start.cost : Number.POSITIVE_INFINITY;
    if (single && bound < PLAIN) return single;
    return this.pair(bound) ?? single ?? this.partOf(start);
  }

  /** One large change is weighed against two small ones. */
  private pair(bound: number): Tried | undefined {
    const { start } = this;
    if (this.needsRewriting(start)) return undefined;
    const search = (): Tried | undefined => this.oneOfEach(start, bound) ?? this.twoMore(start, bound);
    if (!this.hasRightWiring(start)) return search();
    const found = within(OF_TWO_IN_PROGRAM, search);
    return found.ended ? found.value : this.best;
  }

  /** What is known when the search may go on no longer. */
  soFar(): RepairSet {
    return this.best ?? this.partOf(this.start);
  }

  /** The same without looking at anything more. */
  withoutLooking(): RepairSet {
    return this.best ?? { ...this.start, rest: { ...this.start.build, wiring: this.referenceWiring } };
  }

  private get referenceWiring(): Wiring {
    return this.reference.exercise.reference;
  }

  /** Every single change, cheapest first; one per resulting circuit and program. */
  private singles(tried: Tried): readonly Candidate[] {
    const examination = this.examine(tried);
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
      examination.match.same &&
      examination.observations.every(({ code, severity }) => severity === 'advice' || !isWiring(code))
    );
  }

  /** Whether a program has a fault that no two words mend; two that make it pass would do so by accident. */
  private needsRewriting(start: Tried): boolean {
    return (
      this.hasRightWiring(start) &&
      this.examine(start).observations.some(
        ({ code, severity }) => severity === 'fault' && rowOf(code).needsRewriting === true,
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
    return buildKey(build, this.examiner.circuitOf(build.wiring));
  }

  /** Steps by which a build that is right has shown it: a program that is busy for nothing is left earlier. */
  private usualSteps(start: Tried): readonly number[] {
    const { exercise } = this.reference;
    const program = this.compile(exercise.data.program, languageOf(exercise));
    const { traces } = this.examiner.screen({ wiring: exercise.reference, program }, [], 'end');
    const own = this.examine(start).traces;
    return traces.map(({ steps }, index) =>
      Math.min(STEPS_OF_A_TRY, TIMES_THE_STEPS * Math.max(steps, own[index]?.steps ?? 0) + MORE_STEPS),
    );
  }

  /** The full check of a build. */
  private examine({ build, key }: Tried): Examination {
    const known = this.examined.get(key);
    if (known) return known;
    const examination = this.examiner.examine(build, STEPS_OF_A_TRY);
    this.examined.set(key, examination);
    return examination;
  }

  /** Whether a build passes; its first scenario decides for most that do not. */
  private isRepaired(tried: Tried): boolean {
    const { build, key } = tried;
    if (this.failing.has(key)) return false;
    if (
      !this.examined.has(key) &&
      this.examiner.screen(build, this.stepsOfALook, 'first failure').unmet > 0
    ) {
      this.failing.add(key);
      return false;
    }
    return isPassed(this.examine(tried));
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
    return wiringFor(this.reference.exercise, this.examine(start).traces);
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
        return tried && distance !== undefined && distance < before ? [{ tried, distance }] : [];
      })
      .sort((a, b) => a.distance - b.distance || a.tried.cost - b.tried.cost)
      .slice(0, BEAM);
    let best: Tried | undefined;
    const found = (second: Tried): void => void (this.best = best = second);
    for (const { tried } of firsts)
      for (const candidate of this.singles(tried)) {
        if (
          tried.cost + candidate.cost >=
          Math.min(best?.cost ?? Number.POSITIVE_INFINITY, start.cost + bound)
        )
          break;
        const second = this.make(tried, candidate);
        if (second && this.isRepaired(second)) {
          found(second);
          break;
        }
      }
    return best;
  }

  /** Whether a build has the circuit that is wanted. */
  private isRight = ({ build }: Tried): boolean => this.examiner.matchOf(build.wiring).same;

  /** How far a build is from passing. */
  private distance(tried: Tried, way: 'by its runs' | 'in full'): number {
    const { build } = tried;
    if (way === 'in full') return farness(this.examine(tried));
    const { unmet, traces } = this.examiner.screen(build, this.stepsOfALook, 'end');
    const circuit = this.examiner.circuitOf(build.wiring);
    const leadsNowhere = (pin: string): boolean => !circuit.nodeOfPin(pin)?.terminals.length;
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
