import type { Candidate } from './candidate';
import { EditGround, type EditsOf } from './edit-ground';
import { WiringAdditions } from './wiring-additions';
import { WiringMoves } from './wiring-moves';

/**
 * Changes of a wiring that could bring it nearer to its target: each puts something where it belongs, and none is made
 * that only parks a wire or joins what the exercise keeps apart.
 */
export function* wiringCandidates(given: EditsOf): Generator<Candidate> {
  const ground = new EditGround(given);
  const [moved, added] = [new WiringMoves(ground), new WiringAdditions(ground)];
  yield* moved.turns();
  yield* moved.moves();
  yield* moved.shifts();
  yield* moved.swaps();
  yield* added.values();
  yield* added.removals();
  yield* added.addedWires();
  yield* added.addedParts();
}
