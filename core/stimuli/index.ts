import * as z from 'zod';
import { findKind, type StimulusKind } from '../parts';
import type { Result } from '../result';
import { notUnderstood, readBy } from '../words/reading';
import { whyOfNoSort } from '../words/sorts';
import type { StimulusDefinition } from './definition';
import { distance } from './distance';
import { light } from './light';
import type { Brought, MeasuredKind } from './measured';
import { motion } from './motion';
import { press } from './press';
import { reset } from './reset';
import { supply } from './supply';
import { turn } from './turn';
import { typed } from './typed';
import { warm } from './warm';

export type { BoardChange, PartChange, StimulusDefinition } from './definition';
export { isPress, USUAL_PRESS_S, type Press } from './press';
export { isBrought } from './measured';
export type { MeasuredKind } from './measured';

/** Those whose value has two ends, by what is done. */
const measuredStimuli = { turn, light, warm, distance } as const;

/** The least and the most that is met in a room of what is measured. */
export const endsOf = (how: MeasuredKind): readonly [number, number] => measuredStimuli[how].ends;

/** What is measured as long as nothing is done, in the unit of `to`. */
export const restOf = (how: MeasuredKind): number => measuredStimuli[how].atRest;

/** How much is measured, with its unit: `30 %`, `31 °C`. */
export const valueText = (how: MeasuredKind, amount: number): string =>
  measuredStimuli[how].valueText(amount);

/** Whether something is done to a part by a value with two ends. */
export const isMeasured = (how: StimulusKind): how is MeasuredKind => how in measuredStimuli;

/** A part brought to a value at a moment, over some seconds or at once. */
export const brought = (how: MeasuredKind, to: Brought): Stimulus => measuredStimuli[how].make(to);

/** Every sort of stimulus. */
export const stimulusDefinitions = [
  press,
  turn,
  light,
  warm,
  distance,
  motion,
  typed,
  reset,
  supply,
] as const;

const sorts = stimulusDefinitions.map(({ key, schema }) => ({ keys: [key], schema }));

export const stimulusSchema = z.union(
  stimulusDefinitions.map(({ schema }) => schema),
  { error: ({ input }) => whyOfNoSort('a stimulus', input, sorts) },
);
/** Something that happens to the circuit while the program runs. Times in seconds. */
export type Stimulus = Readonly<z.infer<typeof stimulusSchema>>;

/** What is known of the sort that a stimulus is. */
export function definitionOf(stimulus: Stimulus): StimulusDefinition<Stimulus> {
  const found = stimulusDefinitions.find(({ key }) => key in stimulus);
  if (!found) throw new Error('no such stimulus');
  // Each definition takes its own sort, which its key has just told.
  return found as unknown as StimulusDefinition<Stimulus>;
}

/** The part that a stimulus is about and what is done to it; `undefined` when it is about the board. */
export function touchedBy(
  stimulus: Stimulus,
): { readonly how: StimulusKind; readonly name: string } | undefined {
  const { key, touches } = definitionOf(stimulus);
  return touches && { how: touches, name: (stimulus as unknown as Record<string, string>)[key]! };
}

/** A stimulus as it is done to the part that stands for the one it names; nothing where there is none. */
export function doneTo(
  stimulus: Stimulus,
  standing: (name: string) => string | undefined,
): readonly Stimulus[] {
  const touched = touchedBy(stimulus);
  if (!touched) return [stimulus];
  const name = standing(touched.name);
  return name === undefined ? [] : [{ ...stimulus, [definitionOf(stimulus).key]: name } as Stimulus];
}

/** When what is done is over, in seconds: a button let go, a turn at its end. */
export const overAt = (stimulus: Stimulus): number =>
  stimulus.at +
  ('for' in stimulus ? (stimulus.for ?? 0) : 0) +
  ('over' in stimulus ? (stimulus.over ?? 0) : 0);

/** A stimulus as a sentence: `press S1 at 2 s for 0.3 s`. `readStimulus` reads it again. */
export const stimulusSentence = (stimulus: Stimulus): string => definitionOf(stimulus).sentence.say(stimulus);

/** A stimulus as a sentence of the part that it is done to: a switch is switched, and not turned by so much. */
export function stimulusSentenceOf(
  stimulus: Stimulus,
  parts: readonly { readonly ref: string; readonly kind: string }[],
): string {
  const touched = touchedBy(stimulus)?.name;
  const kind = findKind(parts.find(({ ref }) => ref === touched)?.kind ?? '');
  const isSwitched = kind?.contact === 'latching' && 'turn' in stimulus && stimulus.over === undefined;
  return isSwitched && (stimulus.to === 0 || stimulus.to === 1)
    ? `switch ${touched} ${stimulus.to === 1 ? 'on' : 'off'} at ${stimulus.at} s`
    : stimulusSentence(stimulus);
}

/** Reads a stimulus as `stimulusSentence` writes it, and as people say it: `hold S1 from 1 s to 3 s`. */
export function readStimulus(text: string): Result<Stimulus> {
  const sorts = stimulusDefinitions as unknown as readonly StimulusDefinition<Stimulus>[];
  return (
    readBy(sorts, text) ??
    notUnderstood(
      text,
      stimulusDefinitions.map(({ example }) => example),
    )
  );
}
