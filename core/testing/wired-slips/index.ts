import type { WiredSlips } from './wired-slips';
import { window } from './window';
import { parking } from './parking';
import { fan } from './fan';
import { railSignal } from './rail-signal';
import { alarm } from './alarm';
import { crossfade } from './crossfade';
import { digit } from './digit';
import { thermoDisplay } from './thermo-display';
import { counterLights } from './counter-lights';
import { plant } from './plant';
import { doorbellBattery } from './doorbell-battery';
import { twoWay } from './two-way';
import { batteryDimmer } from './battery-dimmer';
import { inSeries } from './in-series';
import { levelCrossing } from './level-crossing';
import { porch } from './porch';
import { hoist } from './hoist';
import { theremin } from './theremin';

/** Exercises of kinds that the course has none of, with what beginners wire wrongly in them. */
export const wiredSlips: readonly WiredSlips[] = [
  window,
  parking,
  fan,
  railSignal,
  counterLights,
  plant,
  thermoDisplay,
  digit,
  alarm,
  crossfade,
  doorbellBattery,
  twoWay,
  batteryDimmer,
  inSeries,
  levelCrossing,
  porch,
  hoist,
  theremin,
];
