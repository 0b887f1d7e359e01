import * as z from 'zod';

/** An id as an argument of an action: whatever a browser sends may be anything. */
export const idSchema = z.uuid('This no longer exists.');

/** How something is to be shared: with all who teach, or with whom and how far. */
export const sharingChangeSchema = z.union([
  z.strictObject({ visibleTo: z.enum(['all', 'shared']) }),
  z.strictObject({ staffId: idSchema, may: z.enum(['look', 'edit']).nullable() }),
]);

/** The first thing that is wrong, in the words of its schema. */
export const saidBy = ({ issues }: z.ZodError): string => issues[0]?.message ?? 'This cannot be read.';
