import * as z from 'zod';
import type { Phase } from '../rehearsal/phases';
import { numberSlot } from '../words/slots';
import type { Slot } from '../words/sentence';
import { longestOf } from './going-on';
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

/** Whether whole stretches follow a rhythm, from wherever in it they begin, and go through it once at least. */
export const keepsRhythm = (rhythm: readonly number[], inner: readonly Phase[], tolerance: number): boolean =>
  inner.length >= rhythm.length &&
  beginningsIn(rhythm, inner).some((start) =>
    inner.every((phase, index) => {
      const wanted = rhythm[(start + index) % rhythm.length]!;
      return Math.abs(length(phase) - wanted) <= wanted * tolerance + 1e-9;
    }),
  );

const length = ({ from, to }: Phase): number => to - from;

/** Places of a rhythm at which phases may begin. */
const beginningsIn = (rhythm: readonly number[], phases: readonly Phase[]): readonly number[] =>
  rhythm.map((_, start) => start).filter((start) => (start % 2 === 0) === (phases[0]?.on ?? true));

/** The last phase of a run, and how long it usually lasts, in seconds, where it lasts so much longer that what went on has stopped. */
export function stopOf(
  rhythm: readonly number[],
  phases: readonly Phase[],
): { readonly last: Phase; readonly usual: number } | undefined {
  const last = phases.at(-1);
  if (!last) return undefined;
  const usual = Math.max(...rhythm.filter((_, index) => (index % 2 === 0) === last.on));
  const earlier = phases.slice(0, -1).filter(({ on }) => on === last.on);
  const longest = Math.max(0, ...earlier.map(length));
  return length(last) > Math.max(longestOf(usual), longest) ? { last, usual } : undefined;
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
