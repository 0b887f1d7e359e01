import { benchWork } from '../course/bench-work';
import type { HouseRules } from '../course/house-rules';
import { isBoard } from '../boards';
import { asksForProgram, type Exercise } from '../formats/exercise';
import { givenProgram } from '../generated/given';
import { benchCount } from '../kit';
import { kindOf } from '../parts';
import { cautionsOf, type Caution } from '../plan/cautions';
import type { BuildStep } from '../plan/build-steps';
import { Circuit } from '../wiring/circuit';
import { capital, howMany, listText } from '../words/words';
import type { Phase } from './phase';
import { factorFor, isByTheClass, STANDARD_PACE, type Pace } from './pace';

/** One hold of the hand within a stretch, with its share of the minutes. */
export interface Hold {
  /** The part that is put in. */
  readonly ref: string;
  readonly text: string;
  readonly checkpoint: string;
  readonly cautions: readonly string[];
  readonly minutes: number;
}

/** One stretch of a meeting. */
export interface RunStep {
  /** The same in every sheet of the same exercises: `night-bell/build`. */
  readonly id: string;
  readonly phase: Phase;
  /** Place of its exercise among those of the meeting; none for what is once for all of them. */
  readonly exercise: number | undefined;
  readonly title: string;
  /** What happens in it. */
  readonly does: string;
  readonly minutes: number;
  /** What the minutes are made of: `5 parts, 4 wires`. */
  readonly madeOf: string;
  readonly cautions: readonly string[];
  readonly holds: readonly Hold[];
}

/** The exercises of a meeting, with what is known of the class. */
export interface MeetingPlan {
  readonly exercises: readonly { readonly exercise: Exercise; readonly rules: HouseRules }[];
  readonly learners: number;
  /** Learners at one bench. */
  readonly perBench: number;
  /** How this class works, beside how our figures expect it; by exercise where it has done one before. */
  readonly pace?: Pace;
  /** Whether bags are packed and programs loaded before anybody comes. */
  readonly prepared?: readonly Preparation[];
}

/** What may be done before a class to save its time. */
export type Preparation = 'bags-checked' | 'program-given' | 'no-predictions';

export interface RunSheet {
  readonly steps: readonly RunStep[];
  readonly benches: number;
  /** All minutes together. */
  readonly minutes: number;
}

/** Seconds that things take a beginner, by our own estimate; a class's record corrects them (`pace.ts`). */
const SECONDS = {
  arrival: 300,
  packUp: 240,
  packUpExercise: 90,
  aim: 120,
  newConcept: 150,
  sortOfPart: 12,
  checkParts: 45,
  leg: 20,
  part: 25,
  wire: 40,
  pair: 1.1,
  secondLook: 60,
  lookAtWire: 6,
  plugIn: 60,
  lineRead: 6,
  lineWritten: 35,
  runOnce: 45,
  predict: 120,
} as const;

/** Questions that are asked of a class. */
const QUESTIONS = 2;

/** The sheet of a meeting: every stretch with its minutes, in the order of the work. */
export function runSheet(plan: MeetingPlan): RunSheet {
  const pace = plan.pace ?? STANDARD_PACE;
  const own = plan.exercises.map(({ exercise, rules }, index) => stepsOf(exercise, rules, index, plan, pace));
  const steps: RunStep[] = [
    {
      id: 'arrive',
      phase: 'arrive',
      exercise: undefined,
      title: 'Come in, sit down',
      does: 'Benches are shared out, tablets signed in, bags handed out. Every board is unplugged.',
      minutes: minutes(SECONDS.arrival),
      madeOf: '',
      cautions: [],
      holds: [],
    },
    ...own.flat(),
    {
      id: 'pack-up',
      phase: 'pack-up',
      exercise: undefined,
      title: 'Pack up',
      does: 'Unplug, take apart what does not stay, count back into the bags, say what broke.',
      minutes: minutes(SECONDS.packUp + SECONDS.packUpExercise * plan.exercises.length),
      madeOf: howMany(plan.exercises.length, 'exercise'),
      cautions: afterClass(plan.exercises.map(({ exercise }) => exercise)),
      holds: [],
    },
  ];
  return {
    steps,
    benches: benchCount(plan.learners, plan.perBench),
    minutes: steps.reduce((sum, step) => sum + step.minutes, 0),
  };
}

