import * as z from 'zod';
import { textSchema } from './texts';

/** What becomes of a hand-in: taken as it is, or sent back for another try. */
export const outcomes = ['accepted', 'returned'] as const;
export type Outcome = (typeof outcomes)[number];

/** Longest remark, in characters. */
export const LONGEST_REMARK = 2000;
/** Most hand-ins that are decided at once: a class and more. */
const MOST_AT_ONCE = 300;

/** One decision for some hand-ins; `after` is the last decision of each that its maker has seen, or nothing. */
export const decisionSchema = z
  .strictObject({
    handIns: z
      .array(
        z.strictObject({
          id: z.uuid(),
          after: z
            .string()
            .regex(/^\d{1,18}$/)
            .nullable(),
        }),
      )
      .min(1)
      .max(MOST_AT_ONCE),
    outcome: z.enum(outcomes).nullable(),
    remark: textSchema(LONGEST_REMARK).trim(),
    marks: z.number('Marks are a number.').min(0, 'Marks are 0 or more.').max(9999).nullable(),
    reason: textSchema(LONGEST_REMARK).trim(),
  })
  .refine(
    ({ outcome, remark, marks }) => outcome !== null || remark !== '' || marks !== null,
    'There is nothing in this decision.',
  )
  .refine(({ marks, reason }) => marks === null || reason !== '', 'Say why the marks are other ones.')
  .refine(
    ({ outcome, remark }) => outcome !== 'returned' || remark !== '',
    'Say what is to be done before you send it back.',
  );
export type DecisionWish = z.infer<typeof decisionSchema>;

/** A decision as it was made. */
export interface Decision {
  /** Later ones have larger numbers. */
  readonly id: string;
  readonly submissionId: string;
  readonly by: string;
  readonly at: string;
  readonly outcome: Outcome | null;
  readonly remark: string;
  readonly marks: number | null;
  readonly reason: string;
}
