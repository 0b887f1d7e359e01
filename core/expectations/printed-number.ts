import * as z from 'zod';
import { quantity } from '../findings/finding';
import { printedIn } from '../rehearsal/trace';
import { seconds } from '../units';
import { sentence } from '../words/sentence';
import { textSlot } from '../words/slots';
import { WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { failedWith, passed, windowOf } from './outcome';
import { isNumber, numberOrRange, numberSchema, PRINTED_NUMBER } from './printed-lines';
import { unreadable } from './serial';

const schema = z.strictObject({
  /** A number, or the least and the most that it may be. */
  prints: numberSchema,
  /** The text that each number to look at stands behind; without it, the first number of each line is looked at. */
  behind: z.string().min(1).max(100).optional(),
  ...windowed,
});
type Numbers = z.infer<typeof schema>;

/** Numbers that the board prints. */
export const printedNumber: ExpectationDefinition<Numbers> = {
  keys: ['prints'],
  schema,
  sentence: sentence<Numbers>(`prints {prints}( behind {behind}|)${WINDOW}`, {
    prints: numberOrRange,
    behind: textSlot,
    ...windowSlots,
  }),
  example: 'prints a number between 20 and 24',
  parts: () => [],
  check: (expectation, { trace, listensAt }) => {
    const { prints, behind, tolerance = 0 } = expectation;
    const [from, to] = windowOf(expectation, trace);
    const text = printedIn(trace, from, to);
    const garbled = text === '' ? undefined : unreadable(trace, listensAt);
    if (garbled) return garbled;
    const numbers = numbersIn(text, behind);
    const where = behind === undefined ? '' : ` behind “${behind}”`;
    const found = numbers.length === 0 ? 'no number' : numbers.slice(0, 6).join(', ');
    const off = numbers.find((number) => !isNumber(number, prints, tolerance));
    if (numbers.length > 0 && off === undefined) return passed(`${found}${where}`);
    const wanted =
      numberOrRange.write(prints) + (tolerance > 0 ? `, give or take ${tolerance * 100}\u00a0%` : '');
    return failedWith(`${found}${where}`, {
      code: 'text-off',
      severity: 'fault',
      message: `From ${seconds(from)} to ${seconds(to)} the board prints ${off ?? found}${where}; it should print ${wanted}.`,
      hints: [
        `Which number does the board print${where}, and which should it be?`,
        `It prints ${found}${where}, and ${wanted} would be right.`,
        off === undefined
          ? `Print the number${where} with Serial.println, or print in Python.`
          : `Find the line that works out the number${where}, and check each step of it with numbers.`,
      ],
      evidence: off === undefined ? {} : { found: quantity(off, '') },
    });
  },
};

/** The numbers behind a text, with a colon, an equals sign or spaces between; without a text, the first of each line. */
function numbersIn(text: string, behind: string | undefined): readonly number[] {
  if (behind === undefined)
    return text.split('\n').flatMap((line) => {
      const found = new RegExp(PRINTED_NUMBER, 'i').exec(line);
      return found ? [Number(found[0])] : [];
    });
  const literal = behind.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);
  return [...text.matchAll(new RegExp(`${literal}\\s*[:=]?\\s*(${PRINTED_NUMBER})`, 'gi'))].map(
    ([, number]) => Number(number),
  );
}
