/** Longest program that is read, in characters: some six hundred lines. */
export const PROGRAM_LIMIT = 20_000;
