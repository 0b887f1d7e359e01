import { slipsInLetters } from './in-letters';
import { slipsInLists } from './in-lists';
import { slipsInMeasures } from './in-measures';
import { slipsInPython } from './in-python';
import { slipsInTime } from './in-time';
import type { OwnSlips } from './own-slips';

/** Slips as beginners make them, written by hand, in programs that are not the exercise's own. */
export const ownSlips: readonly OwnSlips[] = [
  ...slipsInLists,
  ...slipsInMeasures,
  ...slipsInTime,
  ...slipsInLetters,
  ...slipsInPython,
];
export type { OwnSlip, OwnSlips } from './own-slips';
