/** A moment, in ms, as the clock on the wall shows it: `18:05`. */
export const wallClock = (at: number): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
