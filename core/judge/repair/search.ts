import { within } from '../../effort';
import type { Grammars } from '../../program';
import type { Build } from '../build';
import type { Examination, Examiner } from '../examine';
import { MOST_FIRST_CHANGES, OF_A_PART, OTHER_WAY, WHOLE } from './bounds';
import type { Candidate } from './candidate';
import { hasRightWiring, isSoundWiring } from './left-to-mend';
import { ProgramRepairs } from './program-repairs';
import { rebased } from './rebased';
import { Tries, type Tried } from './tries';
import { WiringRepairs } from './wiring-repairs';

/** A set of changes after which the build passes the full check. */
export interface RepairSet {
  readonly candidates: readonly Candidate[];
  /** The build as it would be with the rest mended too, when the set alone does not make it pass. */
  readonly rest?: Build;
}

/** A set of changes, with what was learnt of builds on the way. */
export interface Repairs extends RepairSet {
  readonly look: (build: Build) => Examination;
}

/**
 * Searches the smallest set of changes that makes a build pass. The wiring is brought to the circuit that the
 * exercise asks for, whatever the program does; then the program is changed on it, one word or two. Builds with
 * the same netlist, values and program text are one and are checked once. Deterministic; ends after `most` units of
 * work with what it has.
 */
export function searchRepair(
  examiner: Examiner,
  build: Build,
  first: Examination,
  grammars: Grammars,
  most: number,
): Repairs {
  const search = new RepairSearch(examiner, grammars, build, first);
  const { look } = search;
  const found = within(Math.min(WHOLE, most), () => search.run());
  if (found.ended) return { ...search.told(found.value), look };
  const part = within(OF_A_PART, () => search.soFar());
  return { ...search.told(part.ended ? part.value : search.withoutLooking()), look };
}

/** The changes that make a build's wiring what the exercise asks for, whatever its program. */
export function searchWiring(
  examiner: Examiner,
  build: Build,
  first: Examination,
  grammars: Grammars,
  most: number,
): Repairs {
  const search = new RepairSearch(examiner, grammars, build, first);
  const found = within(Math.min(WHOLE, most), () => search.ofWiring());
  return { candidates: found.ended ? found.value : [], look: search.look };
}

class RepairSearch {
  private readonly tries: Tries;
  private readonly wirings: WiringRepairs;
  private readonly programs: ProgramRepairs;
  /** The build with what hides everything else mended. */
  private start: Tried;

  constructor(
    private readonly examiner: Examiner,
    grammars: Grammars,
    build: Build,
    first: Examination,
  ) {
    this.tries = new Tries(examiner, grammars, build, first);
    this.wirings = new WiringRepairs(examiner.reference, this.tries);
    this.programs = new ProgramRepairs(examiner.reference, this.tries);
    this.start = this.tries.first;
  }

  /** The full check of a build. */
  readonly look = (build: Build): Examination => this.tries.examine(this.tries.of(build));

  /** A set with each of its changes told of the program as it was handed in. */
  told(set: RepairSet): RepairSet {
    const { source, language } = this.tries.first.build.program;
    if (set.candidates.filter(({ domain }) => domain === 'program').length < 2) return set;
    return {
      ...set,
      candidates: rebased(set.candidates, source, (text) => this.tries.compile(text, language)),
    };
  }

