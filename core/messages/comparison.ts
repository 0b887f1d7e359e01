import * as z from 'zod';
import type { ComparedBuild } from '../judge/compared-build';

const markSchema = z.object({
  from: z.number(),
  to: z.number(),
  strength: z.enum(['full', 'faint']),
  label: z.string().optional(),
  picture: z.string().optional(),
  levels: z.array(z.number()).optional(),
});
const sortSchema = z.enum(['done', 'seen', 'heard', 'turned', 'shown']);
const linesSchema = z.object({ asked: z.array(z.int()), built: z.array(z.int()) });

/** The answer to who asks how a hand-in compares with the reference. */
export const comparisonSchema = z.object({
  runs: z.array(
    z.object({
      scenario: z.string(),
      seconds: z.number(),
      done: z.array(z.object({ name: z.string(), sort: sortSchema, marks: z.array(markSchema) })),
      rows: z.array(
        z.object({
          name: z.string(),
          builtName: z.string().optional(),
          sort: sortSchema,
          asked: z.array(markSchema),
          built: z.array(markSchema),
        }),
      ),
      first: z
        .object({
          at: z.number(),
          part: z.string(),
          asked: z.string(),
          built: z.string(),
          by: z.enum(['program', 'wiring']),
          askedLine: z.int().optional(),
          builtLine: z.int().optional(),
        })
        .optional(),
      printed: z.object({ asked: z.string(), built: z.string() }).optional(),
    }),
  ),
  lines: linesSchema,
  parts: z.object({ asked: z.array(z.string()), built: z.array(z.string()) }),
}) satisfies z.ZodType<ComparedBuild>;
