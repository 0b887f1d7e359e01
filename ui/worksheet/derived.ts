import { ref } from '@/core/brand';
import type { HouseRules } from '@/core/course/house-rules';
import { boardsOf } from '@/core/formats/exercise';
import type { Connection } from '@/core/plan/worksheet';
import {
  circuitOf,
  takenPins,
  type StatedCircuit,
  type StatementContext,
  type TakenPins,
} from '@/core/statements';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import { contextOf, type Sheet, type SheetLine } from '@/core/worksheet/sheet';
import type { ReadOut } from '@/core/worksheet/read-out';
import { kept } from './kept';
import type { Thread } from './threads';

/** What follows from a sheet and from what was worked out of it. */
export interface Derived {
  /** Everything that is worked out from, as a text to compare. */
  readonly source: string;
  /** The same of what is shown. */
  readonly shownSource: string;
  /** Whether what is shown was worked out from what is written. */
  readonly isShown: boolean;
  /** What the lines are read against; `undefined` when its board or a rule no longer exists. */
  readonly context: StatementContext | undefined;
  /** What the lines say. Worked out when it is asked for: while somebody writes, an answer brings it along. */
  readonly circuit: () => StatedCircuit | undefined;
  readonly taken: () => TakenPins;
  /** The layout that is shown. */
  readonly wiring: Wiring | undefined;
  /** The nodes that show while nothing is traced or followed. */
  readonly atRest: readonly Thread[];
}

/** What it follows from. */
export interface Sources {
  readonly sheet: Sheet;
  readonly readOut: ReadOut;
  /** The circuit that the read-out's lines say, when it was worked out here. */
  readonly circuit: StatedCircuit | undefined;
  readonly courseRules: HouseRules;
}

/** Nodes up to which each shows as a thread of its own; more would hide one another. */
const MOST_THREADS = 8;
const NO_THREADS: readonly Thread[] = [];

/** Everything that is worked out from, as a text to compare. */
export const sourceOf = (sheet: Sheet): string =>
  JSON.stringify([
    sheet.lines.map(({ id, text }: SheetLine) => [id, text]),
    sheet.board,
    sheet.parts.filter(({ kind }) => kind === 'breadboard'),
    sheet.rules,
    sheet.layout,
    sheet.cautions,
    sheet.scenarios.length,
  ]);

/** What follows from the sources; whatever has the same sources as before is taken over. */
export function derived(
  now: Sources,
  before?: { readonly sources: Sources; readonly derived: Derived },
): Derived {
  const { sheet, readOut, courseRules } = now;
  const old = before?.sources;
  const source = old?.sheet === sheet ? before!.derived.source : sourceOf(sheet);
  const shownSource =
    old?.readOut.sheet === readOut.sheet ? before!.derived.shownSource : sourceOf(readOut.sheet);
  const isShown = source === shownSource;
  const context =
    old?.sheet.board === sheet.board &&
    old.sheet.boardProfile === sheet.boardProfile &&
    old.sheet.rules === sheet.rules
      ? before!.derived.context
      : contextIn(sheet, courseRules);
  const isSameCircuit =
    before !== undefined &&
    old?.circuit === now.circuit &&
    old?.sheet.lines === sheet.lines &&
    context === before.derived.context &&
    isShown === before.derived.isShown;
  const circuit = isSameCircuit
    ? before.derived.circuit
    : once(() => (isShown && now.circuit ? now.circuit : context && circuitIn(sheet, context)));
  const takenBefore = before?.derived.taken;
  const taken = isSameCircuit
    ? before.derived.taken
    : once(() => {
        const pins = takenPins(circuit()?.lines ?? [], undefined);
        const earlier = takenBefore?.();
        return earlier && isSameMap(earlier, pins) ? earlier : pins;
      });
  return {
    source,
    shownSource,
    isShown,
    context,
    circuit,
    taken,
    wiring: isSameLayout(old?.readOut.sheet, readOut.sheet)
      ? before!.derived.wiring
      : wiringIn(readOut.sheet),
    atRest:
      old && old.readOut.figures?.connections === readOut.figures?.connections
        ? before!.derived.atRest
        : kept(before?.derived.atRest ?? NO_THREADS, threadsAtRest(readOut.figures?.connections)),
  };
}

/** Worked out when it is first asked for, and kept. */
function once<Value>(work: () => Value): () => Value {
  let made: { readonly value: Value } | undefined;
  let way: (() => Value) | undefined = work;
  return () => {
    made ??= { value: way!() };
    // What it was made from is not held on to.
    way = undefined;
    return made.value;
  };
}

const circuitIn = ({ lines }: Sheet, context: StatementContext): StatedCircuit =>
  circuitOf(
    lines.map(({ text, refs }) => ({ text, refs: refs.map(ref) })),
    context,
  );

function contextIn(sheet: Sheet, courseRules: HouseRules): StatementContext | undefined {
  const read = contextOf(sheet, courseRules);
  return read.ok ? read.value : undefined;
}

const isSameLayout = (one: Sheet | undefined, other: Sheet): boolean =>
  one !== undefined && one.layout === other.layout && one.boardProfile === other.boardProfile;

function wiringIn({ layout, boardProfile }: Sheet): Wiring | undefined {
  const read = readWiring(layout ?? '', { boards: boardsOf({ boardProfile }) });
  return read.ok && read.value.parts.length > 0 ? read.value : undefined;
}

function threadsAtRest(connections: readonly Connection[] | undefined): readonly Thread[] {
  if (!connections || connections.length > MOST_THREADS) return NO_THREADS;
  return connections.flatMap(({ point, role }) => (point ? [{ point, role }] : []));
}

const isSameMap = (one: TakenPins, other: TakenPins): boolean =>
  one.size === other.size && [...one].every(([pin, owner]) => other.get(pin) === owner);
