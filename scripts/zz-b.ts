import { readFileSync } from 'node:fs';
import { compileProgram } from '@/core/program';
import { shippedBoards } from '@/core/boards';
import { grammars } from '@/core/testing/beacon';
for (const [file, board, lang] of [['cpp.txt', 'learner-5v', 'cpp'], ['python.txt', 'python-3v3', 'python']] as const) {
  let ok = 0, n = 0;
  for (const part of readFileSync(`core/program/beginners/${file}`, 'utf8').split(/^=== /m).slice(1)) {
    const [name, ...lines] = part.split('\n');
    n++;
    const p = compileProgram(lines.join('\n'), shippedBoards.get(board)!, grammars, lang);
    const bad = p.problems.filter((x) => x.severity === 'fault');
    if (bad.length === 0) ok++;
    else console.log(name, '→', bad.slice(0, 2).map((x) => `${x.code} ${x.message}`).join(' | '), p.failure ?? '');
  }
  console.log(file, ok, n);
}
