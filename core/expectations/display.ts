import * as z from 'zod';
import { quantity } from '../findings/finding';
import { lastBy } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
import { nameSlot, textSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed, windowOf } from './outcome';

const schema = z.strictObject({
  display: refSchema,
  text: z
    .array(z.string().max(40, 'a line has at most 40 characters'))
    .min(1)
    .max(4, 'a display has at most 4 lines'),
  ...windowed,
});
type Display = z.infer<typeof schema>;

const linesSlot: Slot<string[]> = {
  write: (lines) => lines.map((line) => textSlot.write(line)).join(' / '),
  pattern: `(?:${textSlot.pattern})(?: */ *(?:${textSlot.pattern}))*`,
  read: (text) =>
    [...text.matchAll(new RegExp(textSlot.pattern, 'gs'))].flatMap(([line]) => textSlot.read(line) ?? []),
};

const NUMBER = /-?\d+(?:\.\d+)?/g;

/** Whether a line reads as it should: each number of it within the tolerance, where there is one, and all else as it is. */
function readsAs(shown: string, wanted: string, tolerance = 0): boolean {
  if (shown === wanted) return true;
  const [found, asked] = [shown, wanted].map((text) => (text.match(NUMBER) ?? []).map(Number)) as [
    number[],
    number[],
  ];
  return (
    shown.replace(NUMBER, '#') === wanted.replace(NUMBER, '#') &&
    asked.every((number, index) => Math.abs(found[index]! - number) <= Math.abs(number) * tolerance + 1e-9)
  );
}

/** What a text display reads at the end of its window. */
export const display: ExpectationDefinition<Display> = {
  keys: ['display'],
  schema,
  sentence: sentence<Display>(`{display} reads {text}${WINDOW}`, {
    display: nameSlot,
    text: linesSlot,
    ...windowSlots,
  }),
  example: 'X4 reads “Tide”',
  exampleOf: ['text'],
  parts: ({ display: part }) => [part],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.display);
    if (ref === undefined) return absent(expectation.display);
    const [, to] = windowOf(expectation, observed.trace);
    const lines = lastBy(observed.trace.texts.get(ref), to)?.lines;
    const shown = lines?.map((line) => line.trimEnd());
    const found = shown ? shown.map((line) => `“${line}”`).join(' / ') : 'it shows nothing';
    const off = expectation.text.findIndex(
      (line, index) => !readsAs(shown?.[index] ?? '', line.trimEnd(), expectation.tolerance),
    );
    if (shown && off < 0) return passed(found);
    const line = Math.max(0, off);
    return failedWith(found, {
      code: 'text-off',
      severity: 'fault',
      refs: [ref],
      message: shown
        ? `Line ${line + 1} of ${partTextOf(observed.wiring, ref)} reads “${shown[line] ?? ''}” at ${seconds(to)}; it should read “${expectation.text[line]}”.`
        : `${capital(partTextOf(observed.wiring, ref))} shows nothing at ${seconds(to)}: it gets no power or no data.`,
      hints: [
        `What should line ${line + 1} of ${ref} read at ${seconds(to)}?`,
        `${ref}: ${found}; it should read “${expectation.text[line]}”.`,
        `Set the cursor to line ${line} and print “${expectation.text[line]}”.`,
      ],
      evidence: { line: quantity(line + 1, '') },
    });
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ to }) =>
      [...trace.texts].flatMap(([part, changes]): Display[] => {
        const lines = lastBy(changes, to)?.lines.map((line) => line.trimEnd());
        return lines?.some((line) => line !== '') ? [{ display: part, text: [...lines], to }] : [];
      }),
    ),
};
