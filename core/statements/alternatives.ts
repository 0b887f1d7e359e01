import { ledColours, ohmsText, readOhms } from '../parts';
import { adviseOnPins } from './pin-advice';
import { recipeFor } from './recipes';
import { exchanged, withWord } from './rewrite';
import type { Offer, Piece, ReadLine, StatementContext } from './statement';
import type { TakenPins } from './wishes';

const MOST = 9;

/** Other things that a piece of a line could have said: the ways to correct what was understood. */
export function alternativesTo(
  line: ReadLine,
  piece: Piece,
  context: StatementContext,
  taken: TakenPins,
): readonly Offer[] {
  const { statement } = line;
  if (!statement) return [];
  switch (piece.slot) {
    case 'pins': {
      const [need] = recipeFor(statement.kind.kind, context.board).needs(statement);
      const [pin] = statement.pins;
      if (!need || statement.pins.length !== 1 || pin === undefined) return [];
      return adviseOnPins(context.board, need.does, taken)
        .filter((advice) => advice.fits && advice.takenBy === undefined && advice.betterFree === undefined)
        .filter((advice) => advice.pin !== pin)
        .slice(0, MOST)
        .map((advice) => ({ label: `pin ${advice.pin}`, line: withWord(line, 'pins', pin, advice.pin) }));
    }
    case 'resistor': {
      const value = statement.resistor?.value;
      const read = value === undefined ? undefined : readOhms(value);
      if (!read?.ok) return [];
      return [...context.kit.ohms]
        .sort((a, b) => Math.abs(Math.log(a / read.value)) - Math.abs(Math.log(b / read.value)))
        .filter((ohms) => Math.abs(ohms - read.value) > 1e-6 * ohms)
        .slice(0, MOST - 3)
        .sort((a, b) => a - b)
        .map((ohms) => ({
          label: `${ohmsText(ohms)} Ω`,
          line: withWord(line, 'resistor', value!, ohmsText(ohms)),
        }));
    }
    case 'value':
      return ledColours.includes(statement.value)
        ? ledColours
            .filter((colour) => colour !== statement.value)
            .map((colour) => ({ label: colour, line: withWord(line, 'value', statement.value, colour) }))
        : [];
    case 'option':
      return (otherOptions[piece.says] ?? []).map(([label, words]) => ({
        label,
        line: exchanged(line.text, piece, words),
      }));
    default:
      return [];
  }
}

const otherOptions: Readonly<Record<string, readonly (readonly [label: string, words: string])[]>> = {
  'pull-up': [['pull-down resistor', 'pull-down 10k']],
  'pull-down': [['pull-up inside the board', 'pull-up']],
};
