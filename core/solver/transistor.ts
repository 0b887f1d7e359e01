import { THERMAL_VOLTS } from './junction';

/** An NPN transistor by the transport form of the Ebers–Moll equations (Ebers and Moll, 1954). */
export interface TransistorModel {
  readonly saturationA: number;
  readonly forwardGain: number;
  readonly reverseGain: number;
}

/** The usual small switching transistor: a gain of 150. */
export const SMALL_SIGNAL_NPN: TransistorModel = { saturationA: 1e-14, forwardGain: 150, reverseGain: 4 };

/** Currents in A into base and collector, and their slopes in S by base–emitter and base–collector volts. */
export interface TransistorPoint {
  readonly baseA: number;
  readonly collectorA: number;
  readonly baseByForward: number;
  readonly baseByReverse: number;
  readonly collectorByForward: number;
  readonly collectorByReverse: number;
}

/** Conductance across both junctions that keeps a blocked transistor solvable, in S; simulators do the same. */
const GMIN = 1e-12;

/** Solves the transistor at these base–emitter and base–collector volts. */
export function transistorAt(model: TransistorModel, forward: number, reverse: number): TransistorPoint {
  const { saturationA, forwardGain, reverseGain } = model;
  const growth = (volts: number): number => Math.exp(Math.min(volts / THERMAL_VOLTS, 80));
  const [onward, back] = [growth(forward), growth(reverse)];
  const forwardA = saturationA * (onward - 1) + GMIN * forward;
  const reverseA = saturationA * (back - 1) + GMIN * reverse;
  const forwardSlope = (saturationA * onward) / THERMAL_VOLTS + GMIN;
  const reverseSlope = (saturationA * back) / THERMAL_VOLTS + GMIN;
  return {
    baseA: forwardA / forwardGain + reverseA / reverseGain,
    collectorA: forwardA - reverseA * (1 + 1 / reverseGain),
    baseByForward: forwardSlope / forwardGain,
    baseByReverse: reverseSlope / reverseGain,
    collectorByForward: forwardSlope,
    collectorByReverse: -reverseSlope * (1 + 1 / reverseGain),
  };
}

/**
 * Keeps a junction's next voltage from running up its exponential: beyond the critical voltage it may
 * only grow with the logarithm of the step (Nagel, 1975).
 */
export function limitedVolts(next: number, before: number, saturationA: number): number {
  const critical = THERMAL_VOLTS * Math.log(THERMAL_VOLTS / (Math.SQRT2 * saturationA));
  if (next <= critical || Math.abs(next - before) <= 2 * THERMAL_VOLTS) return next;
  if (before <= 0) return THERMAL_VOLTS * Math.log(next / THERMAL_VOLTS);
  const share = 1 + (next - before) / THERMAL_VOLTS;
  return share > 0 ? before + THERMAL_VOLTS * Math.log(share) : critical;
}
