import { pointName, ref } from '../brand';
import { rulesWith, statementRules, type HouseRules } from '../course/house-rules';
import { isBoard } from '../boards';
import { boardOf, boardsOf, type ExerciseData } from '../formats/exercise';
import { taskOf } from '../course/exercise-layout';
import { firstDifference, place, type PlacementTask } from '../plan/placement';
import { ok, fail, type Result } from '../result';
import {
  BOARD_REF,
  circuitOf,
  sayCircuit,
  USUAL_KIT,
  type SayableCircuit,
  type StatedCircuit,
  type StatementContext,
} from '../statements';
import { Circuit } from '../wiring/circuit';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { asSentence, inWords } from '../words/words';

/** A part line of an exercise, with a name that stays when others move. */
export type SheetLine = NonNullable<ExerciseData['lines']>[number];

/** An exercise whose lines are there and say its circuit: what the Worksheet edits. */
export type Sheet = ExerciseData & { readonly lines: SheetLine[] };

/** An exercise whose circuit and layout follow from its lines. */
export interface SettledSheet {
  readonly sheet: Sheet;
  readonly circuit: StatedCircuit;
  /** The layout as a wiring, proven to give the circuit; `undefined` when there is none. */
  readonly wiring: Wiring | undefined;
  /** Why there is no layout; `undefined` when there is one. */
  readonly layoutProblem: string | undefined;
}

/** What an exercise's lines are read against. */
export function contextOf(
  data: Pick<ExerciseData, 'board' | 'boardProfile' | 'rules'>,
  courseRules: HouseRules,
): Result<StatementContext> {
  const board = boardOf(data);
  if (!board) return fail({ message: `“${data.board}” is no known board`, path: 'board' });
  const rules = rulesWith(courseRules, data.rules);
  return rules.ok ? ok({ board, rules: statementRules(rules.value), kit: USUAL_KIT }) : rules;
}

/** The exercise with lines that say its circuit: its own where they still do, else newly said. */
export function sheetOf(data: ExerciseData, courseRules: HouseRules): Result<Sheet> {
  const context = contextOf(data, courseRules);
  if (!context.ok) return context;
  if (data.lines && saysTheSame(data, circuitOf(data.lines.map(asPartLine), context.value)))
    return ok({ ...data, lines: data.lines });
  const lines = sayCircuit(sayable(data), context.value).map(({ text, refs }, index): SheetLine => ({
    id: `l${index + 1}`,
    text: inWords(text, context.value.rules.words),
    refs: [...refs],
  }));
  return ok({ ...data, lines });
}

/**
 * How much of the earlier layout stays: all of it, or there is none; all that still fits, unless the rest finds no
 * room beside it; or only what is held.
 */
export type Layout = 'as it is' | 'keep' | 'anew';

/**
 * Brings parts, nets and layout of a sheet in line with its lines. Fails only on a board or rules that do
 * not exist; lines that cannot be read are kept and make nothing.
 */
export function settle(
  sheet: Sheet,
  courseRules: HouseRules,
  layout: Layout = 'keep',
  remembered: readonly PlacedPart[] = [],
): Result<SettledSheet> {
  const context = contextOf(sheet, courseRules);
  if (!context.ok) return context;
  const { sheet: data, circuit } = inLine(sheet, context.value);
  const laid = layOut(data, courseRules, layout, remembered);
  return ok({
    sheet: { ...data, layout: laid.ok ? writeTable(laid.value) : undefined },
    circuit,
    wiring: laid.ok ? laid.value : undefined,
    layoutProblem: laid.ok ? undefined : asSentence(laid.problems[0]!.message),
  });
}

/** A sheet with parts, nets and names as its lines say them now, whatever they said before. */
export function inLine(
  sheet: Sheet,
  context: StatementContext,
): { readonly sheet: Sheet; readonly circuit: StatedCircuit } {
  const circuit = circuitOf(sheet.lines.map(asPartLine), context);
  const breadboards = sheet.parts.filter((part) => part.kind === 'breadboard');
  const settled: Sheet = {
    ...sheet,
    parts: [
      ...(isBoard(context.board) ? [{ ref: BOARD_REF, kind: 'board', value: sheet.board }] : []),
      ...breadboards,
      ...circuit.parts.map(({ accept, ...part }) => ({ ...part, ...(accept ? { accept } : {}) })),
    ],
    nets: circuit.nets.map(({ name, points }) => ({
      name: earlierName(sheet, points) ?? name,
      points: [...points],
    })),
    lines: sheet.lines.map((line, index) => {
      const { refs } = circuit.lines[index]!;
      // A line that makes nothing now keeps the names for when it does again.
      return { ...line, refs: refs.length > 0 ? [...refs] : line.refs };
    }),
    free: Object.keys(circuit.freePins).length > 0 ? { pins: { ...circuit.freePins } } : {},
  };
  return { sheet: settled, circuit };
}

