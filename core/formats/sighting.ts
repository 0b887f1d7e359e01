import * as z from 'zod';

/** What a student saw on the real bench. */
export const sightingSchema = z.enum(['right', 'dark', 'faint', 'other']);
export type Sighting = z.infer<typeof sightingSchema>;