/** Half minutes, and at least one: nobody plans finer. */
const minutes = (seconds: number): number => Math.max(0.5, Math.round(seconds / 30) / 2);

type Draft = Omit<RunStep, 'id' | 'exercise' | 'minutes' | 'holds'> & {
  readonly seconds: number;
  readonly holds?: readonly Hold[];
};

function stepsOf(
  exercise: Exercise,
  rules: HouseRules,
  index: number,
  plan: MeetingPlan,
  pace: Pace,
): readonly RunStep[] {
  const { data } = exercise;
  // What is prepared saves what it would have taken; how long the rest takes stays as it is.
  const whole = draftsOf(exercise, rules, plan.perBench, []);
  const estimated = whole.reduce((sum, { seconds }) => sum + seconds, 0);
  const byAuthor = data.minutes === undefined ? 1 : (data.minutes * 60) / estimated;
  return draftsOf(exercise, rules, plan.perBench, plan.prepared ?? []).map(
    ({ seconds, holds = [], ...draft }): RunStep => {
      const factor = byAuthor * (isByTheClass(draft.phase) ? factorFor(pace, data.id) : 1);
      return {
        ...draft,
        id: `${data.id}/${draft.phase}`,
        exercise: index,
        minutes: minutes(seconds * factor),
        holds: holds.map((hold) => ({ ...hold, minutes: hold.minutes * factor })),
      };
    },
  );
}

function draftsOf(
  exercise: Exercise,
  rules: HouseRules,
  perBench: number,
  prepared: readonly Preparation[],
): readonly Draft[] {
  const { data, reference, board } = exercise;
  const cautions = cautionsOf(exercise, []);
  const at = (step: Caution['step']): readonly string[] =>
    cautions
      // What is about a part stands where that part is put in.
      .filter((caution) => caution.step === step && (caution.refs.length === 0 || step !== 'build'))
      .map(({ text }) => text);
  const work = benchWork(reference, board, rules);
  const holds = work.steps.map((step) => holdOf(step, reference, perBench > 1 ? SECONDS.pair : 1));
  const wires = reference.parts.filter(({ kind }) => kindOf(kind).conductor).length;
  const sorts = new Set(reference.parts.map(({ kind, value }) => `${kind} ${value.text}`)).size;
  const areChecked = prepared.includes('bags-checked');
  const { introduces } = data.concepts;
  const drafts: readonly (Draft | undefined)[] = [
    {
      phase: 'aim',
      title: data.title,
      does: data.aim || 'Say what is built, and why.',
      seconds: SECONDS.aim + SECONDS.newConcept * introduces.length,
      madeOf:
        introduces.length > 0
          ? `new: ${listText(introduces.map((concept) => concept.replaceAll('-', ' ')))}`
          : 'nothing new',
      cautions: [],
    },
    {
      phase: 'parts',
      title: 'Look at the parts',
      does: areChecked
        ? 'The bags are checked already. Name each part and find its legs.'
        : 'Take everything out of the bag, name it, find its legs, say what is missing.',
      seconds: (areChecked ? 0 : SECONDS.checkParts) + SECONDS.sortOfPart * sorts,
      madeOf: `${howMany(sorts, 'kind')} of part`,
      cautions: at('parts'),
    },
    {
      phase: 'build',
      title: 'Build it',
      does: `${capital(howMany(holds.length, 'step'))}, each with a look at the result.`,
      seconds: holds.reduce((sum, hold) => sum + hold.minutes * 60, 0),
      madeOf: `${howMany(reference.parts.length - wires, 'part')}, ${howMany(wires, 'wire')}`,
      cautions: at('build'),
      holds,
    },
    {
      phase: 'second-look',
      title: 'Second look, power off',
      does: 'Neighbours change places and go through the list of connections.',
      seconds: SECONDS.secondLook + SECONDS.lookAtWire * wires,
      madeOf: howMany(new Circuit(reference).nodes.length, 'connection'),
      cautions: [],
    },
    isBoard(board) && asksForProgram(exercise) ? bringUpStep(exercise) : undefined,
    asksForProgram(exercise) ? programStep(exercise, rules, prepared.includes('program-given')) : undefined,
    {
      phase: 'see',
      title: 'See it work',
      does: data.scenarios.map(({ name }) => capital(name)).join('. ') || 'Try it, and say what is seen.',
      seconds:
        SECONDS.runOnce * Math.max(1, data.scenarios.length) +
        1.5 * data.scenarios.reduce((sum, scenario) => sum + scenario.for, 0),
      madeOf: howMany(data.scenarios.length, 'scenario'),
      cautions: at('find-fault'),
    },
    prepared.includes('no-predictions')
      ? undefined
      : {
          phase: 'vary',
          title: 'Say it first, then try',
          does: 'Change one number. Everybody says what will happen before it is tried.',
          seconds: SECONDS.predict * QUESTIONS,
          madeOf: howMany(QUESTIONS, 'question'),
          cautions: at('vary'),
        },
  ];
  return drafts.filter((draft) => draft !== undefined);
}

