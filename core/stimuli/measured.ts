import * as z from 'zod';
import { ref } from '../brand';
import { AT_REST } from '../parts';
import { sentence, type Slot, type Sentence } from '../words/sentence';
import { nameSlot, numberSlot } from '../words/slots';
import { atSchema, refSchema, type StimulusDefinition } from './definition';

/** Seconds between two steps of something that is turned or dimmed slowly, and how many steps that takes at most. */
const [STEP, MOST_STEPS] = [0.02, 100];

/** What is done to a part that measures. */
export type MeasuredKind = 'turn' | 'light' | 'warm' | 'distance';

/** What a sensor or potentiometer measures is brought to a value, at once or over some seconds. */
export type Measured<Name extends string> = {
  readonly at: number;
  readonly to: number;
  readonly over?: number | undefined;
} & Readonly<Record<Name, string>>;

/** A part, and what is brought to which value when; `over` some seconds or at once. */
export interface Brought {
  readonly part: string;
  readonly at: number;
  readonly to: number;
  readonly over?: number | undefined;
}

export interface MeasuredDefinition<Name extends MeasuredKind> extends StimulusDefinition<Measured<Name>> {
  readonly key: Name;
  readonly touches: Name;
  /** The least and the most that is met in a room, in the unit of `to`. */
  readonly ends: readonly [number, number];
  /** What is measured as long as nothing is done. */
  readonly atRest: number;
  /** A value with its unit: `30 %`, `31 °C`. */
  valueText(amount: number): string;
  /** A part brought to a value at a moment, over some seconds or at once. */
  make(brought: Brought): Measured<Name>;
}

export interface MeasuredForm<Name extends MeasuredKind> {
  /** The field with the part's name. */
  readonly key: Name;
  /** What is measured, as a part's state calls it. */
  readonly state: 'position' | 'light' | 'celsius' | 'metres';
  readonly to: z.ZodNumber;
  readonly ends: readonly [number, number];
  /** How it is said, with the slots of `key`, `to`, `at` and `over`. */
  readonly form: string;
  readonly amount?: Slot<number>;
  /** Another form that is understood, with a bare number. */
  readonly alsoForm?: string;
  /** What stands behind the amount at a mark on a timeline. */
  readonly unit?: string;
  readonly valueText: (amount: number) => string;
  readonly example: string;
}

/** A stimulus that brings what a part measures to a value. */
export function measured<Name extends MeasuredKind>({
  key,
  state,
  to,
  ends,
  form,
  amount = numberSlot,
  alsoForm,
  unit = '',
  valueText,
  example,
}: MeasuredForm<Name>): MeasuredDefinition<Name> {
  const schema = z.strictObject({
    at: atSchema,
    [key]: refSchema,
    to,
    over: z.number().positive('it has to take longer than 0 s').optional(),
  });
  const others = { [key]: nameSlot, at: numberSlot, over: numberSlot };
  const inForm = (words: string, slot: Slot<number>): Sentence<Measured<Name>> =>
    sentence<Record<string, string | number>>(words, { ...others, to: slot } as Record<
      string,
      Slot<string | number>
    >) as Sentence<Measured<Name>>;
  const also = alsoForm === undefined ? undefined : inForm(alsoForm, numberSlot);
  return {
    key,
    // A computed name is a string to the compiler.
    schema: schema as unknown as z.ZodType<Measured<Name>>,
    sentence: inForm(form, amount),
    alsoRead: (text) => {
      const read = also?.read(text);
      // `turn P1 to 50` is meant in per cent.
      return read?.to !== undefined && read.to > 1 ? { ...read, to: read.to / 100 } : read;
    },
    example,
    touches: key,
    ends,
    atRest: AT_REST[state],
    valueText,
    make: ({ part, at, to, over }) =>
      ({ [key]: part, at, to, ...(over === undefined ? {} : { over }) }) as Measured<Name>,
    partChanges: (stimulus, before) => {
      const from = before[state];
      const steps =
        stimulus.over === undefined ? 1 : Math.max(1, Math.min(MOST_STEPS, Math.ceil(stimulus.over / STEP)));
      return Array.from({ length: steps }, (_, index) => ({
        at: stimulus.at + (stimulus.over ?? 0) * (steps === 1 ? 0 : index / (steps - 1)),
        ref: ref(stimulus[key]),
        state: { [state]: steps === 1 ? stimulus.to : from + ((stimulus.to - from) * index) / (steps - 1) },
      }));
    },
    lasts: (stimulus) => stimulus.over,
    label: (stimulus) => `to ${amount.write(stimulus.to)}${unit}`,
  };
}

/** Whether a stimulus brings something to a value, so that it has not done so before its end. */
export const isBrought = (stimulus: {
  readonly at: number;
}): stimulus is { readonly at: number; readonly to: number; readonly over?: number } => 'to' in stimulus;
