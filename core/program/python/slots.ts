import type { Runner } from './runner';
import type { Slot, Target } from './tree';
import type { Value } from './values';

/** What a name holds; `undefined` where it has no value yet, or is no place. */
export const held = (slot: Slot, runner: Runner): Value | undefined =>
  slot.area === 'global'
    ? runner.globals[slot.index]
    : slot.area === 'local'
      ? runner.locals[slot.index]
      : slot.area === 'outer'
        ? runner.around[slot.depth]?.[slot.index]
        : undefined;

/** Gives a name a value. */
export function put(slot: Slot, value: Value | undefined, runner: Runner): void {
  if (slot.area === 'global') runner.globals[slot.index] = value;
  else if (slot.area === 'local') runner.locals[slot.index] = value;
  else if (slot.area === 'outer') runner.around[slot.depth]![slot.index] = value;
}

/** The places that a target fills by names alone. */
export const slotsOf = (target: Target): readonly Slot[] =>
  target.target === 'name'
    ? [target.slot]
    : target.target === 'several'
      ? target.targets.flatMap(slotsOf)
      : [];
