/** Sensible digits for a person: two significant ones below ten, none after the point above hundred. */
export function figure(amount: number): string {
  const size = Math.abs(amount);
  if (size === 0) return '0';
  if (size >= 100) return amount.toFixed(0);
  if (size >= 10) return trimmed(amount.toFixed(1));
  if (size >= 1) return amount.toFixed(1);
  if (size >= 0.01) return trimmed(amount.toFixed(2));
  if (size < 1e-6) return '0';
  return trimmed(amount.toFixed(Math.ceil(-Math.log10(size))));
}

/** A number without more digits than it has, and at most two behind the point: `3`, `0.5`. */
export const plainNumber = (amount: number): string => String(Number(amount.toFixed(2)));

const trimmed = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** A current in mA; from 1 A on in amperes. */
export const milliamps = (currentMa: number): string =>
  Math.abs(currentMa) >= 1000 ? `${figure(currentMa / 1000)} A` : `${figure(currentMa)} mA`;
export const volts = (amount: number): string => `${figure(amount)} V`;
export const ohms = (amount: number): string =>
  amount >= 1e6
    ? `${figure(amount / 1e6)} MΩ`
    : amount >= 1e3
      ? `${figure(amount / 1e3)} kΩ`
      : `${figure(amount)} Ω`;

/** A duration as a beginner reads it: `0.50 s`, `2.5 s`, `12 s`, `3 ms`. */
export function seconds(amount: number): string {
  if (amount === 0) return '0 s';
  if (amount < 0.0001) return `${figure(amount * 1e6)} µs`;
  if (amount < 0.1) return `${figure(amount * 1e3)} ms`;
  if (amount < 1) return `${amount.toFixed(2)} s`;
  return `${trimmed(amount.toFixed(amount < 10 ? 2 : 1))} s`;
}

/** A stretch of time as it stands in a sentence: `from 1.2 s to 3 s`; of one too short for that, `for 0.40 ms at 1.2 s`. */
export const stretch = (from: number, to: number): string =>
  seconds(from) === seconds(to)
    ? `for ${seconds(to - from)} at ${seconds(from)}`
    : `from ${seconds(from)} to ${seconds(to)}`;

/** `once`, `twice`, `4 times`. */
export const times = (count: number): string =>
  count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`;
