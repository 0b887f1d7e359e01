/** Colours of an RGB LED as people call them, each with its name here. */
const CALLED: Readonly<Record<string, string>> = {
  red: 'red',
  green: 'green',
  blue: 'blue',
  yellow: 'yellow',
  orange: 'orange',
  white: 'white',
  turquoise: 'turquoise',
  cyan: 'turquoise',
  aqua: 'turquoise',
  violet: 'violet',
  purple: 'violet',
  magenta: 'violet',
  pink: 'violet',
};

/** Any of them, as a pattern. */
export const COLOUR = Object.keys(CALLED).join('|');

/** What a colour is called here. */
export const colourCalled = (word: string): string => CALLED[word.toLowerCase()] ?? word;
