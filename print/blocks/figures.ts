import type { CaptionedFigure, Figure } from '@/core/handout/document';
import { drawOn, sizeOf } from '../drawing';
import { HAIR, INK, SOFT, type Flow } from '../flow';
import type { BlockOf, BlockPrinter } from './block';

/** Points to a unit of a drawing at most: larger ones show no more. */
const LARGEST_SCALE = 0.75;
/** Points that a picture is high at most: one by itself, one of two, one of a step; and that of a part is wide. */
const [HIGHEST, PAIR_HIGHEST, STEP_HIGHEST, PART_WIDTH] = [300, 190, 190, 84];

/** What a picture may take in a column: so high, and as wide as it is or less. */
const within = (flow: Flow, highest: number, width = flow.width): Limits => ({
  width,
  height: Math.min(highest * flow.scale, flow.wholeHeight),
  scale: LARGEST_SCALE * flow.scale,
});

interface Limits {
  readonly width: number;
  readonly height: number;
  readonly scale?: number;
}

function fitted({ drawing }: Figure, { width, height, scale: largest = LARGEST_SCALE }: Limits) {
  const size = sizeOf(drawing);
  const scale = Math.min(width / size.width, height / size.height, largest);
  return { width: size.width * scale, height: size.height * scale, scale };
}

function draw(
  flow: Flow,
  figure: Figure,
  at: { readonly x: number; readonly y: number },
  scale: number,
): void {
  flow.tagged('Figure', () => drawOn(flow.document, figure.drawing, at, scale, figure.emphasis), {
    alt: `${figure.title}. ${figure.drawing.description}`,
  });
}

/** A picture on a card or beside a text, no larger than so much; how large it came out. */
export function drawWithin(
  flow: Flow,
  figure: Figure,
  at: { readonly x: number; readonly y: number },
  limits: { readonly width: number; readonly height: number },
): { readonly width: number; readonly height: number } {
  const size = fitted(figure, limits);
  draw(flow, figure, at, size.scale);
  return size;
}

export const figure: BlockPrinter<'figure'> = {
  height: (flow, block) => fitted(block.figure, within(flow, HIGHEST)).height + 24,
  print: (flow, block) => {
    const { height, scale } = fitted(block.figure, within(flow, HIGHEST));
    draw(flow, block.figure, { x: flow.left, y: flow.y }, scale);
    flow.y += height + 5;
    if (block.caption !== undefined) flow.paragraph(block.caption, 'note', { colour: SOFT });
  },
};

const halfOf = (flow: Flow): number => (flow.width - 16) / 2;

const pairHeight = (flow: Flow, one: CaptionedFigure): number =>
  fitted(one.figure, within(flow, PAIR_HIGHEST, halfOf(flow))).height +
  flow.heightOf(one.caption, 'strong', halfOf(flow)) +
  14;

export const pair: BlockPrinter<'pair'> = {
  height: (flow, block) => Math.max(...block.pair.map((one) => pairHeight(flow, one))),
  print: (flow, block) => {
    const [begin, half, left] = [flow.y, halfOf(flow), flow.left];
    const ends = block.pair.map(({ figure: shown, caption }, index) => {
      const x = left + index * (half + 16);
      const size = fitted(shown, within(flow, PAIR_HIGHEST, half));
      draw(flow, shown, { x, y: begin }, size.scale);
      if (index === 1) crossOut(flow, { x, y: begin, ...size });
      flow.y = begin + size.height + 5;
      flow.paragraph(caption, index === 1 ? 'strong' : 'body', { x, width: half });
      return flow.y;
    });
    flow.y = Math.max(...ends) + 4;
  },
};

interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** So that it is not built by who only looks at the pictures. */
const crossOut = (flow: Flow, { x, y, width, height }: Area): void =>
  flow.artifact(() =>
    flow.document
      .moveTo(x, y)
      .lineTo(x + width, y + height)
      .moveTo(x + width, y)
      .lineTo(x, y + height)
      .lineWidth(1.6)
      .stroke(INK),
  );

