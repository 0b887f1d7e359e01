import type { Card, CardSize } from '@/core/handout/document';
import { HAIR, INK, type Flow, type Look } from '../flow';
import type { BlockPrinter } from './block';
import { drawWithin } from './figures';

/** How cards are cut: how many to a row, how high, and the texts on them. */
const SIZES: Readonly<
  Record<
    CardSize,
    { readonly across: number; readonly high: number; readonly title: Look; readonly text: Look }
  >
> = {
  label: { across: 3, high: 142, title: 'strong', text: 'note' },
  card: { across: 2, high: 132, title: 'section', text: 'body' },
};
/** Points between the cut and what is on a card, and what a picture takes of its width. */
const [PAD, PICTURE] = [10, 0.34];
/** Points between two lines to write on. */
const BLANK = 20;

/** A grid of cards with broken lines to cut along; a row of them is never split. */
export const cards: BlockPrinter<'cards'> = {
  height: (_, { size }) => SIZES[size].high + 8,
  print: (flow, { cards: all, size }) => {
    const { across, high } = SIZES[size];
    const width = flow.width / across;
    for (let first = 0; first < all.length; first += across) {
      flow.makeRoom(high);
      const top = flow.y;
      for (const [index, card] of all.slice(first, first + across).entries())
        printCard(flow, card, size, { x: flow.left + index * width, y: top, width, height: high });
      flow.y = top + high;
    }
    flow.y += 10;
  },
};

interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function printCard(flow: Flow, { title, lines, figure, blanks = 0 }: Card, size: CardSize, area: Area): void {
  const { document } = flow;
  flow.artifact(() =>
    document
      .rect(area.x, area.y, area.width, area.height)
      .dash(4, { space: 3 })
      .lineWidth(0.6)
      .stroke(HAIR)
      .undash(),
  );
  const x = area.x + PAD;
  const bottom = area.y + area.height - PAD;
  const whole = area.width - 2 * PAD;
  // A picture stands beside the text of a card, and over that of a label.
  const beside = figure !== undefined && size === 'card';
  const width = beside ? whole * (1 - PICTURE) - PAD : whole;
  flow.y = area.y + PAD;
  const { title: titleLook, text } = SIZES[size];
  flow.paragraph(fitting(flow, title, titleLook, width, 2), titleLook, { x, width, after: 3 });
  if (figure) {
    const at = beside ? { x: x + width + PAD, y: area.y + PAD } : { x, y: flow.y };
    const room = beside
      ? { width: whole * PICTURE, height: area.height - 2 * PAD }
      : { width, height: Math.max(20, bottom - flow.y - blanks * BLANK - 4) };
    const drawn = drawWithin(flow, figure, at, room);
    if (!beside) flow.y += drawn.height + 4;
  }
  const one = flow.heightOfLines(1, text);
  for (const line of lines) {
    const most = Math.floor((bottom - flow.y - blanks * BLANK) / one);
    if (most < 1) break;
    flow.paragraph(fitting(flow, line, text, width, most), text, { x, width, after: 1.5 });
  }
  for (let index = 0; index < blanks && flow.y + BLANK <= bottom + 1; index += 1) {
    flow.y += BLANK;
    const y = flow.y;
    flow.artifact(() =>
      document
        .moveTo(x, y)
        .lineTo(x + width, y)
        .lineWidth(0.5)
        .stroke(INK),
    );
  }
}

/** A text as far as it goes into so many lines. */
function fitting(flow: Flow, title: string, look: Look, width: number, lines: number): string {
  const behind = flow.heightOf('x', look) - flow.heightOfLines(1, look);
  const most = flow.heightOfLines(lines, look) + behind + 0.5;
  const fits = (text: string): boolean => flow.heightOf(text, look, width) <= most;
  if (fits(title)) return title;
  let [short, long] = [0, title.length];
  while (long - short > 1) {
    const middle = (short + long) >> 1;
    if (fits(`${title.slice(0, middle)}…`)) short = middle;
    else long = middle;
  }
  return `${title.slice(0, short).trimEnd()}…`;
}
