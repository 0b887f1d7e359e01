import { effort } from '../../effort';
import type { Wiring } from '../../wiring/wiring';
import type { Build } from '../build';
import type { Candidate } from './candidate';
import type { Target } from './target';
import type { EditsOf } from './edit-source';
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
/** What a second change costs beyond itself: hands slip once more often than twice. */
const ONCE_MORE = 0.3;

/**
 * The cheapest changes that make a build's wiring the circuit of `target`; `undefined` when none are found that come
 * to less than `most`. Every change brings the wiring nearer, so that slips which have nothing to do with each other
 * are mended one by one; only where none does, one that leads aside is gone on from.
 */
export function wayTo(
  target: Target,
  build: Build,
  given: Pick<EditsOf, 'drawn' | 'board'>,
  most = Number.POSITIVE_INFINITY,
): Way | undefined {
  const start: Step = { candidates: [], build, cost: 0, distance: target.distance(build.wiring) };
  if (start.distance === 0) return start;
  let beam: readonly Step[] = [start];
  let best: Step | undefined;
  for (let length = 1; length <= LONGEST && beam.length > 0; length += 1) {
    const next: Step[] = [];
    const aside: Step[] = [];
    for (const step of beam)
      for (const candidate of candidatesFor(target, step.build.wiring, given)) {
        const cost = step.cost + candidate.cost + (step === start ? 0 : ONCE_MORE);
        if (cost >= (best?.cost ?? most)) continue;
        const made = candidate.apply(step.build);
        if (!made) continue;
        const distance = target.distance(made.wiring);
        if (distance > step.distance + 1) continue;
        const reached: Step = { candidates: [...step.candidates, candidate], build: made, cost, distance };
        if (distance === 0) best = reached;
        else (distance < step.distance ? next : aside).push(reached);
      }
    if (best && (best.cost <= PLAIN || length >= 2)) break;
    // Two ends that are wrong on the same strip are no nearer when one of them has left it.
    beam = nearest(next.length > 0 || best ? next : aside);
  }
  return best;
}

const candidatesFor = (
  target: Target,
  wiring: Wiring,
  given: Pick<EditsOf, 'drawn' | 'board'>,
): Iterable<Candidate> => {
  effort(wiring.parts.length * 10_000);
  return wiringCandidates({ ...given, wiring, target, look: target.look(wiring) });
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
