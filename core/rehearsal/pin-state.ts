import type { BoardPin } from '../boards';
import type { PinDrive } from '../electrics/bench';

/** What a program has told a pin to be. */
export interface PinState {
  readonly pin: BoardPin;
  output: boolean;
  latch: boolean;
  pulledDown: boolean;
  duty: number | undefined;
  /** Periods a second, where it is not the board's own PWM. */
  hertz: number | undefined;
  lastRead: 0 | 1;
}

/** A pin that nothing was told yet: an input. */
export const pinAtRest = (pin: BoardPin): PinState => ({
  pin,
  output: false,
  latch: false,
  pulledDown: false,
  duty: undefined,
  hertz: undefined,
  lastRead: 0,
});

/**
 * What a pin does to the circuit in that state. A serial line that has started keeps its two pins, whatever the
 * program tells them: both are high while nothing is sent, and what is sent is too short to see.
 */
export function driveOf(state: PinState, isSerial: boolean): PinDrive {
  if (isSerial) return { mode: state.pin.serialEnd === 'out' ? 'high' : 'pullup' };
  if (!state.output) return { mode: state.latch ? 'pullup' : state.pulledDown ? 'pulldown' : 'input' };
  const { duty, hertz } = state;
  if (duty !== undefined) return { mode: 'pwm', duty, ...(hertz === undefined ? {} : { hertz }) };
  return { mode: state.latch ? 'high' : 'low' };
}
