import * as z from 'zod';
import { quantity } from '../findings/finding';
import { lastBy, pictureRows } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
import { nameSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed, windowOf } from './outcome';

const row = z.string().regex(/^[.#]{8}$/, 'write a row as eight of . and #');
const schema = z.strictObject({
  panel: refSchema,
  picture: z.array(row).length(8, 'a picture has eight rows, with a / between them'),
  ...windowed,
});
type Picture = z.infer<typeof schema>;

const pictureSlot: Slot<string[]> = {
  write: (rows) => rows.join('/'),
  pattern: '[.#/]+',
  read: (text) => text.split('/'),
};

/** What an LED panel shows at the end of its window. */
export const picture: ExpectationDefinition<Picture> = {
  keys: ['panel'],
  schema,
  sentence: sentence<Picture>(`{panel} shows {picture}${WINDOW}`, {
    panel: nameSlot,
    picture: pictureSlot,
    ...windowSlots,
  }),
  parts: ({ panel }) => [panel],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.panel);
    if (ref === undefined) return absent(expectation.panel);
    const [, to] = windowOf(expectation, observed.trace);
    const rows = lastBy(observed.trace.pictures.get(ref), to)?.rows;
    const shown = rows && pictureRows(rows);
    const found = shown ? shown.join('/') : 'it shows nothing';
    if (shown && shown.every((row, index) => row === expectation.picture[index])) return passed(found);
    const row = shown?.findIndex((line, index) => line !== expectation.picture[index]) ?? 0;
    return failedWith(found, {
      code: 'picture-off',
      severity: 'fault',
      refs: [ref],
      message: shown
        ? `${capital(partTextOf(observed.wiring, ref))} shows the wrong picture at ${seconds(to)}: row ${row + 1} is ${shown[row]}; it should be ${expectation.picture[row]}.`
        : `${capital(partTextOf(observed.wiring, ref))} shows nothing at ${seconds(to)}: it gets no power or no data.`,
      hints: [
        `Row by row from the top: where does ${ref} differ from the wanted picture?`,
        shown
          ? `Row ${row + 1} of ${ref} is ${shown[row]}; it should be ${expectation.picture[row]}.`
          : `Nothing reaches ${ref}.`,
        shown
          ? `Write ${Number.parseInt(expectation.picture[row]!.replace(/\./g, '0').replace(/#/g, '1'), 2)} to row ${row} of ${ref}.`
          : `Check the supply, ground and three data wires of ${ref}, and that the program wakes it up.`,
      ],
      evidence: { row: quantity(row + 1, '') },
    });
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ to }) =>
      [...trace.pictures].flatMap(([panel, changes]): Picture[] => {
        const rows = lastBy(changes, to)?.rows;
        return rows?.some((one) => one > 0) ? [{ panel, picture: [...pictureRows(rows)], to }] : [];
      }),
    ),
};
