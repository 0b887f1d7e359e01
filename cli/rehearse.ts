import * as z from 'zod';
import { stimulusSchema, touchedBy, type Stimulus } from '@/core/stimuli';
import { traceChanges, valueChangeDump } from '@/core/formats/trace';
import { compileProgram } from '@/core/program';
import { rehearse as rehearseProgram } from '@/core/rehearsal/rehearse';
import type { Wiring } from '@/core/wiring/wiring';
import { nodeGrammars } from '@/grammars/node';
import { touchedPart } from './bench-state';
import { loadProgram, loadWiring, options, readDuration, readText, required, Unusable } from './input';
import type { Command } from './command';

/** `run`: a program on a wiring for some time; prints what changes. */
export const rehearse: Command = async (words, { out, folder }) => {
  const given = options(words, {
    wiring: { type: 'string' },
    code: { type: 'string' },
    for: { type: 'string' },
    stimuli: { type: 'string' },
    noise: { type: 'boolean' },
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
  const stimuli = given.stimuli === undefined ? [] : await loadStimuli(given.stimuli, wiring, folder);
  const trace = rehearseProgram(program.compiled, wiring, board, {
    seconds,
    stimuli,
    ...(given.noise ? { floatingReads: 'noise' as const } : {}),
  });
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

async function loadStimuli(path: string, wiring: Wiring, folder: string): Promise<readonly Stimulus[]> {
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
  for (const [index, stimulus] of stimuli.data.entries()) {
    const touched = touchedBy(stimulus);
    if (touched) touchedPart(touched.how, touched.name, `${path}: [${index}]`, wiring);
  }
  return stimuli.data;
}
