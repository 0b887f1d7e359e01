import type { Breadboard } from './breadboard';

export * from './breadboard';

/** Every breadboard that a wiring may name. */
const models: readonly Breadboard[] = [
  { id: 'mini', title: 'mini breadboard', rows: 17, hasRails: false, railsSplit: false },
  { id: 'half', title: 'half breadboard', rows: 30, hasRails: true, railsSplit: false },
  { id: 'full', title: 'full breadboard', rows: 63, hasRails: true, railsSplit: false },
  {
    id: 'full-split',
    title: 'full breadboard with split rails',
    rows: 63,
    hasRails: true,
    railsSplit: true,
  },
];

/** The breadboards by the word in the value column. */
export const breadboards: ReadonlyMap<string, Breadboard> = new Map(models.map((board) => [board.id, board]));
