import * as z from 'zod';
import { ref } from '../brand';
import { stimulusSchema } from '../stimuli';
import type { Wanted } from '../generated/wanted';

const at = z.number().min(0);
const refSchema = z.string().transform((name) => ref(name));
const trackOf = <Name extends z.ZodType, Change extends z.ZodRawShape>(name: Name, change: Change) =>
  z.array(z.tuple([name, z.array(z.object({ at, ...change }))]));

/** What an exercise wants, as the server tells it: what is seen and heard, nothing of how it is made. */
export const wantedSchema = z.object({
  parts: z.array(z.object({ ref: refSchema, kind: z.string(), value: z.string() })),
  runs: z.array(
    z.object({
      name: z.string(),
      seconds: z.number().positive(),
      stimuli: z.array(stimulusSchema),
      lights: trackOf(z.string(), { currentMa: z.number() }),
      ownLights: trackOf(z.string(), { currentMa: z.number() }),
      sounds: trackOf(refSchema, { currentMa: z.number(), hertz: z.number() }),
      angles: trackOf(refSchema, { degrees: z.number() }),
      turns: trackOf(refSchema, { speed: z.number() }),
      pulls: trackOf(refSchema, { isPulled: z.boolean() }),
      pictures: trackOf(refSchema, { rows: z.array(z.number()) }),
      texts: trackOf(refSchema, { lines: z.array(z.string()) }),
      serial: z.array(z.object({ at, text: z.string() })),
    }),
  ),
}) satisfies z.ZodType<Wanted>;
