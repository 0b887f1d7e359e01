import type { Machine } from '../machine';
import type { ComparisonOperator, Expression, PythonTree, Slot, Statement } from './tree';
import { allExpressions, allStatements, targetsOf } from './walk';

/**
 * Names of the library's functions that tell the time as a whole number, with how many of their units make a second. What
 * tells it in seconds is followed as the program runs, see `PyMoment`.
 */
const perSecond: Readonly<Record<string, number>> = { monotonic_ns: 1e9 };

/** An expression that runs with the clock: a reading, or one with something added or taken away. */
export interface Running {
  /** What tells the time: a call, or a name that got it in the same pass. */
  readonly reading: Expression;
  /** How many of its units make a second. */
  readonly perSecond: number;
}

/** Names that get the time once in each pass of a loop, before anything reads them, with their units. */
export type PassClocks = ReadonlyMap<string, number>;

/** A name's place as a text, the same within a function or for the whole program. */
export const slotKey = (slot: Slot, owner: number): string | undefined =>
  slot.area === 'global'
    ? `global ${slot.index}`
    : slot.area === 'local'
      ? `${owner} ${slot.index}`
      : undefined;

/** Units of a call that looks like one for the time; whether it is one shows when it runs. */
export function unitsOfReading(expression: Expression): number | undefined {
  if (expression.node !== 'call' || expression.values.length > 0 || expression.named.length > 0)
    return undefined;
  const { callee } = expression;
  return callee.node === 'attribute' || callee.node === 'name' ? perSecond[callee.name] : undefined;
}

/** How an expression runs with the clock; `undefined` when it does not, or in a way that is not followed. */
export function runningIn(expression: Expression, clocks: PassClocks, owner: number): Running | undefined {
  if (expression.node === 'call') {
    const units = unitsOfReading(expression);
    return units === undefined ? undefined : { reading: expression, perSecond: units };
  }
  if (expression.node === 'name') {
    const units = clocks.get(slotKey(expression.slot, owner) ?? '');
    return units === undefined ? undefined : { reading: expression, perSecond: units };
  }
  if (expression.node !== 'binary') return undefined;
  const [left, right] = [expression.left, expression.right].map((side) => runningIn(side, clocks, owner));
  if (expression.operator === '-') return right ? undefined : left;
  return expression.operator === '+' && !(left && right) ? (left ?? right) : undefined;
}

/** Comparisons whose answer turns once, when what runs has come up to what does not. */
export const turning: ReadonlySet<ComparisonOperator> = new Set(['<', '<=', '>', '>=']);

/** Seconds by which a turn may come earlier than it is worked out: the clock counts in thousandths. */
const EARLIER_SECONDS = 0.0011;

/** Notes when a comparison of a running number with a fixed one turns, at the earliest. */
export function noteTurn(machine: Machine, running: number, fixed: number, units: number): void {
  const ahead = (fixed - running) / units;
  // What has been passed is not met again.
  if (ahead < -EARLIER_SECONDS) return;
  const turn = machine.cycles + Math.max(0, Math.floor((ahead - EARLIER_SECONDS) * machine.clockHz));
  machine.turnCycle = Math.min(machine.turnCycle, turn);
}

/**
 * Names such as `now = time.monotonic()`, which a loop sets in each of its passes before it reads them. When
 * passes are left out, what they hold need not be brought up to date.
 */
export function passClocksOf(tree: PythonTree): PassClocks {
  const bodies = [tree.body, ...tree.functions.map(({ body }) => body)];
  // A name that a function takes from the one around it is read where nobody follows it.
  const isShared = bodies.some((body) =>
    allExpressions(body).some((part) => part.node === 'name' && part.slot.area === 'outer'),
  );
  if (isShared) return new Map();
  const reads = new Map<string, number>();
  const writes = new Map<string, number>();
  const add = (counts: Map<string, number>, key: string | undefined): void => {
    if (key !== undefined) counts.set(key, (counts.get(key) ?? 0) + 1);
  };
  bodies.forEach((body, index) => {
    for (const key of namesRead(body, index - 1)) add(reads, key);
    for (const statement of allStatements(body))
      for (const target of targetsOf(statement))
        for (const slot of slotsIn(target)) add(writes, slotKey(slot, index - 1));
  });
  const clocks = new Map<string, number>();
  bodies.forEach((body, index) => {
    for (const loop of allStatements(body)) {
      if (loop.node !== 'while') continue;
      loop.body.forEach((statement, at) => {
        const set = clockSet(statement);
        const key = set && slotKey(set.slot, index - 1);
        if (!set || key === undefined || writes.get(key) !== 1) return;
        const after = namesRead(loop.body.slice(at + 1), index - 1).filter((name) => name === key);
        if (after.length === (reads.get(key) ?? 0)) clocks.set(key, set.units);
      });
    }
  });
  return clocks;
}

/** `now = time.monotonic()`: the name and its units. */
function clockSet(statement: Statement): { readonly slot: Slot; readonly units: number } | undefined {
  if (statement.node !== 'assign' || statement.targets.length !== 1) return undefined;
  const [target] = statement.targets;
  const units = unitsOfReading(statement.value);
  return target?.target === 'name' && units !== undefined ? { slot: target.slot, units } : undefined;
}

const namesRead = (body: readonly Statement[], owner: number): readonly string[] =>
  allExpressions(body).flatMap((part) => (part.node === 'name' ? (slotKey(part.slot, owner) ?? []) : []));

const slotsIn = (target: ReturnType<typeof targetsOf>[number]): readonly Slot[] =>
  target.target === 'name'
    ? [target.slot]
    : target.target === 'several'
      ? target.targets.flatMap(slotsIn)
      : [];
