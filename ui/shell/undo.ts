/** Steps of an author that can be taken back, and those taken back that can be made again; the last one last. */
export interface Undo<Step> {
  readonly done: readonly Step[];
  readonly undone: readonly Step[];
}

/** Undo goes back this far. */
const MOST_STEPS = 200;

export const NOTHING_DONE: Undo<never> = { done: [], undone: [] };

/** After one more step; what had been taken back is gone. `inPlaceOf` says that it goes on with the last one. */
export const withStep = <Step>(
  { done }: Undo<Step>,
  step: Step,
  inPlaceOf: 'the last' | 'none' = 'none',
): Undo<Step> => ({
  done: [...(inPlaceOf === 'the last' ? done.slice(0, -1) : done), step].slice(-MOST_STEPS),
  undone: [],
});

/** The step that comes next on the way back, or again, and what is left then; `undefined` when there is none. */
export function stepOn<Step>(
  { done, undone }: Undo<Step>,
  way: 'undo' | 'redo',
): { readonly step: Step; readonly left: Undo<Step> } | undefined {
  const step = (way === 'undo' ? done : undone).at(-1);
  if (step === undefined) return undefined;
  return way === 'undo'
    ? { step, left: { done: done.slice(0, -1), undone: [...undone, step] } }
    : { step, left: { done: [...done, step], undone: undone.slice(0, -1) } };
}
