import { isBoard } from '../boards';
import type { HouseRules } from '../course/house-rules';
import type { Exercise } from '../formats/exercise';
import type { NumberQuestion } from '../generated/questions';
import { taskOf, type Task } from '../generated/task';
import { cautionsOf } from '../plan/cautions';
import type { Grammars } from '../program';
import { howMany, listText } from '../words/words';
import type { ConceptCard } from '../course/concepts';
import type { Report } from '../formats/report';
import { runSheet, type RunStep } from '../meeting/run-sheet';
import type { Block, Handout, HandoutForm, Photo, Section } from './document';
import { assembly, calibration, keyTable } from './sections/assembly';
import { bag } from './sections/bag';
import { bandsToSort, boardTour, conceptCards } from './sections/cards';
import { fromLastTime, lastBuildOf } from './sections/last-time';
import { bringUp, predictions, program, seen } from './sections/program';
import { build, connections, currentWay, notLikeThis, record, secondLook } from './sections/wiring';
import { challenges, referenceReport, times } from './sections/teaching';
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
  /** The exercise before it in the course, whose build may still stand. */
  readonly before?: Exercise;
  /** Cards of the concepts that it is the first to use. */
  readonly cards?: readonly ConceptCard[];
  /** Whether the walk over the board and the bands to sort are printed with it. */
  readonly extras?: readonly ('tour' | 'bands')[];
  /** What was found on the bench that it is printed for. */
  readonly calibrated?: ReadonlyMap<string, number>;
  readonly photos?: ReadonlyMap<string, Photo>;
  /** What the check says of the reference, for who teaches. */
  readonly report?: Report;
}

/** The handout of an exercise; everything in it follows from the exercise and the rules of its course. */
export function handoutOf(exercise: Exercise, options: HandoutOptions, grammars: Grammars): Handout {
  const { form, place, photos } = options;
  const sections =
    form === 'projector' ? onTheWall(exercise, options, grammars) : onPaper(exercise, options, grammars);
  return {
    title: exercise.data.title,
    subtitle: `${place}${form === 'instructor' ? ', instructor’s copy' : ''}`,
    form,
    ...(photos && photos.size > 0 ? { photos } : {}),
    sections: sections.filter(
      (section) => section !== undefined && section.blocks.length > 0,
    ) as readonly Section[],
  };
}

type Sections = readonly (Section | undefined)[];

function onPaper(exercise: Exercise, options: HandoutOptions, grammars: Grammars): Sections {
  const { rules, extras = [], cards = [], calibrated = new Map(), photos } = options;
  const task = taskOf(exercise, { ...rules, stepsAtBench: 'shown' }, true);
  const isTeaching = options.form === 'instructor';
  return [
    aim(exercise, task, isTeaching),
    bag(task),
    fromLastTime(exercise, lastBuildOf(exercise, options.before), rules),
    connections(exercise),
    build(exercise, rules, photos),
    assembly(exercise),
    secondLook(exercise),
    isBoard(exercise.board) ? bringUp(exercise, rules) : undefined,
    program(exercise, rules, grammars, isTeaching),
    calibration(exercise, calibrated),
    seen(task),
    keyTable(exercise),
    predictions(exercise, options.questions, isTeaching),
    challenges(exercise),
    currentWay(exercise),
    notLikeThis(exercise.reference, options.troubles),
    ...(isTeaching
      ? [
          usualTroubles(options.troubles),
          times(ownTimes(exercise, rules)),
          options.report && referenceReport(options.report),
        ]
      : [record(exercise.reference, options.address)]),
    extras.includes('tour') ? boardTour(exercise.board, isTeaching) : undefined,
    extras.includes('bands') ? bandsToSort(exercise, isTeaching) : undefined,
    isTeaching ? undefined : conceptCards(cards, exercise),
  ];
}

/** Large, and one thing at a time: what a whole class looks at together. */
function onTheWall(
  exercise: Exercise,
  { rules, questions, address }: HandoutOptions,
  grammars: Grammars,
): Sections {
  const task = taskOf(exercise, { ...rules, stepsAtBench: 'shown' }, true);
  return [
    aim(exercise, task, false),
    bag(task),
    build(exercise, rules),
    secondLook(exercise),
    program(exercise, rules, grammars, false),
    seen({ ...task, marked: [] }),
    predictions(exercise, questions, false),
    challenges(exercise),
    address === undefined
      ? undefined
      : { title: 'At your bench', blocks: [{ type: 'address', address, says: 'Opens this exercise.' }] },
  ];
}

/** The stretches of this exercise alone. */
const ownTimes = (exercise: Exercise, rules: HouseRules): readonly RunStep[] =>
  runSheet({ exercises: [{ exercise, rules }], learners: 1, perBench: 1 }).steps.filter(
    (step) => step.exercise === 0,
  );

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
        .filter(({ refs, step }) => refs.length === 0 && (step === 'build' || step === 'parts'))
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
