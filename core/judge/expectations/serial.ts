import { quantity } from '../../findings/finding';
import type { SingleExpectation } from '../../formats/scenario';
import { seconds } from '../../units';
import { failedWith, passed, windowOf, type Check } from './outcome';

/** What the board prints, as the computer reads it, which listens at the rate of the reference. */
export const checkSerial: Check<Extract<SingleExpectation, { serial: string }>> = (
  expectation,
  { trace, listensAt },
) => {
  const [, to] = windowOf(expectation, trace);
  const text = trace.serial
    .filter((piece) => piece.at <= to)
    .map((piece) => piece.text)
    .join('');
  const { serial: way, text: wanted } = expectation;
  if (text !== '' && listensAt !== undefined && trace.serialRate !== listensAt) {
    const line = trace.serialLine ?? 1;
    return failedWith('characters nobody can read', {
      code: 'serial-rate',
      severity: 'fault',
      line,
      column: 1,
      message: `Line ${line} starts serial at ${trace.serialRate}, but the computer listens at ${listensAt}, so what arrives can’t be read.`,
      hints: [
        `What speed does the program set, and what speed does the computer listen at?`,
        `The program sends at ${trace.serialRate} bits per second; the computer expects ${listensAt}.`,
        `Write ${listensAt} in line ${line}.`,
      ],
      evidence: { rate: quantity(trace.serialRate, 'bit/s'), wanted: quantity(listensAt, 'bit/s') },
    });
  }
  const isRight =
    way === 'contains'
      ? text.includes(wanted)
      : way === 'equals'
        ? text.trim() === wanted.trim()
        : matches(wanted, text);
  const shown = text.length === 0 ? 'nothing' : `“${text.slice(0, 60).trim()}${text.length > 60 ? '…' : ''}”`;
  if (isRight) return passed(shown);
  return failedWith(shown, {
    code: 'text-off',
    severity: 'fault',
    message: `The board prints ${shown}; it should print “${wanted}”.`,
    hints: [
      `What does the board print?`,
      `It prints ${shown} in ${seconds(to)}.`,
      `Change the program so that it prints “${wanted}”.`,
    ],
    evidence: { characters: quantity(text.length, '') },
  });
};

function matches(pattern: string, text: string): boolean {
  try {
    return new RegExp(pattern).test(text);
  } catch {
    return false;
  }
}
