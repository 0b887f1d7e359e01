import { shippedBoards } from '@/core/boards';
import { lintProgram } from '@/core/judge/lint';
import { nodeGrammars } from '@/grammars/node';
import { loadProgram, options, required, Unusable } from './input';
import type { Command } from './command';

/** `lint`: what is wrong with a program alone. */
export const lint: Command = async (words, { out, folder }) => {
  const given = options(words, {
    code: { type: 'string' },
    board: { type: 'string' },
    json: { type: 'boolean' },
  });
  const name = given.board ?? 'learner-5v';
  const board = shippedBoards.get(name);
  if (!board) throw new Unusable(`--board ${name}: known are ${[...shippedBoards.keys()].join(', ')}`);
  const source = await loadProgram(required(given.code, 'code'), folder);
  const findings = lintProgram(source, board, await nodeGrammars());
  if (given.json) out(`${JSON.stringify(findings, null, 2)}\n`);
  else
    for (const finding of findings)
      out(
        `${finding.severity} ${finding.code} (line ${finding.line}, column ${finding.column}): ${finding.message}\n`,
      );
  return findings.some((finding) => finding.severity === 'fault') ? 1 : 0;
};
