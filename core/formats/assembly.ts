import * as z from 'zod';

const words = z.string().max(400);

/** A piece of a build that is put together by itself. */
export const assemblySchema = z.object({
  name: words.min(1),
  /** The parts that go into it. */
  refs: z.array(z.string().max(80)).max(300).default([]),
  /** What is done, a line for each hold of the hand. */
  steps: z.array(words.min(1)).max(40).default([]),
  fasteners: z
    .array(z.object({ what: words.min(1), count: z.int().min(1).max(1000) }))
    .max(20)
    .default([]),
});
export type Assembly = Readonly<z.infer<typeof assemblySchema>>;

/** A value that is found on each bench, and kept for it. */
export const calibrationSchema = z.object({
  name: words.min(1),
  /** The part that it is of. */
  ref: z.string().max(80).optional(),
  unit: z.string().max(20).default(''),
  /** Where it usually lies; what is beyond is asked about again. */
  from: z.number().optional(),
  to: z.number().optional(),
});
export type Calibration = Readonly<z.infer<typeof calibrationSchema>>;

/** A picture of the author's own. Its bytes are kept beside the exercise, under its id. */
export const pictureSchema = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  caption: words.default(''),
  /** The part at whose step it stands; at the head of the build without one. */
  step: z.string().max(80).optional(),
});
export type PictureOf = Readonly<z.infer<typeof pictureSchema>>;
