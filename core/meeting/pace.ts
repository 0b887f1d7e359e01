import type { TimeTaken } from '../plan/class-record';
import type { Phase } from './phase';

/** How fast a class works beside what was planned, and how much that rests on. */
export interface Pace {
  /** 1 as planned, 1.2 a fifth longer. */
  readonly factor: number;
  /** Learners' exercises, and exercises, that it rests on. */
  readonly tries: number;
  readonly exercises: number;
  /** What single exercises took before, by their id: the factor for them alone. */
  readonly own: ReadonlyMap<string, number>;
}

/** A class of which nothing is known. */
export const STANDARD_PACE: Pace = { factor: 1, tries: 0, exercises: 0, own: new Map() };

/** So many tries say as much as our own estimate does; and no class is taken to be faster or slower than these. */
const [WEIGHT_OF_ESTIMATE, FASTEST, SLOWEST] = [12, 0.5, 2.5];

/** What depends on who works; the rest depends on the clock or on who teaches. */
const byTheClass: ReadonlySet<Phase> = new Set(['parts', 'build', 'second-look', 'program', 'see', 'vary']);
export const isByTheClass = (phase: Phase): boolean => byTheClass.has(phase);

/**
 * The pace of a class from how long its exercises took beside what was planned for them: the mean of the ratios'
 * logarithms, by the learners each rests on, drawn towards 1 as long as they are few.
 */
export function paceOf(times: readonly TimeTaken[]): Pace {
  const known = times.filter(
    (time): time is TimeTaken & { planned: number } => time.planned !== null && time.planned > 0,
  );
  const tries = known.reduce((sum, { of }) => sum + of, 0);
  const logs = known.reduce((sum, { median, planned, of }) => sum + of * Math.log(median / planned), 0);
  return {
    factor: bounded(Math.exp(logs / (tries + WEIGHT_OF_ESTIMATE))),
    tries,
    exercises: known.length,
    own: new Map(
      known.map(({ exerciseId, median, planned, of }) => [
        exerciseId,
        bounded(Math.exp((of * Math.log(median / planned)) / (of + WEIGHT_OF_ESTIMATE))),
      ]),
    ),
  };
}

const bounded = (factor: number): number => Math.min(SLOWEST, Math.max(FASTEST, factor));

/** How much longer than planned this class takes for an exercise: by its own record of it, else by its pace. */
export const factorFor = ({ factor, own }: Pace, exerciseId: string): number => own.get(exerciseId) ?? factor;

/** What the minutes rest on, in a sentence. */
export const paceText = ({ factor, tries, exercises }: Pace): string =>
  tries === 0
    ? 'These are estimates from parts, wires and lines: the class has no record of its own yet.'
    : `From ${tries} ${tries === 1 ? 'try' : 'tries'} at ${exercises} ${exercises === 1 ? 'exercise' : 'exercises'} of this class: ${
        Math.abs(factor - 1) < 0.03
          ? 'it takes about as long as planned.'
          : `it takes ${Math.round(Math.abs(factor - 1) * 100)} % ${factor > 1 ? 'longer' : 'less'} than planned.`
      }`;
