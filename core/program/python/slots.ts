import type { Locals, Runner } from './runner';
import type { Slot, Target } from './tree';
import type { Value } from './values';

/** The names among which a name is, and which of them it is; `undefined` where it is no place. */
export function placeOfSlot(
  slot: Slot,
  runner: Runner,
): { readonly names: Locals; readonly index: number } | undefined {
  const { area } = slot;
  if (area === 'global') return { names: runner.globals, index: slot.index };
  if (area === 'local') return { names: runner.locals, index: slot.index };
  const names = area === 'outer' ? runner.around[slot.depth] : undefined;
  return names && area === 'outer' ? { names, index: slot.index } : undefined;
}

/** What a name holds; `undefined` where it has no value yet, or is no place. */
export function held(slot: Slot, runner: Runner): Value | undefined {
  const place = placeOfSlot(slot, runner);
  return place?.names[place.index];
}

/** Gives a name a value. */
export function put(slot: Slot, value: Value | undefined, runner: Runner): void {
  const place = placeOfSlot(slot, runner);
  if (place) place.names[place.index] = value;
}

/** The places that a target fills by names alone. */
export const slotsOf = (target: Target): readonly Slot[] =>
  target.target === 'name'
    ? [target.slot]
    : target.target === 'several'
      ? target.targets.flatMap(slotsOf)
      : [];
