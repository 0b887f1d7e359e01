import { pinList } from './pins';
import type { Piece, ReadLine, Slot } from './statement';

/** Spaces and commas as a person would set them. */
export const tidied = (line: string): string => line.replace(/\s+/g, ' ').replace(/ ,/g, ',').trim();

/** The piece of a line that fills a slot; `undefined` when the line does not say it. */
export const pieceOf = (line: Pick<ReadLine, 'pieces'>, slot: Slot): Piece | undefined =>
  line.pieces.find((piece) => piece.slot === slot);

/** The line with a stretch of it exchanged. */
export const exchanged = (text: string, at: Pick<Piece, 'from' | 'to'>, by: string): string =>
  tidied(text.slice(0, at.from) + by + text.slice(at.to));

/** The line with one word of the piece in a slot exchanged; the word is put behind a line without one. */
export function withWord(line: ReadLine, slot: Slot, word: string, by: string): string {
  const piece = pieceOf(line, slot);
  if (!piece) return tidied(`${line.text} ${by}`);
  const inside = line.text.slice(piece.from, piece.to);
  const escaped = word.toLowerCase().replace(/[.+*?()[\]{}|\\^$]/g, '\\$&');
  const at = inside.toLowerCase().search(new RegExp(`(?<![\\w.-])${escaped}(?![\\w-])`));
  if (at >= 0) return exchanged(line.text, piece, inside.slice(0, at) + by + inside.slice(at + word.length));
  // A pin of a range has no word of its own.
  const pins = line.statement?.pins ?? [];
  return withPins(
    line,
    pins.map((pin) => (pin === word ? by : pin)),
  );
}

/** The line on other pins. */
export function withPins(line: ReadLine, pins: readonly string[]): string {
  const piece = pieceOf(line, 'pins');
  if (piece) return exchanged(line.text, piece, `on ${pinList(pins)}`);
  const at = pieceOf(line, 'kind')?.to ?? line.text.length;
  return exchanged(line.text, { from: at, to: at }, ` on ${pinList(pins)}`);
}
