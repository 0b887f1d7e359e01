import * as z from 'zod';
import type { Slot } from '../words/sentence';

/** A figure that is wanted, or the least and the most that it may be. */
export type Figure = number | [least: number, most: number];

/** The ends between which a figure can be at all. */
export type Ends = readonly [least: number, most: number];

/** What a range may be off unnoticed, as a share of what a single figure may: its ends were chosen on purpose. */
const OF_A_RANGE = 0.2;

/** The least and the most of something. */
export const rangeSchema = (one: z.ZodNumber) =>
  z
    .tuple([one, one])
    .refine(([least, most]) => least <= most, 'the least comes first, then the most that it may be');
/** A figure or a range; the ends of a range may be what no single figure is. */
export const figureSchema = (one: z.ZodNumber, end = one) => z.union([one, rangeSchema(end)]);

/** By what share a figure may be off: where nothing is said, and as it was said; and what that is a share of. */
interface Slack {
  readonly usual: number;
  readonly said: number | undefined;
  readonly of: (figure: number) => number;
}

/** The least and the most that a figure may be. */
export function boundsOf(figure: Figure, { usual, said, of }: Slack): Ends {
  const [least, most] = typeof figure === 'number' ? [figure, figure] : figure;
  const share = said ?? (typeof figure === 'number' ? usual : usual * OF_A_RANGE);
  return [least - share * of(least), most + share * of(most)];
}

/** Of the figures that are wanted the one that is nearest to `found`. */
export const nearestTo = (found: number, figure: Figure): number =>
  typeof figure === 'number' ? figure : Math.min(Math.max(found, figure[0]), figure[1]);

/** `at 90°`, `between 80° and 100°`, `at 90° or more`: a figure behind what has it. */
export function figureText(figure: Figure, ends: Ends, write: (one: number) => string): string {
  if (typeof figure === 'number') return `at ${write(figure)}`;
  const [least, most] = figure;
  if (most === ends[1] && least !== ends[0]) return `at ${write(least)} or more`;
  if (least === ends[0] && most !== ends[1]) return `at ${write(most)} or less`;
  return `between ${write(least)} and ${write(most)}`;
}

/** A figure with its unit, as `figureText` says it; `unit` is how that is written, and `pattern` how it is read. */
export function figureSlot(of: Slot<number>, ends: Ends, unit: string, pattern: string): Slot<Figure> {
  const one = `${of.pattern}${pattern}`;
  return {
    write: (figure) => figureText(figure, ends, (number) => `${of.write(number)}${unit}`),
    pattern: `(?:at|with) (?:${one})(?: or (?:more|less))?|between (?:${of.pattern})(?:${pattern})? and (?:${one})`,
    read: (text) => {
      const [first, second] = [...text.matchAll(new RegExp(of.pattern, 'gi'))].map(([number]) =>
        of.read(number),
      );
      if (first === undefined) return undefined;
      if (second !== undefined) return [first, second];
      if (/more$/i.test(text)) return [first, ends[1]];
      return /less$/i.test(text) ? [ends[0], first] : first;
    },
    closed: true,
  };
}
