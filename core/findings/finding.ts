import * as z from 'zod';
import { findingCodes } from './table';

export type { FindingCode } from './table';

/** `fault`: does not do the job. `risk`: works today, can damage or fail. `advice`: style and habit. */
export const severitySchema = z.enum(['fault', 'risk', 'advice']);
export type Severity = z.infer<typeof severitySchema>;

export const textEditSchema = z.object({
  line: z.int().min(1),
  column: z.int().min(1),
  length: z.int().min(0),
  by: z.string(),
});
/** Replaces `length` characters at a 1-based place of the program by other text. */
export type TextEdit = Readonly<z.infer<typeof textEditSchema>>;

export const editSchema = z.union([
  z.object({ move: z.string(), from: z.string(), to: z.string() }),
  z.object({ flip: z.string() }),
  z.object({ value: z.string(), to: z.string() }),
  z.object({ add: z.string() }),
  z.object({ remove: z.string() }),
  z.object({ replace: textEditSchema }),
]);
/** One change to a build: of its wiring or of its program. */
export type Edit = Readonly<z.infer<typeof editSchema>>;

export const repairSchema = z.object({ text: z.string(), edits: z.array(editSchema).min(1).readonly() });
export type Repair = Readonly<z.infer<typeof repairSchema>>;

export const quantitySchema = z.object({ amount: z.number(), unit: z.string() });
/** A computed number with its unit: `{ amount: 84.1, unit: 'mA' }`. */
export type Quantity = Readonly<z.infer<typeof quantitySchema>>;

export const findingSchema = z.object({
  code: z.enum(findingCodes),
  severity: severitySchema,
  /** Whether repairing this makes others disappear; consequences are folded under causes. */
  cause: z.boolean(),
  refs: z.array(z.string()),
  at: z.array(z.string()),
  line: z.int().min(1).optional(),
  column: z.int().min(1).optional(),
  message: z.string(),
  hints: z.tuple([z.string(), z.string(), z.string()]),
  evidence: z.record(z.string(), quantitySchema),
  repair: repairSchema.optional(),
});
export type Finding = Readonly<z.infer<typeof findingSchema>>;

/** What a detector says; causes are decided later, from repairs. */
export type Observation = Omit<Finding, 'cause' | 'refs' | 'at' | 'evidence'> &
  Partial<Pick<Finding, 'refs' | 'at' | 'evidence'>>;

export const toFinding = (seen: Observation): Finding => ({
  ...seen,
  cause: false,
  refs: seen.refs ?? [],
  at: seen.at ?? [],
  evidence: seen.evidence ?? {},
});

export const quantity = (amount: number, unit: string): Quantity => ({ amount, unit });
