import { forwardVoltsAt, type JunctionModel } from '../../solver/junction';
import { seriesResistorOhms } from './formulas';
import { neighbours, nearestInSeries, type Series } from './series';

/** A resistor that can be taken, and the current that it gives. */
export interface ResistorChoice {
  readonly ohms: number;
  readonly currentMa: number;
}

export interface LedResistor {
  /** What the formula gives at the wanted current, in Ω; not above 0 when the supply does not reach. */
  readonly exactOhms: number;
  /** The nearest value of the series. */
  readonly seriesOhms: number | undefined;
  /** The kit's nearest smaller and larger value, each with its current. */
  readonly smaller: ResistorChoice | undefined;
  readonly larger: ResistorChoice | undefined;
}

/** The resistor of an LED: exact, of the series, and the kit's neighbours with the current each gives. */
export function ledResistor(
  led: JunctionModel,
  supplyVolts: number,
  currentMa: number,
  kit: readonly number[],
  series: Series = 'E12',
): LedResistor {
  const exactOhms = seriesResistorOhms(supplyVolts, forwardVoltsAt(led, currentMa), currentMa);
  const { below, above } = neighbours(exactOhms, kit);
  const choice = (ohms: number | undefined): ResistorChoice | undefined =>
    ohms === undefined ? undefined : { ohms, currentMa: ledCurrentMa(led, supplyVolts, ohms) };
  return {
    exactOhms,
    seriesOhms: exactOhms > 0 ? nearestInSeries(exactOhms, series) : undefined,
    smaller: choice(below),
    larger: choice(above),
  };
}

/** Current in mA of an LED behind a resistor: where the LED's curve meets the resistor's line, by halving. */
export function ledCurrentMa(led: JunctionModel, supplyVolts: number, ohms: number): number {
  let [low, high] = [0, (supplyVolts / ohms) * 1e3];
  for (let round = 0; round < 60; round += 1) {
    const middle = (low + high) / 2;
    if (forwardVoltsAt(led, middle) + (middle * ohms) / 1e3 > supplyVolts) high = middle;
    else low = middle;
  }
  return low;
}
