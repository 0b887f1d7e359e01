import { fail, ok } from '../result';
import { defineKind, eitherWay, twoEnds } from './kind';
import { ohmsSaid, ohmsText, readOhms } from './value';

const [one, two] = twoEnds;

export const resistor = defineKind({
  kind: 'resistor',
  alsoTyped: ['res'],
  usualValues: ['330', '10k'],
  prefix: 'R',
  title: 'resistor',
  legs: twoEnds,
  footprint: { type: 'leads', reachMm: 50, rows: 4 },
  symmetrical: true,
  turns: eitherWay(twoEnds),
  ratings: { powerMw: 250, source: 'the usual quarter-watt carbon film type at 70 °C' },
  body: 'bands',
  sign: 'resistor',
  resistance: 'fixed',
  preparation: 'Bend both legs down at right angles, a finger’s breadth apart.',
  pretest: 'Read the bands, or measure it with a meter while it is in nothing.',
  readValue(text) {
    if (text.trim() === '') return fail({ message: 'a resistor needs its value, such as 330' });
    const read = readOhms(text);
    if (!read.ok) return read;
    if (read.value <= 0)
      return fail({ message: `a resistor of ${text.trim()} Ω is a wire; record it as one`, typed: text });
    return ok({ text: ohmsText(read.value), amount: read.value });
  },
  elements: (value) => [
    { type: 'resistor', from: one.name, to: two.name, ohms: value.amount ?? 0, hasTolerance: true },
  ],
  describe: (value) => `${ohmsSaid(value.text)} resistor`,
});
