import * as z from 'zod';
import {
  isSupplySocket,
  boardProfileSchema,
  boardsWith,
  isBoard,
  noBoard,
  findPin,
  findSupply,
  pinsInRange,
  type BoardProfile,
} from '../boards';
import { legName, pointName, ref, type PointName, type Ref } from '../brand';
import { parseJson, schemaProblems } from '../json';
import { findKind } from '../parts';
import { fail, ok, type Problem, type Result } from '../result';
import { PROGRAM_LIMIT } from '../program/limits';
import type { Language } from '../program';
import { Circuit } from '../wiring/circuit';
import { readWiring, wiringFromRows } from '../wiring/read';
import { TABLE_LIMIT, type TableRow } from '../wiring/table';
import { legPoint, type Wiring } from '../wiring/wiring';
import { assemblySchema, calibrationSchema, pictureSchema } from './assembly';
import { rubricSchema } from './rubric';
import { partsNamedIn, scenarioSchema } from './scenario';

/** The most that one exercise may have of each thing; far beyond what fits on a bench. */
const most = {
  parts: 300,
  breadboards: 8,
  nets: 400,
  points: 400,
  scenarios: 40,
  forms: 12,
  stages: 20,
  stated: 6,
  words: 20_000,
  assemblies: 40,
  calibrations: 60,
  pictures: 40,
} as const;
const words = z.string().max(most.words);
const fewWords = z.string().max(400);
const programSchema = z.string().max(PROGRAM_LIMIT);
const layoutSchema = z.string().max(TABLE_LIMIT);
const scenariosSchema = z.array(scenarioSchema).max(most.scenarios);
/** Free fields of an exercise, as long as they are no longer than all its words may be. */
const freeSchema = z
  .record(z.string(), z.unknown())
  .refine((given) => JSON.stringify(given).length <= 10 * most.words, 'this is too much text');

const partSchema = z.object({
  ref: z.string().regex(/^[A-Z]{1,4}\d{0,4}$/, 'write a part name like D1'),
  kind: z.string().min(1).max(60),
  value: z.string().max(120).default(''),
  /** Values that pass as well, both ends included. */
  accept: z.object({ from: z.string(), to: z.string() }).optional(),
});

const languageSchema = z.enum(['cpp', 'python']);
const netSchema = z.object({
  name: z.string().max(80),
  points: z.array(z.string().max(80)).min(1).max(most.points),
});
const partsSchema = z
  .array(partSchema)
  .min(1)
  .max(most.parts)
  .refine(
    (parts) => parts.filter(({ kind }) => kind === 'breadboard').length <= most.breadboards,
    `an exercise has at most ${most.breadboards} breadboards`,
  );
const netsSchema = z.array(netSchema).max(most.nets);

const consideredSchema = z.object({ mark: z.enum(['wrong', 'free']), scenario: scenarioSchema });
/** A scenario that an author has marked as wrong, or as free. */
export type ConsideredScenario = z.infer<typeof consideredSchema>;

