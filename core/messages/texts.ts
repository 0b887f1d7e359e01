import * as z from 'zod';

/** A text that the database can hold and every reader can read. */
export const textSchema = (longest: number) =>
  z
    .string()
    .max(longest, { error: () => `At most ${longest.toLocaleString('en')} characters.` })
    .refine((text) => !/\0|\p{Surrogate}/u.test(text), 'This contains a character that can’t be stored.');
