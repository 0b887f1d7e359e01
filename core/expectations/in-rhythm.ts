import * as z from 'zod';
import type { Phase } from '../rehearsal/phases';
import { numberSlot } from '../words/slots';
import type { Slot } from '../words/sentence';
import { beginAt, longestOf, stopAt, type Break } from './going-on';
import { rounded } from './definition';

/** Share by which repeated times may differ and be called the same. */
const SAME_TIME = 0.05;

/** Times on and off in turn, in seconds, on first. */
export const rhythmSchema = z.array(z.number().positive('each time is longer than 0 s')).min(2).max(32);

/** How being on and being off are written, and how else they are said, as patterns. */
interface Words {
  readonly on: string;
  readonly off: string;
  readonly saidOn: string;
  readonly saidOff: string;
}

/** Times on and off in turn, on first; read from either, so long as they take turns. */
export function timesSlot({ on, off, saidOn, saidOff }: Words): Slot<number[]> {
  const spell = `(?:(?:is|stays|keeps) +)?(?:${saidOn}|${saidOff}) *(?:for +)?${numberSlot.pattern} *s`;
  const each = new RegExp(`(${saidOn}|${saidOff})\\D*?(${numberSlot.pattern})`, 'gi');
  const isOff = new RegExp(`^(?:${saidOff})$`, 'i');
  return {
    write: (times) => times.map((time, index) => `${index % 2 === 0 ? on : off} ${time} s`).join(', '),
    pattern: `${spell}(?:(?:, *| +)(?:(?:and|then) +)*${spell})+`,
    read: (text) => {
      const spells = [...text.matchAll(each)].map(([, state, time]) => ({
        isOn: !isOff.test(state!),
        time: Number(time),
      }));
      const [first] = spells;
      const inTurn = spells.every(
        ({ isOn }, index) => isOn === (index % 2 === 0 ? first!.isOn : !first!.isOn),
      );
      const times = spells.map(({ time }) => time);
      if (!first || !inTurn) return undefined;
      if (first.isOn) return times;
      return times.length % 2 === 0 ? [...times.slice(1), times[0]!] : undefined;
    },
  };
}

/** Share by which a time may be off where nothing is said of it. */
const USUAL_TOLERANCE = 0.1;
/**
 * Seconds by which a short time may be off then, up to a share of it: a program that looks at the clock every 10 ms is that
 * much late, and nobody sees it.
 */
const [UNSEEN_S, UNSEEN_SHARE] = [0.015, 0.2];

/** How much longer or shorter a time may be than it should, in seconds. */
const slackOf = (wanted: number, tolerance: number | undefined): number =>
  tolerance === undefined
    ? Math.max(wanted * USUAL_TOLERANCE, Math.min(UNSEEN_S, wanted * UNSEEN_SHARE))
    : wanted * tolerance;

/**
 * Whether whole stretches follow a rhythm, from wherever in it they begin, and go through it once at least. `tolerance`: the
 * share by which each may be off, where the exercise says one.
 */
export const keepsRhythm = (
  rhythm: readonly number[],
  inner: readonly Phase[],
  tolerance: number | undefined,
): boolean =>
  inner.length >= rhythm.length &&
  beginningsIn(rhythm, inner).some((start) =>
    inner.every((phase, index) => {
      const wanted = rhythm[(start + index) % rhythm.length]!;
      return Math.abs(length(phase) - wanted) <= slackOf(wanted, tolerance) + 1e-9;
    }),
  );

const length = ({ from, to }: Phase): number => to - from;

/** Places of a rhythm at which phases may begin. */
const beginningsIn = (rhythm: readonly number[], phases: readonly Phase[]): readonly number[] =>
  rhythm.map((_, start) => start).filter((start) => (start % 2 === 0) === (phases[0]?.on ?? true));

/** A phase that lasts far longer than the like of it usually do: what goes on has stopped, or has not begun. */
export interface Standstill extends Break {
  readonly phase: Phase;
  /** How long it should last, in seconds. */
  readonly usual: number;
}

