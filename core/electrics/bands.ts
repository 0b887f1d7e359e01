const colours = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'violet',
  'grey',
  'white',
] as const;
export type BandColour = (typeof colours)[number] | 'gold' | 'silver';

/** The four bands of a 5 % resistor of that many ohms (IEC 60062): two digits, multiplier, tolerance. */
export function fourBands(ohms: number): readonly [BandColour, BandColour, BandColour, BandColour] {
  let exponent = Math.floor(Math.log10(ohms)) - 1;
  let digits = Math.round(ohms / 10 ** exponent);
  if (digits === 100) {
    digits = 10;
    exponent += 1;
  }
  const multiplier: BandColour =
    exponent === -1 ? 'gold' : exponent <= -2 ? 'silver' : (colours[exponent] ?? 'white');
  return [colours[Math.floor(digits / 10)]!, colours[digits % 10]!, multiplier, 'gold'];
}
