import { shippedBoards, type BoardProfile } from '@/core/boards';
import { lintProgram } from '@/core/judge/lint';
import type { Language } from '@/core/program';
import { nodeGrammars } from '@/grammars/node';
import { loadProgram, options, required, Unusable } from './input';
import type { Command } from './command';

/** The language that a file's name tells, else that of the board. */
const languageFor = (file: string, board: BoardProfile): Language =>
  file.endsWith('.py') ? 'python' : /\.(ino|c|cpp|cc|h)$/.test(file) ? 'cpp' : board.language.default;

/** `lint`: what is wrong with a program alone. */
export const lint: Command = async (words, { out, folder }) => {
  const given = options(words, {
    code: { type: 'string' },
    board: { type: 'string' },
    json: { type: 'boolean' },
  });
  const code = required(given.code, 'code');
  const isPython = code.endsWith('.py');
  const name = given.board ?? (isPython ? 'python-3v3' : 'learner-5v');
  const board = shippedBoards.get(name);
  if (!board) throw new Unusable(`--board ${name}: known are ${[...shippedBoards.keys()].join(', ')}`);
  const source = await loadProgram(code, folder);
  const findings = lintProgram(source, board, await nodeGrammars(), languageFor(code, board));
  if (given.json) out(`${JSON.stringify(findings, null, 2)}\n`);
  else
    for (const finding of findings)
      out(
        `${finding.severity} ${finding.code} (line ${finding.line}, column ${finding.column}): ${finding.message}\n`,
      );
  return findings.some((finding) => finding.severity === 'fault') ? 1 : 0;
};
