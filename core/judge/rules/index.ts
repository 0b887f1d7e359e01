import { actuatorFromPin, inductiveNoDiode, supplySag } from './actuators';
import { buttonAlwaysClosed, buttonNeverCloses } from './buttons';
import type { Rule } from './context';
import { batteryReversed, noCommonGround, railSwapped } from './grounds';
import { inputFloating, pinLacksFunction, pullWrongWay } from './inputs';
import { headroom, noSeriesResistor, pinOvercurrent, sharedResistor } from './lamps';
import { leadsMayTouch, wireColour } from './looks';
import { legOpen, noReturn, partBypassed, railUnpowered } from './open';
import { portOvercurrent, supplyOvercurrent } from './overload';
import { pinReserved } from './pins';
import { polarityReversed } from './polarity';
import { pinShort, shortWhenPressed, supplyShort } from './short';
import { voltageMismatch } from './volts';

export type { RuleContext, SolvedState } from './context';

/** Every rule on a wiring that needs no reference to compare with, in the order of the findings. */
export const wiringRules: readonly Rule[] = [
  partBypassed,
  polarityReversed,
  batteryReversed,
  legOpen,
  noReturn,
  railUnpowered,
  railSwapped,
  supplyShort,
  shortWhenPressed,
  pinShort,
  sharedResistor,
  headroom,
  noSeriesResistor,
  pinLacksFunction,
  pinReserved,
  buttonAlwaysClosed,
  buttonNeverCloses,
  inputFloating,
  pullWrongWay,
  pinOvercurrent,
  portOvercurrent,
  supplyOvercurrent,
  voltageMismatch,
  noCommonGround,
  actuatorFromPin,
  supplySag,
  inductiveNoDiode,
  leadsMayTouch,
  wireColour,
];
