import { forwardVoltsAt, type JunctionModel } from '../solver/junction';
import { seriesResistorOhms } from '../electrics/values/formulas';
import { nearestInSeries } from '../electrics/values/series';
import { ledModels, ohmsText, readOhms } from '../parts';
import type { StatedPart } from './stated';
import { nearestInKit } from './kit';
import type { Accepting, Statement, StatementContext, StatementRules } from './statement';

/** Current in mA that an LED is meant to have, by the house rule; no more than the board's pins should give. */
const wantedMa: Readonly<Record<StatementRules['resistorValue'], number>> = {
  'lowest-safe': 16,
  mid: 8,
  frugal: 3,
};

/** Share of a pin's recommended current that an LED may take by default. */
const MOST_SHARE = 0.8;

/** The kit resistor that gives LEDs in one path the current that was asked for, or that of the house rule. */
export function ledOhms(colours: readonly string[], statement: Statement, context: StatementContext): string {
  const { board, kit, rules } = context;
  const currentMa =
    statement.currentMa ?? Math.min(wantedMa[rules.resistorValue], MOST_SHARE * board.drive.recommendedMa);
  const volts = colours.reduce((sum, colour) => sum + forwardVoltsAt(modelOf(colour), currentMa), 0);
  // The pin itself has some of the resistance.
  const exact = seriesResistorOhms(board.logicVolts, volts, currentMa) - board.drive.outputOhms;
  return exact > 0 ? nearestInKit(kit, exact, 1)[0]! : ohmsText(kit.ohms[0]!);
}

/** The LED of a colour; that of red where the colour is not known. */
const modelOf = (colour: string): JunctionModel => ledModels.get(colour) ?? ledModels.get('red')!;

/**
 * Values that pass for an LED’s resistor unless the exercise says otherwise: from two thirds of it to
 * 1.7 times, at values of the series of twelve.
 */
export function usualAccept(ohms: string): StatedPart['accept'] {
  const read = readOhms(ohms);
  if (!read.ok || read.value <= 0) return undefined;
  const [from, to] = [read.value / 1.5, read.value * 1.7].map((amount) =>
    ohmsText(nearestInSeries(amount, 'E12')),
  );
  return { from: from!, to: to! };
}

/** A resistor as a line writes it: what passes as well in brackets, unless that is the usual. */
export function ohmsPhrase({ value, accept }: StatedPart, usual: StatedPart['accept']): string {
  if (accept?.from === usual?.from && accept?.to === usual?.to) return value;
  return `${value} (${accept?.from ?? value}-${accept?.to ?? value})`;
}

/** The accepted values that a line gives; those of exactly the value itself mean no others. */
export function acceptOf(given: Accepting | undefined, usual: StatedPart['accept']): StatedPart['accept'] {
  if (!given?.accept) return usual;
  const { from, to } = given.accept;
  return from === to && from === given.value ? undefined : { from: tidy(from), to: tidy(to) };
}

const tidy = (ohms: string): string => {
  const read = readOhms(ohms);
  return read.ok ? ohmsText(read.value) : ohms;
};
