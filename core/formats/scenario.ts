import { z } from 'zod';
import type { StimulusKind } from '../parts';

const refSchema = z.string().regex(/^[A-Z]{1,4}\d{0,4}$/, 'write a part name like D1');
/** A light: a part, or one of several in a housing, `D1.red` or `D1.a3`. */
const lightSchema = z
  .string()
  .regex(/^[A-Z]{1,4}\d{0,4}(\.[a-z][a-z0-9]*)?$/, 'write an LED like D1, or D1.red');
const atSchema = z.number().min(0);
const windowed = {
  from: z.number().min(0).optional(),
  to: z.number().min(0).optional(),
  tolerance: z.number().min(0).max(1).optional(),
};

/** Something about a part that is brought to a value, at once or over some seconds. */
const brought = <Name extends string>(name: Name, to: z.ZodNumber) =>
  z.strictObject({ at: atSchema, [name]: refSchema, to, over: z.number().positive().optional() } as {
    at: typeof atSchema;
    to: z.ZodNumber;
    over: z.ZodOptional<z.ZodNumber>;
  } & Record<Name, typeof refSchema>);

export const stimulusSchema = z.union([
  z.strictObject({ at: atSchema, serial: z.string().max(1000) }),
  z.strictObject({ at: atSchema, press: refSchema, for: z.number().positive().optional() }),
  brought('turn', z.number().min(0).max(1)),
  brought('light', z.number().min(0).max(1)),
  brought('warm', z.number()),
  brought('distance', z.number().min(0)),
  z.strictObject({ at: atSchema, motion: refSchema, for: z.number().positive().optional() }),
  z.strictObject({ at: atSchema, reset: z.literal(true) }),
  z.strictObject({ at: atSchema, supply: z.enum(['on', 'off']) }),
]);
/** Something that happens to the circuit while the program runs. Times in seconds. */
export type Stimulus = Readonly<z.infer<typeof stimulusSchema>>;

/** Colours that an eye tells apart on an RGB LED. */
export const lampColourNames = [
  'red',
  'green',
  'blue',
  'yellow',
  'orange',
  'turquoise',
  'violet',
  'white',
] as const;
export type LampColour = (typeof lampColourNames)[number];

const PICTURE_ROW = /^[.#]{8}$/;
const single = [
  z.strictObject({ lamp: lightSchema, is: z.enum(['on', 'off']), ...windowed }),
  z.strictObject({ lamp: lightSchema, rhythm: z.array(z.number().positive()).min(2).max(32), ...windowed }),
  z.strictObject({ lamp: lightSchema, flashes: z.int().min(0), ...windowed }),
  z.strictObject({
    lamp: lightSchema,
    brightness: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]),
    ...windowed,
  }),
  z.strictObject({ lamp: lightSchema, rises: z.literal(true), ...windowed }),
  z.strictObject({ lamp: lightSchema, falls: z.literal(true), ...windowed }),
  z.strictObject({ lamp: refSchema, colour: z.enum(lampColourNames), ...windowed }),
  z.strictObject({ 'never-together': z.array(lightSchema).min(2).max(100), ...windowed }),
  z.strictObject({ order: z.array(lightSchema).min(2).max(100), ...windowed }),
  z.strictObject({
    /** An LED or a buzzer. */
    responds: lightSchema,
    to: refSchema,
    within: z.number().positive(),
    then: z.enum(['on', 'off', 'changed']),
    from: windowed.from,
  }),
  z.strictObject({ servo: refSchema, angle: z.number().min(0).max(180), ...windowed }),
  z.strictObject({ buzzer: refSchema, tone: z.number().positive(), ...windowed }),
  z.strictObject({ buzzer: refSchema, is: z.enum(['on', 'off']), ...windowed }),
  z.strictObject({
    serial: z.enum(['contains', 'equals', 'matches']),
    text: z.string().max(2000),
    ...windowed,
  }),
  z.strictObject({
    panel: refSchema,
    picture: z.array(z.string().regex(PICTURE_ROW, 'write a row as eight of . and #')).length(8),
    ...windowed,
  }),
  z.strictObject({ display: refSchema, text: z.array(z.string().max(40)).min(1).max(4), ...windowed }),
] as const;

const singleSchema = z.union(single);
export const expectationSchema = z.union([
  ...single,
  z.strictObject({
    'one-of': z.array(singleSchema).min(2).max(20),
    /** How many different ones must come over the runs. */
    variety: z.int().min(1),
    /** How many runs, each with another chance. */
    over: z.int().min(1).max(200),
    from: windowed.from,
  }),
]);
/** What a person must see, hear or read, without those that leave it to chance. */
export type SingleExpectation = Readonly<z.infer<typeof singleSchema>>;
/** What a person must see, hear or read. */
export type Expectation = Readonly<z.infer<typeof expectationSchema>>;

export const scenarioSchema = z.object({
  name: z.string().min(1).max(200),
  /** Seconds that it runs. */
  for: z.number().positive().max(600),
  stimuli: z.array(stimulusSchema).max(200).default([]),
  expect: z.array(expectationSchema).min(1).max(60),
});
export type Scenario = Readonly<z.infer<typeof scenarioSchema>>;

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

/** The parts that an expectation is about. */
function namedIn(expectation: Expectation): readonly string[] {
  const part = (light: string): string => light.replace(/\..*/, '');
  if ('one-of' in expectation) return expectation['one-of'].flatMap(namedIn);
  if ('never-together' in expectation) return expectation['never-together'].map(part);
  if ('order' in expectation) return expectation.order.map(part);
  if ('responds' in expectation) return [part(expectation.responds), expectation.to];
  if ('lamp' in expectation) return [part(expectation.lamp)];
  if ('servo' in expectation) return [expectation.servo];
  if ('buzzer' in expectation) return [expectation.buzzer];
  if ('panel' in expectation) return [expectation.panel];
  return 'display' in expectation ? [expectation.display] : [];
}

/** Every part that a scenario speaks of, and whether by what is done or by what must come of it. */
export const partsNamedIn = ({
  stimuli,
  expect,
}: Scenario): readonly { readonly name: string; readonly by: 'stimuli' | 'expect' }[] => [
  ...stimuli.flatMap((stimulus) => {
    const touched = touchedBy(stimulus);
    return touched ? [{ name: touched.name, by: 'stimuli' as const }] : [];
  }),
  ...expect.flatMap((expectation) => namedIn(expectation).map((name) => ({ name, by: 'expect' as const }))),
];
