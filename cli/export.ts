import { writeFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { prepareBench } from '@/core/electrics/bench';
import { settledBench } from '@/core/electrics/bench-point';
import { drawBench } from '@/core/drawing/bench';
import { drawSchematic } from '@/core/drawing/schematic';
import { writeSvg } from '@/core/drawing/svg';
import { layoutSchematic } from '@/engines/schematic-here';
import { titleOf, writeSpice } from '@/core/formats/spice';
import { Circuit } from '@/core/wiring/circuit';
import type { Wiring } from '@/core/wiring/wiring';
import { handoutForms } from '@/core/handout/document';
import { papers } from '@/core/handout/papers';
import { booklet, handoutMarkdown, handoutPdf, type HandoutOrder } from './handouts';
import { readState, stateOptions, type GivenState } from './bench-state';
import { loadExercise, loadWiring, options, Unusable } from './input';
import type { Command } from './command';

/** What is exported: a wiring alone, or the reference of an exercise. */
interface Subject {
  readonly wiring: Wiring;
  readonly title: string;
}

const forms = ['spice', 'svg', 'handout-pdf', 'pdf', 'markdown', 'md', 'booklet'] as const;
const views = ['bench', 'schematic'] as const;

const optionsOf = (words: readonly string[]) =>
  options(words, {
    wiring: { type: 'string' },
    exercise: { type: 'string' },
    as: { type: 'string' },
    view: { type: 'string' },
    out: { type: 'string' },
    course: { type: 'string' },
    form: { type: 'string' },
    paper: { type: 'string' },
    columns: { type: 'string' },
    address: { type: 'string' },
    ...stateOptions,
  });
type Given = ReturnType<typeof optionsOf>;

/** `export`: a wiring or an exercise in another form, on standard output or in a file. */
export const exportTo: Command = async (words, { out, folder }) => {
  const given = optionsOf(words);
  const form = oneOf('as', given.as, forms);
  const made = await make(form, given, folder);
  if (given.out === undefined) out(made);
  else
    try {
      await writeFile(resolve(folder, given.out), made);
    } catch {
      throw new Unusable(`${given.out}: the file cannot be written`);
    }
  return 0;
};

async function make(
  form: (typeof forms)[number],
  given: Given,
  folder: string,
): Promise<string | Uint8Array> {
  if (form === 'booklet') {
    if (given.course === undefined) throw new Unusable('--course is missing: a folder of exercises');
    return booklet(given.course, folder, orderOf(given));
  }
  if (form === 'handout-pdf' || form === 'pdf' || form === 'markdown' || form === 'md') {
    if (given.exercise === undefined) throw new Unusable('--exercise is missing');
    const exercise = await loadExercise(given.exercise, folder);
    return form === 'markdown' || form === 'md'
      ? handoutMarkdown(exercise, orderOf(given))
      : handoutPdf(exercise, orderOf(given));
  }
  if ((given.wiring === undefined) === (given.exercise === undefined))
    throw new Unusable('name one of --wiring and --exercise');
  const view = oneOf('view', given.view ?? 'bench', views);
  const subject = await load(given, folder);
  return form === 'spice'
    ? netlistText(subject, readState(given, subject.wiring))
    : drawingText(subject, view);
}

const orderOf = ({ form, paper, columns, address }: Given): HandoutOrder => ({
  form: oneOf('form', form ?? 'student', handoutForms),
  paper: oneOf('paper', paper ?? 'A4', papers),
  columns: oneOf('columns', columns ?? '1', ['1', '2']) === '2' ? 2 : 1,
  address,
});

function oneOf<const Choice extends string>(
  option: string,
  typed: string | undefined,
  choices: readonly Choice[],
): Choice {
  const found = choices.find((choice) => choice === typed);
  if (found === undefined) throw new Unusable(`--${option} ${typed ?? ''}: known are ${choices.join(', ')}`);
  return found;
}

function netlistText({ wiring, title }: Subject, { drives, states }: GivenState): string {
  if ([...drives.values()].some((drive) => drive.mode === 'pwm'))
    throw new Unusable('--set: a netlist has one state; give the pin as high or low instead of pwm');
  const bench = prepareBench(new Circuit(wiring), { states });
  return writeSpice(settledBench(bench, drives), drives, title);
}

async function drawingText({ wiring, title }: Subject, view: (typeof views)[number]): Promise<string> {
  return writeSvg(view === 'bench' ? drawBench(wiring) : await drawSchematic(wiring, layoutSchematic), title);
}

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
