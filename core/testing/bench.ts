import { shippedBoards } from '../boards';
import type { Stimulus } from '../stimuli';
import { compileProgram } from '../program';
import type { RehearsalOptions } from '../rehearsal/options';
import { rehearse } from '../rehearsal/rehearse';
import type { Trace } from '../rehearsal/trace';
import { readWiring } from '../wiring/read';
import { grammars } from './beacon';

/** A run for a test: what is wired (rows of a table without its head), the program, and for how long. */
export interface TestRun extends Partial<RehearsalOptions> {
  readonly board?: string;
  readonly rows?: string;
  readonly source: string;
  readonly stimuli?: readonly Stimulus[];
}

/** Runs a program on a wiring of a few rows; throws when either cannot be read. */
export function runOn({ board: id = 'learner-5v', rows = '', source, ...options }: TestRun): Trace {
  const board = shippedBoards.get(id)!;
  const wiring = readWiring(`ref,kind,value,leg,at\nU1,board,${id},,\n${rows.trim()}\n`);
  if (!wiring.ok) throw new Error(`${wiring.problems[0]!.line}: ${wiring.problems[0]!.message}`);
  const { compiled, problems } = compileProgram(source, board, grammars);
  if (!compiled) throw new Error(problems.map(({ message }) => message).join('\n'));
  return rehearse(compiled, wiring.value, board, { seconds: 2, ...options });
}

/** All the text that a run prints. */
export const printedBy = ({ serial }: Trace): string => serial.map(({ text }) => text).join('');
