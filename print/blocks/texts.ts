import { HAIR, INK, SOFT, type Look } from '../flow';
import type { BlockOf, BlockPrinter } from './block';

const lookOf = ({ look }: BlockOf<'text'>): Look => look ?? 'body';

export const text: BlockPrinter<'text'> = {
  height: (flow, block) => flow.heightOf(block.text, lookOf(block)),
  print: (flow, block) =>
    flow.paragraph(block.text, lookOf(block), block.look === 'note' ? { colour: SOFT } : {}),
};

/** With a bar at its side and a word before it: no colour is needed to see it. */
export const caution: BlockPrinter<'caution'> = {
  height: (flow, { text: words }) => flow.heightOf(words, 'strong', flow.width - 14) + 8,
  print: (flow, { text: words }) => {
    const begin = flow.y;
    flow.paragraph(`Take care: ${words}`, 'strong', { x: flow.left + 12, width: flow.width - 12 });
    const end = flow.y - 2;
    flow.artifact(() => flow.document.rect(flow.left, begin - 1, 4, end - begin).fill(INK));
    flow.y += 4;
  },
};

/** Points between two lines to write on. */
const LINE = 22;

export const lines: BlockPrinter<'lines'> = {
  height: (_, { count }) => count * LINE,
  print: (flow, { count }) => {
    for (let index = 0; index < count; index += 1) {
      flow.y += LINE;
      flow.line(HAIR, 0.5);
    }
    flow.y += 10;
  },
};
