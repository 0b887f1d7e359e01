import { RaisedError } from './errors';

/** Longest text or list that an operation may make; no board of this class has room for more. */
const MOST_ITEMS = 50_000;

/** Raises what a board raises when so much does not fit into its memory. */
export function room(items: number): void {
  if (items > MOST_ITEMS)
    throw new RaisedError('MemoryError', `memory allocation failed, allocating ${items} bytes`);
}