export const exerciseSchema = z.looseObject({
  format: z.literal('didaktor/exercise@1'),
  id: z
    .string()
    .max(120)
    .regex(/^[a-z0-9][a-z0-9-]*$/, 'use lower-case letters, figures and hyphens'),
  title: z.string().min(1).max(200),
  aim: words.default(''),
  /** How long it takes a class. */
  minutes: z.int().min(1).max(600).optional(),
  concepts: z
    .object({ introduces: z.array(fewWords).max(60), uses: z.array(fewWords).max(120) })
    .default({ introduces: [], uses: [] }),
  /** The board, or `none` where a circuit lives on its battery alone. */
  board: z.string().max(120).default(noBoard.id),
  /** The profile of the board, when it is not one that ships. */
  boardProfile: boardProfileSchema.optional(),
  language: languageSchema.optional(),
  parts: partsSchema,
  nets: netsSchema,
  layout: layoutSchema.optional(),
  /** Other forms of the same exercise, each with what it has differently. */
  forms: z
    .array(
      z.object({
        name: fewWords.min(1),
        board: z.string().max(120).optional(),
        language: languageSchema.optional(),
        parts: partsSchema.optional(),
        nets: netsSchema.optional(),
        layout: layoutSchema.optional(),
        program: programSchema.optional(),
        scenarios: scenariosSchema.optional(),
      }),
    )
    .max(most.forms)
    .optional(),
  /** What the form that stands here is called, where there are others. */
  formName: fewWords.min(1).optional(),
  /** The way there: what is tried on the way, before the whole is built. */
  stages: z
    .array(
      z.object({
        name: fewWords.min(1),
        /** The part with whose building the stage can be tried. */
        after: z.string().max(80),
        program: programSchema,
        scenarios: scenariosSchema,
      }),
    )
    .max(most.stages)
    .optional(),
  /** The parts as the author wrote them, a line each; `parts` and `nets` are what they say. */
  lines: z
    .array(
      z.object({
        id: z.string().min(1).max(80),
        text: fewWords,
        refs: z.array(z.string().max(80)).max(most.parts),
      }),
    )
    .max(200)
    .optional(),
  /** How a build of many parts is put together beyond its wiring: in this order. */
  assemblies: z.array(assemblySchema).max(most.assemblies).optional(),
  /** What is set or measured on each bench and kept, such as a servo's middle. */
  calibrations: z.array(calibrationSchema).max(most.calibrations).optional(),
  /** Pictures of one's own, beside the step of a part or at the head of the build. */
  pictures: z.array(pictureSchema).max(most.pictures).optional(),
  /** Parts that stay where they are when the rest is laid out anew. */
  held: z.array(z.string().max(80)).max(most.parts).optional(),
  /** The exercise whose hookup this one goes on with. */
  basedOn: z.object({ title: z.string().max(200), layout: layoutSchema }).optional(),
  free: z.object({ pins: z.record(z.string().max(80), fewWords).optional() }).default({}),
  program: programSchema.default(''),
  scenarios: scenariosSchema.default([]),
  /** How marks are given beyond what the scenarios are worth. */
  rubric: rubricSchema.optional(),
  /** What is left to the learner, who says what theirs does; the scenarios are the frame in which it must stay. */
  open: z
    .object({
      asks: words,
      /** Scenarios that a learner has to state at least. */
      least: z.int().min(1).max(most.stated).default(1),
      /** What the reference does, stated as a learner would. */
      example: scenariosSchema.max(most.stated).default([]),
    })
    .optional(),
  /**
   * Scenarios that were looked at and not taken: the program is to be changed so that it no longer does so, or
   * every program may do there as it likes.
   */
  considered: z.array(consideredSchema).max(200).optional(),
  rules: freeSchema.default({}),
  text: freeSchema.default({}),
  cautions: z.array(words).max(100).default([]),
});
export type ExerciseData = z.infer<typeof exerciseSchema>;

/** What a learner says that theirs does. */
export const statedSchema = z.array(scenarioSchema).max(most.stated);

/** Longest exercise file that is read, in characters. */
export const EXERCISE_LIMIT = 1_000_000;

/** Which board pins may stand for a pin of the reference. */
export type PinFreedom = ReadonlyMap<string, readonly string[]>;

/** An exercise read, checked and made ready for judging against. */
export interface Exercise {
  readonly data: ExerciseData;
  readonly board: BoardProfile;
  /** The reference circuit as a wiring: the layout where there is one. */
  readonly reference: Wiring;
  readonly pinFreedom: PinFreedom;
  /** Accepted values of a part in its SI unit, lowest and highest. */
  readonly accepted: ReadonlyMap<Ref, readonly [number, number]>;
}

/** Reads an exercise file; problems carry their path in it. */
export function readExercise(text: string): Result<Exercise> {
  const data = parseJson(text, 'the exercise');
  return data.ok ? exerciseFrom(data.value) : data;
}

/** Checks data that has been read from a file or a database. */
export function exerciseFrom(data: unknown): Result<Exercise> {
  const parsed = exerciseSchema.safeParse(data);
  return parsed.success ? exerciseOf(parsed.data) : fail(...schemaProblems(parsed.error));
}

/**
 * Makes data of the exercise's form ready for judging against. `laidOut` is its layout read already, and
 * known to give its nets; without it the layout is read and compared.
 */
