import { effort } from '../../effort';
import type { Wiring } from '../../wiring/wiring';
import type { Build } from '../build';
import type { BoardProfile } from '../../boards';
import type { Candidate } from './candidate';
import { Drawing } from './drawing';
import type { Target } from './target';
import { wiringCandidates } from './wiring-edits';

/** Changes after which a wiring is the circuit that is wanted. */
export interface Way {
  readonly candidates: readonly Candidate[];
  readonly build: Build;
  readonly cost: number;
}

interface Step extends Way {
  readonly distance: number;
}

/** Cost up to which a way is taken without looking for one of more and smaller changes. */
const PLAIN = 2;
/** Changes that a way has at most. */
const LONGEST = 5;
/** Wirings that are gone on from after each change. */
const BEAM = 5;
/** Those beside them in which a part was moved as a whole and is no nearer. */
const WHOLE_PARTS = 2;
/** What a second change costs beyond itself: hands slip once more often than twice. */
const ONCE_MORE = 0.3;

/**
 * The cheapest changes that make a build's wiring one of the circuits in `targets`; `undefined` when none are found.
 * Every change brings the wiring nearer, so that slips which have nothing to do with each other are mended one by one;
 * only where none does, one that leads aside is gone on from. All targets are looked for a change at a time: a slip
 * that one change mends is found before long ways are looked for to a circuit that was not meant.
 */
export function wayTo(
  targets: readonly Target[],
  build: Build,
  drawn: Wiring,
  board: BoardProfile,
): Way | undefined {
  const searches = targets.map((target) => new WaySearch(target, build, drawn, board));
  let best: Way | undefined = searches.find(({ isThere }) => isThere)?.start;
  for (let length = 1; length <= LONGEST && best?.candidates.length !== 0; length += 1) {
    for (const search of searches) best = search.goOn(best?.cost ?? Number.POSITIVE_INFINITY) ?? best;
    if (best && best.cost <= PLAIN) break;
  }
  return best;
}

/** The ways from a wiring to one circuit, a change longer each time. */
class WaySearch {
  readonly start: Step;
  private readonly drawing: Drawing;
  private beam: readonly Step[];
  private length = 0;

  constructor(
    private readonly target: Target,
    build: Build,
    drawn: Wiring,
    private readonly board: BoardProfile,
  ) {
    this.drawing = new Drawing(drawn, build.wiring, target);
    this.start = { candidates: [], build, cost: 0, distance: target.distance(build.wiring) };
    this.beam = [this.start];
  }

  /** Whether nothing has to be changed. */
  get isThere(): boolean {
    return this.start.distance === 0;
  }

  /** Looks for ways that are a change longer; the cheapest of those that get there for less than `most`. */
  goOn(most: number): Way | undefined {
    this.length += 1;
    let best: Step | undefined;
    const next: Step[] = [];
    const aside: Step[] = [];
    const whole: Step[] = [];
    for (const step of this.beam)
      for (const candidate of candidatesFor(this.target, step.build.wiring, this.drawing, this.board)) {
        const cost = step.cost + candidate.cost + (step === this.start ? 0 : ONCE_MORE);
        // Candidates come by their cost.
        if (cost >= (best?.cost ?? most)) break;
        const made = candidate.apply(step.build);
        if (!made) continue;
        const distance = this.target.distance(made.wiring);
        if (distance > step.distance + 1) continue;
        const reached: Step = { candidates: [...step.candidates, candidate], build: made, cost, distance };
        if (distance === 0) best = reached;
        else if (distance < step.distance) next.push(reached);
        else (isOfWholePart(candidate) && distance === step.distance ? whole : aside).push(reached);
      }
    // Of two changes that get there, no third one is left out.
    const isOver = best !== undefined && this.length >= 2;
    // Two ends that are wrong on the same strip are no nearer when one of them has left it.
    this.beam = isOver
      ? []
      : next.length > 0 || best
        ? [...nearest(next), ...nearest(whole).slice(0, WHOLE_PARTS)]
        : nearest([...whole, ...aside]);
    return best;
  }
}

/**
 * Whether a change moves all legs of a part. One that comes to its right place may meet there what is wrong with that, and
 * be no nearer until it is gone.
 */
const isOfWholePart = ({ edits }: Candidate): boolean =>
  edits.length > 1 && edits.every((edit) => 'move' in edit);

const candidatesFor = (
  target: Target,
  wiring: Wiring,
  drawing: Drawing,
  board: BoardProfile,
): readonly Candidate[] => {
  effort(wiring.parts.length * 10_000);
  const found = wiringCandidates({ wiring, target, look: target.look(wiring), drawing, board });
  // What costs no less than a way that is found need not be tried.
  return [...found].sort((a, b) => a.cost - b.cost);
};

/** The nearest of some steps, cheapest first among equals; those with the same changes in another order are one. */
function nearest(steps: readonly Step[]): readonly Step[] {
  const seen = new Set<string>();
  return [...steps]
    .sort((a, b) => a.distance - b.distance || a.cost - b.cost)
    .filter(({ candidates }) => {
      const key = candidates
        .map(({ edits }) => JSON.stringify(edits))
        .sort()
        .join();
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, BEAM);
}
