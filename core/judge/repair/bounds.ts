/** What a search may take: about a second. */
export const WHOLE = 9.5e8;
/** For two changes of a program: few of the many are what was meant. */
export const OF_TWO_IN_PROGRAM = 2e8;
/** For one change of a program that is the exercise's own but for several. */
export const OF_ONE_OF_SEVERAL = 2e8;
/** For changes of a program that nothing speaks for. */
export const OF_GUESSES = 5.5e8;
/** For what can be said of a build that nothing was found for. */
export const OF_A_PART = 1e8;
/** Cost under which a single change is taken without looking for two. */
export const PLAIN = 2;
/** By how much a change of the program has to be smaller than the way to the circuit that was asked for. */
export const OTHER_WAY = 1;
/** Changes that are tried on a program that does not compile. */
export const MOST_FIRST_CHANGES = 20;
/** Changes that are tried behind one that passes by accident. */
export const MORE_AFTER_AN_ACCIDENT = 150;
/** Changes that are tried behind one that passes, holds, and does something else where nobody looks. */
export const MORE_AFTER_ANOTHER_FORM = 45;
/** Slips of a program that is the exercise's own but for them. */
export const MOST_SLIPS = 4;
/** First changes that are kept to try second ones on. */
export const BEAM = 8;
