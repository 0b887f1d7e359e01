import type { Box } from './list';
import type { XY } from './geometry';

/** Width of a character of the drawing's monospaced names, and the height of a name's plate. */
const CHARACTER = 8;
const HEIGHT = 13;

export interface PlacedLabel {
  readonly text: string;
  readonly box: Box;
}

/** Finds places for names one after another, so that none lies over another or over what is plugged. */
export class LabelPlacer {
  private readonly taken: { readonly box: Box; readonly owner: string | undefined }[] = [];

  /** Marks a box that names keep clear of, but for the name of its owner. */
  block(box: Box, owner?: string): void {
    this.taken.push({ box, owner });
  }

  /** Takes the first of the centres at which the name is clear of everything, else the clearest. */
  place(text: string, centres: readonly XY[], owner?: string): PlacedLabel {
    const width = text.length * CHARACTER + 8;
    const boxes = centres.map(({ x, y }) => ({ x: x - width / 2, y: y - HEIGHT / 2, width, height: HEIGHT }));
    let best = boxes[0]!;
    let least = Number.POSITIVE_INFINITY;
    for (const box of boxes) {
      let covered = 0;
      for (const other of this.taken)
        if (owner === undefined || other.owner !== owner) covered += overlap(box, other.box);
      if (covered < least) {
        least = covered;
        best = box;
      }
      if (covered === 0) break;
    }
    this.taken.push({ box: best, owner: undefined });
    return { text, box: best };
  }
}

/** Area that two boxes share. */
export function overlap(one: Box, other: Box): number {
  const width = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  const height = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
  return width > 0 && height > 0 ? width * height : 0;
}

const beside = [
  [1, 0],
  [-1, 0],
] as const;
const overAndUnder = [
  [0, 1],
  [0, -1],
] as const;
const corners = [
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;

/** Centres round a place, near ones first: beside a tall thing, under or over a flat one, then the rest. */
export function around({ x, y }: XY, across: number, down: number, isFlat = false): readonly XY[] {
  const places: XY[] = [];
  const order = isFlat ? [...overAndUnder, ...beside, ...corners] : [...beside, ...overAndUnder, ...corners];
  for (const factor of [1, 1.5, 2.2, 3])
    for (const [dx, dy] of order) places.push({ x: x + dx * across * factor, y: y + dy * down * factor });
  return places;
}
