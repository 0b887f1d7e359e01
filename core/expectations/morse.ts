/** International Morse code: letters and digits as short and long signals. */
const CODE: Readonly<Record<string, string>> = {
  A: '.-',
  B: '-...',
  C: '-.-.',
  D: '-..',
  E: '.',
  F: '..-.',
  G: '--.',
  H: '....',
  I: '..',
  J: '.---',
  K: '-.-',
  L: '.-..',
  M: '--',
  N: '-.',
  O: '---',
  P: '.--.',
  Q: '--.-',
  R: '.-.',
  S: '...',
  T: '-',
  U: '..-',
  V: '...-',
  W: '.--',
  X: '-..-',
  Y: '-.--',
  Z: '--..',
  0: '-----',
  1: '.----',
  2: '..---',
  3: '...--',
  4: '....-',
  5: '.....',
  6: '-....',
  7: '--...',
  8: '---..',
  9: '----.',
};

/** It is one signal: between its letters there may be a pause, or none. */
export const CALL_FOR_HELP = 'SOS';

/** Words of letters and digits, or short and long signals themselves, with a space between letters. */
export const SIGNALS = String.raw`[A-Z0-9]+(?: [A-Z0-9]+)*|[.-]+(?: [.-]+)*`;

/** Signals in groups between which there is a longer pause: `.... ..` of `HI`, `...---...` of `SOS`. */
export function groupsOf(signals: string): readonly string[] {
  if (/^[.\- ]+$/.test(signals)) return signals.split(' ');
  return signals.split(' ').flatMap((word) => {
    const letters = [...word].map((letter) => CODE[letter]!);
    return word === CALL_FOR_HELP ? [letters.join('')] : letters;
  });
}
