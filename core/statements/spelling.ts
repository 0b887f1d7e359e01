/**
 * Number of single typing mistakes between two words: a letter too many, too few, another one, or two
 * neighbours exchanged (optimal string alignment). Stops counting above `most`.
 */
export function typingMistakes(one: string, other: string, most: number): number {
  if (Math.abs(one.length - other.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: other.length + 1 }, (_, index) => index);
  for (let i = 1; i <= one.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= other.length; j += 1) {
      const same = one[i - 1] === other[j - 1];
      let count = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (same ? 0 : 1));
      if (i > 1 && j > 1 && one[i - 1] === other[j - 2] && one[i - 2] === other[j - 1])
        count = Math.min(count, before[j - 2]! + 1);
      row.push(count);
    }
    if (Math.min(...row) > most) return most + 1;
    [before, last] = [last, row];
  }
  return last[other.length]!;
}

/** Mistakes that are forgiven in a word of this length: none in short ones, where another word is as near. */
export const forgiven = (length: number): number => (length < 4 ? 0 : length < 7 ? 1 : 2);

/** The known word that was most likely meant; `undefined` when none is near or the word is too short to tell. */
export function nearestWord(typed: string, known: Iterable<string>): string | undefined {
  const most = forgiven(typed.length);
  let best: { word: string; count: number } | undefined;
  for (const word of known) {
    const count = typingMistakes(typed, word, most);
    if (count <= most && count <= forgiven(word.length) && (!best || count < best.count))
      best = { word, count };
  }
  return best?.word;
}
