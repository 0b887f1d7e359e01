import { isBoard } from '../boards';
import type { HouseRules } from '../course/house-rules';
import type { Exercise } from '../formats/exercise';
import type { NumberQuestion } from '../generated/questions';
import { taskOf, type Task } from '../generated/task';
import { cautionsOf } from '../plan/cautions';
import type { Grammars } from '../program';
import { howMany, listText } from '../words/words';
import type { Block, Handout, HandoutForm, Section } from './document';
import { bag } from './sections/bag';
import { bringUp, predictions, program, seen } from './sections/program';
import { build, connections, currentWay, notLikeThis, record, secondLook } from './sections/wiring';
import type { Troubles } from './troubles';

/** What a handout is made of beside its exercise. */
export interface HandoutOptions {
  readonly form: HandoutForm;
  readonly rules: HouseRules;
  /** The course and the place of the exercise in it: `The working harbour, exercise 3`. */
  readonly place: string;
  readonly questions: readonly NumberQuestion[];
  readonly troubles: Troubles;
  /** Where the exercise is opened at a bench. */
  readonly address?: string;
}

/** The handout of an exercise; everything in it follows from the exercise and the rules of its course. */
export function handoutOf(exercise: Exercise, options: HandoutOptions, grammars: Grammars): Handout {
  const { form, rules, place } = options;
  const task = taskOf(exercise, { ...rules, stepsAtBench: 'shown' }, true);
  const isTeaching = form === 'instructor';
  const sections: readonly (Section | undefined)[] = [
    aim(exercise, task, isTeaching),
    bag(task),
    connections(exercise),
    build(exercise, rules),
    secondLook(exercise),
    isBoard(exercise.board) ? bringUp(exercise, rules) : undefined,
    program(exercise, rules, grammars, isTeaching),
    seen(task),
    predictions(exercise, options.questions, isTeaching),
    currentWay(exercise),
    notLikeThis(exercise.reference, options.troubles),
    isTeaching ? usualTroubles(options.troubles) : undefined,
    record(exercise.reference, options.address),
  ];
  return {
    title: exercise.data.title,
    subtitle: `${place}${isTeaching ? ', instructor’s copy' : ''}`,
    form,
    sections: sections.filter(
      (section) => section !== undefined && section.blocks.length > 0,
    ) as readonly Section[],
  };
}

function aim(exercise: Exercise, { aim: text, build: why, open }: Task, isTeaching: boolean): Section {
  const { minutes, concepts, text: own } = exercise.data;
  const note = own['authorNote'];
  return {
    title: 'What we build',
    blocks: [
      { type: 'text', text, look: 'lead' },
      ...(why === undefined ? [] : [{ type: 'text', text: why } as const]),
      ...(open ? [{ type: 'text', text: `Yours to decide: ${open.asks}` } as const] : []),
      ...(isTeaching
        ? [
            {
              type: 'text',
              look: 'note',
              text: [
                ...(minutes === undefined ? [] : [`${howMany(minutes, 'minute')} are planned.`]),
                ...(concepts.introduces.length > 0 ? [`New: ${conceptList(concepts.introduces)}.`] : []),
                ...(concepts.uses.length > 0 ? [`Used: ${conceptList(concepts.uses)}.`] : []),
                ...(typeof note === 'string' ? [note] : []),
              ].join(' '),
            } as const,
          ]
        : []),
      ...cautionsOf(exercise, [])
        .filter(({ refs, step }) => refs.length === 0 && step === 'build')
        .map(({ text: caution }): Block => ({ type: 'caution', text: caution })),
    ],
  };
}

const conceptList = (concepts: readonly string[]): string =>
  listText(concepts.map((concept) => concept.replaceAll('-', ' ')));

function usualTroubles({ usual }: Troubles): Section {
  return {
    title: 'Usual troubles, and what to ask',
    blocks: [
      {
        type: 'table',
        head: ['what it looks like', 'ask first', 'what mends it'],
        rows: usual.map(({ title, ask, repair }) => [title, ask, repair]),
      },
    ],
  };
}
