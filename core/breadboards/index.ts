import type { Breadboard } from './breadboard';

export * from './breadboard';

/** The breadboards that a wiring may name, by the word in its value column. */
export const breadboards: ReadonlyMap<string, Breadboard> = new Map(
  [{ id: 'half', title: 'half breadboard', rows: 30, hasRails: true, railsSplit: false }].map((board) => [
    board.id,
    board,
  ]),
);
