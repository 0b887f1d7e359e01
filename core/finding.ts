import { z } from 'zod';

/**
 * Every finding code, in the order of the tables in docs/findings.md. The order decides between
 * causes that are otherwise equal. Codes are stable names that reports, statistics and exports carry.
 */
export const wiringCodes = [
  'part-bypassed',
  'polarity-reversed',
  'leg-open',
  'no-return',
  'off-by-one',
  'gap-not-crossed',
  'rail-unpowered',
  'rail-swapped',
  'supply-short',
  'short-when-pressed',
  'pin-short',
  'shared-resistor',
  'headroom',
  'no-series-resistor',
  'resistor-value',
  'wrong-part',
  'part-missing',
  'part-extra',
  'wrong-pin',
  'pin-lacks-function',
  'pin-reserved',
  'shared-pin',
  'button-always-closed',
  'button-never-closes',
  'input-floating',
  'pull-missing',
  'pull-wrong-way',
  'divider-reversed',
  'pin-overcurrent',
  'port-overcurrent',
  'supply-overcurrent',
  'voltage-mismatch',
  'no-common-ground',
  'actuator-from-pin',
  'supply-sag',
  'inductive-no-diode',
  'module-lines-swapped',
  'leads-may-touch',
  'wire-colour',
  'layout-convention',
] as const;

export const programCodes = [
  'syntax-semicolon',
  'syntax-brace',
  'syntax-paren',
  'syntax-quote',
  'syntax-other',
  'name-case',
  'name-unknown',
  'name-out-of-scope',
  'name-redeclared',
  'missing-entry',
  'arguments',
  'assign-in-condition',
  'empty-body',
  'indentation',
  'colon-missing',
  'direction-unset',
  'pullup-unset',
  'logic-inverted',
  'pin-disagrees',
  'pin-unused',
  'state-reset',
  'missing-pause',
  'turn-overlap',
  'missed-input',
  'wait-in-interrupt',
  'shared-not-volatile',
  'double-count',
  'no-debounce',
  'repeats-while-held',
  'negative-pause',
  'out-of-range',
  'number-overflow',
  'integer-division',
  'serial-not-started',
  'serial-rate',
  'magic-number',
  'never-ends',
  'runtime-error',
] as const;

export const behaviourCodes = [
  'not-lit',
  'not-dark',
  'stays-on',
  'stays-off',
  'too-dim',
  'too-bright',
  'timing-off',
  'order-wrong',
  'count-wrong',
  'no-response',
  'late-response',
  'unsteady',
  'wrong-direction',
  'angle-off',
  'tone-off',
  'text-off',
  'picture-off',
  'colour-off',
  'variety-off',
  'bench-disagrees',
] as const;

/** What keeps a build from being judged: it is about the check, and says nothing of the build. */
export const judgingCodes = ['not-judged'] as const;

export const findingCodes = [...wiringCodes, ...programCodes, ...behaviourCodes, ...judgingCodes] as const;
export const findingCodeSchema = z.enum(findingCodes);
export type FindingCode = z.infer<typeof findingCodeSchema>;

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
  code: findingCodeSchema,
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

/** Joins words as a sentence does: `a, b and c`. */
export const listText = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
