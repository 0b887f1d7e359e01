import { languageOf, type Exercise } from '../../formats/exercise';
import type { Fault } from '../fault';
import { cppSlips } from './cpp';
import { pythonSlips } from './python';

/** Slips of the keyboard and of the mind in an exercise's own program, one at a time. */
export function* programFaults(exercise: Exercise): Generator<Fault> {
  const { data, reference } = exercise;
  const lines = data.program.split('\n');
  // Two kinds of slips may come to the same program; the first one names it.
  const known = new Set([data.program]);
  for (const { sort, codes, made } of languageOf(exercise) === 'python' ? pythonSlips : cppSlips)
    for (const slipped of made(lines)) {
      const program = slipped.lines.join('\n');
      if (known.has(program)) continue;
      known.add(program);
      yield {
        sort,
        codes,
        what: `line ${slipped.index + 1}: ${slipped.written.trim() || 'left out'}`,
        wiring: reference,
        program,
        refs: [],
        line: slipped.index + 1,
      };
    }
}
