import type { Box } from '@/core/drawing/list';

/** The middle of a body. */
export const middleOf = ({ x, y, width, height }: Box) => ({ x: x + width / 2, y: y + height / 2 });
