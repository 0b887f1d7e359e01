'use client';

import { BandNamer } from './BandNamer';
import { BandReader } from './BandReader';
import { BatteryLife, Charging, Divider, Heat, Mapping, PullResistor, Pwm } from './SmallCalculators';
import { LedResistor } from './LedResistor';

/** The calculators on their own, each with its formula and the numbers put in. */
export function ValueBench() {
  return (
    <div className="grid grid-cols-1 xl:grid-cols-2">
      <div className="border-ink xl:border-r">
        <LedResistor />
        <BandReader />
        <BandNamer />
        <Heat />
      </div>
      <div>
        <Divider />
        <PullResistor />
        <Pwm />
        <Mapping />
        <Charging />
        <BatteryLife />
      </div>
    </div>
  );
}
