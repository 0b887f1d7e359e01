import { isBoard } from '../boards';
import type { FindingCode } from '../findings/finding';
import { asksForProgram, languageOf, referencePins, type Exercise } from '../formats/exercise';
import type { Compiled, Grammars } from '../program';
import { idleProgram } from '../program/idle';
import { KeptCircuits } from '../rehearsal/kept-points';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import { Circuit } from '../wiring/circuit';
import { referenceBuild, type Build } from './build';
import { condonedIn } from './condoned';
import { rehearsalOf, type Judging } from './judging';
import { ledBands, type LedBands } from './led-bands';
import { reduced, type Reduced } from './match';
import { OwnRuns } from './own-runs';
import { sendingRateOf, unmetIn } from './scenarios';

/** Steps that a run may take: several seconds in which every pass of the program does something. */
export const STEPS_OF_A_RUN = 8_000_000;
/** Steps that the run of a program that does nothing may take. */
const STEPS_OF_NOTHING = 200_000;

/** The reference of an exercise, reduced once for many checks. */
export interface Reference {
  readonly exercise: Exercise;
  /** Its own wiring and program. */
  readonly own: Build;
  /** What these do. */
  readonly ownRuns: OwnRuns;
  /** Its circuit, with what is compared of it. */
  readonly reduced: Reduced;
  /** Signal pins that it uses. */
  readonly pins: readonly string[];
  /** Current of each LED over the accepted resistor values, lowest and highest, in mA. */
  readonly ledBands: LedBands;
  /** What is not held against a build. */
  readonly condoned: ReadonlySet<FindingCode>;
  /** For each scenario, whether a program that does nothing meets it on the reference's own wiring. */
  readonly metByNothing: readonly boolean[];
  /** Bits a second at which its program sends; `undefined` when it does not, or any rate is understood. */
  readonly sendingRate: number | undefined;
  /** Operating points of the wirings that were handed in last. */
  readonly kept: KeptCircuits;
}

export function referenceOf(exercise: Exercise, grammars: Grammars): Reference {
  const own = referenceBuild(exercise, grammars);
  const { scenarios } = exercise.data;
  const { compiled } = own.program;
  const sendingRate = sendingRateOf(exercise, own.program);
  const kept = new KeptCircuits();
  const judgingOf = (program: Compiled): Judging => ownJudging(exercise, program, sendingRate, kept);
  const isRun = compiled && (!isBoard(exercise.board) || exercise.reference.board !== undefined);
  const nothing = idleProgram(languageOf(exercise)).compiled;
  return {
    exercise,
    own,
    ownRuns: new OwnRuns(scenarios, isRun ? judgingOf(compiled) : undefined),
    reduced: reduced(new Circuit(exercise.reference, exercise.board)),
    pins: referencePins(exercise),
    ledBands: ledBands(exercise),
    condoned: condonedIn(exercise, own.program),
    sendingRate,
    kept,
    metByNothing:
      asksForProgram(exercise) && nothing
        ? scenarios.map((scenario) => {
            const judging = judgingOf(nothing);
            return unmetIn(scenario, judging.run(scenario, {}, { steps: STEPS_OF_NOTHING }), judging) === 0;
          })
        : [],
  };
}

/** How a program is run and judged on the exercise's own wiring, where each part stands for itself. */
function ownJudging(
  exercise: Exercise,
  program: Compiled,
  listensAt: number | undefined,
  kept: KeptCircuits,
): Judging {
  const { reference: wiring, board } = exercise;
  const circuit = new Circuit(wiring, board);
  const pairs = new Map(wiring.parts.map((part) => [part.ref as string, part]));
  const points = kept.of(wiring);
  const solved = new SolvedCircuit(circuit, [], points());
  return {
    run: rehearsalOf(program, solved, board, pairs, STEPS_OF_A_RUN),
    runWith: (spread) =>
      rehearsalOf(
        program,
        new SolvedCircuit(circuit, [spread], points(spread)),
        board,
        pairs,
        STEPS_OF_A_RUN,
      ),
    circuit,
    language: languageOf(exercise),
    pairs,
    pins: new Map(),
    asked: wiring,
    listensAt,
  };
}
