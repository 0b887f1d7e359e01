import * as z from 'zod';
import { benchStates } from '../plan/room';

const boardBenchSchema = z.object({
  learnerId: z.string(),
  name: z.string(),
  /** What is being built there. */
  exercise: z.string(),
  /** The last hand-in of that exercise. */
  submissionId: z.string().nullable(),
  /** The call for help that is open, and who has taken it. */
  call: z.object({ id: z.string(), takenBy: z.string().nullable() }).nullable(),
  state: z.enum(benchStates),
  /** Seconds for which it has been so; `null` where that says nothing. */
  forSeconds: z.number().nullable(),
  /** What to look at first, in a sentence; empty when nothing is known. */
  lookAt: z.string(),
  /** How far its board has been made ready; empty where that was never begun. */
  board: z.string(),
});
/** A bench as the room board shows it. */
export type BoardBench = Readonly<z.infer<typeof boardBenchSchema>>;

/** All benches of a class, as a page that listens is told of them. */
export const roomSchema = z.array(boardBenchSchema);

/** The benches for a wall that everybody sees: by numbers, without what is wrong at whose bench, or who goes where. */
export const forTheWall = (benches: readonly BoardBench[]): readonly BoardBench[] =>
  benches.map(({ exercise, call, state, forSeconds }, index) => ({
    learnerId: String(index + 1),
    name: String(index + 1),
    exercise,
    submissionId: null,
    call: call && { id: '', takenBy: call.takenBy === null ? null : '' },
    state,
    forSeconds,
    lookAt: '',
    board: '',
  }));
