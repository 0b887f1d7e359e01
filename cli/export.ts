import { writeFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { prepareBench } from '@/core/electrics/bench';
import { settledBench } from '@/core/electrics/bench-point';
import { titleOf, writeSpice } from '@/core/formats/spice';
import { netlistOf } from '@/core/wiring/netlist';
import type { Wiring } from '@/core/wiring/wiring';
import { readState, stateOptions } from './bench-state';
import { loadExercise, loadWiring, options, Unusable } from './input';
import type { Command } from './run';

/** What is exported: a wiring alone, or the reference of an exercise. */
interface Subject {
  readonly wiring: Wiring;
  readonly title: string;
}

const forms = ['spice'] as const;

/** `export`: a wiring or an exercise in another form, on standard output or in a file. */
export const exportTo: Command = async (words, { out, folder }) => {
  const given = options(words, {
    wiring: { type: 'string' },
    exercise: { type: 'string' },
    as: { type: 'string' },
    out: { type: 'string' },
    ...stateOptions,
  });
  if ((given.wiring === undefined) === (given.exercise === undefined))
    throw new Unusable('name one of --wiring and --exercise');
  if (!forms.some((form) => form === given.as))
    throw new Unusable(`--as ${given.as ?? ''}: known are ${forms.join(', ')}`);
  const subject = await load(given, folder);
  const { drives, states } = readState(given, subject.wiring);
  if ([...drives.values()].some((drive) => drive.mode === 'pwm'))
    throw new Unusable('--set: a netlist has one state; give the pin as high or low instead of pwm');
  const bench = prepareBench(subject.wiring, netlistOf(subject.wiring), { states });
  const text = writeSpice(settledBench(bench, drives), drives, subject.title);
  if (given.out === undefined) out(text);
  else
    try {
      await writeFile(resolve(folder, given.out), text);
    } catch {
      throw new Unusable(`${given.out}: the file cannot be written`);
    }
  return 0;
};

async function load(
  given: { readonly wiring?: string | undefined; readonly exercise?: string | undefined },
  folder: string,
): Promise<Subject> {
  if (given.exercise !== undefined) {
    const exercise = await loadExercise(given.exercise, folder);
    return { wiring: exercise.reference, title: exercise.data.title };
  }
  const wiring = await loadWiring(given.wiring!, folder);
  return { wiring, title: titleOf(wiring) };
}
