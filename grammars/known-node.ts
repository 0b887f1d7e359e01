import type { Node } from 'web-tree-sitter';
import type { SyntaxNode } from '@/core/program/syntax';

type Position = SyntaxNode['startPosition'];

/**
 * A node of the parser that is asked each thing once: every question crosses into WebAssembly and back, and a program
 * is read from many sides.
 */
export class KnownNode implements SyntaxNode {
  readonly startIndex: number;
  readonly startPosition: Position;
  private readonly fields = new Map<string, KnownNode | null>();
  private known: {
    type?: string;
    text?: string;
    endIndex?: number;
    endPosition?: Position;
    isNamed?: boolean;
    children?: readonly (KnownNode | null)[];
    namedChildren?: readonly (KnownNode | null)[];
  } = {};

  /** `source`: the text that was parsed. */
  constructor(
    private readonly node: Node,
    private readonly source: string,
  ) {
    this.startIndex = node.startIndex;
    this.startPosition = node.startPosition;
  }

  get type(): string {
    return (this.known.type ??= this.node.type);
  }

  get text(): string {
    return (this.known.text ??= this.source.slice(this.startIndex, this.endIndex));
  }

  get endIndex(): number {
    return (this.known.endIndex ??= this.node.endIndex);
  }

  get endPosition(): Position {
    return (this.known.endPosition ??= this.node.endPosition);
  }

  get isNamed(): boolean {
    return (this.known.isNamed ??= this.node.isNamed);
  }

  get isMissing(): boolean {
    return this.node.isMissing;
  }

  get isError(): boolean {
    return this.node.isError;
  }

  get hasError(): boolean {
    return this.node.hasError;
  }

  get nextNamedSibling(): SyntaxNode | null {
    return this.of(this.node.nextNamedSibling);
  }

  get children(): readonly (KnownNode | null)[] {
    return (this.known.children ??= this.node.children.map((child) => this.of(child)));
  }

  get namedChildren(): readonly (KnownNode | null)[] {
    return (this.known.namedChildren ??= this.node.namedChildren.map((child) => this.of(child)));
  }

  childForFieldName(name: string): SyntaxNode | null {
    const known = this.fields.get(name);
    if (known !== undefined) return known;
    const found = this.of(this.node.childForFieldName(name));
    this.fields.set(name, found);
    return found;
  }

  private of(node: Node | null): KnownNode | null {
    return node && new KnownNode(node, this.source);
  }
}
