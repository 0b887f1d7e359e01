import type { Finding } from './finding';
import { rowOf } from './table';

/** Whether a finding is told at once, with its place: hints are for what can wait, and a hazard cannot. */
export const isToldAtOnce = ({ code, severity }: Pick<Finding, 'code' | 'severity'>): boolean =>
  rowOf(code).isHazard === true || severity === 'risk';
