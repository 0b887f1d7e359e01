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
import type { Exercise } from '@/core/formats/exercise';
import { writeTable } from '@/core/wiring/table';
import { pngOf } from '@/print/png';
import { classOrder, coursePackage, exercisesIn, kitCsv, runSheetText } from './lesson';
import { booklet, handoutMarkdown, handoutPdf, type HandoutOrder } from './handouts';
import { readState, stateOptions, type GivenState } from './bench-state';
import { loadExercise, loadWiring, options, Unusable } from './input';
import type { Command } from './command';

/** What is exported: a wiring alone, or the reference of an exercise. */
interface Subject {
  readonly wiring: Wiring;
  readonly title: string;
}

const forms = [
  'spice',
  'svg',
  'png',
  'csv',
  'handout-pdf',
  'pdf',
  'markdown',
  'md',
  'booklet',
  'kit-csv',
  'run-sheet',
  'run-sheet-csv',
  'package',
  'zip',
] as const;
type Form = (typeof forms)[number];
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
    extras: { type: 'string' },
    class: { type: 'string' },
    'per-bench': { type: 'string' },
    minutes: { type: 'string' },
    title: { type: 'string' },
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

async function make(form: Form, given: Given, folder: string): Promise<string | Uint8Array> {
  switch (form) {
    case 'booklet':
      if (given.course === undefined) throw new Unusable('--course is missing: a folder of exercises');
      return booklet(given.course, folder, orderOf(given));
    case 'handout-pdf':
    case 'pdf':
      return handoutPdf(await theExercise(given, folder), orderOf(given));
    case 'markdown':
    case 'md':
      return handoutMarkdown(await theExercise(given, folder), orderOf(given));
    case 'csv':
      return writeTable((await load(given, folder)).wiring);
    case 'kit-csv':
      return kitCsv(await allExercises(given, folder), classOrder(given));
    case 'run-sheet':
      return runSheetText(await allExercises(given, folder), classOrder(given), 'markdown');
    case 'run-sheet-csv':
      return runSheetText(await allExercises(given, folder), classOrder(given), 'csv');
    case 'package':
    case 'zip': {
      const exercises = await allExercises(given, folder);
      return coursePackage(exercises, given.title ?? exercises[0]!.data.title);
    }
    case 'spice': {
      const subject = await load(given, folder);
      return netlistText(subject, readState(given, subject.wiring));
    }
    case 'svg':
    case 'png': {
      const view = oneOf('view', given.view ?? 'bench', views);
      const svg = await drawingText(await load(given, folder), view);
      return form === 'svg' ? svg : pngOf(svg);
    }
  }
}

function theExercise({ exercise }: Given, folder: string): Promise<Exercise> {
  if (exercise === undefined) throw new Unusable('--exercise is missing');
  return loadExercise(exercise, folder);
}

/** One exercise, or those of a whole folder. */
async function allExercises({ exercise, course }: Given, folder: string): Promise<readonly Exercise[]> {
  if ((exercise === undefined) === (course === undefined))
    throw new Unusable('name one of --exercise and --course, a folder of exercises');
  return exercise === undefined ? exercisesIn(course!, folder) : [await loadExercise(exercise, folder)];
}

const orderOf = ({ form, paper, columns, address, extras }: Given): HandoutOrder => ({
  form: oneOf('form', form ?? 'student', handoutForms),
  paper: oneOf('paper', paper ?? 'A4', papers),
  columns: oneOf('columns', columns ?? '1', ['1', '2']) === '2' ? 2 : 1,
  address,
  extras: (extras ?? '')
    .split(',')
    .filter(Boolean)
    .map((extra) => oneOf('extras', extra, ['tour', 'bands'])),
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
  if ((given.wiring === undefined) === (given.exercise === undefined))
    throw new Unusable('name one of --wiring and --exercise');
  if (given.exercise !== undefined) {
    const exercise = await loadExercise(given.exercise, folder);
    return { wiring: exercise.reference, title: exercise.data.title };
  }
  const wiring = await loadWiring(given.wiring!, folder);
  return { wiring, title: titleOf(wiring) };
}
