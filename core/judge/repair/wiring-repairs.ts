import type { PlacedPart, Wiring } from '../../wiring/wiring';
import type { Reference } from '../reference';
import { askedWiring } from './asked-wiring';
import type { Candidate } from './candidate';
import { Drawing } from './drawing';
import { differentPairings, targetsFor, pairedByName, pairedByNameAlone } from './pairing';
import { splitResistors } from './split-resistors';
import { Target } from './target';
import type { Tried, Tries } from './tries';
import { turnedSwitches } from './turned-switches';
import { wiringCandidates } from './wiring-edits';
import { wayTo, type Way } from './wiring-search';

/** The changes of a build's wiring that make it what the exercise asks for. */
export class WiringRepairs {
  /** The way to the circuit that is asked for, from each build that it was looked for from. */
  private readonly ways = new Map<Tried, Tried | undefined>();

  constructor(
    private readonly reference: Reference,
    private readonly tries: Tries,
  ) {}

  /** The wiring of the exercise on the pins that a build has it on. */
  drawnFor(start: Tried): Wiring {
    return askedWiring(this.reference.exercise, this.tries.examine(start));
  }

  /** The build with its wiring made what the exercise asks for; `undefined` when no way there is found. */
  wired(start: Tried): Tried | undefined {
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
   * their names, on the pins that it is on or on the exercise’s own, and with a resistor made of two.
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
      // Two lines that are exchanged besides something else are on their pins again, as the exercise has them.
      ...(asked === exercise.reference ? [] : [{ asked: exercise.reference, pairs: examination.pairs }]),
      ...splitResistors(exercise, asked, wiring, examination.pairs),
    ]
      .flatMap((meant) => targetsFor(exercise, meant.asked, wiring, meant.pairs))
      .map((target) => ({ target, distance: target.distance(wiring) }))
      .sort((a, b) => a.distance - b.distance)
      .map(({ target }) => target);
  }

  /**
   * The wiring on the very pins of the exercise, where these are free and the program is written for them: two lines
   * that are exchanged are a right circuit, and the wrong one for the program.
   */
  onOwnPins(start: Tried): Tried | undefined {
    const { match, pairs } = this.tries.examine(start);
    const isElsewhere = [...match.pins].some(([asked, built]) => asked !== built);
    const tried = isElsewhere ? this.asDrawn(start, pairs) : undefined;
    return tried && this.tries.isRepaired(tried) ? tried : undefined;
  }

  /** The wiring with each part where its name belongs: those of a row that are alike are known by where they stand. */
  inOwnPlaces(start: Tried): Tried | undefined {
    const examination = this.tries.examine(start);
    if (!examination.observations.some(({ code }) => code === 'order-wrong')) return undefined;
    const byName = pairedByName(this.reference.reduced.circuit, examination);
    return byName && this.asDrawn(start, byName);
  }

  /** The wiring as the exercise has it, with its parts paired like this. */
  private asDrawn(start: Tried, pairs: ReadonlyMap<string, PlacedPart>): Tried | undefined {
    const { exercise } = this.reference;
    const target = new Target(exercise, exercise.reference, start.build.wiring, pairs);
    const way = wayTo([target], start.build, exercise.reference, exercise.board);
    return way && this.after(start, way);
  }

  /**
   * The build with a slide switch the way round that the exercise has it. It is the same circuit either way, and only a
   * program for the one way does what is asked.
   */
  withSwitchTurned(from: Tried): Tried | undefined {
    const { circuit, pairs } = this.tries.examine(from);
    for (const { ref: name } of turnedSwitches(this.reference.reduced.circuit, circuit, pairs)) {
      const [target] = this.targetsOf(from);
      const candidate =
        target &&
        [...this.changes(from, target)].find(
          ({ edits }) =>
            edits.length > 1 && edits.every((edit) => 'move' in edit && edit.move.startsWith(`${name}.`)),
        );
      const tried = candidate && this.tries.make(from, candidate);
      if (tried && this.tries.isRepaired(tried)) return tried;
    }
    return undefined;
  }

  /** A change of the wiring that brings it nearer and makes the build pass, where no way to the very circuit is found. */
  byItsRuns(start: Tried): Tried | undefined {
    for (const target of this.targetsOf(start)) {
      const before = target.distance(start.build.wiring);
      const found = [...this.changes(start, target)]
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

  private changes({ build }: Tried, target: Target): Iterable<Candidate> {
    const { wiring } = build;
    return wiringCandidates({
      wiring,
      target,
      look: target.look(wiring),
      drawing: new Drawing(this.reference.exercise.reference, wiring, target),
      board: this.reference.exercise.board,
    });
  }
}