function layOut(
  sheet: Sheet,
  courseRules: HouseRules,
  layout: Layout,
  remembered: readonly PlacedPart[],
): Result<Wiring> {
  const task = taskOf(sheet, courseRules);
  if (!task.ok) return task;
  const read = readWiring(sheet.layout ?? '', { boards: boardsOf(sheet) });
  if (layout !== 'anew' && read.ok) {
    const same = asItIs(read.value, task.value);
    if (same) return ok(same);
  }
  if (layout === 'as it is') return fail({ message: 'the circuit needs another layout' });
  if (!read.ok) return wiringPlacedFor(task.value);
  const kept =
    layout === 'keep' ? wiringPlacedFor(task.value, withRemembered(read.value, remembered)) : undefined;
  // What stands in the way of the rest moves, all but what is held.
  return kept?.ok ? kept : wiringPlacedFor(task.value, onlyHeld(read.value, sheet.held ?? []));
}

function wiringPlacedFor(task: PlacementTask, earlier?: Wiring): Result<Wiring> {
  const placed = place(earlier ? { ...task, earlier } : task);
  return placed.ok ? ok(placed.value.wiring) : placed;
}

/**
 * The layout as it is, with the values of the parts brought up to date, when it gives the circuit already:
 * the same parts, every net joined and no wire that leads nowhere.
 */
function asItIs(wiring: Wiring, task: PlacementTask): Wiring | undefined {
  const circuit = new Circuit(wiring);
  const wanted = new Map(task.parts.map((part) => [part.ref, part]));
  const isSame =
    wiring.board?.profile.id === task.board?.profile.id &&
    wiring.breadboards.map(({ model }) => model.id).join() ===
      task.breadboards.map(({ model }) => model.id).join() &&
    circuit.parts.length === task.parts.length &&
    circuit.parts.every((part) => wanted.get(part.ref)?.kind === part.kind) &&
    firstDifference(task, wiring) === undefined &&
    circuit.wires.every((wire) => circuit.node(circuit.nodeOf(wire, wire.legs[0]!.leg)).terminals.length > 0);
  return isSame
    ? {
        ...wiring,
        parts: wiring.parts.map((part) => ({ ...part, value: wanted.get(part.ref)?.value ?? part.value })),
      }
    : undefined;
}

const onlyHeld = (wiring: Wiring, held: readonly string[]): Wiring => ({
  ...wiring,
  parts: wiring.parts.filter((part) => held.includes(part.ref)),
});

const withRemembered = (wiring: Wiring, remembered: readonly PlacedPart[]): Wiring => ({
  ...wiring,
  parts: [
    ...wiring.parts,
    ...remembered.filter(({ ref: name }) => wiring.parts.every((part) => part.ref !== name)),
  ],
});

const asPartLine = ({ text, refs }: SheetLine) => ({ text, refs: refs.map(ref) });

/** The circuit of an exercise as lines say it. */
export const sayable = (data: ExerciseData): SayableCircuit => ({
  parts: data.parts
    .filter((part) => part.kind !== 'board' && part.kind !== 'breadboard')
    .map(({ accept, ...part }) => ({ ...part, ref: ref(part.ref), ...(accept ? { accept } : {}) })),
  nets: data.nets.map(({ name, points }) => ({ name, points: points.map(pointName) })),
  freePins: data.free.pins ?? {},
});

/** The name that the exercise gave to the net of these points. */
function earlierName(sheet: Sheet, points: readonly string[]): string | undefined {
  const own = new Set<string>(points);
  // A name that is made from what it joins is made again.
  return sheet.nets.find(
    (net) => !/^(pin |supply|ground| to )| to /.test(net.name) && net.points.every((point) => own.has(point)),
  )?.name;
}

function saysTheSame(data: ExerciseData, circuit: StatedCircuit): boolean {
  const key = ({ parts, nets }: SayableCircuit): string =>
    JSON.stringify([
      parts.map(({ ref: name, kind, value, accept }) => [name, kind, value, accept?.from, accept?.to]).sort(),
      nets
        .filter((net) => net.points.length > 1)
        .map((net) => [...net.points].sort())
        .sort(),
    ]);
  return key(sayable(data)) === key(circuit);
}
