import type { Block, Photo } from '@/core/handout/document';
import type { Flow } from '../flow';

export type BlockOf<Type extends Block['type']> = Extract<Block, { readonly type: Type }>;

/** Own pictures of a handout, by their ids. */
export type Photos = ReadonlyMap<string, Photo>;

/** How one sort of block is put on paper. */
export interface BlockPrinter<Type extends Block['type']> {
  /** What has to have room in one piece, in points. */
  readonly height: (flow: Flow, block: BlockOf<Type>, photos?: Photos) => number;
  readonly print: (flow: Flow, block: BlockOf<Type>, photos?: Photos) => void;
}
