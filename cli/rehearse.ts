import { z } from 'zod';
import { isPlayable, stimulusSchema } from '@/core/formats/scenario';
import { traceChanges, valueChangeDump } from '@/core/formats/trace';
import { compileProgram } from '@/core/program';
import { rehearse as rehearseProgram } from '@/core/rehearsal/rehearse';
import { nodeGrammars } from '@/grammars/node';
import { loadProgram, loadWiring, options, readDuration, readText, required, Unusable } from './input';
import type { Command } from './run';

/** `run`: a program on a wiring for some time; prints what changes. */
export const rehearse: Command = async (words, { out, folder }) => {
  const given = options(words, {
    wiring: { type: 'string' },
    code: { type: 'string' },
    for: { type: 'string' },
    stimuli: { type: 'string' },
    json: { type: 'boolean' },
    vcd: { type: 'boolean' },
  });
  const path = required(given.wiring, 'wiring');
  const wiring = await loadWiring(path, folder);
  const board = wiring.board?.profile;
  if (!board) throw new Unusable(`${path}: there is no board to run the program on`);
  const code = required(given.code, 'code');
  const program = compileProgram(await loadProgram(code, folder), board, await nodeGrammars());
  if (!program.compiled) {
    const [problem] = program.problems;
    throw new Unusable(
      `${code}: ${problem ? `line ${problem.line}, column ${problem.column}: ${problem.message}` : 'the program is empty'}`,
    );
  }
  const seconds = readDuration(required(given.for, 'for'));
  const typed = given.stimuli === undefined ? [] : await loadTyped(given.stimuli, folder);
  const trace = rehearseProgram(program.compiled, wiring, board, { seconds, typed });
  if (given.vcd) out(valueChangeDump(trace, board));
  else {
    const result = traceChanges(trace, wiring, board);
    if (given.json) out(`${JSON.stringify(result, null, 2)}\n`);
    else {
      for (const { t, signal, value } of result.changes) out(`${t.toFixed(6)} ${signal} ${value}\n`);
      if (result.serial !== '') out(`${result.serial}\n`);
      out(`ended: ${result.ended}\n`);
    }
  }
  return 0;
};

async function loadTyped(path: string, folder: string): Promise<{ at: number; text: string }[]> {
  let data: unknown;
  try {
    data = JSON.parse(await readText(path, folder, 200_000));
  } catch (error) {
    if (error instanceof Unusable) throw error;
    throw new Unusable(`${path}: this is not JSON`);
  }
  const stimuli = z.array(stimulusSchema).safeParse(data);
  if (!stimuli.success)
    throw new Unusable(
      `${path}: ${stimuli.error.issues[0]?.path.join('.') ?? ''}: this is no stimulus that is known`,
    );
  return stimuli.data.map((stimulus, index) => {
    if (!isPlayable(stimulus)) throw new Unusable(`${path}: [${index}]: this stimulus cannot be played yet`);
    return { at: stimulus.at, text: stimulus.serial };
  });
}