export function exerciseOf(exercise: ExerciseData, laidOut?: Wiring): Result<Exercise> {
  const board = boardOf(exercise);
  if (!board)
    return fail({
      message: `“${exercise.board}” is no known board; known are ${[...boardsOf(exercise).keys()].join(', ')}, and ${noBoard.id}`,
      path: 'board',
    });
  if (!isBoard(board) && exercise.parts.some(({ kind }) => kind === 'board'))
    return fail({ message: 'there is a board among the parts, and the exercise names none', path: 'board' });
  const accepted = readAccepted(exercise);
  if (!accepted.ok) return accepted;
  const reference = laidOut ? ok(laidOut) : readReference(exercise);
  if (!reference.ok) return reference;
  const named = exercise.scenarios.flatMap((scenario, index) =>
    partsNamedIn(scenario).map(({ name, by }) => ({ name, path: `scenarios[${index}].${by}` })),
  );
  const missing = named.find(({ name }) => !exercise.parts.some((part) => part.ref === name));
  if (missing) return fail({ message: `${missing.name} is not among the parts`, path: missing.path });
  const ownLight = named.find(({ name }) => name === reference.value.board?.ref);
  if (ownLight && board.onBoard.length === 0)
    return fail({ message: `${board.short} has no LED of its own`, path: ownLight.path });
  const pinFreedom = new Map(
    Object.entries(exercise.free.pins ?? {}).map(([point, range]) => [
      point.slice(point.indexOf('.') + 1),
      pinsInRange(board, range),
    ]),
  );
  return ok({ data: exercise, board, reference: reference.value, pinFreedom, accepted: accepted.value });
}

/** The language of an exercise's programs: its own, else that of its board. */
export const languageOf = ({ data, board }: Pick<Exercise, 'data' | 'board'>): Language =>
  data.language ?? board.language.default;

/** Whether a hand-in has a program: some circuits live on their supply alone, or are only to be wired. */
export const asksForProgram = ({ data }: Pick<Exercise, 'data'>): boolean => data.program.trim() !== '';

/** The pin of the board's own LED, where that is what an exercise watches. */
export const watchedOwnPin = ({
  data,
  board,
  reference,
}: Pick<Exercise, 'data' | 'board' | 'reference'>): string | undefined =>
  data.scenarios.some((scenario) => partsNamedIn(scenario).some(({ name }) => name === reference.board?.ref))
    ? board.onBoard[0]?.pin
    : undefined;

/** Whether an exercise has what a hand-in is judged by. */
export const isComplete = ({ data }: Exercise): boolean => data.scenarios.length > 0;

/** The board of an exercise; `undefined` for a name that none has. */
export const boardOf = (data: Pick<ExerciseData, 'board' | 'boardProfile'>): BoardProfile | undefined =>
  data.board === noBoard.id ? noBoard : boardsOf(data).get(data.board);

/** The boards that an exercise's wirings may name: those that ship, and its own. */
export const boardsOf = (data: Pick<ExerciseData, 'boardProfile'>): ReadonlyMap<string, BoardProfile> =>
  boardsWith(data.boardProfile);

/** The exercise in another of its forms; refused when it has no form of that name. */
export function formOf(data: ExerciseData, name: string): Result<Exercise> {
  const form = data.forms?.find((candidate) => candidate.name === name);
  if (!form)
    return fail({
      message: `the exercise has no form “${name}”; it has ${data.forms?.map((known) => known.name).join(', ') || 'one form only'}`,
      path: 'forms',
    });
  return exerciseFrom({ ...data, ...form, name: undefined, forms: undefined, stages: undefined });
}

/**
 * An exercise that is open as its author has solved it: its frame, and what is stated of the reference, with nothing
 * left open. Any other exercise as it is.
 */
export function solvedByAuthor(exercise: Exercise): Exercise {
  const { open, ...data } = exercise.data;
  if (!open) return exercise;
  const closed = exerciseOf(
    { ...data, scenarios: [...data.scenarios, ...open.example].slice(0, most.scenarios) },
    exercise.reference,
  );
  // An example may speak of a part that is gone; the frame holds all the same.
  return closed.ok ? closed.value : { ...exercise, data };
}

