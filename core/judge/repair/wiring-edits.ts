import type { Candidate } from './candidate';
import { EditSource, type EditsOf } from './edit-source';
import { WiringAdditions } from './wiring-additions';
import { WiringMoves } from './wiring-moves';

/**
 * Changes of a wiring that could bring it nearer to its target: each puts something where it belongs, and none is made
 * that only parks a wire or joins what the exercise keeps apart.
 */
export function* wiringCandidates(given: EditsOf): Generator<Candidate> {
  const source = new EditSource(given);
  const [moved, added] = [new WiringMoves(source), new WiringAdditions(source)];
  yield* moved.turns();
  yield* moved.legSwaps();
  yield* moved.moves();
  yield* moved.shifts();
  yield* moved.swaps();
  yield* added.values();
  yield* added.removals();
  yield* added.addedWires();
  yield* added.addedParts();
}
