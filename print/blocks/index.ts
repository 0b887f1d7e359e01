import type { Block } from '@/core/handout/document';
import type { Flow } from '../flow';
import { address } from './addresses';
import type { BlockPrinter } from './block';
import { figure, pair, part, step } from './figures';
import { list, table } from './lists';
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
  lines,
  address,
};

const printerOf = (block: Block): BlockPrinter<Block['type']> =>
  printers[block.type] as BlockPrinter<Block['type']>;

/** What of a block has to have room in one piece, in points. */
export const heightOf = (flow: Flow, block: Block): number => printerOf(block).height(flow, block);

/** Prints a block at the cursor, on the next page where it has no room. */
export function printBlock(flow: Flow, block: Block): void {
  flow.makeRoom(heightOf(flow, block));
  printerOf(block).print(flow, block);
}