function readAccepted(exercise: ExerciseData): Result<Exercise['accepted']> {
  const accepted = new Map<Ref, readonly [number, number]>();
  for (const [index, part] of exercise.parts.entries()) {
    const path = `parts[${index}]`;
    if (part.kind === 'board' || part.kind === 'breadboard') continue;
    const kind = findKind(part.kind);
    if (!kind) return fail({ message: `“${part.kind}” is no known kind`, path: `${path}.kind` });
    const value = kind.readValue(part.value);
    if (!value.ok) return fail({ message: value.problems[0]!.message, path: `${path}.value` });
    if (value.value.amount === undefined) continue;
    const [from, to] = [part.accept?.from ?? part.value, part.accept?.to ?? part.value].map((text) =>
      kind.readValue(text),
    );
    if (!from!.ok || !to!.ok)
      return fail({ message: 'the accepted values cannot be read', path: `${path}.accept` });
    accepted.set(ref(part.ref), [from!.value.amount!, to!.value.amount!]);
  }
  return ok(accepted);
}

/** The reference wiring, from the layout or, without one, from the nets by leads from point to point. */
function readReference(exercise: ExerciseData): Result<Wiring> {
  if (exercise.layout !== undefined && exercise.layout.trim() !== '') {
    const layout = readWiring(exercise.layout, { boards: boardsOf(exercise) });
    if (!layout.ok) return fail(...layout.problems.map((problem) => ({ ...problem, path: 'layout' })));
    const problem = layoutMismatch(exercise, layout.value);
    return problem ? fail(problem) : layout;
  }
  const rows: TableRow[] = exercise.parts
    .filter((part) => part.kind !== 'breadboard')
    .map((part, index) => ({
      ref: part.ref,
      kind: part.kind,
      value: part.value,
      leg: '',
      at: '',
      line: index + 1,
    }));
  let lead = 0;
  for (const net of exercise.nets)
    for (let index = 1; index < net.points.length; index += 1) {
      lead += 1;
      const row = { ref: `NET${lead}`, kind: 'clip', value: '', line: rows.length + 1 };
      rows.push(
        { ...row, leg: '1', at: net.points[index - 1]! },
        { ...row, leg: '2', at: net.points[index]! },
      );
    }
  const wiring = wiringFromRows(rows, { boards: boardsOf(exercise) });
  return wiring.ok
    ? wiring
    : fail(...wiring.problems.map((problem) => ({ message: problem.message, path: 'nets' })));
}

/** The first net that the layout does not realise, or joins to another. */
function layoutMismatch(exercise: ExerciseData, layout: Wiring): Problem | undefined {
  const { nodeAt } = new Circuit(layout).netlist;
  const nodeOf = (point: string): number | undefined => nodeAt.get(canonical(point, layout));
  const owner = new Map<number, string>();
  for (const [index, net] of exercise.nets.entries()) {
    const nodes = net.points.map(nodeOf);
    const path = `nets[${index}]`;
    const missing = net.points[nodes.indexOf(undefined)];
    if (missing !== undefined) return { message: `the layout has nothing at ${missing}`, path };
    if (new Set(nodes).size > 1)
      return { message: `the layout does not join ${net.points.join(', ')}`, path };
    const other = owner.get(nodes[0]!);
    if (other !== undefined) return { message: `the layout joins the nets ${other} and ${net.name}`, path };
    owner.set(nodes[0]!, net.name);
  }
  return undefined;
}

/** Part names in upper case, legs in lower, pins as the board writes them. */
function canonical(point: string, { board }: Wiring): PointName {
  const dot = point.indexOf('.');
  const owner = ref(point.slice(0, dot).toUpperCase());
  const place = point.slice(dot + 1);
  if (board?.ref !== owner) return legPoint(owner, legName(place.toLowerCase()));
  const socket = findPin(board.profile, place) ?? findSupply(board.profile, place);
  return pointName(`${owner}.${socket?.name ?? place}`);
}

/** Signal pins that the reference uses. */
export const referencePins = ({
  reference,
  board,
}: Pick<Exercise, 'reference' | 'board'>): readonly string[] => [
  ...new Set(
    reference.parts.flatMap((part) =>
      part.legs.flatMap(({ at }) => (at?.type === 'pin' && !isSupplySocket(board, at.pin) ? [at.pin] : [])),
    ),
  ),
];
