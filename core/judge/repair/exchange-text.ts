/** What two words in each other's places have to become. */
export const exchangeText = (one: string, line: number, other: string, otherLine: number): string =>
  line === otherLine
    ? `Exchange ${one} and ${other} in line ${line}.`
    : `Exchange ${one} in line ${line} and ${other} in line ${otherLine}.`;
