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

/** The line on other pins, which are said in one place even where it says them one by one: `trig 9 echo 10`. */
export function withPins(line: ReadLine, pins: readonly string[]): string {
  const [first, ...others] = line.pieces.filter(({ slot }) => slot === 'pins');
  if (!first) {
    const at = pieceOf(line, 'kind')?.to ?? line.text.length;
    return exchanged(line.text, { from: at, to: at }, ` on ${pinList(pins)}`);
  }
  const text = others.reduceRight(
    (left, { from, to }) =>
      left.slice(0, from).replace(/(?:[\s,;+&]|\b(?:and|with))+$/i, '') + left.slice(to),
    line.text,
  );
  return exchanged(text, first, `on ${pinList(pins)}`);
}

/** The line with its resistor, and the words around that, said as a pull. */
export function heldBy(line: Pick<ReadLine, 'text' | 'pieces'>, pull: string): string {
  const { text } = line;
  const { from, to } = pieceOf(line, 'resistor') ?? { from: text.length, to: text.length };
  const before = text.slice(0, from).replace(/(?:[\s,+&]|\b(?:and|with|a|an))+$/i, '');
  return tidied(`${before}, ${pull}${text.slice(to).replace(/^(?:\s|ohms?\b|Ω|resistors?\b)+/i, ' ')}`);
}

/** The line for another number of parts, on other pins. */
export function recounted(
  line: Pick<ReadLine, 'text' | 'pieces'>,
  count: number,
  pins: readonly string[],
): string {
  const { text } = line;
  const counted = pieceOf(line, 'count');
  const rest = counted ? text.slice(counted.to) : ` ${text}`;
  const shift = counted ? counted.to : -1;
  const piece = pieceOf(line, 'pins');
  const repinned = piece
    ? `${rest.slice(0, piece.from - shift)}on ${pinList(pins)}${rest.slice(piece.to - shift)}`
    : `${rest} on ${pinList(pins)}`;
  if (count !== 1) return tidied(`${count}${repinned}`);
  const kind = pieceOf(line, 'kind');
  const named = kind && text.slice(kind.from, kind.to);
  return tidied(named ? repinned.replace(named, named.replace(/s$/, '')) : repinned);
}

/** The line with words before the piece in a slot; at its beginning where it does not have that. */
export function wordsBefore(line: Pick<ReadLine, 'text' | 'pieces'>, slot: Slot, words: string): string {
  const at = pieceOf(line, slot)?.from ?? 0;
  return tidied(`${line.text.slice(0, at)}${words} ${line.text.slice(at)}`);
}

/** The line with words behind its kind. */
export function wordsBehind(line: Pick<ReadLine, 'text' | 'pieces'>, words: string): string {
  const at = pieceOf(line, 'kind')?.to ?? line.text.length;
  return tidied(line.text.slice(0, at) + words + line.text.slice(at));
}