/** The picture of a part, where it has one. */
const pictureOf = (flow: Flow, { figure: shown }: BlockOf<'part'>) =>
  shown &&
  fitted(shown, {
    width: PART_WIDTH * flow.scale,
    height: PART_WIDTH * 0.8 * flow.scale,
    scale: flow.scale,
  });

const besidePicture = (flow: Flow, { figure: shown }: BlockOf<'part'>) => {
  const inset = shown ? PART_WIDTH * flow.scale + 14 : 0;
  return { x: flow.left + inset, width: flow.width - inset };
};

export const part: BlockPrinter<'part'> = {
  height: (flow, block) => {
    const { width } = besidePicture(flow, block);
    const texts = block.lines.map((one) => flow.heightOf(one, 'body', width) - 3);
    const words = texts.reduce((sum, height) => sum + height, flow.heightOf(block.title, 'strong', width));
    return Math.max(words, pictureOf(flow, block)?.height ?? 0) + 6;
  },
  print: (flow, block) => {
    const begin = flow.y;
    const picture = pictureOf(flow, block);
    if (block.figure && picture) draw(flow, block.figure, { x: flow.left, y: begin }, picture.scale);
    const beside = besidePicture(flow, block);
    flow.y = begin;
    flow.paragraph(block.title, 'strong', beside);
    for (const one of block.lines) flow.paragraph(one, 'body', { ...beside, after: 2 });
    flow.y = Math.max(flow.y, begin + (picture?.height ?? 0)) + 6;
  },
};

/** Beside its picture in one column on paper, over it in two and on a wall. */
const isBeside = (flow: Flow): boolean => flow.hasOneColumn && flow.scale === 1;

function stepWidths(flow: Flow): { readonly text: number; readonly picture: number } {
  if (!isBeside(flow)) return { picture: flow.width, text: flow.width };
  const picture = flow.width * 0.46;
  return { picture, text: flow.width - picture - 16 };
}

/** Room for the heading over a step on a wall. */
const WALL_HEADING = 84;

const stepWords = (
  flow: Flow,
  { number, text, checkpoint, cautions }: BlockOf<'step'>,
  width: number,
): number =>
  [
    flow.heightOf(`${number}. ${text}`, 'strong', width),
    ...cautions.map((one) => flow.heightOf(`Take care: ${one}`, 'body', width)),
    flow.heightOf(`Look: ${checkpoint}`, 'body', width),
  ].reduce((sum, one) => sum + one, 0);

export const step: BlockPrinter<'step'> = {
  height: (flow, block) => {
    // On a wall each step has a page of its own.
    if (flow.scale > 1) return flow.wholeHeight - WALL_HEADING;
    const { text: width, picture } = stepWidths(flow);
    const words = stepWords(flow, block, width);
    const { height } = fitted(block.figure, within(flow, STEP_HIGHEST, picture));
    return (isBeside(flow) ? Math.max(words, height) : words + height) + 12;
  },
  print: (flow, block) => {
    const { number, text, checkpoint, cautions, figure: shown } = block;
    const begin = flow.y;
    const { text: width, picture } = stepWidths(flow);
    flow.paragraph(`${number}. ${text}`, 'strong', { width });
    for (const one of cautions) flow.paragraph(`Take care: ${one}`, 'body', { width });
    flow.paragraph(`Look: ${checkpoint}`, 'body', { width, colour: SOFT });
    // On a wall it takes all that its words leave of the page.
    const limits =
      flow.scale > 1
        ? { width: picture, height: flow.room - 8, scale: 4 }
        : within(flow, STEP_HIGHEST, picture);
    const { height, scale } = fitted(shown, limits);
    const at = isBeside(flow) ? { x: flow.left + width + 16, y: begin } : { x: flow.left, y: flow.y };
    draw(flow, shown, at, scale);
    flow.y = Math.max(flow.y, at.y + height) + 4;
    if (flow.scale > 1) return;
    flow.line(HAIR, 0.5);
    flow.y += 8;
  },
};
