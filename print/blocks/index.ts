import type { Block } from '@/core/handout/document';
import type { Flow } from '../flow';
import { address } from './addresses';
import { cards } from './cards';
import type { BlockPrinter, Photos } from './block';
import { figure, pair, part, step } from './figures';
import { list, table } from './lists';
import { photo } from './photos';
import { program } from './programs';
import { caution, lines, text } from './texts';

/** Every sort of block, with how it is printed. */
const printers: { readonly [Type in Block['type']]: BlockPrinter<Type> } = {
  text,
  caution,
  list,
  table,
  figure,
  pair,
  part,
  step,
  program,
  cards,
  photo,
  lines,
  address,
};

const printerOf = (block: Block): BlockPrinter<Block['type']> =>
  printers[block.type] as BlockPrinter<Block['type']>;

/** What of a block has to have room in one piece, in points. */
export const heightOf = (flow: Flow, block: Block, photos?: Photos): number =>
  printerOf(block).height(flow, block, photos);

/** Prints a block at the cursor, on the next page where it has no room. */
export function printBlock(flow: Flow, block: Block, photos?: Photos): void {
  flow.makeRoom(heightOf(flow, block, photos));
  printerOf(block).print(flow, block, photos);
}
