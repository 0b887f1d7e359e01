import { ohmsText } from '../parts';

/** What a class kit holds of the values that lines ask for. */
export interface Kit {
  /** Resistors, in Ω, in rising order. */
  readonly ohms: readonly number[];
}

/** The resistors that a beginners' kit usually has. */
export const USUAL_KIT: Kit = {
  ohms: [100, 150, 220, 330, 470, 560, 680, 1e3, 1.5e3, 2.2e3, 3.3e3, 4.7e3, 10e3, 22e3, 47e3, 100e3, 1e6],
};

/** Whether the kit holds a resistance, up to rounding. */
export const holds = ({ ohms }: Kit, amount: number): boolean =>
  ohms.some((value) => Math.abs(value - amount) < amount * 1e-6);

/** The kit's values nearest to an amount by ratio, nearest first. */
export const nearestInKit = ({ ohms }: Kit, amount: number, most = 2): readonly string[] =>
  [...ohms]
    .sort((a, b) => Math.abs(Math.log(a / amount)) - Math.abs(Math.log(b / amount)))
    .slice(0, most)
    .map(ohmsText);
