import type { Rule } from './context';
import { noSeriesResistor, pinOvercurrent, polarityReversed } from './lamps';
import { legOpen, noReturn, partBypassed, railUnpowered } from './open';
import { pinReserved } from './pins';
import { pinShort, supplyShort } from './short';

export type { RuleContext, SolvedState } from './context';

/** Every rule on a wiring that needs no reference to compare with. */
export const wiringRules: readonly Rule[] = [
  partBypassed,
  polarityReversed,
  legOpen,
  noReturn,
  railUnpowered,
  supplyShort,
  pinShort,
  noSeriesResistor,
  pinOvercurrent,
  pinReserved,
];
