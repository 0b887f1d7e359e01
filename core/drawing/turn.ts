import type { Drawing } from './list';

/** Quarter turns clockwise, as the bench lies in front of its user. */
export type QuarterTurns = 0 | 1 | 2 | 3;

/** Texts up to this length stay upright in a quarter turn; longer ones would not fit beside their neighbours. */
const SHORT_TEXT = 4;

/** A drawing's size after turning. */
export const turnedSize = (
  { width, height }: Pick<Drawing, 'width' | 'height'>,
  turns: QuarterTurns,
): { readonly width: number; readonly height: number } =>
  turns % 2 === 0 ? { width, height } : { width: height, height: width };

/** The transform that turns a drawing's contents into the frame of `turnedSize`. */
export function turnTransform(
  { width, height }: Pick<Drawing, 'width' | 'height'>,
  turns: QuarterTurns,
): string | undefined {
  switch (turns) {
    case 0:
      return undefined;
    case 1:
      return `translate(${height} 0) rotate(90)`;
    case 2:
      return `translate(${width} ${height}) rotate(180)`;
    case 3:
      return `translate(0 ${width}) rotate(270)`;
  }
}

/**
 * Degrees by which a text is turned back in a turned drawing: names of rows, columns and pins stand
 * upright, longer words lie along the drawing but never upside down.
 */
export function textTurn(text: string, turns: QuarterTurns): 0 | 90 | 180 | 270 {
  if (turns === 0) return 0;
  if (turns === 2) return 180;
  if (text.length <= SHORT_TEXT) return turns === 1 ? 270 : 90;
  return turns === 1 ? 0 : 180;
}

/** An arrow key's step as it is meant by someone who sees the drawing turned. */
export function turnedStep(
  { rows, columns }: { readonly rows: number; readonly columns: number },
  turns: QuarterTurns,
): { readonly rows: number; readonly columns: number } {
  switch (turns) {
    case 0:
      return { rows, columns };
    case 1:
      return { rows: -columns, columns: rows };
    case 2:
      return { rows: -rows, columns: -columns };
    case 3:
      return { rows: columns, columns: -rows };
  }
}
