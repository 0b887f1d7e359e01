import * as z from 'zod';
import { quantity } from '../findings/finding';
import { printedIn, type Trace } from '../rehearsal/trace';
import { seconds } from '../units';
import { sentence } from '../words/sentence';
import { textSlot, wordSlot } from '../words/slots';
import { WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { failedWith, passed, windowOf, type Outcome } from './outcome';
import { isMeasured } from './printed-lines';

const schema = z.strictObject({
  serial: z.enum(['contains', 'equals', 'matches', 'lacks']),
  text: z.string().max(2000, 'at most 2000 characters'),
  ...windowed,
});
type Printed = z.infer<typeof schema>;

const prints = sentence<Printed>(`prints {text}${WINDOW}`, { text: textSlot, ...windowSlots });
const neverPrints = sentence<Printed>(`(never prints|does not print) {text}${WINDOW}`, {
  text: textSlot,
  ...windowSlots,
});

/** What the board prints, as the computer reads it, which listens at the rate of the reference. */
export const serial: ExpectationDefinition<Printed> = {
  keys: ['serial'],
  schema,
  sentence: sentence<Printed>(`the serial text {serial} {text}${WINDOW}`, {
    serial: wordSlot({
      contains: ['contains'],
      equals: ['equals'],
      matches: ['matches'],
      lacks: ['does not contain', 'never contains'],
    }),
    text: textSlot,
    ...windowSlots,
  }),
  alsoRead: (text) => {
    const [printed, lacking] = [prints.read(text), neverPrints.read(text)];
    return printed ? { ...printed, serial: 'contains' } : lacking && { ...lacking, serial: 'lacks' };
  },
  example: 'prints "tide"',
  parts: () => [],
  prints: ({ serial: way, text }) => (way === 'contains' || way === 'equals' ? [text.trim()] : []),
  check: (expectation, { trace, listensAt }) => {
    const [from, to] = windowOf(expectation, trace);
    const text = printedIn(trace, from, to);
    const { serial: way, text: wanted } = expectation;
    const garbled = text === '' ? undefined : unreadable(trace, listensAt);
    if (garbled) return garbled;
    const isRight = {
      contains: () => text.includes(wanted),
      equals: () => text.trim() === wanted.trim(),
      matches: () => matches(wanted, text),
      lacks: () => !text.includes(wanted),
    }[way]();
    const shown =
      text.length === 0 ? 'nothing' : `“${inOneLine(text.slice(0, 60))}${text.length > 60 ? '…' : ''}”`;
    if (isRight) return passed(shown);
    const { message, place, remedy } = textWrong(way, wanted, shown);
    return failedWith(shown, {
      code: 'text-off',
      severity: 'fault',
      message,
      hints: [
        `What does the board print?`,
        `It prints ${place} from ${seconds(from)} to ${seconds(to)}.`,
        remedy,
      ],
      evidence: { characters: quantity(text.length, '') },
    });
  },
  // The first line that was sent; what was measured is another number on every bench.
  describe: ({ trace }) => {
    const mayDiffer = isMeasured(trace);
    const line = trace.serial
      .map((piece) => piece.text)
      .join('')
      .split('\n')
      .find((one) => !mayDiffer || !/\d/.test(one));
    return line === undefined || line.trim() === ''
      ? []
      : [{ serial: 'contains', text: line.trim().slice(0, 80) }];
  },
};

/** What is said of a text that is not as wanted. */
function textWrong(
  way: Printed['serial'],
  wanted: string,
  shown: string,
): { readonly message: string; readonly place: string; readonly remedy: string } {
  const text = `“${inOneLine(wanted)}”`;
  if (way === 'lacks')
    return {
      message: `The board prints ${text}; it should not.`,
      place: text,
      remedy: `Change the program so that it does not print ${text} here.`,
    };
  if (wanted.trim() === '')
    return {
      message: `The board prints ${shown}; it should print nothing.`,
      place: shown,
      remedy: 'Change the program so that it prints nothing here.',
    };
  return {
    message: `The board prints ${shown}; it should print ${text}.`,
    place: shown,
    remedy: `Change the program so that it prints ${text}.`,
  };
}

/** What is seen of a text that is sent faster or slower than the computer listens; `undefined` where both agree. */
export function unreadable(
  { serialRate, serialLine }: Trace,
  listensAt: number | undefined,
): Outcome | undefined {
  if (listensAt === undefined || serialRate === listensAt) return undefined;
  const line = serialLine ?? 1;
  return failedWith('characters nobody can read', {
    code: 'serial-rate',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} starts serial at ${serialRate}, but the computer listens at ${listensAt}, so what arrives can’t be read.`,
    hints: [
      `What speed does the program set, and what speed does the computer listen at?`,
      `The program sends at ${serialRate} bits per second; the computer expects ${listensAt}.`,
      `Write ${listensAt} in line ${line}.`,
    ],
    evidence: { rate: quantity(serialRate, 'bit/s'), wanted: quantity(listensAt, 'bit/s') },
  });
}

/** Printed lines as they stand in a sentence. */
const inOneLine = (text: string): string => text.trim().replace(/\s*[\r\n]+\s*/g, ' · ');

function matches(pattern: string, text: string): boolean {
  try {
    return new RegExp(pattern).test(text);
  } catch {
    return false;
  }
}
