import { within } from '../../effort';
import type { Grammars, Program } from '../../program';
import type { PlacedPart, Wiring } from '../../wiring/wiring';
import type { Build } from '../build';
import type { Examination, Examiner } from '../examine';
import type { Reference } from '../reference';
import { askedWiring } from './asked-wiring';
import {
  BEAM,
  MORE_AFTER_AN_ACCIDENT,
  MORE_AFTER_ANOTHER_FORM,
  MOST_FIRST_CHANGES,
  MOST_SLIPS,
  OF_A_PART,
  OF_ONE_OF_SEVERAL,
  OF_TWO_IN_PROGRAM,
  OTHER_WAY,
  PLAIN,
  WHOLE,
} from './bounds';
import { isWordAsAsked, type Candidate } from './candidate';
import { Drawing } from './drawing';
import { hasRightWiring, isSoundWiring, needsRewriting, onlyMisses } from './left-to-mend';
import { thatMatter } from './lines-that-matter';
import { thatAreReached } from './lines-unreached';
import { differentPairings, nearestTarget, pairedByName, pairedByNameAlone } from './pairing';
import { programCandidates } from './program-edits';
import { guessFrom, programGuesses } from './program-guesses';
import { rebased } from './rebased';
import { splitResistors } from './split-resistors';
import { Target } from './target';
import { Tries, type Tried } from './tries';
import { turnedSwitches } from './turned-switches';
import { wiringCandidates } from './wiring-edits';
import { wayTo, type Way } from './wiring-search';
import { cost, wishesOf } from './wishes';

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
  /** The way to the circuit that is asked for, from each build that it was looked for from. */
  private readonly ways = new Map<Tried, Tried | undefined>();
  /** The lines that builds come to, where that was asked. */
  private readonly reached = new Map<Tried, ReadonlySet<number> | undefined>();
  /** The build with what hides everything else mended. */
  private start: Tried;
  /** The cheapest set found until now. */
  private best: Tried | undefined;

  constructor(
    private readonly examiner: Examiner,
    grammars: Grammars,
    build: Build,
    first: Examination,
  ) {
    this.tries = new Tries(examiner, grammars, build, first);
    this.start = this.tries.first;
  }

  private get reference(): Reference {
    return this.examiner.reference;
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
      return mended ? this.leanest(mended) : (this.onOwnPins(start) ?? this.partOf(start));
    }
    const wired = this.wired(start);
    // What no rule has anything against may be another way to wire it: the program alone may be what is wrong.
    const most = wired ? wired.cost - OTHER_WAY : Number.POSITIVE_INFINITY;
    const itself = isSoundWiring(this.tries.examine(start)) ? this.oneMore(start, most) : undefined;
    if (itself) return itself;
    if (!wired) return this.byItsRuns(start) ?? this.partOf(start);
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
    const made = this.changesOfProgram(start)
      .slice(0, MOST_FIRST_CHANGES)
      .flatMap((one) => this.tries.make(start, one) ?? []);
    const compiled = made.filter(({ build }) => build.program.compiled);
    const repaired = compiled.find((tried) => this.tries.isRepaired(tried));
    if (repaired || compiled.length < 2) return repaired ?? compiled[0] ?? made[0];
    const distances = new Map(compiled.map((tried) => [tried, this.tries.distance(tried)]));
    return compiled.toSorted((one, other) => distances.get(one)! - distances.get(other)!)[0];
  }

  ofWiring(): readonly Candidate[] {
    return hasRightWiring(this.tries.examine(this.start)) ? [] : (this.wired(this.start)?.candidates ?? []);
  }

  /** A build whose wiring is right: a row of equal parts that is out of order put in order, and its program changed. */
  private mended(from: Tried): Tried | undefined {
    const turned = this.withSwitchTurned(from);
    if (turned) return turned;
    const placed = this.inOwnPlaces(from);
    if (placed && this.tries.isRepaired(placed)) return placed;
    return (placed && this.onRightWiring(placed)) ?? this.onRightWiring(from);
  }

  /** One or two changes of the program, on a wiring that is as it should be. */
  private onRightWiring(from: Tried): Tried | undefined {
    const isSlipped = this.changesOfProgram(from).filter(isWordAsAsked).length > 1;
    // Of several slips one is not all, and looking for it must leave time for the others.
    const first = within(isSlipped ? OF_ONE_OF_SEVERAL : WHOLE, () => this.oneMore(from));
    const several = first.ended ? undefined : this.backToAsked(from);
    if (several) return several;
    const single = (this.best = first.ended ? first.value : this.oneMore(from));
    const bound = single ? single.cost - from.cost : Number.POSITIVE_INFINITY;
    const isOther = !single || (!single.candidates.at(-1)?.isAsAsked && !this.isAskedProgram(single));
    // Of a program that is the exercise's own but for a few words, these are what was slipped, whatever else would do.
    const back = isOther ? this.backToAsked(from) : undefined;
    // What a rule says of the program's form is one slip, however many words it is.
    const isNamed = single && bound <= cost.repair && back && back.cost > single.cost;
    if (back && !isNamed) return back;
    if ((single && bound < PLAIN) || needsRewriting(this.tries.examine(from))) return single;
    // One large change is weighed against two small ones.
    const found = within(OF_TWO_IN_PROGRAM, () => this.twoMore(from, bound));
    return (found.ended ? found.value : this.best) ?? single;
  }

  /** Whether a program is the exercise's own, but for spaces and remarks. */
  private isAskedProgram(tried: Tried): boolean {
    return !this.changesOfProgram(tried).some(({ isAsAsked }) => isAsAsked);
  }

  /** The words that make the exercise's own program of one that is it but for a few of them, where that is repaired. */
  private backToAsked(from: Tried): Tried | undefined {
    let tried: Tried | undefined = from;
    for (let slips = 0; tried && slips < MOST_SLIPS; slips += 1) {
      const slip: Candidate | undefined = this.changesOfProgram(tried).find(isWordAsAsked);
      tried = slip && this.tries.make(tried, slip);
      if (!tried?.build.program.compiled) return undefined;
      if (this.tries.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /** The build with its wiring made what the exercise asks for; `undefined` when no way there is found. */
  private wired(start: Tried): Tried | undefined {
    if (!this.ways.has(start)) this.ways.set(start, this.wayFrom(start));
    return this.ways.get(start);
  }

  private wayFrom(start: Tried): Tried | undefined {
    const { exercise } = this.reference;
    const way = wayTo(this.targetsOf(start), start.build, this.drawnFor(start), exercise.board);
    return way && this.after(start, way);
  }

  /**
   * What the wiring may be meant to be, the nearest first: with the parts paired by where they are, by what they are and by
   * their names, and with a resistor made of two.
   */
  private targetsOf(start: Tried): readonly Target[] {
    const { exercise, reduced } = this.reference;
    const examination = this.tries.examine(start);
    const { wiring } = start.build;
    const asked = this.drawnFor(start);
    const pairings = differentPairings([
      examination.pairs,
      pairedByName(reduced.circuit, examination),
      pairedByNameAlone(reduced.circuit, examination),
    ]);
    return [
      ...pairings.map((pairs) => ({ asked, pairs })),
      ...splitResistors(exercise, asked, wiring, examination.pairs),
    ]
      .map((meant) => nearestTarget(exercise, meant.asked, wiring, meant.pairs))
      .map((target) => ({ target, distance: target.distance(wiring) }))
      .sort((a, b) => a.distance - b.distance)
      .map(({ target }) => target);
  }

  /**
   * The wiring on the very pins of the exercise, where these are free and the program is written for them: two lines
   * that are exchanged are a right circuit, and the wrong one for the program.
   */
  private onOwnPins(start: Tried): Tried | undefined {
    const { match, pairs } = this.tries.examine(start);
    const isElsewhere = [...match.pins].some(([asked, built]) => asked !== built);
    const tried = isElsewhere ? this.asDrawn(start, pairs) : undefined;
    return tried && this.tries.isRepaired(tried) ? tried : undefined;
  }

  /**
   * The build with a slide switch the way round that the exercise has it. It is the same circuit either way, and only a
   * program for the one way does what is asked.
   */
  private withSwitchTurned(from: Tried): Tried | undefined {
    const { circuit, pairs } = this.tries.examine(from);
    for (const { ref: name } of turnedSwitches(this.reference.reduced.circuit, circuit, pairs)) {
      const [target] = this.targetsOf(from);
      const candidate =
        target &&
        [...this.changesOfWiring(from, target)].find(
          ({ edits }) =>
            edits.length > 1 && edits.every((edit) => 'move' in edit && edit.move.startsWith(`${name}.`)),
        );
      const tried = candidate && this.tries.make(from, candidate);
      if (tried && this.tries.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /** The wiring as the exercise has it, with its parts paired like this. */
  private asDrawn(start: Tried, pairs: ReadonlyMap<string, PlacedPart>): Tried | undefined {
    const { exercise } = this.reference;
    const target = new Target(exercise, exercise.reference, start.build.wiring, pairs);
    const way = wayTo([target], start.build, exercise.reference, exercise.board);
    return way && this.after(start, way);
  }

  /** The wiring with each part where its name belongs: those of a row that are alike are known by where they stand. */
  private inOwnPlaces(start: Tried): Tried | undefined {
    const examination = this.tries.examine(start);
    if (!examination.observations.some(({ code }) => code === 'order-wrong')) return undefined;
    const byName = pairedByName(this.reference.reduced.circuit, examination);
    return byName && this.asDrawn(start, byName);
  }

  /** A change of the wiring that brings it nearer and makes the build pass, where no way to the very circuit is found. */
  private byItsRuns(start: Tried): Tried | undefined {
    for (const target of this.targetsOf(start)) {
      const before = target.distance(start.build.wiring);
      const found = [...this.changesOfWiring(start, target)]
        .sort((a, b) => a.cost - b.cost)
        .map((candidate) => this.tries.make(start, candidate))
        .find(
          (tried) => tried && target.distance(tried.build.wiring) < before && this.tries.isRepaired(tried),
        );
      if (found) return found;
    }
    return undefined;
  }

  private after(start: Tried, { candidates, build, cost }: Way): Tried {
    return this.tries.of(build, [...start.candidates, ...candidates], start.cost + cost);
  }

  private changesOfWiring({ build }: Tried, target: Target): Iterable<Candidate> {
    const { wiring } = build;
    return wiringCandidates({
      wiring,
      target,
      look: target.look(wiring),
      drawing: new Drawing(this.referenceWiring, wiring, target),
      board: this.reference.exercise.board,
    });
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
    return this.best ?? this.partOf(this.start);
  }

  /** The same without looking at anything more. */
  withoutLooking(): RepairSet {
    return this.best ?? { ...this.start, rest: { ...this.start.build, wiring: this.referenceWiring } };
  }

  private get referenceWiring(): Wiring {
    return this.reference.exercise.reference;
  }

  /** Every single change of the program, cheapest first. */
  private changesOfProgram(tried: Tried): readonly Candidate[] {
    const { build } = tried;
    const wishes = wishesOf(this.reference.exercise, build, this.tries.examine(tried));
    const found = programCandidates(
      build.program,
      this.reference.exercise.board,
      (source) => this.tries.compile(source, build.program.language),
      wishes,
    );
    return thatMatter(found, build.program, wishes).toSorted((a, b) => a.cost - b.cost);
  }

  /** The lines that a build comes to in the run that shows first what is wrong. */
  private reachedBy(start: Tried): ReadonlySet<number> | undefined {
    if (!this.reached.has(start))
      this.reached.set(start, start.build.program.compiled ? this.tries.reachedBy(start) : undefined);
    return this.reached.get(start);
  }

  /** A change of the program that nothing speaks for but that it does what is meant with it. */
  private guessed(start: Tried, isEnough: boolean): Tried | undefined {
    const { program } = start.build;
    if (!program.compiled) return undefined;
    const wishes = wishesOf(this.reference.exercise, start.build, this.tries.examine(start));
    const compile = (source: string): Program => this.tries.compile(source, program.language);
    const guesses = thatAreReached(
      thatMatter(programGuesses(program, compile, wishes), program, wishes),
      program,
      this.reachedBy(start),
    );
    return guessFrom(this.tries, start, guesses, isEnough);
  }

  /** The cheapest change of the program with which a build passes, of those that come to less than `most`. */
  private oneMore(start: Tried, most = Number.POSITIVE_INFINITY): Tried | undefined {
    let byAccident: Tried | undefined;
    let unmeant: Tried | undefined;
    let more = MORE_AFTER_AN_ACCIDENT;
    const changes = thatAreReached(this.changesOfProgram(start), start.build.program, this.reachedBy(start));
    for (const candidate of changes) {
      if (start.cost + candidate.cost >= most || more <= 0) break;
      if (byAccident ?? unmeant) more -= 1;
      const tried = this.tries.make(start, candidate);
      if (!tried || !this.tries.isRepaired(tried)) continue;
      if (!this.tries.holdsWhenVaried(tried)) byAccident ??= tried;
      else if (this.tries.doesWhatIsMeant(tried)) return tried;
      else if (!unmeant) {
        unmeant = tried;
        // A program of one's own form may do something else than the exercise's own where nobody looks.
        more = Math.min(more, MORE_AFTER_ANOTHER_FORM);
      }
    }
    // Where a way to the circuit is known, or the program has to be rewritten, no word of it is what is wrong.
    const rewritten = needsRewriting(this.tries.examine(start));
    const isOpen = most === Number.POSITIVE_INFINITY && (!rewritten || onlyMisses(this.tries.examine(start)));
    const isEnough = !unmeant && !byAccident && !rewritten;
    const isLikely = unmeant !== undefined && unmeant.cost - start.cost <= cost.unusualNegation;
    return (isOpen && !isLikely ? this.guessed(start, isEnough) : undefined) ?? unmeant ?? byAccident;
  }

  /**
   * Where no set makes the build pass: the changes that make the wiring right, if there are such, and the
   * program on the wiring as it should be, where its own trouble shows.
   */
  private partOf(from: Tried): RepairSet {
    const start = this.withoutOneOfMany(from);
    if (hasRightWiring(this.tries.examine(start))) return { candidates: start.candidates, rest: start.build };
    const { candidates, build } = this.wired(start) ?? start;
    return { candidates, rest: build === start.build ? { ...build, wiring: this.drawnFor(start) } : build };
  }

  /** A build before a change that is one of many with which its program compiles. */
  private withoutOneOfMany(tried: Tried): Tried {
    const at = tried.candidates.findIndex(({ isOneOfMany }) => isOneOfMany);
    return (at < 0 ? undefined : this.tries.madeOf(tried.candidates.slice(0, at))) ?? tried;
  }

  /** The wiring of the exercise on the pins that a build has it on. */
  private drawnFor(start: Tried): Wiring {
    return askedWiring(this.reference.exercise, this.tries.examine(start));
  }

  /** Two changes of the program: second ones are tried on the first ones that brought the build nearest. */
  private twoMore(start: Tried, bound: number): Tried | undefined {
    const before = this.tries.distance(start);
    const firsts = this.changesOfProgram(start)
      .filter(({ isAlone }) => !isAlone)
      .flatMap((candidate) => {
        const tried = this.tries.make(start, candidate);
        const distance = tried && this.tries.distance(tried);
        // One of two slips that go together may bring nothing nearer alone.
        const isSlip = candidate.isAsAsked === true && tried?.build.program.compiled !== undefined;
        const isHopeful = distance !== undefined && (distance < before || isSlip);
        return tried && isHopeful ? [{ tried, distance }] : [];
      })
      .sort((a, b) => a.distance - b.distance || a.tried.cost - b.tried.cost)
      .filter(({ tried }, rank) => rank < BEAM || tried.candidates.at(-1)?.isAsAsked === true);
    let best: Tried | undefined;
    const found = (second: Tried): void => void (this.best = best = second);
    for (const { tried } of firsts)
      for (const candidate of this.changesOfProgram(tried)) {
        if (candidate.isAlone) continue;
        if (
          tried.cost + candidate.cost >=
          Math.min(best?.cost ?? Number.POSITIVE_INFINITY, start.cost + bound)
        )
          break;
        const second = this.tries.make(tried, candidate);
        if (second && this.tries.isRepaired(second)) {
          found(second);
          break;
        }
      }
    return best;
  }
}
