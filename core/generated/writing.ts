import type { Language } from '../program';
import type { HookedPin } from './hookup';

/** How a course writes names: `RED_LAMP`, `redLamp`, `red_lamp`. */
export type NameStyle = 'upper' | 'camel' | 'snake';

/** How a course names pins in programs. */
export type PinNames = 'constants' | 'constants-when-twice' | 'numbers';

const styles: Readonly<Record<NameStyle, (words: readonly string[]) => string>> = {
  upper: (words) => words.join('_').toUpperCase(),
  camel: (words) =>
    words.map((word, index) => (index === 0 ? word : word[0]!.toUpperCase() + word.slice(1))).join(''),
  snake: (words) => words.join('_'),
};

/** The name of a pin in a program. `switch` is a word of the language, so a switch is called by more than that. */
export const nameOf = ({ words }: Pick<HookedPin, 'words'>, style: NameStyle): string => {
  const name = styles[style](words);
  return name === 'switch' ? styles[style](['slide', 'switch']) : name;
};

/** How a pin is named on the board in a language. */
export const pinText = ({ pin, number }: HookedPin, language: Language): string =>
  language === 'python'
    ? `board.${/^\d/.test(pin) ? `D${pin}` : pin}`
    : /^[A-Z]/.test(pin)
      ? pin
      : String(number);

/** What a generated program is made for. */
export interface Writing {
  readonly language: Language;
  readonly names: NameStyle;
  /** Which pins get a name: all, those whose number would stand there twice, or none. */
  readonly pinNames: PinNames;
  readonly title: string;
}

/** What begins a comment. */
export const commentSign = (language: Language): string => (language === 'python' ? '#' : '//');
