/**
 * A junction with series resistance: i = Is·(exp((v − i·Rs)/(n·Vt)) − 1), the usual diode equation
 * (Shockley, 1949) with an ohmic part.
 */
export interface JunctionModel {
  readonly saturationA: number;
  /** n·Vt in volts, at 300 K. */
  readonly slopeVolts: number;
  readonly seriesOhms: number;
}

/** Thermal voltage k·T/q at 300.15 K, the temperature at which reference simulators start. */
export const THERMAL_VOLTS = 0.025865;

/**
 * Fits a junction to the forward voltages that a data sheet gives at 1 mA and 20 mA, for an emission
 * coefficient n. The series resistance takes what the exponential leaves of the difference.
 */
export function fitJunction(voltsAt1Ma: number, voltsAt20Ma: number, emission = 2): JunctionModel {
  const slopeVolts = emission * THERMAL_VOLTS;
  const seriesOhms = Math.max(0, (voltsAt20Ma - voltsAt1Ma - slopeVolts * Math.log(20)) / 0.019);
  const saturationA = 1e-3 / Math.expm1((voltsAt1Ma - 1e-3 * seriesOhms) / slopeVolts);
  return { saturationA, slopeVolts, seriesOhms };
}

/** Current in A through a junction at `volts`, and the conductance di/dv in S at that point. */
export interface JunctionPoint {
  readonly amps: number;
  readonly siemens: number;
}

/**
 * Solves the junction for its own series resistance, so that the circuit needs no inner node for it.
 * Newton in the junction's inner voltage, which converges from any start because the starting point
 * lies above the solution and the equation is convex there.
 */
export function junctionAt(model: JunctionModel, volts: number): JunctionPoint {
  const { saturationA, slopeVolts, seriesOhms } = model;
  if (seriesOhms === 0 || volts <= 0) {
    const capped = Math.min(volts / slopeVolts, 200);
    const growth = Math.exp(capped);
    const amps = saturationA * (growth - 1);
    const siemens = (saturationA / slopeVolts) * growth;
    return { amps, siemens: siemens / (1 + seriesOhms * siemens) };
  }
  // Start: the smaller of the whole voltage and the voltage at which Rs alone would carry the rest.
  let inner = Math.min(volts, slopeVolts * Math.log1p(volts / (seriesOhms * saturationA)));
  for (let round = 0; round < 60; round += 1) {
    const growth = Math.exp(inner / slopeVolts);
    const residue = inner + seriesOhms * saturationA * (growth - 1) - volts;
    const slope = 1 + (seriesOhms * saturationA * growth) / slopeVolts;
    const step = residue / slope;
    inner -= step;
    if (Math.abs(step) < 1e-13) break;
  }
  const growth = Math.exp(inner / slopeVolts);
  const inside = (saturationA / slopeVolts) * growth;
  return { amps: saturationA * (growth - 1), siemens: inside / (1 + seriesOhms * inside) };
}

/** Current at which a small indicator LED is clearly lit, in mA. */
export const LIT_MA = 3;

/** Volts across a junction that carries `currentMa`: the inverse of the diode equation, with its series resistance. */
export const forwardVoltsAt = (model: JunctionModel, currentMa: number): number =>
  model.slopeVolts * Math.log1p(currentMa / 1e3 / model.saturationA) + (currentMa / 1e3) * model.seriesOhms;
