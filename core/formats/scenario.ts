import { z } from 'zod';
import type { StimulusKind } from '../parts';

const refSchema = z.string().regex(/^[A-Z]{1,4}\d{0,4}$/, 'write a part name like D1');
const windowed = {
  from: z.number().min(0).optional(),
  to: z.number().min(0).optional(),
  tolerance: z.number().min(0).max(1).optional(),
};

export const stimulusSchema = z.union([
  z.strictObject({ at: z.number().min(0), serial: z.string().max(1000) }),
  z.strictObject({ at: z.number().min(0), press: refSchema, for: z.number().positive().optional() }),
  z.strictObject({
    at: z.number().min(0),
    turn: refSchema,
    to: z.number().min(0).max(1),
    over: z.number().positive().optional(),
  }),
  z.strictObject({
    at: z.number().min(0),
    light: refSchema,
    to: z.number().min(0).max(1),
    over: z.number().positive().optional(),
  }),
  z.strictObject({
    at: z.number().min(0),
    warm: refSchema,
    to: z.number(),
    over: z.number().positive().optional(),
  }),
  z.strictObject({
    at: z.number().min(0),
    distance: refSchema,
    to: z.number().min(0),
    over: z.number().positive().optional(),
  }),
  z.strictObject({ at: z.number().min(0), motion: refSchema, for: z.number().positive().optional() }),
  z.strictObject({ at: z.number().min(0), reset: z.literal(true) }),
  z.strictObject({ at: z.number().min(0), supply: z.enum(['on', 'off']) }),
]);
/** Something that happens to the circuit while the program runs. Times in seconds. */
export type Stimulus = Readonly<z.infer<typeof stimulusSchema>>;

export const expectationSchema = z.union([
  z.strictObject({ lamp: refSchema, is: z.enum(['on', 'off']), ...windowed }),
  z.strictObject({ lamp: refSchema, rhythm: z.array(z.number().positive()).min(2).max(32), ...windowed }),
  z.strictObject({ lamp: refSchema, flashes: z.int().min(0), ...windowed }),
  z.strictObject({
    lamp: refSchema,
    brightness: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]),
    ...windowed,
  }),
  z.strictObject({ 'never-together': z.array(refSchema).min(2), ...windowed }),
  z.strictObject({ order: z.array(refSchema).min(2), ...windowed }),
  z.strictObject({
    serial: z.enum(['contains', 'equals', 'matches']),
    text: z.string().max(2000),
    ...windowed,
  }),
]);
/** What a person must see or read. */
export type Expectation = Readonly<z.infer<typeof expectationSchema>>;

export const scenarioSchema = z.object({
  name: z.string().min(1),
  /** Seconds that it runs. */
  for: z.number().positive().max(600),
  stimuli: z.array(stimulusSchema).default([]),
  expect: z.array(expectationSchema).min(1),
});

/** What can be played to a circuit now; the board's own button and its power are still to come. */
export const isPlayable = (stimulus: Stimulus): boolean => !('reset' in stimulus) && !('supply' in stimulus);

/** The part that a stimulus is about and what is done to it; `undefined` when it is about the board. */
export function touchedBy(
  stimulus: Stimulus,
): { readonly how: StimulusKind; readonly name: string } | undefined {
  if ('press' in stimulus) return { how: 'press', name: stimulus.press };
  if ('turn' in stimulus) return { how: 'turn', name: stimulus.turn };
  if ('light' in stimulus) return { how: 'light', name: stimulus.light };
  if ('warm' in stimulus) return { how: 'warm', name: stimulus.warm };
  if ('distance' in stimulus) return { how: 'distance', name: stimulus.distance };
  return 'motion' in stimulus ? { how: 'motion', name: stimulus.motion } : undefined;
}

/** A stimulus as a sentence: `type “on” at 2 s`. */
export function stimulusSentence(stimulus: Stimulus): string {
  const at = `at ${stimulus.at} s`;
  if ('serial' in stimulus) return `type “${stimulus.serial.trim()}” ${at}`;
  if ('press' in stimulus)
    return `press ${stimulus.press} ${at}${stimulus.for === undefined ? '' : ` for ${stimulus.for} s`}`;
  if ('turn' in stimulus) return `turn ${stimulus.turn} to ${stimulus.to} ${at}`;
  if ('light' in stimulus) return `light on ${stimulus.light} to ${stimulus.to} ${at}`;
  if ('warm' in stimulus) return `warm ${stimulus.warm} to ${stimulus.to} °C ${at}`;
  if ('distance' in stimulus) return `something ${stimulus.to} m before ${stimulus.distance} ${at}`;
  if ('motion' in stimulus) return `something moves before ${stimulus.motion} ${at}`;
  if ('reset' in stimulus) return `press the board's reset ${at}`;
  return `supply ${stimulus.supply} ${at}`;
}

/** An expectation as a sentence: `D1 flashes 0.5 s, dark 2.5 s, over and over`. */
export function expectationSentence(expectation: Expectation): string {
  const range =
    expectation.from === undefined && expectation.to === undefined
      ? ''
      : ` from ${expectation.from ?? 0} s${expectation.to === undefined ? '' : ` to ${expectation.to} s`}`;
  const tolerance =
    expectation.tolerance === undefined
      ? ''
      : `, give or take ${Math.round(expectation.tolerance * 100)}\u00a0%`;
  const text = (): string => {
    if ('is' in expectation) return `${expectation.lamp} is ${expectation.is} all the time`;
    if ('rhythm' in expectation)
      return `${expectation.lamp} ${expectation.rhythm.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${time} s`).join(', ')}, over and over`;
    if ('flashes' in expectation) return `${expectation.lamp} flashes ${expectation.flashes} times`;
    if ('brightness' in expectation)
      return `${expectation.lamp} between ${Math.round(expectation.brightness[0] * 100)} and ${Math.round(expectation.brightness[1] * 100)} % bright`;
    if ('never-together' in expectation)
      return `${expectation['never-together'].join(' and ')} never lit together`;
    if ('order' in expectation) return `${expectation.order.join(', then ')} in turn`;
    return `the serial text ${expectation.serial} “${expectation.text}”`;
  };
  return `${text()}${range}${tolerance}`;
}