function holdOf(step: BuildStep, wiring: Exercise['reference'], sharing: number): Hold {
  const part = wiring.parts.find(({ ref }) => ref === step.ref)!;
  const seconds = kindOf(part.kind).conductor
    ? SECONDS.wire
    : SECONDS.part + SECONDS.leg * part.legs.filter(({ at }) => at !== null).length;
  return {
    ref: step.ref,
    text: step.text,
    checkpoint: step.checkpoint,
    cautions: step.cautions,
    minutes: (seconds * sharing) / 60,
  };
}

function bringUpStep({ board }: Exercise): Draft {
  const { waits, upload } = board.bringUp;
  return {
    phase: 'bring-up',
    title: 'Onto the board',
    does: upload,
    seconds: SECONDS.plugIn + waits.reduce((sum, wait) => sum + wait.seconds, 0),
    madeOf:
      waits.length > 0 ? `waits of ${waits.map(({ seconds }) => `${seconds} s`).join(' and ')}` : 'no waits',
    cautions: [],
  };
}

function programStep(exercise: Exercise, rules: HouseRules, isGiven: boolean): Draft {
  const codeLines = (source: string): readonly string[] =>
    source.split('\n').filter((line) => /\w/.test(line) && !/^\s*(\/\/|#)/.test(line));
  const given = new Set(codeLines(givenProgram(exercise, rules)).map((line) => line.trim()));
  const lines = codeLines(exercise.data.program);
  const written = isGiven ? 0 : lines.filter((line) => !given.has(line.trim())).length;
  return {
    phase: 'program',
    title: 'The program',
    does: isGiven
      ? 'The program is handed out. Read it line by line and say what each does.'
      : {
          example: 'Read the example, run it, and change it until it does what is asked.',
          gaps: 'Fill in the gaps, line by line.',
          nothing: 'Write it, line by line.',
        }[rules.programGiven],
    seconds: SECONDS.lineRead * lines.length + SECONDS.lineWritten * written,
    madeOf: `${howMany(lines.length, 'line')}, ${written} of them to write`,
    cautions: [],
  };
}

const afterClass = (exercises: readonly Exercise[]): readonly string[] => [
  ...new Set(
    exercises.flatMap((exercise) =>
      cautionsOf(exercise, [])
        .filter(({ text }) => /after class/.test(text))
        .map(({ text }) => text),
    ),
  ),
];
