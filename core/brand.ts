declare const brand: unique symbol;

/** A primitive with a meaning of its own, so that a part name is never passed for a point. */
export type Brand<T, Name extends string> = T & { readonly [brand]: Name };

/** Name of a placed part: `D1`, `W2`, `U1`. Upper case. */
export type Ref = Brand<string, 'Ref'>;

/** Name of a leg of one kind of part: `anode`, `1`, `wiper`. Lower case. */
export type LegName = Brand<string, 'LegName'>;

/** Full name of a point: `B1.a5`, `B1.a-6`, `U1.13`, `D1.anode`. */
export type PointName = Brand<string, 'PointName'>;

export const ref = (text: string): Ref => text as Ref;
export const legName = (text: string): LegName => text as LegName;
export const pointName = (text: string): PointName => text as PointName;

/** Several leg names at once, for destructuring: `const [base, emitter] = legNames('base', 'emitter')`. */
export const legNames = <const Names extends readonly string[]>(
  ...names: Names
): { readonly [Index in keyof Names]: LegName } =>
  names as unknown as { readonly [Index in keyof Names]: LegName };