/** Whether a phase lasts so long beside the others like it that it is a standstill; how long it should last. */
function usualOfLong(
  rhythm: readonly number[],
  phase: Phase | undefined,
  others: readonly Phase[],
): number | undefined {
  if (!phase) return undefined;
  const usual = Math.max(...rhythm.filter((_, index) => (index % 2 === 0) === phase.on));
  const longest = Math.max(0, ...others.filter(({ on }) => on === phase.on).map(length));
  return length(phase) > Math.max(longestOf(usual), longest) ? usual : undefined;
}

const roundOf = (rhythm: readonly number[]): number => rhythm.reduce((sum, time) => sum + time, 0);

/** The last phase of a window, where what goes on has stopped with it. */
export function stopOf(rhythm: readonly number[], phases: readonly Phase[]): Standstill | undefined {
  const phase = phases.at(-1);
  const usual = usualOfLong(rhythm, phase, phases.slice(0, -1));
  return phase && usual !== undefined
    ? { ...stopAt(phase.from, usual, roundOf(rhythm)), phase, usual }
    : undefined;
}

/** The first phase of a window, where what goes on has not begun in it. */
export function lateOf(rhythm: readonly number[], phases: readonly Phase[]): Standstill | undefined {
  const [phase] = phases;
  const usual = usualOfLong(rhythm, phase, phases.slice(1));
  return phase && usual !== undefined && phases.length > 1
    ? { ...beginAt(phase.to, roundOf(rhythm)), phase, usual }
    : undefined;
}

/**
 * The phases of which one is off where a rhythm is not kept: the whole ones; where these are too few to be one round of it,
 * those that the window cuts off and that are too long all the same.
 */
export function phasesToBlame(rhythm: readonly number[], phases: readonly Phase[]): readonly Phase[] {
  const inner = phases.slice(1, -1);
  if (inner.length >= rhythm.length) return inner;
  const isTooLong = (phase: Phase): boolean => {
    const longest = Math.max(...rhythm.filter((_, index) => (index % 2 === 0) === phase.on));
    return length(phase) > longest + slackOf(longest, undefined);
  };
  const long = phases.filter(isTooLong);
  return long.length > 0 ? long.slice(0, 1) : inner.length > 0 ? inner : phases;
}

/** A phase beside the time that it should last. */
interface Timed {
  readonly phase: Phase;
  readonly wanted: number;
  /** How far it is off, as a share of what it should last. */
  readonly share: number;
}

/** The phase that is furthest off a rhythm, from the time of it at which they fit it best. */
export function furthestOff(rhythm: readonly number[], phases: readonly Phase[]): Timed {
  const ways = beginningsIn(rhythm, phases).map((start) =>
    phases.map((phase, index): Timed => {
      const wanted = rhythm[(start + index) % rhythm.length]!;
      return { phase, wanted, share: Math.abs(length(phase) - wanted) / wanted };
    }),
  );
  const offBy = (way: readonly Timed[]): number => way.reduce((sum, { share }) => sum + share, 0);
  const best = ways.reduce((least, way) => (offBy(way) < offBy(least) ? way : least));
  return best.reduce((most, one) => (one.share > most.share ? one : most));
}

/** Times on and off that repeat through phases, on first; `undefined` where they do not, or do so no more at the end. */
export function rhythmIn(phases: readonly Phase[]): [number, number] | undefined {
  const inner = phases.slice(1, -1);
  const times = (isOn: boolean): readonly number[] => inner.filter((phase) => phase.on === isOn).map(length);
  const [on, off] = [steadyOf(times(true)), steadyOf(times(false))];
  if (on === undefined || off === undefined || inner.length < 3) return undefined;
  return stopOf([on, off], phases) ? undefined : [on, off];
}

function steadyOf(times: readonly number[]): number | undefined {
  const [least, most] = [Math.min(...times), Math.max(...times)];
  return times.length > 0 && most - least <= most * SAME_TIME ? rounded((least + most) / 2) : undefined;
}
