import { withInner } from './with-inner';

/** The part of a tree-sitter node that the core reads; the parser itself is handed in by the caller. */
export interface SyntaxNode {
  readonly type: string;
  readonly text: string;
  readonly startIndex: number;
  readonly endIndex: number;
  readonly startPosition: { readonly row: number; readonly column: number };
  readonly endPosition: { readonly row: number; readonly column: number };
  readonly isMissing: boolean;
  readonly isError: boolean;
  readonly hasError: boolean;
  readonly isNamed: boolean;
  readonly nextNamedSibling: SyntaxNode | null;
  readonly children: readonly (SyntaxNode | null)[];
  readonly namedChildren: readonly (SyntaxNode | null)[];
  childForFieldName(name: string): SyntaxNode | null;
}

/** Thrown by a parser that a text would keep busy for long; what is no program can be read in many ways. */
export class ParseGivenUp extends Error {
  constructor() {
    super('the parser has given up');
  }
}

/**
 * Parses a source text and hands the root to `read`, then frees the tree, whose memory lies outside
 * the reach of the garbage collector.
 */
export type ParseWith = <T>(source: string, read: (root: SyntaxNode) => T) => T;

/** The loaded grammars. Loading them needs files or a network, so it stays outside the core. */
export interface Grammars {
  readonly cpp: ParseWith;
  readonly python: ParseWith;
}

/** A stretch of the program, lines and columns from 1, end exclusive. */
export interface Span {
  readonly line: number;
  readonly column: number;
  readonly endLine: number;
  readonly endColumn: number;
}

export function spanOf({ startPosition: from, endPosition: to }: SyntaxNode): Span {
  return { line: from.row + 1, column: from.column + 1, endLine: to.row + 1, endColumn: to.column + 1 };
}

export const namedChildren = (node: SyntaxNode): readonly SyntaxNode[] =>
  node.namedChildren.filter((child): child is SyntaxNode => child !== null && child.type !== 'comment');

/** A node with all that are inside it, in the order of the text; `enters` says whose inside is looked at. */
export const nodesIn = (
  root: SyntaxNode,
  enters: (node: SyntaxNode) => boolean = () => true,
): readonly SyntaxNode[] => withInner([root], (node) => (enters(node) ? namedChildren(node) : []));
