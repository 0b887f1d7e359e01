import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import { rehearse } from '../rehearsal/rehearse';
import { compileProgram, type Grammars } from '../program/index';
import type { GoldenProgram } from '../program/golden/programs';

/** Seconds within which every golden program has printed everything. */
const SECONDS = 5;

/** The lines that a golden program prints on a board that nothing is wired to; what is wrong with it, if it does not run. */
export function printedLines(
  { source }: GoldenProgram,
  board: BoardProfile,
  grammars: Grammars,
): readonly string[] {
  const { compiled, problems } = compileProgram(source, board, grammars);
  if (!compiled) return problems.map(({ message }) => message);
  const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
  const { serial } = rehearse(compiled, bare, board, { seconds: SECONDS });
  const text = serial.map((piece) => piece.text).join('');
  return text.replace(/\r\n$/, '').split('\r\n');
}
