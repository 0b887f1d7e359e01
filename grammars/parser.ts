import { Edit, Parser, type Language, type Tree } from 'web-tree-sitter';
import { ParseGivenUp, type ParseWith, type SyntaxNode } from '@/core/program/syntax';
import { KnownNode, Shape, type Shapes } from './known-node';
import { exchangeBetween, SourceText, type Exchange } from './source-text';

/**
 * Milliseconds of work after which a parser gives up. Programs take a hundredth of that; a text that is none and can be
 * read in ever more ways takes minutes, and nothing that the parser counts tells the one from the other.
 */
const PATIENCE = 1000;
/**
 * Milliseconds that count between two looks at the clock, which are about one apart. What is longer is a machine that
 * stood still or worked for others, and no right program is to be refused for that.
 */
const MOST_BETWEEN_LOOKS = 20;
/** How much of a text may differ from the kept one, of 1, for that one's tree to be of use. */
const MOST_CHANGED = 0.5;

/** A program whose tree is kept, to read from it what is like it. */
interface Kept {
  readonly source: SourceText;
  readonly tree: Tree;
  readonly shapes: Map<number, Shape>;
}

/**
 * Reads programs, of which many are the one before but for a word: its tree is kept, and only what differs is read
 * anew. What is read is the same as without it, whatever was read before.
 */
export class ProgramParser {
  private readonly parser = new Parser();
  private kept: Kept | undefined;
  private isReading = false;

  constructor(language: Language) {
    this.parser.setLanguage(language);
  }

  /** Hands the root of a text's tree to `read`. Throws `ParseGivenUp`, and what `read` throws. */
  readonly read: ParseWith = (text, read) => {
    const source = new SourceText(text);
    // What is read in between, as the value of a macro, is no program that others will be like.
    if (this.isReading) return this.readOnce(source, this.treeOf(text), read);
    this.isReading = true;
    try {
      const near = this.treeNear(source);
      if (near) return this.readOnce(source, near, read, this.kept?.shapes);
      const tree = this.treeOf(text);
      if (tree.rootNode.hasError) return this.readOnce(source, tree, read);
      this.kept?.tree.delete();
      this.kept = { source, tree, shapes: new Map() };
      return read(rootOf(tree, source, this.kept.shapes));
    } finally {
      this.isReading = false;
    }
  };

  /** Hands out a tree that nobody needs afterwards. */
  private readOnce<T>(source: SourceText, tree: Tree, read: (root: SyntaxNode) => T, earlier?: Shapes): T {
    try {
      return read(rootOf(tree, source, new Map(), earlier));
    } finally {
      tree.delete();
    }
  }

  /** The tree of a text made from the kept one; none where little of that is in it, or where the text is broken. */
  private treeNear(source: SourceText): Tree | undefined {
    if (!this.kept) return undefined;
    const exchange = exchangeBetween(this.kept.source.text, source.text);
    if (exchange.newTo - exchange.from > MOST_CHANGED * source.text.length) return undefined;
    const edited = this.kept.tree.copy();
    try {
      edited.edit(editOf(exchange, this.kept.source, source));
      const tree = this.treeOf(source.text, edited);
      if (!tree.rootNode.hasError) return tree;
      // How the parser makes sense of a broken text depends on what it knew before.
      tree.delete();
      return undefined;
    } finally {
      edited.delete();
    }
  }

  private treeOf(text: string, from: Tree | null = null): Tree {
    let worked = 0;
    let last = performance.now();
    const hasHadEnough = (): boolean => {
      const now = performance.now();
      worked += Math.min(now - last, MOST_BETWEEN_LOOKS);
      last = now;
      return worked > PATIENCE;
    };
    const tree = this.parser.parse(text, from, { progressCallback: hasHadEnough });
    if (tree) return tree;
    this.parser.reset();
    throw new ParseGivenUp();
  }
}

const rootOf = (tree: Tree, source: SourceText, shapes: Map<number, Shape>, earlier?: Shapes): KnownNode =>
  new KnownNode(Shape.of(tree.rootNode, shapes, earlier), source, tree.rootNode.startIndex);

const editOf = ({ from, oldTo, newTo }: Exchange, old: SourceText, next: SourceText): Edit =>
  new Edit({
    startIndex: from,
    oldEndIndex: oldTo,
    newEndIndex: newTo,
    startPosition: old.positionOf(from),
    oldEndPosition: old.positionOf(oldTo),
    newEndPosition: next.positionOf(newTo),
  });
