/** Colours of things themselves, the same in both themes. */
export const wireColours: Readonly<Record<string, string>> = {
  black: '#2b3238',
  red: '#c8331f',
  yellow: '#e0a800',
  green: '#2f8f4e',
  blue: '#2a6fb8',
  white: '#c2bba6',
  orange: '#dd7a1c',
  grey: '#8b9399',
  gray: '#8b9399',
  violet: '#7b4fa3',
  purple: '#7b4fa3',
  brown: '#7a4f2e',
};
export const glassColours: Readonly<Record<string, string>> = {
  red: '#e2604d',
  amber: '#f2b134',
  orange: '#ee9140',
  yellow: '#f3d34a',
  green: '#69b874',
  blue: '#6d9fdc',
  white: '#f3f1e6',
};
export const bandColours: Readonly<Record<string, string>> = {
  black: '#22282c',
  brown: '#7a4a24',
  red: '#c0311f',
  orange: '#e07a1a',
  yellow: '#e9c11f',
  green: '#2f8a4c',
  blue: '#2c66b0',
  violet: '#7a4a9c',
  grey: '#8a9095',
  white: '#f4f2ea',
  gold: '#b8952f',
  silver: '#b4b8ba',
};
/** What an LED's light looks like where its glass is lit from inside. */
export const lightColours: Readonly<Record<string, string>> = {
  red: '#ff3a24',
  amber: '#ffb20a',
  orange: '#ff8616',
  yellow: '#ffe12e',
  green: '#35d957',
  blue: '#3d97ff',
  white: '#fffbe0',
};
