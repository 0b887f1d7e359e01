/** Papers that a handout is printed on. */
export const papers = ['A4', 'Letter'] as const;
export type Paper = (typeof papers)[number];

/** Width and height of pages in points; what is projected has those of a screen. */
export const PAGE_SIZES: Readonly<Record<Paper | 'screen', readonly [width: number, height: number]>> = {
  A4: [595.28, 841.89],
  Letter: [612, 792],
  screen: [960, 600],
};
