import { SOFT, type Flow } from '../flow';
import type { BlockOf, BlockPrinter, Photos } from './block';

/** Points that a picture is high and wide at most. */
const [HIGHEST, WIDEST] = [220, 330];

/** A picture of the author's own, opened for its size; `undefined` where it is not there. */
function opened(flow: Flow, { id }: BlockOf<'photo'>, photos: Photos | undefined) {
  const photo = photos?.get(id);
  if (!photo) return undefined;
  const image = (
    flow.document as unknown as { openImage(bytes: Buffer): { width: number; height: number } }
  ).openImage(Buffer.from(photo.bytes));
  const scale = Math.min(Math.min(WIDEST, flow.width) / image.width, HIGHEST / image.height, 1);
  return { image, width: image.width * scale, height: image.height * scale };
}

export const photo: BlockPrinter<'photo'> = {
  height: (flow, block, photos) =>
    (opened(flow, block, photos)?.height ?? 0) + flow.heightOf(block.caption, 'note') + 8,
  print: (flow, block, photos) => {
    const shown = opened(flow, block, photos);
    if (shown) {
      const { image, width, height } = shown;
      const at = { x: flow.left, y: flow.y };
      flow.tagged('Figure', () => flow.document.image(image as never, at.x, at.y, { width, height }), {
        alt: block.caption,
      });
      flow.y = at.y + height + 4;
    }
    if (block.caption !== '') flow.paragraph(block.caption, 'note', { colour: SOFT });
  },
};
