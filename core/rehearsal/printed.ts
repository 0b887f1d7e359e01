import type { Trace } from './trace';

/** A line that a board printed, and when it began to; seconds. */
export interface PrintedLine {
  readonly at: number;
  readonly text: string;
}

/** The lines that begin in a stretch of time and have something on them, in order. */
export function linesPrinted(
  { serial }: Pick<Trace, 'serial'>,
  from: number,
  to: number,
): readonly PrintedLine[] {
  const lines: { at: number; text: string }[] = [];
  let isNew = true;
  for (const { at, text } of serial)
    for (const [index, piece] of text.split('\n').entries()) {
      if (index > 0) isNew = true;
      if (piece === '') continue;
      if (isNew) lines.push({ at, text: piece });
      else lines.at(-1)!.text += piece;
      isNew = false;
    }
  return lines
    .map(({ at, text }) => ({ at, text: text.trim() }))
    .filter(({ at, text }) => text !== '' && at >= from - 1e-9 && at <= to + 1e-9);
}
