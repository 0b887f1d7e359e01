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

/** Solves the transistor at these base–emitter and base–collector volts. */
export function transistorAt(model: TransistorModel, forward: number, reverse: number): TransistorPoint {
  const grow = (volts: number): number => Math.exp(Math.min(volts / THERMAL_VOLTS, 80));
  const [onward, back] = [grow(forward), grow(reverse)];
  const { saturationA, forwardGain, reverseGain } = model;
  const slopeForward = (saturationA * onward) / THERMAL_VOLTS;
  const slopeReverse = (saturationA * back) / THERMAL_VOLTS;
  return {
    baseA: (saturationA * (onward - 1)) / forwardGain + (saturationA * (back - 1)) / reverseGain,
    collectorA: saturationA * (onward - back) - (saturationA * (back - 1)) / reverseGain,
    baseByForward: slopeForward / forwardGain,
    baseByReverse: slopeReverse / reverseGain,
    collectorByForward: slopeForward,
    collectorByReverse: -slopeReverse * (1 + 1 / reverseGain),
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
