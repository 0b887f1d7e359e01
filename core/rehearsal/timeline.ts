import { ref, type Ref } from '../brand';
import type { Stimulus } from '../formats/scenario';
import { AT_REST, type PartState } from '../parts';
import { randomFrom } from '../random';

/** Something that changes about a part at a moment. */
export interface PartChange {
  /** Seconds from the start. */
  readonly at: number;
  readonly ref: Ref;
  readonly state: Partial<PartState>;
}

/** Seconds between two steps of something that is turned or dimmed slowly. */
const STEP = 0.02;
/** Seconds within which the contacts of a button come to rest (data sheets of 6 mm push buttons say 5 ms). */
const BOUNCE = 0.005;
const MOST_BOUNCES = 4;

/**
 * What stimuli in any order do to the parts, in the order of time. `bounceSeed`: buttons bounce when they
 * are pressed and let go, each time otherwise but the same for the same seed; without one they do not.
 */
export function timelineOf(stimuli: readonly Stimulus[], bounceSeed?: number): readonly PartChange[] {
  const random = bounceSeed === undefined ? undefined : randomFrom(bounceSeed);
  return stimuli
    .flatMap((stimulus) => changesOf(stimulus, stimuli, random))
    .sort((one, other) => one.at - other.at);
}

function changesOf(
  stimulus: Stimulus,
  all: readonly Stimulus[],
  random: (() => number) | undefined,
): readonly PartChange[] {
  if ('press' in stimulus) {
    const name = ref(stimulus.press);
    const turn = (at: number, pressed: boolean): readonly PartChange[] =>
      bounced(at, random).map((moment, index) => ({
        at: moment,
        ref: name,
        state: { pressed: index % 2 === 0 ? pressed : !pressed },
      }));
    const end = stimulus.for === undefined ? undefined : stimulus.at + stimulus.for;
    return [...turn(stimulus.at, true), ...(end === undefined ? [] : turn(end, false))];
  }
  if ('motion' in stimulus) {
    const name = ref(stimulus.motion);
    const begin = { at: stimulus.at, ref: name, state: { moving: true } };
    return stimulus.for === undefined
      ? [begin]
      : [begin, { at: stimulus.at + stimulus.for, ref: name, state: { moving: false } }];
  }
  const measured = measureOf(stimulus);
  if (!measured) return [];
  const { name, key, to, over } = measured;
  const from = before(stimulus.at, name, key, all);
  const steps = over === undefined ? 1 : Math.max(1, Math.ceil(over / STEP));
  return Array.from({ length: steps }, (_, index) => ({
    at: stimulus.at + (over ?? 0) * (steps === 1 ? 0 : index / (steps - 1)),
    ref: name,
    state: { [key]: steps === 1 ? to : from + ((to - from) * index) / (steps - 1) },
  }));
}

/** Moments at which a contact changes when it is moved once: at once, and back and forth while it bounces. */
function bounced(at: number, random: (() => number) | undefined): readonly number[] {
  if (!random) return [at];
  const times = 2 * Math.floor(random() * (MOST_BOUNCES + 1));
  return [at, ...Array.from({ length: times }, () => at + random() * BOUNCE).sort((a, b) => a - b)];
}

type Measured = 'position' | 'light' | 'celsius' | 'metres';

interface Measure {
  readonly name: Ref;
  readonly key: Measured;
  readonly to: number;
  readonly over: number | undefined;
}

function measureOf(stimulus: Stimulus): Measure | undefined {
  if ('turn' in stimulus)
    return { name: ref(stimulus.turn), key: 'position', to: stimulus.to, over: stimulus.over };
  if ('light' in stimulus)
    return { name: ref(stimulus.light), key: 'light', to: stimulus.to, over: stimulus.over };
  if ('warm' in stimulus)
    return { name: ref(stimulus.warm), key: 'celsius', to: stimulus.to, over: stimulus.over };
  if ('distance' in stimulus)
    return { name: ref(stimulus.distance), key: 'metres', to: stimulus.to, over: stimulus.over };
  return undefined;
}

/** Where something stood before a moment: at the end of the last stimulus of its kind, or at rest. */
function before(at: number, name: Ref, key: Measured, all: readonly Stimulus[]): number {
  const earlier = all
    .filter((stimulus) => stimulus.at < at)
    .sort((one, other) => one.at - other.at)
    .map(measureOf)
    .filter((measure) => measure?.name === name && measure.key === key);
  return earlier.at(-1)?.to ?? AT_REST[key];
}
