import { isBoard } from '../boards';
import { asksForProgram, languageOf, type Exercise } from '../formats/exercise';
import { compileProgram, type Grammars, type Program } from '../program';
import { idleProgram } from '../program/idle';
import type { Wiring } from '../wiring/wiring';

/** What a student hands in, read. */
export interface Build {
  readonly wiring: Wiring;
  readonly program: Program;
}

/** A program as its exercise has it read; where that asks for none, none is missing, and without a board none runs. */
export function programFor(exercise: Exercise, source: string, grammars: Grammars): Program {
  if (!isBoard(exercise.board)) return idleProgram(languageOf(exercise));
  const program = compileProgram(source, exercise.board, grammars, languageOf(exercise));
  return program.isEmpty && !asksForProgram(exercise) ? idleProgram(program.language) : program;
}

export const buildFor = (exercise: Exercise, wiring: Wiring, source: string, grammars: Grammars): Build => ({
  wiring,
  program: programFor(exercise, source, grammars),
});

/** The exercise's own wiring and program, as if somebody handed them in. */
export const referenceBuild = (exercise: Exercise, grammars: Grammars): Build =>
  buildFor(exercise, exercise.reference, exercise.data.program, grammars);