  run(): RepairSet {
    // A program that does not compile hides everything else: its own repairs come first.
    for (let round = 0; round < 6 && !this.start.build.program.compiled; round += 1) {
      const tried = this.nearerToCompiling(this.start);
      if (!tried) return this.partOf(this.start);
      this.start = tried;
    }
    const { start } = this;
    if (this.tries.isRepaired(start)) return start;
    if (hasRightWiring(this.tries.examine(start))) {
      const mended = this.mended(start);
      return mended ? this.leanest(mended) : (this.wirings.onOwnPins(start) ?? this.partOf(start));
    }
    const wired = this.wirings.wired(start);
    // What no rule has anything against may be another way to wire it: the program alone may be what is wrong.
    const most = wired ? wired.cost - OTHER_WAY : Number.POSITIVE_INFINITY;
    const itself = isSoundWiring(this.tries.examine(start)) ? this.programs.oneMore(start, most) : undefined;
    if (itself) return itself;
    if (!wired) return this.wirings.byItsRuns(start) ?? this.partOf(start);
    // Most wirings that were wrong are all that was wrong: no first look is needed.
    if (this.tries.isPassed(this.tries.examine(wired))) return this.leanest(wired);
    const both = this.mended(wired);
    if (both) return this.leanest(both);
    return this.partOf(start);
  }

  /**
   * A program after the change with which it passes; else after the one of those with which it compiles that does most of
   * what is wanted; after the likeliest where none does it alone.
   */
  private nearerToCompiling(start: Tried): Tried | undefined {
    const made = this.programs
      .changes(start)
      .slice(0, MOST_FIRST_CHANGES)
      .flatMap((one) => this.tries.make(start, one) ?? []);
    const compiled = made.filter(({ build }) => build.program.compiled);
    const repaired = compiled.find((tried) => this.tries.isRepaired(tried));
    if (repaired || compiled.length < 2) return repaired ?? compiled[0] ?? made[0];
    const distances = new Map(compiled.map((tried) => [tried, this.tries.distance(tried)]));
    return compiled.toSorted((one, other) => distances.get(one)! - distances.get(other)!)[0];
  }

  ofWiring(): readonly Candidate[] {
    return hasRightWiring(this.tries.examine(this.start))
      ? []
      : (this.wirings.wired(this.start)?.candidates ?? []);
  }

  /** A build whose wiring is right: a row of equal parts that is out of order put in order, and its program changed. */
  private mended(from: Tried): Tried | undefined {
    const turned = this.wirings.withSwitchTurned(from);
    if (turned) return turned;
    const placed = this.wirings.inOwnPlaces(from);
    if (placed && this.tries.isRepaired(placed)) return placed;
    return (placed && this.programs.onRightWiring(placed)) ?? this.programs.onRightWiring(from);
  }

  /** A set without the changes that it does as well without. */
  private leanest(whole: Tried): RepairSet {
    let { candidates } = whole;
    if (candidates.length === 1) return whole;
    for (const candidate of [...candidates].sort((a, b) => b.cost - a.cost)) {
      if (candidates.length === 1) break;
      const others = candidates.filter((other) => other !== candidate);
      const without = this.tries.madeOf(others);
      if (without && this.tries.isRepaired(without)) candidates = others;
    }
    return { candidates };
  }

  /** What is known when the search may go on no longer. */
  soFar(): RepairSet {
    return this.programs.best ?? this.partOf(this.start);
  }

  /** The same without looking at anything more. */
  withoutLooking(): RepairSet {
    return (
      this.programs.best ?? {
        ...this.start,
        rest: { ...this.start.build, wiring: this.examiner.reference.exercise.reference },
      }
    );
  }

  /**
   * Where no set makes the build pass: the changes that make the wiring right, if there are such, and the
   * program on the wiring as it should be, where its own trouble shows.
   */
  private partOf(from: Tried): RepairSet {
    const start = this.withoutOneOfMany(from);
    if (hasRightWiring(this.tries.examine(start))) return { candidates: start.candidates, rest: start.build };
    const { candidates, build } = this.wirings.wired(start) ?? start;
    return {
      candidates,
      rest: build === start.build ? { ...build, wiring: this.wirings.drawnFor(start) } : build,
    };
  }

  /** A build before a change that is one of many with which its program compiles. */
  private withoutOneOfMany(tried: Tried): Tried {
    const at = tried.candidates.findIndex(({ isOneOfMany }) => isOneOfMany);
    return (at < 0 ? undefined : this.tries.madeOf(tried.candidates.slice(0, at))) ?? tried;
  }
}
