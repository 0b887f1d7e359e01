/** Papers that a handout is printed on. */
export const papers = ['A4', 'Letter'] as const;
export type Paper = (typeof papers)[number];
