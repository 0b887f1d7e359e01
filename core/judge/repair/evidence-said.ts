import type { PointName, Ref } from '../../brand';
import type { FindingCode, Observation, Repair } from '../../findings/finding';

/** Findings of what is joined to a supply or to ground, or cut off from it. */
export const OF_RAILS: readonly FindingCode[] = [
  'rail-swapped',
  'supply-short',
  'short-when-pressed',
  'pin-short',
  'pull-wrong-way',
  'divider-reversed',
  'rail-unpowered',
  'polarity-reversed',
  'no-common-ground',
  'voltage-mismatch',
  'no-return',
];
/** Findings of a path that is broken. */
export const OF_GAPS: readonly FindingCode[] = [
  'no-common-ground',
  'rail-unpowered',
  'leg-open',
  'button-never-closes',
  'no-return',
  'pull-missing',
  'input-floating',
];
/** Findings of what should not be joined. */
export const OF_JOINTS: readonly FindingCode[] = [
  'supply-short',
  'short-when-pressed',
  'pin-short',
  'part-bypassed',
  'button-always-closed',
  'shared-pin',
  'part-extra',
];

/** What a change says by itself, where no rule has seen it. */
export const say = (
  code: FindingCode,
  refs: readonly Ref[],
  at: readonly PointName[],
  message: string,
  hints: Observation['hints'],
  repair: Repair,
  evidence: Observation['evidence'] = {},
): Observation => ({
  code,
  severity: 'fault',
  refs: [...refs],
  at: [...at],
  message,
  hints,
  evidence,
  repair,
});
