import { within } from '../../effort';
import type { Program } from '../../program';
import type { Reference } from '../reference';
import {
  BEAM,
  MORE_AFTER_AN_ACCIDENT,
  MORE_AFTER_ANOTHER_FORM,
  MOST_SLIPS,
  OF_ONE_OF_SEVERAL,
  OF_TWO_IN_PROGRAM,
  PLAIN,
  WHOLE,
} from './bounds';
import { isWordAsAsked, type Candidate } from './candidate';
import { needsRewriting, onlyMisses } from './left-to-mend';
import { thatMatter } from './lines-that-matter';
import { thatAreReached } from './lines-unreached';
import { programCandidates } from './program-edits';
import { guessFrom, programGuesses } from './program-guesses';
import type { Tried, Tries } from './tries';
import { cost, wishesOf } from './wishes';

/** Whether a change only puts a pause into a program: one that looks too seldom at a button looks no oftener with it. */
const putsInAPause = ({ edits }: Candidate): boolean =>
  edits.every(
    (edit) =>
      'replace' in edit && edit.replace.length === 0 && /^\s*(?:delay|time\.sleep)\(/.test(edit.replace.by),
  );

/** The changes of a build's program with which it passes, its wiring left as it is. */
export class ProgramRepairs {
  /** The cheapest set found until now. */
  best: Tried | undefined;
  /** The lines that builds come to, where that was asked. */
  private readonly reached = new Map<Tried, ReadonlySet<number> | undefined>();

  constructor(
    private readonly reference: Reference,
    private readonly tries: Tries,
  ) {}

  /** Every single change of the program, cheapest first. */
  changes(tried: Tried): readonly Candidate[] {
    const { build } = tried;
    const wishes = wishesOf(this.reference.exercise, build, this.tries.examine(tried));
    const found = programCandidates(
      build.program,
      this.reference.exercise.board,
      (source) => this.tries.compile(source, build.program.language),
      wishes,
    );
    const looksTooSeldom = this.tries
      .examine(tried)
      .observations.some(
        ({ code, severity, evidence }) =>
          code === 'missed-input' && severity === 'fault' && evidence?.['blindS'] !== undefined,
      );
    return thatMatter(found, build.program, wishes)
      .filter((candidate) => !looksTooSeldom || !putsInAPause(candidate))
      .toSorted((a, b) => a.cost - b.cost);
  }

  /** One or two changes of the program, on a wiring that is as it should be. */
  onRightWiring(from: Tried): Tried | undefined {
    const isSlipped = this.changes(from).filter(isWordAsAsked).length > 1;
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
    return !this.changes(tried).some(({ isAsAsked }) => isAsAsked);
  }

  /** The words that make the exercise's own program of one that is it but for a few of them, where that is repaired. */
  private backToAsked(from: Tried): Tried | undefined {
    let tried: Tried | undefined = from;
    for (let slips = 0; tried && slips < MOST_SLIPS; slips += 1) {
      const slip: Candidate | undefined = this.changes(tried).find(isWordAsAsked);
      tried = slip && this.tries.make(tried, slip);
      if (!tried?.build.program.compiled) return undefined;
      if (this.tries.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /** The cheapest change of the program with which a build passes, of those that come to less than `most`. */
  oneMore(start: Tried, most = Number.POSITIVE_INFINITY): Tried | undefined {
    let byAccident: Tried | undefined;
    let unmeant: Tried | undefined;
    let more = MORE_AFTER_AN_ACCIDENT;
    const changes = thatAreReached(this.changes(start), start.build.program, this.reachedBy(start));
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

  /** Two changes of the program: second ones are tried on the first ones that brought the build nearest. */
  private twoMore(start: Tried, bound: number): Tried | undefined {
    const before = this.tries.distance(start);
    const firsts = this.changes(start)
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
      for (const candidate of this.changes(tried)) {
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

  /** The lines that a build comes to in the run that shows first what is wrong. */
  private reachedBy(start: Tried): ReadonlySet<number> | undefined {
    if (!this.reached.has(start))
      this.reached.set(start, start.build.program.compiled ? this.tries.reachedBy(start) : undefined);
    return this.reached.get(start);
  }
}
