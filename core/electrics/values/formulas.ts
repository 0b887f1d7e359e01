/**
 * The formulas of a beginner's value bench, one function each. Amounts are in SI units except where the
 * name says otherwise (mA, mW, mAh). None of them decides what a circuit does: that is the solver's.
 */

/**
 * Series resistor of an LED in Ω, from supply and forward volts and the wanted current in mA:
 * R = (U − Uf) / I. Not above 0 when the supply does not reach.
 */
export const seriesResistorOhms = (supplyVolts: number, forwardVolts: number, currentMa: number): number =>
  ((supplyVolts - forwardVolts) / currentMa) * 1e3;

/** Current in mA through a series resistor: I = (U − Uf) / R; 0 when the supply does not reach. */
export const seriesCurrentMa = (supplyVolts: number, forwardVolts: number, ohms: number): number =>
  Math.max(0, ((supplyVolts - forwardVolts) / ohms) * 1e3);

/** Volts in the middle of a divider without load: U · R2 / (R1 + R2), R2 towards ground. */
export const dividerVolts = (supplyVolts: number, upperOhms: number, lowerOhms: number): number =>
  (supplyVolts * lowerOhms) / (upperOhms + lowerOhms);

/** What a pull resistor costs and leaves. */
export interface PullStrength {
  /** Current in mA while the button is pressed. */
  readonly pressedMa: number;
  /** Volts by which a leaking input is off the level it is pulled to. */
  readonly offsetVolts: number;
  /** Whether the level is safe: off by less than a tenth of the supply. */
  readonly isFirm: boolean;
}

/** Strength of a pull resistor against an input that leaks as `leakOhms`. */
export function pullStrength(supplyVolts: number, pullOhms: number, leakOhms: number): PullStrength {
  const offsetVolts = (supplyVolts * pullOhms) / (pullOhms + leakOhms);
  return { pressedMa: (supplyVolts / pullOhms) * 1e3, offsetVolts, isFirm: offsetVolts < supplyVolts / 10 };
}

/** Time constant in s: τ = R · C. */
export const timeConstantSeconds = (ohms: number, farads: number): number => ohms * farads;

/** Time in s until a capacitor that is charged through a resistor reaches a share (0 to 1) of the supply. */
export const chargeSeconds = (ohms: number, farads: number, share: number): number =>
  -timeConstantSeconds(ohms, farads) * Math.log(1 - share);

/** Mean volts of a PWM pin: duty · U. */
export const pwmMeanVolts = (count: number, range: number, highVolts: number): number =>
  (count / range) * highVolts;

/** Count of an analog input at these volts, as converters give it: floor(U / Uref · (range + 1)), within the range. */
export const analogCount = (volts: number, range: number, referenceVolts: number): number =>
  Math.max(0, Math.min(range, Math.floor((volts / referenceVolts) * (range + 1))));

/** A range of counts. */
export type Span = readonly [from: number, to: number];

/**
 * A count mapped from one range to another as the usual library function does it in whole numbers: the
 * fraction is cut off towards zero. Ends may be in either order; a `from` of no width gives NaN.
 */
export const mapped = (count: number, from: Span, to: Span): number =>
  Math.trunc(((count - from[0]) * (to[1] - to[0])) / (from[1] - from[0])) + to[0];

/** The counts that `mapped` sends to one value: lowest and highest; `undefined` when none does. */
export function mappedFrom(value: number, from: Span, to: Span): Span | undefined {
  const [low, high] = [Math.min(...from), Math.max(...from)];
  let first: number | undefined;
  let last: number | undefined;
  for (let count = low; count <= high; count += 1)
    if (mapped(count, from, to) === value) {
      first ??= count;
      last = count;
    }
  return first === undefined || last === undefined ? undefined : [first, last];
}

/** Power in mW that a resistance turns into heat at a current in mA: P = I² · R. */
export const powerMw = (currentMa: number, ohms: number): number => (currentMa * currentMa * ohms) / 1e3;

/** Hours that a battery lasts: its charge in mAh over the mean current in mA; endless at none. */
export const batteryHours = (chargeMah: number, meanMa: number): number =>
  meanMa > 0 ? chargeMah / meanMa : Number.POSITIVE_INFINITY;

/** A sum of currents against a limit, in mA. */
export interface LimitUse {
  readonly what: string;
  readonly currentMa: number;
  readonly limitMa: number;
  /** Share of the limit that is used; above 1 it is passed. */
  readonly share: number;
}

/** The uses of limits, the tightest first: what breaks first when everything grows alike. */
export const tightestFirst = (uses: readonly Omit<LimitUse, 'share'>[]): readonly LimitUse[] =>
  uses.map((use) => ({ ...use, share: use.currentMa / use.limitMa })).sort((a, b) => b.share - a.share);
