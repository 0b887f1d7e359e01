import { SOFT } from '../flow';
import type { BlockPrinter } from './block';

/** Room for the numbers of lines. */
const NUMBERS = 24;

/** Spaces at the beginning of a line stay where they are. */
const keepsSpaces = (text: string): string =>
  text === '' ? '\u00a0' : text.replace(/^ +/, (spaces) => '\u00a0'.repeat(spaces.length));

/** With the numbers of its lines, and beside each what it does where that is said. */
export const program: BlockPrinter<'program'> = {
  height: () => 60,
  print: (flow, { lines }) => {
    const isExplained = lines.some(({ says }) => says !== undefined);
    const numbers = NUMBERS * flow.scale;
    // In a narrow column what a line does stands under it.
    const isBeside = isExplained && flow.hasOneColumn;
    const width = isBeside ? flow.width * 0.5 : flow.width - numbers;
    const beside = isBeside ? flow.width - width - numbers - 10 : width;
    for (const [index, { text, says }] of lines.entries()) {
      const own = keepsSpaces(text);
      const [codeHeight, said] = [
        flow.heightOf(own, 'code', width),
        says === undefined ? 0 : flow.heightOf(says, 'note', beside) - 3,
      ];
      const height = isBeside ? Math.max(codeHeight, said) : codeHeight + said;
      flow.makeRoom(height + 2);
      const [left, top] = [flow.left, flow.y];
      flow.artifact(() => flow.write(String(index + 1), 'code', { x: left, width: numbers, colour: SOFT }));
      flow.y = top;
      flow.tagged('Code', () => flow.write(own, 'code', { x: left + numbers, width }));
      if (says !== undefined) {
        flow.y = isBeside ? top : top + codeHeight;
        const x = isBeside ? left + numbers + width + 10 : left + numbers;
        flow.paragraph(says, 'note', { x, width: beside, colour: SOFT, after: 0 });
      }
      flow.y = top + height + 2;
    }
    flow.y += 6;
  },
};
